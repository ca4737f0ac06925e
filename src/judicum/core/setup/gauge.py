"""Gauge numbers: the same number is another thickness in each of three public tables."""

from judicum.core.errors import InvalidValue, one_of
from judicum.core.units import MM_PER_INCH

TABLES_INCH: dict[str, dict[int, float]] = {
    "stainless_sheet": {10: 0.1406, 11: 0.1250, 12: 0.1094, 14: 0.0781, 16: 0.0625, 18: 0.0500, 20: 0.0375, 22: 0.0313, 24: 0.0250},
    "carbon_sheet": {10: 0.1345, 11: 0.1196, 12: 0.1046, 14: 0.0747, 16: 0.0598, 18: 0.0478, 20: 0.0359, 22: 0.0299, 24: 0.0239},
    "tube_wall": {10: 0.134, 11: 0.120, 12: 0.109, 14: 0.083, 16: 0.065, 18: 0.049, 20: 0.035, 22: 0.028, 24: 0.022},
}  # fmt: skip
SHORT_NAMES = {"stainless": "stainless_sheet", "carbon": "carbon_sheet", "tube": "tube_wall"}
MISMATCH_SHARE = 0.08


def gauge_mm(gauge: int, table: str) -> float:
    """Thickness in mm of a gauge number in a named table.

    Raises:
        InvalidValue: unknown table, or a number the table does not have.

    >>> round(gauge_mm(16, "stainless_sheet"), 4), round(gauge_mm(16, "tube_wall"), 3)
    (1.5875, 1.651)
    """
    name = SHORT_NAMES.get(table, table)
    if name not in TABLES_INCH:
        raise InvalidValue("gauge_table", table, one_of(TABLES_INCH))
    if gauge not in TABLES_INCH[name]:
        raise InvalidValue("gauge", gauge, one_of(str(g) for g in TABLES_INCH[name]))
    return TABLES_INCH[name][gauge] * MM_PER_INCH
