"""What a calculator is made of."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field

from judicum.core.choices import Choice
from judicum.core.quantities import Quantity


@dataclass(frozen=True)
class Input:
    """One figure or choice that goes in, and what it is until somebody says otherwise."""

    spec: Quantity | Choice
    default: float | str

    @property
    def key(self) -> str:
        return self.spec.key


@dataclass(frozen=True)
class Note:
    """Something to be said beside the figures: a code of `judicum.words.workbench` with its figures and kinds, and levels of the tint
    scale by name."""

    code: str
    figures: Mapping[str, tuple[float, str]] = field(default_factory=dict)
    codes: tuple[str, ...] = ()
    levels: Mapping[str, int] = field(default_factory=dict)


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
    """What a calculator gives: figures, series to draw by name, and notes."""

    results: tuple[Result, ...]
    series: dict[str, list[float]] = field(default_factory=dict)
    notes: tuple[Note, ...] = ()


@dataclass(frozen=True)
class Panel:
    """A calculator: its inputs and its function."""

    key: str
    inputs: tuple[Input, ...]
    answer: Callable[[dict[str, float], dict[str, str]], Answer]
