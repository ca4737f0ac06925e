import django.db.models.deletion
import judicum.server.follow.sessions.models
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("evenings", "0001_initial"),
        ("evenings", "0002_machines"),
    ]
    initial = True

    dependencies = [
        ("attempts", "0001_start"),
        ("coupons", "0001_start"),
        ("courses", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Booth",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("name", models.CharField(max_length=40)),
                ("has", models.JSONField(default=list)),
                ("broken", models.CharField(blank=True, max_length=200)),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="booths", to="courses.course"
                    ),
                ),
            ],
            options={
                "ordering": ("id",),
            },
        ),
        migrations.CreateModel(
            name="BoothNote",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("text", models.CharField(max_length=200)),
                ("at", models.DateTimeField()),
                ("mended_at", models.DateTimeField(null=True)),
                (
                    "booth",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="notes", to="evenings.booth"
                    ),
                ),
                (
                    "by",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.SET_NULL,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={
                "ordering": ("-at", "-id"),
            },
        ),
        migrations.CreateModel(
            name="Session",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("date", models.DateField()),
                ("start", models.TimeField()),
                ("minutes", models.PositiveSmallIntegerField()),
                ("door_code", models.CharField(default=judicum.server.follow.sessions.models.door_code, max_length=4)),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="sessions", to="courses.course"
                    ),
                ),
            ],
            options={
                "ordering": ("date", "start"),
            },
        ),
        migrations.AddField(
            model_name="booth",
            name="closed",
            field=models.ManyToManyField(related_name="closed_booths", to="evenings.session"),
        ),
        migrations.CreateModel(
            name="Attendance",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("there", models.BooleanField()),
                ("at", models.DateTimeField()),
                (
                    "user",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
                (
                    "session",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="attendance", to="evenings.session"
                    ),
                ),
            ],
        ),
        migrations.CreateModel(
            name="Sitting",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("start", models.PositiveSmallIntegerField()),
                ("minutes", models.PositiveSmallIntegerField()),
                ("kept", models.BooleanField(default=False)),
                (
                    "assignment",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to="coupons.assignment"
                    ),
                ),
                (
                    "booth",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="sittings", to="evenings.booth"
                    ),
                ),
                (
                    "session",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="sittings", to="evenings.session"
                    ),
                ),
                (
                    "student",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to=settings.AUTH_USER_MODEL
                    ),
                ),
            ],
            options={
                "ordering": ("session", "start", "booth"),
            },
        ),
        migrations.CreateModel(
            name="WeldedAt",
            fields=[
                (
                    "attempt",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE,
                        primary_key=True,
                        related_name="+",
                        serialize=False,
                        to="attempts.attempt",
                    ),
                ),
                (
                    "booth",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="welded", to="evenings.booth"
                    ),
                ),
            ],
        ),
        migrations.CreateModel(
            name="Feed",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                (
                    "token",
                    models.CharField(
                        default=judicum.server.follow.sessions.models.feed_token, max_length=48, unique=True
                    ),
                ),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="+", to="courses.course"
                    ),
                ),
                (
                    "user",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={
                "constraints": [
                    models.UniqueConstraint(fields=("course", "user"), name="one_feed_each", nulls_distinct=False)
                ],
            },
        ),
        migrations.AddConstraint(
            model_name="session",
            constraint=models.UniqueConstraint(fields=("course", "date", "start"), name="one_session_at_a_time"),
        ),
        migrations.AddConstraint(
            model_name="booth",
            constraint=models.UniqueConstraint(fields=("course", "name"), name="one_booth_of_a_name"),
        ),
        migrations.AddConstraint(
            model_name="attendance",
            constraint=models.UniqueConstraint(fields=("session", "user"), name="one_attendance_each"),
        ),
        migrations.AddConstraint(
            model_name="sitting",
            constraint=models.UniqueConstraint(fields=("assignment", "student"), name="one_sitting_ahead"),
        ),
    ]
