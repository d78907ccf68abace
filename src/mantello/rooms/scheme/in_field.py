"""A dress in the field: months, weather and dust, seen on a unit before the army wears it so."""

from dataclasses import replace
from urllib.parse import urlencode

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.models import Job
from mantello.shell.download import drawing
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Node, Rank
from mantello_core.colour.spaces import Lab, hex_of
from mantello_core.design.design import Design
from mantello_core.design.fielding import field_tones, with_campaign
from mantello_core.errors import MantelloError
from mantello_core.formats.drawing import plate_svg
from mantello_core.memory import Memory
from mantello_core.numerals import whole_number
from mantello_core.scheme.cascade import FigureClass
from mantello_core.scheme.dress_rules import cell_of_dress, tones_worn
from mantello_core.scheme.left_to_knife import left_to_knife
from mantello_core.scheme.worn_over import OVER, ordered_over
from mantello_core.uniforms.campaign import MOST_MONTHS, OPTIONS, WEATHERS, Campaign, options_of
from mantello_core.uniforms.dye import GRADES
from mantello_core.uniforms.garments import title_of

from .cloth_mixes import asked_mixes, mixes_of
from .measured import ground_under
from .proposed_dress import PLACEHOLDER

#: figures of a unit that are shown
_MOST_SHOWN = 24
#: figures from which a unit shows how things are shared out
_ENOUGH = 6
_tried = Memory("dress in the field", 12 * 2**20)
#: what a tried design takes besides what it shares with the one it is of: measured
_TAKES = 600_000


class FieldForm(forms.Form):
    """How long and how hard."""

    months = forms.FloatField(label="Months in the field", min_value=0, max_value=MOST_MONTHS, initial=6)
    weather = forms.TypedChoiceField(
        label="Weather", choices=[(at, words.capitalize()) for at, words in enumerate(WEATHERS)], coerce=int, initial=1
    )
    dust = forms.FloatField(label="Dust, per cent", min_value=0, max_value=100, initial=20)
    spread = forms.FloatField(label="Spread of an issue, per cent", min_value=0, max_value=100, initial=100)
    seed = forms.IntegerField(
        label="Seed", min_value=0, max_value=999_999, initial=212, help_text="Another one deals it otherwise."
    )
    over = forms.BooleanField(
        label="My models wear the greatcoats and cap covers that are ordered",
        required=False,
        help_text="They are painted then; otherwise they are told.",
    )

    @classmethod
    def showing(cls, campaign: Campaign | None, given) -> "FieldForm":
        """What an address gives, else what is worn, else as usual."""
        if "months" in given:
            return cls(given)
        if campaign is None:
            return cls({name: field.initial for name, field in cls.base_fields.items() if field.initial is not None})
        return cls(
            {"months": campaign.months, "weather": campaign.weather, "dust": campaign.dust * 100, "spread": campaign.spread * 100,
             "seed": campaign.seed, "over": campaign.over}
        )  # fmt: skip

    def campaign(self, ground: Lab | None) -> Campaign:
        """The campaign that was said, on the army's ground."""
        given = self.cleaned_data
        plain = Campaign(
            given["months"],
            given["weather"],
            given["dust"] / 100,
            given["spread"] / 100,
            given["seed"],
            over=given["over"],
        )
        return Campaign(**(vars(plain) | {"ground": ground})) if ground else plain


def _ground(reading: Reading) -> Lab | None:
    return ground_under(reading, reading.resolution.classes[0]) if reading.resolution.classes else None


def _tones(design: Design, campaign: Campaign) -> dict[str, tuple]:
    """Every tone the field needs, by a key for its mixes."""
    return {
        f"{colour.words}|{int(metal)}|{name}": (colour, metal, name, aims)
        for colour, metal, name, aims in field_tones(design, campaign)
    }


def _toned_ranks(design: Design, campaign: Campaign) -> dict[str, list[Rank]]:
    """Units with the ranks that wear something of which the field makes tones."""
    dress = replace(design.scheme.dress, campaign=campaign)
    found: dict[str, list[Rank]] = {}
    for unit, rank, _, _ in tones_worn(dress, design.army):
        if rank not in found.setdefault(unit, []):
            found[unit].append(rank)
    return found


def _telling(units: list[Node]) -> Node | None:
    """The unit that is shown first: one with enough figures to tell shares by."""
    return next((one for one in units if one.figures >= _ENOUGH), units[0] if units else None)


def _mixes(tones: dict[str, tuple], found) -> dict:
    return {(colour.words, metal, name): found[key] for key, (colour, metal, name, _) in tones.items() if key in found}


@login_required
@require_safe
def in_field(request, army_id):
    """One unit as it would look, what that takes, and what is ordered."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None, refusal: MantelloError | None = None):
    reading = reading_of(army.head)
    dress = reading.design.scheme.dress
    if dress is None:
        return redirect("worn", army.pk)
    form = form or FieldForm.showing(dress.campaign, request.GET)
    context = {
        "title": "In the field", "view": "dress", "tab": "field", "form": form, "dress": dress, "refusal": refusal,
        "here_query": urlencode({"almanac": dress.origin, "year": dress.year}) if dress.origin else "",
    }  # fmt: skip
    if form.is_valid():
        campaign = form.campaign(_ground(reading))
        context |= _shown(request, army, reading, campaign, form)
    else:
        status = 422
    return room_page(request, army, "scheme", "scheme/in_field.html", context, status)


def _shown(request, army, reading: Reading, campaign: Campaign, form: FieldForm) -> dict:
    design = reading.design
    toned = _toned_ranks(design, campaign)
    units = [design.army.nodes[id_] for id_ in toned]
    unit = next((one for one in units if one.id == request.GET.get("unit")), _telling(units))
    tones = _tones(design, campaign)
    wanted = [
        (key, tier, aim.lab, metal, aim.radius)
        for key, (_, metal, _, aims) in tones.items()
        for tier, aim in aims.items()
    ]
    query = urlencode({name: form.data.get(name, "") for name in form.fields})
    address = f"{reverse('in-field', args=[army.pk])}?{query}{f'&unit={unit.id}' if unit else ''}"
    job = asked_mixes(army, wanted, address, again="again" in request.GET) if wanted else None
    done = job is not None and job.state == Job.State.DONE
    found = job.result["mixes"] if done else {}
    ranks = toned[unit.id] if unit else []
    shown = [(rank, ordinal) for rank in ranks for ordinal in range(1, rank.figures + 1)][:_MOST_SHOWN]
    worn = design.scheme.dress.campaign
    tried = replace(design.scheme.dress, campaign=campaign)
    over = ordered_over(tried, design.army)
    cut = left_to_knife(tried, design.army, unit.id) if unit else {}
    return {
        "units": [(one.id, design.army.title(one.id), one is unit) for one in units],
        "unit": unit, "campaign": campaign, "on": worn is not None and worn == campaign, "fielded": worn is not None,
        "figures": [
            (design.army.called(unit.id, rank.id, ordinal), cut.get((rank.id, ordinal), ()), f"{reverse('field-figure', args=[army.pk])}?{query}&{urlencode({'unit': unit.id, 'rank': rank.id, 'ordinal': ordinal, 'v': army.head.number})}")
            for rank, ordinal in shown
        ],
        "job": None if done else job,
        "tones": [
            (colour.words, name, [hex_of(aim.lab) for aim in aims.values()], found.get(key, {}).get(next(iter(aims)), {}))
            for key, (colour, _, name, aims) in tones.items()
        ],
        "ordered": [(thing.title, [design.army.title(node) for node, things in over.items() if thing in things]) for thing in OVER],
        "shares": [
            (title_of(garment), [(grade, [(name, share * 100) for name, share in options_of(campaign, garment, grade) if name != "regulation"]) for grade in GRADES.values()])
            for garment in OPTIONS
        ],
        "grades": list(GRADES.values()),
    }  # fmt: skip


@login_required
@require_safe
def field_figure(request, army_id):
    """One figure as it would look in the field."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    form = FieldForm(request.GET)
    ordinal = whole_number(request.GET.get("ordinal", ""), 10**5)
    if reading.design.scheme.dress is None or not form.is_valid() or ordinal is None:
        raise Http404
    tried, labs = _try(army, reading, form.campaign(_ground(reading)))
    ranks = tried.resolution.of_rank(request.GET.get("unit", ""), request.GET.get("rank", ""))
    one = next((each for each in ranks if ordinal in each.ordinals), None)
    if one is None:
        raise Http404
    return drawing(_as_dealt(tried, one, labs), request, lasting=False)


def _try(army, reading: Reading, campaign: Campaign) -> tuple[Reading, dict[str, dict[str, Lab]]]:
    """The army in the field without keeping it, and of every role of a tone its colour by tier."""
    key = army.head.pk, army.head.made_at, campaign
    known = _tried.get(key)
    if known is not None:
        return known
    tones = _tones(reading.design, campaign)
    mixes = {
        (colour.words, metal, name): dict.fromkeys(aims, ((PLACEHOLDER, 1.0),))
        for colour, metal, name, aims in tones.values()
    }
    design = with_campaign(reading.design, campaign, mixes)
    dress = design.scheme.dress
    labs = {
        dress.role_of(colour, metal=metal, tone=name): {tier: aim.lab for tier, aim in aims.items()}
        for colour, metal, name, aims in tones.values()
    }
    return _tried.put(key, (Reading(design), labs), _TAKES)


def _as_dealt(reading: Reading, one: FigureClass, labs: dict[str, dict[str, Lab]]) -> str:
    dress = reading.design.scheme.dress

    def filled(area: str) -> str:
        cell = one.cells[area]
        if cell.role in labs:
            return hex_of(labs[cell.role][one.tier])
        told = cell_of_dress(dress, cell.rule) if cell.rule else None
        if told is None:
            return reading.fill(one, area)
        return hex_of(dress.aimed(told.colour, GRADES[one.tier], metal=told.metal).lab)

    return plate_svg(one.plate, one.plate.views[0].name, filled, detail="small", bearing=reading.bearing(one))


@login_required
@require_POST
def take_field(request, army_id):
    """Wear the dress as the field left it, or as it was ordered."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    if reading.design.scheme.dress is None:
        raise Http404
    if request.POST.get("do") == "ordered":
        apply(request, army, lambda design: with_campaign(design, None, {}), "Dress as ordered again")
        return redirect("in-field", army.pk)
    form = FieldForm(request.POST)
    if not form.is_valid():
        return _page(request, army, 422, form)
    campaign = form.campaign(_ground(reading))
    tones = _tones(reading.design, campaign)
    wanted = [
        (key, tier, aim.lab, metal, aim.radius)
        for key, (_, metal, _, aims) in tones.items()
        for tier, aim in aims.items()
    ]
    job = asked_mixes(army, wanted, reverse("in-field", args=[army.pk]), again=False)
    mixes = _mixes(tones, mixes_of(army, job))
    try:
        apply(
            request,
            army,
            lambda design: with_campaign(design, campaign, mixes),
            f"Dress {campaign.months:g} months in the field",
        )
    except MantelloError as error:
        return _page(request, army, 422, form, error)
    return redirect("in-field", army.pk)
