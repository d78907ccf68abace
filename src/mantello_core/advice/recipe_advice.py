"""What experience says against a recipe before it is painted: reasons, never bans."""

from collections.abc import Iterator
from dataclasses import dataclass

from ..colour.acuity import DISTANCES
from ..film.ground import Ground
from ..film.prediction import Outcome, Prediction
from ..memory import remembered
from ..paints.alike import Alike, alike
from ..paints.paint import Paint
from ..paints.range import paints
from ..recipes.step import Step

#: L* from which a base is white enough to turn murky under an all-over shade
WHITE = 85.0
#: CIEDE2000 that one step of light should be worth, least and most, for a force seen across a table, and how both grow with
#: the distance, as a power: in hand smaller steps are seen, and smaller ones look cut out
LEAST_WORTH, MOST_WORTH, BY_DISTANCE = 2.5, 15.0, 0.5
#: L* a shade may take from flats to recesses, and how dark they may get, before it counts as strong
MOST_DROP, DEEPEST = 24.0, 12.0
#: effects that are transparent all over
_TRANSPARENT = ("wash", "stain")
_LIGHTS = ("layer", "highlight", "edge", "dot", "drybrush", "overbrush")
_ROUGH = ("stipple", "drybrush", "overbrush", "powder", "texture")


@dataclass(frozen=True)
class Advice:
    """One reason to think again, at one step."""

    step: str
    #: short word for what it is about
    about: str
    words: str


def limits_at(metres: float) -> tuple[float, float]:
    """CIEDE2000 below which a step of light is lost, and above which it looks cut out, from so far away."""
    nearer = (metres / DISTANCES["table"]) ** BY_DISTANCE
    return LEAST_WORTH * nearer, MOST_WORTH * nearer


def advice(prediction: Prediction, ground: Ground, metres: float = DISTANCES["table"]) -> tuple[Advice, ...]:
    """Everything that experience says against a recipe on a ground that is seen from so far away, step by step."""
    outcomes = prediction.outcomes
    found: list[Advice] = []
    told: set[str] = set()
    for at, outcome in enumerate(outcomes):
        before = [one.step for one in outcomes[:at]]
        for about, words in (
            *_of_order(outcome.step, before, ground),
            *_of_looks(outcome, before, metres),
            *_of_tools(outcome.step),
        ):
            if words not in told:  # of a label once is enough
                found.append(Advice(outcome.step.id, about, words))
            told |= {words} if about == "label" else set()
    return tuple(found)


def _of_order(step: Step, before: list[Step], ground: Ground) -> Iterator[tuple[str, str]]:
    kinds = [one.kind for one in before]
    metal = any(_metallic(one) for one in before)
    if step.technique.effect in _TRANSPARENT or step.kind == "glaze":
        sprayed = [pot for pot in ground.paints if pot.flake and pot.sprayed]
        sprayed += [pot for one in before for pot in one.mix.paints if pot.flake and pot.sprayed]
        brushed = any(_metallic(one) and not any(pot.sprayed for pot in one.mix.paints) for one in before)
        if sprayed and not brushed:
            yield "stain", "A stain slips off a sprayed metal: brush a coat of the metal over it first."
    if step.technique.effect == "oil":
        if "varnish" not in kinds:
            yield (
                "barrier",
                "No varnish beneath: spirit can lift acrylic paint; lay one first, or let the paint cure for days.",
            )
        elif not any(
            pot.finish in ("gloss", "satin") for one in before if one.kind == "varnish" for pot in one.mix.paints
        ):
            yield "barrier", "A matt ground holds the oil back: wiped over gloss or satin it comes off clean."
    if step.kind == "varnish" and metal and any(pot.finish == "matt" for pot in step.mix.paints):
        yield (
            "shine",
            "Matt varnish takes the flash of the metal beneath: varnish first, or light the metal again after it.",
        )
    if step.kind == "powder" and "varnish" not in kinds:
        yield "powder", "Powder holds on a matt ground; fix it gently, for a varnish sprayed over it darkens it."


def _of_looks(outcome: Outcome, before: list[Step], metres: float) -> Iterator[tuple[str, str]]:
    step = outcome.step
    if step.kind == "shade" and outcome.before.lightness > WHITE:
        yield (
            "white",
            "White turns murky under an all-over shade: shade its recesses only, with a thinned grey or blue grey.",
        )
    if step.kind in _LIGHTS and before and not step.relays and not _metallic(step) and not _tidies(step, before):
        rise, worth = outcome.after.lightness - outcome.before.lightness, outcome.change
        least, most = limits_at(metres)
        if rise > -1 and worth < least:
            yield (
                "faint",
                f"This light is worth {worth:.1f} (CIEDE2000); under {least:.1f} it is lost at {metres:g} m.",
            )
        elif rise > 0 and worth > most and step.technique.effect == "coat":
            yield (
                "stark",
                f"This light is worth {worth:.0f} (CIEDE2000) at once; over {most:.0f} it looks cut out at {metres:g} m: put a mix"
                " of the two before it.",
            )
    drop = outcome.before.lightness - outcome.recess.lightness if outcome.recess else 0.0
    if step.technique.irreversible and drop > MOST_DROP and outcome.recess.lightness < DEEPEST:
        yield (
            "strong",
            "It leaves recesses nearly black and cannot be undone: try one thinned pass first, and lay two if it wants more.",
        )


def _tidies(step: Step, before: list[Step]) -> bool:
    """Whether it lays a colour again that is there already, to tidy it: nothing is expected to change."""
    return step.kind == "layer" and any(one.mix.parts == step.mix.parts for one in before)


def _of_tools(step: Step) -> Iterator[tuple[str, str]]:
    tool = step.tool.casefold()
    if step.kind in _ROUGH and ("fine" in tool or "good tip" in tool):
        yield "tool", "A fine brush is ruined by this: take an old one."
    if step.kind == "base" and step.mix.diluent_parts and all(pot.kind == "air" for pot in step.mix.paints):
        yield "body", "A paint made for the airbrush hides less by brush: lay it neat, or expect more coats."
    for pot in step.mix.paints:
        for one in _mistaken(pot):
            other = f", which dries {one.paint.finish}" if one.other_finish else f", {one.apart:.0f} away"
            yield "label", f"Mind the label: {pot.name}, not {one.paint.name}{other}."


@remembered(2_000)
def _mistaken(pot: Paint) -> tuple[Alike, ...]:
    """The shipped paints whose labels read like this one's, and that would show."""
    return tuple(
        one
        for one in alike(pot, paints().values())
        if one.why in ("name", "both") and (one.apart > 2 or one.other_finish)
    )


def _metallic(step: Step) -> bool:
    return any(pot.flake for pot in step.mix.paints)
