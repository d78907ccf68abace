"""An army as a roster, that reads back to the same tree."""

import csv
import io
import json
from collections.abc import Mapping
from types import MappingProxyType

from ...army.tree import Army
from ..spreadsheet import harmless
from .line import FIELDS


def write_roster(army: Army, due: Mapping[str, str] = MappingProxyType({})) -> str:
    """The army as a roster that reads back to the same tree. due: day by which a unit is wanted, by its id."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(FIELDS)
    for unit in army.units:
        path = " / ".join(army.nodes[node_id].name for node_id in army.paths[unit.id][1:-1])
        for rank in unit.ranks:
            row = unit.name, rank.type, rank.name, rank.figures, path, rank.tier, due.get(unit.id, "")
            writer.writerow(map(harmless, row))
    return out.getvalue()


def write_roster_json(army: Army, due: Mapping[str, str] = MappingProxyType({})) -> str:
    """The army as a JSON roster that reads back to the same tree."""
    lines = [
        {
            "unit": unit.name,
            "type": rank.type,
            "rank": rank.name,
            "figures": rank.figures,
            "formation": [army.nodes[node_id].name for node_id in army.paths[unit.id][1:-1]],
            "tier": rank.tier,
            **({"due": due[unit.id]} if unit.id in due else {}),
        }
        for unit in army.units
        for rank in unit.ranks
    ]
    return json.dumps({"roster": lines}, indent=1, ensure_ascii=False) + "\n"
