"""How the Scheme room stands on the seam."""

from mantello.workspace.seam import Shown, Stance, room_step


@room_step(2, "scheme", "Scheme")
def scheme_stands(shown: Shown) -> Stance:
    """Open while an area of a figure wears nothing."""
    reading = shown.reading
    if not reading.design.army.figures or not reading.shares:
        return "", 0
    gaps = len(reading.gaps)
    return ("part" if gaps else "done"), gaps
