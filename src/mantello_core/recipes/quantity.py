"""How much paint a step uses."""

from .step import Step

#: wet film of one brushed coat, mm (40 µm)
WET_FILM = 0.040
#: share of the paint that stays in brush, palette and pot
LOSS = 0.3
#: ml in a drop
DROP = 0.05


def millilitres(step: Step, surface: float, coats: int) -> dict[str, float]:
    """Neat ml of every paint in the step's mix for ``surface`` mm² of painted surface.

    Source: design formula F6: paint share x area x wet film x coats / (1 - loss).
    """
    wet = surface * step.share * WET_FILM * coats / 1000 / (1 - LOSS)
    total = sum(parts for _, parts in step.mix.parts) + step.mix.diluent_parts
    return {paint_id: wet * parts / total for paint_id, parts in step.mix.parts}
