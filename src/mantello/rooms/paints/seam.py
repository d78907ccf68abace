"""How the Paints room stands on the seam."""

from mantello.workspace.seam import Shown, Stance, room_step


@room_step(5, "paints", "Paints")
def paints_stands(shown: Shown) -> Stance:
    """Begun as soon as a role is worn."""
    reading = shown.reading
    return ("part" if reading.design.army.figures and reading.shares else ""), 0
