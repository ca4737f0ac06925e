import django.db.models.deletion
import uuid
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("photos", "0001_initial"),
        ("photos", "0002_corrections_and_kinds"),
        ("photos", "0003_several_beads"),
        ("photos", "0004_one_measuring_at_a_time"),
        ("photos", "0005_figures"),
        ("photos", "0006_pieces"),
        ("photos", "0007_remeasuring"),
        ("photos", "0008_faults"),
        ("photos", "0009_pictures_gone"),
    ]
    initial = True

    dependencies = [
        ("attempts", "0001_start"),
        ("courses", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="StoredPicture",
            fields=[
                ("sha256", models.CharField(max_length=64, primary_key=True, serialize=False)),
                ("media_type", models.CharField(max_length=20)),
                ("bytes", models.PositiveIntegerField()),
                ("width_px", models.PositiveIntegerField()),
                ("height_px", models.PositiveIntegerField()),
                ("original", models.FileField(max_length=120, upload_to="")),
                ("shown", models.FileField(max_length=120, upload_to="")),
            ],
        ),
        migrations.CreateModel(
            name="Measurement",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                (
                    "state",
                    models.CharField(
                        choices=[
                            ("waiting", "Waiting"),
                            ("measuring", "Measuring"),
                            ("done", "Done"),
                            ("failed", "Failed"),
                        ],
                        default="waiting",
                        max_length=10,
                    ),
                ),
                ("engine_version", models.CharField(blank=True, max_length=20)),
                ("report", models.JSONField(null=True)),
                ("overlay", models.JSONField(null=True)),
                ("bead", models.JSONField(null=True)),
                ("scale_points", models.JSONField(null=True)),
                ("refusal_code", models.CharField(blank=True, max_length=20)),
                ("strip", models.FileField(blank=True, max_length=120, upload_to="")),
                ("requested_at", models.DateTimeField()),
                ("finished_at", models.DateTimeField(null=True)),
                (
                    "requested_by",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={
                "ordering": ("-requested_at", "-id"),
            },
        ),
        migrations.CreateModel(
            name="Figures",
            fields=[
                (
                    "attempt",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE,
                        primary_key=True,
                        related_name="figures",
                        serialize=False,
                        to="attempts.attempt",
                    ),
                ),
                ("engine_version", models.CharField(blank=True, max_length=20)),
                ("refusal_code", models.CharField(blank=True, max_length=20)),
                ("corrected", models.BooleanField(default=False)),
                ("has_strip", models.BooleanField(default=False)),
                ("strip_query", models.CharField(blank=True, max_length=40)),
                ("length_mm", models.FloatField(null=True)),
                ("width_mean_mm", models.FloatField(null=True)),
                ("width_cv", models.FloatField(null=True)),
                ("pitch_cv", models.FloatField(null=True)),
                ("tint_level", models.PositiveSmallIntegerField(null=True)),
                ("tint_name", models.CharField(blank=True, max_length=20)),
                ("toe_waviness", models.FloatField(null=True)),
                ("faults", models.JSONField(default=list)),
                (
                    "measurement",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to="photos.measurement"
                    ),
                ),
            ],
        ),
        migrations.CreateModel(
            name="Correction",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("step", models.JSONField()),
                ("report", models.JSONField()),
                ("overlay", models.JSONField()),
                ("strip", models.FileField(max_length=120, upload_to="")),
                ("at", models.DateTimeField()),
                ("undone_at", models.DateTimeField(null=True)),
                (
                    "by",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
                (
                    "undone_by",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
                (
                    "measurement",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="corrections", to="photos.measurement"
                    ),
                ),
            ],
            options={
                "ordering": ("id",),
            },
        ),
        migrations.CreateModel(
            name="Photo",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("gone_px", models.JSONField(null=True)),
                (
                    "kind",
                    models.CharField(
                        choices=[("bead", "Bead"), ("back", "Back"), ("setup", "Setup"), ("torch", "Torch")],
                        default="bead",
                        max_length=8,
                    ),
                ),
                ("angles", models.JSONField(default=dict)),
                ("name", models.CharField(blank=True, max_length=200)),
                ("sent_at", models.DateTimeField()),
                ("request_id", models.CharField(blank=True, max_length=64)),
                (
                    "attempt",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="photos", to="attempts.attempt"
                    ),
                ),
                (
                    "sent_by",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
                (
                    "picture",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="photos",
                        to="photos.storedpicture",
                    ),
                ),
            ],
            options={
                "ordering": ("-sent_at", "-id"),
            },
        ),
        migrations.AddField(
            model_name="measurement",
            name="photo",
            field=models.ForeignKey(
                on_delete=django.db.models.deletion.CASCADE, related_name="measurements", to="photos.photo"
            ),
        ),
        migrations.CreateModel(
            name="Remeasuring",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("engine_version", models.CharField(max_length=20)),
                ("total", models.PositiveIntegerField()),
                ("started_at", models.DateTimeField()),
                ("stopped_at", models.DateTimeField(null=True)),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to="courses.course"
                    ),
                ),
                (
                    "started_by",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
            ],
            options={
                "ordering": ("-started_at", "-id"),
            },
        ),
        migrations.AddField(
            model_name="measurement",
            name="together",
            field=models.ForeignKey(
                null=True,
                on_delete=django.db.models.deletion.SET_NULL,
                related_name="measurements",
                to="photos.remeasuring",
            ),
        ),
        migrations.CreateModel(
            name="SeenBead",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("number", models.PositiveSmallIntegerField()),
                ("report", models.JSONField()),
                ("overlay", models.JSONField()),
                ("bead", models.JSONField()),
                ("strip", models.FileField(max_length=120, upload_to="")),
                (
                    "measurement",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="beads", to="photos.measurement"
                    ),
                ),
            ],
            options={
                "ordering": ("number",),
            },
        ),
        migrations.AddField(
            model_name="measurement",
            name="chosen",
            field=models.ForeignKey(
                null=True, on_delete=django.db.models.deletion.SET_NULL, related_name="+", to="photos.seenbead"
            ),
        ),
        migrations.CreateModel(
            name="Upload",
            fields=[
                ("id", models.UUIDField(default=uuid.uuid4, primary_key=True, serialize=False)),
                ("name", models.CharField(blank=True, max_length=200)),
                (
                    "kind",
                    models.CharField(
                        choices=[("bead", "Bead"), ("back", "Back"), ("setup", "Setup"), ("torch", "Torch")],
                        default="bead",
                        max_length=8,
                    ),
                ),
                ("size", models.PositiveIntegerField()),
                ("received", models.PositiveIntegerField(default=0)),
                ("offsets", models.JSONField(default=list)),
                ("request_id", models.CharField(blank=True, max_length=64)),
                ("started_at", models.DateTimeField(auto_now_add=True)),
                (
                    "attempt",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="uploads", to="attempts.attempt"
                    ),
                ),
                (
                    "photo",
                    models.ForeignKey(
                        null=True, on_delete=django.db.models.deletion.SET_NULL, related_name="+", to="photos.photo"
                    ),
                ),
                (
                    "user",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
            ],
        ),
        migrations.AddConstraint(
            model_name="seenbead",
            constraint=models.UniqueConstraint(fields=("measurement", "number"), name="bead_once"),
        ),
        migrations.AddConstraint(
            model_name="measurement",
            constraint=models.UniqueConstraint(
                condition=models.Q(("state__in", ["waiting", "measuring"])),
                fields=("photo",),
                name="one_measuring_at_a_time",
            ),
        ),
    ]
