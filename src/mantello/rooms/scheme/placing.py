"""Marks on the picked figure: devices on the sites of its areas, placed at a rung."""

from dataclasses import dataclass

from django import forms
from django.contrib.auth.decorators import login_required
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST

from mantello.workspace.page import apply, army_for, back
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure
from mantello_core.design.bearing import device_words, with_device, without_device
from mantello_core.design.own_devices import own_device
from mantello_core.errors import OutOfRange
from mantello_core.figures.plate import Site
from mantello_core.formats.mark_svg import mark_svg
from mantello_core.insignia.devices.device import ARMS, FRAMES, MOST_SIGNS, OWN, Device, checked_device, figures
from mantello_core.insignia.devices.manner import FACINGS, LINES, METHODS, MOST_TURN, Manner, checked_manner
from mantello_core.insignia.devices.repeated import REPEATED, WAYS, checked_count, compared_with_reference
from mantello_core.marks.placement import Borne
from mantello_core.numerals import whole_number

from .pick import Pick


class DeviceForm(forms.Form):
    """A device for a site: what, in which colour, and for whom."""

    kind = forms.ChoiceField(label="Device", help_text="Arms bring their own paints; the rest take the role below.")
    text = forms.CharField(required=False, label="Numerals, letters, or how many", max_length=12)
    frame = forms.ChoiceField(
        required=False,
        label="Cut out of, or leaning",
        help_text="Numerals and letters can be cut out of a figure; teeth and rays can lean.",
    )
    counted = forms.CharField(
        required=False,
        label="Counted in a reference",
        max_length=4,
        help_text="Teeth or rays: nothing is placed if it is another number.",
    )
    role = forms.ChoiceField(label="In")
    rung = forms.TypedChoiceField(label="For", coerce=int)
    method = forms.ChoiceField(label="Made", choices=list(METHODS.items()))
    turn = forms.FloatField(
        label="Turned, degrees clockwise", min_value=-MOST_TURN, max_value=MOST_TURN,
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), f"Write -{MOST_TURN} to {MOST_TURN}."),
    )  # fmt: skip
    facing = forms.ChoiceField(required=False, label="Faces", choices=list(FACINGS.items()))
    ground = forms.ChoiceField(required=False, label="On a patch of")
    outline = forms.ChoiceField(required=False, label="With a line round it of")
    line = forms.FloatField(
        label="The line's width, mm", min_value=LINES[0], max_value=LINES[1],
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), f"Write {LINES[0]:g} to {LINES[1]:g} mm."),
    )  # fmt: skip

    def __init__(self, *arguments, pick: Pick, **options):
        super().__init__(*arguments, **options)
        arms = [(f"{ARMS}:{one.id}", f"Arms of {one.name}") for one in pick.reading.design.scheme.arms]
        own = [(f"{OWN}:{one.text}", one.text) for one in pick.reading.design.scheme.devices]
        self.fields["kind"].choices = [
            ("text", f"Up to {MOST_SIGNS} numerals, letters"), *arms, *own, *figures().items(),
            *((id_, f"{name} of so many {parts}") for id_, (name, parts) in REPEATED.items()),
        ]  # fmt: skip
        roles = [(role.id, role.name) for role in pick.reading.design.scheme.roles]
        leaning = [(id_, words) for id_, words in WAYS.items() if id_]
        self.fields["frame"].choices = [("", "nothing"), *((id_, figures()[id_].lower()) for id_ in FRAMES), *leaning]
        self.fields["role"].choices = roles
        self.fields["ground"].choices = [("", "none: the area's own colour"), *roles]
        self.fields["outline"].choices = [("", "no line"), *roles]
        self.fields["rung"].choices = [(rung.number, f"{rung.kind.capitalize()}: {rung.name}") for rung in pick.rungs]

    @property
    def what(self):
        """The fields that say what is borne and by whom."""
        return [self[name] for name in ("kind", "text", "frame", "counted", "role", "rung")]

    @property
    def how(self):
        """The fields that say how it is put on."""
        return [self[name] for name in ("method", "turn", "facing", "ground", "outline", "line")]


@dataclass(frozen=True)
class SiteRow:
    """One site of the picked area: what it bears, drawn, and the form to change it."""

    site: Site
    borne: Borne | None
    words: str
    role_name: str
    rung_name: str
    picture: str
    form: DeviceForm

    @property
    def system(self) -> str:
        """The marking system that gives the mark; '' for a placed one."""
        return self.borne.placement.id.partition(":")[0] if self.borne and ":" in self.borne.placement.id else ""

    @property
    def method(self) -> str:
        """How the mark is made, in words."""
        return METHODS[self.borne.placement.manner.method] if self.borne else ""

    @property
    def special(self) -> bool:
        """Whether anything of how it is put on is not as usual."""
        return bool(self.borne) and self.borne.placement.manner != Manner()


def site_rows(pick: Pick) -> list[SiteRow]:
    """The sites of the picked area."""
    rows = []
    for site in pick.plate.sites.get(pick.area, ()):
        borne = pick.figures.borne.get(site.id)
        initial = {"kind": "text", "rung": max(1, len(pick.rungs) - 3), "role": pick.role} | vars(Manner())
        if borne:
            device = borne.placement.device
            called = device.kind in (ARMS, OWN)
            initial = {
                "kind": f"{device.kind}:{device.text}" if called else device.kind,
                "text": "" if called else device.text,
                "frame": device.frame,
                **vars(borne.placement.manner),
                "role": borne.placement.role or pick.role,
                "rung": borne.rung,
            }
        form = DeviceForm(pick=pick, initial=initial, auto_id=f"site-{site.id}_%s")
        scheme = pick.reading.design.scheme
        role = scheme.role_by_id[borne.placement.role].name if borne and borne.placement.role else ""
        words = device_words(scheme, borne.placement.device) if borne else ""
        rung = next((f"{one.kind} {one.name}" for one in pick.rungs if borne and one.number == borne.rung), "")
        rows.append(SiteRow(site, borne, words, role, rung, _picture(pick, site, borne), form))
    return rows


def _picture(pick: Pick, site: Site, borne: Borne | None) -> str:
    """The site at its shape's size with the device on the area's colour."""
    ground = pick.reading.fill(pick.figures, pick.area, pick.seeing)
    mark = dict(pick.reading.bearing(pick.figures, pick.seeing)).get(site.id) if borne else None
    return mark_safe(mark_svg(site, ground, mark))


@login_required
@require_POST
def place_device(request, army_id):
    """Place a device on a site at a rung, or take away what is placed there."""
    army = army_for(request, army_id)
    asked = request.POST
    ordinal, rung = whole_number(asked.get("figure", ""), 10**6), whole_number(asked.get("rung", ""), 99)
    if ordinal is None or rung is None:
        came = f"Figure '{asked.get('figure', '')[:20]}', rung '{asked.get('rung', '')[:20]}'"
        raise OutOfRange(f"{came}; reload the page and try again.", "rung")
    figure, site = Figure(asked.get("unit", ""), asked.get("rank", ""), ordinal), asked.get("site", "")
    force = reading_of(army.head).design.army
    place = next((one for one in force.rungs(figure) if one.number == rung), None)
    where = f"{site} at {rung} {place.kind.capitalize()}" if place else site
    if asked.get("do") == "clear":
        apply(request, army, lambda design: without_device(design, figure, site, rung), f"Mark taken from {where}")
    elif asked.get("do") == "bare":
        apply(request, army, lambda design: with_device(design, figure, site, None, "", rung), f"No mark on {where}")
    else:
        design = reading_of(army.head).design
        device = _device(asked, design)
        manner = _manner(asked, device)
        scheme = design.scheme
        words = f"{_capital(device_words(scheme, device))} placed on {where}"
        role = asked.get("role", "")
        apply(request, army, lambda design: with_device(design, figure, site, device, role, rung, manner), words)
    return back(request, "scheme", army.pk)


def _device(asked, design) -> Device:
    """The device that the form says.

    Raises: what ``checked_device`` refuses; OutOfRange for parts that are not as many as in the reference.
    """
    kind, _, called = asked.get("kind", "").partition(":")
    if kind == OWN:
        return own_device(design, called)
    text = called if kind == ARMS else asked.get("text", "")
    frame = asked.get("frame", "") if kind in ("text", *REPEATED) else ""
    device = checked_device(Device(kind, text, frame), "text")
    if kind in REPEATED and asked.get("counted", "").strip():
        compared_with_reference(kind, int(device.text), checked_count(asked["counted"], "counted"))
    return device


def _manner(asked, device: Device) -> Manner:
    """How the mark is put on, as the form says it; what it leaves out is as usual."""
    numbers = {}
    for name, words in (("turn", "degrees, such as 45 or -90"), ("line", "mm, such as 0.3")):
        if name in asked:
            try:
                numbers[name] = float(asked[name])
            except ValueError:
                raise OutOfRange(f"'{asked[name][:20]}' is no number; write {words}.", name) from None
    given = {name: asked[name] for name in ("method", "facing", "ground", "outline") if name in asked}
    return checked_manner(Manner(**numbers, **given), device, "")


def _capital(words: str) -> str:
    return words[:1].upper() + words[1:]
