"""Waiting for what another process does: as long as this machine, slow or busy as it shows itself, may need."""

import time
from collections.abc import Callable
from typing import Any, TypeVar

import pytest

Answer = TypeVar("Answer")
BURST = 100_000
"""Additions of one look at how fast this machine is just now."""
QUIET_S = 0.0035
"""Seconds they take on a quiet core of two."""


def slowness() -> float:
    """How many times longer than on a quiet machine the same work takes now, at least 1."""
    begun = time.perf_counter()
    sum(k for k in range(BURST))
    return max(1.0, (time.perf_counter() - begun) / QUIET_S)


def until(true: Callable[[], Answer], what: str, seconds: float = 30.0, passing: Any = ()) -> Answer:
    """What `true` gives as soon as it holds; fails with `what` after `seconds` of a quiet machine's time.

    Errors of the kinds in `passing` are taken for "not yet".
    """
    left = seconds
    while left > 0:
        begun = time.monotonic()
        try:
            if answer := true():
                return answer
        except passing:
            pass
        time.sleep(0.05)
        left -= (time.monotonic() - begun) / slowness()
    pytest.fail(f"not within {seconds} s of a quiet machine: {what}")
