"""Dress of sources put on an army: who wears which regiment's, roles for its colour words, and what wins or loses."""

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from types import MappingProxyType

from ..army.tree import Army, Node
from ..colour.spaces import Lab, hex_of
from ..errors import Contradiction, OutOfRange
from ..mixing.starting import started_mix
from ..naming import slug
from ..paints.paint import Paint
from ..recipes.method import USUAL_METHOD
from ..scheme.cascade import Resolution
from ..scheme.dress_rules import MADE_BY
from ..scheme.rule import Rule
from ..scheme.scheme import Role, Scheme
from ..scheme.selector import areas_named
from ..uniforms.almanac import Almanac
from ..uniforms.colour_word import ColourWord
from ..uniforms.dress import Departure, Dress, DressCell, DressRole, checked_dress
from ..uniforms.dye import GRADES, Target, target
from ..uniforms.fact import Wearer
from ..uniforms.folding import fold
from ..uniforms.garments import garments, rank_of
from .design import Design
from .edit import with_scheme

#: grade of cloth that a role is made for by tier, the plainest first
_TIERS = tuple(GRADES)
#: signs of a reason
_MOST_REASON = 300
#: roles offered for a word
_MOST_NEAR = 4
#: parts of figures that are clothes, and what clothes are of
_CLOTHES = frozenset({"head", "torso", "arm", "leg", "gear", "cloak"})
_CLOTH = frozenset({"cloth", "leather", "feather", "rope", "metal", "plate", "paint"})
#: words that say nothing of which regiment is meant
_PLAIN_WORDS = frozenset({"the", "of", "regiment", "battalion", "company", "st", "nd", "rd", "th"})
_NUMBER = re.compile(r"(\d{1,3})")


@dataclass(frozen=True)
class WordUsed:
    """A colour word that a dress needs a role for, its target for every tier that wears it, and roles that are near."""

    colour: ColourWord
    metal: bool
    targets: tuple[tuple[str, Target], ...]
    #: (role id, CIEDE2000 off its word), the nearest first
    near: tuple[tuple[str, float], ...]
    #: the role it has; '' for none yet
    role: str = ""
    #: the point within its reach that was chosen, and those that were picked from pictures of it
    aim: Lab | None = None
    picked: tuple[Lab, ...] = ()

    @property
    def key(self) -> str:
        """What names it in a form."""
        return word_key(self.colour, metal=self.metal)

    @property
    def plainest(self) -> Target:
        """The target for rank and file."""
        return self.targets[0][1]

    @property
    def suggested(self) -> str:
        """The nearest role that is faithful to the word; '' for a new one."""
        return self.near[0][0] if self.near and self.near[0][1] <= self.plainest.radius else ""


@dataclass(frozen=True)
class Lost:
    """A cell of a dress that other rules win, in whole or in part, with those rules."""

    cell: DressCell
    rules: tuple[Rule, ...]
    #: areas of single figures where it wins and where it loses
    wins: int
    loses: int


def proposed_worn(army: Army, almanac: Almanac) -> tuple[tuple[str, Wearer], ...]:
    """Which formation would wear which regiment's dress, by number and name; the largest formation that is named so."""
    found: dict[str, Wearer] = {}
    for node in army.nodes.values():
        if node.id == army.root.id or any(above in found for above in army.paths[node.id][:-1]):
            continue
        scored = [(_alike(node, who), who) for who in almanac.regiments]
        best = max(scored, key=lambda one: one[0], default=(0, None))
        if best[1] is not None and best[0] >= 2 and sum(one[0] == best[0] for one in scored) == 1:
            found[node.id] = best[1]
    return tuple(found.items())


def _alike(node: Node, who: Wearer) -> int:
    """How much of a regiment's name and number a formation's name has."""
    words = set(fold(node.name).split()) - _PLAIN_WORDS
    number = _NUMBER.search(node.name)
    if number and who.number is not None and int(number[1]) != who.number:
        return 0
    arm = set(fold(who.arm).split()) - _PLAIN_WORDS
    shared = len(words & arm)
    if arm and shared < len(arm) and not (who.title and fold(who.title) == fold(node.name)):
        return 0
    same_number = 2 * bool(number and who.number is not None)
    return shared + same_number + 2 * bool(who.title and fold(who.title) in fold(node.name))


def proposed_ranks(army: Army, nodes: tuple[str, ...]) -> tuple[tuple[str, str], ...]:
    """What an almanac would call the ranks of some formations, by their names; privates are left out."""
    found = {}
    for node in nodes:
        for unit in army.nodes[node].walk():
            for rank in unit.ranks:
                said = rank_of(rank.name)
                if said and said != "private":
                    found[rank.id] = said
    return tuple(found.items())


def word_key(colour: ColourWord, *, metal: bool) -> str:
    """What names a colour word in a form."""
    return slug(f"{colour.words}{' metal' if metal else ''}", set())


def with_aims(dress: Dress, aims: Mapping[str, Lab | None]) -> Dress:
    """The dress with the painter's points for its colour words, by their keys; None for a word's middle again.

    Raises: OutOfRange, at 'aim-' and the key, for a point that its word does not reach.
    """
    kept = {(word, metal): lab for word, metal, lab in dress.aims}
    for colour, metal in {(cell.colour, cell.metal): None for cell in dress.cells}:
        key = word_key(colour, metal=metal)
        if key not in aims:
            continue
        kept.pop((colour, metal), None)
        point, aim = aims[key], target(colour, metal=metal)
        if point is not None:
            if aim.off(point) > aim.radius:
                raise OutOfRange(
                    f"{hex_of(point)} lies {aim.off(point):.0f} off '{colour.words}', which reaches {aim.radius:.0f}.",
                    f"aim-{key}",
                )
            kept[colour, metal] = point
    return replace(dress, aims=tuple((word, metal, lab) for (word, metal), lab in kept.items()))


def words_used(design: Design, resolution: Resolution, dress: Dress) -> tuple[WordUsed, ...]:
    """Every colour word a dress paints with, in the order of its cells, with roles that come near it of those that its
    formations wear on clothes."""
    tiers = tiers_worn(design.army, dress)
    clothes = _worn_on_clothes(design, resolution, dress)
    looks = [
        (role.id, _metallic(role), found.tones.flats)
        for role in design.scheme.roles
        if role.id in clothes and (found := design.scheme.predicted(role.recipe(tiers[0]))).coats
    ]
    used = []
    for colour, metal in {(cell.colour, cell.metal): None for cell in dress.cells}:
        targets = tuple((tier, dress.aimed(colour, GRADES[tier], metal=metal)) for tier in tiers)
        off = [(id_, targets[0][1].off(flats)) for id_, metallic, flats in looks if metallic == metal]
        near = tuple(sorted(off, key=lambda one: one[1])[:_MOST_NEAR])
        picked = tuple(
            dict.fromkeys(cell.verdict.fact.picked for cell in dress.cells if _pictured(cell, colour, metal))
        )
        role, aim = dress.role_of(colour, metal=metal), dress.aim(colour, metal=metal)
        used.append(WordUsed(colour, metal, targets, near, role, aim, picked))
    return tuple(used)


def _pictured(cell: DressCell, colour: ColourWord, metal: bool) -> bool:
    """Whether a cell of a colour word is told by a picture that the colour was picked from."""
    fact = cell.verdict.fact
    return (cell.colour, cell.metal) == (colour, metal) and fact is not None and fact.picked is not None


def _worn_on_clothes(design: Design, resolution: Resolution, dress: Dress) -> set[str]:
    """Roles on what the formations of a dress have on: of all but bases, skin and weapons."""
    units = {unit.id for node, _ in dress.worn if node in design.army.nodes for unit in design.army.nodes[node].walk()}
    return {
        cell.role
        for one in resolution.classes
        if one.unit in units
        for area, cell in one.cells.items()
        if cell.role and area.partition(".")[0] in _CLOTHES and one.plate.areas[area].material in _CLOTH
    }


def _metallic(role: Role) -> bool:
    base = role.recipe().base
    return bool(base and base.mix.film.flake is not None)


def tiers_worn(army: Army, dress: Dress) -> tuple[str, ...]:
    """Tiers of the figures that wear a dress, the plainest first."""
    worn = {
        rank.tier
        for node, _ in dress.worn
        if node in army.nodes
        for unit in army.nodes[node].walk()
        for rank in unit.ranks
    }
    return tuple(tier for tier in _TIERS if tier in worn) or _TIERS[:1]


def with_dress(
    design: Design,
    resolution: Resolution,
    dress: Dress,
    chosen: Mapping[str, str],
    mixes: Mapping[str, Mapping[str, tuple[tuple[Paint, float], ...]]],
    reasons: Mapping[str, str] = MappingProxyType({}),
) -> Design:
    """The design with a dress put on. chosen: key of a word to the role it is painted by, '' for a new one; mixes: key of a
    word to the paints of each tier's base, for those that are new; reasons: key of a word to why just that colour.

    Raises: what ``checked_dress`` refuses; Contradiction for a new role without a mix; UnknownName for a role.
    """
    checked_dress(replace(dress, roles=()), design.army.nodes, design.scheme.role_by_id)
    scheme, roles = design.scheme, [one for one in dress.roles if one.tone]
    for word in words_used(design, resolution, dress):
        role = chosen.get(word.key, word.role or word.suggested)
        if role:
            scheme.role(role, word.key)
        else:
            made = new_role(
                design,
                scheme,
                word.colour.words,
                word.key,
                mixes.get(word.key, {}),
                tuple(tier for tier, _ in word.targets),
            )
            scheme, role = scheme.with_role(made), made.id
        why = reasons.get(word.key, dress.why(word.colour, metal=word.metal)).strip()[:_MOST_REASON]
        roles.append(DressRole(word.colour, word.metal, role, why=why))
    worn = replace(dress, roles=tuple(roles))
    return with_scheme(design, replace(scheme, dress=worn))


def new_role(
    design: Design,
    scheme: Scheme,
    words: str,
    key: str,
    mixes: Mapping[str, tuple[tuple[Paint, float], ...]],
    tiers: tuple[str, ...],
) -> Role:
    """A role for a colour word, not yet in the scheme: each tier's base is its mix, or that of the tier before it, with what
    the method lays over it.

    Raises: Contradiction at ``key`` without a mix.
    """
    if not mixes:
        raise Contradiction(
            f"There is no mix for '{words}' yet; choose a role for it, or wait until one is worked out.", key
        )
    taken = {role.name.casefold() for role in scheme.roles}
    name = f"{words.capitalize()} cloth"
    name = next(one for one in (name, *(f"{name} {at}" for at in range(2, 99))) if one.casefold() not in taken)
    role = Role(slug(f"dress-{words}", scheme.role_by_id), name)
    method = design.brief.method if design.brief else USUAL_METHOD
    parts = next(iter(mixes.values()))
    for tier in tiers:
        parts = mixes.get(tier, parts)
        role = role.with_recipe(tier, started_mix(parts, tier, method))
    return role


def without_dress(design: Design) -> Design:
    """The design without its dress; roles that were made for it stay."""
    return with_scheme(design, replace(design.scheme, dress=None))


def with_departure(design: Design, key: str, reason: str) -> Design:
    """The design with one cell of its dress left to other rules, for a reason; '' gives it back to the dress.

    Raises: Contradiction without a dress or such a cell.
    """
    dress, cell = _cell(design, key)
    spot = (cell.node, cell.rank, cell.garment)
    kept = tuple(one for one in dress.departures if (one.node, one.rank, one.garment) != spot)
    left = (*kept, Departure(*spot, reason.strip())) if reason.strip() else kept
    return with_scheme(design, replace(design.scheme, dress=replace(dress, departures=left)))


def with_cells_first(design: Design, keys: tuple[str, ...], *, first: bool = True) -> Design:
    """The design with cells of its dress worn before the written rules of their rung, or after them again.

    Raises: Contradiction without a dress or such a cell.
    """
    dress = design.scheme.dress
    for key in keys:
        dress, _ = _cell(design, key)
    if dress is None:
        raise Contradiction("Nothing wears a dress yet; put one on first.", "cell")
    kept = tuple(key for key in dress.first if key not in keys)
    return with_scheme(design, replace(design.scheme, dress=replace(dress, first=(*kept, *keys) if first else kept)))


def _cell(design: Design, key: str) -> tuple[Dress, DressCell]:
    dress = design.scheme.dress
    cell = next((one for one in dress.cells if one.key == key), None) if dress else None
    if dress is None or cell is None:
        raise Contradiction(f"No dress of the army has a cell '{key}'.", "cell")
    return dress, cell


def lost_cells(design: Design, resolution: Resolution) -> tuple[Lost, ...]:
    """Cells of the dress that other rules win somewhere, in the order of the dress; those left to other rules are no loss."""
    dress = design.scheme.dress
    if dress is None:
        return ()
    return tuple(
        lost for cell in dress.cells if not dress.departure(cell) and (lost := _lost(design, resolution, dress, cell))
    )


def _lost(design: Design, resolution: Resolution, dress: Dress, cell: DressCell) -> Lost | None:
    role = dress.role_of(cell.colour, metal=cell.metal)
    wins, loses, rules = 0, 0, {}
    for ordinals, winner in _winners(design, resolution, dress, cell):
        if winner is not None and winner.made_by == MADE_BY:
            wins += ordinals
        else:
            loses += ordinals
            # what is painted so already by another rule is no loss
            if winner is not None and winner.role != role:
                rules[winner.id] = winner
    return Lost(cell, tuple(rules.values()), wins, loses) if rules else None


def _winners(
    design: Design, resolution: Resolution, dress: Dress, cell: DressCell
) -> Iterator[tuple[int, Rule | None]]:
    """The rule that wins on every area a cell speaks of, with the number of figures."""
    if cell.node not in design.army.nodes:
        return
    ranks = {id_ for id_, said in dress.ranks if said == cell.rank} if cell.rank else set()
    units = {unit.id for unit in design.army.nodes[cell.node].walk()}
    for one in resolution.classes:
        if one.unit in units and (not ranks or one.rank in ranks):
            for area in areas_named(one.plate, garments()[cell.garment].select):
                yield len(one.ordinals), one.cells[area].rule
