"""How the OpenAPI file is drawn up: every operation may answer with problem details."""

from typing import Any, Literal

from drf_spectacular.openapi import AutoSchema

from judicum.server.http.problems import MEDIA_TYPE, ProblemSerializer


class SchemaWithProblems(AutoSchema):
    """Adds the problem answer to what a view itself describes."""

    def _get_response_bodies(self, direction: Literal["request", "response"] = "response") -> dict[str, Any]:
        bodies = super()._get_response_bodies(direction)
        bodies["default"] = self._get_response_for_code(ProblemSerializer, "default", media_types=[MEDIA_TYPE])  # type: ignore[no-untyped-call]
        return bodies


SPARSE = ("Step", "Defect", "Overlay")
"""Components whose answers leave out what does not apply to them."""


def answers_are_whole(result: dict[str, Any], **_: Any) -> dict[str, Any]:
    """An answer always carries every field of its component, also those that a request may leave out."""
    for name, component in result["components"]["schemas"].items():
        answer = not name.endswith("Request") and name not in SPARSE
        if answer and component.get("type") == "object" and "properties" in component:
            component["required"] = sorted(component["properties"])
    return result
