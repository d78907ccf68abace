"""How the Scheme room stands on the seam."""

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.seam import Stance, room_step


@room_step(2, "scheme", "Scheme")
def scheme_stands(army: Army, reading: Reading) -> Stance:
    """Open while an area of a figure wears nothing."""
    if not reading.design.army.figures or not reading.shares:
        return "", 0
    gaps = len(reading.gaps)
    return ("part" if gaps else "done"), gaps
