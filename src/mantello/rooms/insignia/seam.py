"""How the Insignia room stands on the seam."""

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.seam import Stance, room_step


@room_step(3, "insignia", "Insignia")
def insignia_stands(army: Army, reading: Reading) -> Stance:
    """Open while arms have no bearer."""
    arms = reading.design.scheme.arms
    return ("done" if arms and all(one.bearer for one in arms) else "part" if arms else ""), 0
