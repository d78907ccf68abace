"""How the Insignia room stands on the seam."""

from mantello.workspace.seam import Shown, Stance, room_step


@room_step(3, "insignia", "Insignia")
def insignia_stands(shown: Shown) -> Stance:
    """Open while arms have no bearer."""
    reading = shown.reading
    arms = reading.design.scheme.arms
    return ("done" if arms and all(one.bearer for one in arms) else "part" if arms else ""), 0
