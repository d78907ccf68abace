"""Tools and consumables that the work of an army uses up, beside paint."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from .task import Atom

#: hours of fine and of rough work that a brush lasts, figures to a stick, hours that a palette sheet stays usable
FINE_BRUSH_HOURS, ROUGH_BRUSH_HOURS, STICK, PALETTE_HOURS = 30.0, 18.0, 3, 8.0
#: kinds of step that wear a fine brush, a rough one, a sponge, or take buds and spirit
_FINE, _ROUGH = (
    {"edge", "highlight", "dot", "line", "recess"},
    {"drybrush", "overbrush", "stipple", "powder", "texture"},
)
#: figures to a sponge, buds to an oiled figure, ml of spirit to one, ml of thinner or medium a pot holds
_SPONGE_FIGURES, _BUDS, _SPIRIT_ML = 20, 2, 1.5
_MASK_HOURS, _MOUNTED_AT_ONCE = 8.0, 30


@dataclass(frozen=True)
class Consumable:
    """Something to have ready: how many of it, and what for."""

    name: str
    count: int
    why: str


def consumables(atoms: Iterable[Atom]) -> tuple[Consumable, ...]:
    """What the work uses up besides paint; estimates, to be replaced by what really wears out."""
    atoms = tuple(atoms)
    hours = {
        name: sum(atom.seconds * len(atom.ordinals) for atom in atoms if atom.kind in kinds) / 3600
        for name, kinds in (("fine", _FINE), ("rough", _ROUGH))
    }
    everything = sum(atom.seconds * len(atom.ordinals) for atom in atoms) / 3600
    figures = len({(atom.unit, atom.rank, ordinal) for atom in atoms for ordinal in atom.ordinals})
    of_kind = {
        kind: {(a.unit, a.rank, o) for a in atoms if a.kind == kind for o in a.ordinals} for kind in ("sponge", "oil")
    }
    spraying = sum(atom.seconds * len(atom.ordinals) for atom in atoms if atom.sprayed) / 3600
    rows = [
        ("Painting sticks", math.ceil(min(figures, _MOUNTED_AT_ONCE) / STICK), f"{STICK} figures to a stick, {min(figures, _MOUNTED_AT_ONCE)} at once"),
        ("Fine brush", math.ceil(hours["fine"] / FINE_BRUSH_HOURS), f"{hours['fine']:.0f} h of edges and lines"),
        ("Old or rough brush", math.ceil(hours["rough"] / ROUGH_BRUSH_HOURS), f"{hours['rough']:.0f} h of drybrushing and stippling"),
        ("Sheets for a wet palette", math.ceil(everything / PALETTE_HOURS), f"{everything:.0f} h of work"),
        ("Foam to sponge with", math.ceil(len(of_kind["sponge"]) / _SPONGE_FIGURES), f"{len(of_kind['sponge'])} figures are chipped"),
        ("Cotton buds", len(of_kind["oil"]) * _BUDS, f"{len(of_kind['oil'])} figures are wiped"),
        ("White spirit, ml", math.ceil(len(of_kind["oil"]) * _SPIRIT_ML), f"{len(of_kind['oil'])} figures are wiped"),
        ("Filters for the mask", math.ceil(spraying / _MASK_HOURS), f"{spraying:.1f} h of spraying; the maker's limit comes first"),
    ]  # fmt: skip
    for name, count in _pieces(atoms).items():
        rows.append((name, count, "on bases, as the finish says"))
    joined = sum(len(atom.ordinals) for atom in atoms if atom.subject.piece.startswith("join-"))
    rows.append(("Joints to glue", joined, "parts that are painted apart"))
    return tuple(Consumable(name, count, why) for name, count, why in rows if count)


def _pieces(atoms: tuple[Atom, ...]) -> dict[str, int]:
    """Magnets and plants, and how many of each."""
    found: dict[str, int] = {}
    for atom in atoms:
        if atom.subject.piece == "magnet" or atom.subject.piece.startswith("plant-"):
            found[atom.name] = found.get(atom.name, 0) + len(atom.ordinals)
    return found
