"""A bond between two nodes: the one comes before the other, and why."""

from dataclasses import dataclass

from .rules import OrderRule


@dataclass(frozen=True, slots=True)
class Bond:
    """``before`` must end, and dry for ``lag`` minutes, before ``after`` may begin; nodes by id."""

    before: str
    after: str
    lag: float
    rule: OrderRule
    #: how firmly this one holds; its rule's weight where nothing else is said
    weight: float

    @property
    def rank(self) -> tuple:
        """Firm to soft, the same whatever order they came in."""
        return self.rule.firmness, -self.weight, self.rule.id, self.before, self.after


def bond(before, after, rule: OrderRule, *, weight: float | None = None, lag: float | None = None) -> Bond:
    """The bond between two nodes; it waits for drying where both touch one area, or where the rule is firm."""
    waits = rule.hard or not before.areas.isdisjoint(after.areas)
    usual = before.drying if waits else 0.0
    return Bond(before.id, after.id, usual if lag is None else lag, rule, rule.weight if weight is None else weight)
