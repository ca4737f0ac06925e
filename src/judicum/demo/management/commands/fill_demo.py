import time
from typing import Any

from django.core.management.base import BaseCommand

from judicum.demo.fill import fill
from judicum.demo.scenario import scenario


class Command(BaseCommand):
    help = "Bring in what was welded in the demo course."
    requires_system_checks = ()

    def handle(self, *_: Any, **__: Any) -> str:
        begun = time.monotonic()
        return f"{fill(scenario())} attempts brought in, {time.monotonic() - begun:.0f} s"
