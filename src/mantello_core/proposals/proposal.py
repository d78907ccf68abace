"""Schemes proposed for a brief: harmonies and contrasts computed for an army's formations, then inspected."""

import tomllib
from dataclasses import dataclass, replace
from functools import cache
from importlib.resources import files
from itertools import combinations

from ..army.figure_filter import Filter
from ..army.tree import Army, Node, Rank
from ..checks.finding import Check, checked
from ..checks.harmony import Harmony, harmony_of, hue_apart
from ..checks.inspect import inspect
from ..colour.acuity import seen_difference
from ..colour.difference import difference
from ..colour.spaces import Lab
from ..colour.vision import SIGHTS, seen_by
from ..design.brief import ACCURACIES, GENRES, Brief, checked_brief
from ..design.design import Design
from ..errors import OutOfRange
from ..film.ground import Ground
from ..film.prediction import predicted
from ..memory import remembered
from ..mixing.starting import started
from ..mixing.undercoat import undercoats
from ..naming import named, slug
from ..paints.paint import Paint
from ..paints.range import paint, paints
from ..scheme.aim import with_accepted
from ..scheme.cascade import resolve
from ..scheme.rule import Column, Distinction, Rule
from ..scheme.scheme import Role, Scheme

#: schools of harmony: id to title, and the hue steps from the field that its marks look for, degrees
SCHOOLS = {
    "opposite": ("Near hues, one opposite", (180, 20, -20, 40)),
    "contrast": ("Strong contrasts", (120, 180, -120, 60)),
    "split": ("Split opposites", (150, -150, 180, 0)),
    "triad": ("Three hues", (120, -120, 60, -60)),
    "near": ("Near hues", (25, -25, 45, -45)),
}
#: mm that a mark is taken to be wide on a 28 mm figure
MARK_MM = 3.0
#: most proposals asked for at once, and how many candidates are inspected for each
MOST, TRIED = 6, 2
#: lightness that pale cloth keeps below, so that lights still show; less with every level of dirt
PALEST, DIRT_STEP = 90.0, 5.0
#: colours picked by the painter that may seed the search
MOST_SEEDS = 8
#: the paint that faces and hands start from
FLESH = "harbour-rose"
_UNITS = {"drill": (("Sergeant", "sergeant", 1, "leader"), ("Fusilier", "fusilier", 9, "rank")), "houses": (("Captain", "captain", 1, "leader"), ("Knight", "knight", 5, "rank")), "marsh": (("Warden", "warden", 1, "leader"), ("Ranger", "ranger", 7, "rank")), "guard": (("Captain", "captain", 1, "leader"), ("Guard", "sluicer", 7, "rank"))}  # fmt: skip
_FORMATION = {"drill": "company", "houses": "house", "marsh": "band", "guard": "watch"}


@dataclass(frozen=True)
class Proposal:
    """One scheme, what it looks like in words, and what the checks say."""

    title: str
    school: str
    #: why these colours, a sentence each, with the numbers they rest on
    reasons: tuple[str, ...]
    design: Design
    checks: tuple[Check, ...]
    harmony: Harmony

    @property
    def wrong(self) -> int:
        """Checks that found something wrong."""
        return sum(check.verdict == "wrong" for check in self.checks)

    @property
    def findings(self) -> int:
        """How many single findings there are."""
        return sum(len(check.findings) for check in self.checks)

    @property
    def looks(self) -> int:
        """Checks that ask for a look."""
        return sum(check.verdict == "look" for check in self.checks)


@dataclass(frozen=True)
class _Palette:
    """Paints for the parts a scheme is made of."""

    school: str
    field: str
    #: one for each formation; for two large colours, pairs follow each other
    marks: tuple[str, ...]
    cloth: str
    undercoat: str
    score: float
    apart: float
    beside: float


def army_for_brief(name: str, brief: Brief, formations: tuple[str, ...]) -> Army:
    """An army to start from: each formation with one unit of the genre's usual figures.

    Raises: what ``checked_brief`` refuses; OutOfRange for a bad name.
    """
    brief = checked_brief(brief)
    taken: set[str] = {"army"}
    children = []
    for title in formations:
        id_ = slug(title, taken)
        taken |= {id_, f"{id_}-line"}
        ranks = tuple(Rank(slug(rank[0]), *rank) for rank in _UNITS[brief.genre])
        unit = Node(f"{id_}-line", "unit", "Line", ranks=ranks)
        children.append(Node(id_, _FORMATION[brief.genre], title, (unit,)))
    return Army(Node("army", "army", named(name), tuple(children)))


def proposals(army: Army, brief: Brief, seeds: tuple[Lab, ...] = (), count: int = MOST) -> tuple[Proposal, ...]:
    """Schemes for an army's formations, the soundest first: same question, same answer.

    Fields and marks are chosen among the paints by how far they stand apart where they are seen from, for
    every sight; by how their hues lie to each other in the school; by the span of lightness; and by the coats
    they ask for. The best of every school are made into whole schemes and inspected; those with fewest
    findings are given, no two with the same field unless there are too few.
    seeds: colours picked by the painter; the first leads the field, each other one a mark.
    Raises: what ``checked_brief`` refuses; OutOfRange for count, seeds, or an army without figures.
    """
    brief = checked_brief(brief)
    if not 1 <= count <= MOST:
        raise OutOfRange(f"{count} proposals; allowed is 1 to {MOST}.", "count")
    if len(seeds) > MOST_SEEDS:
        raise OutOfRange(f"{len(seeds)} picked colours; allowed are up to {MOST_SEEDS}.", "seeds")
    if not army.figures:
        raise OutOfRange("The army has no figures to dress yet.", "army")
    told = _told_apart(army)
    made = []
    for school in SCHOOLS:
        palettes = sorted(_palettes(brief, school, max(len(told), 1), seeds), key=lambda one: -one.score)
        made += [_proposal(army, brief, palette, told) for palette in palettes[:TRIED]]
    made.sort(key=lambda pair: (pair[0].wrong, pair[0].looks, pair[0].findings, -pair[1].score))
    return tuple(proposal for proposal, _ in _varied(made, count))


def _varied(made: list, count: int) -> list:
    """The first ones of different fields, then of different schools, then whatever is left."""
    chosen: list = []
    for rule in (
        lambda pair: (
            pair[1].field not in {one.field for _, one in chosen}
            and pair[1].school not in {one.school for _, one in chosen}
        ),
        lambda pair: pair[1].field not in {one.field for _, one in chosen},
        lambda pair: pair[1].marks not in {one.marks for _, one in chosen},
    ):
        for pair in made:
            if len(chosen) < count and pair not in chosen and rule(pair):
                chosen.append(pair)
    return chosen


def _told_apart(army: Army) -> tuple[Node, ...]:
    """The formations that a table tells apart: the shallowest level with several of one kind."""
    level = [child for child in army.root.children if not child.is_unit]
    while len(level) == 1:
        level = [child for child in level[0].children if not child.is_unit]
    return tuple(level)


@cache
def _template() -> dict:
    return tomllib.loads((files(__package__) / "data" / "starting.toml").read_text(encoding="utf-8"))


@remembered(3_000)
def _seen(paint_id: str, undercoat: str, method: str) -> Lab:
    return predicted(started(paint(paint_id), "rank", method), Ground(paint(undercoat))).apparent


@remembered(2_000)
def _coats(paint_id: str, undercoat: str, method: str) -> int:
    return sum(
        outcome.coats
        for outcome in predicted(started(paint(paint_id), "rank", method), Ground(paint(undercoat))).outcomes
    )


@remembered(6_000)
def _far(one: Lab, other: Lab, width: float, metres: float) -> float:
    """What is left of a difference where it is seen from, by the weakest sight."""
    found = [seen_difference(one, other, width, metres)]
    found += [1.5 * seen_difference(seen_by(one, sight), seen_by(other, sight), width, metres) for sight in SIGHTS]
    return min(found)


def _palettes(brief: Brief, school: str, formations: int, seeds: tuple[Lab, ...]):
    """A palette for every field that the genre and the accuracy allow."""
    genre, most_chroma = GENRES[brief.genre], ACCURACIES[brief.accuracy][1]
    cloths = [pot for pot in paints().values() if pot.kind == "acrylic" and pot.film.opacity != "transparent"]
    tame = [pot for pot in cloths if pot.swatch.chroma <= most_chroma]
    fields = [
        pot
        for pot in tame
        if genre.lightness[0] <= pot.swatch.lightness <= genre.lightness[1]
        and genre.chroma[0] <= pot.swatch.chroma <= genre.chroma[1]
    ]
    if seeds:
        fields = sorted(cloths, key=lambda pot: difference(pot.swatch, seeds[0]))[:3]
    for field in fields:
        yield _palette(
            brief, school, formations * (2 if genre.two_colours else 1), field, cloths if seeds else tame, seeds
        )


def _palette(
    brief: Brief, school: str, count: int, field: Paint, cloths: list[Paint], seeds: tuple[Lab, ...]
) -> _Palette:
    undercoat = min(undercoats(), key=lambda pot: (_coats(field.id, pot.id, brief.method), pot.id)).id
    width, metres = MARK_MM * brief.scale, brief.metres
    seen = {pot.id: _seen(pot.id, undercoat, brief.method) for pot in cloths}
    own = seen.get(field.id) or _seen(field.id, undercoat, brief.method)
    cloth = _cloth(brief, cloths, seen, own)
    pairs = GENRES[brief.genre].two_colours
    chosen: list[str] = [field.id] if pairs else []
    pool = [pot.id for pot in cloths if pot.id not in (field.id, cloth)]
    around = tuple(_seen(id_, undercoat, brief.method) for id_ in (FLESH, cloth))
    for seed in seeds[1:]:
        if len(chosen) < count and pool:
            chosen.append(min(pool, key=lambda id_: difference(seen[id_], seed)))
            pool.remove(chosen[-1])
    while len(chosen) < count and pool:
        how = school, width, metres, pairs
        best = max(pool, key=lambda id_: _worth(id_, chosen, seen, own, how, around))
        chosen.append(best)
        pool.remove(best)
    while len(chosen) < count:
        chosen.append(chosen[len(chosen) % max(1, len(set(chosen)))])
    kept = list(dict.fromkeys(chosen))
    apart = min((_far(seen[a], seen[b], width, metres) for a, b in combinations(kept, 2)), default=40.0)
    beside = min((difference(own, seen[id_]) for id_ in kept if id_ != field.id), default=40.0)
    span = max(seen[id_].lightness for id_ in (*kept, cloth)) - min(
        own.lightness, *(seen[id_].lightness for id_ in kept)
    )
    coats = sum(_coats(id_, undercoat, brief.method) for id_ in {field.id, cloth, *kept}) / len(
        {field.id, cloth, *kept}
    )
    fit = sum(_fit(own, seen[id_], school) for id_ in kept) / max(len(kept), 1)
    score = min(apart, 30) / 10 + min(beside, 30) / 20 + fit + min(span, 50) / 50 - 0.15 * coats
    return _Palette(school, field.id, tuple(chosen), cloth, undercoat, score, apart, beside)


def _worth(
    id_: str,
    chosen: list[str],
    seen: dict[str, Lab],
    own: Lab,
    how: tuple,
    around: tuple[Lab, ...],
) -> float:
    """What a paint is worth as the next mark: apart from the others and from what it touches, in the school."""
    school, width, metres, pairs = how
    colour = seen[id_]
    apart = min((_far(colour, seen[one], width, metres) for one in chosen), default=40.0)
    beside = min(difference(colour, one) for one in (own if not pairs else seen[chosen[-1]], *around))
    return min(apart, 30) / 10 + min(beside, 30) / 15 + _fit(own, colour, school)


def _fit(own: Lab, colour: Lab, school: str) -> float:
    """How well a hue lies to the field's in a school: 1 where the school looks for it, 0 a quarter turn off."""
    if own.chroma < 10 or colour.chroma < 10:
        return 0.35
    off = min(hue_apart((own.hue + step) % 360, colour.hue) for step in SCHOOLS[school][1])
    return max(0.0, 1 - off / 90)


def _cloth(brief: Brief, cloths: list[Paint], seen: dict[str, Lab], own: Lab) -> str:
    """Pale cloth for shirts and breeches: quiet, well off the field, not too pale for lights or for dirt."""
    palest = PALEST - DIRT_STEP * brief.dirt
    quiet = [pot for pot in cloths if seen[pot.id].chroma < 32 and 45 < seen[pot.id].lightness <= palest]
    quiet = quiet or [pot for pot in cloths if seen[pot.id].chroma < 32] or cloths
    return max(quiet, key=lambda pot: min(difference(seen[pot.id], own), 35) + 0.2 * seen[pot.id].lightness).id


def _proposal(army: Army, brief: Brief, palette: _Palette, told: tuple[Node, ...]) -> tuple[Proposal, _Palette]:
    design = Design(army, _scheme(army, brief, palette, told), brief=brief)
    resolution = resolve(army, design.scheme)
    checks = inspect(design, resolution)
    design = _for_figures_to_come(design, checks)
    checks = tuple(checked(check, design.scheme.aims) for check in checks)
    harmony = harmony_of(design, resolution)
    field = paint(palette.field)
    title = f"{field.name}, {SCHOOLS[palette.school][0].lower()}"
    return Proposal(title, palette.school, _reasons(brief, palette, harmony), design, checks, harmony), palette


def _for_figures_to_come(design: Design, checks: tuple[Check, ...]) -> Design:
    """Rules and roles that no figure needs yet are kept for those to come, and their findings accepted."""
    aims = design.scheme.aims
    for check in checks:
        for finding in check.findings if check.id == "dead" else ():
            aims = with_accepted(aims, check.id, finding.key, "Kept for figures to come.")
    return replace(design, scheme=replace(design.scheme, aims=aims))


def _reasons(brief: Brief, palette: _Palette, harmony: Harmony) -> tuple[str, ...]:
    marks = [paint(id_).name for id_ in dict.fromkeys(palette.marks)]
    listed = ", ".join(marks[:-1]) + f" and {marks[-1]}" if len(marks) > 1 else marks[0]
    return (
        f"{listed} stand {palette.apart:.0f} apart (CIEDE2000) seen from {brief.metres:g} m, by the weakest sight."
        if len(marks) > 1
        else f"{listed} is the mark.",
        f"Marks stand at least {palette.beside:.0f} off {paint(palette.field).name}.",
        f"By area: {harmony.relation}; {harmony.temperature}.",
        f"{paint(palette.undercoat).name} asks for the fewest coats of the main cloth.",
    )


def _scheme(army: Army, brief: Brief, palette: _Palette, told: tuple[Node, ...]) -> Scheme:
    root, template = army.root.id, _template()
    rules = [
        Rule(f"start-{at:02}", root, tuple(one["select"]), one["role"]) for at, one in enumerate(template["rule"], 1)
    ]
    rules += [
        Rule(f"bind-{at:02}", root, tuple(one["select"]), one["role"], Filter(), binding=True)
        for at, one in enumerate(template["binding"], 1)
    ]
    roles = list(_common_roles(brief, palette))
    tables: tuple[Distinction, ...] = ()
    taken = {role.id for role in roles}
    if told:
        made, table = _distinction(brief, palette, told, taken)
        roles += made
        tables = (table,)
    return Scheme(
        f"{paint(palette.field).name} scheme", tuple(roles), tuple(rules), tables, Ground(paint(palette.undercoat))
    )


def _distinction(brief: Brief, palette: _Palette, told: tuple[Node, ...], taken: set[str]):
    pairs = GENRES[brief.genre].two_colours
    areas = _template()["colours" if pairs else "marks"]
    columns = tuple(Column(id_, id_.capitalize(), tuple(select)) for id_, select in areas.items())
    roles, cells = [], []
    for at, node in enumerate(told):
        for number, column in enumerate(columns):
            paint_id = palette.marks[(at * len(columns) + number) % len(palette.marks)]
            title = f"{node.name.split(',')[0]} {column.name.lower()}"[:80]
            role = _role(slug(title, taken), title, paint_id, brief.method)
            taken.add(role.id)
            roles.append(role)
            cells.append((node.id, column.id, role.id))
    return roles, Distinction("formations", "Formations", told[0].kind, columns, tuple(cells))


def _role(id_: str, name: str, paint_id: str, method: str) -> Role:
    return Role(id_, name, tuple((tier, started(paint(paint_id), tier, method)) for tier in ("rank", "leader")))


def _common_roles(brief: Brief, palette: _Palette):
    """What every figure shares: the field, pale cloth, and materials chosen to stand off the field."""
    own = paint(palette.field).swatch

    cool = own.chroma >= 10 and 110 <= own.hue <= 330
    trim = "lamp-brass" if cool or own.chroma < 10 else "bright-rivet"
    near = [own, paint(trim).swatch, paint(palette.cloth).swatch]

    def off(*known: str) -> str:
        return max(known, key=lambda id_: min(min(difference(paint(id_).swatch, one) for one in near), 25))

    chosen = {
        "field": ("Field", palette.field), "cloth": ("Pale cloth", palette.cloth), "mark": ("Mark", palette.marks[-1]),
        "belts": ("Belting", off("sailcloth", "gull-white", "saddle-tan")), "leather": ("Leather", off("eel-brown", "saddle-tan")),
        "dark": ("Blacking", off("pitch-barrel", "roof-slate")), "trim": ("Trim metal", trim),
        "arms": ("Arms metal", "ferry-steel"), "timber": ("Timber", off("pier-oak", "saddle-tan")), "flesh": ("Flesh", FLESH),
        "hair": ("Hair", "mudflat"), "hide": ("Hide", off("saddle-tan", "mudflat")), "glass": ("Glass", "lantern-yellow"),
        "water": ("Water", "deep-channel"), "ground": ("Ground", "mudflat"), "rim": ("Rim", "pitch-barrel"),
    }  # fmt: skip
    for id_, (name, paint_id) in chosen.items():
        yield _role(id_, name, paint_id, brief.method)


def with_proposal(design: Design, proposal: Proposal) -> Design:
    """The design with a proposal's scheme and brief in place of its own."""
    return replace(design, scheme=proposal.design.scheme, brief=proposal.design.brief)
