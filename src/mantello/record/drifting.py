"""Figures painted to an older version: what differs now, and what the painter decides about it."""

import math
from collections import defaultdict
from dataclasses import dataclass
from functools import cached_property

from mantello.workspace.models import Army, large_of
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import Lab
from mantello_core.errors import UnknownName
from mantello_core.order.subject import Subject, of_pass, of_role, subject_of
from mantello_core.record.drift import Drift, State, drifts

from .log import log_of
from .models import Settlement, Version
from .queries import done_steps, remembered


@dataclass(frozen=True)
class Difference:
    """One drift in words, with what can be decided about it."""

    drift: Drift
    version: Version
    here: Reading
    #: whether the plan asks for what is missing already
    planned: bool
    #: whether some of the figures are varnished
    varnished: bool = False

    @property
    def figures(self) -> str:
        """Which figures, such as '9 Fusilier, 1st, the Harbour'."""
        army = self.here.design.army
        name = army.rank(self.drift.unit, self.drift.rank).name
        return f"{len(self.drift.ordinals)} {name}, {army.title(self.drift.unit)}"

    @property
    def numbers(self) -> str:
        """The figures by number, if they are few."""
        return f"no. {', '.join(map(str, self.drift.ordinals))}" if len(self.drift.ordinals) < 9 else ""

    @cached_property
    def was(self) -> str:
        """What was painted."""
        scheme = reading_of(self.version.edition).design.scheme
        return _name(scheme, self.drift.painted)

    @cached_property
    def now(self) -> str:
        """What the scheme asks for."""
        return _name(self.here.design.scheme, self.drift.now)

    @cached_property
    def colours(self) -> tuple[Lab | None, Lab | None]:
        """As painted, and as asked for now."""
        before = reading_of(self.version.edition)
        if self.drift.kind == "undercoat":
            return before.undercoat, self.here.undercoat
        return self._colour(before, self.drift.painted), self._colour(self.here, self.drift.now)

    def _colour(self, reading: Reading, role: str | None) -> Lab | None:
        tier = reading.design.army.rank(self.drift.unit, self.drift.rank).tier
        tones = reading.tones(role, tier)
        return tones.flats if tones else None

    @property
    def apart(self) -> float | None:
        """How far the colours are apart, CIEDE2000; None if it is not known."""
        return None if math.isnan(self.drift.difference) else self.drift.difference

    @property
    def words(self) -> str:
        """The drift in one line."""
        if self.drift.kind == "undercoat":
            return f"{self.figures}: another undercoat"
        change = f"{self.was}, now {self.now}" if self.drift.kind == "role" else f"{self.was} is made otherwise now"
        return f"{self.figures}: {change}"

    @property
    def may_be_kept(self) -> bool:
        """Whether a rule can let the figures wear what they were painted."""
        return self.drift.kind == "role" and self.drift.painted in self.here.design.scheme.role_by_id

    @property
    def may_be_repainted(self) -> bool:
        """Whether its steps can be asked for again."""
        return self.drift.kind != "undercoat" and bool(self.drift.now) and not self.planned


def _name(scheme, role: str | None) -> str:
    if role is None:
        return "not mapped"
    return scheme.role_by_id[role].name if role in scheme.role_by_id else "left bare"


def differences(army: Army, here: Reading) -> list[Difference]:
    """Every drift that is not settled, oldest version first."""
    return remembered(army, "differences", lambda: _differences(army, here))


def _differences(army: Army, here: Reading) -> list[Difference]:
    versions = {one.number: one for one in army.versions.select_related("edition").defer(*large_of("edition"))}
    painted: dict[tuple, dict[tuple[int, Subject], None]] = defaultdict(dict)
    subjects = {role: subject_of(role) for role in log_of(army).roles}
    for line in reversed(log_of(army).lines):
        layer = line.version, subjects[line.role]
        for ordinal in line.ordinals:
            layers = painted[line.unit, line.rank, ordinal]
            layers.pop(layer, None)
            layers[layer] = None
    used = {number for layers in painted.values() for number, _ in layers}
    states = {number: _state(reading_of(versions[number].edition)) for number in used}
    found = drifts(states, _state(here), {figure: tuple(layers) for figure, layers in painted.items()})
    accepted = set(army.settlements.filter(kind=Settlement.Kind.ACCEPTED).values_list("key", flat=True))
    done = done_steps(army)
    return [
        Difference(drift, versions[drift.version], here, _is_planned(drift, here, done), _is_varnished(drift, done))
        for drift in sorted(found, key=lambda one: (one.version, one.unit, one.rank, one.areas))
        if drift.key not in accepted
    ]


def _state(reading: Reading) -> State:
    return State(reading.design, reading.resolution)


def _is_planned(drift: Drift, here: Reading, done) -> bool:
    """Whether none of the figures has a step of the role that is asked for behind it."""
    if not drift.now:
        return False
    tier = here.design.army.rank(drift.unit, drift.rank).tier
    steps = [step.id for step in here.design.scheme.role(drift.now).recipe(tier).steps]
    return not any(
        (drift.unit, drift.rank, ordinal, of_role(drift.now), step) in done
        for ordinal in drift.ordinals
        for step in steps
    )


def _is_varnished(drift: Drift, done) -> bool:
    return any((drift.unit, drift.rank, ordinal, of_pass("varnish"), "varnish") in done for ordinal in drift.ordinals)


def difference_of(army: Army, here: Reading, key: str) -> Difference:
    """The unsettled drift of that key.

    Raises: UnknownName if there is none any more.
    """
    for one in differences(army, here):
        if one.drift.key == key:
            return one
    raise UnknownName("difference", key, [], "drift")
