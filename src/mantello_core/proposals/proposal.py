"""Schemes proposed for a brief: harmonies and contrasts computed for an army's formations, then inspected."""

from dataclasses import dataclass, replace
from functools import cache
from itertools import cycle

from ..army.figure_filter import Filter
from ..army.tree import Army, Node, Rank
from ..checks.finding import Check, checked
from ..checks.harmony import Harmony, harmony_of
from ..checks.inspect import inspect
from ..checks.look import Look, looks_at
from ..colour.difference import difference
from ..colour.spaces import Lab
from ..data_table import data_table
from ..design.brief import GENRES, Brief, checked_brief
from ..design.design import Design
from ..errors import OutOfRange
from ..film.ground import Ground
from ..mixing.starting import started
from ..naming import named, slug
from ..paints.range import paint
from ..scheme.aim import with_accepted
from ..scheme.cascade import resolve
from ..scheme.rule import Column, Distinction, Rule
from ..scheme.scheme import Role, Scheme
from .palette import FLESH, SCHOOLS, Palette, palettes_for
from .plain_words import plain_words

#: most proposals asked for at once, and how many candidates are inspected for each
MOST, TRIED = 6, 2
#: colours picked by the painter that may seed the search
MOST_SEEDS = 8
_UNITS = {"drill": (("Sergeant", "sergeant", 1, "leader"), ("Fusilier", "fusilier", 9, "rank")), "houses": (("Captain", "captain", 1, "leader"), ("Knight", "knight", 5, "rank")), "marsh": (("Warden", "warden", 1, "leader"), ("Ranger", "ranger", 7, "rank")), "guard": (("Captain", "captain", 1, "leader"), ("Guard", "sluicer", 7, "rank"))}  # fmt: skip
_FORMATION = {"drill": "company", "houses": "house", "marsh": "band", "guard": "watch"}
#: roles that every figure shares
_COMMON = (
    "field", "cloth", "mark", "belts", "leather", "dark", "trim", "arms", "timber", "flesh", "hair", "hide", "glass", "water",
    "ground", "rim",
)  # fmt: skip


@dataclass(frozen=True)
class _Layout:
    """What lies where, the same in every scheme for an army and a brief, so that it is resolved once."""

    rules: tuple[Rule, ...]
    tables: tuple[Distinction, ...]
    #: id and name of the role of every mark, formation by formation
    marks: tuple[tuple[str, str], ...]


@dataclass(frozen=True)
class Proposal:
    """One scheme, what it looks like in words, and what the checks say."""

    title: str
    school: str
    #: what it is like, in short sentences without numbers
    plain: tuple[str, ...]
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


def checked_question(army: Army, brief: Brief, seeds: tuple[Lab, ...]) -> Brief:
    """The brief, if schemes can be proposed for it: to be asked before the work is begun.

    Raises: what ``checked_brief`` refuses; OutOfRange for seeds, or an army without figures.
    """
    brief = checked_brief(brief)
    if len(seeds) > MOST_SEEDS:
        raise OutOfRange(f"{len(seeds)} picked colours; allowed are up to {MOST_SEEDS}.", "seeds")
    if not army.figures:
        raise OutOfRange("The army has no figures to dress yet.", "army")
    return brief


def proposals(army: Army, brief: Brief, seeds: tuple[Lab, ...] = (), count: int = MOST) -> tuple[Proposal, ...]:
    """Schemes for an army's formations, the soundest first: same question, same answer.

    Fields and marks are chosen among the paints by how far they stand apart where they are seen from, for
    every sight; by how their hues lie to each other in the school; by the span of lightness; and by the coats
    they ask for. The best of every school are made into whole schemes and inspected; those with fewest
    findings are given, no two with the same field unless there are too few.
    seeds: colours picked by the painter; the first leads the field, each other one a mark.
    Raises: what ``checked_brief`` refuses; OutOfRange for count, seeds, or an army without figures.
    """
    brief = checked_question(army, brief, seeds)
    if not 1 <= count <= MOST:
        raise OutOfRange(f"{count} proposals; allowed is 1 to {MOST}.", "count")
    told = _told_apart(army)
    layout = _layout(army, brief, told)
    palettes: list[Palette] = []
    for school in SCHOOLS:
        found = sorted(palettes_for(brief, school, max(len(told), 1), seeds), key=lambda one: -one.score)
        palettes += found[:TRIED]
    designs = [Design(army, _scheme(brief, palette, layout), brief=brief) for palette in palettes]
    looks = looks_at((design, resolve(army, design.scheme)) for design in designs)
    made = [_proposal(brief, palette, look) for palette, look in zip(palettes, looks, strict=True)]
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
    return data_table(__package__, "starting")


def _proposal(brief: Brief, palette: Palette, look: Look) -> tuple[Proposal, Palette]:
    design, resolution = look.design, look.resolution
    checks = inspect(design, resolution, look)
    design = _for_figures_to_come(design, checks)
    checks = tuple(checked(check, design.scheme.aims) for check in checks)
    harmony = harmony_of(design, resolution)
    field = paint(palette.field)
    title = f"{field.name}, {SCHOOLS[palette.school][0].lower()}"
    said = plain_words(palette, harmony), _reasons(brief, palette, harmony)
    return Proposal(title, palette.school, *said, design, checks, harmony), palette


def _for_figures_to_come(design: Design, checks: tuple[Check, ...]) -> Design:
    """Rules and roles that no figure needs yet are kept for those to come, and their findings accepted."""
    aims = design.scheme.aims
    for check in checks:
        for finding in check.findings if check.id == "dead" else ():
            aims = with_accepted(aims, check.id, finding.key, "Kept for figures to come.")
    return replace(design, scheme=replace(design.scheme, aims=aims))


def _reasons(brief: Brief, palette: Palette, harmony: Harmony) -> tuple[str, ...]:
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


def _layout(army: Army, brief: Brief, told: tuple[Node, ...]) -> _Layout:
    root, template = army.root.id, _template()
    rules = [
        Rule(f"start-{at:02}", root, tuple(one["select"]), one["role"]) for at, one in enumerate(template["rule"], 1)
    ]
    rules += [
        Rule(f"bind-{at:02}", root, tuple(one["select"]), one["role"], Filter(), binding=True)
        for at, one in enumerate(template["binding"], 1)
    ]
    if not told:
        return _Layout(tuple(rules), (), ())
    areas = template["colours" if GENRES[brief.genre].two_colours else "marks"]
    columns = tuple(Column(id_, id_.capitalize(), tuple(select)) for id_, select in areas.items())
    taken, marks, cells = set(_COMMON), [], []
    for node in told:
        for column in columns:
            title = f"{node.name.split(',')[0]} {column.name.lower()}"[:80]
            role = slug(title, taken)
            taken.add(role)
            marks.append((role, title))
            cells.append((node.id, column.id, role))
    table = Distinction("formations", "Formations", told[0].kind, columns, tuple(cells))
    return _Layout(tuple(rules), (table,), tuple(marks))


def _scheme(brief: Brief, palette: Palette, layout: _Layout) -> Scheme:
    marks = cycle(palette.marks)
    roles = [*_common_roles(brief, palette), *(_role(*role, next(marks), brief.method) for role in layout.marks)]
    name = f"{paint(palette.field).name} scheme"
    return Scheme(name, tuple(roles), layout.rules, layout.tables, Ground(paint(palette.undercoat)))


def _role(id_: str, name: str, paint_id: str, method: str) -> Role:
    return Role(id_, name, tuple((tier, started(paint(paint_id), tier, method)) for tier in ("rank", "leader")))


def _common_roles(brief: Brief, palette: Palette):
    """What every figure shares: the field, pale cloth, and materials chosen to stand off the field."""
    own = paint(palette.field).swatch

    cool = own.chroma >= 10 and 110 <= own.hue <= 330
    trim = "lamp-brass" if cool or own.chroma < 10 else "bright-rivet"
    near = [own, paint(trim).swatch, paint(palette.cloth).swatch]

    def off(*known: str) -> str:
        return max(known, key=lambda id_: min(min(difference(paint(id_).swatch, one) for one in near), 25))

    chosen = (
        ("Field", palette.field), ("Pale cloth", palette.cloth), ("Mark", palette.marks[-1]),
        ("Belting", off("sailcloth", "gull-white", "saddle-tan")), ("Leather", off("eel-brown", "saddle-tan")),
        ("Blacking", off("pitch-barrel", "roof-slate")), ("Trim metal", trim), ("Arms metal", "ferry-steel"),
        ("Timber", off("pier-oak", "saddle-tan")), ("Flesh", FLESH), ("Hair", "mudflat"), ("Hide", off("saddle-tan", "mudflat")),
        ("Glass", "lantern-yellow"), ("Water", "deep-channel"), ("Ground", "mudflat"), ("Rim", "pitch-barrel"),
    )  # fmt: skip
    for id_, (name, paint_id) in zip(_COMMON, chosen, strict=True):
        yield _role(id_, name, paint_id, brief.method)


def with_proposal(design: Design, proposal: Proposal) -> Design:
    """The design with a proposal's scheme and brief in place of its own."""
    return replace(design, scheme=proposal.design.scheme, brief=proposal.design.brief)
