import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("schemes", "0001_initial"),
    ]

    initial = True

    dependencies = [
        ("courses", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Scheme",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("code", models.SlugField(max_length=40)),
                ("version", models.PositiveIntegerField()),
                ("body", models.JSONField()),
                ("created_at", models.DateTimeField()),
                (
                    "course",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="schemes",
                        to="courses.course",
                    ),
                ),
                (
                    "created_by",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={
                "ordering": ("code", "version"),
                "constraints": [
                    models.UniqueConstraint(fields=("course", "code", "version"), name="one_scheme_per_version"),
                    models.UniqueConstraint(
                        condition=models.Q(("course", None)),
                        fields=("code", "version"),
                        name="one_shipped_scheme_per_version",
                    ),
                ],
            },
        ),
    ]
