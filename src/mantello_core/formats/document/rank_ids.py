"""Documents from before ranks had ids: what each rank's id is, so that rules, holders and records that named it by its
name still mean it."""

from collections.abc import Iterator


def with_rank_ids(document: dict, like: dict | None = None) -> dict:
    """A design's document in which every rank has an id; unchanged where all have one.

    A rank from before ids is known by its name, which rules and records of the time hold: its id is that name. like:
    the same army's document at another time, with ids; a rank of it that was called otherwise then, but stood at
    the same place of a unit with as many ranks and is drawn alike, lends its id, and filters that name it follow.
    """
    units = list(_units(document["army"]["root"]))
    if all("id" in rank for unit in units for rank in unit["ranks"]):
        return document
    known = {unit["id"]: unit["ranks"] for unit in _units(like["army"]["root"])} if like else {}
    ids = {unit["id"]: _ids(unit["ranks"], known.get(unit["id"], [])) for unit in units}
    made = document | {"army": document["army"] | {"root": _given(document["army"]["root"], ids)}}
    renamed = {unit: {name: id_ for name, id_ in mine.items() if name != id_} for unit, mine in ids.items()}
    if any(renamed.values()):
        made["scheme"] = _renamed(document["scheme"], renamed)
    return made


def _units(node: dict) -> Iterator[dict]:
    if "ranks" in node:
        yield node
    for child in node.get("children", ()):
        yield from _units(child)


def _ids(ranks: list[dict], like: list[dict]) -> dict[str, str]:
    """Name to id of a unit's ranks."""
    by_name = {one["name"]: one["id"] for one in like}
    found = {one["name"]: one.get("id") or by_name.get(one["name"], "") for one in ranks}
    names = set(found)
    if len(ranks) == len(like):
        for one, other in zip(ranks, like, strict=True):
            if not found[one["name"]] and other["name"] not in names and one["type"] == other["type"]:
                found[one["name"]] = other["id"]
    taken = {id_ for id_ in found.values() if id_}
    for name, id_ in found.items():
        if not id_:
            candidate, number = name, 2
            while candidate in taken:
                candidate, number = f"{name[:70]} {number}", number + 1
            found[name] = candidate
            taken.add(candidate)
    return found


def _given(node: dict, ids: dict[str, dict[str, str]]) -> dict:
    if "ranks" in node:
        return node | {"ranks": [{"id": ids[node["id"]][rank["name"]]} | rank for rank in node["ranks"]]}
    return node | {"children": [_given(child, ids) for child in node.get("children", ())]}


def _renamed(scheme: dict, renamed: dict[str, dict[str, str]]) -> dict:
    """The scheme with what names a rank of one unit naming its id."""

    def filtered(one: dict) -> dict:
        rank = one.get("filter", {}).get("rank")
        id_ = renamed.get(one["scope"], {}).get(rank)
        return one | {"filter": one["filter"] | {"rank": id_}} if id_ else one

    def holder(one: dict) -> dict:
        unit, _, rest = one["holder"].partition("/")
        rank, _, ordinal = rest.rpartition("/")
        id_ = renamed.get(unit, {}).get(rank)
        return one | {"holder": f"{unit}/{id_}/{ordinal}"} if id_ else one

    made = scheme | {"rules": [filtered(one) for one in scheme["rules"]]}
    if "placements" in scheme:
        made["placements"] = [filtered(one) for one in scheme["placements"]]
    if "code_systems" in scheme:
        made["code_systems"] = [
            one | ({"held": [holder(each) for each in one["held"]]} if "held" in one else {})
            for one in scheme["code_systems"]
        ]
    return made
