"""Verbs about paint: coats, mixes and matches."""

from ...colour.spaces import Lab, hex_of, lab_of_hex, on_screen
from ...errors import MantelloError
from ...film.coverage import coverage, tolerance_of
from ...film.ground import Ground
from ...film.surface import solid
from ...mixing.matching import matches
from ...mixing.undercoat import undercoats
from ...paints.range import paint, paints
from ...recipes.step import EVEN, Mix, Step, checked
from ..validation import check


def coats(document: dict) -> dict:
    """mix (and an undercoat) to the coats it takes over every undercoat"""
    check(document, "coats")
    mix = mix_of(document["mix"], "/mix")
    film, even = mix.film, document.get("even", EVEN)
    full = tolerance_of(film) if document.get("full") else None
    pots = [paint(document["undercoat"], "/undercoat")] if "undercoat" in document else undercoats()
    covers = [(pot, coverage(film, solid(pot.film), mix.dilution, even, full)) for pot in pots]
    return {
        "mix": mix.words,
        "opacity": film.opacity,
        "wanted": "full colour" if full else "even",
        "allowed": covers[0][1].allowed,
        "undercoats": [
            {
                "undercoat": pot.id,
                "coats": cover.coats,
                "uneven": round(cover.uneven, 3),
                "from_full_colour": round(cover.apart, 3),
            }
            for pot, cover in covers
        ],
    }


def mixed(document: dict) -> dict:
    """parts and diluent to the colour, contrast and film of the mix"""
    check(document, "mix")
    mix = mix_of(document, "")
    film = mix.film
    return {
        "mix": mix.words,
        "colour": colour_mapping(film.masstone),
        "contrast": round(film.contrast, 4),
        "opacity": film.opacity,
        "coat_micrometres": round(film.thickness(mix.dilution), 3),
    }


def matched(document: dict) -> dict:
    """a colour, and the paints that may be used, to the nearest mixes in whole drops"""
    check(document, "match")
    target = Lab(*document["lab"]) if "lab" in document else lab_of_hex(document["hex"])
    allowed = [paint(id_, f"/paints/{at}") for at, id_ in enumerate(document.get("paints", paints()))]
    ground = Ground(paint(document["undercoat"], "/undercoat")) if "undercoat" in document else None
    return {
        "target": colour_mapping(target),
        "matches": [
            {
                "mix": one.mix.words,
                "parts": [{"paint": pot.id, "parts": parts} for pot, parts in one.mix.parts],
                "colour": colour_mapping(one.colour),
                "difference": round(one.apart, 2),
                "opacity": one.opacity,
                "finish": one.finish,
                "body": one.body,
            }
            | ({"coats": one.coats} if ground else {})
            for one in matches(target, allowed, ground, document.get("limit", 8))
        ],
    }


def mix_of(data: dict, where: str) -> Mix:
    """A mix from its mapping.

    Raises: what ``checked`` refuses, with a pointer.
    """
    parts = tuple(
        (paint(part["paint"], f"{where}/parts/{at}"), float(part["parts"])) for at, part in enumerate(data["parts"])
    )
    mix = Mix(parts, data.get("diluent", "neat"), float(data.get("diluent_parts", 0)))
    try:
        return checked(Step("mix", "base", mix)).mix
    except MantelloError as error:
        error.where = error.where.replace("/mix", where, 1)
        raise


def colour_mapping(lab: Lab) -> dict:
    """A colour as numbers and as a screen shows it."""
    return {
        "lab": [round(value, 2) for value in lab],
        "hex": hex_of(lab),
        "on_screen": bool(on_screen(lab)),
    }
