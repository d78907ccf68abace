"""A check of areas that no brush can paint apart at the army's size."""

from ..design.joining import size_of, small_areas, with_small_joined
from ..figures.joining import LEAST_ROOM
from ..figures.vocabulary import sideless, spoken
from .finding import Check, Finding, Fix, at
from .look import Look

_NAMED = 4


def small(look: Look) -> Check:
    """Areas with less room than a brush's finest touch, type by type, with an edit that joins them to what they lie beside."""
    design = look.design
    height = round(28 * size_of(design), 1)
    seen: dict[str, Finding] = {}
    for one in look.resolution.classes:
        if one.type in seen:
            continue
        areas = small_areas(design, one.type)
        if areas:
            names = list(dict.fromkeys(spoken(sideless(area)).lower() for area in areas))
            more = f" and {len(names) - _NAMED} more" if len(names) > _NAMED else ""
            said = f"{len(areas)} areas of {design.army.type_titles[one.type]} are too small: {', '.join(names[:_NAMED])}{more}"
            fix = Fix("paint them with what they lie beside", _joined(one.type))
            seen[one.type] = at(design.army, one, areas[0], said, one.type, float(len(areas)), fix)
    found = sorted(seen.values(), key=lambda finding: -finding.number)
    worst = found[0].what if found else f"at {height:g} mm every area has room for a brush"
    rule = f"An area wants {LEAST_ROOM:g} mm of room for the finest touch of a brush; narrower ones are painted with what they lie beside."
    return Check("small", "Too small to paint apart", "look" if found else "clear", worst, tuple(found), rule)


def _joined(type_id: str):
    return lambda design: with_small_joined(design, type_id)
