"""Figures drawn for the mass: one path a colour, so that a whole formation is recoloured at once."""

from collections.abc import Callable

from ..figures.plate import Plate, View
from ..memory import remembered
from .camouflage_svg import Camouflage, camouflage_group
from .drawing import INK, Bearing, mark_paths

#: overlay shapes that still tell at the size of a massed figure
_KEPT = ("form", "core", "cast", "fold")


def massed_group(
    plate: Plate, view_name: str, key_of: Callable[[str], str], fill_of: Callable[[str], str], bearing: Bearing = (),
    camouflage: tuple[Camouflage, ...] = (), prefix: str = "",
) -> str:  # fmt: skip
    """One view as silhouette, one path a key, and a little shading; drawing units, soles on y = 0.

    key_of: area name to what it is coloured by (a role's id); areas of one key and fill are one path that
    carries ``data-role``. What is seen of areas never overlaps, so their order does not matter. camouflage: over its areas;
    prefix: before its ids.
    """
    view = plate.view(view_name)
    joined: dict[tuple[str, str], list[str]] = {}
    for area in view.areas:
        joined.setdefault((key_of(area.area), fill_of(area.area)), []).append(area.visible)
    paths = [
        f'<path data-role="{key}" fill="{fill}" d="{"".join(shapes)}"/>'
        if key
        else f'<path fill="{fill}" d="{"".join(shapes)}"/>'
        for (key, fill), shapes in joined.items()
    ]
    outline = f'<path d="{view.silhouette}" fill="{INK}" stroke="{INK}" stroke-width="8" stroke-linejoin="round"/>'
    marks = dict(bearing)
    devices = "".join(
        mark_paths(view, site, mark) for id_, mark in marks.items() if (site := view.named_site(id_)) is not None
    )
    worn = "".join(camouflage_group(one, f"{prefix}camo{at}") for at, one in enumerate(camouflage))
    return f"{outline}{''.join(paths)}{worn}{devices}{_shades(view)}"


@remembered(8_000)
def _shades(view: View) -> str:
    return "".join(
        f'<path fill="#000" fill-opacity="{shade.alpha:g}" d="{shade.d}"/>'
        for shade in view.shades
        if shade.kind == "dark" and shade.name in _KEPT
    )
