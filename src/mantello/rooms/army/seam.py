"""How the Army room stands on the seam."""

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.seam import Stance, room_step


@room_step(1, "army", "Army")
def army_stands(army: Army, reading: Reading) -> Stance:
    """Done as soon as there are figures."""
    return ("done" if reading.design.army.figures else ""), 0
