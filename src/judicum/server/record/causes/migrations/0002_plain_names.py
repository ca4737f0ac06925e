from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("causes", "0001_start")]

    operations = [
        migrations.RemoveConstraint("verdict", "one_cause_taken"),
        migrations.RenameField("verdict", "taken", "confirmed"),
        migrations.AddConstraint(
            "verdict",
            models.UniqueConstraint(
                condition=models.Q(("confirmed", True)), fields=("attempt",), name="one_cause_confirmed"
            ),
        ),
    ]
