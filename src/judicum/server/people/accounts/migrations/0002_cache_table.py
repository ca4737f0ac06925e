"""The table in which all hosts count how often a door was tried."""

from django.core.management import call_command
from django.db import migrations


def make(apps, schema_editor):
    call_command("createcachetable", "cache", database=schema_editor.connection.alias, verbosity=0)


class Migration(migrations.Migration):
    dependencies = [
        ("accounts", "0001_initial"),
    ]

    operations = [migrations.RunPython(make, migrations.RunPython.noop)]
