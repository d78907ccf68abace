"""On what surface and at what size arms were looked at last, by whoever looks: they open there again."""

from mantello_core.insignia.arms.shape import SHAPES
from mantello_core.marks.named_arms import NamedArms

from .models import ArmsLook

#: mm across as usual, for a shield on a 28 mm figure
USUAL_WIDTH = 6.5
#: signs of an id that tell one coat from another
_MOST_SIGNS = ArmsLook._meta.get_field("arms").max_length


def last_look(request, army, arms: NamedArms | None) -> tuple[str, float]:
    """Surface and width in mm of the last look at arms, or the usual ones."""
    found = _look(request, army, arms) if arms else None
    return (found.shape, found.width) if found and found.shape in SHAPES else ("heater", USUAL_WIDTH)


def keep_look(request, army, arms: NamedArms, shape: str, width: float) -> None:
    """Keep a look at arms, if it is another than before."""
    known = _look(request, army, arms)
    if known is None or (known.shape, known.width) != (shape, width):
        ArmsLook.objects.update_or_create(
            owner=request.user, army=army, arms=arms.id[:_MOST_SIGNS], defaults={"shape": shape, "width": width}
        )


def _look(request, army, arms: NamedArms) -> ArmsLook | None:
    return ArmsLook.objects.filter(owner=request.user, army=army, arms=arms.id[:_MOST_SIGNS]).first()
