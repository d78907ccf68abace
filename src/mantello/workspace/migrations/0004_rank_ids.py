"""Ranks get ids in every edition: in the one that is worked on their names, in all others by following the renames
from edit to edit, so that a rank keeps its id whatever it was called in an undone or other line of editions."""

from django.db import migrations

from mantello_core.formats.document.rank_ids import with_rank_ids


def give_ids(apps, schema_editor):
    for army in apps.get_model("army", "Army").objects.exclude(head=None).iterator():
        _give_ids(army, apps.get_model("army", "Edition").objects.filter(army=army))


def _give_ids(army, editions):
    parents = dict(editions.values_list("pk", "parent_id"))
    beside = {pk: [] for pk in parents}
    for pk, parent in parents.items():
        if parent in beside:
            beside[pk].append(parent)
            beside[parent].append(pk)
    done, waiting = set(), [(army.head_id, None)] if army.head_id in beside else []
    waiting += [(pk, army.head_id) for pk in parents]  # lines that hang together with nothing: versions of an archive
    while waiting:
        pk, like = waiting.pop(0)
        if pk in done:
            continue
        done.add(pk)
        edition = editions.get(pk=pk)
        known = editions.get(pk=like).document if like else None
        document = with_rank_ids(edition.document, known)
        if document is not edition.document:
            edition.document = document | {"version": 2}
            edition.save(update_fields=["document"])
        waiting[:0] = [(other, pk) for other in beside[pk] if other not in done]


class Migration(migrations.Migration):
    dependencies = [("army", "0003_drawings")]
    operations = [migrations.RunPython(give_ids, migrations.RunPython.noop)]
