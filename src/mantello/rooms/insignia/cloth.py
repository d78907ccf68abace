"""Patterns of cloth: stripes, checks, lozenges and dags on an area, made to go round evenly."""

from dataclasses import dataclass

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.colour.acuity import DISTANCES
from mantello_core.colour.spaces import hex_of
from mantello_core.design.bearing import with_device, without_device
from mantello_core.errors import MantelloError, UnknownName
from mantello_core.figures.plate import CLOTH
from mantello_core.figures.vocabulary import spoken
from mantello_core.formats.drawing import plate_svg
from mantello_core.insignia.devices.cloth import GIRTHS, PATTERNS, WIDTHS, Fit, cloth_fit, girth_guess
from mantello_core.insignia.devices.device import Device
from mantello_core.insignia.devices.freehand import FINEST_LINE
from mantello_core.insignia.devices.manner import Manner
from mantello_core.insignia.devices.worn import WornMark
from mantello_core.scheme.cascade import FigureClass

#: heads of areas that are flat, so that a pattern goes across and not round
_FLAT = ("flag", "shield", "vehicle")


def _numbers(least: float, most: float) -> dict:
    return dict.fromkeys(("invalid", "min_value", "max_value", "required"), f"Write {least:g} to {most:g}.")


class ClothForm(forms.Form):
    """An area of a figure, the pattern, and for whom."""

    figure = forms.ChoiceField(label="Figure")
    area = forms.ChoiceField(label="Area")
    pattern = forms.ChoiceField(label="Pattern", choices=list(PATTERNS.items()))
    role = forms.ChoiceField(label="Second colour")
    girth = forms.FloatField(
        required=False, min_value=GIRTHS[0], max_value=GIRTHS[1], label="Girth, mm", error_messages=_numbers(*GIRTHS),
        help_text="Measured with a strip of paper. Left empty, it is guessed from the drawing.",
    )  # fmt: skip
    width = forms.FloatField(
        min_value=WIDTHS[0], max_value=WIDTHS[1], label="About, mm wide", error_messages=_numbers(*WIDTHS)
    )
    turn = forms.FloatField(min_value=-180, max_value=180, label="Turned, degrees", error_messages=_numbers(-180, 180))
    line = forms.FloatField(min_value=0.1, max_value=3, label="Brush line, mm", error_messages=_numbers(0.1, 3))
    rung = forms.TypedChoiceField(label="For", coerce=int)

    def __init__(self, reading: Reading, one: FigureClass, *arguments, **options):
        super().__init__(*arguments, **options)
        army = reading.design.army
        self.fields["figure"].choices = [
            (_figure(each), f"{each.rank_name}, {army.title(each.unit)}")
            for each in {(each.unit, each.rank): each for each in reversed(reading.resolution.classes)}.values()
        ][::-1]
        self.fields["area"].choices = [(name, spoken(name)) for name in one.cells]
        self.fields["role"].choices = [
            (role.id, role.name) for role in reading.design.scheme.roles if role.recipe().steps
        ]
        self.fields["rung"].choices = [
            (rung.number, f"{rung.kind.capitalize()}: {rung.name}") for rung in army.rungs(one.first)
        ]


def _figure(one: FigureClass) -> str:
    return f"{one.unit}|{one.rank}"


@dataclass(frozen=True)
class Tried:
    """A pattern as it would be: how it goes round, drawn on the figure, and the two colours and their blend."""

    fit: Fit
    device: Device
    pictures: tuple[tuple[str, str], ...]
    girth_guessed: bool
    ground: str


@login_required
@require_safe
def cloth(request, army_id):
    """The patterns there are, and one tried."""
    return _page(request, army_for(request, army_id), request.GET)


def _page(request, army, given, status=200, form=None):
    reading = reading_of(army.head)
    classes = reading.resolution.classes
    one = next((each for each in classes if _figure(each) == given.get("figure")), next(iter(classes), None))
    context = {"title": "Cloth", "placed": _placed(reading), "one": one}
    if one:
        form = form or ClothForm(reading, one, _asked(reading, one, given))
        tried = None
        if form.is_valid():
            tried = _tried(reading, one, form)
        context |= {"form": form, "tried": tried}
        status = 422 if form.errors else status
    return room_page(request, army, "insignia", "insignia/cloth.html", context, status)


def _asked(reading: Reading, one: FigureClass, given) -> dict:
    area = given.get("area", "")
    cloth_areas = [name for name in one.cells if one.plate.areas[name].material == "cloth"]
    area = area if area in one.cells else max(cloth_areas or one.cells, key=lambda name: one.plate.areas[name].mm2)
    roles = [role.id for role in reading.design.scheme.roles if role.recipe().steps and role.id != one.cells[area].role]
    usual = {
        "pattern": "stripes", "role": roles[0] if roles else "", "girth": "", "width": "1.2", "turn": "0",
        "line": f"{FINEST_LINE:g}", "rung": str(len(reading.design.army.rungs(one.first)) - 1),
    }  # fmt: skip
    return {name: given.get(name, value) for name, value in usual.items()} | {"figure": _figure(one), "area": area}


def _tried(reading: Reading, one: FigureClass, form: ClothForm) -> Tried | None:
    said = form.cleaned_data
    _, site = one.plate.named_sites(f"{CLOTH}{said['area']}")[0]
    girth = said["girth"] or girth_guess(site.width, flat=said["area"].split(".")[0] in _FLAT)
    own = one.cells[said["area"]].role
    known = reading.design.scheme.role_by_id.get(own or "")
    ground = reading.prediction(own, one.tier).apparent if known and known.recipe().steps else reading.undercoat
    metres = reading.design.brief.metres if reading.design.brief else DISTANCES["table"]
    ink = reading.prediction(said["role"], one.tier).apparent
    try:
        fit = cloth_fit(said["pattern"], girth, said["width"], said["line"], (ground, ink), metres)
        device = Device(said["pattern"], f"{fit.width:.4g}")
        mark = WornMark(device, hex_of(ink), manner=Manner(turn=said["turn"]))
        others = tuple(pair for pair in reading.bearing(one) if pair[0] != f"{CLOTH}{said['area']}")
        pictures = tuple(
            (view.name, mark_safe(plate_svg(one.plate, view.name, lambda area: reading.fill(one, area), prefix=f"cl-{view.name}-",
                                            bearing=((f"{CLOTH}{said['area']}", mark), *others))))
            for view in one.plate.views
        )  # fmt: skip
    except MantelloError as error:
        form.add_error(error.where if error.where in form.fields else None, error.message)
        return None
    return Tried(fit, device, pictures, not said["girth"], known.name if known else "bare")


def _placed(reading: Reading) -> list[dict]:
    """Patterns of the army, each with where it is and who wears it."""
    army, found = reading.design.army, {}
    for one in reading.resolution.classes:
        for site, borne in one.borne.items():
            if not site.startswith(CLOTH):
                continue
            mark = borne.placement
            row = found.setdefault(mark.id, {
                "mark": mark, "area": site.removeprefix(CLOTH), "words": mark.device.words, "figures": 0, "one": one,
                "role": reading.design.scheme.role(mark.role).name, "who": army.nodes[mark.scope].name, "rung": borne.rung,
            })  # fmt: skip
            row["figures"] += len(one.ordinals)
    for row in found.values():
        row["spoken"] = spoken(row["area"])
        row["figure"] = _figure(row["one"])
    return list(found.values())


@login_required
@require_POST
def keep_cloth(request, army_id):
    """A pattern is put on an area, or taken off."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    given = request.POST
    known = {_figure(each): each for each in reversed(reading.resolution.classes)}
    if given.get("figure") not in known:
        raise UnknownName("figure", given.get("figure", "")[:60], [], "figure")
    one = known[given["figure"]]
    form = ClothForm(reading, one, given)
    if not form.is_valid():
        return _page(request, army, given, 422, form)
    said = form.cleaned_data
    site, where = f"{CLOTH}{said['area']}", spoken(said["area"]).lower()
    if given.get("do") == "remove":
        words, change = f"No pattern on {where}", lambda design: without_device(design, one.first, site, said["rung"])
    else:
        tried = _tried(reading, one, form)
        if tried is None:
            return _page(request, army, given, 422, form)
        words = f"{PATTERNS[said['pattern']]} on {where}"

        def change(design):
            manner = Manner(turn=said["turn"])
            return with_device(design, one.first, site, tried.device, said["role"], said["rung"], manner)

    if not apply_form(request, army, form, change, words):
        return _page(request, army, given, 422, form)
    return redirect(f"{reverse('cloth', args=[army.pk])}?{_query(given)}")


def _query(given) -> str:
    names = ("figure", "area", "pattern", "role", "girth", "width", "turn", "line", "rung")
    kept = given.copy()
    for name in list(kept):
        if name not in names:
            del kept[name]
    return kept.urlencode()
