"""The one place where codes and figures become sentences, in the person's units: for page, API, PDF and command line."""

from judicum.words.units import METRIC, US, Units

__all__ = ["METRIC", "US", "Units"]
