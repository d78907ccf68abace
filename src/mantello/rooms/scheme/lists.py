"""Lists of dress as they were found: pasted or uploaded, read with doubts marked, answered, and taken into an almanac."""

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import transaction
from django.http import Http404
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.views.decorators.http import require_http_methods, require_POST, require_safe

from mantello.almanacs.models import MOST_LISTS, Almanac, FoundList, KnownWord
from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.shell.fields import refused
from mantello.workspace.page import army_for, room_page
from mantello_core.errors import MantelloError
from mantello_core.numerals import whole_number
from mantello_core.uniforms.almanac import Almanac as Said
from mantello_core.uniforms.colour_word import terms
from mantello_core.uniforms.garments import title_of
from mantello_core.uniforms.reading.grid import MOST_BYTES

from .bringing import address_of

#: kind of job that reads a long list
READ = "scheme.list"
#: rows that are shown at once, and questions
_ROWS, _QUESTIONS = 120, 60
#: answers that speak of a colour word are kept for the account
_WORD = "word:"


class ListForm(forms.Form):
    """A list, pasted or as a file."""

    name = forms.CharField(label="What is it?", max_length=120, help_text="As you would cite it: who wrote it, when.")
    text = forms.CharField(
        required=False, label="Paste it", widget=forms.Textarea(attrs={"rows": 9, "spellcheck": "false", "class": "mono"}),
        help_text="Any layout: commas, semicolons, tabs, bars or columns of blanks; notes below are read too.", strip=False,
    )  # fmt: skip
    file = forms.FileField(required=False, label="Or a file (text, CSV)", max_length=200)

    def clean(self):
        """What was given, as bytes under ``data``."""
        given = super().clean()
        file, text = given.get("file"), given.get("text", "")
        if file and file.size > MOST_BYTES:
            self.add_error("file", f"The file has {file.size} bytes; allowed is up to {MOST_BYTES}.")
        elif file:
            given["data"] = file.read()
        elif text.strip():
            given["data"] = text.encode()
        elif not self.errors:
            self.add_error("text", "Nothing came: paste a list, or choose a file.")
        if len(given.get("data", b"")) > MOST_BYTES:
            self.add_error("text", f"The list has {len(given['data'])} bytes; allowed is up to {MOST_BYTES}.")
        return given


@login_required
@require_http_methods(["GET", "POST"])
def lists(request, army_id):
    """The lists of the account; a new one is read and shown."""
    army = army_for(request, army_id)
    form = ListForm(request.POST or None, request.FILES or None)
    mine = FoundList.objects.filter(owner=request.user).defer("data", "made")
    status = 200
    if request.method == "POST" and form.is_valid():
        if mine.count() >= MOST_LISTS:
            form.add_error(None, f"There are {MOST_LISTS} lists already; take one away first.")
        else:
            found = FoundList(owner=request.user, name=form.cleaned_data["name"], data=form.cleaned_data["data"])
            try:
                with transaction.atomic():
                    _begin(army, found)
            except MantelloError as error:
                refused(form, MantelloError(error.message, "file" if request.FILES else "text"))
            else:
                return redirect("list", army.pk, found.pk)
    if form.errors:
        status = 422
    context = {"title": "Lists", "view": "dress", "tab": "lists", "lists": mine, "form": form, "opened": None}
    return room_page(request, army, "scheme", "scheme/lists.html", context, status)


def _begin(army, found: FoundList) -> None:
    """Read a short list now; let a worker read a long one."""
    if found.short:
        found.read()
        return
    found.made = None
    found.save()
    _job(army, found, again=True)


def _job(army, found: FoundList, *, again: bool) -> Job:
    address = reverse("list", args=[army.pk, found.pk])
    told = [found.pk, found.answers, sorted(KnownWord.objects.of(found.owner).items())]
    return answer_to(army, READ, told, address, again=again, found=found.pk)


def list_read(job: Job):
    """Read a long list; what is made of it is kept with it."""
    yield Step(0, 1)
    FoundList.objects.get(pk=job.asked["found"], owner=job.owner).read()
    yield Step(1, 1, {"read": True})


@login_required
@require_safe
def found_list(request, army_id, list_id):
    """One list: the table with doubts marked, questions beside it, one click each."""
    army = army_for(request, army_id)
    found = get_object_or_404(FoundList, owner=request.user, pk=list_id)
    mine = FoundList.objects.filter(owner=request.user).defer("data", "made")
    context = {
        "title": found.name, "view": "dress", "tab": "lists", "lists": mine, "form": ListForm(), "opened": found,
        "almanacs": Almanac.objects.named_for(request.user),
    }  # fmt: skip
    if found.made is None:
        context["job"] = _job(army, found, again="again" in request.GET)
        if context["job"].state == Job.State.DONE:
            found.refresh_from_db()
    if found.made is not None:
        context |= _shown(found, KnownWord.objects.of(request.user)) | {"job": None}
    return room_page(request, army, "scheme", "scheme/lists.html", context)


def _shown(found: FoundList, known: dict[str, str]) -> dict:
    made, answers = found.made, known | found.answers
    doubts = [
        one | {"answer": answers.get(one["id"], ""), "chosen": answers.get(one["id"]) or one["default"],
               "first": one["places"][0] if one["places"] else None, "many": len(one["options"]) > 4, "at": at}
        for at, one in enumerate(made["doubts"])
    ]  # fmt: skip
    open_ones = [one for one in doubts if not one["answer"] and one["options"]]
    told = [one for one in doubts if not one["options"]]
    answered = [one for one in doubts if one["answer"] and one["options"]]
    return {
        "made": made, "rows": made["rows"][:_ROWS], "more_rows": max(0, len(made["rows"]) - _ROWS),
        "doubts": open_ones[:_QUESTIONS], "more_doubts": max(0, len(open_ones) - _QUESTIONS), "told": told[:_QUESTIONS],
        "answered": answered, "facts": len(made["facts"]), "terms": list(terms()),
        "columns": [one | {"named": " and ".join(title_of(id_) for id_ in one["is"])} for one in made["columns"]],
    }  # fmt: skip


@login_required
@require_POST
def change_list(request, army_id, list_id):
    """Answer a question, take an answer back, take the facts into an almanac, or take the list away."""
    army = army_for(request, army_id)
    found = get_object_or_404(FoundList, owner=request.user, pk=list_id)
    do = request.POST.get("do", "")
    if do == "remove":
        found.delete()
        messages.success(request, f"{found.name} was taken away.")
        return redirect("lists", army.pk)
    if found.made is None:
        raise Http404
    if do == "take":
        return _taken(request, army, found)
    doubt = next((one for one in found.made["doubts"] if one["id"] == request.POST.get("doubt", "")), None)
    if doubt is None:
        raise Http404
    answer = request.POST.get("answer", "")
    if answer and answer not in doubt["options"]:
        raise Http404
    _answer(request.user, found, doubt["id"], answer)
    _begin(army, found)
    return redirect(f"{reverse('list', args=[army.pk, found.pk])}#questions")


def _answer(user, found: FoundList, doubt: str, answer: str) -> None:
    """Keep an answer: what a word means with the account, everything else with the list; '' takes it back."""
    if doubt.startswith(_WORD):
        word = doubt.removeprefix(_WORD)[:200]
        if answer in terms():
            KnownWord.objects.update_or_create(owner=user, word=word, defaults={"term": answer})
        else:
            KnownWord.objects.filter(owner=user, word=word).delete()
    if answer and not (doubt.startswith(_WORD) and answer in terms()):
        found.answers = found.answers | {doubt: answer}
    else:
        found.answers = {key: value for key, value in found.answers.items() if key != doubt}


def _taken(request, army, found: FoundList):
    """Its facts in an almanac that is there, or in a new one."""
    given = request.POST.get("almanac", "")
    with transaction.atomic():
        if given == "new":
            almanac = Almanac.objects.keep(request.user, Said(found.name))
        else:
            mine = Almanac.objects.visible_to(request.user)
            almanac = get_object_or_404(mine, pk=whole_number(given, 2**62) or 0)
        almanac = found.take_into(almanac)
    count = len(found.made["facts"])
    messages.success(request, f"{count} entr{'y' if count == 1 else 'ies'} taken into {almanac.title}.")
    return redirect(address_of(army, almanac.pk))
