"""Materials that come back in every army: leather, skin, bone, metals, lenses, dirt; used by reference."""

from dataclasses import dataclass
from functools import cache

from ..data_table import data_table
from ..errors import UnknownName
from ..paints.range import paint
from .step import DILUENTS, Mix, Recipe, Step, checked


@dataclass(frozen=True)
class Material:
    """A material with its recipes by tier, plainest first; a tier without one takes the plainer."""

    id: str
    name: str
    group: str
    note: str
    recipes: tuple[tuple[str, Recipe], ...]


@cache
def materials() -> dict[str, Material]:
    """The materials that ship, by id, in groups."""
    data = data_table(__package__, "materials")
    return {row["id"]: _material(row) for row in data["material"]}


def material(id_: str, where: str = "") -> Material:
    """The material of that id.

    Raises: UnknownName, with near ids.
    """
    if id_ not in materials():
        raise UnknownName("material", id_, list(materials()), where)
    return materials()[id_]


def _material(row: dict) -> Material:
    recipes = tuple((tier, _recipe(row[tier])) for tier in ("rank", "leader", "centrepiece") if tier in row)
    return Material(row["id"], row["name"], row["group"], row["note"], recipes)


def _recipe(lines: list[str]) -> Recipe:
    steps: list[Step] = []
    for line in lines:
        step = _step(line)
        same = sum(one.kind == step.kind for one in steps)
        steps.append(
            checked(Step(step.kind + (f"-{same + 1}" if same else ""), step.kind, step.mix, step.coats, step.where))
        )
    return Recipe(tuple(steps))


def _step(line: str) -> Step:
    kind, mix, *more = [part.strip() for part in line.split("|")]
    thinned, where, coats = ([*more, "", "", ""])[:3]
    parts = tuple(
        (paint(name), float(amount)) for name, amount in (one.strip().rsplit(" ", 1) for one in mix.split("+"))
    )
    diluent, amount = thinned.split() if thinned else (DILUENTS[0], 0)
    return Step("", kind, Mix(parts, diluent, float(amount)), int(coats) if coats else None, where)
