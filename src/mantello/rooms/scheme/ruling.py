"""The rules' page: distinctions, written rules, substitutions, and schemes taken over."""

from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_http_methods, require_POST, require_safe

from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.models import Army
from mantello.workspace.page import apply, apply_form, apply_given, army_for, back, room_page, seen_army
from mantello.workspace.readings import reading_of
from mantello_core.design import edit
from mantello_core.design.listed import with_list
from mantello_core.design.preview import changed
from mantello_core.design.transfer import transferred
from mantello_core.errors import MantelloError
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.change import changes
from mantello_core.scheme.sentence import areas_words, rule_sentence

from .board import MOST_CARDS, board_of, chooser_of, kinds_of
from .forms import ColumnForm, PastedForm, RuleForm, TableForm, TonedForm
from .ink_swatch import role_or_pattern
from .pick import pick_from


@login_required
@require_safe
def rules(request, army_id):
    """Distinction tables and written rules, as plain sentences."""
    return _rules_page(request, army_for(request, army_id))


def _rules_page(request, army, status=200, **forms):
    reading = reading_of(army.head)
    design = reading.design
    kinds = list(dict.fromkeys([*(node.kind for node in design.army.nodes.values() if node.kind != "army"), "rank"]))
    context = {
        "title": "Rules",
        "view": "rules",
        "pick": pick_from(reading, request.GET),
        "tables": [
            (
                table,
                edit.rows_of(design.army, table.key),
                [(column, areas_words(column.select)) for column in table.columns],
                forms.get("column_form")
                if forms.get("column_table") == table.id
                else ColumnForm(auto_id=f"column{number}_%s"),
            )
            for number, table in enumerate(design.scheme.tables)
        ],
        "board": board_of(
            army, reading, request.GET.get("of", ""), forms.get("editing") or request.GET.get("edit", "")
        ),
        "count": len(design.scheme.rules),
        "chooser": chooser_of(reading, request.GET.get("on", ""))
        if request.GET.get("edit") or forms.get("editing")
        else [],
        "kinds_on": kinds_of(reading),
        "on": request.GET.get("on", ""),
        "materials": sorted({area.material for one in reading.resolution.classes for area in one.plate.areas.values()}),
        "kinds": kinds,
        "table_form": TableForm(auto_id="table_%s"),
        "column_table": "",
        "pasted_form": PastedForm(auto_id="pasted_%s"),
        "pasted_table": "",
        "rule_form": _rule_form(request, design),
        "editing": request.GET.get("edit", ""),
        "tone_form": forms.get("tone_form") or TonedForm(catalogue_for(army)),
        "substitutions": [
            (one, design.army.nodes[one.scope].name, design.scheme.role(one.role).name, design.scheme.role(one.use))
            for one in design.scheme.substitutions
        ],
        "nodes": [(node.id, node.name, len(design.army.paths[node.id]) - 1) for node in design.army.nodes.values()],
        "ranks": list(design.army.rank_names.items()),
        "types": list(dict.fromkeys(rank.type for unit in design.army.units for rank in unit.ranks)),
        "tags": list(dict.fromkeys(tag for unit in design.army.units for tag in unit.tags)),
        "others": Army.objects.visible_to(request.user).exclude(pk=army.pk)[:50],
    }
    return room_page(request, army, "scheme", "scheme/rules.html", context | forms, status)


def _rule_form(request, design):
    known = next((one for one in design.scheme.rules if one.id == request.GET.get("edit")), None)
    if known:
        return RuleForm.showing(known, auto_id="rule_%s")
    return RuleForm(auto_id="rule_%s", initial={"scope": design.army.root.id})


@login_required
@require_POST
def set_cell(request, army_id, table):
    """Set or empty a cell of a distinction table."""
    army = army_for(request, army_id)
    row, column, given = request.POST.get("row", ""), request.POST.get("column", ""), request.POST.get("role", "")
    role, pattern = (None, "") if given == "-" else ("", "") if given == "bare" else role_or_pattern(given)
    apply(
        request, army, lambda design: edit.set_cell(design, table, row, column, role, pattern), _cell_told(table, row)
    )
    return back(request, "rules", army.pk)


def _cell_told(table, row):
    def words(before, after):
        counts = changed(before, after)
        found = edit.find_table(before.scheme, table)
        return f"{found.name}, {edit.rows_of(before.army, found.key)[row]}: {counts.words} changed"

    return words


@login_required
@require_POST
def new_table(request, army_id):
    """Add an empty distinction table."""
    army = army_for(request, army_id)
    form = TableForm(request.POST, auto_id="table_%s")
    if apply_given(
        request,
        army,
        form,
        lambda design, given: edit.with_new_table(design, given["name"], given["key"])[0],
        "Table {name} added",
    ):
        return redirect("rules", army.pk)
    return _rules_page(request, army, 422, table_form=form)


@login_required
@require_POST
def paste_list(request, army_id, table):
    """Fill a table from a plain list; what could not be placed is told, line by line, and stays typed."""
    army = army_for(request, army_id)
    form = PastedForm(request.POST, auto_id="pasted_%s")
    shown = {"pasted_form": form, "pasted_table": table}
    if not form.is_valid():
        return _rules_page(request, army, 422, **shown)
    data = form.cleaned_data["text"].encode()
    try:
        _, found = with_list(reading_of(army.head).design, table, data)
    except MantelloError as error:
        form.add_error("text", error.message)
        return _rules_page(request, army, 422, **shown)
    if found.cells:
        many = "s" * (found.cells != 1)
        apply(
            request, army, lambda design: with_list(design, table, data)[0], f"{found.cells} cell{many} set from a list"
        )
    if found.left:
        return _rules_page(request, army, **shown, left=found.left)
    return redirect("rules", army.pk)


@login_required
@require_POST
def set_column(request, army_id, table):
    """Add a column to a distinction table, or remove one."""
    army = army_for(request, army_id)
    if "remove" in request.POST:
        column = request.POST["remove"]
        apply(request, army, lambda design: edit.without_column(design, table, column), "Column removed")
        return redirect("rules", army.pk)
    form = ColumnForm(request.POST, auto_id="column_%s")
    if apply_given(
        request,
        army,
        form,
        lambda design, given: edit.with_column(design, table, given["name"], given["select"]),
        "Mark {name} added",
    ):
        return redirect("rules", army.pk)
    return _rules_page(request, army, 422, column_form=form, column_table=table)


@login_required
@require_POST
def change_rule(request, army_id, rule):
    """Switch a written rule on or off, or remove it."""
    army = army_for(request, army_id)
    scheme = reading_of(army.head).design.scheme
    found = next((one for one in scheme.rules if one.id == rule), None)
    what = areas_words(found.select) if found else rule
    if request.POST.get("do") == "remove":
        apply(request, army, lambda design: edit.without_rule(design, rule), f"Rule removed: {what}")
    else:
        on = request.POST.get("do") == "on"
        apply(
            request,
            army,
            lambda design: edit.with_rule_on(design, rule, on=on),
            f"Rule switched {'on' if on else 'off'}: {what}",
        )
    return _to_board(army, found.scope if found else "")


def _to_board(army, node: str):
    """To the rules, those of a node where not all are shown."""
    page = reverse("rules", args=[army.pk])
    long = len(reading_of(army.head).design.scheme.rules) > MOST_CARDS
    return redirect(f"{page}?{urlencode({'of': node})}" if long and node else page)


@login_required
@require_POST
def keep_rule(request, army_id):
    """Write a rule, or change one."""
    army = army_for(request, army_id)
    id_ = request.POST.get("rule", "")
    form = RuleForm(request.POST, auto_id="rule_%s")
    if form.is_valid():
        known = next((one for one in reading_of(army.head).design.scheme.rules if one.id == id_), None)
        made = form.rule(id_ if known else "", on=known.on if known else True)
        if apply_form(request, army, form, lambda design: edit.with_rule(design, made), _rule_told(made)):
            return _to_board(army, made.scope)
    return _rules_page(request, army, 422, rule_form=form, editing=id_ or "new")


def _rule_told(made):
    def words(before, after):
        counts = changed(before, after)
        return f"{rule_sentence(made, after.army, after.scheme)} {counts.words} changed"

    return words


@login_required
@require_POST
def substitute(request, army_id):
    """Let one role be worn instead of another within a formation, or no longer."""
    army = army_for(request, army_id)
    scope, role, use = (request.POST.get(name, "") for name in ("scope", "role", "use"))

    def words(before, after):
        counts = changed(before, after)
        return f"Substitution in {before.army.nodes[scope].name}: {counts.words} changed"

    apply(request, army, lambda design: edit.with_replaced_role(design, scope, role, use or None), words)
    return redirect("rules", army.pk)


@login_required
@require_POST
def tone(request, army_id):
    """Add a role like another with some parts of one paint in it."""
    army = army_for(request, army_id)
    form = TonedForm(catalogue_for(army), request.POST)

    def toned(design, given):
        pot = form.catalogue.paint(given["paint"])
        return edit.with_toned_role(design, given["like"], given["name"], pot, given["parts"])[0]

    if apply_given(request, army, form, toned, "Role {name} added"):
        return redirect("rules", army.pk)
    return _rules_page(request, army, 422, tone_form=form)


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def take_over(request, army_id, other_id):
    """Take the scheme of another of the painter's armies over: shown first, then done."""
    army = army_for(request, army_id)
    other = seen_army(request, other_id)
    source = reading_of(other.head).design
    if request.method == "POST":
        apply(request, army, lambda design: transferred(design, source).design, f"Scheme of {other.name} taken over")
        return redirect("scheme", army.pk)
    design = reading_of(army.head).design
    transfer = transferred(design, source)
    context = {
        "title": "Take a scheme over",
        "view": "rules",
        "other": other,
        "transfer": transfer,
        "left": [rule_sentence(one, source.army, source.scheme) for one in transfer.left],
        "counts": changes(reading_of(army.head).resolution, resolve(transfer.design.army, transfer.design.scheme)),
    }
    return room_page(request, army, "scheme", "scheme/take_over.html", context)
