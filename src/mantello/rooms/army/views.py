"""The Army room: armies, the tree and the muster."""

from urllib.parse import urlencode

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect, render
from django.views.decorators.http import require_POST, require_safe

from mantello.record.log import log_of
from mantello.record.queries import progress
from mantello.shell.fields import refused
from mantello.workspace import editing as actions
from mantello.workspace.looking import looking
from mantello.workspace.models import Army
from mantello.workspace.muster import Muster
from mantello.workspace.page import apply, apply_form, army_for, back, base_of, room_page
from mantello.workspace.readings import reading_of
from mantello.workspace.seeing import seeing_from
from mantello_core.army.tree import Rank
from mantello_core.design import muster as tree
from mantello_core.design.advance import with_advanced_copy
from mantello_core.errors import MantelloError
from mantello_core.numerals import whole_number

from .faces import faces_asked
from .forms import ArmyForm, ImportForm, NodeForm, RankForm, UnitForm, UnitsForm
from .start_form import list_form


@login_required
@require_safe
def armies(request):
    """The painter's armies, and ways to start one."""
    return armies_page(request)


@login_required
@require_POST
def new_army(request):
    """Create an empty army."""
    form = ArmyForm(request.POST)
    if not form.is_valid():
        return armies_page(request, new=form, status=422)
    army = actions.create_army(request.user, form.cleaned_data["name"])
    return redirect("roster", army.pk)


@login_required
@require_POST
def import_army(request):
    """Create an army from a design document."""
    form = ImportForm(request.POST, request.FILES)
    if not form.is_valid():
        return armies_page(request, importing=form, status=422)
    army = actions.keep_design(request.user, form.cleaned_data["file"], "Army imported")
    messages.success(request, f"{army.name} was imported with {reading_of(army.head).design.army.figures} figures.")
    return redirect("army", army.pk)


def armies_page(request, *, new=None, importing=None, listing=None, status=200):
    """The painter's armies, and the forms to start one as they were sent."""
    armies = Army.objects.visible_to(request.user).with_head().select_related("owner")
    rows = [(army, faces_asked(army)) for army in armies]
    context = {
        "rows": rows, "new": new or ArmyForm(), "importing": importing or ImportForm(), "listing": listing or list_form(),
        "title": "Armies",
    }  # fmt: skip
    return render(request, "army/armies.html", context, status=status)


@login_required
@require_safe
def army(request, army_id):
    """The muster and the tree, one formation or unit picked."""
    return _army_page(request, army_for(request, army_id))


def _army_page(request, army, status=200, picked_id="", **forms):
    reading = reading_of(army.head)
    force = reading.design.army
    painted = request.GET.get("as", "painted" if log_of(army).lines else "designed") == "painted"
    seeing = seeing_from(request.GET)
    focus = force.nodes.get(request.GET.get("look", ""), force.root)
    picked = force.nodes.get(picked_id or request.GET.get("node", request.GET.get("look", "")), force.root)
    muster = Muster(army, reading, progress(army), army.log_mark, painted=painted, seeing=seeing, focus=focus)
    single = _single(muster, request.GET)
    kept = {"as": "painted" if painted else "designed"} | seeing.query()
    where = {"look": focus.id} if focus is not force.root else {}
    if single:
        where |= {"rank": single.one.rank, "figure": single.ordinal}
    context = {
        "title": "Army",
        "muster": muster,
        "grey": bool(force.figures) and not reading.shares,
        "seeing": seeing,
        "looking": looking(seeing, {"node": picked.id, "as": kept["as"]} | where),
        "kept": urlencode(kept | {name: value for name, value in where.items() if name == "look"}),
        "stayed": urlencode(seeing.query() | {"node": picked.id} | where),
        "zooming": urlencode(kept),
        "farther": force.nodes[force.paths[focus.id][-2]] if len(force.paths[focus.id]) > 1 else force.root,
        "crumbs": [force.nodes[id_] for id_ in force.paths[focus.id]],
        "closer": picked if picked.id != focus.id and picked.figures else None,
        "single": single,
        "rows": muster.rows(),
        "sections": muster.sections(),
        "whole": muster.of(force.root),
        "states": muster.states(),
        "painted": painted,
        "picked": picked,
        "picked_progress": muster.of(picked),
        "picked_pictures": [
            muster.picture(picked, one, one.ordinals[0], 92) for one in _classes_below(reading, picked)[:5]
        ],
        "types": force.type_titles,
        "copy": None if picked.kind == "army" else reading.copy_of(picked.id),
        "holders": [
            node for node in force.nodes.values() if not node.is_unit and picked.id not in force.paths[node.id]
        ],
        "unit_form": UnitForm(
            army=force,
            auto_id="unit_%s",
            initial={"unit": picked.name if picked.is_unit else "", "formation": _path_words(force, picked)},
        ),
        "node_form": NodeForm(
            auto_id="node_%s", initial={"name": picked.name, "kind": picked.kind, "tags": ", ".join(picked.tags)}
        ),
        "units_form": None if picked.is_unit else UnitsForm(auto_id="units_%s", army=force, node=picked),
        "rank_forms": [
            (
                rank,
                RankForm(
                    army=force,
                    auto_id=f"rank{at}_%s",
                    initial={"rank": rank.name, "type": rank.type, "figures": rank.figures, "tier": rank.tier},
                ),
            )
            for at, rank in enumerate(picked.ranks)
        ],
    }
    return room_page(request, army, "army", "army/army.html", context | forms, status)


def _single(muster, asked):
    """The figure that is looked at alone, if one is asked for that there is."""
    ordinal = whole_number(asked.get("figure", ""), 10**6)
    if not muster.focus.is_unit or not ordinal:
        return None
    rank = next((one for one in muster.focus.ranks if one.id == asked.get("rank")), None)
    return muster.single(muster.focus, rank.id, ordinal) if rank and ordinal <= rank.figures else None


def _classes_below(reading, node):
    units = {unit.id for unit in node.walk()}
    seen = {}
    for one in reading.resolution.classes:
        if one.unit in units:
            seen.setdefault((one.unit if node.is_unit else "", one.rank, one.type), one)
    return list(seen.values())


def _path_words(force, node):
    path = force.paths[node.id][1:]
    return " / ".join(force.nodes[node_id].name for node_id in (path[:-1] if node.is_unit else path))


@login_required
@require_POST
def add_unit(request, army_id):
    """Add a rank of a unit, typed in."""
    army = army_for(request, army_id)
    form = UnitForm(request.POST, army=reading_of(army.head).design.army, auto_id="unit_%s")
    if form.is_valid():
        given = form.cleaned_data
        path = tuple(step.strip() for step in given["formation"].split("/") if step.strip())
        entry = tree.Entry(given["unit"], given["type"], given["rank"], given["figures"], path, given["tier"])
        if apply_form(
            request,
            army,
            form,
            lambda design: tree.with_entries(design, [entry]),
            f"{entry.figures} {entry.rank} added to {entry.unit}",
        ):
            return back(request, "army", army.pk)
    return _army_page(request, army, 422, unit_form=form)


@login_required
@require_POST
def change_node(request, army_id, node_id):
    """Rename a formation or unit; give a unit its tags."""
    army = army_for(request, army_id)
    node = _known(army, node_id)
    form = NodeForm(request.POST, auto_id="node_%s")
    if form.is_valid():
        given = form.cleaned_data

        def change(design):
            design = tree.with_node_named(design, node_id, given["name"], given["kind"])
            if node.is_unit and "tags" in request.POST:
                design = tree.with_tags(design, node_id, tuple(given["tags"].split(",")))
            return design

        said = f"Renamed to {given['name']}" if given["name"] != node.name else f"{node.name} changed"
        if apply_form(request, army, form, change, said):
            return back(request, "army", army.pk)
    return _army_page(request, army, 422, picked_id=node_id, node_form=form)


@login_required
@require_POST
def change_units(request, army_id, node_id):
    """Change type, tier or tags of all units of a formation at once."""
    army = army_for(request, army_id)
    node = _known(army, node_id)
    form = UnitsForm(request.POST, army=reading_of(army.head).design.army, auto_id="units_%s", node=node)
    if form.is_valid():
        given = form.cleaned_data
        asked = {"rank": given["only"], "type_id": given["all_type"], "tier": given["all_tier"]}
        asked |= {"add_tag": given["add_tag"], "drop_tag": given["drop_tag"]}
        try:
            _, changed = tree.with_units_changed(reading_of(army.head).design, node_id, **asked)
            if changed:
                words = f"{len(changed)} unit{'s' * (len(changed) != 1)} of {node.name} changed"
                apply(request, army, lambda design: tree.with_units_changed(design, node_id, **asked)[0], words)
            else:
                messages.info(request, "All units were like that already; nothing was changed.")
            return back(request, "army", army.pk)
        except MantelloError as error:
            error.where = "add_tag" if error.where == "tags" else error.where
            refused(form, error)
    return _army_page(request, army, 422, picked_id=node_id, units_form=form)


@login_required
@require_POST
def move_node(request, army_id, node_id):
    """Move a formation or unit among its siblings, or under another formation."""
    army = army_for(request, army_id)
    node = _known(army, node_id)
    under = request.POST.get("under", "")
    if under:
        apply(request, army, lambda design: tree.with_node_under(design, node_id, under), f"{node.name} moved")
    else:
        by = -1 if request.POST.get("do") == "earlier" else 1
        apply(request, army, lambda design: tree.with_node_moved(design, node_id, by), f"{node.name} moved")
    return back(request, "army", army.pk)


@login_required
@require_POST
def remove_node(request, army_id, node_id):
    """Remove a formation or unit with all below it."""
    army = army_for(request, army_id)
    node = _known(army, node_id)
    apply(
        request, army, lambda design: tree.without_node(design, node_id), f"{node.name} removed: {node.figures} figures"
    )
    return redirect("army", army.pk)


@login_required
@require_POST
def duplicate_node(request, army_id, node_id):
    """Add a copy of a formation or unit beside it."""
    army = army_for(request, army_id)
    node = _known(army, node_id)
    if node.kind == "army":
        raise Http404
    name = request.POST.get("name", "").strip() or reading_of(army.head).copy_of(node_id)[0]
    copied = with_advanced_copy if request.POST.get("advance") else tree.with_duplicate
    apply(request, army, lambda design: copied(design, node_id, name), f"{node.name} duplicated as {name}")
    return back(request, "army", army.pk)


@login_required
@require_POST
def change_rank(request, army_id, node_id):
    """Change a rank of a unit, or remove it."""
    army = army_for(request, army_id)
    unit, id_ = _known(army, node_id), request.POST.get("id", "")
    old = reading_of(army.head).design.army.rank(node_id, id_)
    if "remove" in request.POST:
        words = f"{old.name} removed from {unit.name}"
        apply(request, army, lambda design: tree.without_rank(design, node_id, id_), words)
        return back(request, "army", army.pk)
    at = unit.ranks.index(old)
    form = RankForm(request.POST, army=reading_of(army.head).design.army, auto_id=f"rank{at}_%s")
    if form.is_valid():
        given = form.cleaned_data
        rank = Rank(id_, given["rank"], given["type"], given["figures"], given["tier"])
        if apply_form(
            request,
            army,
            form,
            lambda design: tree.with_rank(design, node_id, rank),
            f"{rank.name} of {unit.name} changed: {rank.figures} figures",
        ):
            return back(request, "army", army.pk)
    rank_forms = [(rank, form if rank is old else None) for rank in unit.ranks]
    return _army_page(request, army, 422, picked_id=node_id, rank_forms=rank_forms)


def _known(army, node_id):
    node = reading_of(army.head).design.army.nodes.get(node_id)
    if node is None:
        raise Http404
    return node


@login_required
@require_POST
def undo(request, army_id):
    """Take the last edit back."""
    army = army_for(request, army_id)
    undone = actions.undo(army, base_of(request))
    messages.success(request, f"Undone: {undone.words}" if undone else "There is nothing to undo.")
    return back(request, "army", army.pk)


@login_required
@require_POST
def redo(request, army_id):
    """Make the edit again that was taken back."""
    army = army_for(request, army_id)
    redone = actions.redo(army, base_of(request))
    messages.success(request, f"Done again: {redone.words}" if redone else "There is nothing to redo.")
    return back(request, "army", army.pk)


@login_required
@require_POST
def remove_army(request, army_id):
    """Delete an army for good, its name typed as proof."""
    army = army_for(request, army_id)
    if request.POST.get("name", "").strip() != army.name:
        messages.error(
            request,
            f"'{request.POST.get('name', '')[:80]}' is not the army's name, so nothing was deleted. Type {army.name}.",
        )
        return redirect("army", army.pk)
    army.delete()
    messages.success(request, f"{army.name} was deleted.")
    return redirect("armies")
