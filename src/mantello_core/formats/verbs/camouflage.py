"""The verb about camouflage: a pattern laid on one figure, measured."""

from ...army.tree import Figure
from ...camouflage.laying import Patterned, patterned
from ...camouflage.measuring import measured
from ...camouflage.preparing import surface_of
from ...camouflage.working import ink_work
from ...colour.spaces import Lab
from ...design.camouflaged import denominator_of, layout_on, metres_of, scaled
from ...errors import UnknownName, Unreadable
from ...figures.catalogue import plate
from ...scheme.cascade import resolve
from ..camouflage_svg import path_of
from ..document.design import read_design
from ..document.patterns import read_pattern
from ..validation import check

#: grey levels that inks without colours are measured in, from the ground on
_GREYS = (70.0, 45.0, 25.0, 85.0, 15.0, 55.0)


def camouflaged(document: dict) -> dict:
    """pattern and figure type, or a design's figure and pattern, to shapes by view and ink, with shares and measures"""
    check(document, "camouflage")
    if "design" in document:
        return _of_design(document)
    if "type" not in document or not isinstance(document.get("pattern"), dict):
        raise Unreadable("Give 'design', 'figure' and a pattern's id, or 'type' and a whole pattern.", "/")
    roles = [ink.get("role", "") for ink in document["pattern"].get("inks", ())]
    pattern = read_pattern(document["pattern"], roles, "/pattern")
    shape, denominator = plate(document["type"]), float(document.get("denominator", 56))
    areas = frozenset(document.get("areas") or (name for name, tags in shape.tags.items() if "camo" in tags))
    strange = sorted(areas - set(shape.areas))
    if strange or not areas:
        raise UnknownName("area", strange[0] if strange else "", list(shape.areas), "/areas")
    metres = float(document.get("metres", 1.2))
    laid = patterned(
        surface_of(shape, areas, frozenset(document.get("sites", ())), pattern.clear), pattern, denominator, metres
    )
    return _written(laid, [Lab(level, 0.0, 0.0) for level in _GREYS[: len(pattern.inks)]], denominator, metres)


def _of_design(document: dict) -> dict:
    if "figure" not in document or not isinstance(document.get("pattern"), str):
        raise Unreadable("With 'design' go 'figure' and the id of one of its patterns.", "/")
    design = read_design(document["design"])
    pattern = design.scheme.pattern(document["pattern"], "/pattern")
    figure = Figure(**document["figure"])
    one = resolve(design.army, design.scheme).of(figure)
    if pattern.id not in one.patterns:
        raise UnknownName("pattern of that figure", pattern.id, list(one.patterns), "/pattern")
    laid = layout_on(design, one, figure.ordinal, pattern)
    inks = one.inks_of(pattern.id)
    colours = [
        scaled(design, pattern, design.scheme.predicted(design.scheme.role(role).recipe(one.tier)).tones.flats)
        for role in inks
    ]
    return _written(laid, colours, denominator_of(design), metres_of(design))


def _written(laid: Patterned, colours: list[Lab], denominator: float, metres: float) -> dict:
    found, pattern = measured(laid, colours, None, metres), laid.pattern
    mm2 = laid.mm2 * laid.sized.per_mm**2
    return {
        "size": {"mm": round(laid.sized.size * laid.sized.per_mm, 2), "widened": round(laid.sized.widened, 2)},
        "mm2": round(mm2, 1), "shares": [round(share, 5) for share in laid.shares],
        "views": [
            {
                "name": view.name,
                "inks": [{"laid": path_of(one), "seen": path_of(two)} for one, two in zip(view.laid, view.seen, strict=True)],
                "clear": path_of(laid.surface.view(view.name).clear),
            }
            for view in laid.views
        ],
        "measures": {
            "outline": [
                {"view": one.view, "broken": round(one.broken, 3), "longest_mm": round(one.longest, 1)} for one in found.outlines
            ],
            "runs_on": round(found.lines.runs_on, 3),
            "agree": round(found.agreement.share, 3) if found.agreement else None,
            "symmetry": {name: round(value, 3) for name, value in found.symmetry.items()},
            "left": round(found.afar.left[metres], 1),
        },
        "work": [
            {"ink": at, "mm2": round(work.mm2, 1), "edge_mm": round(work.edge_mm), "patches": work.shapes, "masks": work.masks,
             "minutes": round((work.seconds + work.masking) / 60, 1)}
            for at in range(1, len(pattern.inks))
            for work in (ink_work(pattern, at, mm2, denominator, metres),)
        ],
        "told": [one.words for one in found.told],
    }  # fmt: skip
