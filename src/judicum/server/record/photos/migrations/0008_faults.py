from django.db import migrations, models


def from_reports(apps, schema_editor):
    """Fills the new columns from the reports that the figures were read from."""
    figures = apps.get_model("photos", "Figures").objects
    kept = figures.filter(refusal_code="").select_related("measurement__chosen")
    for one in kept.prefetch_related("measurement__corrections").iterator(200):
        made = one.measurement
        top = max((c for c in made.corrections.all() if c.undone_at is None), key=lambda c: c.pk, default=None)
        told = (top or made.chosen or made).report or {}
        bead = told.get("bead")
        faults = [{"kind": f["kind"], "s_mm": f["s_mm"]} for f in told.get("defects") or []]
        waviness = max(bead["toe_waviness_mm"].values()) / bead["width_mm"]["mean"] if bead else None
        figures.filter(pk=one.pk).update(faults=faults, toe_waviness=waviness)


class Migration(migrations.Migration):
    dependencies = [
        ("photos", "0007_remeasuring"),
    ]

    operations = [
        migrations.AddField("figures", "faults", models.JSONField(default=list)),
        migrations.AddField("figures", "toe_waviness", models.FloatField(null=True)),
        migrations.RunPython(from_reports, migrations.RunPython.noop),
    ]
