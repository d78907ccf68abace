"""A plate: the flat drawing of a figure type, its paintable areas and what geometry says of them.

Lengths are mm and areas mm², except drawing coordinates, which are units of 0.1 mm.
"""

from dataclasses import dataclass
from functools import cached_property


@dataclass(frozen=True)
class Layer:
    """One painted piece, drawn from the lowest up."""

    area: str
    z: float
    d: str


@dataclass(frozen=True)
class Shade:
    """One translucent shape of the neutral overlay: kind is dark, lite or ink."""

    kind: str
    name: str
    alpha: float
    d: str


@dataclass(frozen=True)
class Site:
    """A place for insignia; width and height in mm."""

    id: str
    area: str
    x: float
    y: float
    width: float
    height: float
    shape: str
    curve: str


@dataclass(frozen=True)
class SeenArea:
    """What one view shows of an area."""

    area: str
    material: str
    part: str
    mm2: float
    surface_mm2: float
    pieces: int
    label: tuple[float, float]
    #: diameter of the largest circle inside it, mm
    room: float
    #: share of it that no overlay touches
    true_colour: float
    visible: str


@dataclass(frozen=True, eq=False)
class View:
    """One view of a plate, compared by identity."""

    name: str
    view_box: tuple[float, float, float, float]
    silhouette: str
    silhouette_mm2: float
    layers: tuple[Layer, ...]
    textures: tuple[tuple[str, str], ...]
    shades: tuple[Shade, ...]
    areas: tuple[SeenArea, ...]
    seams: tuple[tuple[str, str, float], ...]
    sites: tuple[Site, ...]


@dataclass(frozen=True)
class PlateArea:
    """One area over all views: front and back add up."""

    name: str
    material: str
    tags: tuple[str, ...]
    mm2: float
    #: painted surface, an estimate: projected mm² times a relief factor of the form
    surface_mm2: float
    z: float


@dataclass(frozen=True, eq=False)
class Plate:
    """The drawing of one figure type. Compared by identity: a drawing is not a value to compute with."""

    id: str
    title: str
    kind: str
    views: tuple[View, ...]
    tags: dict[str, tuple[str, ...]]

    @cached_property
    def areas(self) -> dict[str, PlateArea]:
        """Every area by name, lowest first; projected and painted surface added over the views."""
        found: dict[str, PlateArea] = {}
        for view in self.views:
            heights = {layer.area: layer.z for layer in view.layers}
            for seen in view.areas:
                before = found.get(seen.area)
                found[seen.area] = PlateArea(
                    seen.area,
                    seen.material,
                    self.tags.get(seen.area, ()),
                    round(seen.mm2 + (before.mm2 if before else 0), 2),
                    round(seen.surface_mm2 + (before.surface_mm2 if before else 0), 2),
                    before.z if before else heights[seen.area],
                )
        return dict(sorted(found.items(), key=lambda item: (item[1].z, item[0])))

    @cached_property
    def neighbours(self) -> dict[str, dict[str, float]]:
        """For every area, the areas it touches and the mm of shared seam, the views united."""
        found: dict[str, dict[str, float]] = {name: {} for name in self.areas}
        for view in self.views:
            for a, b, length in view.seams:
                found[a][b] = found[b][a] = round(found[a].get(b, 0) + length, 2)
        return found

    def view(self, name: str) -> View:
        """The view of that name; the first one if there is none."""
        return next((view for view in self.views if view.name == name), self.views[0])


def plate_from(data: dict) -> Plate:
    """The plate a drafted mapping describes."""
    tags = {
        layer["area"]: tuple(layer["tags"]) for view in data["views"] for layer in view["layers"] if "tags" in layer
    }
    return Plate(data["id"], data["title"], data["kind"], tuple(_view_from(view) for view in data["views"]), tags)


def _view_from(data):
    return View(
        name=data["name"],
        view_box=tuple(data["view_box"]),
        silhouette=data["silhouette"],
        silhouette_mm2=data["silhouette_mm2"],
        layers=tuple(Layer(layer["area"], layer["z"], layer["d"]) for layer in data["layers"]),
        textures=tuple((texture["name"], texture["d"]) for texture in data["textures"]),
        shades=tuple(Shade(**shade) for shade in data["shades"]),
        areas=tuple(SeenArea(**{**area, "label": tuple(area["label"])}) for area in data["areas"]),
        seams=tuple(tuple(seam) for seam in data["seams"]),
        sites=tuple(Site(**site) for site in data["sites"]),
    )
