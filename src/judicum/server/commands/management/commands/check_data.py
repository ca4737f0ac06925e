from judicum.core.errors import InvalidValue, said
from judicum.server.commands.saying import SayingCommand
from judicum.server.exchange.check import check_data
from judicum.words.catalogue import t
from judicum.words.names import named


class Command(SayingCommand):
    help = t("command-check_data")

    def carry_out(self) -> str:
        found = list(check_data())
        for one in found:
            self.stdout.write(f"{named('inconsistency', one.kind)}: {one.where}")
        if found:
            raise InvalidValue("data", t("command-found", count=len(found)), said("allowed-none-see-the-list-above"))
        return t("command-data-sound")
