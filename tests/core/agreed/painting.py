"""Mixes, matches, routes, recipes and what they look like; advice, and schemes proposed."""

from collections.abc import Iterator

from mantello_core.advice.light_width import ladder
from mantello_core.advice.recipe_advice import advice
from mantello_core.advice.stopping import stops
from mantello_core.advice.trial import Done, compared, lessons
from mantello_core.army.tree import TIERS
from mantello_core.colour.spaces import Lab
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import coats_of, predicted
from mantello_core.mixing.bridge import bridge_for
from mantello_core.mixing.choosing import light_order, shade_choices, shade_mix, turned
from mantello_core.mixing.correction import corrections
from mantello_core.mixing.generating import generated
from mantello_core.mixing.matching import apart_under_lamp, matches
from mantello_core.mixing.mix_index import drops_of
from mantello_core.mixing.route import routes
from mantello_core.mixing.shade_group import shade_groups
from mantello_core.mixing.smallest_set import smallest_set
from mantello_core.mixing.starting import light_for, shade_for, started
from mantello_core.mixing.undercoat import best_undercoat, undercoat_choices
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.hazard import step_cautions
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.quantity import millilitres, portion
from mantello_core.recipes.step import Mix

from .colouring import POTS
from .data import asked

SLATE, BLACK = Ground(paint("undercoat-slate")), Ground(paint("undercoat-soot"))
FEW = tuple(paint(one) for one in POTS)
ALL = tuple(paints().values())
TARGETS = (Lab(52, 38, 24), Lab(30, -20, 5), Lab(80, 3, 30), Lab(15, 5, -25), Lab(60, 0, 0))


def one(name: str, diluent: str = "neat", parts: float = 0.0) -> Mix:
    """A mix of one paint."""
    return Mix(((paint(name), 1.0),), diluent, parts)


def mixes() -> Iterator[tuple[str, object]]:
    """Nearest mixes of few and of all paints, alone and over a ground; smallest sets, corrections, bridges."""
    for target in TARGETS:
        yield str(target), (
            matches(target, list(ALL), limit=5), matches(target, list(FEW), SLATE, limit=12),
            corrections(target, Lab(45, 30, 20), FEW, 5),
        )  # fmt: skip
    yield "two of three", matches(TARGETS[0], list(FEW[:3]), limit=20)
    yield "drops", [drops_of(count) for count in (1, 2, 3)]
    wanted = [Mix(((paint("madder-rope"), 3.0), (paint("salt-linen"), 1.0))), one("brine-green"), one("lamp-brass"),
              Mix(((paint("oil-lamp-black"), 1.0), (paint("gull-white"), 2.0)))]  # fmt: skip
    for tolerance in (1.0, 4.0):
        yield (
            f"set within {tolerance}",
            smallest_set(wanted, (*FEW[:6], paint("lamp-brass")), ("oil-lamp-black",), tolerance),
        )
    for name in ("lantern-yellow", "gull-white", "madder-rope"):
        yield f"bridge to {name}", bridge_for(one(name, "water", 1.0), BLACK)
        yield f"undercoat of {name}", (undercoat_choices(one(name)), best_undercoat(one(name)))
    yield "lamp", [apart_under_lamp(pot.film, other.film) for pot in FEW for other in FEW]


def ladders() -> Iterator[tuple[str, object]]:
    """Lights, shades and whole recipes of every method and tier."""
    for name in ("brine-green", "madder-rope", "lamp-brass", "lantern-yellow"):
        mix = one(name)
        yield f"routes of {name}", routes(mix, list(FEW))
        yield f"routes of {name}, five of six", routes(mix, list(FEW), 5, 6.0)
        yield f"shades of {name}", (shade_choices(mix, ALL), shade_mix(mix, ALL), shade_for(paint(name)))
        yield f"lights of {name}", ([pot.id for pot in light_order(mix, FEW)], light_for(paint(name)))
        for tier in TIERS:
            yield f"start of {name}, {tier}", started(paint(name), tier)
    yield "turned", [turned(one_, other) for one_ in TARGETS for other in TARGETS]
    yield "shades together", shade_groups({name: one(name) for name in POTS}, ALL)
    for method in METHODS:
        for tier in TIERS:
            made = generated(one("madder-rope"), ALL, tier, method)
            yield f"{method} {tier}", (made.recipe, made.missing, [step_cautions(step) for step in made.recipe.steps])


def looks() -> Iterator[tuple[str, object]]:
    """What recipes look like place by place, their coats, what is said of them, widths, stops and amounts."""
    for method in METHODS:
        recipe = generated(one("brine-green"), ALL, "centrepiece", method).recipe
        for ground in (SLATE, BLACK):
            found = predicted(recipe, ground)
            yield f"{method} on {ground.words}", (
                [(one.coats, one.coverage, one.before, one.after, one.recess, one.change, one.hard, dict(one.tones)) for one in found.outcomes],
                dict(found.tones), found.apparent, coats_of(recipe, ground), advice(found, ground), stops(found, (3.0,) * len(recipe.steps)),
                compared({"recess": Lab(20, 0, 0), "flat": Lab(30, -20, 5), "raised": Lab(60, -25, 20)}, found.tones),
                ladder(recipe, 28.0, 1.2), ladder(recipe, 15.0, 3.0),
                lessons(recipe, ground, {step.id: Done(4, 5.0, 40.0) for step in recipe.steps}),
                [(millilitres(step, 400.0, 2), portion(step.mix, 400.0, 2)) for step in recipe.steps],
            )  # fmt: skip


def proposed() -> Iterator[tuple[str, object]]:
    """Schemes for briefs, with their checks."""
    yield "two formations", asked("propose", brief={"formations": 2}, count=3)


def picked() -> Iterator[tuple[str, object]]:
    """Schemes from picked colours."""
    yield "picked", asked("propose", brief={"formations": 4}, seeds=["#7a2030", "#d0b060"], count=2)


ANSWERS = (mixes, ladders, looks, proposed, picked)
