"""A part: a function that draws areas, marks and sites into a ``Draw`` for one view.

Parts are authored in wearer space: +x is the wearer's left in both views, y grows downwards and
the soles stand on y = 0; 10 units are 1 mm. The assembly flips the back view, so an author never
thinks about which hand is which from behind.
"""

from collections.abc import Callable
from dataclasses import dataclass

from ..geometry import affine, outline
from ..geometry.polygon import merged

MATERIALS = (
    "cloth", "leather", "metal", "skin", "hair", "wood", "plate", "mail", "fur",
    "feather", "ground", "water", "glass", "paint", "rope",
)  # fmt: skip

#: stacking bands; authors add small offsets inside a band
Z = {
    "base": 0, "behind": 100, "leg": 200, "torso": 300, "coat": 340, "strap": 400, "head": 500,
    "arm": 600, "weapon": 700, "hand": 720, "shield": 760, "over": 800, "top": 900,
}  # fmt: skip


@dataclass
class Area:
    """One drawn piece of a paintable area; several pieces may share a name."""

    name: str
    cmds: list
    z: float
    mat: str = "cloth"
    form: str = ""
    #: cyl, ball, flat or none: how the form turns away from the light
    shade: str = "cyl"
    #: paper thickness in units; drives the cast shadow
    lift: float = 1.0
    tex: str = ""
    part: str = ""
    tags: tuple = ()
    #: outline as a polygon, filled in by the assembly
    poly: object = None
    #: what is seen of it, filled in by the assembly
    vis: object = None


@dataclass
class Detail:
    """Neutral drawing that is never painted (dark, lite or ink), clipped to what is seen of ``on``."""

    kind: str
    cmds: list
    on: tuple
    alpha: float


@dataclass
class Site:
    """A place where a badge, number or device may sit; width and height in mm."""

    id: str
    area: str
    x: float
    y: float
    w: float
    h: float
    #: rect, disc, oval, shield or lozenge
    shape: str = "rect"
    #: flat, cyl:<radius mm>, dome:<radius mm> or drape
    curve: str = "flat"


class Draw:
    """What a part function draws into."""

    def __init__(self, part: str, view: str, side: str = ""):
        self.part, self.view, self.side = part, view, side
        self.areas: list[Area] = []
        self.marks: list[Detail] = []
        self.sites: list[Site] = []
        self.anchors: dict[str, tuple[float, float]] = {}
        self.front = view == "front"

    def _sided(self, name: str) -> str:
        return name.replace("{s}", self.side) if self.side else name

    def area(self, name, spec, z, mat="cloth", form="", shade="cyl", lift=1.0, tex="",
             corner=outline.CORNER, turn=None, tags=(), merge=False, cut="", clip=""):  # fmt: skip
        """Add a piece of an area. ``merge`` unites overlapping sub-paths, ``cut`` and ``clip`` shape them."""
        cmds = outline.outline(spec, corner)
        if merge or cut or clip:
            cut_cmds = outline.outline(cut) if cut else None
            cmds = merged(cmds, cut_cmds, outline.outline(clip, 0) if clip else None)
        if turn:
            cmds = affine.transform(cmds, affine.rotation(*turn))
        name = self._sided(name)
        piece = Area(name, cmds, z, mat, form or name, shade, lift, tex, self.part, tuple(tags))
        self.areas.append(piece)
        return piece

    def both(self, name, spec, z, **options):
        """Draw at +x as the left one and mirrored as the right one; the name holds {s}."""
        for side in ("left", "right"):
            named = dict(options)
            if named.get("form"):
                named["form"] = named["form"].replace("{s}", side)
            piece = self.area(name.replace("{s}", side), spec, z, **named)
            if side == "right":
                piece.cmds = affine.transform(piece.cmds, affine.MIRROR)

    def _mark(self, kind, on, spec, alpha, sym):
        names = (on,) if isinstance(on, str) else tuple(on)
        names = tuple(self._sided(name) for name in names)
        cmds = outline.outline(spec, 0.6)
        self.marks.append(Detail(kind, cmds, names, alpha))
        if sym:
            self.marks.append(Detail(kind, affine.transform(cmds, affine.MIRROR), names, alpha))

    def dark(self, on, spec, alpha=0.2, sym=False):
        """A fold or crease in shadow."""
        self._mark("dark", on, spec, alpha, sym)

    def lite(self, on, spec, alpha=0.16, sym=False):
        """A lit fold."""
        self._mark("lite", on, spec, alpha, sym)

    def ink(self, on, spec, alpha=0.8, sym=False):
        """A drawn line: brows, fingers, seams."""
        self._mark("ink", on, spec, alpha, sym)

    def site(self, id, area, x, y, w, h, shape="rect", curve="flat"):
        """Offer a place for insignia on an area."""
        self.sites.append(Site(self._sided(id), self._sided(area), x, y, w, h, shape, curve))

    def anchor(self, name, x, y):
        """Name a point that other parts may hang on."""
        self.anchors[self._sided(name)] = (x, y)

    def apply(self, matrix):
        """Move the whole part by an affine map."""
        for drawn in (*self.areas, *self.marks):
            drawn.cmds = affine.transform(drawn.cmds, matrix)

        def moved(x, y):
            return (matrix[0] * x + matrix[2] * y + matrix[4], matrix[1] * x + matrix[3] * y + matrix[5])

        for site in self.sites:
            site.x, site.y = moved(site.x, site.y)
        self.anchors = {name: moved(*at) for name, at in self.anchors.items()}


@dataclass
class PartDefinition:
    """A registered part and where it hangs."""

    id: str
    slot: str
    draw: Callable
    #: the anchor of the figure that this part hangs on
    attach: str = ""
    #: where that anchor lies in the part's own drawing
    origin: tuple = (0.0, 0.0)
    #: y of its foot, for what stands on the ground whatever the hand does
    plant: float | None = None
    note: str = ""


PARTS: dict[str, PartDefinition] = {}


def part(id, slot, attach="", origin=(0.0, 0.0), note="", plant=None):
    """Register the decorated function as a part; a second one of that name is an error."""

    def register(draw):
        if id in PARTS:
            raise ValueError(f"part {id} twice")
        PARTS[id] = PartDefinition(id, slot, draw, attach, origin, plant, note)
        return draw

    return register
