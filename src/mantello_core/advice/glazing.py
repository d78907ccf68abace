"""A light laid as thin glazes instead of one coat: how many, and whether the paint stands it.

Source: docs/methods/recipes.md, 'Glazes from one colour to another'.
"""

from collections.abc import Callable
from dataclasses import dataclass, fields

import numpy as np

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..film.surface import Surface, coated
from ..memory import Memory
from ..recipes.step import Step

#: kinds of step that are laid as glazes
KINDS = ("layer", "highlight", "glaze")
#: how thin a glaze may be, as a share of a coat, the fullest first, and in words
THIN = {
    1 / 2: "half a coat",
    1 / 3: "a third of a coat",
    1 / 5: "a fifth of a coat",
    1 / 8: "an eighth of a coat",
    1 / 12: "a twelfth of a coat",
}
#: CIEDE2000 within which a colour counts as reached, and that one glaze may change without an edge that is seen
REACHED, SMOOTH = 1.5, 3.0
#: glazes that are tried at most
MOST = 24
#: bytes of answers that are kept
_KEPT_BYTES = 512 * 1024
#: coarseness of pigment from which thicker layers show grain, and the µm of film they may be thick
COARSE, THICK = 1.3, 20.0


@dataclass(frozen=True)
class Glazes:
    """How a light is built up from what lies beneath it."""

    #: glazes until it is there; None where that many do not reach it
    count: int | None
    #: how thin each is, as a share of a coat; one of ``THIN``
    share: float
    #: the most that one of them changes, CIEDE2000
    largest: float
    #: whether a full coat in one go risks grain: metal, coarse pigment, a thick film
    grain: bool

    @property
    def words(self) -> str:
        """As in '6 glazes, each a fifth of a coat: none changes it by more than 2.8'."""
        if self.count is None:
            return f"{MOST} glazes do not reach it: lay it as a coat and soften its border"
        said = f"{self.count} glaze{'s' * (self.count != 1)}, each {THIN[self.share]}: none changes it by more than {self.largest:.1f} (CIEDE2000)"
        return said + ("; a thicker layer shows grain" if self.grain else "")


_kept = Memory("glazes", _KEPT_BYTES)


def glazes_of(step: Step, beneath: Surface) -> Glazes | None:
    """How many glazes a light takes from what lies beneath to the colour that its coats leave there; None for other steps.

    beneath: one surface, (16,).
    """
    if step.kind not in KINDS or step.sprayed:
        return None
    key = step, *(np.asarray(getattr(beneath, one.name)).tobytes() for one in fields(beneath))
    return _kept.answer(key, lambda: _worked_out(step, beneath))


def _worked_out(step: Step, beneath: Surface) -> Glazes | None:
    film, coat = step.mix.film, step.mix.film.thickness(step.mix.dilution)
    wanted = beneath
    for _ in range(step.coats or 1):
        wanted = coated(wanted, film, coat)
    target = wanted.colour
    if difference(beneath.colour, target) <= REACHED:
        return None
    grain = bool(film.flake) or coat > THICK or any(pot.fineness >= COARSE for pot in step.mix.paints)
    for share in THIN:
        count, largest = _until(beneath, target, lambda now, share=share: coated(now, film, coat * share))
        if largest <= SMOOTH:
            break
    return Glazes(count, share, largest, grain)


def _until(beneath: Surface, target: Lab, glazed: Callable[[Surface], Surface]) -> tuple[int | None, float]:
    """Glazes until the colour is there, None where it is not, and the most that one of them changes."""
    now, before, largest = beneath, beneath.colour, 0.0
    for count in range(1, MOST + 1):
        now = glazed(now)
        after = now.colour
        largest, before = max(largest, difference(before, after)), after
        if difference(after, target) <= REACHED:
            return count, largest
    return None, largest
