"""A mix as a painter writes it: '2 Brine Green : 1 Salt Linen : 3 water'. A bare '2:1' is asked back."""

import re
from collections.abc import Iterable, Mapping
from difflib import get_close_matches

from ..errors import Unreadable
from ..paints.paint import Paint
from .remixing import mixed_of
from .step import DILUENTS, Mix

#: signs of one mix at most
MOST_SIGNS = 300
_SIDE = re.compile(
    r"^(?:(?P<first>\d+(?:[.,]\d+)?)\s*(?:x|drops?(?: of)?|parts?(?: of)?)?\s+(?P<name>.+?)|(?P<name_first>.+?)\s+(?P<last>\d+(?:[.,]\d+)?)|(?P<alone>.+))$",
    re.IGNORECASE,
)
_BARE = re.compile(r"^[\d.,\s]+$")
_VAGUE = ("thin", "thinned", "a little", "some", "bit", "splash", "dash")


def mix_said(text: str, pots: Iterable[Paint], mixes: Mapping[str, Mix] | None = None) -> Mix:
    """The mix that a text names, sides apart by ':', '+', ',' or 'and'; a side without a number is one part.

    mixes: mixes that a side may name besides paints, in lower case, as in '1 base mix : 1 Salt Linen'; one part of a mix is
    one part in all.

    Raises: Unreadable for a bare ratio, a vague word, an unknown name (with near ones), or a side that comes twice.
    """
    if len(text) > MOST_SIGNS:
        raise Unreadable(f"The mix has {len(text)} signs; allowed is up to {MOST_SIGNS}.", "mix")
    sides = [side.strip() for side in re.split(r"\s*[:+]\s*|\s*,\s+|\s+and\s+", text.strip()) if side.strip()]
    if not sides:
        raise Unreadable("There is no mix; write it like '2 Brine Green : 1 water'.", "mix")
    bare = [side for side in sides if _BARE.match(side)]
    if bare:
        raise Unreadable(
            f"'{text.strip()[:60]}' does not say which side is which; name both, like '2 Brine Green : 1 water'.", "mix"
        )
    by_name = {pot.name.casefold(): pot for pot in pots}
    known = dict(mixes or {})
    parts: dict[Paint | Mix, float] = {}
    diluents: dict[str, float] = {}
    for side in sides:
        amount, name = _amount_and_name(side)
        if name in DILUENTS and name != "neat":
            diluents[name] = diluents.get(name, 0.0) + amount
        elif name != "neat":
            side = known[name] if name in known else _named(name, by_name)
            if side in parts:
                raise Unreadable(f"{name.capitalize()} comes twice; add its parts up.", "mix")
            parts[side] = amount
    if len(diluents) > 1:
        raise Unreadable(f"It is thinned with {' and '.join(diluents)}; name one of them.", "mix")
    if not parts:
        raise Unreadable("There is no paint in it; name at least one.", "mix")
    diluent, thinned = next(iter(diluents.items()), ("neat", 0.0))
    if not any(isinstance(side, Mix) for side in parts):
        return Mix(tuple(parts.items()), diluent, thinned)
    made = mixed_of(list(parts.items()))
    share = thinned / sum(parts.values())
    return Mix(made, diluent, min(20.0, round(share * sum(amount for _, amount in made), 1)))


def _amount_and_name(side: str) -> tuple[float, str]:
    match = _SIDE.match(" ".join(side.split()).removeprefix("neat "))
    name = (match["name"] or match["name_first"] or match["alone"]).casefold()
    number = match["first"] or match["last"] or "1"
    return float(number.replace(",", ".")), name


def _named(name: str, by_name: dict[str, Paint]) -> Paint:
    if name in by_name:
        return by_name[name]
    if any(word in name.split() or name.startswith(word) for word in _VAGUE):
        raise Unreadable(f"'{name[:40]}' says no amount; write parts, like '2 Brine Green : 1 water'.", "mix")
    near = get_close_matches(name, list(by_name), 3, 0.6)
    more = f"; near it: {', '.join(by_name[one].name for one in near)}" if near else ""
    raise Unreadable(f"There is no paint called '{name[:60]}'{more}.", "mix")
