"""Wired gauges: small services that tell a bottle's pressure as OpenMetrics text over HTTP."""

import logging
from urllib.request import urlopen

from django.conf import settings
from prometheus_client.parser import text_string_to_metric_families

log = logging.getLogger(__name__)
PRESSURE = "gas_bottle_pressure_bar"
TEMPERATURE = "gas_bottle_temperature_celsius"
WAIT_S = 2.0
MAX_BYTES = 100_000
"""A gauge tells two figures; what sends more is none."""


def known_gauges() -> dict[str, str]:
    """Address of each wired gauge by its name, as whoever runs the server named them (JUDICUM_GAUGES)."""
    found: dict[str, str] = settings.GAUGES
    return found


def ask_gauge(name: str) -> tuple[float, float | None] | None:
    """Pressure (bar) and temperature (°C, None where it has no thermometer) of a gauge; None where it does not answer."""
    try:
        with urlopen(known_gauges()[name], timeout=WAIT_S) as answer:  # an address the server's owner wrote down
            text = answer.read(MAX_BYTES).decode()
        fields = {
            sample.name: sample.value for family in text_string_to_metric_families(text) for sample in family.samples
        }
        return fields[PRESSURE], fields.get(TEMPERATURE)
    except (OSError, ValueError, KeyError) as error:
        log.warning("gauge %s does not answer: %s", name, error)
        return None
