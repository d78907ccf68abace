"""Lists of armies need no designs: editions get counts and room for a few drawn faces, armies their time zone."""

from django.db import migrations, models


def _nodes(node):
    yield node
    for child in node.get("children", ()):
        yield from _nodes(child)


def count(apps, schema_editor):
    editions = apps.get_model("army", "Edition").objects
    for edition in editions.only("document", "counts").iterator(chunk_size=50):
        units = [one for one in _nodes(edition.document["army"]["root"]) if one["kind"] == "unit"]
        edition.counts = {
            "figures": sum(rank["figures"] for unit in units for rank in unit.get("ranks", ())),
            "units": len(units),
            "roles": len(edition.document["scheme"].get("roles", ())),
        }
        edition.save(update_fields=["counts"])
    for army in apps.get_model("army", "Army").objects.exclude(head=None).select_related("head").iterator():
        army.zone = army.head.document.get("evenings", {}).get("zone", "")
        army.save(update_fields=["zone"])


class Migration(migrations.Migration):
    dependencies = [("army", "0004_rank_ids")]
    operations = [
        migrations.AlterModelOptions("edition", {"base_manager_name": "objects"}),
        migrations.AddField("army", "zone", models.CharField(blank=True, max_length=60, default=""), preserve_default=False),
        migrations.AddField("edition", "counts", models.JSONField(default=dict), preserve_default=False),
        migrations.AddField("edition", "faces", models.JSONField(null=True)),
        migrations.AddField("edition", "face_sizes", models.JSONField(null=True)),
        migrations.RunPython(count, migrations.RunPython.noop),
    ]
