"""A laid-out pattern as paths over a drawing, feathered where its tool feathers."""

from typing import NamedTuple

from ..camouflage.laying import Patterned
from ..camouflage.wearing import Worn
from ..geometry.polygon import path_data


class Camouflage(NamedTuple):
    """A pattern on one view: where it lies, and its shapes from the lowest ink up, (colour, path); drawing units."""

    areas: frozenset[str]
    region: str
    shapes: tuple[tuple[str, str], ...]
    #: how wide its edges fade, drawing units; 0 for hard ones
    feather: float = 0.0


def camouflage_of(result: Patterned, view: str, colours: tuple[str, ...]) -> Camouflage | None:
    """One view of a layout in colours, '#rrggbb' by ink, as many of them as are laid; None where the view shows nothing of it."""
    source, laid = result.surface.view(view), result.view(view)
    if source.region.is_empty:
        return None
    shapes = ((colours[0], path_of(source.region)), *(
        (colour, path_of(shape)) for colour, shape in zip(colours[1:], laid.laid[1:], strict=False) if not shape.is_empty
    ))  # fmt: skip
    return Camouflage(result.surface.camo_names, path_of(source.region), tuple(shapes), result.sized.feather * 10)


def layer_of(result: Patterned, worn: Worn, view: str, colour: str) -> Camouflage | None:
    """A layer over a pattern on one view; None where nothing of it is left."""
    shape = worn.shape(view)
    if shape.is_empty:
        return None
    region = path_of(result.surface.view(view).region)
    return Camouflage(result.surface.camo_names, region, ((colour, path_of(shape)),))


def path_of(shape, digits: int = 1) -> str:
    """Path data of polygons in mm, in drawing units of 0.1 mm."""
    from shapely import affinity

    return path_data(affinity.scale(shape, 10, 10, origin=(0, 0)), digits)


def camouflage_group(one: Camouflage, key: str) -> str:
    """The paths of a pattern, clipped to where it lies."""
    blur = ""
    parts = [f'<clipPath id="{key}"><path clip-rule="evenodd" d="{one.region}"/></clipPath>']
    if one.feather:
        parts.append(
            f'<filter id="{key}f" x="-5%" y="-5%" width="110%" height="110%"><feGaussianBlur stdDeviation="{one.feather / 2.6:.2f}"/>'
            "</filter>"
        )
        blur = f' filter="url(#{key}f)"'
    parts.append(f'<g class="camo" clip-path="url(#{key})" stroke="none" fill-rule="evenodd">')
    for at, (colour, d) in enumerate(one.shapes):
        parts.append(f'<path fill="{colour}" d="{d}"{blur if at else ""}/>')
    parts.append("</g>")
    return "".join(parts)
