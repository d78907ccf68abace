"""Colours: spaces, differences, sight, light, distance; films, surfaces, grounds, finishes."""

from collections.abc import Iterator
from itertools import pairwise

import numpy as np

from mantello_core.colour.acuity import arc_minutes, blur_millimetres, seen_difference, separable
from mantello_core.colour.difference import box_of, difference, differences
from mantello_core.colour.lamp import lab_under
from mantello_core.colour.light import LIGHTS, in_light
from mantello_core.colour.patch import patch_of
from mantello_core.colour.pigment import pigments
from mantello_core.colour.scene_light import freed, scene_light
from mantello_core.colour.spaces import Lab, hex_of, hexes_of, lab_of_hex, labs_of, linear_of, mean_lab, xyz_of_lab
from mantello_core.colour.vision import SIGHTS, seen_by
from mantello_core.film.calibration import (
    Calibration,
    calibrated_film,
    drying_factor,
    drying_found,
    hiding_found,
    with_learned,
)
from mantello_core.film.coverage import coat_by_coat, coverage, tolerance_of
from mantello_core.film.finish import drying_shift, left_of, varnished, wet_colour
from mantello_core.film.surface import blended, coated, grey, solid, stained, wash_thickness, washed
from mantello_core.paints.alike import alike
from mantello_core.paints.own import by_swatch, own_paint
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.step import Mix

COLOURS = (Lab(50, 40, 20), Lab(50.5, 38, 21), Lab(20, -30, 10), Lab(85, 5, 70), Lab(60, -20, -45), Lab(40, 1, -1),
           Lab(0, 0, 0), Lab(100, 0, 0), Lab(35, 60, -60), Lab(70, -60, 55), Lab(45, 12, -3), Lab(5, 2, -9), Lab(62, -3, 0.2))  # fmt: skip
POTS = (
    "brine-green",
    "salt-linen",
    "lantern-yellow",
    "oil-lamp-black",
    "madder-rope",
    "gull-white",
    "deep-channel",
    "lamp-brass",
)


def colours() -> Iterator[tuple[str, object]]:
    """Spaces and how colours look to each sight, in each light, from each distance."""
    for one in COLOURS:
        yield str(one), (
            xyz_of_lab(one), linear_of(one), hex_of(one), one.chroma, one.hue,
            [seen_by(one, sight, severity) for sight in SIGHTS for severity in (0.5, 1.0)],
            [in_light(one, light, adapted) for light in LIGHTS for adapted in (0.0, 0.7)],
            box_of(one, 2.0), box_of(one, 9.0), lab_under(np.linspace(0.05, 0.9, len(pigments()["PW6"].absorption)), "lamp"),
        )  # fmt: skip
    yield "apart", [difference(one, other) for one in COLOURS for other in COLOURS]
    yield "many apart", differences(np.array(COLOURS)[:, None], np.array(COLOURS)[None])
    yield "seen apart", [
        (seen_difference(one, other, width, metres), separable(one, other, width, metres))
        for one, other in pairwise(COLOURS) for width in (0.3, 2.0, 15.0) for metres in (0.3, 1.2, 3.0)
    ]  # fmt: skip
    yield "small", [(arc_minutes(width, metres), blur_millimetres(metres)) for width in (0.3, 5) for metres in (0.5, 2)]
    yield (
        "means",
        (
            mean_lab(list(COLOURS), list(range(1, 14))),
            hexes_of(np.array(COLOURS)),
            labs_of(np.array([[0.2, 0.3, 0.4], [0.001, 0.002, 0.003]])),
        ),
    )
    card, cloth = (
        patch_of([[int(code[at : at + 2], 16) / 255 for at in (1, 3, 5)]] * 9) for code in ("#a09080", "#305090")
    )
    light = scene_light([(0.4, 0.5, card)])
    yield "card", (vars(light), vars(freed(light, 0.45, 0.5, cloth)))


def paints_alone() -> Iterator[tuple[str, object]]:
    """Every shipped paint: its film, colour, opacity, coats, wet colour and what reads or looks like it."""
    for pot in paints().values():
        film = pot.film
        yield pot.id, (
            solid(film).colour, film.masstone, film.opacity, tolerance_of(film), drying_shift(film), wet_colour(film),
            [film.thickness(dilution) for dilution in (0.0, 0.5, 3.0)], wash_thickness(film, 0.5),
            [(one.paint.id, one.apart, one.why) for one in alike(pot, list(paints().values())[:40])],
        )  # fmt: skip


def films() -> Iterator[tuple[str, object]]:
    """Coats, washes, stains, blends and varnish over pale, grey, dark and metal."""
    grounds = {"pale": grey(0.8), "grey": grey(0.3), "dark": grey(0.03), "brass": solid(paint("lamp-brass").film)}
    for name in POTS:
        film = paint(name).film
        for on, ground in grounds.items():
            laid = coated(ground, film, film.thickness(0.5))
            yield f"{name} on {on}", (
                coverage(film, ground, 0.0), coverage(film, ground, 1.0, 1.5), coverage(film, ground, 1.0, full=2.0), coat_by_coat(film, ground, 0.3, 4),
                [washed(ground, film, 2.0, recess=recess).colour for recess in (True, False)],
                [stained(ground, film, 0.5, recess=recess).colour for recess in (True, False)],
                laid.colour, laid.views, blended(laid, ground, 0.3).colour,
                [varnished(laid, finish).colour for finish in ("gloss", "satin", "matt")],
                [coated(ground, film, left_of(9.0, left, 0.7)).colour for left in (0.7, 0.12, 0.05, 0.03, 0.02)],
            )  # fmt: skip


def learned() -> Iterator[tuple[str, object]]:
    """What test pieces teach, and paints made of a swatch or readings."""
    mix = Mix(((paint("salt-linen"), 2.0), (paint("madder-rope"), 1.0)))
    known = (Calibration("salt-linen", 1.3, 0.8), Calibration("madder-rope", 0.7, 1.4))
    yield "calibrated", (calibrated_film(mix, known).scattering, drying_factor(mix, known))
    one = Mix(((paint("lantern-yellow"), 1.0),))
    yield "hiding", [hiding_found(one, grey(seen), coats) for seen in (0.03, 0.3) for coats in (1, 2, 4, 6)]
    yield "drying", [drying_found(20, measured) for measured in (3, 15, 30, 90)]
    yield "kept", with_learned(known, Calibration("oil-lamp-black", 1.2, 1.0))
    for opacity in ("opaque", "semi-opaque", "semi-transparent", "transparent"):
        pot = own_paint(by_swatch("Own", "acrylic", Lab(45, 30, 20), opacity))
        yield f"own {opacity}", (pot.film.absorption, pot.film.scattering, pot.film.masstone, pot.film.opacity)
    yield "hex", lab_of_hex("#8a4a20")


ANSWERS = (colours, paints_alone, films, learned)
