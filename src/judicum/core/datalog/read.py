"""Reading a welder's data log: CSV of time, current and what else there is, in any order of columns, units in the header."""

import csv
import re
from array import array
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from itertools import islice
from typing import TextIO

import numpy as np
from numpy.typing import NDArray

from judicum.core.errors import InvalidValue, Said, said

MAX_BYTES = 100 * 1024 * 1024
"""Bytes of a log: ten minutes at 5 kHz with four columns."""
MAX_ROWS = 6_000_000
"""Rows that are kept: twenty minutes at 5 kHz, 100 MB in memory."""
AT_ONCE = 20_000
"""Rows that are read together: some megabytes."""
MAX_LINE = 4_000
"""Characters of one line: what is longer is no table."""
MIN_RATE_HZ = 9.0
"""Samples a second, below which a pulse or a pedal cannot be seen; a nominal 10 Hz with a slow clock still passes."""
MAX_RATE_HZ = 5_500.0
"""Samples a second of the fastest loggers, and a tenth more."""
MIN_ROWS = 20
GAP = 5.0
"""Times the usual step, from which on samples are missing."""
NAMES: dict[str, tuple[str, ...]] = {
    "time": ("time", "t", "timestamp", "elapsed", "zeit"),
    "current": ("current", "i", "amps", "amperage", "weldingcurrent", "weldcurrent"),
    "voltage": ("voltage", "u", "v", "volts", "arcvoltage", "weldingvoltage"),
    "gas": ("gas", "gasvalve", "valve", "solenoid"),
    "wire": ("wire", "wirefeed", "wirespeed"),
    "rotator": ("rotator", "turntable", "rotation"),
}
"""What columns may be called, in lower case without signs."""
UNITS: dict[str, dict[str, float]] = {
    "time": {"": 1.0, "s": 1.0, "sec": 1.0, "seconds": 1.0, "ms": 1e-3, "us": 1e-6, "µs": 1e-6, "min": 60.0},
    "current": {"": 1.0, "a": 1.0, "amps": 1.0, "ma": 1e-3, "ka": 1e3},
    "voltage": {"": 1.0, "v": 1.0, "volts": 1.0, "mv": 1e-3},
    "gas": {"": 1.0, "0/1": 1.0, "on": 1.0, "bool": 1.0},
    "wire": {"": 1.0, "mm/s": 1.0, "mm/min": 1 / 60, "m/min": 1000 / 60, "ipm": 25.4 / 60, "in/min": 25.4 / 60},
    "rotator": {"": 1.0, "rpm": 1.0, "1/min": 1.0, "1/s": 60.0, "rps": 60.0},
}
"""Units in a header, and what they are times in s, A, V, on (1), mm/s and 1/min."""
ON = {"on": 1.0, "off": 0.0, "open": 1.0, "closed": 0.0, "true": 1.0, "false": 0.0}
"""Words that stand for figures."""


@dataclass(frozen=True)
class DataLog:
    """A log in SI: time from its first sample (s, ascending), current (A); others are None where there is no such column.

    `gaps` are the stretches (s) in which samples are missing, `rate_hz` the usual number of samples a second.
    """

    time_s: NDArray[np.float64]
    current_a: NDArray[np.float32]
    voltage_v: NDArray[np.float32] | None
    gas_on: NDArray[np.float32] | None
    wire_mm_s: NDArray[np.float32] | None
    rotator_rpm: NDArray[np.float32] | None
    rate_hz: float
    gaps: tuple[tuple[float, float], ...]


def read_data_log(lines: TextIO) -> DataLog:
    """Read a log; nothing of one that is wrong anywhere.

    Raises:
        InvalidValue: no header, no column of time or current, an unknown unit, a line that is no row of figures, time that goes
            back, too few samples or too many, slower or faster than a logger samples. Names the line.
    """
    rows = _lines(lines)
    header = next(rows, None)
    if header is None:
        raise _wrong(1, "", said("allowed-log-header"))
    separator = next((one for one in (";", "\t", ",") if one in header[1]), ",")
    columns = _columns(_cells(header[1], separator))
    values = {name: array("d" if name == "time" else "f") for name in columns}
    last = -np.inf
    while some := list(islice(rows, AT_ONCE)):
        figures = _at_once(some, separator, columns, last)
        if figures is None:
            figures = _one_by_one(some, separator, columns, last)
        for kept, column in zip(values.values(), figures.T, strict=True):
            kept.extend(column)
        last = values["time"][-1]
        beyond = len(values["time"]) - MAX_ROWS
        if beyond > 0:
            raise _wrong(some[-beyond][0], "", said("allowed-log-rows", most=MAX_ROWS))
    return _log({name: np.frombuffer(kept, dtype=kept.typecode) for name, kept in values.items() if kept})


def _at_once(
    rows: list[tuple[int, str]], separator: str, columns: dict[str, tuple[int, float]], last: float
) -> NDArray[np.float64] | None:
    """Rows of plain figures as (rows, columns) in SI, by numpy's own reader; None where any is more than that, or wrong."""
    texts = [text if separator == "," else text.replace(",", ".") for _, text in rows]
    try:
        found = np.loadtxt(
            texts, delimiter=separator, usecols=[at for at, _ in columns.values()], comments=None, ndmin=2
        )
    except ValueError:
        return None
    found = found * [factor for _, factor in columns.values()]
    time = found[:, list(columns).index("time")]
    return found if np.isfinite(found).all() and (np.diff(time, prepend=last) > 0).all() else None


def _one_by_one(
    rows: list[tuple[int, str]], separator: str, columns: dict[str, tuple[int, float]], last: float
) -> NDArray[np.float64]:
    """The same of any rows that are right. Raises InvalidValue with the line that is wrong."""
    found = np.empty((len(rows), len(columns)))
    at_time = list(columns).index("time")
    for k, (number, text) in enumerate(rows):
        cells = _cells(text, separator)
        if len(cells) <= max(at for at, _ in columns.values()):
            raise _wrong(number, text, said("allowed-log-cells", count=len(columns)))
        found[k] = [factor * _figure(number, cells[at], separator != ",") for at, factor in columns.values()]
        if found[k, at_time] <= last:
            raise _wrong(number, cells[columns["time"][0]], said("allowed-log-ascending"))
        last = found[k, at_time]
    return found


def _log(values: dict[str, NDArray[np.floating]]) -> DataLog:
    time = values.get("time", np.empty(0))
    if len(time) < MIN_ROWS:
        raise InvalidValue("log", f"{len(time)}", said("allowed-log-samples", least=MIN_ROWS))
    steps = np.diff(time)
    usual = float(np.median(steps))
    rate = 1 / usual
    if not MIN_RATE_HZ <= rate <= MAX_RATE_HZ:
        raise InvalidValue("log", f"{rate:.3g} Hz", said("allowed-log-rate", least=10, most=5000))
    missing = np.flatnonzero(steps > GAP * usual)
    begin = time[0]
    return DataLog(
        time_s=np.asarray(time - begin, dtype=np.float64),
        current_a=np.asarray(values["current"], dtype=np.float32),
        voltage_v=values.get("voltage"),
        gas_on=values.get("gas"),
        wire_mm_s=values.get("wire"),
        rotator_rpm=values.get("rotator"),
        rate_hz=rate,
        gaps=tuple((float(time[k] - begin), float(time[k + 1] - begin)) for k in missing),
    )


def _lines(lines: TextIO) -> Iterator[tuple[int, str]]:
    """Lines with their number from 1; those that are empty or begin with # are passed over. Never more of one than MAX_LINE."""
    number = 0
    while text := lines.readline(MAX_LINE + 1):
        number += 1
        if len(text) > MAX_LINE:
            raise _wrong(number, text[:40], said("allowed-log-line", most=MAX_LINE))
        text = text.strip("\ufeff\r\n \x00")
        if text and not text.startswith("#"):
            yield number, text


def _cells(text: str, separator: str) -> list[str]:
    try:
        return [cell.strip() for cell in next(csv.reader([text], delimiter=separator))]
    except csv.Error:
        return []


def _columns(header: list[str]) -> dict[str, tuple[int, float]]:
    """Where each quantity stands and its factor to SI."""
    found: dict[str, tuple[int, float]] = {}
    for at, cell in enumerate(header):
        parts = re.match(r"^([^(\[/]*?)\s*(?:[(\[]\s*([^)\]]*?)\s*[)\]]|/\s*(\S+))?$", cell.strip().lower())
        if parts is None:
            continue
        plain = re.sub(r"[^a-zµ]", "", parts[1])
        name = next((key for key, names in NAMES.items() if plain in names), None)
        if name is None or name in found:
            continue
        unit = (parts[2] or parts[3] or "").replace(" ", "")
        if unit not in UNITS[name]:
            raise _wrong(1, cell, said("allowed-log-unit", units=", ".join(one for one in UNITS[name] if one)))
        found[name] = (at, UNITS[name][unit])
    for needed in ("time", "current"):
        if needed not in found:
            raise _wrong(1, ", ".join(header)[:80], said("allowed-log-header"))
    return found


def _figure(number: int, cell: str, decimal_comma: bool) -> float:
    text = cell.replace(",", ".") if decimal_comma else cell
    known = ON.get(text.lower())
    try:
        value = float(text) if known is None else known
    except ValueError:
        value = np.nan
    if not np.isfinite(value):
        raise _wrong(number, cell[:40], said("allowed-log-figure"))
    return float(value)


def _wrong(line: int, given: str, allowed: Said) -> InvalidValue:
    return InvalidValue(f"line {line}", given, allowed)


def thinned(time_s: NDArray[np.float64], values: Iterable[NDArray[np.float32]], most: int) -> list[NDArray[np.float64]]:
    """Time and values at most `most` samples long, each the mean of those it stands for; arrays of one length."""
    step = max(1, -(-len(time_s) // most))
    starts = np.arange(0, len(time_s), step)
    counts = np.diff([*starts, len(time_s)])
    return [np.add.reduceat(np.asarray(one, dtype=np.float64), starts) / counts for one in (time_s, *values)]
