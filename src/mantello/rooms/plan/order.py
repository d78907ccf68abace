"""The order of work: every step of one rank's figures by phase and evening, what it waits for, and what gave way."""

from collections import defaultdict
from dataclasses import dataclass
from functools import cached_property

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.utils import timezone
from django.views.decorators.http import require_safe

from mantello.shell.download import drawing
from mantello.workspace.page import army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.calendar.session import Session
from mantello_core.colour.spaces import Lab
from mantello_core.formats.drawing import plate_svg
from mantello_core.order.figure_order import order_of, own_rules
from mantello_core.order.mending import Move
from mantello_core.order.node import Node
from mantello_core.order.pairs import GROUNDS
from mantello_core.order.phases import PhaseList, method_phases, phase_list, usual_phases
from mantello_core.order.reference import reference_of
from mantello_core.order.rules import LEVEL_WORDS, every_rule
from mantello_core.order.subject import of_pass, subject_of
from mantello_core.planning.chain_batch import chain_batch
from mantello_core.planning.compiling import RankSheet
from mantello_core.scheme.work_order import MOST_REASON, SWITCHES, Moved, OwnRule, Phase

from .evening import Evening
from .painters import can_plan, painter_in_hand

#: what the page asks for to see the whole army's order
WHOLE = "army"
#: sentences shown of what a step waits for, and of one rule that gave way
_MOST_WAITS, _MOST_PAIRS = 6, 4


@dataclass(frozen=True)
class StepRow:
    """One step of the order as its row shows it."""

    number: int
    node: Node
    #: as own rules name it; '' for what cannot be moved
    what: str
    figures: int
    coats: int
    minutes: float
    colour: Lab | None
    #: why it stands after the one before it
    reason: str
    #: whether the one above it in its phase stands there for the same reason
    again: bool
    waits: tuple[tuple[str, str], ...]
    before: tuple[tuple[str, str], ...]
    moved: Move | None
    session: Session | None
    #: place of the session in the plan
    evening: int | None


@dataclass(frozen=True)
class Band:
    """One phase with its steps."""

    place: int
    phase: Phase
    note: str
    rows: tuple[StepRow, ...]

    @property
    def seen(self) -> bool:
        """Whether the figure looks otherwise after it."""
        return any(row.node.sort == "step" or row.node.kind.startswith("undercoat") for row in self.rows)


class OrderOf:
    """The order of one rank's figures, with the plan's evenings."""

    def __init__(self, evening: Evening, sheet: RankSheet):
        self.evening, self.sheet = evening, sheet
        self.reading: Reading = evening.reading
        self.phases: PhaseList = phase_list(self.reading.design)

    @cached_property
    def _passes(self) -> dict:
        return {of_pass(one.id).text: one for each in self.sheet.classes for one in each.passes}

    @cached_property
    def bands(self) -> tuple[Band, ...]:
        """Every phase that has work or could be moved, in order."""
        rows: dict[int, list[StepRow]] = defaultdict(list)
        for row in self._rows():
            rows[row.node.phase].append(row)
        notes = usual_phases()
        return tuple(
            Band(at, phase, notes[phase.usual], tuple(rows[at])) for at, phase in enumerate(self.phases.phases)
        )

    def _rows(self):
        arranged, names = self.sheet.arranged, {node.id: node.name for node in self.sheet.arranged.line}
        atoms = {row.node: row.atom for row in self.sheet.rows}
        evenings = self._evenings()
        into, out = defaultdict(dict), defaultdict(dict)
        for bond in sorted(arranged.bonds, key=lambda one: one.rank):
            into[bond.after].setdefault(names[bond.before], bond.rule.because)
            out[bond.before].setdefault(names[bond.after], bond.rule.because)
        reasons = ("", *arranged.reasons)
        above = None
        for number, (node, reason) in enumerate(zip(arranged.line, reasons, strict=True), 1):
            atom = atoms[node.id]
            at = evenings.get(atom.id)
            again, above = (node.phase, reason) == above, (node.phase, reason)
            yield StepRow(
                number, node, reference_of(node), len(atom.ordinals), atom.coats, atom.seconds * len(atom.ordinals) / 60,
                self._colour(node), reason, again, tuple(into[node.id].items())[:_MOST_WAITS],
                tuple(out[node.id].items())[:_MOST_WAITS], arranged.moved.get(node.id),
                self.evening.plan.sessions[at] if at is not None else None, at,
            )  # fmt: skip

    def _evenings(self) -> dict[str, int]:
        """The first session in which each atom is painted."""
        found: dict[str, int] = {}
        for block in self.evening.plan.blocks:
            for atom in block.task.atoms:
                found.setdefault(atom.id, block.session)
        return found

    def _colour(self, node: Node) -> Lab | None:
        if node.kind in GROUNDS:
            return self.reading.undercoat
        if node.owner in self._passes:
            return self._passes[node.owner].step.mix.film.masstone
        if node.sort != "step":
            laid = (self.reading.laid_by(one, subject_of(node.owner).piece) for one in self.sheet.classes)
            return next((colour for colour in laid if colour), None)
        tier = self.sheet.classes[0].tier
        return self.reading.prediction(node.owner, tier).outcome(node.id.split("|")[1]).after

    @property
    def gave_way(self) -> list[tuple]:
        """Rules that gave way: the rule, how often, and some pairs with the way out."""
        found: dict[str, list] = defaultdict(list)
        for one in self.sheet.arranged.gave_way:
            if not one.bond.rule.id.startswith("own:"):
                found[one.bond.rule.id].append(one)
        rules = every_rule()
        rows = [
            (rules[id_], LEVEL_WORDS[rules[id_].level], len(given), given[:_MOST_PAIRS])
            for id_, given in found.items()
            if id_ in rules
        ]
        return sorted(rows, key=lambda row: (-row[0].weight, row[0].id))

    @property
    def own(self) -> list[tuple[OwnRule, str, str, tuple[str, ...]]]:
        """The painter's rules here in words, each with what must be told of it."""
        names = {reference_of(node): node.name for node in self.sheet.arranged.line}
        return [
            (rule, self.said(rule.before, names), self.said(rule.after, names), self._told_of(rule))
            for rule in own_rules(self.reading.design, self.sheet.classes[0])
        ]

    def _told_of(self, rule: OwnRule) -> tuple[str, ...]:
        return tuple(
            f"{one.why} {one.way_out}" for one in self.sheet.arranged.gave_way if one.bond.rule.id == f"own:{rule.id}"
        )

    @property
    def put(self) -> list[tuple[Moved, str, str]]:
        """What the painter put into phases, in words: the choice, the work, the phase."""
        names = {reference_of(node): node.name for node in self.sheet.arranged.line}
        called = {phase.id: phase.name for phase in self.phases.phases}
        return [
            (one, self.said(one.what, names), called.get(one.phase, one.phase))
            for one in self.reading.design.scheme.order.moved
        ]

    def said(self, what: str, names: dict[str, str]) -> str:
        """A reference in words."""
        sort, _, rest = what.partition(":")
        if what in names:
            return names[what]
        if sort == "kind":
            return f"every {rest}"
        if sort == "class":
            return f"all {rest}"
        role = self.reading.design.scheme.role_by_id.get(rest.partition("/")[0].rstrip("*"))
        if sort == "role" and role:
            return f"all of {role.name}" if rest.endswith("*") else role.name
        return rest

    @property
    def alike(self) -> int:
        """How many other ranks of the army have this very order."""
        return sum(one.arranged is self.sheet.arranged for one in self.reading.sheets) - 1

    @property
    def works(self) -> list[tuple[str, str]]:
        """What a rule of one's own may name: reference and words."""
        steps = [(reference_of(node), node.name) for node in self.sheet.arranged.line if reference_of(node)]
        roles = dict.fromkeys(node.owner for node in self.sheet.arranged.line if node.sort == "step")
        whole = [(f"role:{role}*", f"All of {self.reading.design.scheme.role(role).name}") for role in roles]
        return [
            *steps,
            *whole,
            ("class:skin", "All skin"),
            ("class:metal", "All metals"),
            ("kind:shade", "Every shade"),
        ]


@login_required
@require_safe
def order(request, army_id):
    """The steps of one rank's figures in order, with what was chosen and what gave way."""
    if request.GET.get("of") == WHOLE:
        return redirect("army-order", army_id)
    return order_page(request, army_for(request, army_id))


def order_page(request, army, status: int = 200, form=None):
    """The page, perhaps with a form that was refused."""
    reading = reading_of(army.head)
    painter = painter_in_hand(request, army)
    if not can_plan(army, painter) or not reading.sheets:
        return redirect("plan", army.pk)
    sheet = _asked(reading, *_named(request))
    shown = OrderOf(Evening(army, timezone.now(), painter), sheet)
    design = reading.design
    chain = chain_batch(sheet, design.evenings.stick)
    usual = {phase.id: phase.name for phase in method_phases(design.brief.method if design.brief else "classic")}
    context = {
        "title": "Order of work",
        "order": shown,
        "unit": sheet.unit,
        "rank": sheet.rank,
        "side": sheet.classes[0].plate.views[0].name,
        "figures": [
            (f"{one.unit}|{one.rank}", f"{design.army.title(one.unit)}: {one.classes[0].rank_name}", one is sheet)
            for one in reading.sheets
        ],
        "told": sheet.arranged.told,
        "chain": chain,
        "chain_phase": shown.phases.phases[chain.phase].name if chain else "",
        "method": design.method,
        "switches": [(name, words, name in shown.phases.switches) for name, words in SWITCHES.items()],
        "likes": [(id_, usual.get(id_, id_.replace("-", " ").capitalize())) for id_ in usual_phases()],
        "scopes": [(node, design.army.nodes[node].name) for node in design.army.paths[sheet.unit][1:]],
        "given_up": [every_rule()[id_] for id_ in design.scheme.order.given_up if id_ in every_rule()],
        "form": form,
        **{name: _said(request, name) for name in ("before", "after", "because", "scope")},
    }
    return room_page(request, army, "plan", "plan/order.html", context, status)


def _said(request, name: str) -> str:
    """What a request says of a rule; it stays where the rule is refused."""
    given = request.POST if request.method == "POST" else request.GET
    return given.get(name, "")[:MOST_REASON]


def _named(request) -> tuple[str, str]:
    """Unit and rank that a request names; '' for none."""
    given = request.POST if request.method == "POST" else request.GET
    unit, _, rank = given.get("of", "").partition("|")
    return unit or given.get("unit", ""), rank or given.get("rank", "")


def _asked(reading: Reading, unit: str, rank: str) -> RankSheet:
    """The rank asked for; else the largest."""
    known = {(one.unit, one.rank): one for one in reading.sheets}
    if (unit, rank) in known:
        return known[unit, rank]
    if unit or rank:
        within = [one for one in reading.sheets if one.unit == unit and not rank]
        if not within:
            raise Http404
        return within[0]
    return max(reading.sheets, key=lambda one: sum(len(each.ordinals) for each in one.classes))


@login_required
@require_safe
def so_far(request, army_id, view, place):
    """How a figure of a rank looks when a phase is done; the query names unit and rank."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    unit, rank = _named(request)
    classes = reading.resolution.of_rank(unit, rank)
    if not classes or view not in [each.name for each in classes[0].plate.views]:
        raise Http404
    one = classes[0]
    # the order of this rank alone: what is to be done on all others is not worked out for a picture
    line = order_of(reading.design, classes).line
    done = frozenset(
        (subject_of(node.owner), node.id.split("|")[1]) for node in line if node.phase <= place and node.sort != "mark"
    )
    laid = reading.inks_done(one, done)
    worn = reading.camouflage(one, view, one.ordinals[0], laid_to=laid) if laid else ()
    svg = plate_svg(
        one.plate, view, lambda area: reading.painted_fill(one, area, done), detail="small", camouflage=worn
    )
    return drawing(svg, request)
