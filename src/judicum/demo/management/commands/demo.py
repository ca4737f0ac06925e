from typing import Any

from django.core.management.base import BaseCommand

from judicum.demo.load import load
from judicum.demo.scenario import PASSWORD, scenario
from judicum.server.people.courses.models import Course


class Command(BaseCommand):
    help = "Make the demo course if it is not there, and say how to sign in."
    requires_system_checks = ()

    def handle(self, *_: Any, **__: Any) -> str:
        course = scenario()
        code = course["course"]["join_code"]
        if not Course.objects.filter(join_code=code).exists():
            load(course)
        lines = [
            f"Demo logins (password {PASSWORD}):",
            *(f"  {person['role']:<11} {person['username']}" for person in course["staff"]),
            f"  {'students':<11} {', '.join(p['username'] for p in course['students'])}",
            f"Course code for new students: {code}",
        ]
        if Course.objects.filter(join_code=code, filling__isnull=False).exists():
            lines.append(
                "The course fills while you watch: about 120 attempts, a few minutes; the page shows how far it is."
            )
        return "\n".join(lines)
