"""Ways of laying the same work: patience, what a chain to come weighs, and jitter by seeds."""

from dataclasses import dataclass
from random import Random

#: nobody waits longer than this inside a session; other work or the evening's end comes first
PATIENCE = 25 * 60.0
#: what a second still to come weighs against one lost now, unless a style says otherwise
CHAIN = 0.0003


@dataclass(frozen=True)
class Style:
    """One way of laying tasks: how long to wait, and how what speaks for each is jittered."""

    patience: float = PATIENCE
    #: what a second of work and drying still to come weighs against a second lost now
    chain: float = CHAIN
    #: spread of the jitter (log)
    spread: float = 0.2
    #: none: nothing is jittered; else the first seed draws for all tasks, each further one anew for a tenth of them
    seeds: tuple[int, ...] = ()

    def weights(self, count: int) -> list[float]:
        """What every task's claim is multiplied by."""
        found = [1.0] * count
        for at, seed in enumerate(self.seeds):
            chance = Random(seed)
            chosen = range(count) if at == 0 else chance.sample(range(count), -(-count // 10))
            for number in chosen:
                found[number] = chance.lognormvariate(0, self.spread)
        return found


PLAIN_STYLE = Style()
