from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("marking", "0001_start")]

    operations = [
        migrations.RemoveConstraint("reference", "one_reference_per_attempt"),
        migrations.RenameField("reference", "let_go_at", "released_at"),
        migrations.AddConstraint(
            "reference",
            models.UniqueConstraint(
                condition=models.Q(("released_at", None)), fields=("attempt",), name="one_reference_per_attempt"
            ),
        ),
    ]
