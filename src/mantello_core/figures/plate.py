"""A plate: the flat drawing of a figure type, its paintable areas and what geometry says of them.

Lengths are mm and areas mm², except drawing coordinates, which are units of 0.1 mm.
"""

from collections.abc import Collection, Iterable
from dataclasses import asdict, dataclass, field, replace
from functools import cached_property

from ..geometry.rings import Box, Ring, box_of_path, rings_of
from .extent import NOTHING, Extent, united
from .measured import Measured, measured_from, measured_mapping

#: before an area's name: the whole of that area as a site, for patterns of cloth
CLOTH = "cloth."
#: the area that is the rim of a base; mm² up to which glass is a lens; mm that a brush has between the features of a face
RIM, LENS_MM2, SKIN_ROOM = "base.rim", 6.0, 1.4
#: mm that a brush has where several areas are laid in one go
ROOM_AT_ONCE = 8.0
#: of edges that were not told apart by how they face: level or facing up, and facing up
LEVEL, UPWARD = 0.55, 0.25


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

    @property
    def words(self) -> str:
        """Its size and form in words, such as '3.2 x 4.2 mm shield, bent over 3 mm'."""
        kind, _, radius = self.curve.partition(":")
        bent = {"cyl": f", bent over {radius} mm", "dome": f", on a dome of {radius} mm", "drape": ", on folds"}.get(
            kind, ""
        )
        return f"{self.width:g} x {self.height:g} mm {self.shape}{bent}"


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
    #: mm² that would be seen of it if its part stood alone
    alone_mm2: float
    #: mm of seen outline; of that, where something above cuts it off; where it is the figure's own outline
    outline_mm: float
    covered_mm: float
    rim_mm: float
    #: share of it that no overlay touches
    true_colour: float
    #: path text of what is seen, as it is drawn
    visible: str
    #: mm of edge that stands over what is beneath; of that, level or facing up, and facing up; of seams and drawn lines in it;
    #: corners. None in drawings that were measured before these were
    free_mm: float | None = None
    exposed_mm: float = 0.0
    sharp_mm: float = 0.0
    foot_mm: float = 0.0
    line_mm: float = 0.0
    corners: int = 0
    #: path text of its sharp edges, and of the seams in it
    sharp_d: str = ""
    foot_d: str = ""

    @property
    def extent(self) -> Extent:
        """What of it a brush has to go over."""
        if self.free_mm is None:
            free = max(0.0, self.outline_mm - self.covered_mm)
            return Extent(self.surface_mm2, free, free * LEVEL, free * UPWARD, self.covered_mm, 0.0, 0, 1, self.room)
        return Extent(
            self.surface_mm2, self.free_mm, self.exposed_mm, self.sharp_mm, self.foot_mm, self.line_mm, self.corners,
            1, self.room,
        )  # fmt: skip

    @cached_property
    def rings(self) -> tuple[Ring, ...]:
        """What is seen of it, as rings in drawing units."""
        return rings_of(self.visible)

    @cached_property
    def box(self) -> Box:
        """The box about it."""
        return box_of_path(self.visible)

    @classmethod
    def plain(cls, name: str, width: float, height: float) -> "SeenArea":
        """An area that is a bare rectangle about the origin, so many mm wide and high, of which all is seen."""
        x, y = width * 5, height * 5
        visible = f"M{-x:g},{-y:g}L{x:g},{-y:g}L{x:g},{y:g}L{-x:g},{y:g}Z"
        area, edge = width * height, 2 * (width + height)
        return cls(name, "", "", area, area, 1, (0, 0), min(width, height), area, edge, 0, edge, 1, visible)


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

    def named_site(self, site_id: str) -> Site | None:
        """The site of that id in this view; 'cloth.' and an area's name is the whole of that area, for patterns."""
        return self._named.get(site_id)

    @cached_property
    def _named(self) -> dict[str, Site]:
        whole = {f"{CLOTH}{seen.area}": _whole(seen) for seen in self.areas}
        return whole | {site.id: site for site in self.sites}


def _whole(seen: SeenArea) -> Site:
    """The box of what is seen of an area, as a site."""
    left, top, right, bottom = seen.box
    wide, tall = round((right - left) / 10, 2), round((bottom - top) / 10, 2)
    return Site(f"{CLOTH}{seen.area}", seen.area, (left + right) / 2, (top + bottom) / 2, wide, tall, "whole", "drape")


@dataclass(frozen=True)
class PlateArea:
    """One area over all views: front and back add up."""

    name: str
    material: str
    tags: tuple[str, ...]
    mm2: float
    #: painted surface: measured on a model, else an estimate: projected mm² times a relief factor of the form
    surface_mm2: float
    z: float
    #: share of it that other parts do not hide as the finished model stands, 0 to 1
    visibility: float = 1.0
    #: how far it lies back: share of its edge that others cover, 0 (stands proud) to 1 (a recess)
    depth: float = 0.0
    #: share of its edge that is the figure's own outline, where light catches and hands rub, 0 to 1
    edge_exposure: float = 0.0
    #: what of it a brush has to go over, the views added up
    extent: Extent = NOTHING


def _as_painted(name: str, seen: list[SeenArea], measured: Measured | None) -> Extent:
    """What a brush goes over on an area, by what it is: one piece; a rim, a lens; skin, whose features leave little room."""
    extent, material = united(one.extent for one in seen), seen[0].material
    if measured:
        extent = measured.extent(max(one.room for one in seen))
    rim = extent.surface_mm2 if name == RIM else 0.0
    lens = max(one.pieces for one in seen) if material == "glass" and extent.surface_mm2 <= LENS_MM2 else 0
    room = min(extent.room_mm, SKIN_ROOM) if material == "skin" else extent.room_mm
    return replace(extent, pieces=1, rim_mm2=rim, lenses=lens, room_mm=room)


@dataclass(frozen=True, eq=False)
class Plate:
    """The drawing of one figure type. Compared by identity: a drawing is not a value to compute with."""

    id: str
    title: str
    kind: str
    views: tuple[View, ...]
    tags: dict[str, tuple[str, ...]]
    #: area to what was measured of it in space, where the type came from a model
    measured: dict[str, Measured] = field(default_factory=dict)

    @cached_property
    def areas(self) -> dict[str, PlateArea]:
        """Every area by name, lowest first; projected and painted surface added over the views."""
        shown: dict[str, list[SeenArea]] = {}
        heights: dict[str, float] = {}
        for view in self.views:
            for seen in view.areas:
                shown.setdefault(seen.area, []).append(seen)
            heights = {layer.area: layer.z for layer in view.layers} | heights
        found = {name: self._united(name, seen, heights[name]) for name, seen in shown.items()}
        return dict(sorted(found.items(), key=lambda item: (item[1].z, item[0])))

    def _united(self, name: str, seen: list[SeenArea], z: float) -> PlateArea:
        mm2, alone = sum(one.mm2 for one in seen), sum(one.alone_mm2 for one in seen)
        outline = sum(one.outline_mm for one in seen) or 1
        depth = min(sum(one.covered_mm for one in seen) / outline, 1)
        surface = sum(one.surface_mm2 for one in seen)
        known = self.measured.get(name)
        if known:
            depth, surface = known.recess_share, known.surface_mm2
        return PlateArea(
            name,
            seen[0].material,
            self.tags.get(name, ()),
            round(mm2, 2),
            round(surface, 2),
            z,
            visibility=round(min(mm2 / alone, 1), 2) if alone else 1.0,
            depth=round(depth, 2),
            edge_exposure=round(min(sum(one.rim_mm for one in seen) / outline, 1), 2),
            extent=_as_painted(name, seen, known),
        )

    @cached_property
    def extent(self) -> Extent:
        """What a brush goes over on the whole figure."""
        return self.extent_of(self.areas)

    def extent_of(self, names: Iterable[str]) -> Extent:
        """What a brush goes over on the areas of those names."""
        return united(self.areas[name].extent for name in names)

    @cached_property
    def whole_at_once(self) -> Extent:
        """What a brush goes over on the whole figure, laid in one go."""
        return self.extent_at_once(self.areas)

    def extent_at_once(self, names: Iterable[str]) -> Extent:
        """What a brush goes over on areas that are laid in one go: nothing is cut in between them, only against the rest,
        and there is room for a wide brush. Seams in them stay, for what is led into recesses."""
        inner = frozenset(names)
        ordered = [name for name in self.areas if name in inner]
        apart = self.extent_of(ordered)
        if len(inner) < 2:
            return apart
        outer = sum(length for area in ordered for other, length in self.neighbours[area].items() if other not in inner)
        share = min(1.0, outer / apart.free_mm) if apart.free_mm else 0.0
        return replace(
            apart, free_mm=min(outer, apart.free_mm), exposed_mm=apart.exposed_mm * share, sharp_mm=apart.sharp_mm * share,
            pieces=1, room_mm=max(apart.room_mm, ROOM_AT_ONCE), lenses=0, rim_mm2=0.0,
        )  # fmt: skip

    @cached_property
    def sites(self) -> dict[str, tuple[Site, ...]]:
        """For every area that offers room for insignia, the sites on it; a site on a face that is divided is
        offered by every part of it."""
        found: dict[str, dict[str, Site]] = {}
        for view in self.views:
            for site in view.sites:
                under = [name for name in self.areas if name.startswith(f"{site.area}.")]
                for name in [site.area] if site.area in self.areas else under:
                    found.setdefault(name, {}).setdefault(site.id, site)
        return {area: tuple(sites.values()) for area, sites in found.items()}

    @cached_property
    def areas_by_head(self) -> dict[str, tuple[PlateArea, ...]]:
        """The areas by the first step of their names."""
        found: dict[str, list[PlateArea]] = {}
        for name, area in self.areas.items():
            found.setdefault(name.partition(".")[0], []).append(area)
        return {head: tuple(areas) for head, areas in found.items()}

    @cached_property
    def neighbours(self) -> dict[str, dict[str, float]]:
        """For every area, the areas it touches and the mm of shared seam, the views united."""
        found: dict[str, dict[str, float]] = {name: {} for name in self.areas}
        for view in self.views:
            for a, b, length in view.seams:
                found[a][b] = found[b][a] = round(found[a].get(b, 0) + length, 2)
        return found

    def share_beside(self, areas: Iterable[str], others: Collection[str]) -> float:
        """Share of the outlines of some areas, 0 to 1, that lies beside others."""
        mine = frozenset(areas)
        outline = sum(seen.outline_mm for view in self.views for seen in view.areas if seen.area in mine)
        shared = sum(length for area in mine for other, length in self.neighbours[area].items() if other in others)
        return min(shared / outline, 1.0) if outline else 0.0

    def areas_within(self, area: str) -> tuple[str, ...]:
        """The area itself, or the patches it is divided into; lowest first."""
        return tuple(name for name in self.areas if name == area or name.startswith(f"{area}."))

    def named_sites(self, site_id: str) -> tuple[tuple[View, Site], ...]:
        """Every view that shows a site, with the site as that view has it."""
        return tuple((view, site) for view in self.views if (site := view.named_site(site_id)) is not None)

    def view(self, name: str) -> View:
        """The view of that name; the first one if there is none."""
        return next((view for view in self.views if view.name == name), self.views[0])


def plate_from(data: dict) -> Plate:
    """The plate a drafted mapping describes."""
    tags = {
        layer["area"]: tuple(layer["tags"]) for view in data["views"] for layer in view["layers"] if "tags" in layer
    }
    views, measured = tuple(view_from(view) for view in data["views"]), measured_from(data.get("measured", {}))
    return Plate(data["id"], data["title"], data["kind"], views, tags, measured)


def plate_mapping(plate: Plate) -> dict:
    """The drawing of a plate as a JSON-ready mapping, ``kind``, ``views`` and, if it was, ``measured``; ``plate_from`` reads it
    back."""
    drawing = {"kind": plate.kind, "views": [_view_mapping(view, plate.tags) for view in plate.views]}
    return drawing | ({"measured": measured_mapping(plate.measured)} if plate.measured else {})


def _view_mapping(view: View, tags: dict[str, tuple[str, ...]]) -> dict:
    return {
        "name": view.name,
        "view_box": list(view.view_box),
        "silhouette": view.silhouette,
        "silhouette_mm2": view.silhouette_mm2,
        "layers": [
            {"area": one.area, "z": one.z, "d": one.d} | ({"tags": list(tags[one.area])} if one.area in tags else {})
            for one in view.layers
        ],
        "textures": [{"name": name, "d": d} for name, d in view.textures],
        "shades": [asdict(shade) for shade in view.shades],
        "areas": [asdict(area) | {"label": list(area.label)} for area in view.areas],
        "seams": [list(seam) for seam in view.seams],
        "sites": [asdict(site) for site in view.sites],
    }


def view_from(data: dict) -> View:
    """One view from its mapping."""
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
