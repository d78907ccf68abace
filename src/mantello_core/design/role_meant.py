"""The role that a colour in a list means: by name, else by the nearest look within the reach of its word."""

from ..colour.spaces import Lab
from ..uniforms.dye import target
from ..uniforms.folding import fold
from ..uniforms.phrase import Phrase
from .design import Design


def looks_of(design: Design) -> list[tuple[str, Lab]]:
    """What every role with a recipe looks like on rank and file."""
    return [
        (role.id, found.tones.flats)
        for role in design.scheme.roles
        if (found := design.scheme.predicted(role.recipe("rank"))).coats
    ]


def role_meant(design: Design, phrase: Phrase, looks: list[tuple[str, Lab]], *, metal: bool) -> str | None:
    """The role that a cell means: by its name, else the nearest within the reach of its colour word."""
    said = fold(phrase.text)
    for role in design.scheme.roles:
        if said in (fold(role.name), fold(role.id)):
            return role.id
    if phrase.ground is None or phrase.ground.refers_to:
        return None
    aim = target(phrase.ground, metal=metal)
    best = min(looks, key=lambda one: aim.off(one[1]), default=None)
    return best[0] if best and aim.off(best[1]) <= aim.radius else None
