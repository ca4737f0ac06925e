from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("courses", "0001_start")]

    operations = [migrations.RenameField("course", "ladder", "sequence")]
