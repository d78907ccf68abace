"""Searches become jobs of their owner; what they found is kept."""

from django.db import migrations


def as_jobs(apps, schema_editor):
    jobs = apps.get_model("jobs", "Job").objects
    for one in apps.get_model("plan", "Search").objects.select_related("army").order_by("made_at", "pk"):
        going_on = one.state in ("waiting", "running")
        jobs.create(
            owner_id=one.army.owner_id, army_id=one.army_id, kind="plan.search", key=f"{one.army_id}:{one.painter}",
            asked={"painter": one.painter, "tries": one.tries}, state="stopped" if going_on else one.state,
            reached=one.tried, of=one.tries, made_at=one.made_at,
            result={"started": one.started, "best": one.best, "bound": one.bound, "style": one.style},
        )  # fmt: skip


class Migration(migrations.Migration):
    dependencies = [("plan", "0002_search"), ("jobs", "0001_initial")]
    operations = [migrations.RunPython(as_jobs, migrations.RunPython.noop), migrations.DeleteModel("Search")]
