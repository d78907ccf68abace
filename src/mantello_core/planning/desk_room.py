"""How many figures are on the desk at once."""

from ..design.design import Design

#: most figures on the desk at once, in armies up to so many figures and above; squads beyond it wait for the next wave
DESK_LIMIT, LARGE_DESK, LARGE_ARMY = 40, 60, 300


def desk_limit(design: Design) -> int:
    """Figures on the desk at most, before the next unit is begun."""
    return design.evenings.desk or (LARGE_DESK if design.army.figures > LARGE_ARMY else DESK_LIMIT)
