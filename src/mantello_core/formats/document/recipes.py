"""Roles and their recipes as parts of an open JSON document; what is written reads back identical."""

from ...army.tree import TIERS
from ...errors import Contradiction
from ...paints.catalogue import Catalogue
from ...recipes.material import material
from ...recipes.step import USUAL, Manner, Mix, Recipe, Step, checked
from ...recipes.where import Where
from ...scheme.scheme import Role, Scheme
from .own_paints import write_own_paint


def write_role(role: Role) -> dict:
    """A role with its recipes, JSON-ready."""
    recipes = {tier: [write_step(step) for step in recipe.steps] for tier, recipe in role.recipes}
    more = ({"material": role.material} if role.material else {}) | ({"provisional": True} if role.provisional else {})
    return {"id": role.id, "name": role.name, "recipes": recipes} | more


def read_role(data: dict, where: str, catalogue: Catalogue) -> Role:
    """A role from its mapping; catalogue: the paints it may name.

    Raises: what ``read_step`` refuses; UnknownName for the material; Contradiction for a step that comes twice.
    """
    recipes = []
    for tier in TIERS:
        if tier in data["recipes"]:
            steps = data["recipes"][tier]
            read = tuple(
                read_step(step, f"{where}/recipes/{tier}/{index}", catalogue) for index, step in enumerate(steps)
            )
            refuse_twice([step.id for step in read], f"{where}/recipes/{tier}", "step")
            recipes.append((tier, Recipe(read)))
    made_of = material(data["material"], f"{where}/material").id if data.get("material") else ""
    return Role(data["id"], data["name"], tuple(recipes), made_of, data.get("provisional", False))


def write_step(step: Step) -> dict:
    """A recipe step, JSON-ready."""
    return {
        "id": step.id,
        "kind": step.kind,
        "mix": {
            "parts": [{"paint": pot.id, "parts": parts} for pot, parts in step.mix.parts],
            "diluent": step.mix.diluent,
            "diluent_parts": step.mix.diluent_parts,
        },
        "coats": step.coats,
        "where": step.where,
        **({"manner": _manner(step.manner)} if step.manner != USUAL else {}),
        **({"place": _said(step.spot)} if step.spot else {}),
    }


def read_step(data: dict, where: str, catalogue: Catalogue) -> Step:
    """A recipe step from its mapping; catalogue: the paints it may name.

    Raises: UnknownName for a paint; what ``recipes.step.checked`` refuses.
    """
    mix = data["mix"]
    parts = tuple(
        (catalogue.paint(part["paint"], f"{where}/mix/parts/{index}"), float(part["parts"]))
        for index, part in enumerate(mix["parts"])
    )
    read = Mix(parts, mix.get("diluent", "neat"), float(mix.get("diluent_parts", 0)))
    manner = Manner(**data.get("manner", {}))
    spot = Where(**{"place": "all"} | data["place"]) if data.get("place") else None
    return checked(Step(data["id"], data["kind"], read, data.get("coats"), data.get("where", ""), manner, spot), where)


def write_own_paints(scheme: Scheme) -> list[dict]:
    """What is said of every own paint the scheme uses, so that the document says all there is."""
    return [write_own_paint(pot.said) for pot in scheme.own_paints]


def _said(spot: Where) -> dict:
    return {name: value for name, value in vars(spot).items() if value not in (None, "")}


def _manner(manner: Manner) -> dict:
    return {name: value for name, value in vars(manner).items() if value != getattr(USUAL, name)}


def refuse_twice(ids: list[str], where: str, what: str) -> None:
    """Nothing, if every id comes once.

    Raises: Contradiction.
    """
    twice = next((one for index, one in enumerate(ids) if one in ids[:index]), None)
    if twice is not None:
        raise Contradiction(f"There are two {what}s called '{twice}'; each needs its own.", where)
