"""On what surface and at what size arms were looked at last, by whoever looks: they open there again."""

from mantello_core.insignia.arms.shape import SHAPES
from mantello_core.marks.named_arms import NamedArms

_LOOKS = "arms-looks"
#: looks that are kept, the newest; mm across as usual, for a shield on a 28 mm figure
_MOST, USUAL_WIDTH = 60, 6.5


def last_look(request, army, arms: NamedArms | None) -> tuple[str, float]:
    """Surface and width in mm of the last look at arms, or the usual ones."""
    found = request.session.get(_LOOKS, {}).get(_key(army, arms))
    return (found[0], float(found[1])) if found and found[0] in SHAPES else ("heater", USUAL_WIDTH)


def keep_look(request, army, arms: NamedArms, shape: str, width: float) -> None:
    """Keep a look at arms, if it is another than before."""
    looks, key = dict(request.session.get(_LOOKS, {})), _key(army, arms)
    if looks.get(key) != [shape, width]:
        looks.pop(key, None)
        request.session[_LOOKS] = dict([*looks.items(), (key, [shape, width])][-_MOST:])


def _key(army, arms: NamedArms | None) -> str:
    return f"{army.pk}:{arms.id if arms else ''}"
