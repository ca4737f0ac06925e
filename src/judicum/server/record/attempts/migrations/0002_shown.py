from django.conf import settings
from django.db import migrations, models
from django.utils import timezone

STATES = (
    "assigned", "logged", "photographed", "measured", "marked", "returned", "photo_asked", "weld_again", "second_asked", "to_agree",
)  # fmt: skip
SEEN = """
UPDATE attempts_attempt SET shown_state = state, shown_version = version, shown_at = updated_at;
UPDATE attempts_attempt a SET shown_state = 'measured', shown_at = coalesce(seen.at, a.created_at), shown_version = a.version - hidden.n
FROM attempts_attempt b
CROSS JOIN LATERAL (
    SELECT max(at) AS at, max(id) AS id FROM attempts_event e
    WHERE e.attempt_id = b.id AND kind NOT IN ('find', 'judge_cause', 'mark', 'ask_second', 'mark_second', 'agree')
) seen
CROSS JOIN LATERAL (
    SELECT count(*) AS n FROM attempts_event e WHERE e.attempt_id = b.id AND e.id > coalesce(seen.id, 0)
) hidden
WHERE a.id = b.id AND a.state IN ('marked', 'second_asked', 'to_agree');
-- References are looked at now: an index cannot be made while they wait for it.
SET CONSTRAINTS ALL IMMEDIATE;
"""


class Migration(migrations.Migration):
    dependencies = (
        ("attempts", "0001_start"),
        ("coupons", "0003_codes_only"),
        ("courses", "0005_guide"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    )
    operations = (
        migrations.AddField("attempt", "shown_at", models.DateTimeField(default=timezone.now), preserve_default=False),
        migrations.AddField(
            "attempt",
            "shown_state",
            models.CharField(choices=[(one, one.replace("_", " ").title()) for one in STATES], default="assigned", max_length=14),
        ),
        migrations.AddField("attempt", "shown_version", models.PositiveIntegerField(default=1)),
        migrations.RunSQL(SEEN, migrations.RunSQL.noop),
        migrations.RemoveIndex("attempt", "attempts_of_person"),
        migrations.AddIndex(
            "attempt", models.Index(fields=["student", "-shown_at", "-id"], name="attempts_shown"),
        ),
    )
