"""Checking what was given against the tables of quantities and choices, by one library (pydantic), with one sort of error."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from pydantic import BaseModel, BeforeValidator, ConfigDict, Field, ValidationError, create_model

from judicum.core.choices import Choice
from judicum.core.errors import InvalidValue, Limits, Said, one_of, refuse_all, said
from judicum.core.quantities import Quantity


@dataclass(frozen=True)
class Text:
    """Words a person may write, at most `most` characters."""

    key: str
    most: int = 2000

    @property
    def allowed(self) -> Said:
        return said("allowed-text-of-at-most", most=self.most)


@dataclass(frozen=True)
class Flag:
    """Yes or no."""

    key: str

    @property
    def allowed(self) -> Said:
        return said("allowed-true-false-or-null")


@dataclass(frozen=True)
class Several:
    """A list of figures of one quantity, at most `most` of them."""

    key: str
    of: Quantity
    most: int = 100

    @property
    def allowed(self) -> Said:
        return said(
            "allowed-figures", most=self.most, low=f"{self.of.low:g}", high=f"{self.of.high:g} {self.of.unit}".strip()
        )


Spec = Quantity | Choice | Text | Flag | Several


@dataclass(frozen=True)
class Fields:
    """The fields of one thing that is given; build once, use often.

    `what` names it in errors ("a run", "a coupon"); `required` fields may not be left out; `sensible` where a figure must
    make sense in its own unit, because nobody asks further.
    """

    what: str
    specs: tuple[Spec, ...]
    required: tuple[str, ...] = ()
    sensible: bool = False

    def __post_init__(self) -> None:
        # A key such as `pass` is no name for an attribute: fields are numbered, keys are their aliases.
        made = {
            f"f{k}": (_type(spec, self.sensible) | None, Field(default=None, alias=spec.key))
            for k, spec in enumerate(self.specs)
        }
        config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False)
        model = create_model(self.what.replace(" ", "_"), __config__=config, **made)  # type: ignore[call-overload]
        object.__setattr__(self, "_model", model)
        object.__setattr__(self, "_by_key", {spec.key: spec for spec in self.specs})

    def __getitem__(self, key: str) -> Spec:
        return self._by_key[key]  # type: ignore[attr-defined]

    @property
    def keys(self) -> tuple[str, ...]:
        return tuple(spec.key for spec in self.specs)

    def _allowed(self, spec: Spec) -> Said | Limits:
        if isinstance(spec, Quantity):
            return spec.makes_sense if self.sensible else spec.limits
        return spec.allowed

    def check(self, given: object, at: str = "") -> dict[str, Any]:
        """Every field with its value, None where it was not given; figures as floats, whole ones as ints.

        Args:
            at: put before each field's name in errors.

        Raises:
            InvalidValues: every field that is unknown, missing, of the wrong kind or outside its limits.
        """
        if not isinstance(given, Mapping):
            raise InvalidValue(at.rstrip(".") or self.what, given, said("allowed-object", fields=", ".join(self.keys)))
        values = {key: value for key, value in given.items() if value is not None and value != ""}
        problems = []
        try:
            read: BaseModel = self._model.model_validate(values)  # type: ignore[attr-defined]
        except ValidationError as error:
            problems = self._problems(error, values, at)
        problems += [
            InvalidValue(at + key, given.get(key), self._allowed(self[key]))
            for key in self.required
            if key not in values
        ]
        refuse_all(problems)
        found = [getattr(read, f"f{k}") for k in range(len(self.specs))]
        return {
            spec.key: ("" if isinstance(spec, Text) and value is None else value)
            for spec, value in zip(self.specs, found, strict=True)
        }

    def _problems(self, error: ValidationError, values: Mapping[object, object], at: str) -> list[InvalidValue]:
        found: dict[str, InvalidValue] = {}
        for each in error.errors(include_url=False, include_context=False):
            key = str(each["loc"][0]) if each["loc"] else self.what
            spec = self._by_key.get(key)  # type: ignore[attr-defined]
            allowed = self._allowed(spec) if spec else one_of(self.keys)
            found.setdefault(key, InvalidValue(at + key, values.get(key), allowed))
        return list(found.values())


def _type(spec: Spec, sensible: bool) -> Any:
    if isinstance(spec, Quantity):
        return _number(spec, sensible)
    if isinstance(spec, Choice):
        return Literal[spec.codes]
    if isinstance(spec, Text):
        return Annotated[str, Field(max_length=spec.most)]
    if isinstance(spec, Several):
        return Annotated[list[_number(spec.of, sensible)], Field(max_length=spec.most)]  # type: ignore[misc]
    return bool


def _no_words(value: object) -> object:
    if isinstance(value, (bool, str)):
        raise ValueError("no figure")
    return value


_Whole = Annotated[int, BeforeValidator(_no_words)]


def _number(quantity: Quantity, sensible: bool) -> Any:
    # A whole figure may come as 2.0: JSON does not tell the two apart.
    limits = quantity.makes_sense if sensible else quantity.limits
    within = Field(ge=limits.low, le=limits.high, strict=False if quantity.whole else None)
    return Annotated[_Whole if quantity.whole else float, within]
