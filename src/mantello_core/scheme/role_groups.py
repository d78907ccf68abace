"""Colour roles in groups of the stuff that they cover most of: cloth, metal, leather and wood, skin and hair, base, all else."""

from collections import defaultdict

from .cascade import Resolution
from .scheme import Scheme

#: groups in the order they are shown, with the materials in them
GROUPS = {
    "Cloth": ("cloth", "feather", "fur"),
    "Metal": ("metal", "plate", "mail"),
    "Leather and wood": ("leather", "wood", "rope"),
    "Skin and hair": ("skin", "hair"),
    "Base": ("ground", "turf", "water", "stone"),
    "Other": (),
    "Worn nowhere": (),
}
_GROUP_OF = {material: group for group, materials in GROUPS.items() for material in materials}


def role_groups(scheme: Scheme, resolution: Resolution) -> tuple[tuple[str, tuple[str, ...]], ...]:
    """Groups with the ids of their roles in the scheme's order; groups without a role are left out.

    A role is of the group of which it covers most mm² over all figures, what lies on bases counted with the base.
    """
    covered: dict[str, dict[str, float]] = defaultdict(lambda: defaultdict(float))
    for one in resolution.classes:
        for name, cell in one.cells.items():
            if cell.role:
                area = one.plate.areas[name]
                group = "Base" if name.startswith("base") else _GROUP_OF.get(area.material, "Other")
                covered[cell.role][group] += area.mm2 * len(one.ordinals)
    found: dict[str, list[str]] = {group: [] for group in GROUPS}
    for role in scheme.roles:
        mine = covered.get(role.id)
        found[max(mine, key=mine.get) if mine else "Worn nowhere"].append(role.id)
    return tuple((group, tuple(roles)) for group, roles in found.items() if roles)
