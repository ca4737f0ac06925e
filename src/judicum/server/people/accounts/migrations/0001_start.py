import django.contrib.postgres.functions
import django.db.models.deletion
import django.utils.timezone
import uuid
from django.conf import settings
from django.core.management import call_command
from django.db import migrations, models


def make_cache_table(apps, schema_editor):
    """The table in which all hosts count how often a door was tried."""
    call_command("createcachetable", "cache", database=schema_editor.connection.alias, verbosity=0)


class Migration(migrations.Migration):
    replaces = [
        ("accounts", "0001_initial"),
        ("accounts", "0002_cache_table"),
        ("accounts", "0003_look"),
        ("accounts", "0004_signed_out"),
        ("accounts", "0005_workshops"),
        ("accounts", "0006_of_a_workshop"),
        ("accounts", "0007_tokens"),
    ]
    initial = True

    dependencies = []

    operations = [
        migrations.CreateModel(
            name="User",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("password", models.CharField(max_length=128, verbose_name="password")),
                ("last_login", models.DateTimeField(blank=True, null=True, verbose_name="last login")),
                (
                    "key",
                    models.UUIDField(
                        db_default=django.contrib.postgres.functions.RandomUUID(),
                        default=uuid.uuid4,
                        editable=False,
                        unique=True,
                    ),
                ),
                ("owns", models.BooleanField(db_default=False, default=False)),
                ("username", models.CharField(max_length=60, unique=True)),
                ("look", models.CharField(max_length=130, unique=True)),
                ("display_name", models.CharField(max_length=80)),
                ("length_unit", models.CharField(choices=[("mm", "Mm"), ("thou", "Thou")], default="mm", max_length=8)),
                (
                    "flow_unit",
                    models.CharField(choices=[("l_min", "L Min"), ("cfh", "Cfh")], default="l_min", max_length=8),
                ),
                ("email", models.EmailField(blank=True, db_default="", default="", max_length=254)),
                ("is_active", models.BooleanField(default=True)),
                ("removed_at", models.DateTimeField(null=True)),
                ("signed_out", models.PositiveIntegerField(default=0)),
            ],
            options={
                "ordering": ("display_name", "id"),
            },
        ),
        migrations.CreateModel(
            name="Workshop",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("name", models.CharField(max_length=120)),
                ("second_factor", models.BooleanField(default=False)),
                ("thin_after_days", models.PositiveIntegerField(null=True)),
                ("created_at", models.DateTimeField(default=django.utils.timezone.now)),
            ],
        ),
        migrations.CreateModel(
            name="Token",
            fields=[
                ("digest", models.CharField(max_length=128, primary_key=True, serialize=False)),
                ("token_key", models.CharField(db_index=True, max_length=25)),
                ("created", models.DateTimeField(auto_now_add=True)),
                ("expiry", models.DateTimeField(blank=True, null=True)),
                ("id", models.UUIDField(default=uuid.uuid4, editable=False, unique=True)),
                ("name", models.CharField(max_length=60)),
                ("scope", models.CharField(choices=[("read", "Read"), ("write", "Write")], max_length=5)),
                (
                    "user",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="auth_token_set",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={
                "ordering": ("created",),
            },
        ),
        migrations.AddField(
            model_name="user",
            name="workshop",
            field=models.ForeignKey(
                on_delete=django.db.models.deletion.PROTECT, related_name="people", to="accounts.workshop"
            ),
        ),
        migrations.RunPython(make_cache_table, migrations.RunPython.noop),
    ]
