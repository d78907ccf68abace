"""'As Field, but darker': one role worn instead of another within a formation, and roles made from others."""

from dataclasses import dataclass, replace

from ..errors import Contradiction, OutOfRange
from ..paints.paint import Paint
from ..recipes.step import MOST_PARTS, Mix, Recipe, Step


@dataclass(frozen=True)
class Substitution:
    """In ``scope``, what would wear ``role`` wears ``use``. Applied once, after the cascade has decided."""

    scope: str
    role: str
    use: str


def substitutes(substitutions: tuple[Substitution, ...], path: tuple[str, ...]) -> dict[str, str]:
    """What each role is replaced by for figures on a path; the nearest formation decides, chains are not followed."""
    found: dict[str, str] = {}
    for scope in reversed(path):
        for one in substitutions:
            if one.scope == scope:
                found.setdefault(one.role, one.use)
    return found


def with_substitution(
    known: tuple[Substitution, ...], scope: str, role: str, use: str | None
) -> tuple[Substitution, ...]:
    """The substitutions with a role replaced within a formation, or (None) no longer.

    Raises: Contradiction if a role would be replaced by itself.
    """
    rest = tuple(one for one in known if (one.scope, one.role) != (scope, role))
    if use is None:
        return rest
    if use == role:
        raise Contradiction("A role cannot stand in for itself; choose another.", "use")
    return (*rest, Substitution(scope, role, use))


def toned(recipe: Recipe, pot: Paint, parts: float) -> Recipe:
    """A recipe with some parts of one paint added to every opaque mix; washes and glazes stay.

    Raises: OutOfRange unless more than 0 parts fit the mixes.
    """
    if not 0 < parts <= MOST_PARTS:
        raise OutOfRange(f"{parts:g} parts; allowed is more than 0 up to {MOST_PARTS}.", "parts")
    return Recipe(tuple(_toned(step, pot, parts) for step in recipe.steps))


def _toned(step: Step, pot: Paint, parts: float) -> Step:
    if step.kind in ("shade", "glaze"):
        return step
    known = dict(step.mix.parts)
    known[pot] = min(known.get(pot, 0.0) + parts, MOST_PARTS)
    return replace(step, mix=Mix(tuple(known.items()), step.mix.diluent, step.mix.diluent_parts))
