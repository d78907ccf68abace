"""The record names ranks by their ids. Entries and settlements had followed every rename, photographs, last looks and
readings none: those get the id of the rank that had their name when they were made."""

from django.db import migrations, models

#: models that had not followed renames, with the moment that tells when they were made
LEFT_BEHIND = {"FigurePhoto": "taken_at", "LastLook": "looked_at", "Measurement": "measured_at"}


def name_ids(apps, schema_editor):
    apps.get_model("log", "Entry").objects.update(rank_name=models.F("rank"))
    found = [apps.get_model("log", name) for name in LEFT_BEHIND]
    armies = {pk for model in found for pk in model.objects.values_list("army_id", flat=True)}
    for army in apps.get_model("army", "Army").objects.filter(pk__in=armies).select_related("head"):
        editions = list(apps.get_model("army", "Edition").objects.filter(army=army).order_by("-made_at", "-pk"))
        for model, moment in zip(found, LEFT_BEHIND.values(), strict=True):
            for one in model.objects.filter(army=army):
                id_ = _id_then(editions, one.unit, one.rank, getattr(one, moment))
                if id_ and id_ != one.rank:
                    one.rank = id_
                    one.save(update_fields=["rank"])


def _id_then(editions, unit, name, moment):
    """The id of the rank of that name: in the last edition made before the moment, else in any, the newest first."""
    before = [one for one in editions if one.made_at <= moment]
    for edition in [*before, *editions]:
        for rank in _ranks(edition.document["army"]["root"], unit):
            if rank["name"] == name:
                return rank["id"]
    return ""


def _ranks(node, unit):
    if node["id"] == unit:
        return node.get("ranks", [])
    return next((found for child in node.get("children", ()) if (found := _ranks(child, unit))), [])


class Migration(migrations.Migration):
    dependencies = [("log", "0003_record_and_history"), ("army", "0004_rank_ids")]
    operations = [
        migrations.AddField("entry", "rank_name", models.CharField(max_length=80, default=""), preserve_default=False),
        migrations.RunPython(name_ids, migrations.RunPython.noop),
    ]
