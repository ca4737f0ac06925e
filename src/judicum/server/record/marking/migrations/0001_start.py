import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("marking", "0001_initial"),
        ("marking", "0002_schemes"),
        ("marking", "0003_second_marks"),
    ]
    initial = True

    dependencies = [
        ("attempts", "0001_start"),
        ("courses", "0001_start"),
        ("photos", "0001_start"),
        ("schemes", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Mark",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("scores", models.JSONField()),
                ("not_applying", models.JSONField(default=list)),
                ("suggested", models.JSONField(default=dict)),
                ("readings", models.JSONField(default=dict)),
                ("knocked", models.JSONField(default=list)),
                ("waived", models.JSONField(default=list)),
                ("total", models.FloatField()),
                ("passed", models.BooleanField()),
                ("comment", models.TextField(blank=True)),
                ("next_change", models.CharField(blank=True, max_length=300)),
                ("marked_at", models.DateTimeField()),
                ("returned_at", models.DateTimeField(null=True)),
                (
                    "attempt",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE, related_name="mark", to="attempts.attempt"
                    ),
                ),
                (
                    "marked_by",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
                (
                    "measurement",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="marks",
                        to="photos.measurement",
                    ),
                ),
                (
                    "scheme",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="marks", to="schemes.scheme"
                    ),
                ),
            ],
        ),
        migrations.CreateModel(
            name="Reference",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("comment", models.CharField(max_length=300)),
                ("kept_at", models.DateTimeField()),
                ("let_go_at", models.DateTimeField(null=True)),
                (
                    "attempt",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="references", to="attempts.attempt"
                    ),
                ),
                (
                    "kept_by",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
            ],
            options={
                "ordering": ("id",),
            },
        ),
        migrations.CreateModel(
            name="SecondMark",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("asked_at", models.DateTimeField()),
                ("first", models.JSONField()),
                ("scores", models.JSONField(default=dict)),
                ("not_applying", models.JSONField(default=list)),
                ("total", models.FloatField(null=True)),
                ("passed", models.BooleanField(null=True)),
                ("comment", models.TextField(blank=True)),
                ("marked_at", models.DateTimeField(null=True)),
                ("agreed_at", models.DateTimeField(null=True)),
                (
                    "agreed_by",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
                (
                    "asked_by",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
                (
                    "attempt",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE, related_name="second", to="attempts.attempt"
                    ),
                ),
                (
                    "first_marker",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
                (
                    "marked_by",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
        ),
        migrations.CreateModel(
            name="SelfTest",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("given", models.JSONField(default=dict)),
                ("started_at", models.DateTimeField()),
                ("finished_at", models.DateTimeField(null=True)),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to="courses.course"
                    ),
                ),
                ("references", models.ManyToManyField(related_name="+", to="marking.reference")),
                (
                    "user",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
            ],
            options={
                "ordering": ("-started_at", "-id"),
            },
        ),
        migrations.CreateModel(
            name="Phrase",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("key", models.PositiveSmallIntegerField()),
                ("text", models.CharField(max_length=300)),
                (
                    "user",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="phrases", to=settings.AUTH_USER_MODEL
                    ),
                ),
            ],
            options={
                "ordering": ("key",),
                "constraints": [models.UniqueConstraint(fields=("user", "key"), name="one_phrase_per_key")],
            },
        ),
        migrations.AddConstraint(
            model_name="reference",
            constraint=models.UniqueConstraint(
                condition=models.Q(("let_go_at", None)), fields=("attempt",), name="one_reference_per_attempt"
            ),
        ),
    ]
