"""Arms written back as blazon in the canonical way."""

from .charge import CHARGES
from .coat import (
    Arms,
    Charged,
    Coat,
    Detail,
    Element,
    Field,
    Group,
    Impaled,
    Parted,
    Plain,
    Quartered,
    Strewn,
    Varied,
)
from .vocabulary import NUMBERS, ORDINARIES
from .words import phrases

#: sides of a field parted into coats
_SIDES = ("dexter", "sinister")


def write_blazon(arms: Arms) -> str:
    """The canonical blazon of arms; read again it gives the same tree.

    >>> from mantello_core.insignia.arms.blazon import read_blazon
    >>> write_blazon(read_blazon("Blue, a Fess wavey gold"))
    'Azure, a fess wavy or'
    """
    said = _arms(arms)
    return said[0].upper() + said[1:]


def _arms(arms: Arms) -> str:
    if isinstance(arms, Impaled):
        dexter = _arms(arms.dexter)
        return f"{f'({dexter})' if not isinstance(arms.dexter, Coat) else dexter}, impaling {_arms(arms.sinister)}"
    if isinstance(arms, Quartered):
        parts = [f"{_listed(numbers)}, {_part(mine)}" for numbers, mine in arms.parts]
        return (
            f"quarterly{' of six' if arms.quarters == 6 else ''}, "
            + "; ".join(parts)
            + "".join(f"; over all, {write_element(one)}" for one in arms.across)
            + (f"; en surtout, {_coat(arms.overall)}" if arms.overall else "")
        )
    return _coat(arms)


def _part(arms: Arms) -> str:
    """Arms within others, in brackets where they have parts of their own."""
    plain = isinstance(arms, Coat) and not isinstance(arms.field, Parted)
    return _arms(arms) if plain else f"({_arms(arms)})"


def _listed(numbers: tuple[int, ...]) -> str:
    words = [str(number) for number in numbers]
    return words[0] if len(words) == 1 else f"{', '.join(words[:-1])} and {words[-1]}"


def _coat(coat: Coat) -> str:
    between = "; " if isinstance(coat.field, Parted) and not _simple(coat.field) else ", "
    return between.join([write_field(coat.field), *(write_element(one) for one in coat.elements)])


def _simple(field: Parted) -> bool:
    """Whether a field's two parts are fields with nothing on them."""
    return len(field.coats) == 2 and all(isinstance(one, Coat) and not one.elements for one in field.coats)


def write_field(field: Field) -> str:
    """A field."""
    if isinstance(field, Plain):
        return field.tincture
    if isinstance(field, Strewn):
        ground = write_field(field.over) if field.over else field.tincture
        return (
            f"{ground} fretty {field.of}"
            if field.charge == "fret"
            else f"{ground} semy of {CHARGES[field.charge].plural} {field.of}"
        )
    line = f" {field.line}" if field.line else ""
    kind = field.kind.replace("-", " ")
    if isinstance(field, Parted):
        if _simple(field):
            return f"per {kind}{line} {' and '.join(write_field(one.field) for one in field.coats)}"
        names = _SIDES if field.kind == "pale" else [str(at + 1) for at in range(len(field.coats))]
        per = f"tierced per {kind.split()[1]}" if kind.startswith("tierced") else f"per {kind}"
        return f"{per}{line}, " + "; ".join(
            f"{name}, {_part(one)}" for name, one in zip(names, field.coats, strict=True)
        )
    first, *rest = field.tinctures
    both = f"{first} and {rest[0]}" if len(rest) == 1 else f"{first}, {rest[0]} and {rest[-1]}"
    if isinstance(field, Varied):
        count = f" of {number_words(field.count)}" if field.count else ""
        count += f" of {number_words(field.rows)} rows" if field.rows else ""
        return f"{field.kind}{count}{line} {both}"
    if kind.startswith("cross"):
        return f"quarterly{kind.removeprefix('cross').replace(' ', ' per ')}{line} {both}"
    if field.kind == "gyronny":
        return f"gyronny of {number_words(field.count)}{line} {both}"
    if field.kind.startswith("tierced"):
        return f"tierced per {field.kind.split('-')[1]}{line} {both}"
    return f"per {kind}{line} {both}"


def write_element(one: Element) -> str:
    """An ordinary or a group."""
    over = "overall " if one.overall else ""
    if isinstance(one, Charged):
        return over + write_group(one.group)
    worn = f" {write_field(one.pattern)}" if one.pattern else f" {one.tincture}"
    if one.kind == "label":
        said = f"a label of {number_words(one.points)} points{worn}"
        return over + said + _bears(one.bears)
    line = f" {one.line}" if one.line else ""
    name = one.kind if one.count == 1 else ORDINARIES[one.kind]
    own = [
        manner
        for manner in one.manners
        if not ((one.trim or one.trim_line) and manner in ("cotised", "double cotised", "fimbriated"))
    ]
    trimmed = [manner for manner in one.manners if manner not in own]
    manners = "".join(f" {manner}" for manner in own)
    trim = "".join(f", {manner}" for manner in trimmed) + "".join(
        f" {said}" for said in (one.trim_line, one.trim) if said
    )
    said = f"{counted(one.count, name)} {name}{line}{manners}{worn}{trim}"
    between = " between " + " and ".join(write_group(group) for group in one.between) if one.between else ""
    if one.laid and one.between:
        return f"{over}on {said}{between}, {write_element(one.laid)}"
    if one.laid:
        return f"{over}{said} charged with {write_element(one.laid)}"
    if one.bears and one.kind not in ("bordure", "orle", "tressure", "double tressure"):
        return f"{over}on {said}{between}, {' and '.join(write_group(group) for group in one.bears)}"
    return f"{over}{said}{_bears(one.bears)}{between}"


def _bears(groups: tuple[Group, ...]) -> str:
    return f" charged with {' and '.join(write_group(group) for group in groups)}" if groups else ""


def write_group(group: Group) -> str:
    """A group of charges."""
    kind = CHARGES[group.charge]
    name = kind.name if group.count == 1 else kind.plural
    attitude = group.attitude if group.attitude and group.attitude != kind.attitudes[0] else ""
    bare = _bare(group, attitude or name)
    attitude = _set_off(name, attitude)
    parts = f" of {number_words(group.parts)} {kind.counted}" if group.parts else ""
    parts = parts if attitude or bare else _set_off(name, parts.strip())
    placed = f" {group.arrangement}" if group.arrangement else ""
    worn = write_field(group.pattern) if group.pattern else group.tincture
    coloured = "".join(f", {_detail(detail)}" for detail in group.details if detail.tincture)
    between = " between " + " and ".join(write_group(one) for one in group.between) if group.between else ""
    demi = "demi-" if group.demi else ""
    said = f"{counted(group.count, demi + name)} {demi}{name}{attitude}{bare}{parts}{placed} {worn}{coloured}{between}"
    holds = f" holding {' and holding '.join(write_group(one) for one in group.holds)}" if group.holds else ""
    return said + holds + _bears(group.bears)


def _bare(group: Group, before: str) -> str:
    """What is said of charges without a tincture of its own; behind a comma what would be one phrase with the word before it."""
    said = ""
    for word in (word for detail in group.details if not detail.tincture for word in detail.what):
        said += _set_off(before, word)
        before = word
    return said


def _set_off(before: str, said: str) -> str:
    """What is said behind a word, after a comma where it would begin a phrase with that, as 'hare' and 'heads downwards' do."""
    words = said.split()
    joined = any(f"{before} {' '.join(words[:count])}" in phrases() for count in range(1, len(words) + 1))
    return f"{',' if joined else ''} {said}" if said else ""


def _detail(detail: Detail) -> str:
    return f"{' and '.join(detail.what)} {detail.tincture}"


def counted(count: int, name: str) -> str:
    """A number before a name, 'a' or 'an' for one."""
    if count == 1:
        return "an" if name[0] in "aeiou" else "a"
    return NUMBERS[count - 1]


def number_words(count: int) -> str:
    """A number in words as far as blazon has them."""
    return NUMBERS[count - 1] if count <= len(NUMBERS) else str(count)
