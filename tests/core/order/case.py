"""What comes before what in work, by names."""

from collections import defaultdict


def pairs_before(work, unit: str = "", rank: str = "") -> set[tuple[str, str]]:
    """Every pair of names of which the first must come before the second, directly or by way of others."""
    names = {atom.id: atom.name for atom in work.atoms if unit in ("", atom.unit) and rank in ("", atom.rank)}
    after = defaultdict(set)
    for edge in work.edges:
        if edge.before in names:
            after[edge.before].add(edge.after)
    found = set()
    for start in names:
        waiting, seen = list(after[start]), set()
        while waiting:
            here = waiting.pop()
            if here not in seen:
                seen.add(here)
                waiting += after[here]
        found |= {(names[start], names[one]) for one in seen}
    return found
