"""Unit codes: marking systems designed, their codes given out, pinned, retired and freed, and the proof that they are unlike."""

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.codes import Place, code_picture, code_words, place_of
from mantello.workspace.page import apply, apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.design.listed_codes import with_code_list
from mantello_core.errors import MantelloError
from mantello_core.insignia.devices.device import FRAMES, figures
from mantello_core.insignia.devices.manner import METHODS, Manner
from mantello_core.insignia.systems.code import SHARED, SIGNS, Code, CodePlan, CodeSite, free_codes, proof
from mantello_core.marks.placement import site_ids
from mantello_core.marks.unit_codes import (
    BEARERS,
    SIGN_SETS,
    CodeSystem,
    holders,
    taken_codes,
    with_codes,
    with_freed,
    with_pin,
    with_retired,
    with_system,
    without_system,
)

#: plain figures that mark ranks
_RANK_FIGURES = (
    "bar",
    "bars",
    "bars3",
    "chevron",
    "chevrons",
    "chevrons3",
    "pale",
    "disc",
    "lozenge",
    "crescent",
    "arrow",
)
#: L* and CIEDE2000 that colours of codes should lie apart
COLOURS_APART = 20


class SystemForm(forms.Form):
    """What codes are made of, who gets them, and where they are shown."""

    name = forms.CharField(label="Name", max_length=80)
    scope = forms.ChoiceField(label="Within")
    bearers = forms.ChoiceField(label="A code for", choices=list(BEARERS.items()))
    type = forms.ChoiceField(required=False, label="Shown by")
    site = forms.ChoiceField(label="On the site")
    colours = forms.MultipleChoiceField(label="Colours", widget=forms.CheckboxSelectMultiple)
    colour_by = forms.ChoiceField(label="Colour", choices=list(SHARED.items()))
    frames = forms.MultipleChoiceField(required=False, label="Figures", widget=forms.CheckboxSelectMultiple)
    frame_by = forms.ChoiceField(label="Figure", choices=list(SHARED.items()))
    signs = forms.CharField(
        required=False, label="Signs", max_length=240,
        help_text="'numerals', 'letters', or your own, such as A, B, C or 11, 12. Empty for none.",
    )  # fmt: skip
    sign_by = forms.ChoiceField(label="Sign", choices=list(SIGNS.items()))
    apart = forms.IntegerField(
        min_value=1, max_value=3, label="Two codes differ in at least",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 1, 2 or 3 features."),
    )  # fmt: skip
    seed = forms.IntegerField(
        min_value=0, max_value=9999, label="Set number",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 0 to 9999."),
    )  # fmt: skip
    method = forms.ChoiceField(label="Made", choices=list(METHODS.items()))
    ground = forms.ChoiceField(required=False, label="On a patch of")
    outline = forms.ChoiceField(required=False, label="With a line round it of")
    rank_site = forms.ChoiceField(required=False, label="Ranks shown on")
    rank_role = forms.ChoiceField(required=False, label="Ranks painted in")

    def __init__(self, reading: Reading, *arguments, **options):
        super().__init__(*arguments, **options)
        army, scheme = reading.design.army, reading.design.scheme
        roles = [(role.id, role.name) for role in scheme.roles]
        plates = {one.type: one.plate for one in reading.resolution.classes}
        sites = sorted({site for plate in plates.values() for site in site_ids(plate)})
        named = [(site, site.replace(".", " ").capitalize()) for site in sites]
        self.fields["scope"].choices = [(node.id, node.name) for node in army.nodes.values() if not node.is_unit]
        self.fields["type"].choices = [
            ("", "every type with the site"),
            *((id_, one.title) for id_, one in plates.items()),
        ]
        self.fields["site"].choices = named
        self.fields["colours"].choices = [(role.id, role.name) for role in scheme.roles if role.recipe().steps]
        self.fields["frames"].choices = [(id_, figures()[id_]) for id_ in FRAMES]
        self.fields["ground"].choices = [("", "none: the area's own colour"), *roles]
        self.fields["outline"].choices = [("", "no line"), *roles]
        self.fields["rank_site"].choices = [("", "nowhere"), *named]
        self.fields["rank_role"].choices = [("", "choose a colour"), *roles]
        leaders = {rank.id for unit in army.units for rank in unit.ranks if rank.tier != "rank"}
        self.ranks = sorted(leaders, key=army.rank_names.get)[:12]
        self._colour_of = _colour_of(reading)
        for at, rank in enumerate(self.ranks):
            self.fields[f"rank_{at}"] = forms.ChoiceField(
                required=False,
                label=army.rank_names[rank],
                choices=[("", "nothing"), *((id_, figures()[id_]) for id_ in _RANK_FIGURES)],
            )

    @property
    def possible(self) -> bool:
        """Whether there is anything to make codes of: a site on some figure, and a colour with a recipe."""
        return bool(self.fields["site"].choices and self.fields["colours"].choices)

    @property
    def ticks(self):
        """The colours to tick, each with how it looks; ticked ones first."""
        known = [(tick, self._colour_of(tick.data["value"])) for tick in self["colours"]]
        return sorted(known, key=lambda pair: not pair[0].data["selected"])

    @property
    def who(self):
        """Fields of who and where."""
        return [self[name] for name in ("name", "scope", "bearers", "type", "site")]

    @property
    def made_of(self):
        """Fields of how codes are made and given out."""
        return [
            self[name] for name in ("colours", "colour_by", "frames", "frame_by", "signs", "sign_by", "apart", "seed")
        ]

    @property
    def put_on(self):
        """Fields of how the mark is put on, and of ranks."""
        names = ("method", "ground", "outline", "rank_site", "rank_role")
        return [self[name] for name in (*names, *(f"rank_{at}" for at in range(len(self.ranks))))]

    def system(self, old: CodeSystem | None) -> CodeSystem:
        """The system that the form describes; codes of the old one stay."""
        given = self.cleaned_data
        plan = CodePlan(
            tuple(given["colours"]), tuple(given["frames"]), _signs(given["signs"]), given["colour_by"], given["frame_by"],
            given["sign_by"], given["apart"], given["seed"],
        )  # fmt: skip
        marks = tuple((rank, given[f"rank_{at}"]) for at, rank in enumerate(self.ranks) if given[f"rank_{at}"])
        return CodeSystem(
            old.id if old else "", given["name"], plan, given["site"], given["bearers"], given["scope"], given["type"],
            Manner(given["method"], ground=given["ground"], outline=given["outline"]), old.held if old else (),
            old.retired if old else (), given["rank_site"], given["rank_role"], marks,
        )  # fmt: skip


def _signs(text: str) -> tuple[str, ...]:
    known = SIGN_SETS.get(text.strip().lower())
    return (
        known
        if known is not None
        else tuple(dict.fromkeys(one.strip().upper() for one in text.split(",") if one.strip()))
    )


def _initial(system: CodeSystem | None, form_reading: Reading) -> dict:
    if system is None:
        return {
            "scope": form_reading.design.army.root.id, "bearers": "unit", "colour_by": "group", "frame_by": "one",
            "signs": "numerals", "sign_by": "order", "apart": 1, "seed": 1, "method": "freehand",
        }  # fmt: skip
    plan = system.plan
    signs = next((name for name, known in SIGN_SETS.items() if known == plan.signs and known), ", ".join(plan.signs))
    return {
        "name": system.name, "scope": system.scope, "bearers": system.bearers, "type": system.type, "site": system.site,
        "colours": plan.colours, "colour_by": plan.colour_by, "frames": plan.frames, "frame_by": plan.frame_by,
        "signs": signs, "sign_by": plan.sign_by, "apart": plan.apart, "seed": plan.seed, "method": system.manner.method,
        "ground": system.manner.ground, "outline": system.manner.outline, "rank_site": system.rank_site,
        "rank_role": system.rank_role,
    }  # fmt: skip


def _colour_of(reading: Reading):
    return lambda role: reading.prediction(role, "rank").apparent


class ListedForm(forms.Form):
    """Codes as a list has them."""

    text = forms.CharField(
        label="A list, in any layout", widget=forms.Textarea(attrs={"rows": 6, "spellcheck": "false", "class": "mono"}),
        max_length=12_000, strip=False,
        help_text="A bearer on each line, and beside it sign, figure or colour: '1st, the Harbour; 3 in a lozenge; yellow'.",
    )  # fmt: skip


@login_required
@require_safe
def unit_codes(request, army_id):
    """The systems; one of them with its codes and the proof, or a new one."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None, **more):
    reading = reading_of(army.head)
    systems = reading.design.scheme.code_systems
    asked = request.GET.get("system", "") or request.POST.get("system", "")
    chosen = next((one for one in systems if one.id == asked), None)
    if chosen is None and "new" not in request.GET and not form:
        chosen = next(iter(systems), None)
    initial = _initial(chosen, reading)
    form = form or SystemForm(reading, initial=initial)
    if chosen and not form.is_bound:
        marks = dict(chosen.rank_marks)
        form.initial |= {f"rank_{at}": marks.get(rank, "") for at, rank in enumerate(form.ranks)}
    place = place_of(reading, chosen) if chosen else None
    context = {
        "title": "Unit codes", "systems": systems, "chosen": chosen, "form": form, "place": place,
        **(_codes(reading, chosen, place) if chosen else {}), "colours_apart": COLOURS_APART,
        "listed_form": ListedForm(auto_id="listed_%s"), **more,
    }  # fmt: skip
    return room_page(request, army, "insignia", "insignia/unit_codes.html", context, status)


def _codes(reading: Reading, system: CodeSystem, place: Place | None) -> dict:
    army, scheme = reading.design.army, reading.design.scheme
    wanted = holders(army, system)
    here = {one.id for one, _ in wanted}
    given = [(one, name, system.code_of[one.id]) for one, name in wanted if one.id in system.code_of]
    codes = [held.code for _, _, held in given]
    shown = None
    if place and codes:
        shown = proof(codes, CodeSite(place.site.width, place.site.height, place.ground, _colour_of(reading)))
    rows = []
    for at, (one, name, held) in enumerate(given):
        usual, weak, other = shown.nearest[at] if shown else (0.0, 0.0, -1)
        rows.append({
            "holder": one.id, "name": name, "code": held.code, "words": code_words(scheme, held.code), "pinned": held.pinned,
            "picture": code_picture(reading, system, held.code, place) if place else "", "usual": usual, "weak": weak,
            "other": given[other][1] if other >= 0 else "",
        })  # fmt: skip
    rows_lost = [
        (one.code, code_words(scheme, one.code), one.name, "left the army")
        for one in system.held
        if one.holder not in here
    ]
    return {
        "rows": rows,
        "without": [name for one, name in wanted if one.id not in system.code_of],
        "proof": shown,
        "left": free_codes(system.plan, codes, taken_codes(army, system)),
        "retired": [
            *((one.code, code_words(scheme, one.code), one.name, one.why) for one in system.retired),
            *rows_lost,
        ],
        "bearers": BEARERS[system.bearers],
        "features": 1 + bool(system.plan.frames) + bool(system.plan.signs),
    }


@login_required
@require_POST
def keep_system(request, army_id):
    """A system is added or changed; a new one gets its codes at once."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    old = next((one for one in reading.design.scheme.code_systems if one.id == request.POST.get("system")), None)
    form = SystemForm(reading, request.POST)
    if not form.is_valid():
        return _page(request, army, 422, form)
    system = form.system(old)
    place = place_of(reading, system)
    if place is None:
        form.add_error("site", "No figure within that formation, and of that type, has this site.")
        return _page(request, army, 422, form)

    def change(design):
        made = with_system(design, system)
        id_ = old.id if old else made.scheme.code_systems[-1].id
        return _allotted(made, id_, place, reading, anew=False)

    if not apply_form(request, army, form, change, f"Marking system {system.name} kept"):
        return _page(request, army, 422, form)
    kept = reading_of(army.head).design.scheme.code_systems
    return _to(army, old.id if old else kept[-1].id)


def _allotted(design, id_: str, place: Place, reading: Reading, *, anew: bool):
    size = place.site.width, place.site.height
    return with_codes(design, id_, _colour_of(reading), size, place.ground, anew=anew)


@login_required
@require_POST
def change_codes(request, army_id, system):
    """Codes are designed anew, given to who has none, pinned, retired or freed."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    one = reading.design.scheme.code_system(system)
    do, holder = request.POST.get("do", ""), request.POST.get("holder", "")
    name = one.code_of[holder].name if holder in one.code_of else ""
    place = place_of(reading, one)
    if do in ("pin", "unpin"):
        words = f"Code of {name} {'pinned' if do == 'pin' else 'no longer pinned'}"
        apply(request, army, lambda design: with_pin(design, system, holder, on=do == "pin"), words)
    elif do == "retire":
        why = request.POST.get("why", "") or "lost"
        apply(request, army, lambda design: with_retired(design, system, holder, why), f"Code of {name} retired")
    elif do == "free":
        code = Code(request.POST.get("colour", ""), request.POST.get("frame", ""), request.POST.get("sign", ""))
        apply(request, army, lambda design: with_freed(design, system, code), "A retired code is free again")
    elif place is not None:
        anew = do == "anew"
        words = f"Codes of {one.name} {'designed anew' if anew else 'given to all'}"
        try:
            apply(request, army, lambda design: _allotted(design, system, place, reading, anew=anew), words)
        except MantelloError as error:
            form = SystemForm(reading, _initial(one, reading) | {"system": system})
            form.is_valid()
            form.add_error("apart", error.message)
            return _page(request, army, 422, form)
    return _to(army, system)


@login_required
@require_POST
def paste_codes(request, army_id, system):
    """Take codes from a plain list; what could not be placed is told, line by line, and stays typed."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    design.scheme.code_system(system)
    form = ListedForm(request.POST, auto_id="listed_%s")
    left: tuple[str, ...] = ()
    if form.is_valid():
        data = form.cleaned_data["text"].encode()
        try:
            _, found = with_code_list(design, system, data)
            if found.codes:
                words = f"{found.codes} code{'s' * (found.codes != 1)} taken from a list"
                apply(request, army, lambda design: with_code_list(design, system, data)[0], words)
            left = found.left
        except MantelloError as error:
            form.add_error("text", error.message)
    if form.errors or left:
        return _page(request, army, 422 if form.errors else 200, listed_form=form, left_over=left)
    return _to(army, system)


@login_required
@require_POST
def remove_system(request, army_id, system):
    """A system is removed with its codes."""
    army = army_for(request, army_id)
    name = reading_of(army.head).design.scheme.code_system(system).name
    apply(request, army, lambda design: without_system(design, system), f"Marking system {name} removed")
    return redirect("unit-codes", army.pk)


def _to(army, system: str):
    return redirect(f"{reverse('unit-codes', args=[army.pk])}?system={system}")
