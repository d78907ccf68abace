"""What the log knows of tools and mixes: for how long each was used, and whether a mix still matches itself."""

from collections.abc import Iterable
from datetime import datetime

from mantello.workspace.reading import Reading
from mantello_core.paints.catalogue import Catalogue
from mantello_core.planning.done import step_of
from mantello_core.recipes.technique import techniques
from mantello_core.record.upkeep import Leftover, Use, leftovers

from .log import Line, kind_of, log_of


def aged(army, reading: Reading, catalogue: Catalogue, mix: str, now: datetime) -> Leftover | None:
    """The mix as it was last used, if it has stood too long on the palette to match itself by now."""
    last = next((one for one in log_of(army).lines if one.mix == mix), None)
    found = leftovers(uses_of([last] if last else [], reading, catalogue), now)
    return found[0] if found and found[0].until <= now else None


def uses_of(lines: Iterable[Line], reading: Reading, catalogue: Catalogue) -> list[Use]:
    """What the log knows, with the tool of each step: as its recipe says, or as usual for its kind."""
    tools = {
        (role.id, step.id): (step.tool, step.kind)
        for role in reading.design.scheme.roles
        for _, recipe in role.recipes
        for step in recipe.steps
    }
    kinds: dict[tuple[str, ...], tuple[str, ...]] = {}
    found = []
    for line in lines:
        step = step_of(line.step)
        known = tools.get((line.role, step))
        if known is None:
            kind = kind_of(step)
            usual = techniques()[kind].tool if kind in techniques() else "round brush" if line.role else "aerosol"
            known = tools[line.role, step] = usual, kind
        if line.paints not in kinds:
            kinds[line.paints] = tuple(pot.kind if (pot := catalogue.get(id_)) else "" for id_ in line.paints)
        found.append(Use(*known, line.spent, line.mix, line.paints, kinds[line.paints], line.done_at))
    return found
