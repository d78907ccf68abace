"""Mail addresses are not unique any more, since a refusal tells who has an account; and the table that counts tries."""

from django.core.management import call_command
from django.db import migrations, models


def make_tries(apps, schema_editor):
    """The table of the cache that counts tries; nothing if it is there."""
    call_command("createcachetable", database=schema_editor.connection.alias, verbosity=0)


class Migration(migrations.Migration):
    dependencies = [("accounts", "0001_initial")]

    operations = [
        migrations.AlterField("user", "email", models.EmailField(max_length=254, verbose_name="email address")),
        migrations.RunPython(make_tries, migrations.RunPython.noop),
    ]
