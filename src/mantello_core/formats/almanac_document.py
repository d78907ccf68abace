"""Almanacs of dress as an open JSON document; what is written reads back identical."""

import json
from collections.abc import Mapping
from dataclasses import fields

from ..colour.spaces import Lab
from ..errors import Contradiction, OutOfRange, UnknownName, Unreadable
from ..uniforms.almanac import Almanac
from ..uniforms.colour_word import ColourWord, terms
from ..uniforms.fact import CERTAINTIES, KINDS, Fact, Source, Wearer
from ..uniforms.period import Period
from ..uniforms.phrase import Phrase
from ..uniforms.phrase_parts import Part
from .kept import read_kept
from .strict_json import read_json
from .validation import check

FORMAT, VERSION = "mantello-almanac", 1
#: the largest document that is read, bytes
MOST_BYTES = 6_000_000
_WEARER = {one.name: one.default for one in fields(Wearer)}
_PHRASE = ("maybe", "left", "marks", "like", "cut")
_FACT = ("line", "column", "of", "source", "certainty", "note", "by")
_USUAL = {one.name: one.default for one in (*fields(Fact), *fields(Phrase))}


def almanac_bytes(almanac: Almanac) -> bytes:
    """The document as UTF-8 text, the same bytes for the same almanac."""
    return (json.dumps(write_almanac(almanac), indent=1, ensure_ascii=False) + "\n").encode()


def read_almanac_bytes(data: bytes) -> Almanac:
    """An almanac from a file's bytes.

    Raises: OutOfRange for its size, Unreadable if it is no such document.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The file has {len(data)} bytes; allowed is up to {MOST_BYTES}.", "file")
    return read_almanac(read_json(data, "The file"))


def write_almanac(almanac: Almanac) -> dict:
    """The document, JSON-ready; see docs/formats/almanac.md."""
    return {
        "format": FORMAT,
        "version": VERSION,
        "title": almanac.title,
        "year": almanac.year,
        "sources": [vars(one) for one in almanac.sources],
        "facts": [write_fact(one) for one in almanac.facts],
        **({"settled": [list(one) for one in almanac.settled]} if almanac.settled else {}),
    }


def read_almanac(document: object, where: str = "") -> Almanac:
    """An almanac from a parsed document.

    Raises: Unreadable, UnknownName or Contradiction, with a JSON pointer.
    """
    if not isinstance(document, dict) or document.get("format") != FORMAT:
        raise Unreadable(
            f"This is no almanac: it has to begin with format '{FORMAT}', version {VERSION}.", f"{where}/format"
        )
    check(document, "almanac", where)
    return almanac_of(document, where)


def read_kept_almanac(document: dict) -> Almanac:
    """An almanac from a document that was kept: its form is two thirds of reading, see ``read_kept``.

    Raises: as ``read_almanac``.
    """
    return read_kept(document, VERSION, almanac_of, read_almanac)


def almanac_of(document: dict, where: str = "") -> Almanac:
    """The almanac that a document says whose form was gone over, as part of a larger one, or is taken for granted.

    Raises: UnknownName or Contradiction, with a JSON pointer.
    """
    sources = tuple(_read_source(one, f"{where}/sources/{at}") for at, one in enumerate(document["sources"]))
    facts = tuple(read_fact(one, f"{where}/facts/{at}") for at, one in enumerate(document["facts"]))
    for name, ids in (("sources", [one.id for one in sources]), ("facts", [one.id for one in facts])):
        if len(set(ids)) < len(ids):
            twice = next(one for one in ids if ids.count(one) > 1)
            raise Contradiction(f"'{twice}' names two {name}.", f"{where}/{name}")
    settled = tuple((who, garment, fact) for who, garment, fact in document.get("settled", ()))
    return Almanac(document["title"], facts, sources, settled, document.get("year", 0))


def write_wearer(wearer: Wearer) -> dict:
    """Somebody, JSON-ready; what is left open is left out."""
    return {name: value for name, value in vars(wearer).items() if value != _WEARER[name]}


def read_wearer(data: Mapping) -> Wearer:
    """Somebody from a mapping."""
    return Wearer(**data)


def write_colour(colour: ColourWord) -> dict:
    """A colour word, JSON-ready."""
    return {name: value for name, value in vars(colour).items() if value}


def read_colour(data: Mapping, where: str) -> ColourWord:
    """A colour word from a mapping. Raises: UnknownName."""
    colour = ColourWord(**data)
    if not colour.refers_to and colour.term not in terms():
        raise UnknownName("colour word", colour.term, list(terms()), f"{where}/term")
    return colour


def write_fact(fact: Fact) -> dict:
    """A fact, JSON-ready; what is as usual is left out."""
    phrase = fact.phrase
    parts = [
        {"relation": one.relation, **write_colour(one.colour)}
        | {name: year for name, year in (("since", one.since), ("until", one.until)) if year is not None}
        for one in phrase.parts
    ]
    said = {name: getattr(phrase, name) for name in _PHRASE}
    period = {name: value for name, value in vars(fact.period).items() if value}
    return {
        "id": fact.id,
        "wearer": write_wearer(fact.wearer),
        "garment": fact.garment,
        "kind": phrase.kind,
        "text": phrase.text,
        **({"parts": parts} if parts else {}),
        **{name: list(value) if isinstance(value, tuple) else value for name, value in said.items() if value},
        **({"period": period} if period else {}),
        **{name: value for name in _FACT if (value := getattr(fact, name)) != _USUAL[name]},
        **({"picked": list(fact.picked)} if fact.picked else {}),
    }


def read_fact(data: Mapping, where: str) -> Fact:
    """A fact from its mapping. Raises: UnknownName, with a JSON pointer."""
    parts = tuple(
        Part(
            one["relation"],
            read_colour({name: one[name] for name in ("term", "shade", "tint") if name in one}, f"{where}/parts/{at}"),
            one.get("since"),
            one.get("until"),
        )
        for at, one in enumerate(data.get("parts", ()))
    )
    said = {name: _frozen(data[name]) for name in _PHRASE if name in data}
    certainty = data.get("certainty", "")
    if certainty and certainty not in CERTAINTIES:
        raise UnknownName("certainty", certainty, CERTAINTIES, f"{where}/certainty")
    plain = {name: data[name] for name in _FACT if name in data}
    picked = Lab(*map(float, data["picked"])) if "picked" in data else None
    phrase = Phrase(data["kind"], data["text"], parts, **said)
    period = Period(**data.get("period", {}))
    return Fact(
        read_wearer(data["wearer"]), data["garment"], phrase, period=period, id=data["id"], picked=picked, **plain
    )


def _read_source(data: Mapping, where: str) -> Source:
    if data.get("kind") and data["kind"] not in KINDS:
        raise UnknownName("kind of source", data["kind"], KINDS, f"{where}/kind")
    return Source(**data)


def _frozen(value):
    return tuple(value) if isinstance(value, list) else value
