from judicum.core.errors import InvalidValue
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.check import check_data


class Command(SayingCommand):
    help = "What is wrong with rows and files; ends with 1 where anything is."

    def said(self) -> str:
        found = list(check_data())
        for one in found:
            self.stdout.write(f"{one.kind}: {one.where}")
        if found:
            raise InvalidValue("data", f"{len(found)} things", "none: see the list above")
        return "Every file is there and as it was stored, and every row points to one that is there."
