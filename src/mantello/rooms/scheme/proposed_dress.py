"""A dress as an address asks for it: who wears whose, in which year, how firmly; tried without being kept."""

from dataclasses import replace
from urllib.parse import urlencode

from mantello.workspace.reading import Reading
from mantello_core.colour.spaces import hex_of, lab_of_hex
from mantello_core.design.design import Design
from mantello_core.design.dressing import (
    proposed_ranks,
    proposed_worn,
    with_aims,
    with_dress,
    word_key,
    words_used,
)
from mantello_core.errors import MantelloError
from mantello_core.memory import Memory
from mantello_core.numerals import whole_number
from mantello_core.paints.range import paints
from mantello_core.uniforms.almanac import Almanac
from mantello_core.uniforms.dress import ACCURACIES, Dress
from mantello_core.uniforms.fact import Wearer

#: formations that may be named in one form
_MOST_ROWS = 40
_tried = Memory("dress tried", 12 * 2**20)
#: what a role is painted with while it is only tried, and shown in the colour of its word
PLACEHOLDER = next(iter(paints().values()))
#: what a tried design takes besides what it shares with the one it is of: measured
_TAKES = 600_000


def dress_asked(design: Design, said: Almanac, given, year: int, origin: str = "") -> Dress:
    """The dress that is asked for: by the form's pairs, else what the army wears, else what its names suggest."""
    nodes, of = given.getlist("node")[:_MOST_ROWS], given.getlist("of")[:_MOST_ROWS]
    known = design.scheme.dress
    accuracy = given.get("accuracy", known.accuracy if known else "plausible")
    accuracy = accuracy if accuracy in ACCURACIES else "plausible"
    if not nodes and known:
        same = replace(known, accuracy=accuracy, **({"year": year, "almanac": said} if given.get("year") else {}))
        return _aimed(same, given)
    pairs = {}
    for node, index in zip(nodes, of, strict=False):
        at = whole_number(index, len(said.regiments) - 1) if said.regiments else None
        if node in design.army.nodes and at is not None:
            pairs[node] = said.regiments[at]
    worn = tuple(pairs.items()) if nodes else proposed_worn(design.army, said)
    ranks = proposed_ranks(design.army, tuple(node for node, _ in worn))
    # a design stands alone, with no more of the almanac than its formations need
    arms = {who.arm for _, who in worn}
    facts = tuple(fact for fact in said.facts if fact.wearer.arm in arms or not fact.wearer.arm)
    cited = {fact.source for fact in facts}
    copied = replace(said, facts=facts, sources=tuple(one for one in said.sources if one.id in cited))
    kept = replace(known, almanac=copied, year=year) if known else Dress(copied, year)
    made = replace(kept, accuracy=accuracy, worn=worn, ranks=ranks, origin=origin or kept.origin)
    return _aimed(made, given)


def _aimed(dress: Dress, given) -> Dress:
    """The dress with the points that a form gives for its words; those that cannot be are left to ``aims_refused``."""
    for key, text in _aims_given(given):
        try:
            dress = with_aims(dress, {key: lab_of_hex(text) if text else None})
        except MantelloError:
            continue
    return dress


def _aims_given(given) -> list[tuple[str, str]]:
    return [(name.removeprefix("aim-"), text.strip()) for name, text in given.items() if name.startswith("aim-")]


def aims_refused(dress: Dress, given) -> dict[str, str]:
    """What is wrong with the points that a form gives, by the keys of their words."""
    refused = {}
    for key, text in _aims_given(given):
        try:
            with_aims(dress, {key: lab_of_hex(text) if text else None})
        except MantelloError as error:
            refused[key] = error.message
    return refused


def query_of(dress: Dress, said: Almanac) -> str:
    """What an address says of a dress out of an almanac."""
    numbers = {who.regiment: at for at, who in enumerate(said.regiments)}
    pairs = [(node, numbers.get(who.regiment, "")) for node, who in dress.worn]
    plain = [("almanac", dress.origin), ("year", dress.year), ("accuracy", dress.accuracy)]
    plain += [(f"aim-{word_key(word, metal=metal)}", hex_of(lab)) for word, metal, lab in dress.aims]
    return urlencode([*plain, *(pair for node, at in pairs for pair in (("node", node), ("of", at)))])


def pairs_of(design: Design, said: Almanac, dress: Dress) -> list[tuple[list, list]]:
    """The rows of the form: formations and regiments to choose from, of each (value, words, whether it is chosen); a last row
    is blank."""
    army = design.army
    formations = [node for node in army.nodes.values() if node.id != army.root.id]
    rows: list[tuple[str, Wearer | None]] = [*dress.worn, ("", None)]
    found = []
    for node, who in rows:
        left = [("", "nobody more" if not node else "nobody", not node)]
        left += [(one.id, f"{'  ' * (len(army.paths[one.id]) - 2)}{one.name}", one.id == node) for one in formations]
        right = [
            (at, each.called, who is not None and each.regiment == who.regiment)
            for at, each in enumerate(said.regiments)
        ]
        found.append((left, right))
    return found


def tried_dress(army, reading: Reading, dress: Dress, given) -> Reading | None:
    """The army in a dress that is not kept, its new roles in any paint; None if it cannot be worn."""
    chosen = {name.removeprefix("role-"): value for name, value in given.items() if name.startswith("role-")}
    key = (
        army.head.pk,
        army.head.made_at,
        dress.origin,
        dress.worn,
        dress.year,
        dress.accuracy,
        dress.aims,
        len(dress.almanac.facts),
        dress.almanac.settled,
        tuple(sorted(chosen.items())),
    )
    known = _tried.get(key)
    if known is not None:
        return known
    mixes = {
        word.key: {tier: ((PLACEHOLDER, 1.0),) for tier, _ in word.targets}
        for word in words_used(reading.design, reading.resolution, dress)
    }
    try:
        design = with_dress(reading.design, reading.resolution, dress, chosen, mixes)
    except MantelloError:
        return None
    return _tried.put(key, Reading(design), _TAKES)
