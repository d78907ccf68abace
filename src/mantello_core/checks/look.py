"""What the checks look at: a design, its resolution, and the colours of its roles, worked out once."""

import numpy as np

from ..colour.acuity import DISTANCES
from ..colour.difference import difference, differences
from ..colour.spaces import Lab, mean_lab
from ..design.design import Design
from ..insignia.arms.tincture import TINCTURES
from ..marks.named_arms import NamedArms
from ..order.stacks import Stacks
from ..passes.soiled import predict_soiled_together, soiled_role
from ..scheme.cascade import Resolution


class Look:
    """One inspection's view of a design."""

    def __init__(self, design: Design, resolution: Resolution):
        self.design, self.resolution = design, resolution
        #: what lies on every area, passes over the figure included
        self.stacks = Stacks(design, resolution)
        self._apparent: dict[tuple[str, str], Lab] = {}
        self._apart: dict[str, tuple[dict[str, int], list[list[float]]]] = {}
        brief = design.brief
        #: m from which look-alikes are judged: the brief's distance, else an opponent's across the table
        self.far = brief.metres if brief else DISTANCES["table"]
        #: how much larger the figures are than their drawings
        self.scale = brief.scale if brief else 1.0

    def apparent(self, role: str, tier: str) -> Lab:
        """What a role looks like once all its steps are done, under varnish and the army's dirt: what a later step pulls back
        raises no alarm."""
        key = role, tier
        if key not in self._apparent:
            laid = (
                self.stacks.usual(role, tier),
                self.resolution.ground_under(role, tier),
                self.stacks.usual_form(role, tier),
            )
            dirty = self.design.dirt_level and self.design.scheme.finishing.dirt
            worn = self.resolution.showing_most(role, tier) if dirty else None
            self._apparent[key] = (
                soiled_role(self.design, worn, role, laid) if worn else self.design.scheme.predicted(*laid).apparent
            )
        return self._apparent[key]

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
        places, apart = self._between(tier)
        if role not in places or other not in places:
            return difference(self.apparent(role, tier), self.apparent(other, tier))
        return apart[places[role]][places[other]]

    def _between(self, tier: str) -> tuple[dict[str, int], list[list[float]]]:
        """Of all roles that are worn, their places and how far every two are apart in a tier, at once."""
        if tier not in self._apart:
            worn = sorted({cell.role for one in self.resolution.classes for cell in one.cells.values() if cell.role})
            predict_soiled_together(
                self.design,
                ((self.stacks.usual(role, tier), self.resolution.ground_under(role, tier)) for role in worn),
            )
            labs = np.array([self.apparent(role, tier) for role in worn])
            self._apart[tier] = (
                {role: at for at, role in enumerate(worn)}, differences(labs[:, None], labs[None]).tolist(),
            )  # fmt: skip
        return self._apart[tier]
