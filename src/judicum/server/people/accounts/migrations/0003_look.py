"""What no two login names may share; of two that share it already, the later one keeps its own with a number."""

from django.db import migrations, models

from judicum.server.people.accounts.names import look


def fill(apps, schema_editor):
    users = apps.get_model("accounts", "User").objects
    taken = set()
    for user in users.order_by("pk"):
        user.look = look(user.username)
        if user.look in taken:
            user.look = f"{user.look}#{user.pk}"
        taken.add(user.look)
        user.save(update_fields=["look"])


class Migration(migrations.Migration):
    dependencies = [
        ("accounts", "0002_cache_table"),
    ]

    operations = [
        migrations.AddField("user", "look", models.CharField(max_length=130, null=True)),
        migrations.RunPython(fill, migrations.RunPython.noop),
        migrations.AlterField("user", "look", models.CharField(max_length=130, unique=True)),
    ]
