from judicum.server.commands.saying import SayingCommand
from judicum.server.people.courses.models import Course


class Command(SayingCommand):
    help = "Every course with its number."

    def said(self) -> str:
        rows = Course.objects.select_related("workshop").order_by("pk")
        return "\n".join(f"{row.pk:>5}  {row.name}  ({row.workshop.name})" for row in rows)
