from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("coupons", "0001_start")]

    operations = [
        migrations.RenameField("design", "stainless_rung", "stainless_step"),
        migrations.RenameField("design", "carbon_rung", "carbon_step"),
    ]
