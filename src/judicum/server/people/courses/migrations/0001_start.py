import django.contrib.postgres.functions
import django.db.models.deletion
import django.utils.timezone
import uuid
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("courses", "0001_initial"),
        ("courses", "0002_schools"),
        ("courses", "0003_one_truth"),
        ("courses", "0004_filling"),
        ("courses", "0005_second_share"),
        ("courses", "0006_time_zone"),
        ("courses", "0007_join_limits"),
        ("courses", "0008_workshops"),
        ("courses", "0009_first_workshop"),
        ("courses", "0010_of_a_workshop"),
    ]
    initial = True

    dependencies = [
        ("accounts", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Course",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                (
                    "key",
                    models.UUIDField(
                        db_default=django.contrib.postgres.functions.RandomUUID(),
                        default=uuid.uuid4,
                        editable=False,
                        unique=True,
                    ),
                ),
                ("name", models.CharField(max_length=120)),
                ("archived_at", models.DateTimeField(null=True)),
                ("join_code", models.CharField(max_length=12, unique=True)),
                ("join_left", models.PositiveIntegerField(null=True)),
                ("join_until", models.DateTimeField(null=True)),
                ("created_at", models.DateTimeField(default=django.utils.timezone.now)),
                ("filling", models.JSONField(null=True)),
                ("time_zone", models.CharField(default="UTC", max_length=40)),
                ("second_share", models.PositiveSmallIntegerField(default=0)),
                (
                    "pedal_school",
                    models.CharField(
                        choices=[("target", "Set the target, floor it"), ("ride", "Set above, ride the pedal")],
                        default="target",
                        max_length=12,
                    ),
                ),
                (
                    "start_school",
                    models.CharField(
                        choices=[("quick", "Quick start"), ("settled", "Settled start")], default="quick", max_length=12
                    ),
                ),
                (
                    "finish",
                    models.CharField(
                        choices=[("warm", "warm"), ("bright", "bright"), ("show_colour", "show colour")],
                        default="warm",
                        max_length=12,
                    ),
                ),
                (
                    "unit_system",
                    models.CharField(
                        choices=[("metric", "mm and L/min"), ("us", "thousandths and CFH")],
                        default="metric",
                        max_length=12,
                    ),
                ),
                (
                    "ladder",
                    models.CharField(
                        choices=[("stainless", "Stainless first"), ("carbon", "Carbon steel first")],
                        default="stainless",
                        max_length=12,
                    ),
                ),
                (
                    "purge_school",
                    models.CharField(
                        choices=[("always", "Always on tube"), ("root", "Where the root matters")],
                        default="always",
                        max_length=12,
                    ),
                ),
                (
                    "solvent",
                    models.CharField(
                        choices=[("acetone", "Acetone"), ("alcohol", "Denatured alcohol")],
                        default="acetone",
                        max_length=12,
                    ),
                ),
                (
                    "workshop",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="courses", to="accounts.workshop"
                    ),
                ),
            ],
        ),
        migrations.CreateModel(
            name="Membership",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                (
                    "role",
                    models.CharField(
                        choices=[("instructor", "Instructor"), ("assistant", "Assistant"), ("student", "Student")],
                        default="student",
                        max_length=12,
                    ),
                ),
                ("joined_at", models.DateTimeField(default=django.utils.timezone.now)),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="memberships", to="courses.course"
                    ),
                ),
                (
                    "user",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="memberships",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={
                "ordering": ("id",),
                "constraints": [models.UniqueConstraint(fields=("course", "user"), name="one_membership_per_course")],
            },
        ),
    ]
