"""What was really used for a batch, where it was not as planned."""

from dataclasses import dataclass

from mantello_core.planning.task import COAT_SIGN, Atom
from mantello_core.recipes.step import Mix


@dataclass(frozen=True)
class Used:
    """What differed from the plan; nothing of it by default."""

    mix: Mix | None = None
    tool: str = ""
    #: coats laid in this go; None for one
    coats: int | None = None
    #: whether it covers now, so that no further coat is asked for
    enough: bool = False
    #: id of what went wrong; '' for nothing
    mishap: str = ""

    def step_of(self, atom: Atom) -> str:
        """How the log writes the coat of an atom: the last one that was laid, or all of the step."""
        last = min(atom.of, atom.coat + (self.coats or 1) - 1)
        return atom.step if self.enough or last == atom.of else f"{atom.step}{COAT_SIGN}{last}"

    def coats_of(self, atom: Atom) -> int:
        """Coats that were laid of an atom."""
        return self.coats or atom.coats


AS_PLANNED = Used()
