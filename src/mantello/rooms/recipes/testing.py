"""Pages of test pieces: which roles want one, one recorded, its photographs compared, what it taught."""

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import transaction
from django.http import HttpResponse
from django.shortcuts import get_object_or_404, redirect
from django.views.decorators.http import require_http_methods, require_POST, require_safe

from mantello.record.log import log_of
from mantello.shell.download import private_jpeg
from mantello.shell.photograph import PhotoField, lit_parts, share_of
from mantello.trials.models import Photo, TestPiece
from mantello.trials.trial import (
    CARD,
    begun,
    kept_patch,
    light_of,
    lit_by,
    role_tests,
    seen_in,
    told,
    tried,
    turned_of,
    untested,
    waive,
)  # fmt: skip
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply, army_for, back, room_page
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import TIERS
from mantello_core.colour.light import LIGHTS
from mantello_core.colour.spaces import hex_of
from mantello_core.design.worked_out import with_calibration
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.film.calibration import Calibration
from mantello_core.film.prediction import predicted
from mantello_core.mixing.correction import corrections
from mantello_core.recipes.step import MOST_COATS, MOST_MINUTES

from .whole import EVERY, OWNED, pots_for

LAMPS = {"": "not said", "window": "daylight", "booth": "daylight lamp", "lamp": "warm lamp", "tube": "cold tube"}
#: what can be pointed at in a photograph, and in words
POINTS = {
    CARD: "the grey card", "recess": "a recess", "flat": "a flat", "raised": "a raised part", "card 2": "a second grey mark",
    "card 3": "a third",
}  # fmt: skip
#: width a photograph is shown at, CSS pixels
SHOWN = 560


#: the photographs of the finished piece in one light more, by field
LIT = {
    f"under_{light}": PhotoField(required=False, label=f"{Photo.Moment(light).label.capitalize()}, {kelvin} K")
    for light, (kelvin, _) in LIGHTS.items()
}


class LitForm(forms.Form):
    """A form with a photograph for every light."""

    under_window, under_booth, under_lamp, under_tube = LIT.values()

    def lit_wrong(self) -> bool:
        """Whether one of those photographs was refused, so that the place where it is told has to be open."""
        return any(self[name].errors for name in LIT)


class TestForm(LitForm):
    """What was done: coats and minutes of every step, the light, photographs, and the verdict."""

    lamp = forms.ChoiceField(choices=list(LAMPS.items()), required=False, label="Judged in")
    before = PhotoField(required=False, label="Photograph before")
    after = PhotoField(
        required=False,
        label="Photograph after",
        help_text="On a plain ground, with a grey card beside it; JPEG, PNG or WebP up to 12 MB.",
    )
    note = forms.CharField(
        required=False,
        max_length=2000,
        label="What to change, and anything else",
        widget=forms.Textarea(attrs={"rows": 3}),
    )

    def __init__(self, steps, *arguments, **options):
        super().__init__(*arguments, **options)
        self.steps = steps
        for step in steps:
            self.fields[f"coats-{step.id}"] = forms.IntegerField(
                required=False, min_value=1, max_value=MOST_COATS, label=f"Coats of {step.technique.verb.lower()}",
                error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), f"1 to {MOST_COATS}, or nothing."),
            )  # fmt: skip
            for name, words in (("minutes", "Minutes of"), ("drying", "Minutes to dry of")):
                field = forms.FloatField(
                    required=False, min_value=0, max_value=MOST_MINUTES, label=f"{words} {step.technique.verb.lower()}",
                    error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), f"0 to {MOST_MINUTES:g}, or nothing."),
                )  # fmt: skip
                field.widget.attrs["step"] = "any"
                self.fields[f"{name}-{step.id}"] = field
        for step in steps:
            for name in ("coats", "minutes", "drying"):
                self.fields[f"{name}-{step.id}"].widget.attrs["aria-label"] = self.fields[f"{name}-{step.id}"].label

    def rows(self):
        """Each step with its three fields."""
        return [(step, [self[f"{name}-{step.id}"] for name in ("coats", "minutes", "drying")]) for step in self.steps]

    def done(self) -> dict:
        """What was done of each step, JSON-ready; what was left empty is not known."""
        given = self.cleaned_data
        return {
            step.id: {name: given[f"{name}-{step.id}"] for name in ("coats", "minutes", "drying")}
            for step in self.steps
        }


@login_required
@require_safe
def tests(request, army_id):
    """Which roles want a test piece, what was tried, and what test pieces taught."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    rows = role_tests(army, reading, log_of(army).roles) if reading.design.army.figures else []
    pots = catalogue_for(army)
    context = {
        "title": "Test pieces",
        "rows": rows,
        "open": sum(not row.settled for row in rows),
        "learned": [(pot, one) for one in reading.design.scheme.calibrations if (pot := pots.get(one.paint))],
    }
    return room_page(request, army, "recipes", "recipes/tests.html", context)


@login_required
@require_POST
def waive_tests(request, army_id):
    """Batches of a role, or of all that want a test piece, may start without one."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    wanting = untested(army, reading, log_of(army).roles)
    chosen = [role for role in request.POST.getlist("role") if role in wanting] or (
        sorted(wanting) if "all" in request.POST else []
    )
    if chosen:
        waive(army, reading, chosen)
        named = reading.design.scheme.role(chosen[0]).name if len(chosen) == 1 else f"{len(chosen)} roles"
        messages.success(request, f"{named}: batches may start without a test piece")
    return back(request, "tests", army.pk)


@login_required
@require_http_methods(["GET", "POST"])
def record_test(request, army_id, role):
    """Record a test piece of a role."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    given = request.POST if request.method == "POST" else request.GET
    tier = given.get("tier", "rank")
    if tier not in TIERS:
        raise UnknownName("tier", tier, list(TIERS), "tier")
    chosen = reading.design.scheme.role(role)
    steps = chosen.recipe(tier).steps
    if not steps:
        messages.error(request, f"{chosen.name} has no recipe yet that could be tried.")
        return redirect("recipe", army.pk, role)
    form = TestForm(steps, *((request.POST, request.FILES) if request.method == "POST" else ()))
    if request.method == "POST" and form.is_valid():
        test = begun(army, reading, role, tier)
        test.lamp, test.note, test.done = form.cleaned_data["lamp"], form.cleaned_data["note"], form.done()
        _keep_test(test, form.cleaned_data)
        messages.success(request, f"Test piece of {chosen.name} recorded")
        return redirect("test", army.pk, test.pk)
    outcomes = reading.prediction(role, tier).outcomes
    context = {
        "title": f"Test piece of {chosen.name}",
        "role": chosen,
        "tier": tier,
        "form": form,
        "rows": [(outcome, fields) for outcome, (_, fields) in zip(outcomes, form.rows(), strict=True)],
    }
    return room_page(request, army, "recipes", "recipes/record_test.html", context, 422 if form.errors else 200)


@transaction.atomic
def _keep_test(test: TestPiece, given: dict, changed: tuple[str, ...] | None = None) -> None:
    """Keep a test piece and the photographs that came with it, all or none; changed: columns, None for all."""
    test.save(update_fields=changed)
    for moment in Photo.Moment.values:
        name = f"under_{moment}" if moment in LIGHTS else moment
        if given[name]:
            jpeg, width, height = given[name]
            Photo.objects.update_or_create(
                test=test,
                moment=moment,
                defaults={"jpeg": jpeg, "width": width, "height": height, "patches": {}, "light": None},
            )


class VerdictForm(LitForm):
    """What came of it, and photographs that were taken later."""

    before, after, note = (TestForm.base_fields[name] for name in ("before", "after", "note"))


@login_required
@require_http_methods(["GET", "POST"])
def test(request, army_id, pk):
    """One test piece: photographs against the prediction, what it taught, and the verdict."""
    army = army_for(request, army_id)
    found = get_object_or_404(TestPiece, pk=pk, army=army, steps__isnull=False)
    form = VerdictForm(
        *((request.POST, request.FILES) if request.method == "POST" else ()), initial={"note": found.note}
    )
    if request.method == "POST" and form.is_valid():
        found.note = form.cleaned_data["note"]
        if request.POST.get("verdict") in (TestPiece.Verdict.ACCEPTED, TestPiece.Verdict.AGAIN):
            found.verdict = request.POST["verdict"]
        _keep_test(found, form.cleaned_data, ("note", "verdict"))
        messages.success(request, f"Test piece of {found.role_name}: {found.get_verdict_display()}")
        return redirect("test", army.pk, found.pk)
    return _test_page(request, army, found, form, 422 if form.errors else 200)


def _test_page(request, army, found: TestPiece, form, status=200):
    recipe, ground = tried(found)
    prediction = predicted(recipe, ground)
    known = {one.paint: one for one in reading_of(army.head).design.scheme.calibrations}
    photos, read = [], []
    pots = pots_for(request.user, OWNED) or pots_for(request.user, EVERY)
    for photo in found.photos.defer("jpeg"):
        seen = seen_in(photo)
        read.append((photo, seen))
        tall = round(SHOWN * photo.height / photo.width)
        marks = [(name, SHOWN * x, tall * y) for name, (x, y, _) in photo.patches.items()]
        mended = [
            (row, () if row.agrees else corrections(row.seen, row.predicted, pots, 2), hex_of(row.seen))
            for row in seen.rows
        ]
        photos.append({
            "photo": photo, "rows": seen.rows, "mended": mended, "why": seen.why, "doubts": seen.doubts, "told": seen.told, "marks": marks,
            "tall": tall,
            "next": next((name for name in POINTS if name not in photo.patches), CARD),
        })  # fmt: skip
    pots = catalogue_for(army).with_own(pot for outcome in prediction.outcomes for pot in outcome.step.mix.paints)
    context = {
        "title": f"Test piece of {found.role_name}",
        "test": found,
        "tier_name": TIERS.get(found.tier, found.tier),
        "lamp": LAMPS.get(found.lamp, found.lamp),
        "ground": ground,
        "rows": [(outcome, found.done.get(outcome.step.id, {})) for outcome in prediction.outcomes],
        "tones": prediction.tones,
        "photos": photos,
        "turned": [(row, LAMPS[row.light]) for row in turned_of(read)],
        "lights": [
            (form[f"under_{light}"], any(lit_by(one) == light for one, _ in read if one.moment != Photo.Moment.BEFORE))
            for light in LIGHTS
        ],
        "points": POINTS.items(),
        "shown": SHOWN,
        "lessons": [
            (pot, one, known.get(pot.id) == one.calibration)
            for one in told(found)
            if (pot := pots.get(one.calibration.paint))
        ],
        "form": form,
        "role_there": found.role in reading_of(army.head).design.scheme.role_by_id,
    }
    return room_page(request, army, "recipes", "recipes/test.html", context, status)


@login_required
@require_safe
def photo(request, army_id, pk, moment):
    """A photograph of a test piece."""
    army = army_for(request, army_id)
    found = get_object_or_404(Photo, test__pk=pk, test__army=army, moment=moment)
    return private_jpeg(found.jpeg)


@login_required
@require_safe
def light(request, army_id, pk, moment):
    """Where the light falls in a photograph: the brightest eighth, the next quarter, and the rest."""
    army = army_for(request, army_id)
    found = get_object_or_404(Photo, test__pk=pk, test__army=army, moment=moment)
    answer = HttpResponse(lit_parts(bytes(found.jpeg)), content_type="image/png")
    answer["Content-Security-Policy"] = "default-src 'none'"
    return answer


@login_required
@require_POST
def sample(request, army_id, pk, moment):
    """A place in a photograph is what the painter says it is; its colour is taken."""
    army = army_for(request, army_id)
    found = get_object_or_404(Photo, test__pk=pk, test__army=army, moment=moment)
    name = request.POST.get("point", "")
    if name not in POINTS:
        raise UnknownName("place", name, list(POINTS), "point")
    x, y = (
        share_of(request.POST.get(f"at.{axis}", ""), size)
        for axis, size in (("x", SHOWN), ("y", round(SHOWN * found.height / found.width)))
    )
    read = light_of(bytes(found.jpeg), {name: [x, y]}, found.light)
    with transaction.atomic():
        # another place may have been pointed at in the meantime
        held = Photo.objects.select_for_update().only("patches", "light").get(pk=found.pk)
        held.patches[name] = [x, y, kept_patch(read, name).hex]
        patches = (held.light or {}).get("patches", {}) | {name: read["patches"][name]}
        held.light = {"grid": read["grid"], "patches": patches}
        held.save(update_fields=["patches", "light"])
    return redirect("test", army.pk, pk)


@login_required
@require_POST
def learn(request, army_id):
    """What a test piece says of a paint is used for the army from now on, or taken back."""
    army = army_for(request, army_id)
    try:
        learned = Calibration(
            request.POST.get("paint", ""),
            float(request.POST.get("hiding", "1")),
            float(request.POST.get("drying", "1")),
        )
    except ValueError as error:
        raise OutOfRange("The factors have to be numbers.", "hiding") from error
    pot = catalogue_for(army).paint(learned.paint, "paint")
    plain = learned.hiding == learned.drying == 1
    words = (
        f"{pot.name}: as predicted again"
        if plain
        else f"{pot.name}: hides {learned.hiding:g}, dries {learned.drying:g} times as predicted"
    )
    apply(request, army, lambda design: with_calibration(design, learned), words)
    return back(request, "tests", army.pk)
