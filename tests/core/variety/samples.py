"""Bands that tests of variety share."""

import random

from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.variety.band import Band, Garment, Option

_CLOTH = {
    "undyed": "#cfc4a8", "drab": "#8d8064", "brown": "#5f4534", "russet": "#7d4330", "moss": "#5d6340", "blue": "#6d8295", "grey": "#8f9190",
    "black": "#33302f", "madder": "#a03a30", "weld": "#d1aa3e",
}  # fmt: skip


def plain(name: str, share: float, *, accent: bool = False) -> Option:
    """One colour."""
    return Option(name, ((name, lab_of_hex(_CLOTH[name]), 1.0),), share, accent)


def two(one: str, other: str, share: float) -> Option:
    """Two colours in a pattern."""
    colours = ((one, lab_of_hex(_CLOTH[one]), 0.65), (other, lab_of_hex(_CLOTH[other]), 0.35))
    return Option(f"{one} and {other}", colours, share)


def marsh(figures: int, seed: int = 212) -> Band:
    """Reed-cutters: six garments of poor cloth, two patterns, two bright things, a leader in twelve."""
    garments = (
        Garment("tunic", (plain("undyed", 5), plain("grey", 3), plain("drab", 3), two("undyed", "madder", 1), plain("blue", 2)), 100, 4, 1),
        Garment("breeches", (plain("brown", 3), plain("drab", 3), plain("blue", 2), plain("moss", 2), two("grey", "brown", 1)), 26, 3, 0),
        Garment("wraps", (plain("undyed", 2), plain("russet", 2), plain("grey", 2), plain("drab", 2)), 44, 3, 1),
        Garment("jerkin", (plain("brown", 4), plain("russet", 3), plain("moss", 3), plain("black", 1), plain("drab", 1)), 134, 6, 2),
        Garment("cap", (plain("blue", 2), plain("russet", 2), plain("moss", 2), plain("grey", 2), plain("brown", 1), plain("weld", 1, accent=True)), 24, 3, 3),
        Garment("band", (plain("undyed", 3), plain("drab", 2), plain("black", 2), plain("madder", 2, accent=True), plain("weld", 1, accent=True)), 31, 2.5, 4),
    )  # fmt: skip
    touching = ((0, 3), (0, 1), (1, 2), (1, 3), (4, 5))
    leaders = frozenset(range(0, figures, 12))
    return Band(figures, garments, touching, seed=seed, leaders=leaders, least=max(2, figures // 12))


def random_band(figures: int, seed: int, options: int = 4) -> Band:
    """Garments in colours drawn at random, from loose to tight."""
    rng = random.Random(seed)
    palette: list[Lab] = []
    while len(palette) < 8:
        colour = Lab(rng.uniform(22, 82), rng.uniform(-25, 40), rng.uniform(-25, 45))
        if all(difference(colour, other) > 16 for other in palette):
            palette.append(colour)
    garments = []
    for at in range(6):
        chosen = rng.sample(range(8), options)
        listed = tuple(Option(f"p{one}", ((f"p{one}", palette[one], 1.0),), rng.choice((1, 1, 2, 3))) for one in chosen)
        garments.append(Garment(f"g{at}", listed, 20.0 + 15 * at, 3.0, at))
    touching = ((0, 1), (0, 2), (1, 3), (0, 4), (2, 4), (4, 5))
    return Band(figures, tuple(garments), touching, seed=seed, least=max(3, figures // 20))
