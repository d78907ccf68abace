"""A coat of arms as branches to be shown: what each part is, in words, and what hangs on it."""

from dataclasses import dataclass

from .blazon import write_blazon
from .coat import Arms, Charged, Coat, Group, Impaled, Ordinary, Plain, Quartered


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
        over = [Branch("over all", "on a small shield", "", (branch_of(arms.overall),))] if arms.overall else []
        return Branch("quartered", f"{arms.quarters} quarters", "", (*parts, *over))
    return _coat(arms)


def _coat(coat: Coat) -> Branch:
    tincture = coat.field.tincture if isinstance(coat.field, Plain) else ""
    return Branch(
        "field", write_blazon(Coat(coat.field)).lower(), tincture, tuple(_element(one) for one in coat.elements)
    )


def _element(one: Ordinary | Charged) -> Branch:
    if isinstance(one, Charged):
        return _group(one.group, "charge, over all" if one.overall else "charge")
    bare = Ordinary(one.kind, one.tincture, one.count, one.line, (), (), one.points, one.overall)
    words = write_blazon(Coat(Plain("or"), (bare,))).partition(", ")[2]
    on = [_group(group, "on it") for group in one.bears]
    beside = [_group(group, "beside it") for group in one.between]
    return Branch("ordinary", words, one.tincture, (*on, *beside))


def _group(group: Group, kind: str) -> Branch:
    return Branch(kind, write_blazon(Coat(Plain("or"), (Charged(group),))).partition(", ")[2], group.tincture)
