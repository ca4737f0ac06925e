"""Tables as CSV."""

import csv
import io
from collections.abc import Iterable, Sequence

from judicum.core.sheets import tamed

SHEETS = ("people", "coupons", "assignments", "runs", "figures", "marks")
"""Tables of a course that go out and come in."""
OUTCOMES = ("made", "changed", "same", "refused")
"""What a line of a table does."""


def as_csv(headings: Sequence[str], rows: Iterable[Sequence[object]]) -> str:
    """Rows as CSV (RFC 4180): UTF-8 with a mark that spreadsheets look for, nothing that one would run; None is empty.

    >>> as_csv(["a", "b"], [["=1+1", -2], [None, "x"]])
    "\\ufeffa,b\\r\\n'=1+1,-2\\r\\n,x\\r\\n"
    """
    file = io.StringIO()
    writer = csv.writer(file)
    writer.writerow(headings)
    writer.writerows([tamed(cell) if isinstance(cell, str) else cell for cell in row] for row in rows)
    return "\ufeff" + file.getvalue()
