"""The finish of an army: order of work, loose parts, masks, varnish, dirt and bases, one object that all units share."""

from collections.abc import Collection
from dataclasses import dataclass, field, replace
from functools import cache

from ..data_table import data_table
from ..errors import Contradiction, OutOfRange, UnknownName
from ..figures.exposure import LAWS
from ..figures.loose import HELD, LOOSE
from ..figures.sample import LIGHT_PLANS
from ..film.finish import VARNISHES
from ..paints.paint import Paint
from ..paints.range import paint
from ..recipes.slots import Slots, checked_slots
from ..recipes.step import Manner, Mix, Step, checked
from ..recipes.where import Where
from .assembly import Assembly, checked_assembly

#: how a glow is laid
GLOW_NOTE = "Widest and weakest first, then smaller and stronger towards the source; only on what faces it."
#: how the army is used: coats of varnish, and in words
USES = {"display": (1, "looked at"), "play": (1, "played with, with care"), "hard": (2, "played with hard")}
#: products by finish and how they are laid
_CANS = {"matt": "varnish-matt", "satin": "varnish-satin", "gloss": "varnish-gloss"}
_POTS = {"matt": "brush-varnish-matt", "satin": "brush-varnish-satin", "gloss": "brush-varnish-gloss"}
#: mm that a glow reaches
LEAST_REACH, MOST_REACH = 0.5, 20.0
MOST_DIRT_PASSES, MOST_PLANTS, MOST_SIZE, MOST_LEVEL = 12, 12, 60.0, 5


@dataclass(frozen=True)
class DirtPass:
    """One pass of dirt over the finished figure: a step, what it follows, and for mud up to which height."""

    id: str
    name: str
    step: Step
    #: one of ``LAWS``
    law: str
    #: share of the figure's height, for the law 'ground'
    height: float = 0.0


@dataclass(frozen=True)
class Glow:
    """Light that a role casts on what is near it: a glaze laid after all lights, strongest beside the source."""

    role: str
    step: Step
    #: mm from the source that it reaches
    reach: float = 4.0


@dataclass(frozen=True)
class Plant:
    """One kind of plant or scatter, and how many figures of ten get one."""

    id: str
    name: str
    #: mm across
    size: float
    in_ten: float
    seconds: float = 20.0


@dataclass(frozen=True)
class Basing:
    """What bases get besides the ground's and the rim's recipes."""

    plants: tuple[Plant, ...] = ()
    magnets: bool = False
    #: another seed deals the plants otherwise
    seed: int = 1
    #: mm of a base that holds several figures; 0 where each stands alone
    width: float = 0.0
    depth: float = 0.0


@dataclass(frozen=True)
class Finishing:
    """What every figure gets besides its colours; nothing of it unless it is asked for."""

    slots: Slots = field(default_factory=Slots)
    #: finish of the last coat; '' for none
    varnish: str = ""
    #: from the can; else by brush
    can: bool = True
    use: str = "play"
    #: after the plants, so that it takes the glue's shine; else before them
    varnish_last: bool = False
    #: finish of a coat beneath solvents; '' for none
    barrier: str = ""
    #: roles that get gloss at the end: lenses, water
    shiny: tuple[str, ...] = ()
    #: groups of parts that are joined when they are painted
    apart: tuple[str, ...] = ()
    #: whether figures are masked for what is sprayed on parts of them
    masks: bool = False
    #: whether what was held is touched up before the varnish
    touch_up: bool = False
    #: 0 clean to 5; None for what the brief says
    level: int | None = None
    dirt: tuple[DirtPass, ...] = ()
    basing: Basing = field(default_factory=Basing)
    #: light plan that lights follow; '' overhead
    light: str = ""
    #: what shines on its surroundings; None for nothing
    glow: Glow | None = None
    assembly: Assembly = field(default_factory=Assembly)
    #: groups of parts that are kept apart in one unit or formation only: (node, group)
    apart_in: tuple[tuple[str, str], ...] = ()
    #: whether figures are tidied before what seals, looked over before the varnish, photographed at the end
    tidy: bool = False
    look: bool = False
    photograph: bool = False
    #: whether the undercoat is gone over by brush before any colour
    mend: bool = False
    #: groups of parts that are handled often, and that nothing is braced on
    handled: tuple[str, ...] = ()
    fragile: tuple[str, ...] = ()
    #: whether a satin last coat is mixed of matt and gloss, a part of each, and brushed
    mixed: bool = False
    #: whether bases are looked over at the end
    bases: bool = False

    @property
    def steps(self) -> tuple[Step, ...]:
        """What is laid with paint of its own: dirt and glow."""
        return (*(one.step for one in self.dirt), *((self.glow.step,) if self.glow else ()))

    def apart_of(self, path: Collection[str]) -> tuple[str, ...]:
        """The groups of parts that are kept apart on figures of a unit. path: ids from the army down to it."""
        return tuple(dict.fromkeys((*self.apart, *(group for node, group in self.apart_in if node in path))))

    def products(self, finish: str) -> tuple[str, ...]:
        """The paint ids of a varnish of that finish, a part of each, from can or pot."""
        if self.mixed and finish == "satin":
            return _POTS["matt"], _POTS["gloss"]
        return ((_CANS if self.can else _POTS)[finish],)


PLAIN_FINISHING = Finishing()


@cache
def finishing_data() -> dict:
    """Starting values of passes, plants and handwork."""
    return data_table(__package__, "finishing")


@cache
def usual_dirt() -> tuple[DirtPass, ...]:
    """The passes that ship, in the order they are laid."""
    return tuple(
        DirtPass(
            row["id"],
            row["name"],
            Step(
                row["id"],
                row["kind"],
                Mix(((paint(row["paint"]), 1.0),), row.get("diluent", "neat"), float(row.get("thinned", 0))),
                1,
                manner=Manner(share=row["share"], note=row["note"]),
            ),
            row["law"],
            row.get("height", 0.0),
        )
        for row in finishing_data()["dirt"]
    )


@cache
def usual_plants() -> tuple[Plant, ...]:
    """The plants that ship, largest first; none of them on any figure yet."""
    return tuple(
        Plant(row["id"], row["name"], float(row["size"]), 0.0, float(row["seconds"]))
        for row in finishing_data()["plant"]
    )


def checked_finishing(finishing: Finishing, roles: tuple[str, ...], where: str = "finishing") -> Finishing:
    """The finish, with plants from large to small, if everything in it is allowed.

    Raises: UnknownName, OutOfRange or Contradiction at the field.
    """
    checked_slots(finishing.slots, f"{where}/slots")
    for name in ("varnish", "barrier"):
        if getattr(finishing, name):
            _known(getattr(finishing, name), VARNISHES, "finish", f"{where}/{name}")
    _known(finishing.use, USES, "use", f"{where}/use")
    if finishing.light:
        _known(finishing.light, LIGHT_PLANS, "light plan", f"{where}/light")
    if finishing.glow:
        _known(finishing.glow.role, roles, "colour role", f"{where}/glow/role")
        checked(finishing.glow.step, f"{where}/glow/step")
        if not LEAST_REACH <= finishing.glow.reach <= MOST_REACH:
            raise OutOfRange(
                f"A glow of {finishing.glow.reach:g} mm; allowed is {LEAST_REACH:g} to {MOST_REACH:g}.",
                f"{where}/glow/reach",
            )
    if finishing.mixed and (finishing.varnish != "satin" or finishing.can):
        raise Contradiction(
            "Matt and gloss mixed one to one end in satin and are brushed; choose satin, laid with a brush.",
            f"{where}/mixed",
        )
    for role in finishing.shiny:
        _known(role, roles, "colour role", f"{where}/shiny")
    for group in finishing.apart:
        _known(group, LOOSE, "group of parts", f"{where}/apart")
    for name in ("handled", "fragile"):
        for group in getattr(finishing, name):
            _known(group, HELD, "group of parts", f"{where}/{name}")
    for index, (_, group) in enumerate(finishing.apart_in):
        _known(group, LOOSE, "group of parts", f"{where}/apart_in/{index}/1")
    checked_assembly(finishing.assembly, f"{where}/assembly")
    if finishing.level is not None and not 0 <= finishing.level <= MOST_LEVEL:
        raise OutOfRange(f"Dirt {finishing.level}; allowed is 0 to {MOST_LEVEL}.", f"{where}/level")
    _once([one.id for one in finishing.dirt], MOST_DIRT_PASSES, "pass of dirt", f"{where}/dirt")
    for index, one in enumerate(finishing.dirt):
        checked(one.step, f"{where}/dirt/{index}/step")
        _known(one.law, LAWS, "law of exposure", f"{where}/dirt/{index}/law")
        if not 0 <= one.height <= 1:
            raise OutOfRange(f"A height of {one.height:g}; allowed is 0 to 1.", f"{where}/dirt/{index}/height")
    return replace(finishing, basing=_checked_basing(finishing.basing, f"{where}/basing"))


def _checked_basing(basing: Basing, where: str) -> Basing:
    _once([one.id for one in basing.plants], MOST_PLANTS, "plant", f"{where}/plants")
    for index, one in enumerate(basing.plants):
        at = f"{where}/plants/{index}"
        for name, least, most in (("size", 0.2, MOST_SIZE), ("in_ten", 0, 10), ("seconds", 1, 900)):
            if not least <= getattr(one, name) <= most:
                raise OutOfRange(f"{one.name}: {name} {getattr(one, name):g}; allowed is {least:g} to {most:g}.", at)
    for name in ("width", "depth"):
        if not 0 <= getattr(basing, name) <= 400:
            raise OutOfRange(f"{getattr(basing, name):g} mm; allowed is 0 to 400.", f"{where}/{name}")
    if not 0 <= basing.seed <= 999_999:
        raise OutOfRange(f"Seed {basing.seed}; allowed is 0 to 999999.", f"{where}/seed")
    return replace(basing, plants=tuple(sorted(basing.plants, key=lambda one: (-one.size, one.id))))


def _known(given: str, known, what: str, where: str) -> None:
    if given not in known:
        raise UnknownName(what, given, list(known), where)


def _once(ids: list[str], most: int, what: str, where: str) -> None:
    if len(ids) > most:
        raise OutOfRange(f"{len(ids)} times a {what}; allowed is up to {most}.", where)
    twice = next((one for one in ids if ids.count(one) > 1), None)
    if twice:
        raise Contradiction(f"There are two of the {what} '{twice}'.", where)


def glowing(role: str, pot: Paint, reach: float) -> Glow:
    """The glow of a role in a paint, thinned until it veils."""
    step = Step("glow", "layer", Mix(((pot, 1.0),), "medium", 2.0), 2, manner=Manner(note=GLOW_NOTE), spot=Where("all"))
    return Glow(role, step, reach)


def with_paint(one: DirtPass, pot: Paint) -> DirtPass:
    """The pass with another paint, thinned alike."""
    return replace(one, step=replace(one.step, mix=replace(one.step.mix, parts=((pot, 1.0),))))
