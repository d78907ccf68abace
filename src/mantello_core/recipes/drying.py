"""When the next coat may follow: touch dry, sooner than the next step; and when a film is cured, later than dry."""

from .step import Step

#: share of the drying after a step that a thin, even coat needs before the next of the same
TOUCH = 0.6
#: how much longer an unthinned coat takes, and how much each part of diluent to one of paint saves; at least this share
_NEAT, _THINNED, _LEAST = 1.2, 0.6, 0.8
#: kinds whose film must be dry right through before it is touched again
_THROUGH = frozenset({"shade", "stain", "recess", "oil", "texture", "powder"})


#: minutes until a film of a medium is cured, so that varnish or another solvent does it no harm: enamel a day, oil two; an
#: estimate for thin films
_CURED = {"enamel": 1440.0, "oil": 2880.0}


def cured(step: Step) -> float:
    """Minutes until a step is cured; 0 where that is as good as dry. The slowest paint governs; the label comes first."""
    return max((_CURED.get(pot.kind, 0.0) for pot in step.mix.paints), default=0.0)


def touch_dry(step: Step) -> float:
    """Minutes until the next coat of a step may be laid, by product, kind and thickness; an estimate.

    A base thinned 3 : 1 is touch dry after 0.6 of what the next step waits for; neat paint takes a fifth longer, much
    thinned paint a fifth less. Washes, stains, oils and pastes must be dry through.
    """
    if step.kind in _THROUGH:
        return step.drying
    return step.drying * TOUCH * max(_LEAST, _NEAT - _THINNED * step.mix.dilution)
