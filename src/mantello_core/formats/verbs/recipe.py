"""Verbs about how a colour is made: films over a ground, ramps of light, and whole recipes."""

from ...colour.spaces import Lab, lab_of_hex
from ...film.finish import drying_shift, varnished, wet_colour
from ...film.ground import Ground
from ...film.prediction import predicted
from ...film.surface import coated, solid, stained, washed
from ...mixing.generating import generated
from ...mixing.route import RISE, STEPS, routes
from ...paints.catalogue import SHIPPED
from ...paints.range import paint, paints
from ...recipes.hazard import step_cautions
from ...recipes.step import Mix, Recipe, Step, checked
from ...recipes.where import Where
from ..document.ground import read_ground
from ..document.recipes import write_step
from ..validation import check
from .paint import colour_mapping, mix_of


def film(document: dict) -> dict:
    """mix over an undercoat to what is seen of it, coat by coat, as a wash, wet, and under varnish"""
    check(document, "film")
    mix, ground = mix_of(document["mix"], "/mix"), _ground(document)
    pot, dilution = mix.film, mix.dilution
    surface, coats = ground.flat, []
    for _ in range(document.get("coats", 3)):
        surface = coated(surface, pot, pot.thickness(dilution))
        coats.append(colour_mapping(surface.colour))
    laid = _laid(document, mix, ground)
    metal = {"views": {name: colour_mapping(seen) for name, seen in surface.views.items()}} if pot.flake else {}
    return (
        {
            "mix": mix.words,
            "ground": ground.words,
            "on": colour_mapping(ground.colour),
            "coat_micrometres": round(pot.thickness(dilution), 3),
            "coats": coats,
            "opaque": colour_mapping(solid(pot).colour),
            "wet": colour_mapping(wet_colour(pot)),
            "drying_shift": round(drying_shift(pot), 2),
            "wash": {
                place: colour_mapping(washed(ground.flat, pot, dilution, recess=place == "recess").colour)
                for place in ("raised", "recess")
            },
            "stain": {
                place: colour_mapping(stained(ground.flat, pot, dilution, recess=place == "recess").colour)
                for place in ("raised", "recess")
            },
            "varnished": {
                finish: colour_mapping(varnished(surface, finish).colour) for finish in ("gloss", "satin", "matt")
            },
        }
        | metal
        | laid
    )


def _laid(document: dict, mix: Mix, ground: Ground) -> dict:
    """What a step of that kind at that place leaves on a figure; nothing where neither is asked for."""
    if "kind" not in document and "place" not in document:
        return {}
    spot = Where(**document["place"]) if "place" in document else None
    step = checked(Step("asked", document.get("kind", "base"), mix, document.get("coats"), spot=spot), "")
    (outcome,) = predicted(Recipe((step,)), ground).outcomes
    return {
        "laid": {
            "goes": step.goes.words,
            "share": round(step.share, 3),
            "coats": outcome.coats,
            "there": colour_mapping(outcome.after),
            "tones": {zone: colour_mapping(seen) for zone, seen in outcome.tones.items()},
        }
    }


def ramp(document: dict) -> dict:
    """mix, and the paints it may be lightened with, to ladders of near-equal steps with their drift"""
    check(document, "ramp")
    base = mix_of(document["mix"], "/mix")
    lights = _allowed(document) if "paints" in document else [pot for pot in paints().values() if pot.mixable]
    found = routes(base, list(lights), document.get("steps", STEPS), document.get("rise", RISE))
    return {
        "mix": base.words,
        "colour": colour_mapping(solid(base.film).colour),
        "routes": [
            {
                "light": one.light.id,
                "mixes": [mix.words for mix in one.mixes],
                "colours": [colour_mapping(colour) for colour in one.colours[1:]],
                "steps": [round(step, 2) for step in one.steps],
                "gain": round(one.gain, 1),
                "hue_drift": round(one.hue_drift, 1),
                "chroma_drift": round(one.chroma_drift, 1),
                "dull_steps": list(one.dull),
            }
            for one in found[: document.get("limit", 8)]
        ],
    }


def recipe(document: dict) -> dict:
    """a colour or mix, a method, a tier and the paints that may be used to a whole recipe and what it gives"""
    check(document, "recipe")
    if "mix" in document:
        target = mix_of(document["mix"], "/mix")
    else:
        target = Lab(*document["lab"]) if "lab" in document else lab_of_hex(document["hex"])
    made = generated(target, tuple(_allowed(document)), document.get("tier", "rank"), document.get("method", "classic"))
    outcomes = predicted(made.recipe, _ground(document)).outcomes
    return {
        "steps": [
            write_step(one.step)
            | {
                "tool": one.step.tool, "goes": one.step.goes.words, "share": round(one.step.share, 3), "coats_to_lay": one.coats, "drying_minutes": one.step.drying,
                "after": colour_mapping(one.after), "cautions": list(step_cautions(one.step)),
            }
            for one in outcomes
        ],
        "missing": list(made.missing),
        "tones": {zone: colour_mapping(seen) for zone, seen in outcomes[-1].tones.items()},
    } | ({"apart": round(made.apart, 2)} if made.apart is not None else {})  # fmt: skip


def _ground(document: dict) -> Ground:
    return read_ground({"undercoat": "undercoat-slate"} | document, SHIPPED, "/")


def _allowed(document: dict):
    return [paint(id_, f"/paints/{at}") for at, id_ in enumerate(document.get("paints", paints()))]
