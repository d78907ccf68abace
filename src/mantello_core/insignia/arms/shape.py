"""What arms are painted on: six shields, and banner, pennon, tabard, trapper, roundel, hull side and drum."""

from dataclasses import dataclass

from shapely.geometry import Polygon

from ...errors import UnknownName
from ...geometry.outline import outline
from ...geometry.polygon import polygon_of
from ...memory import remembered


@dataclass(frozen=True)
class Shape:
    """A surface for arms, drawn about the middle, 100 units wide unless it is long."""

    id: str
    title: str
    outline: str
    #: where the middle of the field lies, units below the outline's own middle
    low: float = 0.0
    #: whether it is seen from both sides, the second mirrored
    reverse: bool = False


_ALL = (
    Shape("heater", "Heater shield", "-50,-58/0 50,-58/0 50,-8~ 38,30~ 0,64/0 -38,30~ -50,-8~", -10),
    Shape("round", "Round-footed shield", "-50,-58/0 50,-58/0 50,10~ 30,48~ 0,58~ -30,48~ -50,10~", -4),
    Shape("kite", "Kite shield", "0,-74~ 34,-60~ 46,-26~ 34,22~ 0,76/0 -34,22~ -46,-26~ -34,-60~", -16),
    Shape("square", "Square shield", "-50,-54/0 50,-54/0 50,40/14 0,58/6 -50,40/14", -2),
    Shape("oval", "Oval shield", "e:0,0,46,60"),
    Shape("lozenge", "Lozenge", "0,-66/0 54,0/0 0,66/0 -54,0/0"),
    Shape("banner", "Banner", "-50,-50/0 50,-50/0 50,50/0 -50,50/0", 0, True),
    Shape("pennon", "Pennon", "-80,-32/0 80,-14/0 48,0/0 80,14/0 -80,32/0", 0, True),
    Shape("tabard", "Tabard", "-74,-60/0 -20,-60/0 0,-48~ 20,-60/0 74,-60/0 74,-6/0 46,-10/0 50,66/0 -50,66/0 -46,-10/0 -74,-6/0", 2),
    Shape("trapper", "Horse cloth", "-90,-44/0 -40,-50~ 40,-42~ 90,-46/0 96,40/0 60,52~ 30,40~ 0,52~ -30,40~ -60,52~ -96,40/0", 0, True),
    Shape("roundel", "Roundel", "o:0,0,50"),
    Shape("hull", "Hull side", "-110,-24/0 104,-30/0 120,-6/0 104,28/0 -96,30/0", 0, True),
    Shape("drum", "Drum", "-60,-42/0 60,-42/0 60,42/0 -60,42/0"),
)  # fmt: skip
#: every surface by its id, shields first
SHAPES = {one.id: one for one in _ALL}


@remembered(1_000)
def shape_polygon(id_: str) -> Polygon:
    """The surface's outline.

    Raises: UnknownName, with near ones.
    """
    if id_ not in SHAPES:
        raise UnknownName("surface", id_, list(SHAPES), "shape")
    return polygon_of(outline(SHAPES[id_].outline, 0)).buffer(0)
