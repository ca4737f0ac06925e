import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("notices", "0001_wishes"),
    ]
    initial = True

    dependencies = [
        ("accounts", "0001_start"),
    ]

    operations = [
        migrations.CreateModel(
            name="Wish",
            fields=[
                (
                    "user",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE,
                        primary_key=True,
                        related_name="wish",
                        serialize=False,
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
                ("kinds", models.JSONField(default=list)),
                ("told_at", models.DateTimeField(null=True)),
            ],
        ),
    ]
