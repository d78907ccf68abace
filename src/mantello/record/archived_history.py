"""Decisions, last looks, readings and photographs of figures in an archive: written beside the log, and taken in again."""

from collections.abc import Callable

from mantello.archive.part import Taking
from mantello.workspace.models import Army

from .models import Decision, FigurePhoto, LastLook, Measurement

_DECISION = ("about", "question", "options", "chosen", "reason", "reversible", "stood")
_LOOK = ("unit", "rank", "ordinal", "missed")
_PHOTO = ("unit", "rank", "ordinals", "caption")
_MEASUREMENT = ("unit", "rank", "ordinal", "role", "lightness", "a", "b")


def history_of(army: Army) -> tuple[dict[str, list], dict[str, bytes]]:
    """What the log's document says of them, and the photographs by member name."""
    files, photos = {}, []
    for number, one in enumerate(army.figure_photos.all(), 1):
        name = f"photos/figures-{number}.jpg"
        files[name] = bytes(one.jpeg)
        said = {key: getattr(one, key) for key in _PHOTO} | {"file": name, "taken_at": one.taken_at.isoformat()}
        photos.append(said | ({"patches": one.patches} if one.patches else {}))
    decisions = [
        {key: getattr(one, key) for key in _DECISION}
        | {"made_at": one.made_at.isoformat(), "closed_at": one.closed_at.isoformat() if one.closed_at else None}
        for one in army.decisions.order_by("made_at", "pk")
    ]
    looks = [
        {key: getattr(one, key) for key in _LOOK} | {"looked_at": one.looked_at.isoformat()}
        for one in army.last_looks.order_by("looked_at", "pk")
    ]
    measurements = [
        {key: getattr(one, key) for key in _MEASUREMENT} | {"measured_at": one.measured_at.isoformat()}
        for one in army.measurements.order_by("measured_at", "pk")
    ]
    return {"decisions": decisions, "looks": looks, "photos": photos, "measurements": measurements}, files


def take_history(taking: Taking, log: dict) -> None:
    """Keep them with an army that is taken in.

    Raises: Unreadable for a moment or a missing photograph; ValidationError for one that is no picture.
    """
    army, moment_of, rank_of = taking.army, taking.moment, taking.rank_id
    for one in log.get("decisions", ()):
        closed = moment_of(one["closed_at"]) if one.get("closed_at") else None
        made = Decision.objects.create(army=army, closed_at=closed, **{key: one[key] for key in _DECISION})
        Decision.objects.filter(pk=made.pk).update(made_at=moment_of(one["made_at"]))
    for one in log.get("looks", ()):
        made = LastLook.objects.create(army=army, **_placed(one, _LOOK, rank_of))
        LastLook.objects.filter(pk=made.pk).update(looked_at=moment_of(one["looked_at"]))
    Measurement.objects.bulk_create(
        Measurement(army=army, measured_at=moment_of(one["measured_at"]), **_placed(one, _MEASUREMENT, rank_of))
        for one in log.get("measurements", ())
    )
    for one in log.get("photos", ()):
        jpeg, width, height = taking.photograph(one["file"])
        FigurePhoto.objects.create(
            army=army,
            jpeg=jpeg,
            width=width,
            height=height,
            taken_at=moment_of(one["taken_at"]),
            patches=one.get("patches", {}),
            **_placed(one, _PHOTO, rank_of),
        )


def _placed(one: dict, names: tuple[str, ...], rank_of: Callable[[str, str], str]) -> dict:
    return {key: one[key] for key in names} | {"rank": rank_of(one["unit"], one["rank"])}
