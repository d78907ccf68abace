"""Marking systems: a code of colour, figure and sign for every holder, any two as unlike as can be."""

import math
import random
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import product

import numpy as np
import shapely

from ...colour.difference import difference
from ...colour.spaces import Lab
from ...colour.vision import SIGHTS, seen_by
from ...errors import OutOfRange, UnknownName
from ...memory import remembered
from ..devices.device import FRAMES, Device, checked_device, device_shape

#: who shares a value: all, the holders of one group (a company), or nobody
SHARED = {"one": "one for all", "group": "one for each formation", "holder": "each its own"}
#: how signs are given out
SIGNS = {"order": "in order within each formation", "run": "in order through the army", "holder": "as unlike as can be"}
#: holders in one system at most; values of one feature; rounds of exchange
MOST_HOLDERS, MOST_VALUES, ROUNDS = 120, 60, 60
#: points across a site that marks are compared at
_GRID = 22


@dataclass(frozen=True, order=True)
class Code:
    """One code: a colour (role id), a figure, a sign. '' where the system does not use the feature."""

    colour: str
    frame: str = ""
    sign: str = ""

    @property
    def device(self) -> Device:
        """The mark that shows it."""
        if self.sign:
            return Device("text", self.sign, self.frame)
        return Device(self.frame or "disc")

    def unlike(self, other: "Code") -> int:
        """In how many features it differs from another."""
        return (self.colour != other.colour) + (self.frame != other.frame) + (self.sign != other.sign)


@dataclass(frozen=True)
class CodePlan:
    """What codes are made of, and how unlike any two must be."""

    colours: tuple[str, ...]
    frames: tuple[str, ...] = ()
    signs: tuple[str, ...] = ()
    colour_by: str = "group"
    frame_by: str = "one"
    sign_by: str = "order"
    #: features in which any two codes differ at least
    apart: int = 1
    seed: int = 1


@dataclass(frozen=True)
class Holder:
    """Who gets a code, and the group it shares values with."""

    id: str
    group: str = ""


@dataclass(frozen=True)
class Proof:
    """How far every code is from the nearest other: by usual sight and by the weakest of all; 0 alike, CIEDE2000."""

    #: for each code by place: distance, distance by the weakest sight, and which other that is
    nearest: tuple[tuple[float, float, int], ...]
    smallest: float
    smallest_weak: float
    #: the least number of features in which two differ
    features: int
    #: CIEDE2000 of the two nearest colours that are used, by usual sight and by the weakest; infinite with one
    colours: float
    colours_weak: float


@dataclass(frozen=True)
class CodeSite:
    """Where codes are compared: mm across and down, and what they lie on."""

    width: float
    height: float
    ground: Lab
    colour_of: Callable[[str], Lab] = field(compare=False)


def checked_plan(plan: CodePlan) -> CodePlan:
    """The plan, if codes can be made of it.

    Raises: OutOfRange or UnknownName, at the field's name.
    """
    if not plan.colours:
        raise OutOfRange("Choose at least one colour; the mark is painted in it.", "colours")
    for name in ("colours", "frames", "signs"):
        values = getattr(plan, name)
        if len(values) > MOST_VALUES or len(set(values)) != len(values):
            raise OutOfRange(f"{len(values)} {name}; allowed are up to {MOST_VALUES}, each once.", name)
    for frame in plan.frames:
        if frame not in FRAMES:
            raise UnknownName("figure", frame, list(FRAMES), "frames")
    for sign in plan.signs:
        checked_device(Device("text", sign), "signs")
    for name, known in (("colour_by", SHARED), ("frame_by", SHARED), ("sign_by", SIGNS)):
        if getattr(plan, name) not in known:
            raise UnknownName("way", getattr(plan, name), list(known), name)
    if not (plan.frames or plan.signs):
        raise OutOfRange("Choose figures, signs or both; a colour alone is no mark.", "frames")
    used = 1 + bool(plan.frames) + bool(plan.signs)
    if not 1 <= plan.apart <= used:
        raise OutOfRange(f"Two codes shall differ in {plan.apart} features; allowed is 1 to {used} here.", "apart")
    return plan


def allotted(
    holders: Sequence[Holder], plan: CodePlan, kept: Mapping[str, Code], taken: Sequence[Code], site: CodeSite
) -> dict[str, Code]:
    """A code for every holder: kept ones as they are, the others as far from all as found; the same seed, the same codes.

    taken: retired codes, which nobody gets. Values that a group shares are spread over the groups first; then every
    holder in turn gets the free code farthest from all before it, and what is nobody's to share is exchanged
    while that widens the smallest distance.
    Raises: OutOfRange if there are too few codes, or too many holders; what ``checked_plan`` refuses.
    """
    plan = checked_plan(plan)
    if len(holders) > MOST_HOLDERS:
        raise OutOfRange(f"{len(holders)} bearers; allowed are {MOST_HOLDERS} in one system.", "bearers")
    chance = random.Random(plan.seed)
    kept = {id_: code for id_, code in kept.items() if id_ in {one.id for one in holders}}
    shared = _of_groups(holders, plan, kept, site, chance)
    found = dict(kept)
    options = {one.id: _options(plan, shared[one.group], chance) for one in holders}
    for at, one in enumerate(holders):
        if one.id in found:
            continue
        known = list(found.values())
        free = [code for code in options[one.id] if _allowed(code, known, taken, plan.apart)]
        if not free:
            raise OutOfRange(
                f"There are codes for {at} of {len(holders)} that differ in {plan.apart} feature{'s' * (plan.apart > 1)}."
                " Add colours, figures or signs, ask for fewer features, or free retired codes.",
                "apart",
            )
        if plan.signs and plan.sign_by != "holder":
            first = min(plan.signs.index(code.sign) for code in free)
            free = [code for code in free if code.sign == plan.signs[first]]
        found[one.id] = _farthest(free, known, site)
    if "holder" in (plan.colour_by, plan.frame_by, plan.sign_by):
        _exchange(found, options, frozenset(kept), taken, plan, site)
    return {one.id: found[one.id] for one in holders}


def proof(codes: Sequence[Code], site: CodeSite) -> Proof:
    """Every code against every other."""
    if len(codes) < 2:
        return Proof(tuple((0.0, 0.0, -1) for _ in codes), 0.0, 0.0, 0, math.inf, math.inf)
    usual, weak = _distances(tuple(codes), site)
    nearest = []
    for at in range(len(codes)):
        others = [other for other in range(len(codes)) if other != at]
        near = min(others, key=lambda other: weak[at, other])
        nearest.append((float(usual[at, near]), float(weak[at, near]), near))
    features = min(one.unlike(two) for at, one in enumerate(codes) for two in codes[:at])
    pairs = [(at, other) for at in range(len(codes)) for other in range(at)]
    return Proof(
        tuple(nearest), min(float(usual[pair]) for pair in pairs), min(float(weak[pair]) for pair in pairs), features,
        *_nearest_colours([site.colour_of(name) for name in dict.fromkeys(code.colour for code in codes)]),
    )  # fmt: skip


def _nearest_colours(colours: Sequence[Lab]) -> tuple[float, float]:
    pairs = [(one, two) for at, one in enumerate(colours) for two in colours[:at]]
    usual = min((_apart(one, two) for one, two in pairs), default=math.inf)
    weak = (_apart(seen_by(one, sight), seen_by(two, sight)) for one, two in pairs for sight in SIGHTS)
    return usual, min((usual, *weak))


def free_codes(plan: CodePlan, codes: Sequence[Code], taken: Sequence[Code]) -> int:
    """How many codes of the plan are left that differ enough from all there are."""
    every = (Code(*values) for values in product(plan.colours, plan.frames or ("",), plan.signs or ("",)))
    return sum(_allowed(code, codes, taken, plan.apart) for code in every)


def _allowed(code: Code, known: Sequence[Code], taken: Sequence[Code], apart: int) -> bool:
    return code not in taken and all(code.unlike(other) >= apart for other in known)


def _of_groups(holders, plan: CodePlan, kept: Mapping[str, Code], site: CodeSite, chance) -> dict[str, Code]:
    """For every group the values its holders share; '*' where each has its own."""
    groups = list(dict.fromkeys(one.group for one in holders))
    colours = plan.colours if plan.colour_by == "group" else plan.colours[:1]
    frames = (plan.frames if plan.frame_by == "group" else plan.frames[:1]) or ("",)
    pairs = [Code(colour, frame, plan.signs[0] if plan.signs else "") for colour in colours for frame in frames]
    chance.shuffle(pairs)
    found: dict[str, Code] = {}
    for one in holders:
        if one.id in kept and one.group not in found:
            code = kept[one.id]
            found[one.group] = Code(
                code.colour if plan.colour_by == "group" else colours[0],
                code.frame if plan.frame_by == "group" else frames[0], pairs[0].sign,
            )  # fmt: skip
    for group in groups:
        if group in found:
            continue
        free = [pair for pair in pairs if pair not in found.values()]
        if not free and "group" in (plan.colour_by, plan.frame_by):
            raise OutOfRange(
                f"{len(groups)} formations but {len(pairs)} values that a formation may have for its own; add colours or"
                " figures, or let each bearer have its own.",
                "colours",
            )
        found[group] = _farthest(free or pairs, list(found.values()), site)
    return found


def _options(plan: CodePlan, shared: Code, chance) -> list[Code]:
    colours = plan.colours if plan.colour_by == "holder" else (shared.colour,)
    frames = plan.frames if plan.frame_by == "holder" and plan.frames else (shared.frame,)
    found = [Code(*values) for values in product(colours, frames, plan.signs or ("",))]
    chance.shuffle(found)
    return found


def _farthest(free: Sequence[Code], known: Sequence[Code], site: CodeSite) -> Code:
    if not known:
        return free[0]
    _, weak = _distances((*free, *known), site)
    least = weak[: len(free), len(free) :].min(1)
    return free[int(np.argmax(least))]


def _exchange(found: dict[str, Code], options, kept: frozenset, taken, plan: CodePlan, site: CodeSite) -> None:
    """Exchange one of the nearest two while that widens their distance; signs in order stay in order."""
    for _ in range(ROUNDS):
        ids = list(found)
        _, weak = _distances(tuple(found.values()), site)
        np.fill_diagonal(weak, np.inf)
        if not len(ids) or not np.isfinite(weak).any():
            return
        at = np.unravel_index(int(np.argmin(weak)), weak.shape)
        least, moved = weak[at], False
        for place in at:
            id_ = ids[place]
            if id_ in kept:
                continue
            rest = [code for other, code in found.items() if other != id_]
            free = [
                code for code in options[id_]
                if _allowed(code, rest, taken, plan.apart) and (plan.sign_by == "holder" or code.sign == found[id_].sign)
            ]  # fmt: skip
            better = _farthest(free, rest, site) if free else found[id_]
            _, table = _distances((better, *rest), site)
            if table[0, 1:].min() > least + 1e-9:
                found[id_], moved = better, True
                break
        if not moved:
            return


def _distances(codes: tuple[Code, ...], site: CodeSite) -> tuple[np.ndarray, np.ndarray]:
    """Between any two, the mean CIEDE2000 over the site, by usual sight and by the weakest of all sights."""
    devices = list(dict.fromkeys(code.device for code in codes))
    masks = np.array([_mask(device, site.width, site.height) for device in devices], dtype=float)
    of = np.array([devices.index(code.device) for code in codes])
    both = masks @ masks.T / masks.shape[1]
    own = np.diag(both)
    colours = list(dict.fromkeys(code.colour for code in codes))
    ink = np.array([colours.index(code.colour) for code in codes])
    tables = []
    for sight in ("", *SIGHTS):
        seen = [colour if not sight else seen_by(colour, sight) for colour in map(site.colour_of, colours)]
        ground = site.ground if not sight else seen_by(site.ground, sight)
        between = np.array([[_apart(one, two) for two in seen] for one in seen])
        off = np.array([_apart(one, ground) for one in seen])[ink]
        shared = both[of][:, of]
        area = own[of]
        tables.append(
            shared * between[ink][:, ink]
            + (area[:, None] - shared) * off[:, None]
            + (area[None, :] - shared) * off[None, :]
        )
    return tables[0], np.min(tables, axis=0)


@remembered(6_000)
def _apart(one: Lab, two: Lab) -> float:
    return difference(one, two)


@remembered(8_000)
def _mask(device: Device, width: float, height: float) -> tuple[bool, ...]:
    x, y = np.meshgrid(*((np.arange(_GRID) + 0.5) / _GRID * 10 * size - 5 * size for size in (width, height)))
    return tuple(shapely.contains_xy(device_shape(device, width, height), x.ravel(), y.ravel()))
