"""Tint references: strips of a course's own metal, named by their levels, beside the tint scale."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from judicum.server.answers.base import Answer, Request


class TintPatch(Answer):
    """A named place (pixels of the picture), the level it was named and the one that is read there, and its colour's distance from the
    scale's (CIELAB)."""

    x_px: float
    y_px: float
    level: int
    read_level: int
    distance: float


class TintReference(Answer):
    """A strip in this light: its flat picture, what was named on it, and what that says of the tint scale here."""

    id: int
    at: datetime
    picture: str
    width_px: int
    height_px: int
    patches: list[TintPatch]
    said: list[str]


class TintReferences(Answer):
    """The course's, the newest first."""

    references: list[TintReference]


class NamedPlace(Request):
    x_px: float
    y_px: float
    level: int


class NamedPlacesRequest(Request):
    """Places of a strip with their levels; one at least is untinted (0)."""

    patches: Annotated[list[NamedPlace], Field(max_length=24)]
