"""What was found of a server, and what to do about it."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from judicum.words.catalogue import knows, t
from judicum.words.units import date_words


def found_words(what: str, code: str, figures: Mapping[str, Any]) -> str:
    """What was found, as a sentence."""
    shown = {key: _shown(value) for key, value in figures.items()}
    return t("doctor-broken", **shown) if code == "broken" else t(f"doctor-{what}-{code}", **shown)


def advice_words(what: str, code: str, figures: Mapping[str, Any]) -> str:
    """What to do; nothing where nothing is to be done."""
    name = f"doctor-{what}-{code}-do"
    return t(name, **{key: _shown(value) for key, value in figures.items()}) if knows(name) else ""


def _shown(value: Any) -> Any:
    return f"{date_words(value.date())}, {value:%H:%M}" if isinstance(value, datetime) else value
