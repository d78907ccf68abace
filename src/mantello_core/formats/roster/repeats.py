"""Lines that may be written twice, and names alike but for capitals: asked, never added up in silence."""

from collections.abc import Iterable
from dataclasses import replace

from ...army.tree import Army
from ...naming import folded
from .line import REPEAT, RosterLine


def with_repeats_asked(lines: Iterable[RosterLine], army: Army, settled: Iterable[int] = ()) -> list[RosterLine]:
    """The lines, with a doubt at each that says what another line or the army says already.

    army: what is there before. settled: places in the list, from 0, of which a painter said that they are more of the same;
    names alike but for capitals are then written as they were first.
    """
    settled = set(settled)
    names = {folded(node.name): node.name for node in army.root.walk() if node is not army.root}
    written = dict.fromkeys(names, 0)
    ranks = {
        (*(folded(army.nodes[one].name) for one in army.paths[unit.id][1:]), folded(rank.name)): (
            0,
            rank.figures,
            rank.type,
        )
        for unit in army.units
        for rank in unit.ranks
    }
    found = []
    for at, line in enumerate(lines):
        entry = line.entry
        if entry is None:
            found.append(line)
            continue
        key = tuple(map(folded, (*entry.path, entry.unit, entry.rank)))
        spelt = [(name, names.get(folded(name), name)) for name in (*entry.path, entry.unit)]
        other = next(((name, first) for name, first in spelt if " ".join(name.split()) != first), None)
        if key in ranks and ranks[key][2] != entry.type:
            where = f"line {ranks[key][0]}" if ranks[key][0] else "the army"
            said = (
                f"{entry.unit}, {entry.rank} is drawn as {ranks[key][2]} already, in {where}, and now as {entry.type}."
            )
            found.append(line.doubted("type", f"{said} Write another rank, or the same type."))
        elif at in settled:
            path = tuple(names.get(folded(name), name) for name in entry.path)
            entry = replace(entry, path=path, unit=names.get(folded(entry.unit), entry.unit))
            found.append(replace(line, entry=entry))
        elif key in ranks:
            number, figures, _ = ranks[key]
            where = f"line {number}" if number else "the army"
            found.append(
                line.doubted(
                    REPEAT,
                    f"{entry.unit}, {entry.rank} stands in {where} already, with {figures}. Is this more of the same?",
                )
            )
        elif other:
            number = written[folded(other[0])]
            where = f"line {number}" if number else "the army"
            found.append(
                line.doubted(
                    REPEAT,
                    f"'{other[0]}' is '{other[1]}' in {where}, but for capitals. Is it the same? If not, write another name.",
                )
            )
        else:
            found.append(line)
        ranks.setdefault(key, (line.number, entry.figures, entry.type))
        for name in (*entry.path, entry.unit):
            if names.setdefault(folded(name), " ".join(name.split())) and folded(name) not in written:
                written[folded(name)] = line.number
    return found
