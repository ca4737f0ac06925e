"""What answers and requests have in common."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field, GetCoreSchemaHandler, RootModel, StringConstraints, create_model
from pydantic_core import CoreSchema, core_schema

from judicum.core.choices import Choice
from judicum.core.fields import Fields, Flag, Several, Spec
from judicum.core.quantities import Quantity

Point = list[float]
"""[x, y]."""


class Answer(BaseModel):
    """What the API says. Figures are SI with the unit in the name; every field is always there, null where it has no value."""

    model_config = ConfigDict(from_attributes=True, json_schema_serialization_defaults_required=True)


class Request(BaseModel):
    """What the API is asked: unknown fields are refused, and no figure is infinite."""

    model_config = ConfigDict(extra="forbid", str_strip_whitespace=True, allow_inf_nan=False)


@dataclass(frozen=True)
class OneOf:
    """Annotates a text that is one of these codes: checked, and an enumeration in the OpenAPI file."""

    codes: tuple[str, ...]

    def __get_pydantic_core_schema__(self, source: object, handler: GetCoreSchemaHandler) -> CoreSchema:
        return core_schema.literal_schema(list(self.codes))


Secret = Annotated[str, StringConstraints(min_length=1, max_length=200, strip_whitespace=False)]
"""A password or a token as it is typed, blanks and all; `SECRETS` are never repeated in an error."""
SECRETS = ("password", "old", "token", "code")
"""Names of fields that hold one."""
LongText = Annotated[str, StringConstraints(max_length=100_000)]
"""Text whose own limit the action checks, so that its error can say how long it was."""
Codes = Annotated[list[Annotated[str, StringConstraints(max_length=40)]], Field(max_length=60)]
"""Codes of criteria, faults or features."""


def fields_model(name: str, fields: Fields, base: type[BaseModel], about: str, checked: bool = True) -> Any:
    """A model with one field for each of a core table's; null where it was not given.

    Args:
        checked: False where the core checks the values itself and says what is allowed: the model only describes them.
    """
    made: Mapping[str, Any] = {spec.key: (_type_of(spec) | None, None) for spec in fields.specs}
    return create_model(name, __base__=base, __doc__=about, **made)


def _type_of(spec: Spec) -> Any:
    if isinstance(spec, Quantity):
        return int if spec.whole else float
    if isinstance(spec, Choice) and all(isinstance(code, int) for code in spec.codes):
        return int
    if isinstance(spec, Several):
        return list[float]
    return bool if isinstance(spec, Flag) else str


@cache
def list_of(model: type[BaseModel]) -> type[RootModel[Any]]:
    """Describes an answer that is a list of a model."""
    return create_model(f"{model.__name__}List", __base__=RootModel[list[model]])  # type: ignore[valid-type]
