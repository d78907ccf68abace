"""How the Recipes room stands on the seam."""

from mantello.workspace.seam import Shown, Stance, room_step


@room_step(4, "recipes", "Recipes")
def recipes_stands(shown: Shown) -> Stance:
    """Open while a role that is worn has no recipe."""
    reading = shown.reading
    worn = reading.shares if reading.design.army.figures else {}
    unmade = sum(not reading.design.scheme.role(role).recipe().steps for role in worn)
    return (("part" if unmade else "done") if worn else ""), unmade
