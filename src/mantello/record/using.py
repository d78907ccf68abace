"""What the log knows of tools and mixes: for how long each was used, and whether a mix still matches itself."""

from datetime import datetime

from mantello.workspace.reading import Reading
from mantello_core.paints.catalogue import Catalogue
from mantello_core.planning.done import step_of
from mantello_core.recipes.technique import techniques
from mantello_core.record.upkeep import Leftover, Use, leftovers

from .pace import kind_of


def aged(army, reading: Reading, catalogue: Catalogue, mix: str, now: datetime) -> Leftover | None:
    """The mix as it was last used, if it has stood too long on the palette to match itself by now."""
    found = leftovers(uses_of(army.entries.standing().filter(mix=mix)[:1], reading, catalogue), now)
    return found[0] if found and found[0].until <= now else None


def uses_of(entries, reading: Reading, catalogue: Catalogue) -> list[Use]:
    """What the log knows, with the tool of each step: as its recipe says, or as usual for its kind."""
    tools = {
        (role.id, step.id): (step.tool, step.kind)
        for role in reading.design.scheme.roles
        for _, recipe in role.recipes
        for step in recipe.steps
    }
    found = []
    for entry in entries:
        kind = kind_of(step_of(entry.step))
        usual = (
            (techniques()[kind].tool, kind)
            if kind in techniques()
            else ("aerosol" if not entry.role else "round brush", kind)
        )
        tool, kind = tools.get((entry.role, step_of(entry.step)), usual)
        minutes = entry.planned_minutes if entry.minutes is None else entry.minutes
        paints = tuple(str(one.get("paint", "")) for one in entry.paints)
        kinds = tuple(pot.kind if (pot := catalogue.get(id_)) else "" for id_ in paints)
        found.append(Use(tool, kind, minutes, entry.mix, paints, kinds, entry.done_at))
    return found
