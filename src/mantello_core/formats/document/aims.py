"""What a scheme aims at, as part of the document."""

from dataclasses import replace

from ...scheme.aim import Aims, with_accepted, with_share, with_threshold
from .pointer import at


def write_aims(aims: Aims) -> dict:
    """What differs from the usual aims, JSON-ready."""
    usual = Aims()
    written = {
        name: list(getattr(aims, name))
        for name in ("accents", "signatures", "focus", "quiet")
        if getattr(aims, name) != getattr(usual, name)
    }
    if aims.shares:
        written["shares"] = [{"role": role, "share": share} for role, share in aims.shares]
    if aims.thresholds:
        written["thresholds"] = [{"name": name, "value": value} for name, value in aims.thresholds]
    if aims.accepted:
        written["accepted"] = [{"check": check, "finding": key, "note": note} for check, key, note in aims.accepted]
    return written


def read_aims(data: dict) -> Aims:
    """The aims from their mapping; what is not said is as usual.

    Raises: what shares, thresholds and acceptances refuse, with a JSON pointer.
    """
    aims = Aims()
    for name in ("accents", "signatures", "focus", "quiet"):
        if name in data:
            aims = replace(aims, **{name: tuple(data[name])})
    for index, one in enumerate(data.get("shares", ())):
        with at(f"/scheme/aims/shares/{index}"):
            aims = with_share(aims, one["role"], float(one["share"]))
    for index, one in enumerate(data.get("thresholds", ())):
        with at(f"/scheme/aims/thresholds/{index}"):
            aims = with_threshold(aims, one["name"], float(one["value"]))
    for index, one in enumerate(data.get("accepted", ())):
        with at(f"/scheme/aims/accepted/{index}"):
            aims = with_accepted(aims, one["check"], one["finding"], one["note"])
    return aims
