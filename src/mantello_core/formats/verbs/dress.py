"""The verbs about dress: lists read as found, and what an almanac says was worn."""

import base64
import binascii

from ...errors import OutOfRange, Unreadable
from ...uniforms.almanac import Almanac
from ...uniforms.bibliography import bibliography
from ...uniforms.distinction import mistaken
from ...uniforms.fact import Fact
from ...uniforms.reading.table import read_table
from ...uniforms.verdict import Verdict
from ...uniforms.worn import sheet
from ..almanac_document import almanac_of, read_wearer, write_wearer
from ..found_table import write_reading
from ..validation import check

#: figure height, mm, and distance, m, that marks are compared at where none are given
_HEIGHT, _METRES = 28.0, 1.2


def found(document: dict) -> dict:
    """a list of dress in any layout to typed facts and questions, with what became of every cell"""
    check(document, "dress")
    return write_reading(read_table(_bytes(document), document.get("answers", {})))


def _bytes(document: dict) -> bytes:
    if ("text" in document) == ("base64" in document):
        raise OutOfRange("Give the list as text or as base64, one of them.", "/text")
    if "text" in document:
        return document["text"].encode()
    try:
        return base64.b64decode(document["base64"], validate=True)
    except binascii.Error as error:
        raise Unreadable(f"This is not base64: {error}.", "/base64") from error


def worn(document: dict) -> dict:
    """an almanac and a year to what every regiment wore, why, what is open, and who would be mistaken for whom"""
    check(document, "worn")
    almanac, year = almanac_of(document["almanac"], "/almanac"), document["year"]
    asked = (read_wearer(document["wearer"]),) if "wearer" in document else almanac.regiments
    height, metres = document.get("height_mm", _HEIGHT), document.get("metres", _METRES)
    return {
        "year": year,
        "regiments": [
            {"wearer": write_wearer(who), "worn": [_verdict(almanac, one) for one in sheet(almanac, who, year)]} for who in asked
        ],
        "mistaken": [
            {"first": write_wearer(one.first), "second": write_wearer(one.second), "kind": one.kind, "left": round(one.left, 1), "words": one.words}
            for one in mistaken(almanac, year, height, metres, tuple(asked))
        ],
        "sources": [
            {"id": one.source.id, "says": one.says, "worn": one.worn, "alone": one.alone, "overruled": one.overruled}
            for one in bibliography(almanac, year)
        ],
    }  # fmt: skip


def _verdict(almanac: Almanac, one: Verdict) -> dict:
    return {
        "garment": one.garment, "worn": one.value.words if one.value else None, "status": one.status, "why": one.why,
        **({"strength": round(one.strength, 2)} if one.assumed else {}),
        "ladder": [_rung(almanac, rung.fact) for rung in one.ladder],
    }  # fmt: skip


def _rung(almanac: Almanac, fact: Fact) -> dict:
    return {
        "fact": fact.id, "says": fact.phrase.words, "source": almanac.cite(fact), "certainty": fact.certainty,
        "period": fact.period.words, **({"line": fact.line} if fact.line else {}),
    }  # fmt: skip
