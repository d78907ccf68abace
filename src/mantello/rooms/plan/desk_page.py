"""The desk: one batch, large, and what belongs beside it."""

import uuid
from dataclasses import replace

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.record import logging as log
from mantello.record.queries import progress
from mantello.record.using import aged
from mantello.trials.trial import untested
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.muster import Muster, moments_of
from mantello.workspace.page import army_for, room_page
from mantello_core.advice.mishap import mishaps_at, repair
from mantello_core.advice.waiting import waits_of
from mantello_core.army.tree import Figure
from mantello_core.figures.facing import facing_words
from mantello_core.planning.compiling import compiled
from mantello_core.planning.done import is_done
from mantello_core.recipes.hazard import DEFERENCE
from mantello_core.recipes.step import Recipe

from .batch import Batch
from .confirming import confirmed_now
from .desk import areas_to_paint, areas_words, desk_svg, lap_of, pot_of
from .evening import Evening
from .forms import DoneForm
from .fresh import fresh_paint
from .handling import Handling
from .painters import can_plan, painter_in_hand

#: batches that the desk holds ready for when the server is out of reach
AHEAD = 8


@login_required
@require_safe
def desk(request, army_id):
    """One batch, large."""
    return desk_page(request, army_for(request, army_id), request.GET.get("batch", ""))


def desk_page(request, army, batch_id="", status=200, form=None):
    painter = painter_in_hand(request, army)
    if not can_plan(army, painter):
        return redirect("plan", army.pk)
    evening = Evening(army, timezone.now(), painter)
    batch = evening.find(batch_id) or evening.current
    last = evening.log.lines[0].batch if evening.log.lines else None
    context = {"title": "At the desk", "evening": evening, "last_batch": last} | desk_context(
        army, evening, batch, form, confirmed_now(request)
    )
    return room_page(request, army, "plan", "plan/desk.html", context, status)


def desk_context(army, evening: Evening, batch: Batch | None, form=None, confirmed: frozenset[str] = frozenset()):
    """What the desk shows of a batch; only its neighbours if there is none left. confirmed: cautions that were read already."""
    if batch is None:
        return {"batch": None}
    reading = evening.reading
    figure = (batch.left or batch.block.figures)[0]
    everyone = progress(army, log=evening.log)
    following = evening.after(batch, AHEAD)
    muster = Muster(army, reading, everyone, evening.log.mark, painted=True)
    unit = reading.design.army.nodes[batch.block.task.unit]
    handling = Handling(reading, batch)
    step = handling.step
    one = reading.resolution.of(Figure(unit.id, *figure))
    painted = areas_to_paint(reading, batch, figure)
    return {
        "batch": batch,
        "untested": [reading.design.scheme.role(role) for role in untested_roles(evening, batch)],
        "step": step,
        "how": handling.how,
        "hints": handling.hints,
        "pass_card": handling.pass_card,
        "portion": handling.portion if batch.left else None,
        "fine": handling.fine,
        "least": handling.least,
        "first_use": _first_use(evening, handling),
        "sprayed": batch.atoms[0].sprayed,
        "airing": evening.airing(),
        "form": form or DoneForm(),
        "planned_minutes": round(batch.minutes_left),
        "picture": mark_safe(desk_svg(reading, batch, figure, everyone[unit.id, *figure].done)),
        "where": areas_words(painted) if not batch.atoms[0].subject.is_ground else "The whole figure",
        "moments": moments_of(army, reading, one, figure[1], 116),
        "lap": lap_of(reading, batch),
        "pot": pot_of(reading, batch, step),
        "coats": batch.atoms[0].of,
        "cautions": [one for one in handling.cautions if one not in confirmed],
        "read": [one for one in handling.cautions if one in confirmed],
        "deference": DEFERENCE,
        "aged": aged(army, reading, catalogue_for(army), log.mix_words(reading, batch.atoms[0]), evening.now)
        if step
        else None,
        "dry_at": evening.drying_until(batch),
        "drying": fresh_paint(evening),
        "waits": waits_of(step) if step else None,
        "following": following[:3],
        "ahead": [one.id for one in following],
        "open_roles": [role for id_ in batch.roles if (role := reading.design.scheme.role(id_)).provisional],
        "forgotten": _forgotten(evening, batch),
        "repairs": _repairs(reading, batch),
        "skip_to": following[0] if following else None,
        "batch_token": uuid.uuid4(),
        "sticks": _sticks(reading, batch, evening.evenings.stick),
        "facing": ""
        if batch.atoms[0].sprayed or batch.atoms[0].subject.is_ground
        else facing_words(one.plate, painted),
        "in_hand": [
            (
                f"{rank}|{ordinal}",
                reading.design.army.called(unit.id, rank, ordinal),
                muster.picture(unit, reading.resolution.of(Figure(unit.id, rank, ordinal)), ordinal, 84),
                (rank, ordinal) in batch.left,
            )
            for rank, ordinal in batch.block.figures
        ],
    }


def _sticks(reading, batch: Batch, size: int) -> list[str]:
    """The figures of a batch stick by stick, in words; nothing where each stands alone or all are on one."""
    figures = batch.block.figures
    if size < 2 or len(figures) <= size:
        return []
    rows = [figures[at : at + size] for at in range(0, len(figures), size)]
    called, unit = reading.design.army.called, batch.block.task.unit
    return [", ".join(called(unit, rank, ordinal) for rank, ordinal in row) for row in rows]


def _first_use(evening: Evening, handling: Handling) -> list[str]:
    """Products of a batch that want care and that nothing was logged with yet."""
    return [pot.name for pot in handling.careful_paints if pot.id not in evening.log.paints]


def _forgotten(evening: Evening, batch: Batch) -> list[str]:
    """Figures of a batch that lack a step which the others of it have had."""
    mine, unit = {atom.id for atom in batch.atoms}, batch.block.task.unit
    if not any(one[0] == unit for one in evening.done):
        return []
    reading = evening.reading
    work = compiled(reading.design, reading.resolution, units=(unit,), sheets=reading.sheets)
    atoms = {atom.id: atom for atom in work.atoms}
    before = {edge.before for edge in work.edges if edge.after in mine and edge.rule.hard}
    had: dict[tuple[str, str], int] = {}
    lacking: dict[tuple[str, str], list[str]] = {}
    names: dict[tuple[str, str], str] = {}
    for id_ in sorted(before - mine):
        atom = atoms[id_]
        key = atom.subject, atom.logged
        names[key] = atom.name
        for rank, ordinal in batch.left:
            if rank == atom.rank and ordinal in atom.ordinals:
                if is_done(atom, ordinal, evening.done):
                    had[key] = had.get(key, 0) + 1
                else:
                    lacking.setdefault(key, []).append(reading.design.army.called(unit, rank, ordinal))
    return [f"{', '.join(figures)}: no {names[key]} yet" for key, figures in lacking.items() if had.get(key)]


def _repairs(reading, batch: Batch) -> list:
    """What may go wrong at a batch, with what another coat would do where coats are counted."""
    atom = batch.atoms[0]
    known = mishaps_at("undercoat" if atom.subject.is_ground else atom.kind)
    if not atom.subject.role or atom.kind != "base":
        return [(one, None) for one in known]
    tier = reading.design.army.rank(atom.unit, atom.rank).tier
    recipe = reading.design.scheme.role(atom.subject.role).recipe(tier)
    more = Recipe(tuple(replace(one, coats=atom.of + 1) if one.id == atom.step else one for one in recipe.steps))
    at = next(number for number, one in enumerate(recipe.steps) if one.id == atom.step)
    now, then = (reading.design.scheme.predicted(one).outcomes[at].after for one in (recipe, more))
    wanted = recipe.steps[at].mix.film.masstone
    return [(one, repair(wanted, now, then) if one.id in ("pale", "patchy") else None) for one in known]


def untested_roles(evening: Evening, batch: Batch) -> list[str]:
    """Roles of a batch that want a test piece before it may start."""
    wanting = untested(evening.army, evening.reading, evening.log.roles)
    return [role for role in dict.fromkeys(atom.subject.role for atom in batch.atoms) if role in wanting]
