"""Answers as JSON, written by orjson: a page of a list or a report is many small figures."""

from typing import Any

import orjson
from rest_framework.renderers import JSONRenderer

OPTIONS = orjson.OPT_NON_STR_KEYS | orjson.OPT_UTC_Z


class FastJSON(JSONRenderer):
    """JSON with times as `…Z`; a figure that is no number is null."""

    charset = None

    def render(self, data: Any, accepted_media_type: str | None = None, renderer_context: Any = None) -> bytes:
        return b"" if data is None else orjson.dumps(data, _plain, OPTIONS)


def _plain(value: Any) -> Any:
    """What orjson does not know: mappings of the framework, and words that are translated when they are read."""
    if hasattr(value, "items"):
        return dict(value)
    if hasattr(value, "__iter__") and not isinstance(value, str | bytes):
        return list(value)
    return str(value)
