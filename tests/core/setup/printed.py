"""Setup cards and checks as the contract prints them: the core's answer put into words."""

from typing import Any

from judicum.core import setup
from judicum.words import METRIC, Units
from judicum.words import setup as words


def plan_card(given: Any, units: Units = METRIC) -> dict[str, Any]:
    return words.card_in_words(setup.plan_card(given), units).model_dump()


def check_setup(given: Any, units: Units = METRIC) -> dict[str, Any]:
    return words.check_in_words(setup.check_setup(given), units).model_dump()
