"""How the Paints room stands on the seam."""

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.seam import Stance, room_step


@room_step(5, "paints", "Paints")
def paints_stands(army: Army, reading: Reading) -> Stance:
    """Begun as soon as a role is worn."""
    return ("part" if reading.design.army.figures and reading.shares else ""), 0
