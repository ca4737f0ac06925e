import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("notices", "0001_start"), migrations.swappable_dependency(settings.AUTH_USER_MODEL)]

    operations = [
        migrations.RenameModel("Wish", "NotificationPreference"),
        migrations.RenameField("notificationpreference", "told_at", "digest_sent_at"),
        migrations.AlterField(
            model_name="notificationpreference",
            name="user",
            field=models.OneToOneField(
                on_delete=django.db.models.deletion.CASCADE,
                primary_key=True,
                related_name="preference",
                serialize=False,
                to=settings.AUTH_USER_MODEL,
            ),
        ),
    ]
