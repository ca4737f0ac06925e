from judicum.server.commands.saying import SayingCommand
from judicum.server.people.courses.models import Course
from judicum.words.catalogue import t


class Command(SayingCommand):
    help = t("command-list_courses")

    def carry_out(self) -> str:
        rows = Course.objects.select_related("workshop").order_by("pk")
        return "\n".join(f"{row.pk:>5}  {row.name}  ({row.workshop.name})" for row in rows)
