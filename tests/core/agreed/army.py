"""An army's work: what every figure wears, checks, plan, undercoats, what if, record."""

from collections.abc import Iterator
from dataclasses import replace
from datetime import date, datetime, timedelta
from functools import cache

from mantello_core.army.figure_filter import Filter
from mantello_core.bearers.allotment import allotments, lacks
from mantello_core.bearers.mark_work import by_hand, steps_of
from mantello_core.bearers.site_map import site_map
from mantello_core.calendar.daylight import daylight
from mantello_core.calendar.evenings import Evenings, Spraying
from mantello_core.calendar.session import sessions
from mantello_core.checks.harmony import harmony_of, hue_apart
from mantello_core.checks.inspect import inspect
from mantello_core.checks.route_conflict import conflicts, touching_roles
from mantello_core.colour.spaces import Lab
from mantello_core.design.advance import advanced_name, marks_for_copy, with_advanced_copy
from mantello_core.design.brief import Brief, days_to_spare, formation_names
from mantello_core.design.edit import with_new_role, with_step_moved, with_toned_role, with_undercoat
from mantello_core.design.muster import with_duplicate, with_node_moved, with_node_under, without_node
from mantello_core.errors import UnknownName
from mantello_core.formats.document.design import write_design
from mantello_core.formats.sample import calvessa, levy
from mantello_core.mixing.route import routes
from mantello_core.mixing.starting import started
from mantello_core.order.subject import subject_of
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.costing import cost_of as price_of
from mantello_core.paints.range import paint, paints
from mantello_core.paints.shopping import shopping
from mantello_core.paints.stock import Stock
from mantello_core.passes.basing import figures_on, plant_counts, standing_on
from mantello_core.passes.pieces import finishing_needed, pieces_of
from mantello_core.passes.soiled import soiled, swallowed
from mantello_core.planning.batch import batch_size
from mantello_core.planning.compiling import compiled
from mantello_core.planning.consumable import consumables
from mantello_core.planning.plan import Plan, plan, prepared
from mantello_core.planning.search import search
from mantello_core.planning.shortage import shortages
from mantello_core.planning.undercoating import assembly_advice, undercoat_advice
from mantello_core.planning.validating import Painted, faults_of
from mantello_core.planning.whatif import WhatIf, changed, giving_way, late_minutes, levers, loads
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.slots import Slots
from mantello_core.recipes.step import Mix, Recipe, Step
from mantello_core.record.drift import State, drifts
from mantello_core.record.evenness import evenness
from mantello_core.record.last_look import last_look
from mantello_core.record.pace import finish_range, pace_of, spread_of
from mantello_core.record.progress import progress_of
from mantello_core.record.reinforcing import Logged, as_painted
from mantello_core.record.shooting_card import shooting_card
from mantello_core.record.upkeep import Use, leftovers, metal_places, mix_life, wears
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import usual_dirt, usual_plants
from mantello_core.scheme.selector import narrowness
from mantello_core.scheme.sentence import rule_sentence
from mantello_core.scheme.share import paint_by_unit, paint_needed, role_shares

from .data import asked, written

TUESDAY = datetime(2026, 11, 24, 18, 0)


@cache
def _small():
    design = calvessa()
    return design, resolve(design.army, design.scheme)


@cache
def _dirty():
    design = calvessa()
    finishing = replace(design.scheme.finishing, dirt=usual_dirt())
    design = replace(design, scheme=replace(design.scheme, finishing=finishing))
    return design, resolve(design.army, design.scheme)


def _told(made: Plan) -> object:
    return ([(one.session, one.start, one.end, one.opening, one.task.lot, one.task.pot) for one in made.blocks],
            made.desk_minutes, made.hands_on, made.openings, made.idle, made.bound, made.finish, made.unplaced)  # fmt: skip


def _found(check):
    findings = [
        (one.unit, one.rank, one.area, one.what, one.key, one.number, one.fix and one.fix.words)
        for one in check.findings
    ]
    return check.id, check.verdict, check.worst, findings


def worn() -> Iterator[tuple[str, object]]:
    """The scheme on every figure, its checks, harmony, shares, paint and marks."""
    for name, design in (("small", calvessa()), ("whole", levy())):
        resolution = resolve(design.army, design.scheme)
        yield f"{name} checks", [_found(one) for one in inspect(design, resolution)]
        yield (
            f"{name} shares",
            (
                harmony_of(design, resolution),
                role_shares(resolution),
                paint_needed(design.scheme, resolution),
                paint_by_unit(design.scheme, resolution),
            ),
        )
        yield (
            f"{name} rules",
            [rule_sentence(one, design.army, design.scheme) for one in design.scheme.all_rules(design.army)],
        )
        borne = allotments(resolution)
        yield (
            f"{name} marks",
            [
                (
                    one.site,
                    one.figures,
                    one.copies,
                    one.with_spares,
                    one.ground,
                    by_hand(design.scheme, one.device, one.site),
                    steps_of(design.scheme, one.placement, one.site),
                )
                for one in borne
            ],
        )
        yield f"{name} lacks", [(one.arms, one.sites) for one in lacks(design.army, design.scheme, resolution)]
        yield (
            f"{name} sites",
            [
                (one.type, one.figures, [(spot.view, spot.right, spot.above) for spot in one.spots])
                for one in site_map(resolution)
            ],
        )
        yield (
            f"{name} basing",
            (
                standing_on(design, resolution, _colour_of(design)),
                plant_counts(design),
                finishing_needed(design, resolution),
            ),
        )
        yield f"{name} pieces", [(one.unit, one.rank, pieces_of(design, one)) for one in resolution.classes[:6]]
    yield "hues", [hue_apart(one, other) for one in (5.0, 190.0, 355.0) for other in (0.0, 10.0, 180.0)]
    yield (
        "selectors",
        [
            narrowness(one, "torso.coat.lapel.left", "cloth", ("worn",))
            for one in ("torso", "torso.coat", "=torso.coat.lapel.left", "torso.*.lapel", "@cloth", "", "*")
        ],
    )
    yield (
        "resolved",
        asked(
            "resolve",
            design=written(),
            figure={"unit": calvessa().army.units[0].id, "rank": calvessa().army.units[0].ranks[0].id, "ordinal": 1},
        ),
    )


def _colour_of(design):
    def colour(role_id: str, tier: str) -> Lab | None:
        steps = design.scheme.role(role_id).recipe(tier).steps
        return steps[0].mix.film.masstone if steps else None

    return colour


def dirt() -> Iterator[tuple[str, object]]:
    """Figures soiled at every level and what dirt swallows."""
    design, resolution = _dirty()
    for one in resolution.classes[:3]:
        for level in (1, 3, 5):
            colours = soiled(design, one, level)
            yield f"{one.unit} {one.rank} {level}", (colours, swallowed(design, one, colours))
        yield (
            f"{one.unit} {one.rank} bases",
            [figures_on(width, 40, one.plate, scale) for width in (25, 60, 120) for scale in (1.0, 0.5)],
        )


def planned() -> Iterator[tuple[str, object]]:
    """Work, plan, what if, undercoats, search, batches and consumables."""
    design, resolution = _small()
    work = compiled(design, resolution)
    yield "work", (work.atoms, [(one.before, one.after, one.rule.id) for one in work.edges])
    usual = plan(design, TUESDAY, resolution=resolution)
    yield "plan", _told(usual)
    yield (
        "giving way",
        (
            levers(design, work.atoms),
            giving_way(levers(design, work.atoms), 90.0),
            loads(work.atoms),
            late_minutes(usual, date(2026, 12, 1)),
        ),
    )
    yield "consumables", consumables(work.atoms)
    yield "undercoats", [(one.look, one.cost, one.hard) for one in undercoat_advice(design, resolution)]
    yield (
        "assemblies",
        [(one.name, one.figures, one.now, one.then, one.best.words) for one in assembly_advice(design, resolution)],
    )
    yield (
        "search",
        [(one.best, one.bound, one.gap) for one in search(prepared(design, resolution), design.evenings, TUESDAY, 4)],
    )
    yield (
        "batches",
        [
            batch_size(drying, hands, unit, stick=stick, palette=palette)
            for drying in (60, 900, 5000)
            for hands in (20, 200)
            for unit in (5, 30)
            for stick in (1, 5)
            for palette in (600, 9e9)
        ],
    )
    yield "command", asked("plan", design=written(), start="2026-11-24T18:00")
    shelf = {
        "brine-green": Stock(0.1, 2.5),
        "oil-lamp-black": Stock(3.0, 3.0),
        "salt-linen": Stock(0.01, 1.0, "", True),
    }
    needed = paint_needed(design.scheme, resolution)
    yield "shortages", shortages(design.army, paint_by_unit(design.scheme, resolution), shelf, SHIPPED)
    yield (
        "shopping",
        (shopping(needed, shelf, SHIPPED), price_of(needed, shelf, SHIPPED), list(shelf.values()), Stock(1.0), Stock()),
    )


def tried() -> Iterator[tuple[str, object]]:
    """Plans under other settings."""
    design, _ = _small()
    for name, other in (
        ("five in hand", WhatIf(attention=5)),
        ("plain", WhatIf(plain=("leader",), undercoat=paint("undercoat-soot"))),
        ("desk", WhatIf(desk=12)),
    ):
        yield f"what if {name}", _told(plan(changed(design, other), TUESDAY))
    damp = replace(
        design, evenings=replace(design.evenings, attention=6, spraying=Spraying((5, 6), 600, 900, (), (50.0, 8.0)))
    )
    yield "spraying by day", _told(plan(damp, TUESDAY))


@cache
def _busy(slots: Slots):
    """Two formations of the levy with marks, all that finishing knows, and one role sprayed behind masks."""
    whole = levy()
    root = replace(whole.army.root, children=whole.army.root.children[:2])
    first = whole.scheme.roles[0]
    spray = next(pot for pot in paints().values() if pot.kind == "air")
    sprayed = replace(first, recipes=(("rank", started(spray, "rank", tuple(METHODS)[1])),))
    rough = Step("rough", "drybrush", Mix(((paint("salt-linen"), 1.0),)))
    second = whole.scheme.roles[1]
    brushed = replace(second, recipes=(("rank", Recipe((*second.recipe().steps, rough))),))
    finishing = replace(
        whole.scheme.finishing, slots=slots, varnish="matt", can=False, use="play", barrier="gloss", masks=True, touch_up=True,
        shiny=(whole.scheme.roles[2].id,), apart=("Weapon", "Shield"), dirt=usual_dirt(), level=3,
        basing=replace(whole.scheme.finishing.basing, plants=usual_plants(), magnets=True),
    )  # fmt: skip
    scheme = replace(whole.scheme.with_role(sprayed).with_role(brushed), finishing=finishing)
    design = replace(whole, army=replace(whole.army, root=root), scheme=scheme)
    return design, resolve(design.army, design.scheme)


def busy() -> Iterator[tuple[str, object]]:
    """Work with everything in it, in every profile of the order, and what the validator says of it spoiled."""
    for slots in (
        Slots("first", "early", "first"), Slots("last", "late", "last"), Slots("after", "late", "any"), Slots("shared", "any", "last"),
    ):  # fmt: skip
        design, resolution = _busy(slots)
        work = compiled(design, resolution)
        yield f"edges {slots}", [(one.before, one.after, one.rule.id, one.lag) for one in work.edges]
    yield "atoms", work.atoms
    yield "loads", (loads(work.atoms), consumables(work.atoms), levers(design, work.atoms))
    one = replace(
        design, army=replace(design.army, root=replace(design.army.root, children=design.army.root.children[:1]))
    )
    here = resolve(one.army, one.scheme)
    made = plan(one, TUESDAY, resolution=here)
    yield "plan", _told(made)
    stretches = [
        Painted(
            block.start, block.end, block.opening, block.task.pot, block.task.unit, tuple(block.figures),
            tuple((atom.rank, atom.subject, atom.step) for atom in block.task.atoms), block.task.lot,
        )
        for block in made.blocks
    ]  # fmt: skip
    yield "legal", faults_of(one, here, TUESDAY, stretches)
    late = [
        replace(each, start=each.start - timedelta(hours=5), end=each.end - timedelta(hours=5))
        for each in stretches[::3]
    ]
    yield "spoiled", faults_of(one, here, TUESDAY, [*late, *stretches[1::2]])


def spoiled() -> Iterator[tuple[str, object]]:
    """Checks that are quiet on a sound army."""
    design, _ = _small()
    metals = [pot.id for pot in paints().values() if pot.kind == "metallic"]
    scheme = design.scheme
    for at, role in enumerate(scheme.roles[:6]):
        scheme = scheme.with_role(replace(role, recipes=(("rank", started(paint(metals[at % len(metals)]))),)))
    shiny = replace(design, scheme=scheme)
    yield "metals", [_found(each) for each in inspect(shiny, resolve(shiny.army, shiny.scheme))]
    whole = levy()
    company = whole.army.root.children[0].children[0].id
    marked = replace(whole, scheme=replace(whole.scheme, placements=tuple(
        replace(mark, scope=company if at % 2 else mark.scope, filter=replace(mark.filter, rank="")) for at, mark in enumerate(whole.scheme.placements)
    )))  # fmt: skip
    yield "marks", [_found(each) for each in inspect(marked, resolve(marked.army, marked.scheme))]
    elsewhere = replace(whole, scheme=replace(whole.scheme, placements=tuple(
        replace(mark, site=site, scope=whole.army.root.id, filter=Filter())
        for mark, site in zip(whole.scheme.placements, ("hull.side", "shield.face", "flag.field", "shield.face"), strict=False)
    )))  # fmt: skip
    yield "no room", [_found(each) for each in inspect(elsewhere, resolve(elsewhere.army, elsewhere.scheme))]
    yield "conflicts", [
        conflicts(one, touching_roles(resolve(design.army, design.scheme), design.scheme.roles[0].id),
                  lambda id_: _colour_of(design)(id_, "rank"))
        for one in routes(Mix(((paint("madder-rope"), 1.0),)), [paint("salt-linen"), paint("lantern-yellow")])
    ]  # fmt: skip


def changed_army() -> Iterator[tuple[str, object]]:
    """Formations moved, doubled and renamed; roles toned, steps moved, materials, refusals with near names."""
    design, resolution = _small()
    first, second = design.army.root.children[0].children[:2]
    for name, made in (
        ("doubled", with_duplicate(design, first.id, "Copy")), ("moved", with_node_moved(design, second.id, -1)),
        ("under", with_node_under(design, second.id, design.army.root.id)), ("without", without_node(design, first.id)),
        ("toned", with_toned_role(design, design.scheme.roles[0].id, "Toned", paint("salt-linen"), 1.5)[0]),
        ("role", with_new_role(design, "Another", paint("brine-green"))[0]),
        ("step moved", with_step_moved(design, design.scheme.roles[0].id, "rank", design.scheme.roles[0].recipe().steps[-1].id, -1)),
    ):  # fmt: skip
        yield name, write_design(made)
    for wrong in ("brine-gren", "undercoat", "salt", "blak"):
        try:
            paint(wrong)
        except UnknownName as error:
            yield f"near {wrong}", error.message
    before = {1: State(design, resolution)}
    after = with_undercoat(design, paint("undercoat-soot"))
    layers = tuple((1, subject_of(text)) for text in ("", *(role.id for role in design.scheme.roles[:3])))
    painted = {(one.unit, one.rank, ordinal): layers for one in resolution.classes for ordinal in one.ordinals[:2]}
    found = drifts(before, State(after, resolve(after.army, after.scheme)), painted)
    yield "drifted", [(one.unit, one.rank, one.ordinals, one.kind, one.areas_in_words, one.difference) for one in found]


def calendar() -> Iterator[tuple[str, object]]:
    """Evenings, daylight, names that count on, briefs."""
    yield "sessions", sessions(Evenings(), TUESDAY, 12)
    yield (
        "spraying",
        sessions(
            replace(Evenings(), spraying=Spraying((1, 5), 1150, 1260, ("2026-12-01",), (52.5, 13.4))), TUESDAY, 12
        ),
    )
    yield (
        "daylight",
        [
            daylight(date(2026, month, 11), latitude, 10.0)
            for month in (1, 3, 6, 10, 12)
            for latitude in (-40.0, 0.0, 52.0, 68.0)
        ],
    )
    yield (
        "names",
        [
            advanced_name(name, {"Troop C"})
            for name in ("2nd Line", "11th", "12th", "21st", "IX", "Troop B", "Squad 9", "Line", "22nd", "23rd of foot")
        ],
    )
    design, _ = _small()
    company = design.army.root.children[0].children[0]
    yield (
        "copied",
        (
            marks_for_copy(design, company.id, "4th company"),
            with_advanced_copy(design, company.id, "4th company").army.figures,
        ),
    )
    yield "brief", (formation_names("", 5), days_to_spare(Brief(deadline="2027-01-20"), date(2026, 11, 24)))


def recorded() -> Iterator[tuple[str, object]]:
    """Pace, range of the end, progress, upkeep, last look, photographs, reinforcements."""
    design, resolution = _small()
    timed = [
        ("base", 12.0, 10.0),
        ("base", 8.0, 10.0),
        ("edge", 30.0, 10.0),
        ("edge", 300.0, 10.0),
        ("wash", 0.5, 10.0),
        ("layer", 9.0, 6.0),
    ]
    yield "pace", (pace_of(timed), spread_of(timed), spread_of([]), spread_of(timed[:1]))
    usual = plan(design, TUESDAY, resolution=resolution)
    yield "range", [finish_range(usual, spread, batches) for spread in (0.1, 0.5, 0.9) for batches in (0, 4, 90)]
    work = compiled(design, resolution)
    done = frozenset((one.unit, one.rank, one.ordinals[0], one.subject, one.step) for one in work.atoms[::2])
    yield (
        "progress",
        [
            (figure, one.state, one.progress.share, one.progress.minutes_left)
            for figure, one in progress_of(work.atoms, done).items()
        ],
    )
    uses = [Use(tool, kind, 90.0, f"{tool} mix", ("salt-linen", "eel-brown"), kinds, TUESDAY - timedelta(days=days))
            for days, (tool, kind, kinds) in enumerate((("round brush", "base", ("acrylic",)), ("finest brush", "edge", ("acrylic", "metallic")), ("aerosol", "undercoat", ("spray",)), ("old brush", "drybrush", ("oil",))))]  # fmt: skip
    yield (
        "upkeep",
        (
            wears(uses),
            [one.advice for one in wears(uses * 30)],
            leftovers(uses, TUESDAY),
            [mix_life((kind,)) / timedelta(hours=1) for kind in ("oil", "enamel", "metallic", "acrylic")],
        ),
    )
    yield "metals", metal_places(design.scheme, resolution)
    yield "last look", [last_look(one, {"torso.coat.lapel": 2}, 12) for one in resolution.classes[:3]]
    colour = _colour_of(design)
    yield "photographs", [shooting_card(design, resolution, role_shares(resolution), lambda role: colour(role, "rank")),
                          shooting_card(design, resolution, {}, lambda role: None)]  # fmt: skip
    yield (
        "evenness",
        evenness(
            [
                ("coat", "a", Lab(30, 5, 5)),
                ("coat", "a", Lab(31, 5, 6)),
                ("coat", "b", Lab(36, 9, 5)),
                ("lace", "a", Lab(80, 0, 9)),
                ("lace", "b", Lab(80.2, 0, 9)),
            ]
        ),
    )
    logged = [Logged("coat", step, step, mix, ((pot, pot, 1.0),), 2, ordinals, TUESDAY + timedelta(days=at), 1)
              for at, (step, mix, pot, ordinals) in enumerate((("s1", "A", "madder-rope", (1, 2, 3)), ("s1", "B", "old-red", (3,)), ("s2", "C", "oil-lamp-black", (1, 2))))]  # fmt: skip
    usable = [pot for pot in paints().values() if pot.id not in ("madder-rope", "old-red")]
    yield (
        "as painted",
        as_painted(
            logged,
            (1, 2, 3),
            {"madder-rope": Stock(0, None, "", True)},
            SHIPPED,
            usable,
            lambda role, step, version: Mix(((paint("madder-rope"), 1.0),)),
        ),
    )
    yield "undercoat", with_undercoat(design, paint("undercoat-soot")).scheme.ground.colour


ANSWERS = (worn, dirt, planned, tried, busy, spoiled, changed_army, calendar, recorded)
