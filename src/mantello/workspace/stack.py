"""A recipe as the room shows it: steps with what each does, minutes and drying."""

from dataclasses import dataclass

from mantello_core.advice.glazing import Glazes, glazes_of
from mantello_core.advice.light_width import DRAWN_MM, Rung, ladder
from mantello_core.advice.recipe_advice import Advice, advice
from mantello_core.advice.shading import Shading, shadings
from mantello_core.advice.stopping import Stop, stops
from mantello_core.advice.washing import KINDS, Washed, ways
from mantello_core.army.tree import TIERS
from mantello_core.colour.acuity import DISTANCES
from mantello_core.colour.spaces import Lab
from mantello_core.figures.extent import NOTHING, Extent
from mantello_core.film.coverage import Coverage, coat_by_coat, coverage, tolerance_of
from mantello_core.film.finish import drying_shift
from mantello_core.film.laying import counts_coats
from mantello_core.film.prediction import Outcome, Prediction
from mantello_core.film.surface import GLAZE, solid, wash_thickness
from mantello_core.film.tones import Tones
from mantello_core.mixing.bridge import Bridge, bridge_beneath
from mantello_core.mixing.undercoat import undercoats
from mantello_core.order.stacks import is_pass
from mantello_core.paints.range import paints
from mantello_core.recipes.handwork import seconds_of
from mantello_core.recipes.hazard import cautions_for, step_cautions

from .reading import Reading

#: CIEDE2000 of drying from which a painter is told not to judge wet paint
JUDGE_DRY = 3.0
#: coats of a first mix that are shown over every undercoat
SHOWN_COATS = 3


@dataclass(frozen=True)
class StepRow:
    """One step with its outcome."""

    outcome: Outcome
    minutes: float
    cautions: tuple[str, ...]
    #: what would spare coats, for a first step that takes many
    bridge: Bridge | None = None
    #: what the figure shows if it is stopped here
    stop: Stop | None = None
    #: what experience says against it
    advice: tuple[Advice, ...] = ()
    #: ways to lay it, for a wash
    ways: tuple[Washed, ...] = ()
    #: the best wash of every family, for a shade over a base
    shadings: tuple[Shading, ...] = ()

    @property
    def glazes(self) -> Glazes | None:
        """How many glazes it takes, for a light."""
        beneath = self.outcome.beneath
        return glazes_of(self.outcome.step, beneath) if beneath is not None and not self.outcome.step.relays else None

    @property
    def over(self) -> bool:
        """Whether it is a pass over the figure, which no recipe holds."""
        return is_pass(self.outcome.step)

    @property
    def worked(self) -> list[tuple[str, str]]:
        """How the step was worked out, as names and values."""
        step, film = self.outcome.step, self.outcome.step.mix.film
        effect = step.technique.effect
        if effect in ("wash", "recess", "oil"):
            thin = wash_thickness(film, step.mix.dilution)
            laid = f"{thin[0]:.2f} µm on raised parts, {thin[1]:.1f} µm in recesses" + (
                ", mostly wiped away" if effect == "oil" else ""
            )
        elif effect == "varnish":
            laid = f"{step.mix.paints[0].finish}: a veil over what is seen"
        elif effect == "glaze":
            laid = f"{film.thickness(step.mix.dilution) * GLAZE:.2f} µm, drawn out with an unloaded brush"
        else:
            laid = f"{film.thickness(step.mix.dilution):.1f} µm a coat"
        rows = [
            ("Dry film", laid),
            ("Hides", f"{film.contrast:.2f} of white card beside black, one neat coat: {film.opacity}"),
        ]
        cover = self.outcome.coverage
        if cover:
            between = "to its full colour" if cover.full else "between thin and thick places"
            many = f"{cover.coats} coat{'s' * (cover.coats > 1)} leave" if cover.coats else "so many coats still leave"
            rows.append(("Covers", f"{many} {cover.left:.1f} (CIEDE2000) {between}; {cover.allowed:g} passes"))
            if not cover.full:
                rows.append(("Full colour", f"{cover.apart:.1f} (CIEDE2000) away, were it laid until opaque"))
        before, after = self.outcome.before, self.outcome.after
        rows.append(("From", _lab_said(before)))
        rows.append(("To", f"{_lab_said(after)}, where it shows most"))
        return rows

    @property
    def wet_shift(self) -> float:
        """CIEDE2000 between wet and dried paint, where the colour of the step itself is judged."""
        return drying_shift(self.outcome.step.mix.film) if self.outcome.step.technique.effect == "coat" else 0.0

    @property
    def minds(self) -> list[str]:
        """What the step asks for in time and place, in words."""
        step = self.outcome.step
        said = [f"lift or wipe within {minutes_said(step.window)}"] if step.window else []
        if step.leave and step.window:
            said.append(f"then leave it alone for {minutes_said(step.leave)}")
        if step.pose:
            said.append(f"dries {step.pose}")
        if self.wet_shift >= JUDGE_DRY:
            said.append(f"do not judge it wet: it dries by {self.wet_shift:.0f} (CIEDE2000)")
        return said


@dataclass(frozen=True)
class Stack:
    """One tier's steps."""

    tier: str
    name: str
    figures: int
    #: follows a plainer tier's recipe
    follows: bool
    rows: tuple[StepRow, ...]
    tones: Tones | None
    #: moments of the work, each with the tones then
    moments: tuple[tuple[str, dict], ...] = ()
    #: steps of light with their widths
    rungs: tuple[Rung, ...] = ()

    @property
    def minutes(self) -> float:
        """Hands-on minutes a figure."""
        return sum(row.minutes for row in self.rows)


@dataclass(frozen=True)
class GroundRow:
    """One undercoat under a role's first mix: coats until it is even, or none where it is transparent by nature."""

    undercoat: object
    coverage: Coverage | None
    ground: Lab
    #: after one, two and three coats
    after: tuple[Lab, ...]


def stacks_of(reading: Reading, role_id: str) -> list[Stack]:
    """The stacks of a role: rank and file, and every tier that has a recipe of its own or wears it."""
    role = reading.design.scheme.role(role_id)
    figures, extents = worn(reading, role_id)
    found = []
    for tier, name in TIERS.items():
        own = role.own_recipe(tier)
        if own is None and not figures.get(tier) and tier != "rank":
            continue
        extent = extents.get(tier) or max(extents.values(), key=lambda one: one.surface_mm2, default=NOTHING)
        around = reading.design.around(tier, max(1, figures.get(tier, 1)))
        prediction, recipe = (
            reading.prediction(role_id, tier),
            reading.design.scheme.lit(reading.stacks.usual(role_id, tier)),
        )
        ground = reading.resolution.ground_under(role_id, tier) or reading.design.scheme.ground
        minded = advice(prediction, ground, _metres(reading))
        minutes = tuple(seconds_of(one.step, extent, one.coats, around) / 60 for one in prediction.outcomes)
        rows = tuple(
            StepRow(
                one, taken, step_cautions(one.step),
                bridge_beneath(one.step, ground) if not at and one.hard and not is_pass(one.step) else None, stop,
                tuple(said for said in minded if said.step == one.step.id),
                () if is_pass(one.step) else ways(recipe, at, ground, reading.design.scheme.calibrations, extent, around),
                shadings(recipe.base.mix, tuple(paints().values())) if at and one.step.kind in KINDS and not is_pass(one.step) else (),
            )
            for at, (one, taken, stop) in enumerate(
                zip(prediction.outcomes, minutes, stops(prediction, minutes, _height(reading)), strict=True)
            )
        )  # fmt: skip
        found.append(
            Stack(
                tier, name, figures.get(tier, 0), own is None, rows, reading.tones(role_id, tier),
                _moments(prediction), ladder(role.recipe(tier), _height(reading), _metres(reading)),
            )
        )  # fmt: skip
    return found


def _moments(prediction: Prediction) -> tuple[tuple[str, dict], ...]:
    """After the base, after the last shade, and at the end; a moment that is another comes once."""
    outcomes = prediction.outcomes
    shades = [at for at, one in enumerate(outcomes) if one.step.technique.effect in ("wash", "recess", "stain", "oil")]
    named = (
        {0: "Now, the base laid"}
        | ({shades[-1]: "After the shade"} if shades else {})
        | {len(outcomes) - 1: "At the end"}
    )
    return tuple((name, outcomes[at].tones) for at, name in sorted(named.items())) if outcomes else ()


def _lab_said(colour: Lab) -> str:
    return f"L* {colour.lightness:.0f}, a* {colour.a:.0f}, b* {colour.b:.0f}"


def minutes_said(minutes: float) -> str:
    """Minutes as a painter says them."""
    if minutes < 90:
        return f"{minutes:g} min"
    return f"{minutes / 60:.0f} h" if minutes < 2880 else f"{minutes / 1440:.0f} days"


def _height(reading: Reading) -> float:
    return reading.design.brief.height_mm if reading.design.brief else DRAWN_MM


def _metres(reading: Reading) -> float:
    return reading.design.brief.metres if reading.design.brief else DISTANCES["table"]


def grounds_of(reading: Reading, role_id: str) -> list[GroundRow]:
    """How the role's first mix covers every undercoat."""
    steps = reading.design.scheme.role(role_id).recipe().steps
    if not steps:
        return []
    step = steps[0]
    film, dilution = step.mix.film, step.mix.dilution
    rows = []
    for pot in undercoats():
        ground = solid(pot.film)
        cover = (
            coverage(film, ground, dilution, full=tolerance_of(film) if step.manner.full else None)
            if counts_coats(step)
            else None
        )
        bare, *after = coat_by_coat(film, ground, dilution, SHOWN_COATS)
        rows.append(GroundRow(pot, cover, bare, tuple(after)))
    return rows


def cautions_of(reading: Reading, stacks: list[Stack]) -> list[str]:
    """Everything to mind in the stacks and under them, said once."""
    from_steps = [caution for stack in stacks for row in stack.rows for caution in row.cautions]
    return list(dict.fromkeys([*undercoat_cautions(reading), *from_steps]))


def undercoat_cautions(reading: Reading) -> tuple[str, ...]:
    """What to mind when the undercoat is sprayed."""
    return cautions_for("undercoat", reading.design.scheme.ground_paints)


def worn(reading: Reading, role_id: str) -> tuple[dict[str, int], dict[str, Extent]]:
    """Figures by tier that wear the role, and the most of it on one figure."""
    figures: dict[str, int] = {}
    extents: dict[str, Extent] = {}
    for one in reading.resolution.classes:
        extent = one.plate.extent_of(name for name, cell in one.cells.items() if cell.role == role_id)
        if extent.surface_mm2:
            figures[one.tier] = figures.get(one.tier, 0) + len(one.ordinals)
            extents[one.tier] = max(extents.get(one.tier, extent), extent, key=lambda one: one.surface_mm2)
    return figures, extents
