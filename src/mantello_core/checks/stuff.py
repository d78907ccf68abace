"""Which materials a painter shows as one kind of stuff."""

STUFF = {
    "cloth": "cloth", "leather": "leather", "metal": "metal", "plate": "metal", "mail": "metal", "fur": "fur",
    "wood": "wood", "skin": "skin", "hair": "hair", "feather": "feather", "rope": "rope",
}  # fmt: skip
