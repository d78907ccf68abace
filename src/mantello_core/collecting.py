"""How often a process looks for values that only hold each other."""

import gc


def collect_seldom() -> None:
    """Let the process look for rings of values less often than every 700 values, as it does by itself: what is worked out here makes
    tens of thousands of values and no rings, and the looking takes a tenth to a fifth of its time."""
    gc.set_threshold(25_000, 20, 20)
