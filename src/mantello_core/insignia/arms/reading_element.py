"""What lies on a field read: ordinaries, labels, groups, what is on and about them."""

from dataclasses import replace

from .coat import Charged, Detail, Element, Group, Ordinary, Varied
from .cursor import Cursor
from .reading_field import begins_tincture, read_pattern, read_tincture
from .reading_group import read_group, read_groups, stands_as_charge
from .reading_ordinary import counted_ordinary_follows, ordinary_follows, read_narrower, read_ordinary
from .reading_place import begins_group, read_edge
from .tincture import PROPER


def read_element(cursor: Cursor) -> Element:
    """An ordinary, a label or a group.

    Raises: Misfit; Unreadable; OutOfRange.
    """
    if cursor.take("DIFFERENCE"):
        cursor.commas()
    overall = bool(cursor.take("OVERALL"))
    if overall:
        cursor.commas()
    one = _standing(cursor)
    if cursor.beyond("DIFFERENCE"):
        cursor.at += 1
    return replace(one, overall=True) if overall else one


def _standing(cursor: Cursor) -> Element:
    if (cursor.kind() == "ARRANGEMENT" and cursor.kind(1) == "WATER") or cursor.kind() == "WATER":
        return _water(cursor)
    if cursor.kind() == "ON" and cursor.kind(1 + (cursor.kind(1) == "THE")) == "ORDINAL":
        # 'on the second and third quarters'
        cursor.words[cursor.at] = replace(cursor.peek(), kind="IN", value="in")
        return _charged(cursor)
    if cursor.take("ON"):
        return _on(cursor)
    if cursor.take("WITHIN"):
        return read_ordinary(cursor, ("bordure", "orle", "tressure", "double tressure", "double tressure flory"))
    if begins_group(cursor):
        return _charged(cursor)
    if from_it := cursor.take("THEREFROM"):
        cursor.commas()
        above = read_group(cursor)
        return Charged(replace(above, details=(Detail((from_it.value,)), *above.details)))
    if cursor.take("OUTOF"):
        if edge := _edge(cursor):
            above = read_group(cursor)
            details = (Detail(("issuant",)), *above.details)
            return Charged(replace(above, arrangement=above.arrangement or edge, details=details))
        beneath = read_element(cursor)
        if isinstance(beneath, Charged):
            beneath = replace(beneath, group=replace(beneath.group, arrangement="in base"))
        cursor.commas()
        above = _standing(cursor)
        cursor.behind.append(beneath)
        return above
    if cursor.kind() == "ARRANGEMENT" and cursor.peek().value in _PLACED and cursor.kind(1) == "NUMBER":
        if cursor.kind(2) == "LABEL":
            cursor.at += 1  # it lies there anyway
            return read_ordinary(cursor)
        if cursor.kind(2) == "ORDINARY" and cursor.peek(2).value == "bar":
            return _bars_in(cursor)
    placed = "ARRANGEMENT" in (cursor.kind(), cursor.kind(2))
    if placed and stands_as_charge(cursor, 1 + (cursor.kind() == "ARRANGEMENT")):
        return _charged(cursor)
    if cursor.kind() == "ARRANGEMENT" and cursor.kind(1) == "ON":
        cursor.at += 1
        return _standing(cursor)
    cursor.asked.setdefault(cursor.at, set()).update(("NUMBER", "ON", "OVERALL", "WITHIN"))
    return read_ordinary(cursor)


#: parts of a field that bars may fill, and the ordinary that is as large
_PLACED = {"in chief": "chief", "in base": "base"}


def _bars_in(cursor: Cursor) -> Ordinary:
    """'in base three bars wavy azure': as much of the field, in bars."""
    place = _PLACED[cursor.want("ARRANGEMENT").value]
    bars = read_ordinary(cursor)
    field = cursor.named[0]
    return Ordinary(place, field, pattern=Varied("barry", (field, bars.tincture), bars.line, 2 * bars.count))


def _charged(cursor: Cursor) -> Charged:
    """A group, with the ordinaries that it may stand between: 'a lion between two bars'."""
    group = read_group(cursor)
    at = cursor.at
    if cursor.beyond("BETWEEN"):
        cursor.at += 1
        if counted_ordinary_follows(cursor):
            cursor.behind.append(read_ordinary(cursor))
            return Charged(group)
        if cursor.kind() == "NUMBER" and cursor.kind(1) == "COTISE":
            # narrow bars, as cotises are beside a fess
            count = cursor.peek().value
            cursor.at += 2
            tincture = read_tincture(cursor) if begins_tincture(cursor) else cursor.later()
            cursor.behind.append(Ordinary("bar gemel" if count == 4 else "bar", tincture, 2))
            return Charged(group)
        cursor.at = at
    return Charged(group)


def _edge(cursor: Cursor) -> str:
    """'the base' or 'the chief' that something issues from and that is no piece of its own; '' for anything else."""
    at = cursor.at
    cursor.at -= 1
    edge = read_edge(cursor)
    cursor.commas()
    if edge and begins_group(cursor):
        return edge
    cursor.at = at
    return ""


def _water(cursor: Cursor) -> Ordinary:
    """'in base water proper', 'in base waves of the sea': a base of wavy bars."""
    cursor.take("ARRANGEMENT")
    cursor.want("WATER")
    cursor.take("ARRANGEMENT")
    pattern = read_pattern(cursor)
    if pattern is None and cursor.take("VARIED"):
        cursor.take("LINE")  # 'barry wavy proper', as it is drawn anyway
    tincture = "" if pattern else read_tincture(cursor) if begins_tincture(cursor) else PROPER
    cursor.take("ARRANGEMENT")
    if pattern is None and tincture == PROPER:
        pattern = Varied("barry", ("argent", "azure"), "wavy", 4)
    return Ordinary("base", pattern.tinctures[0] if pattern else tincture, line="wavy", pattern=pattern)


def _on(cursor: Cursor) -> Element:
    """'on a fess or, three stars gules'; 'on three roundels gules as many stars or'."""
    if cursor.kind() == "WATER":
        return _water(cursor)
    if begins_group(cursor):
        beneath = read_group(cursor)
        at = cursor.at
        cursor.commas()
        if not begins_group(cursor):
            # a beast 'on a mount'
            cursor.at = at
            return Charged(replace(beneath, arrangement=beneath.arrangement or "in base"))
        groups = [_shared(one, beneath) for one in read_groups(cursor)]
        return Charged(replace(beneath, bears=tuple(groups)))
    one = read_ordinary(cursor)
    while cursor.kind() in ("COMMA", "THE"):
        cursor.at += 1
    if one.kind == "base" and not begins_group(cursor):
        # a beast 'on a mount in base'
        return one
    if ordinary_follows(cursor):
        return replace(one, laid=read_narrower(cursor, one.kind))
    return replace(one, bears=(*one.bears, *read_groups(cursor)))


def _shared(group: Group, beneath: Group) -> Group:
    """As many as lie on each of what is beneath."""
    if group.count % beneath.count or group.count < beneath.count:
        return group
    return replace(group, count=group.count // beneath.count)
