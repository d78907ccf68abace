"""A whole army out and in: design, versions, log, test pieces, photographs, variants and drawings as one checked file."""

import csv
import io
import json
import uuid
from datetime import UTC, datetime
from functools import partial

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import transaction
from django.http import HttpResponse
from django.shortcuts import redirect, render
from django.utils import timezone
from django.views.decorators.http import require_http_methods, require_safe

from mantello.rooms.army.actions import keep_design
from mantello.rooms.army.drawings import stored
from mantello.rooms.army.models import Army, Edition, Variant
from mantello.rooms.army.page import army_for
from mantello.rooms.army.reading import Reading, reading_of
from mantello.rooms.recipes.models import Photo, TestPiece
from mantello.rooms.recipes.trials import tried
from mantello_core.design.design import Design
from mantello_core.errors import MantelloError, Unreadable
from mantello_core.formats.archive import MOST_BYTES, Archive, read_archive, write_archive
from mantello_core.formats.archive_difference import archive_difference
from mantello_core.formats.document import design_bytes, read_design_bytes, write_design
from mantello_core.formats.drawing import plate_svg
from mantello_core.formats.validation import check
from mantello_core.naming import slug

from .archived_history import archived_photo, history_of, take_history
from .models import Entry, Settlement, Version

_ENTRY = ("unit", "unit_name", "rank", "rank_name", "role", "step", "name", "ordinals", "mix", "paints", "coats", "minutes", "planned_minutes", "drying", "note", "painter", "dried")  # fmt: skip
_SETTLEMENT = ("kind", "key", "words", "unit", "rank", "ordinals", "role", "note")
_TEST = ("role", "role_name", "tier", "lamp", "ground", "steps", "done", "verdict", "note")


class ArchiveForm(forms.Form):
    """An archive to be taken in."""

    file = forms.FileField(
        label="Archive (.zip)", help_text="As exported in the Log room; it becomes an army of its own."
    )


class CompareForm(forms.Form):
    """Two archives to be compared."""

    one = forms.FileField(label="The older archive")
    two = forms.FileField(label="The newer archive")


@login_required
@require_safe
def archive_file(request, army_id):
    """Everything of an army as one zip file."""
    army = army_for(request, army_id)
    now = timezone.now()
    answer = HttpResponse(
        write_archive(army.name, _files(army, reading_of(army.head)), now), content_type="application/zip"
    )
    answer["Content-Disposition"] = f'attachment; filename="mantello-{slug(army.name, set())}-{now:%Y-%m-%d}.zip"'
    return answer


def _json(value) -> bytes:
    return (json.dumps(value, indent=1, ensure_ascii=False) + "\n").encode()


def _files(army: Army, reading: Reading) -> dict[str, bytes]:
    versions = list(army.versions.select_related("edition"))
    history, photos = history_of(army)
    log = {
        "versions": [{"number": one.number, "struck_at": one.struck_at.isoformat(), "digest": one.digest} for one in versions],
        "entries": [
            {name: getattr(one, name) for name in _ENTRY}
            | {
                "batch": str(one.batch), "version": one.version.number, "done_at": one.done_at.isoformat(),
                "taken_back_at": one.taken_back_at.isoformat() if one.taken_back_at else None,
            }
            for one in army.entries.select_related("version").order_by("done_at", "pk")
        ],
        "settlements": [
            {name: getattr(one, name) for name in _SETTLEMENT} | {"version": one.version.number, "made_at": one.made_at.isoformat()}
            for one in army.settlements.select_related("version").order_by("made_at", "pk")
        ],
    } | history  # fmt: skip
    files = {
        "design.json": design_bytes(reading.design),
        "log.json": _json(log),
        "log.csv": _table(log["entries"]),
    } | photos
    for one in versions:
        files[f"versions/{one.number}.json"] = design_bytes(reading_of(one.edition).design)
    for number, one in enumerate(army.variants.select_related("edition"), 1):
        about = {"name": one.name, "state": one.state, "reason": one.reason, "worked_on": one.pk == army.variant_id}
        files[f"variants/{number}.json"] = design_bytes(reading_of(one.edition).design)
        files[f"variants/{number}.about.json"] = _json(about)
    for number, test in enumerate(army.tests.prefetch_related("photos").order_by("made_at", "pk"), 1):
        photos = []
        for photo in test.photos.all():
            name = f"photos/{number}-{photo.moment}.jpg"
            files[name] = bytes(photo.jpeg)
            photos.append({"moment": photo.moment, "file": name, "patches": photo.patches})
        about = {name: getattr(test, name) for name in _TEST} | {"made_at": test.made_at.isoformat(), "photos": photos}
        files[f"tests/{number}.json"] = _json(about)
    return files | _drawings(reading)


def _table(entries: list[dict]) -> bytes:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(
        [
            "done_at",
            "unit",
            "rank",
            "figures",
            "step",
            "mix",
            "coats",
            "minutes",
            "planned_minutes",
            "version",
            "note",
            "taken_back_at",
        ]
    )
    for one in entries:
        writer.writerow([
            one["done_at"], one["unit_name"], one["rank_name"], " ".join(map(str, one["ordinals"])), one["name"], one["mix"], one["coats"],
            "" if one["minutes"] is None else round(one["minutes"], 2), round(one["planned_minutes"], 2), one["version"],
            _plain(one["note"]), one["taken_back_at"] or "",
        ])  # fmt: skip
    return ("\ufeff" + out.getvalue()).encode()


def _plain(text: str) -> str:
    """A text that no spreadsheet takes for a formula."""
    return f"'{text}" if text[:1] in "=+-@\t\r" else text


def _drawings(reading: Reading) -> dict[str, bytes]:
    """One figure of every rank of every unit as SVG, in the scheme's colours."""
    files: dict[str, bytes] = {}
    for one in {(each.unit, each.rank): each for each in reversed(reading.resolution.classes)}.values():
        name = f"drawings/{slug(f'{one.unit}-{one.rank}', set(files))[:100].lower().replace('_', '-')}.svg"
        svg = plate_svg(
            one.plate,
            one.plate.views[0].name,
            lambda area, one=one: reading.fill(one, area),
            bearing=reading.bearing(one),
        )
        files[name] = svg.encode()
    return files


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def archives(request):
    """Take an archive in as an army of its own, or tell what is different between two."""
    taking, comparing, lines = ArchiveForm(), CompareForm(), None
    status = 200
    if request.method == "POST" and request.POST.get("do") == "compare":
        comparing = CompareForm(request.POST, request.FILES)
        if comparing.is_valid():
            lines = _compared(comparing)
        status = 422 if comparing.errors else 200
    elif request.method == "POST":
        taking = ArchiveForm(request.POST, request.FILES)
        if taking.is_valid():
            try:
                army = _taken_in(request.user, _read(taking.cleaned_data["file"]))
            except (MantelloError, forms.ValidationError) as error:
                taking.add_error("file", error.message)
            else:
                entries = army.entries.count()
                messages.success(
                    request, f"{army.name} is here again, with {entries} log entr{'y' if entries == 1 else 'ies'}."
                )
                return redirect("army", army.pk)
        status = 422
    context = {
        "title": "Archives",
        "taking": taking,
        "comparing": comparing,
        "lines": lines,
        "most": MOST_BYTES // 1_000_000,
    }
    return render(request, "log/archives.html", context, status=status)


def _read(upload) -> Archive:
    return read_archive(upload.read(MOST_BYTES + 1))


def _compared(form: CompareForm):
    """What is different, grouped by where; None if a file cannot be read, which the form then tells."""
    read = []
    for name in ("one", "two"):
        try:
            read.append(_read(form.cleaned_data[name]))
        except MantelloError as error:
            form.add_error(name, error.message)
    if form.errors:
        return None
    try:
        found = archive_difference(*read)
    except MantelloError as error:
        form.add_error("two", error.message)
        return None
    grouped: dict[str, list[str]] = {}
    for where, what in found:
        grouped.setdefault(where, []).append(what)
    return {
        "name": read[0].name,
        "other": read[1].name,
        "from": read[0].made_at,
        "to": read[1].made_at,
        "groups": list(grouped.items()),
        "count": len(found),
    }


@transaction.atomic
def _taken_in(owner, archive: Archive) -> Army:
    """An army as the archive has it.

    Raises: Unreadable, OutOfRange and the like for what is in it; ValidationError for a photograph.
    """
    log = archive.log
    if "design.json" not in archive.files:
        raise Unreadable("The archive has no design.json.", "file")
    head = read_design_bytes(archive.files["design.json"])
    army = keep_design(owner, head, "Taken in from an archive")
    like, designs = write_design(head, drawings=False), [head]
    numbers = iter(range(2, 100_000))

    def edition(name: str, words: str) -> Edition:
        if name not in archive.files:
            raise Unreadable(f"The archive has no {name}.", "file")
        design = read_design_bytes(archive.files[name], like)
        designs.append(design)
        return Edition.objects.create(army=army, number=next(numbers), document=stored(design), words=words)

    versions = {}
    for one in log["versions"]:
        number = one["number"]
        if number in versions:
            raise Unreadable(f"Version {number} is in the log twice.", "file")
        versions[number] = Version.objects.create(
            army=army,
            number=number,
            digest=one["digest"],
            edition=edition(f"versions/{number}.json", f"Version {number}"),
        )
        Version.objects.filter(pk=versions[number].pk).update(struck_at=_moment(one["struck_at"]))
    _take_log(army, log, versions)
    take_history(army, archive, log, _moment, partial(_rank_id, archive, designs))
    _take_tests(army, archive)
    _take_variants(army, archive, edition)
    return army


def _rank_id(archive: Archive, designs: list[Design], unit: str, rank: str) -> str:
    """The id of a rank that a photograph, look or reading names: in archives from before ranks had ids, that of the
    rank that had the name in the design, or else in the versions, the newest first."""
    if archive.version > 1:
        return rank
    for design in (designs[0], *reversed(designs[1:])):
        for one in design.army.nodes[unit].ranks if unit in design.army.nodes else ():
            if one.name == rank:
                return one.id
    return rank


def _moment(text: str) -> datetime:
    try:
        found = datetime.fromisoformat(text)
    except ValueError as error:
        raise Unreadable(f"'{text[:30]}' in the archive is no date and time.", "file") from error
    return found if found.tzinfo else found.replace(tzinfo=UTC)


def _version(versions: dict[int, Version], number: int) -> Version:
    if number not in versions:
        raise Unreadable(f"The log speaks of version {number}, which the archive does not have.", "file")
    return versions[number]


def _take_log(army: Army, log: dict, versions: dict[int, Version]) -> None:
    try:
        Entry.objects.bulk_create(
            Entry(
                army=army, version=_version(versions, one["version"]), batch=uuid.UUID(one["batch"]), done_at=_moment(one["done_at"]),
                taken_back_at=_moment(one["taken_back_at"]) if one.get("taken_back_at") else None,
                **{"rank_name": one["rank"]} | {name: one[name] for name in _ENTRY if name in one},
            )
            for one in log["entries"]
        )  # fmt: skip
    except ValueError as error:
        raise Unreadable("An entry of the log has a batch that is no UUID.", "file") from error
    for one in log["settlements"]:
        made = Settlement.objects.create(
            army=army,
            version=_version(versions, one["version"]),
            **{name: one[name] for name in _SETTLEMENT if name in one},
        )
        if "made_at" in one:
            Settlement.objects.filter(pk=made.pk).update(made_at=_moment(one["made_at"]))


def _take_tests(army: Army, archive: Archive) -> None:
    for name in sorted(archive.files):
        if not name.startswith("tests/"):
            continue
        about = archive.document(name)
        check(about, "archive-test")
        test = TestPiece.objects.create(
            army=army, made_at=_moment(about["made_at"]), **{key: about[key] for key in _TEST if key in about}
        )
        if test.steps is not None:
            try:
                tried(test)
            except (MantelloError, KeyError, TypeError, AttributeError) as error:
                raise Unreadable(f"{name} has steps that cannot be read.", "file") from error
        for one in about.get("photos", ()):
            jpeg, width, height = archived_photo(archive, one["file"])
            Photo.objects.create(
                test=test,
                moment=one["moment"],
                jpeg=jpeg,
                width=width,
                height=height,
                patches=_patches(one.get("patches", {})),
            )


def _patches(given: dict) -> dict:
    """Patches whose places and colours can be drawn; others are left out."""
    found = {}
    for name, value in list(given.items())[:20]:
        good = (
            isinstance(value, list)
            and len(value) == 3
            and all(isinstance(one, int | float) and 0 <= one <= 1 for one in value[:2])
        )
        if good and isinstance(value[2], str) and len(value[2]) == 7 and value[2].startswith("#"):
            found[name[:20]] = value
    return found


def _take_variants(army: Army, archive: Archive, edition) -> None:
    for name in sorted(archive.files):
        if not (name.startswith("variants/") and name.endswith(".about.json")):
            continue
        about = archive.document(name)
        if not isinstance(about, dict) or about.get("state") not in Variant.State.values:
            raise Unreadable(f"{name} says nothing of a variant.", "file")
        said = str(about.get("name", ""))[:80] or "Variant"
        made = Variant.objects.create(
            army=army, name=said, state=about["state"], reason=str(about.get("reason", ""))[:300],
            edition=edition(name.replace(".about.json", ".json"), f"Variant {said}"),
        )  # fmt: skip
        if about.get("worked_on"):
            army.variant = made
            army.save(update_fields=["variant"])
            Variant.objects.filter(pk=made.pk).update(edition=army.head)
