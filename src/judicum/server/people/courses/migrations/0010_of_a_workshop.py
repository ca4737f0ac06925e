import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("courses", "0009_first_workshop")]
    operations = [
        migrations.AlterField(
            model_name="course",
            name="workshop",
            field=models.ForeignKey(
                on_delete=django.db.models.deletion.PROTECT, related_name="courses", to="accounts.workshop"
            ),
        ),
    ]
