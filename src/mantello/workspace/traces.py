"""What an area shows besides its flats: seams and edges in their tones, broad lights, and chips, runs and stripes one by one."""

from collections import Counter
from collections.abc import Iterator

from mantello_core.colour.difference import difference
from mantello_core.design.design import Design
from mantello_core.figures.exposure import exposure
from mantello_core.film.prediction import Prediction
from mantello_core.film.tones import Tones
from mantello_core.formats.drawing import Lit
from mantello_core.formats.traces import Trace
from mantello_core.memory import remembered
from mantello_core.scheme.cascade import FigureClass
from mantello_core.scheme.finishing import MOST_LEVEL

from .seeing import Seeing

#: places whose traces are drawn one by one
TRACED = ("dots", "lips", "scratches", "runs", "stripes", "border")
#: laws of dirt that leave traces, with what each is at the dirtiest: place, number on a cm², mm long and wide, opacity
DIRT_TRACES = {"edges": ("dots", 90.0, 0.4, 0.4, 1.0), "falls": ("runs", 9.0, 3.0, 0.3, 0.55)}
#: of a second pass by the same law: how many traces for each of the first, and how large they are beside them
SECOND = {"edges": (0.6, 0.5), "falls": (0.6, 0.8)}
#: places whose lights lie broad, from the light downwards, and from where that is by light plan
BROAD = ("raised", "upper")
FROM = {"": (0.0, -1.0), "front": (0.0, -1.0), "lamps": (0.0, -1.0), "left": (-0.7, -0.7), "right": (0.7, -0.7)}
#: mm that the lit lip of a chip is wide
LIP = 0.07
#: CIEDE2000 under which a tone is not drawn apart from the flats
SAME = 1.5


def lit_of(design: Design, one: FigureClass, area: str, worn: Prediction, seeing: Seeing, *, edges: bool) -> Lit | None:
    """The tones of an area that ``worn`` paints; None where all are as its flats. edges: whether its edges are lit."""
    lit, same = _lit(worn, seeing, edges, FROM[design.scheme.finishing.light])
    if seeing.moment == "finished":
        dirt = tuple(_dirt_traces(design, one, area, seeing.hex(worn.tones["edge"]), seeing))
        lit = lit._replace(traces=(*lit.traces, *dirt))
    return None if same and not lit.traces else lit


@remembered(2_000)
def _lit(worn: Prediction, seeing: Seeing, edges: bool, light: tuple[float, float]) -> tuple[Lit, bool]:
    """The tones that a recipe shows by itself, wherever it lies, and whether they are as its flats. light: where from."""
    shade = seeing.moment == "shade"
    tones, traces = shaded(worn) if shade else worn.tones, () if shade else tuple(_traces(worn, seeing))
    found = tones.recess, tones.raised, tones["edge"] if edges else tones.raised
    colours = [seeing.hex(tone) for tone in found]
    if all(difference(tone, tones.flats) < SAME for tone in found):
        return Lit(*colours, traces), True
    return Lit(*colours, traces, () if shade else _bands(worn, seeing), light), False


def _traces(worn: Prediction, seeing: Seeing) -> Iterator[Trace]:
    """Chips, scratches, runs and stripes of a recipe."""
    along = "dots"
    for outcome in worn.outcomes:
        goes = outcome.step.goes
        if goes.place in TRACED:
            count, length, width = goes.marks
            colour, which = seeing.hex(outcome.after), goes.which or "lower"
            yield Trace(goes.place, colour, count or 0.0, length or 0.0, width, 1.0, along, which)
            along = goes.place if goes.place in ("dots", "scratches") else along


def _dirt_traces(design: Design, one: FigureClass, area: str, edge: str, seeing: Seeing) -> Iterator[Trace]:
    """Chips with a lit lower lip, and streaks; in a second hue where two passes follow one law. edge: the tone that catches the light."""
    level = design.dirt_level / MOST_LEVEL
    laid: Counter[str] = Counter()
    for each in design.scheme.finishing.dirt:
        share = exposure(one.plate, area, each.law, each.height) if each.law in DIRT_TRACES else 0.0
        if share > 0:
            place, count, length, width, opacity = DIRT_TRACES[each.law]
            fewer, smaller = SECOND[each.law] if laid[each.law] else (1.0, 1.0)
            number, colour = count * share * level * fewer, seeing.hex(each.step.mix.film.masstone)
            # what is laid at edges again lies inside the chips there are; what runs again, between the runs
            apart = laid[each.law] if place == "runs" else 0
            yield Trace(place, colour, number, length * smaller, width * smaller, opacity, dealt=apart)
            if place == "dots" and not laid[each.law]:
                yield Trace("lips", edge, number, width, LIP, 0.9)
            laid[each.law] += 1


def _bands(worn: Prediction, seeing: Seeing) -> tuple[tuple[float, str], ...]:
    """The broad lights of a recipe, the narrowest first, and the colour they lie on; empty where it has none."""
    lights = [
        one for one in worn.outcomes if one.step.goes.place in BROAD and not one.step.relays and one.step.share < 1
    ]
    if not lights:
        return ()
    at = worn.outcomes.index(lights[0])
    beneath = worn.outcomes[at - 1].tones.flats if at else lights[0].before
    shares: dict[float, str] = {}
    for one in lights:
        shares[round(min(one.step.goes.share or one.step.goes.usual.share or one.step.share, 0.95), 3)] = seeing.hex(
            one.after
        )
    return (*sorted(shares.items()), (1.0, seeing.hex(beneath)))


def shaded(worn: Prediction) -> Tones:
    """The tones after the last shade, before what is laid on it again; at the end where nothing shades."""
    shades = [one for one in worn.outcomes if one.step.technique.effect in ("wash", "recess", "stain", "oil")]
    return shades[-1].tones if shades else worn.tones
