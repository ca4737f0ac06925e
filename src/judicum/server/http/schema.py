"""How the OpenAPI file is drawn up: from the models of `answers`, and every operation may answer with problem details."""

from typing import Any, Literal

from drf_spectacular.drainage import set_override
from drf_spectacular.extensions import OpenApiSerializerExtension
from drf_spectacular.openapi import AutoSchema
from drf_spectacular.plumbing import ResolvedComponent
from pydantic import BaseModel
from pydantic.json_schema import models_json_schema

from judicum.server.answers.base import Request
from judicum.server.answers.problems import Problem
from judicum.server.http.problems import MEDIA_TYPE

REFERENCE = "#/components/schemas/{model}"


class SchemaWithProblems(AutoSchema):
    """Adds the problem answer to what a view itself describes."""

    def _get_response_bodies(self, direction: Literal["request", "response"] = "response") -> dict[str, Any]:
        bodies = super()._get_response_bodies(direction)
        bodies["default"] = self._get_response_for_code(Problem, "default", media_types=[MEDIA_TYPE])  # type: ignore[no-untyped-call]
        return bodies


class PydanticModels(OpenApiSerializerExtension):  # type: ignore[no-untyped-call]
    """Describes a model of `answers`: pydantic's own JSON Schema, each model once, under its name."""

    target_class = "pydantic.BaseModel"
    match_subclasses = True
    priority = 1

    def get_name(self, auto_schema: object, direction: object) -> str:
        # Nested models are registered under their name alone; that no two share one is tested.
        set_override(self.target, "suppress_collision_warning", True)
        return str(self.target.__name__)

    def map_serializer(self, auto_schema: Any, direction: Any) -> dict[str, Any]:
        model: type[BaseModel] = self.target
        mode: Literal["validation", "serialization"] = "validation" if issubclass(model, Request) else "serialization"
        _, described = models_json_schema([(model, mode)], ref_template=REFERENCE)
        every = described["$defs"]
        mine: dict[str, Any] = every.pop(model.__name__)
        for name, schema in every.items():
            component = ResolvedComponent(name=name, type=ResolvedComponent.SCHEMA, object=name, schema=schema)  # type: ignore[no-untyped-call]
            auto_schema.registry.register_on_missing(component)
        return mine


def tidied(result: dict[str, Any], **_: Any) -> dict[str, Any]:
    """Without titles that only say a field's name again; what may be left out is not required."""
    for component in result["components"]["schemas"].values():
        _tidy(component)
    return result


def _tidy(schema: object) -> None:
    if isinstance(schema, list):
        for value in schema:
            _tidy(value)
    if not isinstance(schema, dict):
        return
    if isinstance(schema.get("title"), str):
        del schema["title"]
    fields = schema.get("properties", {})
    left_out = [name for name, field in fields.items() if field.pop("x-left-out", False)]
    if left_out:
        schema["required"] = [name for name in schema.get("required", ()) if name not in left_out]
        for name in left_out:  # null is how its value is missing in Python; it is never said
            fields[name] = next(one for one in fields[name]["anyOf"] if one != {"type": "null"})
    for value in schema.values():
        _tidy(value)
