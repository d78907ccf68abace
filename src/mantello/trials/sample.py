"""A test piece as the demo has it, with photographs drawn instead of taken: patches beside a grey card, under a lamp and by day."""

import io

from django.db import transaction
from django.utils import timezone
from PIL import Image, ImageDraw, ImageFilter

from mantello.shell.photograph import kept
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.advice.trial import PATCHES
from mantello_core.colour.spaces import hex_of
from mantello_core.film.prediction import Outcome, predicted

from .models import Photo, TestPiece
from .trial import CARD, begun, kept_patch, light_of, lit_by, planned_minutes, tones_there, tried

#: size of the drawn photographs, and what their lights do to red, green and blue
SIZE = (1120, 720)
CASTS = {Photo.Moment.AFTER: (1.0, 0.9, 0.74), Photo.Moment.WINDOW: (0.96, 0.98, 1.0)}
#: where things lie in it: left, top, right, bottom
PLACES = {
    CARD: (60, 80, 300, 640), "recess": (390, 80, 1060, 240), "flat": (390, 280, 1060, 440), "raised": (390, 480, 1060, 640),
}  # fmt: skip
#: 18 % grey as a screen has it
GREY = "#767676"


@transaction.atomic
def sample_test(army: Army, role: str = "smallclothes") -> TestPiece:
    """An accepted test piece of a role, with photographs in which everything is pointed at."""
    test = begun(army, reading_of(army.head), role, "rank")
    test.lamp, test.verdict, test.made_at = "lamp", TestPiece.Verdict.ACCEPTED, timezone.now()
    test.note = "A third coat of the base was needed on the thighs. Go lighter on the last edge."
    recipe, ground = tried(test)
    prediction = predicted(recipe, ground)
    test.done = {
        one.step.id: {
            "coats": one.coats + (one.step.kind == "base"),
            "minutes": _took(army, role, one),
            "drying": one.step.drying * 1.25,
        }
        for one in prediction.outcomes
    }
    test.save()
    for moment, cast in CASTS.items():
        _photographed(test, moment, cast)
    return test


def _photographed(test: TestPiece, moment: str, cast: tuple[float, float, float]) -> None:
    photo = Photo(test=test, moment=moment)
    tones = tones_there(test, lit_by(photo))
    colours = {CARD: GREY} | {name: hex_of(tones[zone]) for name, zone in PATCHES.items()}
    photo.jpeg, photo.width, photo.height = kept(_drawn(colours, cast))
    middles = {
        name: [round((left + right) / 2 / SIZE[0], 4), round((top + bottom) / 2 / SIZE[1], 4)]
        for name, (left, top, right, bottom) in PLACES.items()
    }
    photo.light = light_of(photo.jpeg, middles)
    photo.patches = {name: [*place, kept_patch(photo.light, name).hex] for name, place in middles.items()}
    photo.save()


def _took(army: Army, role: str, outcome: Outcome) -> float:
    """A little longer than planned, to the half minute."""
    planned = planned_minutes(reading_of(army.head), role, "rank", outcome.step, outcome.coats)
    return max(0.5, round(2 * 1.2 * planned) / 2)


def _drawn(colours: dict[str, str], cast: tuple[float, float, float]) -> bytes:
    picture = Image.new("RGB", SIZE, _lit("#4a4642", cast))
    pen = ImageDraw.Draw(picture)
    for name, box in PLACES.items():
        pen.rectangle(box, _lit(colours[name], cast))
    out = io.BytesIO()
    picture.filter(ImageFilter.GaussianBlur(2)).save(out, "PNG")
    return out.getvalue()


def _lit(colour: str, cast: tuple[float, float, float]) -> tuple[int, int, int]:
    """A colour under a light: every channel scaled in linear light."""
    channels = [int(colour[at : at + 2], 16) / 255 for at in (1, 3, 5)]
    return tuple(round(255 * (channel**2.2 * lamp) ** (1 / 2.2)) for channel, lamp in zip(channels, cast, strict=True))
