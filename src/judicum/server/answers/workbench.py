"""The calculators."""

from judicum.server.answers.base import Answer


class CalculatorInput(Answer):
    """A figure or choice that goes in: its limits in SI, or its options by code with their words."""

    key: str
    words: str
    kind: str
    unit: str
    default: str
    low: float | None
    high: float | None
    step: float
    options: dict[str, str]


class Calculator(Answer):
    key: str
    words: str
    formula: str
    source: str
    inputs: list[CalculatorInput]


class CalculatorResult(Answer):
    key: str
    words: str
    value: float
    quantity: str
    unit: str
    digits: int


class CalculatorAnswer(Answer):
    """What a calculator gives; `series` are drawn, units in their names."""

    results: list[CalculatorResult]
    series: dict[str, list[float]]
    notes: list[str]
