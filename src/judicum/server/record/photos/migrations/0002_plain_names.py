import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("photos", "0001_start"), ("attempts", "0001_start")]

    operations = [
        migrations.RenameModel("Figures", "MeasurementSummary"),
        migrations.AlterField(
            model_name="measurementsummary",
            name="attempt",
            field=models.OneToOneField(
                on_delete=django.db.models.deletion.CASCADE,
                primary_key=True,
                related_name="summary",
                serialize=False,
                to="attempts.attempt",
            ),
        ),
    ]
