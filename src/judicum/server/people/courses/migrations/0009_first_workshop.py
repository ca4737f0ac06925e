"""What was there before there were workshops becomes one; who taught its first course owns it."""

from typing import Any

from django.db import migrations


def make_first(apps: Any, schema_editor: Any) -> None:
    user, course = apps.get_model("accounts", "User"), apps.get_model("courses", "Course")
    first = course.objects.order_by("id").first()
    if first is None and not user.objects.exists():
        return
    workshop = apps.get_model("accounts", "Workshop").objects.create(name="Workshop")
    course.objects.update(workshop=workshop)
    user.objects.update(workshop=workshop)
    if first is not None:
        user.objects.filter(memberships__course=first, memberships__role="instructor").update(owns=True)


class Migration(migrations.Migration):
    dependencies = [("courses", "0008_workshops"), ("accounts", "0005_workshops")]
    operations = [migrations.RunPython(make_first, migrations.RunPython.noop)]
