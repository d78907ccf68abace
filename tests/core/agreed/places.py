"""Figures and geometry: outlines, strokes, plates built from figures, their exposure, kits and looks."""

from collections.abc import Iterator

from mantello_core.figures import stroke
from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.figures.drafting import drafted
from mantello_core.figures.exposure import LAWS, exposure
from mantello_core.figures.figure import BODIES, FIGURES
from mantello_core.figures.kit import KITS, made_figure, usual_making
from mantello_core.figures.loose import loose_advice
from mantello_core.figures.plate import plate_from, plate_mapping
from mantello_core.figures.synonym import areas_called
from mantello_core.figures.vocabulary import group_of, spoken
from mantello_core.geometry import affine, cubic, vector
from mantello_core.geometry.outline import number, outline, to_d, to_rings
from mantello_core.geometry.polygon import merged, path_data, path_of, polygon_of
from mantello_core.geometry.rings import box_of, rings_of

from .data import asked

SPECS = (
    "0,0 10,0 10,8 0,8",
    "0,0/0 10,0~ 12,9/3 0,8/0|2,2 4,2 4,4 2,4",
    "e:1,2,5,3",
    "o:0,0,4",
    "e:0,0,6,2,30",
    "0,-50~ 30,-40~ 10,0~ -30,40~",
)
CURVE = ((0.0, 0.0), (3.0, 5.0), (8.0, 6.0), (12.0, 1.0))


def lines() -> Iterator[tuple[str, object]]:
    """Outlines as paths, rings and polygons, curves by length, vectors and turns."""
    for spec in SPECS:
        for corner in (0.0, 2.0):
            drawn = outline(spec, corner)
            shape = polygon_of(drawn)
            yield f"{spec} {corner}", (
                to_d(drawn), to_rings(drawn), to_rings(drawn, 4), shape, path_data(shape), path_of(shape), merged(drawn),
                affine.transform(drawn, affine.multiply(affine.rotation(30, 2, 1), (2, 0, 0, 1.5, 3, -1))),
                rings_of(path_data(shape)), box_of(rings_of(path_data(shape))),
            )  # fmt: skip
    yield "curve", (
        [cubic.point_at(CURVE, at / 4) for at in range(5)], cubic.split_at(CURVE, 0.3), cubic.arc_length(CURVE),
        [cubic.parameter_at(CURVE, far) for far in (0.0, 2.0, 7.5, 99.0)],
    )  # fmt: skip
    yield "vectors", (
        vector.minus((3, 4), (1, 2)), vector.plus((3, 4), (1, 2)), vector.times((3, 4), 2.5), vector.length_of((3, 4)),
        vector.between((0, 1), (4, 9), 0.25), vector.unit((3, 4)), vector.unit((0, 0)),
    )  # fmt: skip
    points = ((0, 0), (5, 2), (9, 8), (4, 12))
    wide = [(x, y, 1 + at) for at, (x, y) in enumerate(points)]
    yield "strokes", (
        stroke.tube(*wide[:3], r0=1.0, r1=2.0), stroke.tube(*wide, r0=1.5, sharp=(1,)), stroke.bar(0, 0, 6, 8, 2.0, 3.0, 0.5),
        stroke.bar(0, 0, 6, 8, 2.0), stroke.dots(points, 0.7), stroke.lens(*points[:2], w=2.0), stroke.lens(*points), stroke.line(*points, w=1.5),
    )  # fmt: skip
    yield "numbers", [number(one) for one in (0, 1.0, -0.004, 2.345, 100.10)]


def plates() -> Iterator[tuple[str, object]]:
    """Every shipped plate as the command line tells it."""
    for type_id in plate_types():
        yield type_id, asked("plates", type=type_id)


def drawn_anew() -> Iterator[tuple[str, object]]:
    """Figures drawn from their parts."""
    for figure in FIGURES[:2]:
        drawn = drafted(figure)
        shape = plate_from(drawn)
        yield f"{figure.id} anew", (drawn, plate_mapping(shape), shape.areas, shape.neighbours)


def reached() -> Iterator[tuple[str, object]]:
    """What dirt reaches, what is painted apart, bodies and kits."""
    for type_id in ("captain", "knight", "puntcar"):
        shape = plate(type_id)
        yield f"{type_id} reached", [exposure(shape, area, law, 0.2) for area in shape.areas for law in LAWS]
        yield f"{type_id} loose", loose_advice(shape)
    yield "bodies", BODIES
    yield "kits", [made_figure("own", "Own", usual_making(kit_id)) for kit_id in KITS]


def words() -> Iterator[tuple[str, object]]:
    """Areas in words and what words mean."""
    names = sorted({area for type_id in plate_types() for area in plate(type_id).areas})
    yield "spoken", [(spoken(name), group_of(name)) for name in names]
    yield (
        "called",
        [
            areas_called(text, names)
            for text in ("left boot", "helmet", "wheels", "coat", "gun barrel", "eyes", "nonsense")
        ],
    )


ANSWERS = (lines, plates, drawn_anew, reached, words)
