import sys

from judicum.server.commands.saying import SayingCommand
from judicum.server.upkeep.doctor import examine
from judicum.words.catalogue import t
from judicum.words.doctor import advice_words, found_words
from judicum.words.names import named

SIGNS = {"good": "✓", "look": "•", "bad": "✗"}


class Command(SayingCommand):
    help = t("command-doctor")

    def carry_out(self) -> str:
        found = examine()
        lines = []
        for one in found:
            lines.append(
                f"{SIGNS[one.state]} {named('doctor', one.what)}: {found_words(one.what, one.code, one.figures)}"
            )
            if one.state != "good" and (advice := advice_words(one.what, one.code, one.figures)):
                lines.append(f"    {advice}")
        if any(one.state == "bad" for one in found):
            sys.exit("\n".join(lines))
        return "\n".join(lines)
