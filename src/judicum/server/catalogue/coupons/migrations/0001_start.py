import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("coupons", "0001_initial"),
        ("coupons", "0002_ladders"),
        ("coupons", "0003_own_designs"),
        ("coupons", "0004_one_truth"),
        ("coupons", "0005_scheme_and_pass_mark"),
    ]
    initial = True

    dependencies = [
        ("courses", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Design",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("code", models.SlugField(max_length=40)),
                ("version", models.PositiveIntegerField(default=1)),
                ("title", models.CharField(max_length=80)),
                ("purpose", models.CharField(max_length=300)),
                (
                    "joint",
                    models.CharField(
                        choices=[
                            ("bead_on_plate", "bead on plate"),
                            ("butt", "square butt"),
                            ("lap", "lap"),
                            ("tee", "tee fillet"),
                            ("outside_corner", "outside corner"),
                            ("edge", "edge"),
                            ("tube_butt", "tube butt"),
                            ("tube_sleeve", "tube sleeve"),
                            ("tube_sleeve_bend", "sleeve on a bend"),
                            ("tube_flange", "tube to flange"),
                            ("socket", "socket"),
                            ("turntable", "turntable tube"),
                        ],
                        max_length=20,
                    ),
                ),
                ("metal", models.CharField(default="304L", max_length=20)),
                (
                    "position",
                    models.CharField(
                        choices=[
                            ("flat", "flat"),
                            ("horizontal", "horizontal"),
                            ("vertical_up", "vertical up"),
                            ("overhead", "overhead"),
                        ],
                        default="flat",
                        max_length=12,
                    ),
                ),
                (
                    "technique",
                    models.CharField(
                        choices=[
                            ("dab", "dab"),
                            ("lay_wire", "laid wire"),
                            ("walk_cup", "walked cup"),
                            ("fuse", "fused"),
                        ],
                        default="dab",
                        max_length=10,
                    ),
                ),
                ("tube_od_mm", models.FloatField(blank=True, null=True)),
                ("thickness_mm", models.FloatField()),
                ("length_mm", models.FloatField(default=90.0)),
                ("target_width_mm", models.FloatField()),
                (
                    "finish",
                    models.CharField(
                        choices=[("warm", "warm"), ("bright", "bright"), ("show_colour", "show colour")],
                        default="warm",
                        max_length=12,
                    ),
                ),
                ("usual_faults", models.CharField(blank=True, max_length=300)),
                ("stainless_rung", models.PositiveSmallIntegerField(blank=True, null=True)),
                ("carbon_rung", models.PositiveSmallIntegerField(blank=True, null=True)),
                ("more", models.JSONField(blank=True, default=dict)),
                (
                    "course",
                    models.ForeignKey(
                        blank=True,
                        null=True,
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="designs",
                        to="courses.course",
                    ),
                ),
            ],
            options={
                "ordering": ("thickness_mm", "joint", "id"),
            },
        ),
        migrations.CreateModel(
            name="Assignment",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("target_width_mm", models.FloatField()),
                (
                    "finish",
                    models.CharField(
                        choices=[("warm", "warm"), ("bright", "bright"), ("show_colour", "show colour")], max_length=12
                    ),
                ),
                ("good_in_a_row", models.PositiveSmallIntegerField(default=3)),
                ("scheme", models.CharField(default="training", max_length=40)),
                ("pass_mark", models.FloatField(null=True)),
                ("due_on", models.DateField()),
                ("created_at", models.DateTimeField()),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="assignments", to="courses.course"
                    ),
                ),
                (
                    "created_by",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
                (
                    "design",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="assignments", to="coupons.design"
                    ),
                ),
            ],
            options={
                "ordering": ("-created_at", "-id"),
            },
        ),
        migrations.AddConstraint(
            model_name="design",
            constraint=models.UniqueConstraint(fields=("code", "version"), name="one_design_per_version"),
        ),
    ]
