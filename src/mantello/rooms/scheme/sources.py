"""Sources of an almanac: told of, and what each says, decides and loses; almanacs brought in, made and taken away."""

from dataclasses import replace
from urllib.parse import urlencode

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.almanacs.models import Almanac, FactPicture
from mantello.shell.download import private_jpeg
from mantello.shell.fields import refused
from mantello.shell.photograph import PhotoField
from mantello.workspace.page import army_for, room_page
from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.errors import MantelloError
from mantello_core.naming import slug
from mantello_core.uniforms.almanac import with_facts, with_source
from mantello_core.uniforms.bibliography import bibliography
from mantello_core.uniforms.dress import FIRST_YEAR, LAST_YEAR
from mantello_core.uniforms.fact import CERTAINTIES, KINDS, Fact, Source, Wearer
from mantello_core.uniforms.garments import garments
from mantello_core.uniforms.period import Period
from mantello_core.uniforms.phrase import read_phrase

from .almanac import almanac_asked, year_asked
from .bringing import BringForm, bringing, brought


class SourceForm(forms.Form):
    """One thing that was read or looked at."""

    id = forms.CharField(required=False, widget=forms.HiddenInput, max_length=400)
    title = forms.CharField(label="Title", max_length=400)
    kind = forms.ChoiceField(
        label="Kind", required=False, choices=[("", "not said"), *((one, one.capitalize()) for one in KINDS)]
    )
    year = forms.IntegerField(label="Year it was made", required=False, min_value=FIRST_YEAR, max_value=LAST_YEAR)
    note = forms.CharField(
        label="What it is worth", required=False, max_length=2000, widget=forms.Textarea(attrs={"rows": 3})
    )

    def source(self, known) -> Source:
        """The source that was told of."""
        given = self.cleaned_data
        id_ = given["id"] or slug(given["title"], set(known))
        return Source(id_, given["title"], given["kind"], given["year"], given["note"])


class NoteForm(forms.Form):
    """One thing seen or read, written by hand."""

    of = forms.ChoiceField(label="Of whom")
    rank = forms.ChoiceField(
        label="Rank",
        required=False,
        choices=[("", "all"), *((one, one) for one in ("private", "sergeant", "drummer", "officer"))],
    )
    garment = forms.ChoiceField(label="Garment")
    said = forms.CharField(label="What it says", max_length=300, help_text="In its own words: 'yellow, piped white'.")
    since = forms.IntegerField(label="From", required=False, min_value=FIRST_YEAR, max_value=LAST_YEAR)
    until = forms.IntegerField(label="Until", required=False, min_value=FIRST_YEAR, max_value=LAST_YEAR)
    source = forms.ChoiceField(label="Source")
    certainty = forms.ChoiceField(
        label="How sure", choices=[(one, one.capitalize()) for one in CERTAINTIES], initial="inferred"
    )

    picture = PhotoField(
        required=False, label="A picture to keep with it", help_text="A plate you own, photographed: JPEG, PNG or WebP."
    )
    picked = forms.CharField(
        required=False,
        label="Its colour, picked from a picture",
        max_length=80,
        help_text="Freed of the light that a grey card shows.",
    )

    def __init__(self, said, *arguments, **options):
        super().__init__(*arguments, **options)
        self.regiments = said.regiments
        self.fields["of"].choices = [
            *((str(at), one.called) for at, one in enumerate(said.regiments)),
            ("arm", "a whole arm, or another regiment"),
        ]
        self.fields["garment"].choices = [(id_, one.title) for id_, one in garments().items()]
        self.fields["source"].choices = [(one.id, one.title) for one in said.sources]

    arm = forms.CharField(label="Arm, if none of those", required=False, max_length=120)
    number = forms.IntegerField(label="Its number", required=False, min_value=1, max_value=999)

    def clean(self):
        """The fact that was written, under ``fact``."""
        given = super().clean()
        if given.get("since") and given.get("until") and given["until"] < given["since"]:
            self.add_error("until", f"Until {given['until']} is before {given['since']}.")
        if given.get("of") == "arm" and not given.get("arm"):
            self.add_error("arm", "Name the arm, such as Tidewall Fusiliers.")
        colour = _picked(self, given.get("picked", ""))
        if not self.errors:
            who = (
                Wearer(arm=given["arm"], number=given["number"])
                if given["of"] == "arm"
                else self.regiments[int(given["of"])]
            )
            given["fact"] = Fact(
                replace(who, rank=given["rank"]), given["garment"], read_phrase(given["said"]), period=Period(given["since"], given["until"]),
                source=given["source"], certainty=given["certainty"], by="by hand", picked=colour,
            )  # fmt: skip
        return given


def _picked(form: forms.Form, text: str) -> Lab | None:
    """The first of the colours that were picked; a text that is none is told at its field."""
    first = text.split(",")[0].strip()
    try:
        return lab_of_hex(first) if first else None
    except MantelloError as error:
        form.add_error("picked", error.message)
        return None


def _page(request, army, status=200, **forms_):
    kept = almanac_asked(request, army)
    if kept is None:
        return redirect("almanac", army.pk)
    said = kept.as_core()
    year = year_asked(request.GET, said)
    chosen = said.source_by_id.get(request.GET.get("source", ""))
    context = {
        "title": "Sources", "view": "dress", "tab": "sources", "kept": kept, "said": said, "year": year,
        "almanacs": Almanac.objects.named_for(request.user), "cited": (cited := bibliography(said, year)), "most": max((one.worn for one in cited), default=1) or 1, "chosen": chosen,
        "source_form": SourceForm(initial=vars(chosen) if chosen else None), "note_form": NoteForm(said), "bring_form": BringForm(),
        "here_query": urlencode({"almanac": kept.pk, "year": year}),
    } | forms_  # fmt: skip
    return room_page(request, army, "scheme", "scheme/sources.html", context, status)


@login_required
@require_safe
def sources(request, army_id):
    """The bibliography: what each source says, decides and loses."""
    army = army_for(request, army_id)
    job, there = bringing(request, army)
    return redirect(there) if there else _page(request, army, job=job)


@login_required
@require_POST
def keep_source(request, army_id):
    """Tell of a source, new or known."""
    army = army_for(request, army_id)
    kept, form = _kept(request, army), SourceForm(request.POST)
    if form.is_valid():
        try:
            kept.change(lambda said: with_source(said, form.source(said.source_by_id)))
        except MantelloError as error:
            refused(form, error)
        else:
            return redirect(_address(army, kept))
    return _page(request, army, 422, source_form=form)


@login_required
@require_POST
def keep_note(request, army_id):
    """Write one entry by hand."""
    army = army_for(request, army_id)
    kept = _kept(request, army)
    form = NoteForm(kept.as_core(), request.POST, request.FILES)
    if form.is_valid():
        try:
            changed = kept.change(lambda said: with_facts(said, (form.cleaned_data["fact"],)))
        except MantelloError as error:
            refused(form, error)
        else:
            fact = form.cleaned_data["fact"]
            if picture := form.cleaned_data["picture"]:
                FactPicture.objects.create(almanac=changed, fact=changed.as_core().facts[-1].id, jpeg=picture[0])
            messages.success(request, f"{fact.wearer.words}: {fact.phrase.words} is an entry now.")
            return redirect(_address(army, kept))
    return _page(request, army, 422, note_form=form)


@login_required
@require_safe
def fact_picture(request, army_id, fact):
    """The picture of an entry."""
    army = army_for(request, army_id)
    found = get_object_or_404(FactPicture, almanac=_kept(request, army), fact=fact)
    return private_jpeg(found.jpeg)


@login_required
@require_POST
def bring_almanac(request, army_id):
    """An almanac from a file, or one taken away."""
    army = army_for(request, army_id)
    if request.POST.get("do") == "remove":
        kept = _kept(request, army)
        kept.delete()
        messages.success(request, f"{kept.title} was taken away; armies that wear it keep what they wear.")
        return redirect("almanac", army.pk)
    form, known = BringForm(request.POST, request.FILES), almanac_asked(request, army)
    if form.is_valid():
        page = reverse("sources" if known else "almanac", args=[army.pk])
        try:
            return redirect(brought(request.user, army, form.cleaned_data["file"], page))
        except MantelloError as error:
            form.add_error("file", error.message)
    if known is None:
        context = {"title": "Dress", "view": "dress", "tab": "almanac", "kept": None, "bring_form": form}
        return room_page(request, army, "scheme", "scheme/almanac_none.html", context, 422)
    return _page(request, army, 422, bring_form=form)


def _kept(request, army) -> Almanac:
    kept = almanac_asked(request, army)
    if kept is None:
        raise Http404
    return kept


def _address(army, kept: Almanac) -> str:
    return f"{reverse('sources', args=[army.pk])}?almanac={kept.pk}"
