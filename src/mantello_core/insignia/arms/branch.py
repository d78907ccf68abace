"""A coat of arms as branches to be shown: what each part is, in words, and what hangs on it."""

from dataclasses import dataclass, replace

from .coat import Arms, Charged, Coat, Group, Impaled, Ordinary, Parted, Plain, Quartered
from .writing import write_blazon, write_group


@dataclass(frozen=True)
class Branch:
    """One part: its kind, its words, its tincture to paint ('' for several), and the parts on it."""

    kind: str
    words: str
    tincture: str = ""
    parts: tuple["Branch", ...] = ()


def branch_of(arms: Arms) -> Branch:
    """The arms from the whole down to every charge."""
    if isinstance(arms, Impaled):
        return Branch("impaled", "two coats side by side", "", (branch_of(arms.dexter), branch_of(arms.sinister)))
    if isinstance(arms, Quartered):
        parts = [
            Branch(
                "quarter", f"quarter{'s' * (len(numbers) > 1)} {', '.join(map(str, numbers))}", "", (branch_of(coat),)
            )
            for numbers, coat in arms.parts
        ]
        over = [_element(one) for one in arms.across]
        over += [Branch("over all", "on a small shield", "", (branch_of(arms.overall),))] if arms.overall else []
        return Branch("quartered", f"{arms.quarters} quarters", "", (*parts, *over))
    return _coat(arms)


def _coat(coat: Coat) -> Branch:
    tincture = coat.field.tincture if isinstance(coat.field, Plain) else ""
    if isinstance(coat.field, Parted):
        parts = [Branch("part", f"part {at}", "", (branch_of(arms),)) for at, arms in enumerate(coat.field.coats, 1)]
        name = (
            coat.field.kind.replace("-", " per ")
            if coat.field.kind.startswith("tierced")
            else f"per {coat.field.kind.replace('-', ' ')}"
        )
        return Branch("parted", name, "", (*parts, *(_element(one) for one in coat.elements)))
    return Branch(
        "field", write_blazon(Coat(coat.field)).lower(), tincture, tuple(_element(one) for one in coat.elements)
    )


def _element(one: Ordinary | Charged) -> Branch:
    if isinstance(one, Charged):
        return _group(one.group, "charge, over all" if one.overall else "charge")
    bare = replace(one, bears=(), between=(), laid=None)
    words = write_blazon(Coat(Plain("or"), (bare,))).partition(", ")[2]
    on = [_group(group, "on it") for group in one.bears]
    on += [_element(one.laid)] if one.laid else []
    beside = [_group(group, "beside it") for group in one.between]
    return Branch("ordinary", words, one.tincture, (*on, *beside))


def _group(group: Group, kind: str) -> Branch:
    bare = replace(group, bears=(), between=(), holds=())
    parts = [
        *(_group(one, "on it") for one in group.bears), *(_group(one, "beside it") for one in group.between),
        *(_group(one, "held") for one in group.holds),
    ]  # fmt: skip
    return Branch(kind, write_group(bare), group.tincture, tuple(parts))
