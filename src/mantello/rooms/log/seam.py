"""How the Log room stands on the seam."""

from mantello.record.queries import painted_share
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.seam import Stance, room_step


@room_step(7, "log", "Log")
def log_stands(army: Army, reading: Reading) -> Stance:
    """Done when everything is painted."""
    share = painted_share(army) if reading.design.army.figures else 0.0
    return ("done" if share >= 1 else "part" if share else ""), 0
