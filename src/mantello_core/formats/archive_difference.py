"""What is different between two archives of an army, in sentences."""

from collections.abc import Iterable, Mapping

from ..design.bearing import device_words
from ..design.design import Design
from .archive import Archive
from .document.design import read_design_bytes
from .document.finishing import write_finishing

#: (where, what) of one difference
Line = tuple[str, str]


def archive_difference(one: Archive, two: Archive) -> tuple[Line, ...]:
    """From the first archive to the second: army, scheme, evenings, log and what else they hold.

    Raises: what ``read_design_bytes`` and the log's check refuse.
    """
    before, after = (read_design_bytes(each.files.get("design.json", b"{}")) for each in (one, two))
    return (
        *_army(before, after), *_scheme(before, after), *_evenings(before, after), *_log(one.log, two.log),
        *_decisions(one.log, two.log),
        *_members(one.files, two.files),
    )  # fmt: skip


def _sets(where: str, before: Mapping[str, str], after: Mapping[str, str]) -> Iterable[Line]:
    """What came and went, by id, in the words of each."""
    for id_ in sorted(before.keys() - after.keys()):
        yield where, f"gone: {before[id_]}"
    for id_ in sorted(after.keys() - before.keys()):
        yield where, f"new: {after[id_]}"


def _army(before: Design, after: Design) -> Iterable[Line]:
    names = [{id_: node.name for id_, node in each.army.nodes.items()} for each in (before, after)]
    yield from _sets("Army", *names)
    for id_ in [id_ for id_ in before.army.nodes if id_ in after.army.nodes]:
        old, new = before.army.nodes[id_], after.army.nodes[id_]
        if old.name != new.name:
            yield "Army", f"{old.name} is called {new.name}"
        ranks = [{rank.id: rank for rank in each.ranks} for each in (old, new)]
        yield from _sets(
            new.name, *({id_: f"{rank.figures} {rank.name}" for id_, rank in each.items()} for each in ranks)
        )
        for was, now in [(ranks[0][id_], ranks[1][id_]) for id_ in ranks[0] if id_ in ranks[1]]:
            if was.name != now.name:
                yield new.name, f"{was.name} is called {now.name}"
            if was.figures != now.figures:
                yield new.name, f"{now.name}: {was.figures} figures, now {now.figures}"
            if was.type != now.type:
                yield new.name, f"{now.name} is drawn as {now.type} instead of {was.type}"


def _scheme(before: Design, after: Design) -> Iterable[Line]:
    old, new = before.scheme, after.scheme
    yield from _sets("Colours", {one.id: one.name for one in old.roles}, {one.id: one.name for one in new.roles})
    for id_ in [id_ for id_ in old.role_by_id if id_ in new.role_by_id]:
        was, now = old.role_by_id[id_], new.role_by_id[id_]
        if was.name != now.name:
            yield "Colours", f"{was.name} is called {now.name}"
        for tier in dict.fromkeys(name for name, _ in (*was.recipes, *now.recipes)):
            recipes = was.own_recipe(tier), now.own_recipe(tier)
            if recipes[0] != recipes[1]:
                steps = [
                    ", ".join(f"{step.kind} {step.mix.words}" for step in each.steps) if each else "none"
                    for each in recipes
                ]
                yield now.name, f"recipe for {tier}: {steps[0]}; now {steps[1]}"
    finish = [write_finishing(each.finishing) for each in (old, new)]
    for name in sorted({*finish[0], *finish[1]}):
        if finish[0].get(name) != finish[1].get(name):
            yield "Finish and bases", f"{name} is changed"
    if (old.ground, old.grounds) != (new.ground, new.grounds):
        yield "Colours", f"undercoat {old.ground_words}, now {new.ground_words}"
    for where, name in (
        ("Rules", "rules"),
        ("Marks", "placements"),
        ("Distinctions", "tables"),
        ("Arms", "arms"),
        ("Unit codes", "code_systems"),
    ):
        pairs = [{one.id: one for one in getattr(each, name)} for each in (old, new)]
        words = [
            {id_: _said(each, one) for id_, one in known.items()} for each, known in zip((old, new), pairs, strict=True)
        ]
        yield from _sets(where, *words)
        for id_ in [id_ for id_ in pairs[0] if id_ in pairs[1] and pairs[0][id_] != pairs[1][id_]]:
            yield (
                where,
                f"{words[0][id_]} is changed"
                if words[0][id_] == words[1][id_]
                else f"{words[0][id_]}, now {words[1][id_]}",
            )


def _said(scheme, one) -> str:
    if hasattr(one, "select"):
        role = scheme.role_by_id.get(one.role)
        return f"{role.name if role else 'bare'} on {', '.join(one.select) or 'everything'} of {one.scope}"
    if hasattr(one, "device"):
        return f"{device_words(scheme, one.device) if one.device else 'no mark'} on {one.site} of {one.scope}"
    return f"{one.name}: {one.blazon}" if hasattr(one, "blazon") else one.name


def _evenings(before: Design, after: Design) -> Iterable[Line]:
    for name in (
        "pattern",
        "attention",
        "zone",
        "exceptions",
        "busy",
        "spraying",
        "first",
        "wishes",
        "painters",
        "air",
        "aid",
        "desk",
    ):
        was, now = getattr(before.evenings, name), getattr(after.evenings, name)
        if was != now:
            counts = (
                f"{len(was)}, now {len(now)}"
                if isinstance(was, tuple) and isinstance(now, tuple) and len(was) != len(now)
                else "changed"
            )
            yield "Evenings", f"{name}: {counts}"


def _log(before: dict, after: dict) -> Iterable[Line]:
    def entries(log: dict) -> dict[tuple, dict]:
        return {
            (one["batch"], one["unit"], one["rank"], one["role"], one["step"], one["done_at"]): one
            for one in log["entries"]
        }

    old, new = entries(before), entries(after)
    for key in [key for key in old if key not in new]:
        yield "Log", f"gone: {_entry(old[key])}"
    fresh = [new[key] for key in new if key not in old]
    for one in fresh[:40]:
        yield "Log", f"new: {_entry(one)}"
    if len(fresh) > 40:
        yield "Log", f"and {len(fresh) - 40} entries more"
    for key in [key for key in old if key in new]:
        if bool(old[key].get("taken_back_at")) != bool(new[key].get("taken_back_at")):
            yield "Log", f"{'taken back' if new[key].get('taken_back_at') else 'stands again'}: {_entry(new[key])}"
        elif old[key].get("note") != new[key].get("note"):
            yield "Log", f"noted: {_entry(new[key])}: {new[key].get('note', '')[:80]}"


def _decisions(before: dict, after: dict) -> Iterable[Line]:
    old, new = (
        {(one["about"], one["question"], one["made_at"]): one for one in each.get("decisions", ())}
        for each in (before, after)
    )
    words = [{str(key): f"{one['question']} {one['chosen']}" for key, one in each.items()} for each in (old, new)]
    yield from _sets("Decisions", *words)
    for key in [key for key in old if key in new]:
        if bool(old[key].get("closed_at")) != bool(new[key].get("closed_at")):
            yield (
                "Decisions",
                f"{'given up' if new[key].get('closed_at') else 'holds again'}: {new[key]['question']} {new[key]['chosen']}",
            )


def _entry(one: dict) -> str:
    return f"{one['name']} on {len(one['ordinals'])} {one.get('rank_name') or one['rank']} of {one['unit_name']}, {one['done_at'][:10]}"


def _members(before: Mapping[str, bytes], after: Mapping[str, bytes]) -> Iterable[Line]:
    for folder, where in (("tests/", "Test pieces"), ("photos/", "Photographs"), ("variants/", "Variants")):
        old, new = ({name: data for name, data in each.items() if name.startswith(folder)} for each in (before, after))
        yield from _sets(where, {name: name for name in old}, {name: name for name in new})
        for name in sorted(old.keys() & new.keys()):
            if old[name] != new[name]:
                yield where, f"{name} is changed"
