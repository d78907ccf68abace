"""Verbs about what others wrote: palettes, drawings and calendars."""

import base64
import binascii
from datetime import date
from zoneinfo import ZoneInfo, available_timezones

from ...errors import Unreadable
from ...geometry.outline import to_d
from ...geometry.polygon import polygon_of
from ..calendar_file import read_busy
from ..figure_drawing import measured, read_drawing, with_names
from ..palette import read_palette
from ..validation import check


def palette(document: dict) -> dict:
    """palette text to its name, its colours to the letter, and every line that is none"""
    check(document, "palette")
    found = read_palette(document["text"])
    return {
        "name": found.name,
        "colours": [{"line": one.number, "name": one.name, "hex": one.hex} for one in found.colours],
        "told": [{"line": one.number, "text": one.text, "words": one.words} for one in found.told],
    }


def busy(document: dict) -> dict:
    """iCalendar text, a first and a last day, perhaps a zone, to the busy times between them on that clock, joined"""
    check(document, "busy")
    zone = document.get("zone", "")
    if zone and zone not in available_timezones():
        raise Unreadable(f"'{zone}' is no time zone; write one such as Europe/Rome, or none.", "/zone")
    days = []
    for name in ("first", "last"):
        try:
            days.append(date.fromisoformat(document[name]))
        except ValueError as error:
            raise Unreadable(f"'{document[name]}' is no day; write it as 2026-12-24.", f"/{name}") from error
    found = read_busy(document["calendar"].encode(), ZoneInfo(zone) if zone else None, *days)
    return {"busy": [list(times) for times in found]}


def drawing(document: dict) -> dict:
    """SVG as svg or base64 to its shapes with the areas they are, what is left out, and with a height every area measured"""
    check(document, "read-drawing")
    found = read_drawing(_bytes(document))
    if "names" in document:
        found = with_names(found, document["names"])
    answer = {
        "views": list(found.views),
        "shapes": [
            {
                "key": one.key, "view": one.view, "called": one.given, "area": one.area, "suggestion": one.suggestion,
                "size": round(polygon_of(one.commands).area, 3), "d": to_d(one.commands),
            }
            for one in found.shapes
        ],
        "left_out": list(found.left_out),
    }  # fmt: skip
    if "height_mm" in document:
        made = measured(found, document["height_mm"], document.get("materials", {}))
        answer["measured"] = [
            {"view": view["name"], "area": area["area"], "material": area["material"], "mm2": area["mm2"]}
            for view in made["views"]
            for area in view["areas"]
        ]
    return answer


def _bytes(document: dict) -> bytes:
    if "svg" in document:
        return document["svg"].encode("utf-8", "surrogatepass")
    try:
        return base64.b64decode(document["base64"], validate=True)
    except (binascii.Error, ValueError) as error:
        raise Unreadable(f"The bytes are not base64: {error}.", "/base64") from error
