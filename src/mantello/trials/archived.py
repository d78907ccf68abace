"""What an archive holds of test pieces."""

from mantello.archive.part import Taking, archive_part, json_bytes
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello_core.errors import MantelloError, Unreadable
from mantello_core.formats.validation import check

from .models import Photo, TestPiece
from .trial import light_of, tried

_TEST = ("role", "role_name", "tier", "lamp", "ground", "steps", "done", "verdict", "note")


def _tests(army: Army, reading: Reading) -> dict[str, bytes]:
    files = {}
    for number, test in enumerate(army.tests.prefetch_related("photos").order_by("made_at", "pk"), 1):
        photos = []
        for photo in test.photos.all():
            name = f"photos/{number}-{photo.moment}.jpg"
            files[name] = bytes(photo.jpeg)
            photos.append({"moment": photo.moment, "file": name, "patches": photo.patches})
        about = {name: getattr(test, name) for name in _TEST} | {"made_at": test.made_at.isoformat(), "photos": photos}
        files[f"tests/{number}.json"] = json_bytes(about)
    return files


def _take_tests(taking: Taking) -> None:
    archive = taking.archive
    for name in sorted(archive.files):
        if not name.startswith("tests/"):
            continue
        about = archive.document(name)
        check(about, "archive-test", name)
        test = TestPiece.objects.create(
            army=taking.army,
            made_at=taking.moment(about["made_at"]),
            **{key: about[key] for key in _TEST if key in about},
        )
        if test.steps is not None:
            try:
                tried(test)
            except MantelloError as error:
                raise Unreadable(f"{name} has steps that cannot be read.", "file") from error
        for one in about.get("photos", ()):
            jpeg, width, height = taking.photograph(one["file"])
            patches = _patches(one.get("patches", {}))
            Photo.objects.create(
                test=test, moment=one["moment"], jpeg=jpeg, width=width, height=height, patches=patches,
                light=light_of(jpeg, patches) if patches else None,
            )  # fmt: skip


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


archive_part("tests", 3, _tests, _take_tests)
