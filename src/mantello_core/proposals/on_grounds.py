"""What every shipped paint looks like as a method starts it on every undercoat, and the coats that takes.

It depends on nothing but what ships, so it ships too: as a table for every method, with the digest of the ranges it was worked
out from. A table of other ranges is passed over and worked out.
"""

import json
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from importlib.resources import files
from types import MappingProxyType

import numpy as np

from ..film.ground import Ground
from ..film.laying import followed, zones_on
from ..film.prediction import mean_of
from ..memory import remembered
from ..mixing.starting import started
from ..mixing.undercoat import undercoats
from ..paints.range import digest_of_ranges, paints


@dataclass(frozen=True, eq=False)
class OnGround:
    """All paints that start a recipe, on one undercoat: ids, apparent colours, (n, 3), and coats of all steps, (n)."""

    ids: tuple[str, ...]
    labs: np.ndarray
    coats: np.ndarray

    @cached_property
    def places(self) -> dict[str, int]:
        """The place of every paint among them."""
        return {id_: at for at, id_ in enumerate(self.ids)}

    def coats_of(self, paint_id: str) -> int:
        """Coats of one paint's whole recipe."""
        return int(self.coats[self.places[paint_id]])


@remembered(2_000)
def on_grounds(method: str) -> Mapping[str, OnGround]:
    """Undercoat id to what all acrylics look like on it, as the method starts them for rank and file."""
    table = shipped_table(method)
    rows = table["paints"] if table["ranges"] == digest_of_ranges() else worked_out(method)
    values = np.array(list(rows.values()), float)
    ids = tuple(rows)
    return MappingProxyType({
        pot.id: OnGround(ids, values[:, at, 1:], values[:, at, 0].astype(int)) for at, pot in enumerate(undercoats())
    })  # fmt: skip


def shipped_table(method: str) -> dict:
    """The table of a method as it ships: the digest of its ranges, and by paint id what ``worked_out`` gives."""
    return json.loads((files(__package__) / "data" / "on_grounds" / f"{method}.json").read_bytes())


def worked_out_table(method: str) -> dict:
    """The table of a method to ship."""
    return {"ranges": digest_of_ranges(), "paints": worked_out(method)}


def worked_out(method: str) -> dict[str, list[list[float]]]:
    """Paint id to, for every undercoat in shelf order, coats and the apparent colour in CIELAB."""
    known = tuple(Ground(pot) for pot in undercoats())
    found = {}
    for pot in paints().values():
        if pot.kind == "acrylic":
            recipe = started(pot, "rank", method)
            zones = zones_on(recipe, known)
            laid = list(followed(recipe, known, (), zones))
            coats = np.sum([one.coats for one in laid], 0).tolist()
            seen = [mean_of(one, zones.share[1:]) for one in laid[-1].after.labs[:, 1:]]
            found[pot.id] = [
                [count, *(round(value, 4) for value in lab)] for count, lab in zip(coats, seen, strict=True)
            ]
    return found
