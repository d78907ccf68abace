"""What an archive holds of the design: the design itself, its variants, and a drawing of every rank."""

from mantello.workspace.models import Army, Variant
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.errors import Unreadable
from mantello_core.formats.document.design import design_bytes
from mantello_core.naming import slug

from .part import Taking, archive_part, json_bytes


def _design(army: Army, reading: Reading) -> dict[str, bytes]:
    return {"design.json": design_bytes(reading.design)} | _drawings(reading)


def _drawings(reading: Reading) -> dict[str, bytes]:
    """One figure of every rank of every unit as SVG, in the scheme's colours."""
    files: dict[str, bytes] = {}
    for one in {(each.unit, each.rank): each for each in reversed(reading.resolution.classes)}.values():
        name = f"drawings/{slug(f'{one.unit}-{one.rank}', set(files))[:100].lower().replace('_', '-')}.svg"
        files[name] = reading.drawn(one, one.plate.views[0].name).encode()
    return files


def _variants(army: Army, reading: Reading) -> dict[str, bytes]:
    files = {}
    for number, one in enumerate(army.variants.select_related("edition"), 1):
        about = {"name": one.name, "state": one.state, "reason": one.reason, "worked_on": one.pk == army.variant_id}
        files[f"variants/{number}.json"] = design_bytes(reading_of(one.edition).design)
        files[f"variants/{number}.about.json"] = json_bytes(about)
    return files


def _take_variants(taking: Taking) -> None:
    army = taking.army
    for name in sorted(taking.archive.files):
        if not (name.startswith("variants/") and name.endswith(".about.json")):
            continue
        about = taking.archive.document(name)
        if not isinstance(about, dict) or about.get("state") not in Variant.State.values:
            raise Unreadable(f"{name} says nothing of a variant.", "file")
        said = str(about.get("name", ""))[:80] or "Variant"
        made = Variant.objects.create(
            army=army, name=said, state=about["state"], reason=str(about.get("reason", ""))[:300],
            edition=taking.edition(name.replace(".about.json", ".json"), f"Variant {said}"),
        )  # fmt: skip
        if about.get("worked_on"):
            army.variant = made
            army.save(update_fields=["variant"])
            Variant.objects.filter(pk=made.pk).update(edition=army.head)


archive_part("design", 1, _design)
archive_part("variants", 9, _variants, _take_variants)
