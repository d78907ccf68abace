"""How the Army room stands on the seam."""

from mantello.workspace.seam import Shown, Stance, room_step


@room_step(1, "army", "Army")
def army_stands(shown: Shown) -> Stance:
    """Done as soon as there are figures."""
    reading = shown.reading
    return ("done" if reading.design.army.figures else ""), 0
