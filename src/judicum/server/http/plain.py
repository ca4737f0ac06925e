"""Rows over the wire without a field object for each of their columns."""

from typing import Any

from django.db.models import Model
from rest_framework.serializers import ModelSerializer


def columns(row: Model, serializer: type[ModelSerializer[Any]]) -> dict[str, Any]:
    """The columns of a row as a serializer names them, as they are; what belongs to another row is its key."""
    own = {field.name: field.attname for field in row._meta.concrete_fields}
    return {name: getattr(row, own[name]) for name in serializer.Meta.fields if name in own}
