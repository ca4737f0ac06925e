import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("accounts", "0005_workshops"), ("courses", "0009_first_workshop")]
    operations = [
        migrations.AlterField(
            model_name="user",
            name="workshop",
            field=models.ForeignKey(
                on_delete=django.db.models.deletion.PROTECT, related_name="people", to="accounts.workshop"
            ),
        ),
    ]
