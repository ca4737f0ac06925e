from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("accounts", "0001_start")]

    operations = [
        migrations.RenameField("user", "look", "skeleton"),
        migrations.RenameField("workshop", "thin_after_days", "photo_retention_days"),
    ]
