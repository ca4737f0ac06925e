import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    replaces = [
        ("stock", "0001_initial"),
    ]

    initial = True

    dependencies = [
        ("attempts", "0001_start"),
        ("courses", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Bottle",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("name", models.CharField(max_length=40)),
                ("size_l", models.FloatField()),
                ("gauge", models.CharField(blank=True, max_length=40)),
                ("opened_at", models.DateTimeField()),
                ("closed_at", models.DateTimeField(null=True)),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="bottles", to="courses.course"
                    ),
                ),
            ],
            options={
                "ordering": ("opened_at", "id"),
            },
        ),
        migrations.CreateModel(
            name="GaugeReading",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("at", models.DateTimeField()),
                ("bar", models.FloatField()),
                ("temperature_c", models.FloatField(null=True)),
                ("off_bar", models.FloatField()),
                (
                    "how",
                    models.CharField(
                        choices=[("typed", "typed"), ("photo", "read off a photo"), ("wired", "wired gauge")],
                        max_length=6,
                    ),
                ),
                (
                    "bottle",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="readings", to="stock.bottle"
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
                "ordering": ("at", "id"),
            },
        ),
        migrations.CreateModel(
            name="Item",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                (
                    "kind",
                    models.CharField(
                        choices=[
                            ("blank", "Blanks"),
                            ("wire", "Filler wire"),
                            ("electrode", "Electrodes"),
                            ("cup", "Cups"),
                            ("gas", "Argon, full bottles"),
                            ("sheet", "Sheets to cut"),
                            ("bar", "Bars and tubes to cut"),
                        ],
                        max_length=12,
                    ),
                ),
                ("name", models.CharField(max_length=60)),
                ("supplier", models.CharField(blank=True, max_length=60)),
                ("price", models.FloatField(null=True)),
                ("lead_days", models.PositiveSmallIntegerField(null=True)),
                ("low_at", models.FloatField(null=True)),
                ("spec", models.JSONField(default=dict)),
                (
                    "course",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="stock", to="courses.course"
                    ),
                ),
            ],
            options={
                "ordering": ("id",),
            },
        ),
        migrations.AddField(
            model_name="bottle",
            name="item",
            field=models.ForeignKey(
                null=True, on_delete=django.db.models.deletion.SET_NULL, related_name="+", to="stock.item"
            ),
        ),
        migrations.CreateModel(
            name="Movement",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("at", models.DateTimeField()),
                (
                    "kind",
                    models.CharField(
                        choices=[
                            ("counted", "counted"),
                            ("delivered", "delivered"),
                            ("thrown", "thrown away or broken"),
                            ("opened", "opened"),
                        ],
                        max_length=12,
                    ),
                ),
                ("amount", models.FloatField()),
                ("note", models.CharField(blank=True, max_length=200)),
                (
                    "by",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.SET_NULL,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
                (
                    "item",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="moves", to="stock.item"
                    ),
                ),
            ],
            options={
                "ordering": ("at", "id"),
            },
        ),
        migrations.CreateModel(
            name="Use",
            fields=[
                (
                    "attempt",
                    models.OneToOneField(
                        on_delete=django.db.models.deletion.CASCADE,
                        primary_key=True,
                        related_name="use",
                        serialize=False,
                        to="attempts.attempt",
                    ),
                ),
                ("at", models.DateTimeField()),
                ("gas_l", models.FloatField()),
                ("wire_m", models.FloatField()),
                ("wire_alloy", models.CharField(blank=True, max_length=16)),
                ("wire_mm", models.FloatField(null=True)),
                ("blanks", models.PositiveSmallIntegerField()),
                (
                    "course",
                    models.ForeignKey(
                        db_index=False,
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="+",
                        to="courses.course",
                    ),
                ),
            ],
        ),
        migrations.AddConstraint(
            model_name="item",
            constraint=models.UniqueConstraint(fields=("course", "name"), name="one_item_of_a_name"),
        ),
        migrations.AddConstraint(
            model_name="bottle",
            constraint=models.UniqueConstraint(
                condition=models.Q(("closed_at", None)), fields=("course", "name"), name="one_open_bottle_of_a_name"
            ),
        ),
        migrations.AddIndex(
            model_name="use",
            index=models.Index(fields=["course", "at"], name="use_of_course"),
        ),
    ]
