"""What the checks look at: a design, its resolution, and the colours of its roles, worked out once."""

from collections.abc import Iterable, Sequence
from functools import cached_property

import numpy as np

from ..colour.acuity import DISTANCES
from ..colour.difference import difference, differences_among
from ..colour.spaces import Lab, mean_lab
from ..design.design import Design
from ..insignia.arms.tincture import TINCTURES
from ..marks.named_arms import NamedArms
from ..order.stacks import Stacks
from ..passes.soiled import Shown, soiled_roles
from ..scheme.cascade import Resolution


class Look:
    """One inspection's view of a design."""

    def __init__(self, design: Design, resolution: Resolution):
        self.design, self.resolution = design, resolution
        #: what lies on every area, passes over the figure included
        self.stacks = Stacks(design, resolution)
        self._asked: dict[tuple[str, str], Lab] = {}
        self._labs: dict[str, np.ndarray] = {}
        self._matrices: dict[str, np.ndarray] = {}
        brief = design.brief
        #: m from which look-alikes are judged: the brief's distance, else an opponent's across the table
        self.far = brief.metres if brief else DISTANCES["table"]
        #: how much larger the figures are than their drawings
        self.scale = brief.scale if brief else 1.0

    def apparent(self, role: str, tier: str) -> Lab:
        """What a role looks like once all its steps are done, under varnish and the army's dirt: what a later step pulls back
        raises no alarm."""
        key = role, tier
        if key not in self._worn and key not in self._asked:
            self._asked[key] = soiled_roles([(self.design, [self._shown(*key)])])[0][0]
        return self._worn.get(key) or self._asked[key]

    @cached_property
    def _worn(self) -> dict[tuple[str, str], Lab]:
        """What every role looks like in every tier in which it is worn, worked out at once."""
        return _worn_in([self])[0]

    def _shown(self, role: str, tier: str) -> Shown:
        resolution, dirty = self.resolution, self.design.dirt_level and self.design.scheme.finishing.dirt
        most = resolution.showing_most(role, tier) if dirty else None
        where = (most.plate, resolution.worn.areas(most)[role]) if most else ()
        form = resolution.worn.usual_form(role, tier)
        return Shown(self.stacks.usual(role, tier), resolution.ground_under(role, tier), form, *where)

    def tincture(self, arms: NamedArms, id_: str, tier: str) -> Lab:
        """What a tincture of arms looks like in the role it is bound to; furs by the middle of what they are made of.

        Raises: UnknownName for a tincture that is bound to no role.
        """
        made_of = TINCTURES[id_].made_of
        if made_of:
            return mean_lab([self.tincture(arms, one, tier) for one in made_of], [0.8, 0.2])
        return self.apparent(arms.role_of(id_) or "", tier)

    def apart(self, role: str, other: str, tier: str) -> float:
        """CIEDE2000 between two roles."""
        if {(role, tier), (other, tier)} <= self._worn.keys():
            place = self.resolution.worn.places
            return float(self.matrix(tier)[place[role], place[other]])
        return difference(self.apparent(role, tier), self.apparent(other, tier))

    def labs(self, tier: str) -> np.ndarray:
        """What every role that is worn in a tier looks like there, by its number, (roles, 3); NaN for one that is not."""
        if tier not in self._labs:
            nothing = (np.nan,) * 3
            found = [self._worn.get((role, tier), nothing) for role in self.resolution.worn.roles]
            self._labs[tier] = np.array(found, float).reshape(-1, 3)
        return self._labs[tier]

    def matrix(self, tier: str) -> np.ndarray:
        """How far every two of them are apart (CIEDE2000), by their numbers; endlessly far, last, where an area has no role."""
        if tier not in self._matrices:
            self._matrices[tier] = np.pad(differences_among(self.labs(tier)), (0, 1), constant_values=np.inf)
        return self._matrices[tier]

    def lightness(self, tier: str) -> np.ndarray:
        """L* of every role in a tier, by their numbers; NaN, last, for no role."""
        return np.append(self.labs(tier)[:, 0], np.nan)


def looks_at(several: Iterable[tuple[Design, Resolution]]) -> list[Look]:
    """Looks at designs with their resolutions, the colours of whose roles are worked out together."""
    looks = [Look(*one) for one in several]
    for look, worn in zip(looks, _worn_in(looks), strict=True):
        vars(look)["_worn"] = worn
    return looks


def _worn_in(looks: Sequence[Look]) -> list[dict[tuple[str, str], Lab]]:
    """What every role looks like in every tier in which it is worn, for each of several looks."""
    worn = [tuple(look.resolution.grounds_worn) for look in looks]
    shown = [(look.design, [look._shown(*key) for key in keys]) for look, keys in zip(looks, worn, strict=True)]
    return [dict(zip(keys, labs, strict=True)) for keys, labs in zip(worn, soiled_roles(shown), strict=True)]
