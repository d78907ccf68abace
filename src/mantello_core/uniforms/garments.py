"""Garments and their parts, ranks and certainty, by the words that lists have for them."""

from dataclasses import dataclass
from functools import cache

from .folding import fold, stems
from .word_lists import word_list

#: orders of dress by the words for them
DRESS = {
    "parade": {
        "parade",
        "full dress",
        "gala",
        "grande tenue",
        "dress",
        "review",
        "paradeuniform",
        "gran gala",
        "tenue de parade",
    },
    "field": {
        "field",
        "campaign",
        "service",
        "feld",
        "feldanzug",
        "campagne",
        "tenue de campagne",
        "campagna",
        "campana",
        "marching",
        "marschanzug",
        "petite tenue",
        "undress",
        "interim",
        "stable",
    },
    "winter": {"winter", "hiver", "inverno", "invierno"},
    "summer": {"summer", "sommer", "ete", "estate", "verano"},
}


@dataclass(frozen=True)
class Garment:
    """A garment or a part of one: where it is on a figure, and how wide it is in life, mm."""

    id: str
    title: str
    select: tuple[str, ...]
    mm: float
    #: whether its colours are those of metals: white is pewter, yellow brass
    metal: bool = False


@cache
def garments() -> dict[str, Garment]:
    """Garments and parts by id."""
    return {
        id_: Garment(id_, about["title"], tuple(about["select"]), float(about["mm"]), about.get("metal", False))
        for id_, about in word_list("headers")["garment"].items()
    }


#: parts of a figure, and the garment that whatever else is on them lies on
_UNDER = {"torso.coat": "coat", "arm.*.cuff": "coat", "head.hat": "hat", "leg.*.gaiter": "gaiters"}


def lies_on(garment: str) -> str:
    """The garment that a part or trimming lies on, where it can be painted with it; '' for one that stands for itself.

    >>> lies_on("piping"), lies_on("cuff"), lies_on("cockade"), lies_on("belts"), lies_on("coat")
    ('coat', 'coat', 'hat', '', '')
    """
    known = garments().get(garment)
    first = known.select[0] if known and known.select else ""
    select = first.removeprefix("=").replace(".left", ".*").replace(".right", ".*")
    for part, under in _UNDER.items():
        if garment != under and (select == part or select.startswith(f"{part}.")):
            return under
    return ""


def title_of(garment: str) -> str:
    """What a garment is called; an unknown one, kept under a list's own word, as it is called there."""
    known = garments().get(garment)
    return known.title if known else garment.removeprefix("?").replace("_", " ").capitalize()


@cache
def known_headers() -> dict[str, list[tuple[str, str]]]:
    """Every word for a column: (kind, id) of all it may mean; kinds are key, garment, meta."""
    data = word_list("headers")
    known: dict[str, list[tuple[str, str]]] = {}
    for kind in ("key", "meta"):
        for name, words in data[kind].items():
            for word in (name, *words):
                known.setdefault(fold(word) or word, []).append((kind, name))
    for name, about in data["garment"].items():
        for word in (name.replace("_", " "), *about["words"]):
            known.setdefault(fold(word), []).append(("garment", name))
    return known


@cache
def _ranks() -> dict[str, str]:
    data = word_list("headers")["rank"]
    return {fold(word): rank for rank, words in data.items() for word in words}


@cache
def certainty_words() -> dict[str, str]:
    """Words for how sure a source is."""
    data = word_list("headers")["certainty"]
    return {fold(word): grade for grade, words in data.items() for word in words}


def rank_of(text: str) -> str:
    """The rank a text names; '' if it names none."""
    said = fold(text)
    return next((_ranks()[one] for one in (said, *stems(said)) if one in _ranks()), "")


def lookup(said: str, order: tuple[str, ...] = ("key", "garment", "meta")) -> tuple[str, str] | None:
    """What a folded header word is, if it is known just so or but for its ending."""
    for one in (said, *(stems(said) if " " not in said else ())):
        found = known_headers().get(one)
        if found:
            return min(found, key=lambda pair: order.index(pair[0]))
    return None
