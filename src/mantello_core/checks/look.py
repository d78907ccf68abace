"""What the checks look at: a design, its resolution, and the colours of its roles, worked out once."""

from collections import Counter, defaultdict
from functools import cached_property

import numpy as np

from ..colour.acuity import DISTANCES
from ..colour.difference import difference, differences
from ..colour.spaces import Lab, mean_lab
from ..design.design import Design
from ..figures.vocabulary import sideless
from ..insignia.arms.tincture import TINCTURES
from ..marks.named_arms import NamedArms
from ..order.stacks import Stacks
from ..passes.soiled import predict_soiled_together, soiled_role
from ..scheme.cascade import FigureClass, Resolution


class Look:
    """One inspection's view of a design."""

    def __init__(self, design: Design, resolution: Resolution):
        self.design, self.resolution = design, resolution
        #: what lies on every area, passes over the figure included
        self.stacks = Stacks(design, resolution)
        self._apparent: dict[tuple[str, str], Lab] = {}
        self._tables: dict[str, dict[str, dict[str, float]]] = {}
        self._matrices: dict[str, np.ndarray] = {}
        self._lightness: dict[str, np.ndarray] = {}
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
                self.resolution.worn.usual_form(role, tier),
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
        table = self.table(tier)
        if role not in table or other not in table:
            return difference(self.apparent(role, tier), self.apparent(other, tier))
        return table[role][other]

    def table(self, tier: str) -> dict[str, dict[str, float]]:
        """How far every two of the roles that are worn are apart in a tier (CIEDE2000), worked out at once."""
        if tier not in self._tables:
            worn = self.resolution.worn.roles
            predict_soiled_together(
                self.design,
                ((self.stacks.usual(role, tier), self.resolution.ground_under(role, tier)) for role in worn),
            )
            labs = np.array([self.apparent(role, tier) for role in worn], float).reshape(-1, 3)
            rows = differences(labs[:, None], labs[None]).tolist()
            self._tables[tier] = {role: dict(zip(worn, row, strict=True)) for role, row in zip(worn, rows, strict=True)}
        return self._tables[tier]

    def matrix(self, tier: str) -> np.ndarray:
        """The same by the numbers that ``roles_on`` gives; endlessly far where one of the two areas has no role."""
        if tier not in self._matrices:
            rows = np.array([list(row.values()) for row in self.table(tier).values()], float)
            count = len(self.table(tier))
            self._matrices[tier] = np.pad(rows.reshape(count, count), (0, 1), constant_values=np.inf)
        return self._matrices[tier]

    def lightness(self, tier: str) -> np.ndarray:
        """L* of every role in a tier, by the numbers that ``roles_on`` gives; NaN for no role."""
        if tier not in self._lightness:
            found = [self.apparent(role, tier).lightness for role in self.table(tier)]
            self._lightness[tier] = np.array([*found, np.nan])
        return self._lightness[tier]

    def roles_on(self, one: FigureClass) -> np.ndarray:
        """For every area of a class of figures, in its plate's order, the number of its role among those worn; -1 for none."""
        return self.resolution.worn.numbers(one)

    @cached_property
    def usual(self) -> tuple[dict[str, str], dict[str, str]]:
        """The role that most figures wear on every area, either side, and on every material."""
        by_area: dict[str, Counter] = defaultdict(Counter)
        by_material: dict[str, Counter] = defaultdict(Counter)
        for one in self.resolution.classes:
            areas, count = one.plate.areas, len(one.ordinals)
            for name, cell in one.cells.items():
                if cell.role:
                    by_area[sideless(name)][cell.role] += count
                    by_material[areas[name].material][cell.role] += count
        first = lambda counts: {key: counter.most_common(1)[0][0] for key, counter in counts.items()}  # noqa: E731
        return first(by_area), first(by_material)
