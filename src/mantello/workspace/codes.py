"""Unit codes as they are drawn and told: where a system shows them, and each on what it lies on."""

from collections import Counter
from dataclasses import dataclass

from django.utils.safestring import mark_safe

from mantello_core.colour.spaces import Lab, hex_of
from mantello_core.figures.plate import Site
from mantello_core.formats.mark_svg import mark_svg
from mantello_core.insignia.devices.worn import WornMark
from mantello_core.insignia.systems.code import Code
from mantello_core.marks.unit_codes import CodeSystem, holders

from .reading import Reading


@dataclass(frozen=True)
class Place:
    """Where a system's codes are shown: the site, and the role and colour of what they lie on."""

    site: Site
    ground: Lab
    ground_name: str
    types: int


def place_of(reading: Reading, system: CodeSystem) -> Place | None:
    """The place, by what most bearers have there; None if no figure within the scope has the site."""
    army, scheme = reading.design.army, reading.design.scheme
    found, sites, types = Counter(), [], set()
    for one in reading.resolution.classes:
        if system.scope not in army.paths[one.unit] or system.type not in ("", one.type):
            continue
        shown = one.plate.named_sites(system.site)
        if not shown:
            continue
        site = shown[0][1]
        sites.append(site)
        types.add(one.type)
        own = one.plate.areas_within(site.area)
        found[(one.cells[own[0]].role or "") if own else ""] += len(one.ordinals)
    if not sites:
        return None
    role = system.manner.ground or found.most_common(1)[0][0]
    known = scheme.role_by_id.get(role)
    colour = reading.prediction(role, "rank").apparent if known and known.recipe().steps else reading.undercoat
    return Place(
        min(sites, key=lambda one: one.width * one.height), colour, known.name if known else "bare", len(types)
    )


def code_words(scheme, code: Code) -> str:
    """A code in words, such as "'3' in a lozenge, in Harbour facing"."""
    role = scheme.role_by_id.get(code.colour)
    return f"{code.device.words}, in {role.name if role else code.colour}"


def code_picture(reading: Reading, system: CodeSystem, code: Code, place: Place) -> str:
    """A code drawn on what it lies on."""

    def inked(role: str) -> str:
        return hex_of(reading.prediction(role, "rank").apparent) if role else ""

    mark = WornMark(code.device, inked(code.colour), manner=system.manner, ground=inked(system.manner.ground),
                    outline=inked(system.manner.outline))  # fmt: skip
    return mark_safe(mark_svg(place.site, hex_of(place.ground), mark, css="code-picture"))


def legend_of(reading: Reading) -> list[tuple[str, list[tuple[str, str, str]]]]:
    """Every system that is shown somewhere: its name, and for each bearer the drawing of its code, its words and who bears it."""
    found = []
    for system in reading.design.scheme.code_systems:
        place = place_of(reading, system)
        rows = [
            (code_picture(reading, system, held.code, place), code_words(reading.design.scheme, held.code), name)
            for one, name in (holders(reading.design.army, system) if place else ())
            if (held := system.code_of.get(one.id)) is not None
        ]
        if rows:
            found.append((system.name, rows))
    return found
