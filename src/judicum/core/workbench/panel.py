"""What a calculator is made of."""

from collections.abc import Callable
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Input:
    """One figure or choice that goes in. `quantity` says how it is shown; `low` to `high` in `unit`."""

    key: str
    quantity: str
    unit: str = ""
    default: float | str = 0.0
    low: float | None = None
    high: float | None = None
    step: float = 1.0
    choices: tuple[str, ...] = ()


@dataclass(frozen=True)
class Result:
    """One figure that comes out, SI, with how it is shown and how many digits it is good for."""

    key: str
    value: float
    quantity: str = "plain"
    unit: str = ""
    digits: int = 1


@dataclass(frozen=True)
class Answer:
    """What a calculator gives: figures, series to draw by name, and words of warning."""

    results: tuple[Result, ...]
    series: dict[str, list[float]] = field(default_factory=dict)
    notes: tuple[str, ...] = ()


@dataclass(frozen=True)
class Panel:
    """A calculator: its formula as it is written, its source, its inputs and its function."""

    key: str
    formula: str
    source: str
    inputs: tuple[Input, ...]
    answer: Callable[[dict[str, float], dict[str, str]], Answer]
