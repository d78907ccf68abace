"""Test pieces kept and read: what was tried, which roles still want one, and what a photograph tells."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from datetime import datetime

import numpy as np

from mantello.shell.photograph import light_grid, pointed_at
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.stack import worn
from mantello_core.advice.trial import DAYLIGHTS, Compared, Done, Lesson, Turned, compared, lessons, turned
from mantello_core.colour.light import LIGHTS
from mantello_core.colour.patch import Patch
from mantello_core.colour.scene_light import Freed, SceneLight, freed, scene_light
from mantello_core.colour.spaces import Lab
from mantello_core.errors import MantelloError
from mantello_core.figures.extent import NOTHING
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import tones_under
from mantello_core.film.tones import Tones
from mantello_core.formats.document.ground import read_ground, write_ground
from mantello_core.formats.document.own_paints import read_own_paint, write_own_paint
from mantello_core.formats.document.recipes import read_step, write_step
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.recipes.handwork import seconds_of
from mantello_core.recipes.step import Recipe, Step

from .models import Photo, TestPiece

#: names of the patches that are grey marks: the card, and others of the same kind
CARD = "card"
MARKS = (CARD, "card 2", "card 3")
#: entries of the log that a step of an accepted test piece counts as
WEIGHT = 3

#: armies of so few figures are their own test pieces
FEW = 5


@dataclass(frozen=True)
class RoleTests:
    """Where a role stands: its newest test piece, if it has one, and whether batches may start."""

    id: str
    name: str
    figures: int
    newest: TestPiece | None
    painted: bool

    @property
    def settled(self) -> bool:
        """Whether a batch may start."""
        verdicts = (TestPiece.Verdict.ACCEPTED, TestPiece.Verdict.WAIVED)
        return self.painted or (self.newest is not None and self.newest.verdict in verdicts)


def begun(army: Army, reading: Reading, role_id: str, tier: str) -> TestPiece:
    """A new test piece of a role's recipe as it stands."""
    role = reading.design.scheme.role(role_id)
    steps = role.recipe(tier).steps
    ground = reading.design.scheme.ground
    own = {
        pot.id: pot.said for pots in (*(step.mix.paints for step in steps), ground.paints) for pot in pots if pot.said
    }
    written = {
        "steps": [write_step(step) for step in steps],
        "paints": [write_own_paint(said) for said in own.values()],
    }
    return TestPiece(
        army=army, role=role.id, role_name=role.name, tier=tier, steps=written,
        ground=write_ground(ground),
    )  # fmt: skip


def tried(test: TestPiece) -> tuple[Recipe, Ground]:
    """What was tried: the recipe and its ground, as they were."""
    catalogue = SHIPPED.with_own(read_own_paint(own) for own in test.steps.get("paints", ()))
    steps = tuple(read_step(step, f"/steps/{at}", catalogue) for at, step in enumerate(test.steps["steps"]))
    return Recipe(steps), read_ground(test.ground, catalogue)


def waive(army: Army, reading: Reading, role_ids: list[str]) -> None:
    """Batches of these roles may start without a test piece."""
    TestPiece.objects.bulk_create(
        TestPiece(
            army=army, role=role_id, role_name=reading.design.scheme.role(role_id).name, tier="rank",
            verdict=TestPiece.Verdict.WAIVED,
        )
        for role_id in role_ids
    )  # fmt: skip


def untested(army: Army, reading: Reading, painted: frozenset[str]) -> frozenset[str]:
    """Roles of which no batch may start yet: nothing is painted in them, and no test piece is accepted or waived.

    painted: what anything was logged of, as the log writes it. A handful of figures is its own test: nothing is gated there.
    """
    if reading.design.army.figures <= FEW:
        return frozenset()
    settled = set(army.tests.settled().values_list("role", flat=True))
    return frozenset(reading.shares) - settled - painted if reading.design.army.figures else frozenset()


def role_tests(army: Army, reading: Reading, painted: frozenset[str]) -> list[RoleTests]:
    """Every role that is worn, those that want a test piece first, then by how much of the army it covers. painted: as for
    ``untested``."""
    newest: dict[str, TestPiece] = {}
    for test in army.tests.all():
        newest.setdefault(test.role, test)
    figures: dict[str, int] = {}
    for one in reading.resolution.classes:
        for role in {cell.role for cell in one.cells.values() if cell.role}:
            figures[role] = figures.get(role, 0) + len(one.ordinals)
    rows = [
        RoleTests(role, reading.design.scheme.role(role).name, figures[role], newest.get(role), role in painted)
        for role in reading.shares
    ]
    return sorted(rows, key=lambda row: row.settled)


def told(test: TestPiece) -> tuple[Lesson, ...]:
    """What the coats and the drying of a test piece say of its paints."""
    recipe, ground = tried(test)
    return lessons(recipe, ground, {step: Done(**was) for step, was in test.done.items()})


def planned_minutes(reading: Reading, role_id: str, tier: str, step: Step, coats: int) -> float:
    """Hands-on minutes of a step on the one figure that is tried: the one that wears most of the role."""
    _, extents = worn(reading, role_id)
    extent = max(extents.values(), key=lambda one: one.surface_mm2, default=NOTHING)
    return seconds_of(step, extent, coats, reading.design.around(tier, 1)) / 60 if extent.surface_mm2 else 0.0


def tried_before(army: Army, reading: Reading, moment: datetime) -> tuple[tuple[str, float, float], ...]:
    """(kind, real, planned minutes) of every step of accepted test pieces before a moment; each tells as much as three entries
    of the log, since nothing else was done meanwhile."""
    found = []
    for test in army.tests.filter(verdict=TestPiece.Verdict.ACCEPTED, made_at__lt=moment).exclude(steps=None):
        recipe, _ = tried(test)
        for step in recipe.steps:
            was = test.done.get(step.id, {})
            if was.get("minutes"):
                planned = planned_minutes(reading, test.role, test.tier, step, int(was.get("coats") or step.coats or 1))
                found += [(step.kind, float(was["minutes"]), planned)] * WEIGHT
    return tuple(found)


@dataclass(frozen=True)
class Seen:
    """What a photograph tells: places against the prediction, and what is to be said of them and of its light."""

    rows: tuple[Compared, ...] = ()
    #: why nothing is told
    why: str = ""
    #: place to the reasons why its colour cannot be told
    doubts: tuple[tuple[str, str], ...] = ()
    #: what was left out or put right
    told: tuple[str, ...] = ()
    #: place to its colour, freed of the light's cast
    colours: Mapping[str, Lab] = field(default_factory=dict)


def seen_in(photo: Photo) -> Seen:
    """Places of a photograph against the prediction, freed of the light that its grey marks and its plain ground show."""
    places = photo.patches
    if CARD not in places:
        return Seen(why="Point at the grey card first: without it the lamp's colour stays in.")
    light = photo.light or light_of(bytes(photo.jpeg), places)
    try:
        _, found = scene_of(light, places)
    except MantelloError as error:
        return Seen(why=error.message)
    colours = {name: one.colour for name, one in found.items() if one.colour is not None}
    doubts = tuple((name, " ".join(one.doubts)) for name, one in found.items() if one.doubts)
    told = tuple(dict.fromkeys(words for one in found.values() for words in one.told))
    return Seen(compared(colours, tones_there(photo.test, lit_by(photo))), "", doubts, told, colours)


def lit_by(photo: Photo) -> str:
    """The light a photograph was taken in, of ``colour.light.LIGHTS``: its own, or the one the test piece was judged in."""
    return photo.moment if photo.moment in LIGHTS else photo.test.lamp or DAYLIGHTS[0]


def tones_there(test: TestPiece, light: str) -> Tones:
    """What was tried as it is predicted under a light."""
    return tones_under(*tried(test), light)


def turned_of(seen: Iterable[tuple[Photo, Seen]]) -> tuple[Turned, ...]:
    """How a test piece looks under every light that it was photographed in when done, beside how it looks by day.

    Of two photographs in one light the later one counts."""
    colours = {lit_by(photo): one.colours for photo, one in seen if photo.moment != Photo.Moment.BEFORE and one.colours}
    test = next((photo.test for photo, _ in seen), None)
    return turned(colours, {light: tones_there(test, light) for light in colours}) if len(colours) > 1 else ()


def light_of(jpeg: bytes, places: Mapping[str, list], known: dict | None = None) -> dict:
    """What is read off a photograph, as ``Photo.light`` keeps it. known: what was read before; only what is new is added."""
    patches = dict((known or {}).get("patches", {}))
    for name, (x, y, *_) in places.items():
        if name not in patches or patches[name][0] != [x, y]:
            one = pointed_at(jpeg, x, y)
            patches[name] = [[x, y], list(one.linear), one.burnt, one.gloss, one.spread]
    return {"grid": (known or {}).get("grid") or light_grid(jpeg), "patches": patches}


def scene_of(light: dict, places: Mapping[str, list]) -> tuple[SceneLight, dict[str, Freed]]:
    """The light over a photograph and every place that is no grey mark freed of it. light: as ``light_of`` keeps it.

    Raises: OutOfRange without a grey card, or for one that cannot be used.
    """
    patches = {name: kept_patch(light, name) for name in places if name in light["patches"]}
    marks = [(*places[name][:2], patches[name]) for name in MARKS if name in patches]
    scene = scene_light(marks, np.array(light["grid"]))
    return scene, {name: freed(scene, *places[name][:2], one) for name, one in patches.items() if name not in MARKS}


def kept_patch(light: dict, name: str) -> Patch:
    """A patch as ``light_of`` keeps it."""
    _, linear, burnt, gloss, spread = light["patches"][name]
    return Patch(tuple(linear), burnt, gloss, spread)
