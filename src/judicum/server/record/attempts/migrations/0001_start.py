import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


FINAL_EVENTS = """
CREATE FUNCTION attempts_event_is_final() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF TG_OP = 'UPDATE' AND current_setting('judicum.removing', true) = 'on'
        AND (NEW.id, NEW.attempt_id, NEW.actor_id, NEW.at, NEW.kind)
            IS NOT DISTINCT FROM (OLD.id, OLD.attempt_id, OLD.actor_id, OLD.at, OLD.kind) THEN
        RETURN NEW;
    END IF;
    RAISE EXCEPTION 'the log of an attempt is only added to' USING ERRCODE = 'restrict_violation';
END $$;
CREATE TRIGGER attempts_event_final BEFORE UPDATE OR DELETE ON attempts_event
    FOR EACH ROW EXECUTE FUNCTION attempts_event_is_final();
"""
"""The log is only added to; where somebody is removed their name leaves its words, and nothing else of an event changes."""
NOT_FINAL = """
DROP TRIGGER attempts_event_final ON attempts_event;
DROP FUNCTION attempts_event_is_final();
"""


class Migration(migrations.Migration):
    replaces = [
        ("attempts", "0001_initial"),
        ("attempts", "0002_log_is_only_added_to"),
        ("attempts", "0003_runs_and_preparation"),
        ("attempts", "0004_measured_angles"),
        ("attempts", "0005_one_truth"),
        ("attempts", "0006_choose_bead"),
        ("attempts", "0007_one_attempt_to_weld"),
        ("attempts", "0008_by_course"),
        ("attempts", "0009_answers_and_findings"),
        ("attempts", "0010_second_marks"),
        ("attempts", "0011_names_leave_the_log"),
    ]
    initial = True

    dependencies = [
        ("coupons", "0001_start"),
        ("courses", "0001_start"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name="Attempt",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("number", models.PositiveIntegerField()),
                (
                    "state",
                    models.CharField(
                        choices=[
                            ("assigned", "Assigned"),
                            ("logged", "Logged"),
                            ("photographed", "Photographed"),
                            ("measured", "Measured"),
                            ("marked", "Marked"),
                            ("returned", "Returned"),
                            ("photo_asked", "Photo Asked"),
                            ("weld_again", "Weld Again"),
                            ("second_asked", "Second Asked"),
                            ("to_agree", "To Agree"),
                        ],
                        default="assigned",
                        max_length=14,
                    ),
                ),
                ("version", models.PositiveIntegerField(default=1)),
                ("prepared", models.JSONField(default=list)),
                ("by_hand", models.JSONField(default=dict)),
                ("answer", models.CharField(blank=True, max_length=300)),
                ("created_at", models.DateTimeField()),
                ("updated_at", models.DateTimeField()),
                (
                    "assignment",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="attempts", to="coupons.assignment"
                    ),
                ),
                (
                    "course",
                    models.ForeignKey(
                        db_index=False,
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="+",
                        to="courses.course",
                    ),
                ),
                (
                    "student",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="attempts",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
            ],
            options={
                "ordering": ("created_at", "id"),
            },
        ),
        migrations.CreateModel(
            name="Event",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("at", models.DateTimeField()),
                (
                    "kind",
                    models.CharField(
                        choices=[
                            ("open", "Open"),
                            ("prepare", "Prepare"),
                            ("log", "Log"),
                            ("add_photo", "Add Photo"),
                            ("add_view", "Add View"),
                            ("read_angle", "Read Angle"),
                            ("measure", "Measure"),
                            ("refuse_photo", "Refuse Photo"),
                            ("measure_back", "Measure Back"),
                            ("correct", "Correct"),
                            ("choose_bead", "Choose Bead"),
                            ("find", "Find"),
                            ("judge_cause", "Judge Cause"),
                            ("mark", "Mark"),
                            ("return", "Return"),
                            ("ask_photo", "Ask Photo"),
                            ("send_back", "Send Back"),
                            ("take_back", "Take Back"),
                            ("ask_second", "Ask Second"),
                            ("mark_second", "Mark Second"),
                            ("agree", "Agree"),
                        ],
                        max_length=16,
                    ),
                ),
                ("data", models.JSONField(default=dict)),
                (
                    "actor",
                    models.ForeignKey(
                        null=True,
                        on_delete=django.db.models.deletion.PROTECT,
                        related_name="+",
                        to=settings.AUTH_USER_MODEL,
                    ),
                ),
                (
                    "attempt",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.PROTECT, related_name="events", to="attempts.attempt"
                    ),
                ),
            ],
            options={
                "ordering": ("at", "id"),
            },
        ),
        migrations.CreateModel(
            name="Run",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("number", models.PositiveSmallIntegerField(default=1)),
                ("current_a", models.FloatField(null=True)),
                ("machine_a", models.FloatField(null=True)),
                ("polarity", models.CharField(max_length=8, null=True)),
                ("cup", models.FloatField(null=True)),
                ("gas_part", models.CharField(max_length=16, null=True)),
                ("gas_l_min", models.FloatField(null=True)),
                ("stickout_mm", models.FloatField(null=True)),
                ("electrode_kind", models.CharField(max_length=20, null=True)),
                ("electrode_mm", models.FloatField(null=True)),
                ("filler_alloy", models.CharField(max_length=16, null=True)),
                ("filler_mm", models.FloatField(null=True)),
                ("preflow_s", models.FloatField(null=True)),
                ("downslope_s", models.FloatField(null=True)),
                ("postflow_s", models.FloatField(null=True)),
                ("work_angle_deg", models.FloatField(null=True)),
                ("travel_angle_deg", models.FloatField(null=True)),
                ("travel_mm_s", models.FloatField(null=True)),
                ("technique", models.CharField(max_length=16, null=True)),
                ("pass_number", models.PositiveSmallIntegerField(null=True)),
                ("torch", models.PositiveSmallIntegerField(null=True)),
                ("start_current_a", models.FloatField(null=True)),
                ("peak_a", models.FloatField(null=True)),
                ("background_a", models.FloatField(null=True)),
                ("on_share", models.FloatField(null=True)),
                ("per_second", models.FloatField(null=True)),
                ("purge_l_min", models.FloatField(null=True)),
                ("purge_wait_s", models.FloatField(null=True)),
                ("arc_s", models.FloatField(null=True)),
                ("dabs", models.PositiveSmallIntegerField(null=True)),
                ("restarts_mm", models.JSONField(default=list)),
                ("electrode_after", models.CharField(max_length=12, null=True)),
                ("rod_end", models.CharField(max_length=12, null=True)),
                ("arc", models.CharField(max_length=12, null=True)),
                ("puff_at_start", models.BooleanField(null=True)),
                ("draught", models.BooleanField(null=True)),
                ("part_hot", models.BooleanField(null=True)),
                ("note", models.TextField(blank=True)),
                ("measured", models.JSONField(default=list)),
                (
                    "attempt",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="runs", to="attempts.attempt"
                    ),
                ),
            ],
            options={
                "ordering": ("number",),
            },
        ),
        migrations.AddIndex(
            model_name="attempt",
            index=models.Index(fields=["course", "-updated_at", "-id"], name="attempts_by_change"),
        ),
        migrations.AddIndex(
            model_name="attempt",
            index=models.Index(fields=["course", "student", "-created_at", "-id"], name="attempts_of_student"),
        ),
        migrations.AddIndex(
            model_name="attempt",
            index=models.Index(fields=["student", "-updated_at"], name="attempts_of_person"),
        ),
        migrations.AddIndex(
            model_name="attempt",
            index=models.Index(fields=["assignment", "-updated_at", "-id"], name="attempts_at_coupon"),
        ),
        migrations.AddIndex(
            model_name="attempt",
            index=models.Index(
                condition=models.Q(("state", "returned"), _negated=True),
                fields=["course", "state", "updated_at"],
                name="attempts_open",
            ),
        ),
        migrations.AddIndex(
            model_name="attempt",
            index=models.Index(
                condition=models.Q(("state__in", ("photographed", "measured", "marked", "second_asked", "to_agree"))),
                fields=["course", "updated_at", "id"],
                name="attempts_waiting",
            ),
        ),
        migrations.AddConstraint(
            model_name="attempt",
            constraint=models.UniqueConstraint(
                fields=("assignment", "student", "number"), name="one_attempt_per_number"
            ),
        ),
        migrations.AddConstraint(
            model_name="attempt",
            constraint=models.UniqueConstraint(
                condition=models.Q(("state", "assigned")), fields=("assignment", "student"), name="one_attempt_to_weld"
            ),
        ),
        migrations.AddConstraint(
            model_name="run",
            constraint=models.UniqueConstraint(fields=("attempt", "number"), name="one_run_per_number"),
        ),
        migrations.RunSQL(FINAL_EVENTS, NOT_FINAL),
    ]
