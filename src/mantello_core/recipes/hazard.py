"""The usual caution at a step that can hurt someone; the product's label comes first."""

from collections.abc import Iterable
from functools import cache

from ..data_table import data_table
from ..paints.paint import Paint
from .step import Step

#: what every caution defers to
DEFERENCE = "The product's label, its safety sheet and local rules come first."


@cache
def cautions() -> dict[str, str]:
    """Caution by hazard id."""
    data = data_table(__package__, "hazards")
    return data["caution"]


#: kinds of step whose brush is wiped again and again
_WIPED = ("drybrush", "overbrush", "oil")
#: kinds of step with much rinsing, and hazards of what a step is dried with
_RINSED, _HEAT = ("shade", "glaze"), {"hairdryer": "H-17", "radiator": "H-18"}


def cautions_for(
    kind: str, paints: tuple[Paint, ...], diluent: str = "neat", *, airbrushed: bool = False, aid: str = ""
) -> tuple[str, ...]:
    """What to mind at a step of that kind with those paints: from what they are, and from how they are laid.

    airbrushed: whether it goes through an airbrush, whatever its kind. aid: what it is dried with; '' for air.
    """
    found = [hazard for pot in paints for hazard in pot.hazards]
    if any(pot.sprayed and pot.kind != "air" for pot in paints):
        found += ["H-01", "H-30"]
    if airbrushed or kind == "spray" or any(pot.kind == "air" for pot in paints):
        found += ["H-02", "H-06"]
        if kind in ("undercoat", "varnish"):
            found.append("H-04")
        if any(pot.kind in ("enamel", "oil") for pot in paints):
            found.append("H-03")
        if any(pot.kind == "ink" for pot in paints):
            found.append("H-05")
    # the thinner of acrylics is water and alcohol, no spirit
    if any(pot.kind in ("enamel", "oil") for pot in paints):
        found += ["H-07", "H-08", "H-09", "H-25"]
    if any(pot.kind == "oil" for pot in paints):
        found.append("H-10")
    if kind == "powder" or any(pot.kind == "powder" for pot in paints):
        found.append("H-21")
    if kind == "sponge":
        found += ["H-14", "H-15"]
    if kind in _RINSED or any(pot.kind in ("ink", "stain", "wash") for pot in paints):
        found.append("H-26")
    if aid in _HEAT:
        found.append(_HEAT[aid])
    if any(pot.kind == "metallic" for pot in paints):
        found.append("H-31")
    if kind in _WIPED:
        found.append("H-23")
    if kind in ("highlight", "edge", "dot", "line"):
        found += ["H-24", "H-28"]
    return tuple(cautions()[hazard] for hazard in dict.fromkeys(found))


def hazard_words(hazards: Iterable[str]) -> str:
    """The cautions of some hazards in one text."""
    return " ".join(cautions()[one] for one in hazards)


def step_cautions(step: Step) -> tuple[str, ...]:
    """What to mind at a recipe step."""
    return cautions_for(step.kind, step.mix.paints, step.mix.diluent, airbrushed=step.sprayed and not step.by_can)
