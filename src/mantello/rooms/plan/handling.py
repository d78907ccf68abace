"""How a batch is painted: its step, strokes, drops, windows and cautions."""

from functools import cached_property
from math import inf

from mantello.workspace.reading import Reading
from mantello_core.army.tree import Figure
from mantello_core.figures.vocabulary import group_of
from mantello_core.insignia.devices.mark_step import MarkStep
from mantello_core.paints.paint import Paint
from mantello_core.passes.camouflaging import patches_words
from mantello_core.passes.piece import Piece
from mantello_core.passes.planting import planted
from mantello_core.planning.batch import batch_size
from mantello_core.planning.compiling import UNDERCOAT
from mantello_core.planning.painted_with import PaintedWith, painted_with
from mantello_core.recipes.brush import brush_words
from mantello_core.recipes.hazard import cautions_for
from mantello_core.recipes.pass_card import PassCard, pass_card
from mantello_core.recipes.quantity import Portion, is_paste, portion
from mantello_core.recipes.step import Step
from mantello_core.recipes.technique import techniques
from mantello_core.record.upkeep import mix_life

from .batch import Batch, coats_of

#: kinds of step that tire hand and eyes
_FINE = ("highlight", "edge", "dot", "line", "recess")
#: the spray from above, and how it is done
ABOVE = "above"
FROM_ABOVE = (
    "From above at about 45 degrees, once round the figure, from 20 to 30 cm; two light passes. A third of each panel,"
    " the upper one, takes the pale colour: stop before the lower third greys."
)


class Handling:
    """One batch at the desk."""

    def __init__(self, reading: Reading, batch: Batch):
        self.reading, self.batch = reading, batch

    @property
    def fine(self) -> bool:
        """Whether it tires hand and eyes."""
        return self.batch.atoms[0].kind in _FINE or bool(self.batch.atoms[0].subject.site)

    @property
    def least(self) -> int:
        """Figures that would just keep the hands busy while the first dries, as long as the mix lives."""
        block, design = self.batch.block, self.reading.design
        each = sum(block.task.figures[figure] for figure in block.figures) / len(block.figures)
        life = (
            mix_life(pot.kind for pot in self.step.mix.paints)
            if self.step and not self.batch.atoms[0].sprayed
            else None
        )
        unit = design.army.nodes[block.task.unit].figures
        evenings = design.evenings
        palette = life.total_seconds() if life else inf
        return batch_size(block.task.drying, each, unit, evenings.attention, evenings.stick, palette)

    @cached_property
    def painted_with(self) -> PaintedWith:
        """What it is painted with."""
        return painted_with(self.reading.design, self.reading.resolution, self.batch.atoms[0])

    @property
    def cautions(self) -> tuple[str, ...]:
        """What to mind at it."""
        told = self.painted_with
        own = told.mark.caution if told.mark else told.piece.caution if told.piece else ""
        kind = "base" if told.mark else self.batch.atoms[0].kind
        airbrushed = bool(told.step) and told.step.sprayed and not told.step.by_can
        return ((own,) if own else ()) + cautions_for(
            kind, told.paints, told.diluent, airbrushed=airbrushed, aid=self.reading.design.evenings.aid
        )

    @property
    def careful_paints(self) -> tuple[Paint, ...]:
        """Its paints that a caution of their own goes with."""
        told = self.painted_with
        return () if told.mark else tuple(pot for pot in told.paints if cautions_for("base", (pot,), told.diluent))

    @property
    def step(self) -> Step | None:
        """The recipe step of a batch; None for the ground, marks and handwork."""
        return self.painted_with.step

    @property
    def mark_step(self) -> MarkStep | None:
        """The step of a mark that a batch is; None if it is none."""
        return self.painted_with.mark

    @property
    def piece(self) -> Piece | None:
        """The work on all figures that a batch is; None if it is none."""
        return self.painted_with.piece

    @property
    def how(self) -> str:
        """How a batch is painted, in a few sentences."""
        step, mark, piece = self.step, self.mark_step, self.piece
        if mark:
            return mark.words
        said = [] if piece is None or not piece.words else [piece.words]
        if step is None or (self.batch.atoms[0].sprayed and self.pass_card.tool == "can"):
            if piece is None or step:
                where = "the whole figure" if self.batch.atoms[0].step == UNDERCOAT or piece else "the areas shown"
                said.insert(0, f"{self._coats()}Aerosol, {where}, in thin passes.")
            return " ".join(said)
        if self.pass_card:
            said.insert(
                0, f"{self._coats()}Airbrush, {step.place}: the areas shown, the others masked or painted after."
            )
            return " ".join(said)
        said.insert(0, f"{self._coats()}{step.tool.capitalize()}, {step.place}.")
        if self.batch.atoms[0].window:
            count = len(self.batch.left)
            laid = f"Lay all {count}, then wipe them in the same order" if count > 1 else "Lay it, then wipe it"
            said.append(f"{laid}, within {self.batch.atoms[0].window / 60:.0f} minutes.")
        return " ".join(said)

    @cached_property
    def pass_card(self) -> PassCard | None:
        """What to set and hold where a recipe step is sprayed; None where it is brushed, and for the ground."""
        return pass_card(self.step) if self.step else None

    @property
    def portion(self) -> Portion | None:
        """What is put together for the figures that are left; None where nothing is mixed or it comes from a can."""
        step = self.step
        can = self.batch.atoms[0].sprayed and not (self.pass_card and self.pass_card.tool == "airbrush")
        if step is None or can or (not is_paste(step.mix) and any(pot.kind == "powder" for pot in step.mix.paints)):
            return None
        surface = sum(
            atom.surface * (step.share if atom.subject.piece else 1.0)
            for rank, ordinal in self.batch.left
            for atom in self.batch.atoms
            if atom.rank == rank and ordinal in atom.ordinals
        )
        return portion(step.mix, surface, self.batch.atoms[0].coats)

    @property
    def hints(self) -> list[str]:
        """How to turn the figure and lead the brush, until when to lift, and how it dries."""
        return [*self._hints(), *([braced] if (braced := self._not_braced()) else [])]

    def _not_braced(self) -> str:
        """On what of these figures nothing is braced; '' where that says nothing, or nothing is held."""
        fragile = self.reading.design.scheme.finishing.fragile
        types = {
            self.reading.design.army.rank(self.batch.block.task.unit, rank).type for rank, _ in self.batch.block.figures
        }
        there = {group_of(area) for type_ in types for area in self.reading.design.army.plate(type_).areas}
        parts = [group.lower() for group in fragile if group in there]
        if not parts or self.batch.atoms[0].sprayed:
            return ""
        return f"Brace nothing on {' or '.join([', '.join(parts[:-1]), parts[-1]] if len(parts) > 1 else parts)}."

    def _hints(self) -> list[str]:
        step, atom = self.step, self.batch.atoms[0]
        if atom.step == ABOVE:
            return [FROM_ABOVE]
        if step is None or (atom.sprayed and self.pass_card.tool == "can"):
            return [techniques()["undercoat"].stroke] if atom.sprayed else self._planted()
        said = self._patches()
        said += [words for words in (step.technique.stroke, brush_words(step)) if words]
        if step.technique.irreversible or step.kind == "varnish":
            said.append(
                "Look everything over first: what is wrong now is sealed, and the base mixes should be at hand."
            )
        if step.window and not atom.window:
            said.append(f"Lift pools within {step.window:.0f} minutes, then leave it alone for {step.leave:.0f}.")
        if step.pose:
            said.append(f"Dries {step.pose}.")
        return said

    def _planted(self) -> list[str]:
        """Where a plant goes on the bases of these figures."""
        piece, unit = self.batch.atoms[0].subject.piece, self.batch.block.task.unit
        if not piece.startswith("plant-"):
            return []
        army, places = self.reading.design.army, {}
        several = len({rank for rank, _ in self.batch.block.figures}) > 1
        for rank, ordinal in self.batch.left or self.batch.block.figures:
            place = planted(self.reading.design.scheme.finishing.basing, unit, rank, ordinal)[
                piece.removeprefix("plant-")
            ]
            named = f"{army.rank(unit, rank).name} {ordinal}" if several else str(ordinal)
            places.setdefault(place, []).append(named)
        return [f"{place.capitalize()}: {', '.join(figures)}." for place, figures in places.items()]

    def _patches(self) -> list[str]:
        """Where a role's lights go on figures that wear it under a pattern."""
        resolution, unit = self.reading.resolution, self.batch.block.task.unit
        classes = {
            id(one): one for figure in self.batch.block.figures for one in [resolution.of(Figure(unit, *figure))]
        }
        found = (
            patches_words(self.reading.design, one, role, self.batch.atoms[0].kind)
            for one in classes.values()
            for role in self.batch.roles
        )
        return [words for words in dict.fromkeys(found) if words]

    def _coats(self) -> str:
        said = coats_of(self.batch.atoms)
        if not said:
            return ""
        return (
            f"{said.capitalize()}. " if self.batch.atoms[0].coat == 1 else f"{said.capitalize()}, on a touch-dry one. "
        )
