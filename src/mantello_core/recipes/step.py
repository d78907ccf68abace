"""A recipe step: one kind of work with one mix."""

from dataclasses import dataclass, replace
from functools import cached_property

from ..errors import OutOfRange, UnknownName
from ..figures.extent import Extent
from ..paints.paint import Film, Paint, mixed
from .technique import ENAMEL_DRYING, METALLIC_DRYING, OIL_DRYING, Technique, techniques
from .where import LEAST_SHARE, PLACES, Where, checked_where, share_of, share_on

#: what a mix may be thinned with; 'neat' means with nothing
DILUENTS = ("neat", "water", "medium", "thinner")
#: kinds a recipe may use, in the usual order of work
STEP_KINDS = (
    "base", "stain", "stipple", "texture", "shade", "recess", "glaze", "oil", "overbrush", "layer", "drybrush",
    "highlight", "edge", "dot", "line", "freehand", "sponge", "powder", "spray", "varnish",
)  # fmt: skip
MOST_PARTS = 12
#: of one paint, far below what a drop can be divided into; smaller ones no computer can share out
LEAST_PARTS = 0.001
MOST_COATS = 12
#: id of the step that lays a ground of its own beneath a role
BENEATH = "ground"
#: CIEDE2000 between thin and thick places of a covered area that the eye lets pass, and on a centrepiece
EVEN, EVEN_CENTREPIECE = 2.5, 1.5
#: what the hand does with paint at places that ask for something else than filling them
WORK_AT = {
    "off recesses": "relay", "edges": "edge", "lines": "line", "points": "dot", "dots": "dot", "scratches": "drawn",
    "runs": "drawn", "stripes": "drawn", "border": "drawn", "lips": "drawn",
}  # fmt: skip
#: share of an area from which on a layer is the panel laid again
RELAID_FROM = 0.6
#: minutes of a window or of drying (two weeks), signs of a tool, pose or note
MOST_MINUTES, MOST_SIGNS = 20160.0, 160


@dataclass(frozen=True)
class Mix:
    """Paints in parts, with named sides, and what thins them."""

    #: (paint, parts)
    parts: tuple[tuple[Paint, float], ...]
    diluent: str = "neat"
    diluent_parts: float = 0.0

    @cached_property
    def film(self) -> Film:
        """The optics of its dry film."""
        return mixed([(pot.film, parts) for pot, parts in self.parts])

    @property
    def dilution(self) -> float:
        """Parts of diluent to one of paint."""
        return self.diluent_parts / sum(parts for _, parts in self.parts)

    @cached_property
    def paints(self) -> tuple[Paint, ...]:
        """The paints in it."""
        return tuple(pot for pot, _ in self.parts)

    @cached_property
    def words(self) -> str:
        """Both sides named, as in 'Brine Green 2, Salt Linen 1, water 1'; 'Tar Wash, neat' when nothing thins it."""
        single = len(self.parts) == 1 and self.diluent == "neat"
        said = [pot.name if single else f"{pot.name} {parts:g}" for pot, parts in self.parts]
        said.append("neat" if self.diluent == "neat" else f"{self.diluent} {self.diluent_parts:g}")
        return ", ".join(said)


@dataclass(frozen=True)
class Manner:
    """How one step is done where it is not as usual for its kind; None and empty are as usual."""

    tool: str = ""
    #: share of the area it touches, 0 to 1
    share: float | None = None
    #: minutes until the next step, in which it can be lifted or wiped, and in which it must be left alone
    drying: float | None = None
    window: float | None = None
    leave: float | None = None
    #: whether coats are laid until its full colour is reached, not only until it is even
    full: bool = False
    #: how the figure dries
    pose: str = ""
    #: what else to remember
    note: str = ""


USUAL = Manner()


@dataclass(frozen=True)
class Step:
    """One step of a recipe."""

    id: str
    kind: str
    mix: Mix
    #: number of coats; None for as many as cover
    coats: int | None = None
    #: where it goes, if not as usual for its kind
    where: str = ""
    manner: Manner = USUAL
    #: the place it goes, by geometry; None for as usual for its kind
    spot: Where | None = None

    def __hash__(self) -> int:
        return self._hash

    @cached_property
    def _hash(self) -> int:
        """Worked out once: steps are asked about by the thousand."""
        return hash((self.id, self.kind, self.mix, self.coats, self.where, self.manner, self.spot))

    @cached_property
    def technique(self) -> Technique:
        """Tool, speed and drying of its kind."""
        return techniques()[self.kind]

    @property
    def place(self) -> str:
        """Where it goes, in words."""
        return self.where or (self.spot.words if self.spot else self.technique.where)

    @cached_property
    def goes(self) -> Where:
        """Where it goes, by geometry: as said, or as usual for its kind with the share that is said."""
        if self.spot:
            return self.spot
        usual, share = self.technique.goes, self.manner.share
        if share is None:
            return usual
        if self.kind == "layer" and share >= RELAID_FROM:
            return Where("off recesses", share=share)
        return (
            replace(usual, share=min(max(share, LEAST_SHARE), 1.0)) if PLACES[usual.place].share is not None else usual
        )

    @property
    def tool(self) -> str:
        """What it is done with."""
        return self.manner.tool or self.technique.tool

    @cached_property
    def relays(self) -> bool:
        """Whether it lays a panel again, rather than a light on it."""
        return self.kind in ("layer", "highlight") and self.goes.place in ("all", "off recesses")

    @cached_property
    def share(self) -> float:
        """Share of the area it touches, 0 to 1, on the usual figure."""
        return (
            self.manner.share
            if self.manner.share is not None and not self.spot
            else share_of(self.goes) * self.technique.density
        )

    def share_on(self, extent: Extent) -> float:
        """Share of areas of that extent that it touches, 0 to 1: what the painter says, or what was measured, or as usual."""
        if not extent.measured_mm2 or (self.manner.share is not None and not self.spot):
            return self.share
        return share_on(self.goes, extent) * self.technique.density

    def worked_on(self, extent: Extent) -> float:
        """Share of areas of that extent that the hand goes over, 0 to 1."""
        if not extent.measured_mm2 or not self.share:
            return self.worked_share
        return min(self.worked_share * self.share_on(extent) / self.share, 1.0)

    @property
    def pose(self) -> str:
        """How the figure dries, if it matters."""
        return self.manner.pose or self.technique.pose

    @cached_property
    def window(self) -> float:
        """Minutes in which it can be lifted or wiped; 0 if it cannot."""
        return self.technique.window if self.manner.window is None else self.manner.window

    @property
    def leave(self) -> float:
        """Minutes in which it must be left alone."""
        return self.technique.leave if self.manner.leave is None else self.manner.leave

    @cached_property
    def drying(self) -> float:
        """Minutes until the next step may touch it; the slowest paint governs."""
        if self.manner.drying is not None:
            return self.manner.drying
        kinds = {pot.kind for pot in self.mix.paints}
        minutes = self.technique.drying
        for kind, slower in (("metallic", METALLIC_DRYING), ("enamel", ENAMEL_DRYING), ("oil", OIL_DRYING)):
            minutes = max(minutes, slower) if kind in kinds else minutes
        return minutes

    @cached_property
    def work(self) -> str:
        """What the hand does: as its kind asks, sprayed if its paints are, a panel laid again up to its recesses."""
        if self.sprayed:
            return "can" if self.by_can else "spray"
        work = self.technique.work
        if work == "drawn":
            return WORK_AT.get(self.goes.place, "line")
        if work in ("fill", "layer", "dot", "line") and self.goes.place != self.technique.goes.place:
            return WORK_AT.get(self.goes.place, work)
        return "layer" if work == "edge" and self.goes.place != "edges" else work

    @cached_property
    def sprayed(self) -> bool:
        """Whether it comes from a can or an airbrush."""
        return self.kind == "spray" or all(pot.sprayed for pot in self.mix.paints)

    @cached_property
    def by_can(self) -> bool:
        """Whether it comes from a can; what is thinned for an airbrush, or poured into it, does not."""
        return self.kind != "spray" and all(pot.sprayed and pot.kind != "air" for pot in self.mix.paints)

    @cached_property
    def worked_share(self) -> float:
        """Share of the area that the hand goes over, 0 to 1."""
        if self.spot or self.manner.share is not None:
            return self.share
        return self.technique.painted


@dataclass(frozen=True)
class Recipe:
    """The steps of one role for one tier, in order."""

    steps: tuple[Step, ...] = ()
    #: CIEDE2000 that thin and thick places may differ by; a role asks for less on a centrepiece
    even: float = EVEN
    #: light plan that its lights follow where they name none; a scheme says it
    light: str = ""

    def __hash__(self) -> int:
        return self._hash

    @cached_property
    def _hash(self) -> int:
        """Worked out once, as that of its steps."""
        return hash((self.steps, self.even, self.light))

    @property
    def base(self) -> Step | None:
        """The step that gives it its colour: the first, but for a ground of its own beneath more; None without steps."""
        return next((step for step in self.steps if step.id != BENEATH), next(iter(self.steps), None))

    @property
    def lies_beside(self) -> bool:
        """Whether a step lies beside a named neighbour, of which every figure has more or less."""
        return any(step.spot and step.spot.beside for step in self.steps)

    def step(self, step_id: str) -> Step:
        """The step of that id.

        Raises: UnknownName.
        """
        found = next((step for step in self.steps if step.id == step_id), None)
        if found is None:
            raise UnknownName("step", step_id, [step.id for step in self.steps], "step")
        return found

    def with_step(self, step: Step) -> "Recipe":
        """This recipe with the step replaced, or added at its end."""
        if any(old.id == step.id for old in self.steps):
            return replace(self, steps=tuple(step if old.id == step.id else old for old in self.steps))
        return replace(self, steps=(*self.steps, step))


def checked(step: Step, where: str = "") -> Step:
    """The step, if everything in it is allowed.

    Raises: UnknownName for kind or diluent; OutOfRange for parts, coats or a thinned 'neat'.
    """
    if step.kind not in STEP_KINDS:
        raise UnknownName("kind of step", step.kind, STEP_KINDS, f"{where}/kind")
    if step.mix.diluent not in DILUENTS:
        raise UnknownName("diluent", step.mix.diluent, DILUENTS, f"{where}/mix/diluent")
    for index, (pot, parts) in enumerate(step.mix.parts):
        if not LEAST_PARTS <= parts <= MOST_PARTS:
            raise OutOfRange(
                f"{parts:g} parts of {pot.id}; allowed is {LEAST_PARTS} to {MOST_PARTS}.",
                f"{where}/mix/parts/{index}",
            )
    if not step.mix.parts:
        raise OutOfRange("The mix has no paint in it; name at least one.", f"{where}/mix/parts")
    thinned = step.mix.diluent_parts
    if (step.mix.diluent == "neat") != (thinned == 0) or not 0 <= thinned <= 20:
        raise OutOfRange(
            f"{step.mix.diluent} with {thinned:g} parts; neat takes 0, water, medium and thinner more than 0 up to 20.",
            f"{where}/mix/diluent_parts",
        )
    if step.coats is not None and not 1 <= step.coats <= MOST_COATS:
        raise OutOfRange(
            f"{step.coats} coats; allowed is 1 to {MOST_COATS}, or none given for as many as cover.", f"{where}/coats"
        )
    _check_manner(step.manner, f"{where}/manner")
    if step.spot:
        checked_where(step.spot, f"{where}/place")
    return step


def _check_manner(manner: Manner, where: str) -> None:
    limits = (
        ("share", 0.005, 1.0),
        ("drying", 0.0, MOST_MINUTES),
        ("window", 0.0, MOST_MINUTES),
        ("leave", 0.0, MOST_MINUTES),
    )
    for name, least, most in limits:
        given = getattr(manner, name)
        if given is not None and not least <= given <= most:
            raise OutOfRange(f"A {name} of {given:g}; allowed is {least:g} to {most:g}.", f"{where}/{name}")
    for name in ("tool", "pose", "note"):
        if len(getattr(manner, name)) > MOST_SIGNS:
            raise OutOfRange(
                f"The {name} has {len(getattr(manner, name))} signs; allowed is up to {MOST_SIGNS}.", f"{where}/{name}"
            )
