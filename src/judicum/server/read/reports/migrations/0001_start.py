import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("reports", "0001_initial"),
    ]

    initial = True

    dependencies = [
        ("courses", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Report",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("paper", models.CharField(max_length=8)),
                ("since", models.DateField(null=True)),
                ("until", models.DateField(null=True)),
                ("asked_at", models.DateTimeField()),
                (
                    "state",
                    models.CharField(
                        choices=[("waiting", "Waiting"), ("making", "Making"), ("done", "Done"), ("failed", "Failed")],
                        default="waiting",
                        max_length=8,
                    ),
                ),
                ("done", models.PositiveIntegerField(default=0)),
                ("total", models.PositiveIntegerField(default=0)),
                ("file", models.FileField(blank=True, max_length=120, upload_to="")),
                (
                    "asked_by",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to="courses.course"
                    ),
                ),
                (
                    "student",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={
                "ordering": ("-asked_at", "-id"),
            },
        ),
    ]
