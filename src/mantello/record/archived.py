"""What an archive holds of the record: the log, the versions it was painted to, and the history of figures."""

import csv
import io
import uuid

from mantello.archive.part import Taking, archive_part, json_bytes
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.errors import Unreadable
from mantello_core.formats.document.design import design_bytes
from mantello_core.formats.spreadsheet import harmless

from .archived_history import history_of, take_history
from .models import Entry, Settlement, Version

_ENTRY = ("unit", "unit_name", "rank", "rank_name", "role", "step", "name", "ordinals", "mix", "paints", "coats", "diluent", "diluent_parts", "tool", "planned_mix", "mishap", "minutes", "planned_minutes", "drying", "note", "painter", "dried")  # fmt: skip
_SETTLEMENT = ("kind", "key", "words", "unit", "rank", "ordinals", "role", "note")


def _log(army: Army, reading: Reading) -> dict[str, bytes]:
    versions = list(army.versions.select_related("edition"))
    history, photos = history_of(army)
    log = {
        "versions": [{"number": one.number, "struck_at": one.struck_at.isoformat(), "digest": one.digest} for one in versions],
        "entries": [
            {name: getattr(one, name) for name in _ENTRY}
            | {
                "batch": str(one.batch), "version": one.version.number, "done_at": one.done_at.isoformat(),
                "taken_back_at": one.taken_back_at.isoformat() if one.taken_back_at else None,
            }
            for one in army.entries.select_related("version").order_by("done_at", "pk")
        ],
        "settlements": [
            {name: getattr(one, name) for name in _SETTLEMENT} | {"version": one.version.number, "made_at": one.made_at.isoformat()}
            for one in army.settlements.select_related("version").order_by("made_at", "pk")
        ],
    } | history  # fmt: skip
    files = {"log.json": json_bytes(log), "log.csv": _table(log["entries"])} | photos
    for one in versions:
        files[f"versions/{one.number}.json"] = design_bytes(reading_of(one.edition).design)
    return files


def _table(entries: list[dict]) -> bytes:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(
        [
            "done_at",
            "unit",
            "rank",
            "figures",
            "step",
            "mix",
            "coats",
            "minutes",
            "planned_minutes",
            "version",
            "note",
            "taken_back_at",
        ]
    )
    for one in entries:
        writer.writerow(map(harmless, [
            one["done_at"], one["unit_name"], one["rank_name"], " ".join(map(str, one["ordinals"])), one["name"], one["mix"], one["coats"],
            "" if one["minutes"] is None else round(one["minutes"], 2), round(one["planned_minutes"], 2), one["version"],
            one["note"], one["taken_back_at"] or "",
        ]))  # fmt: skip
    return ("\ufeff" + out.getvalue()).encode()


def _take_log(taking: Taking) -> None:
    log, versions = taking.archive.log, {}
    for one in log["versions"]:
        number = one["number"]
        if number in versions:
            raise Unreadable(f"Version {number} is in the log twice.", "file")
        versions[number] = Version.objects.create(
            army=taking.army,
            number=number,
            digest=one["digest"],
            edition=taking.edition(f"versions/{number}.json", f"Version {number}"),
        )
        Version.objects.filter(pk=versions[number].pk).update(struck_at=taking.moment(one["struck_at"]))
    _take_entries(taking, log, versions)
    take_history(taking, log)


def _version(versions: dict[int, Version], number: int) -> Version:
    if number not in versions:
        raise Unreadable(f"The log speaks of version {number}, which the archive does not have.", "file")
    return versions[number]


def _take_entries(taking: Taking, log: dict, versions: dict[int, Version]) -> None:
    army = taking.army
    try:
        Entry.objects.bulk_create(
            Entry(
                army=army, version=_version(versions, one["version"]), batch=uuid.UUID(one["batch"]), done_at=taking.moment(one["done_at"]),
                taken_back_at=taking.moment(one["taken_back_at"]) if one.get("taken_back_at") else None,
                **{"rank_name": one["rank"]} | {name: one[name] for name in _ENTRY if name in one},
            )
            for one in log["entries"]
        )  # fmt: skip
    except ValueError as error:
        raise Unreadable("An entry of the log has a batch that is no UUID.", "file") from error
    units = {node.id for node in taking.designs[0].army.units}
    strange = sorted({one.get("unit_name") or one["unit"] for one in log["entries"] if one["unit"] not in units})
    if strange:
        listed = ", ".join(strange[:6]) + (f" and {len(strange) - 6} more" if len(strange) > 6 else "")
        taking.told.append(f"The log speaks of units that the design does not have: {listed}. Their entries are kept.")
    for one in log["settlements"]:
        made = Settlement.objects.create(
            army=army,
            version=_version(versions, one["version"]),
            **{name: one[name] for name in _SETTLEMENT if name in one},
        )
        if "made_at" in one:
            Settlement.objects.filter(pk=made.pk).update(made_at=taking.moment(one["made_at"]))


archive_part("log", 2, _log, _take_log)
