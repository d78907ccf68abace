"""A piece of work that a figure gets besides its colours: how long, with what, and what the order knows it as."""

from dataclasses import dataclass, replace

from ..film.finish import VARNISHES
from ..recipes.step import Step
from ..scheme.finishing import finishing_data

#: order of pieces on a figure: before paint; then after its colours
MAGNET, MASK, JOIN, FILM, BARRIER, SOLVENT, TOUCH_UP, VARNISH, DRY_DIRT, PLANTS, GLOSS, LAST = range(12)
#: of a pass over the figure, and of work at the bench, which their phases place
OVER, BENCH = -1, -2
_WORK = {MAGNET: "magnet", JOIN: "join", BARRIER: "gloss", SOLVENT: "oil", TOUCH_UP: "touch-up", PLANTS: "plants"}
_SOLVENTS = {"oil", "enamel"}
#: ids of pieces that passes over the figure may not take
RESERVED = ("magnet", "touch-up", "barrier", "varnish", "shine", "glow", "undercoat")


@dataclass(frozen=True)
class Piece:
    """One piece of work on a figure that no colour role stands for."""

    id: str
    name: str
    #: one of the numbers above
    stage: int
    #: hands-on seconds per figure, and seconds it dries
    seconds: float
    drying: float
    #: mm² of painted surface it touches; 0 for handwork
    surface: float
    #: areas it touches; empty for the whole figure
    areas: tuple[str, ...] = ()
    #: what is laid; None for handwork
    step: Step | None = None
    coats: int = 1
    words: str = ""
    caution: str = ""
    #: place among pieces of one stage: smaller comes first
    order: float = 0.0
    #: role that a mask is for
    role: str = ""
    #: id of the phase it was put into; '' for the usual one of its work
    phase: str = ""
    #: what handwork at the bench is to order rules: glue, texture, tidy ...; '' for any other piece
    bench: str = ""

    @property
    def place(self) -> tuple[int, float]:
        """Where it comes among the pieces of a figure."""
        return self.stage, self.order

    @property
    def work(self) -> str:
        """What order rules know it as: magnet, join, mute, oil, matt, mud, plants ..."""
        if self.bench:
            return self.bench
        if self.stage == OVER and is_solvent(self.step):
            return "oil"
        if self.stage in _WORK:
            return _WORK[self.stage]
        if self.id == "glow":
            return "glow"
        if self.id == "shine":
            return "shine"
        if self.stage == FILM:
            return "mute"
        if self.stage == LAST:
            return "last-coat"
        if self.step and self.step.kind == "varnish":
            return next((pot.finish for pot in self.step.mix.paints if pot.finish in VARNISHES), "matt")
        if self.stage == DRY_DIRT:
            return self.step.kind if self.step.kind in ("sponge", "powder") else "mud"
        return self.step.kind if self.step else "hand"

    @property
    def kind(self) -> str:
        """Kind of technique, or 'hand'."""
        return self.step.kind if self.step else "hand"

    def named(self, id_: str, name: str) -> "Piece":
        """The same piece under another id and name."""
        return replace(self, id=id_, name=name)

    @property
    def minutes_drying(self) -> float:
        """Minutes it dries."""
        return self.drying / 60

    @property
    def sprayed(self) -> bool:
        """Whether it needs a place to spray."""
        return bool(self.step) and self.step.sprayed


def hand_piece(
    id_: str, kind: str, name: str, stage: int, *, order: float = 0.0, role: str = "", seconds: float = 0.0
) -> Piece:
    """A piece of handwork of a kind, on the whole figure; without seconds as long as its kind takes."""
    row = finishing_data()["hand"][kind]
    return Piece(
        id_, name, stage, seconds or row["seconds"], row["drying"] * 60.0, 0.0, words=row["words"], caution=row["caution"],
        order=order, role=role,
    )  # fmt: skip


def is_solvent(step: Step) -> bool:
    """Whether a step is laid with oil or enamel."""
    return step.kind == "oil" or bool({pot.kind for pot in step.mix.paints} & _SOLVENTS)
