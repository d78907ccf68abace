"""Marks as work: the steps of each method with what is used, minutes, drying and cautions; by hand against transfer."""

import math
from dataclasses import dataclass

from ...figures.plate import Site
from ..arms.arms_drawing import ArmsDrawing

#: seconds by hand: for each piece, each mm of outline, each layer; to stipple a stencil; to pick out a cast mark
_PIECE, _OUTLINE, _LAYER, _STENCIL, _CAST = 40.0, 4.0, 30.0, 75.0, 35.0
#: minutes once for a device: practice by hand, a sheet made and sealed, a bought sheet looked out
ONCE = {"freehand": 5.0, "printed": 35.0, "bought": 5.0}
#: rounds of softening fluid by what the site is bent over
_ROUNDS = {"flat": 1, "cyl": 2, "drape": 2, "dome": 3}
#: seconds from which on a mark by hand is more than one step; shares of its guide marks and of its shapes
_IN_ONE_GO, _SHARES = 240.0, (0.12, 0.56)
#: the step of a mark by hand that ends it
WHOLE = "freehand"
#: the steps that lie behind a mark that is ended
BEFORE_WHOLE = frozenset({"guide", "outline"})
_AIR = "Fluids and varnish: open the window, keep them off skin and from flames; the bottle's label comes first."


@dataclass(frozen=True)
class MarkStep:
    """One step of putting marks on: what is done, with what, for how long, and what to mind."""

    id: str
    verb: str
    #: what is used; '' where it is the mark's own paint
    uses: str
    #: hands-on seconds for one copy, minutes it dries
    seconds: float
    drying: float
    words: str
    caution: str = ""


def mark_steps(method: str, seconds_by_hand: float, curve: str = "flat") -> tuple[MarkStep, ...]:
    """The steps of a method in order. curve: of the site, as plates write it, such as 'cyl:3'.

    A transfer wants a gloss coat beneath and a seal above, and its finish evened by the matt coat at the end; it goes on
    a pale or white-backed ground, before weathering.
    """
    if method == "transfer":
        rounds = _ROUNDS.get(curve.partition(":")[0], 2)
        return (
            MarkStep("gloss", "Gloss", "Gloss varnish", 20, 60, "A thin gloss coat where the transfer goes, a little beyond it: film lies flat on gloss and shows on matt.", _AIR),
            MarkStep("place", "Place", "Water and setting fluid", 75, 15, "Cut close, soak in lukewarm water until it slides, wet the place with setting fluid, slide it on, push it true, press the water out from the middle."),
            MarkStep("soften", "Soften", "Softening fluid", 25.0 * rounds, 120, f"{_rounds(rounds)} of softening fluid; it wrinkles and lies down by itself. Do not touch it while it is soft; prick what is left of air.", _AIR),
            MarkStep("seal", "Seal", "Gloss varnish", 20, 60, "A gloss coat over the edge of the film. Weathering comes after this, the matt coat last, so that the shine goes.", _AIR),
        )  # fmt: skip
    if method == "stencil":
        return (MarkStep("stencil", "Stencil", "", _STENCIL, 20, "Hold or tape the stencil flat, stipple with an almost dry brush from its edge inwards in two thin coats, lift it while the paint is wet."),)  # fmt: skip
    if method == "cast":
        return (MarkStep("cast", "Pick out", "", _CAST, 20, "With the side of the brush along the raised detail; a darker line round it afterwards where it runs."),)  # fmt: skip
    return _by_hand(seconds_by_hand)


def _by_hand(seconds: float) -> tuple[MarkStep, ...]:
    """A mark in one go, or, where it takes minutes, its guide marks, its shapes and its cutting back as steps of their own.

    The last of them keeps the id that stood for all of them in older records.
    """
    if seconds < _IN_ONE_GO:
        return (MarkStep(WHOLE, "Paint", "", seconds, 20, "By the stages of the guide in the Insignia room: all first stages on every figure in hand, then all second ones, so that copies stay alike."),)  # fmt: skip
    guide, shapes = (round(share * seconds, 1) for share in _SHARES)
    return (
        MarkStep("guide", "Mark out", "Sharp soft pencil", guide, 0, "The upright and the cross line, and a small cross where each charge has its middle; look at it upside down. Mistakes cannot be mended on the finished field."),
        MarkStep("outline", "Block in", "", shapes, 20, "From small in the middle outwards to the outline and half a brush line over it, the same shape on every figure in hand before the next one."),
        MarkStep(WHOLE, "Cut back and light", "", round(seconds - guide - shapes, 1), 20, "With the colour beneath, cut the outline back from outside; then the light along the edges that face it, by the guide in the Insignia room."),
    )  # fmt: skip


def seconds_by_hand(drawing: ArmsDrawing, width_mm: float) -> float:
    """Hands-on seconds for one copy of a drawing so wide, an estimate: its pieces, their outlines, and two layers at least.

    Raises: OutOfRange for the width.
    """
    scale = drawing.scale(width_mm)
    pieces = [one for one in drawing.pieces if one.of != "field"]
    layers = 1 + len({one.tincture for one in drawing.pieces})
    return _PIECE * max(1, len(pieces)) + _OUTLINE * scale * sum(one.shape.length for one in pieces) + _LAYER * layers


@dataclass(frozen=True)
class Choice:
    """Minutes by hand and by transfer for so many copies, and from how many copies on transfers save time."""

    copies: int
    hand: float
    transfer: float
    #: None if transfers never do
    pays_from: int | None

    @property
    def better(self) -> str:
        """'transfer' or 'freehand', by minutes alone."""
        return "transfer" if self.transfer < self.hand else "freehand"


def hand_or_transfer(seconds: float, site: Site, copies: int, *, bought: bool = False) -> Choice:
    """Which is less work. seconds: for one copy by hand. bought: whether the transfers are there already.

    >>> from mantello_core.figures.plate import Site
    >>> hand_or_transfer(600, Site("s", "a", 0, 0, 5, 5, "rect", "flat"), 10).pays_from
    4
    """
    each = sum(step.seconds for step in mark_steps("transfer", 0, site.curve)) / 60
    once, practice = ONCE["bought" if bought else "printed"], ONCE["freehand"]
    saved = seconds / 60 - each
    pays = max(1, math.floor((once - practice) / saved) + 1) if saved > 0 else None
    return Choice(copies, practice + seconds / 60 * copies, once + each * copies, pays)


def _rounds(count: int) -> str:
    return {1: "One round", 2: "Two rounds", 3: "Three rounds"}[count]
