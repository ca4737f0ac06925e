import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("causes", "0001_initial"),
        ("causes", "0002_followed"),
    ]
    initial = True

    dependencies = [
        ("attempts", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Verdict",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("cause", models.CharField(max_length=30)),
                ("taken", models.BooleanField()),
                ("change", models.JSONField(default=dict)),
                ("symptoms", models.JSONField(default=dict)),
                ("done", models.CharField(blank=True, max_length=8)),
                ("gone", models.CharField(blank=True, max_length=8)),
                ("at", models.DateTimeField()),
                (
                    "attempt",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="verdicts", to="attempts.attempt"
                    ),
                ),
                (
                    "by",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
            ],
            options={
                "ordering": ("id",),
                "constraints": [
                    models.UniqueConstraint(fields=("attempt", "cause"), name="one_verdict_per_cause"),
                    models.UniqueConstraint(
                        condition=models.Q(("taken", True)), fields=("attempt",), name="one_cause_taken"
                    ),
                ],
            },
        ),
    ]
