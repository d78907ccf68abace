"""How the Plan room stands on the seam."""

from mantello.record.queries import painted_share
from mantello.workspace.seam import Shown, Stance, room_step


@room_step(6, "plan", "Plan")
def plan_stands(shown: Shown) -> Stance:
    """Done when everything is painted."""
    figures = shown.reading.design.army.figures
    share = shown.once("painted", lambda: painted_share(shown.army)) if figures else 0.0
    return ("done" if share >= 1 else "part" if share else ""), 0
