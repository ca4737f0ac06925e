import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [
        ("evenings", "0001_start"),
        ("coupons", "0002_plain_names"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.RenameModel("Sitting", "BoothSlot"),
        migrations.RenameModel("Feed", "CalendarSubscription"),
        migrations.RemoveConstraint(
            model_name="boothslot",
            name="one_sitting_ahead",
        ),
        migrations.AlterField(
            model_name="boothslot",
            name="booth",
            field=models.ForeignKey(
                on_delete=django.db.models.deletion.CASCADE, related_name="slots", to="evenings.booth"
            ),
        ),
        migrations.AlterField(
            model_name="boothslot",
            name="session",
            field=models.ForeignKey(
                on_delete=django.db.models.deletion.CASCADE, related_name="slots", to="evenings.session"
            ),
        ),
        migrations.AddConstraint(
            model_name="boothslot",
            constraint=models.UniqueConstraint(fields=("assignment", "student"), name="one_slot_ahead"),
        ),
    ]
