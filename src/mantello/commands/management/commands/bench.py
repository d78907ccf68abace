"""``manage bench``: the speeds that docs/performance.md tells, measured here and now."""

import platform
import statistics
import time
import uuid
from dataclasses import replace
from datetime import datetime, timedelta

from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand, CommandError
from django.db import transaction
from django.test import Client
from django.utils import timezone

from mantello.record.log import log_of
from mantello.record.logging import record, take_back
from mantello.rooms.plan.evening import Evening
from mantello.workspace.editing import keep_design
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure
from mantello_core.colour.spaces import lab_of_hex
from mantello_core.design.brief import Brief, formation_names
from mantello_core.design.design import Design
from mantello_core.design.muster import Entry, with_entries, with_rank, without_rank
from mantello_core.design.rung_edit import set_here
from mantello_core.figures.drafting import drafted, sketched
from mantello_core.figures.kit import made_figure, usual_making
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.film.surface import coated
from mantello_core.formats.sample import calvessa, levy
from mantello_core.mixing.generating import generated
from mantello_core.mixing.matching import matches
from mantello_core.mixing.mix_index import MixIndex
from mantello_core.mixing.route import route
from mantello_core.mixing.undercoat import undercoat_choices
from mantello_core.paints.estimate import CardReading, estimated
from mantello_core.paints.range import paint, paints
from mantello_core.planning.plan import laid_out, plan, prepared
from mantello_core.planning.search import search
from mantello_core.planning.validating import faults_of
from mantello_core.proposals.proposal import army_for_brief, proposals
from mantello_core.recipes.step import Mix
from mantello_core.scheme.cascade import resolve

PAGES = (
    "",
    "scheme/",
    "scheme/?mass=yes",
    "scheme/table/",
    "scheme/table/?in=all",
    "scheme/rules/",
    "scheme/checks/",
    "insignia/",
    "insignia/bearers/",
    "insignia/transfers/",
    "insignia/codes/",
    "insignia/map/",
    "insignia/bought/",
    "insignia/cloth/",
    "recipes/",
    "recipes/undercoats/",
    "recipes/field/draft/",
    "recipes/field/routes/",
    "recipes/across/shades/",
    "recipes/across/materials/",
    "recipes/across/tests/",
    "recipes/across/finish/",
    "paints/cost/",
    "paints/",
    "paints/match/",
    "paints/fewest/",
    "plan/",
    "plan/calendar/",
    "plan/what-if/",
    "plan/order/",
    "plan/painters/",
    "desk/",
    "log/",
    "log/reinforcements/",
    "log/figures/",
    "log/decisions/",
    "types/",
    "types/make/",
)

#: figures painted at a time, and units that are not painted yet, of an army of years
LOT, UNPAINTED = 5, 4


def grown(figures: int) -> Design:
    """The demo's army with companies added until it has so many figures, types in turn."""
    kinds = ("fusilier", "ranger", "gunner", "knight", "sluicer")
    design = levy()
    missing = figures - design.army.figures
    entries = [
        Entry(
            "Line",
            kinds[number % len(kinds)],
            "Figure",
            min(10, missing - 10 * number),
            (f"Regiment {number // 6 + 1}", f"Company {number + 1}"),
        )
        for number in range(-(-missing // 10))
    ]
    return with_entries(design, entries)


def few(figures: int) -> Design:
    """The small sample's army with its first figures only."""
    design, left = calvessa(), figures
    for unit in design.army.units:
        for rank in unit.ranks:
            keep = min(rank.figures, left)
            left -= keep
            design = (
                with_rank(design, unit.id, replace(rank, figures=keep))
                if keep
                else without_rank(design, unit.id, rank.id)
            )
    return design


class Command(BaseCommand):
    """Measure and print."""

    help = "Measure the core and the pages; nothing that is measured is kept."

    def handle(self, *args, **options):
        """Each figure is a median of several runs."""
        self.stdout.write(f"{platform.machine()}, {platform.python_implementation()} {platform.python_version()}")
        big = grown(600)
        areas = statistics.mean(len(big.army.plate(rank.type).areas) for unit in big.army.units for rank in unit.ranks)
        self._row(
            f"resolve {big.army.figures} figures, {areas:.0f} areas each",
            lambda: resolve(big.army, replace(big.scheme)),
            15,
        )
        figure = Figure(big.army.units[-1].id, big.army.units[-1].ranks[0].id, 1)
        area = next(iter(big.army.plate(big.army.units[-1].ranks[0].type).areas))
        edited = set_here(big, figure, (area,), "field", 1)
        self._row("the same after one rule changed", lambda: resolve(edited.army, replace(edited.scheme)), 15)
        demo = calvessa()
        mix = demo.scheme.role("lantern").recipe().steps[0].mix
        self._row("coats over every undercoat, one mix", lambda: undercoat_choices(mix), 15)
        pots, wanted = list(paints().values()), lab_of_hex("#6f7f5a")
        self._row(
            f"mixes of up to three of {len(pots)} paints for a colour",
            lambda: matches(wanted, pots, Ground(paint("undercoat-slate"))),
            9,
        )
        ground = Ground(paint("undercoat-soot"), paint("undercoat-gull"))
        film, flat = mix.film, ground.flat
        self._row("one film over a ground, to CIELAB", lambda: coated(flat, film, 6.0).colour, 400)
        whole = generated(Mix(((paint("madder-rope"), 1.0),)), tuple(pots), "centrepiece").recipe
        self._row(
            f"a recipe of {len(whole.steps)} steps followed, five zones",
            lambda: predicted.__wrapped__(whole, ground),
            40,
        )
        self._row(
            "a highlight route, four steps",
            lambda: route.__wrapped__(Mix(((paint("madder-rope"), 1.0),)), paint("salt-linen")),
            20,
        )
        known = [CardReading("opaque", wanted), CardReading("contrast", contrast=0.9)]
        self._row("a paint estimated from a swatch", lambda: estimated(known, paint("gull-white").film), 20)
        near = film.masstone
        self._row(f"the same for a colour that {len(pots)} paints reach", lambda: matches(near, pots, ground), 9)
        self._row("an index of all mixes of two built anew", lambda: MixIndex(tuple(p for p in pots if p.mixable)), 3)
        army = army_for_brief("Force", Brief(), formation_names("", 3))
        self._row("six schemes proposed for three formations", lambda: proposals(army, Brief()), 3)
        self._row(
            "a figure put together, sketched", lambda: sketched(made_figure("own-x", "F", usual_making("foot"))), 5
        )
        self._row("the same drafted and measured", lambda: drafted(made_figure("own-x", "F", usual_making("foot"))), 1)
        for design in (demo, levy(), grown(300), grown(600)):
            resolution = resolve(design.army, design.scheme)
            start = datetime(2026, 11, 24, 18, 0)
            self._row(
                f"plan {design.army.figures} figures",
                lambda d=design, r=resolution, s=start: plan(d, s, resolution=r, horizon=400),
                3,
            )
            self._row(f"inspection of {design.army.figures} figures", lambda d=design: Reading(d).checks, 3)
        for design in (few(12), demo, few(24), levy(), grown(300), grown(600)):
            self._planned(design)
        with transaction.atomic():
            for design in (demo, levy(), grown(300), grown(600)):
                self._pages(design)
            self._years(levy())
            transaction.set_rollback(True)

    def _planned(self, design: Design):
        """A plan laid anew as for a changed evening, proved legal, and held against what no plan can beat."""
        resolution, start = resolve(design.army, design.scheme), datetime(2026, 11, 24, 18, 0)
        work = prepared(design, resolution)
        count = design.army.figures
        self._row(f"laid anew for {count} figures", lambda: laid_out(work, design.evenings, start, 400), 5)
        made = laid_out(work, design.evenings, start, 400)
        faults = faults_of(design, resolution, start, made.stretches(), complete=not made.unplaced)
        days = (made.finish - start).days if made.finish else 0
        self.stdout.write(
            f"             {count} figures: {made.desk_minutes:.0f} desk minutes, {made.idle:.0f} waiting, {made.openings} openings,"
            f" done after {days} days; bound {made.bound:.0f}, gap {100 * (made.desk_minutes / made.bound - 1):.0f} %,"
            f" {len(faults)} faults"
        )
        if count < 200:
            *_, told = search(work, design.evenings, start, 150)
            self.stdout.write(f"             150 other ways: {told.best:.0f} desk minutes, gap {100 * told.gap:.0f} %")

    def _pages(self, design: Design):
        user = get_user_model().objects.create_user(
            f"bench{design.army.figures}", f"bench{design.army.figures}@localhost.invalid"
        )
        army = keep_design(user, design, "Benchmark")
        client = Client(HTTP_HOST="localhost")
        client.force_login(user)
        for page in PAGES:
            address = f"/armies/{army.pk}/{page}"
            started = time.perf_counter()
            if client.get(address).status_code != 200:
                raise CommandError(f"{address} does not answer")
            cold = (time.perf_counter() - started) * 1000
            self._row(
                f"GET /armies/N/{page} at {design.army.figures} figures (first {cold:.0f} ms)",
                lambda a=address: client.get(a),
                5,
            )

        self._row(
            f"lanes laid anew while a bar is dragged, at {design.army.figures} figures",
            lambda: self._drag(client, army), 5,
        )  # fmt: skip
        self._row(
            f"an edit, and the page after it, at {design.army.figures} figures", lambda: self._edit(client, army), 3
        )

    def _years(self, design: Design):
        """Pages of an army most of which is painted, and its log once an entry of it changed."""
        user = get_user_model().objects.create_user("benchyears", "benchyears@localhost.invalid")
        army = keep_design(user, design, "Benchmark")
        began, painted = timezone.now() - timedelta(days=900), {unit.id for unit in design.army.units[:-UNPAINTED]}
        lots = [
            (atom, atom.ordinals[at : at + LOT])
            for atom in reading_of(army.head).atoms
            if atom.unit in painted
            for at in range(0, len(atom.ordinals), LOT)
        ]
        for number, (atom, ordinals) in enumerate(lots):
            figures = {(atom.rank, ordinal) for ordinal in ordinals}
            record(
                army,
                [atom],
                figures,
                atom.seconds * len(ordinals) / 60,
                began + timedelta(hours=4 * number),
                uuid.uuid4(),
            )
        army.refresh_from_db()
        entries = list(army.entries.standing()[:10])
        client = Client(HTTP_HOST="localhost")
        client.force_login(user)
        for page in ("log/", "log/bench/", "plan/", "paints/cost/"):
            address = f"/armies/{army.pk}/{page}"
            if client.get(address).status_code != 200:
                raise CommandError(f"{address} does not answer")
            self._row(f"GET /armies/N/{page} with {len(lots)} entries", lambda a=address: client.get(a), 5)

        def told():
            entry = entries.pop()
            entry.army = army
            take_back(entry)
            return log_of(army).done

        self._row(f"a log of {len(lots)} entries, one of them taken back", told, 5)

    def _drag(self, client, army):
        """The answer to a bar held at another minute; another one each time, so that nothing is remembered."""
        self.minute = (getattr(self, "minute", 0) + 5) % 120
        batch = Evening(Army.objects.select_related("head").get(pk=army.pk), timezone.now()).tonight[-1]
        if client.get(f"/armies/{army.pk}/plan/moved/?batch={batch.id}&to={self.minute}").status_code != 200:
            raise CommandError("the lanes do not answer")

    def _edit(self, client, army):
        """A colour set for the army and the page that shows it."""
        head = Army.objects.select_related("head").get(pk=army.pk).head
        reading = reading_of(head)
        one = reading.resolution.classes[0]
        roles = [role.id for role in reading.design.scheme.roles if role.recipe().steps]
        area = next(iter(one.cells))
        role = (
            roles[(roles.index(one.cells[area].role) + 1) % len(roles)] if one.cells[area].role in roles else roles[0]
        )
        sent = {
            "base": head.number,
            "unit": one.unit,
            "rank": one.rank,
            "figure": one.ordinals[0],
            "area": area,
            "role": role,
            "rung": 1,
            "reach": "area",
        }
        answer = client.post(f"/armies/{army.pk}/scheme/set/", sent, follow=True)
        if answer.status_code != 200:
            raise CommandError("the edit was not taken")

    def _row(self, name: str, work, runs: int):
        work()
        times = []
        for _ in range(runs):
            started = time.perf_counter()
            work()
            times.append((time.perf_counter() - started) * 1000)
        self.stdout.write(f"{statistics.median(times):9.1f} ms  {name}")
        self.stdout.flush()
