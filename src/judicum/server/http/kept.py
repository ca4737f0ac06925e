"""Answers kept as they were sent, as long as nothing they show has changed.

A page is looked at far more often than it changes, and reading it anew costs most of a call's time. Each process keeps its own, each
person's apart: what somebody may see is never another's.
"""

import threading
import time
from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass
from functools import wraps
from typing import Any

from django.conf import settings
from rest_framework.request import Request
from rest_framework.response import Response

from judicum.server.http.person import person
from judicum.server.http.rendering import FastJSON
from judicum.server.read.stamps import Stamp, stamp_of, whose
from judicum.words.catalogue import current_locale

KEEP_S = 60.0
"""s. What depends on the clock (who is late, who rests) is never older."""
MAX_BYTES = 24 << 20
"""Of one process, all answers together: some hundred pages of ordinary courses."""
MAX_ANSWER = 2 << 20
"""Bytes of one answer; a larger one is not kept."""


@dataclass(frozen=True)
class _Kept:
    stamp: Stamp
    at: float
    data: bytes


class Shelf:
    """Answers by who asked for what, the one used longest ago going first."""

    def __init__(self) -> None:
        self._answers: OrderedDict[tuple[object, ...], _Kept] = OrderedDict()
        self._bytes = 0
        self._lock = threading.Lock()

    def get(self, key: tuple[object, ...], stamp: Stamp) -> bytes | None:
        """The answer, where nothing has changed since."""
        with self._lock:
            kept = self._answers.get(key)
            if kept is None or kept.stamp != stamp or time.monotonic() - kept.at > KEEP_S:
                return None
            self._answers.move_to_end(key)
            return kept.data

    def put(self, key: tuple[object, ...], stamp: Stamp, data: bytes) -> None:
        """Keep an answer that was read after its stamp."""
        if len(data) > MAX_ANSWER:
            return
        with self._lock:
            before = self._answers.pop(key, None)
            self._answers[key] = _Kept(stamp, time.monotonic(), data)
            self._bytes += len(data) - (len(before.data) if before else 0)
            while self._bytes > MAX_BYTES:
                _, gone = self._answers.popitem(last=False)
                self._bytes -= len(gone.data)


shelf = Shelf()
Get = Callable[..., Response]


def kept(get: Get) -> Get:
    """A GET of a course's or an attempt's page: answered as before where nothing it shows has changed.

    Its address names a course, and perhaps the one student it is of, or an attempt.
    """

    @wraps(get)
    def answer(view: Any, request: Request, **ids: int) -> Response:
        if not settings.KEEP_ANSWERS:
            return get(view, request, **ids)
        user = person(request)
        where = whose(ids["attempt_id"]) if "attempt_id" in ids else (ids["course_id"], ids.get("student_id"))
        stamp = stamp_of(user.pk, *where) if where else (None,)
        if stamp[0] is None:  # no course of theirs: the view says so, or an attempt of before
            return get(view, request, **ids)
        key = (request.get_full_path(), user.pk, user.length_unit, user.flow_unit, current_locale())
        data = shelf.get(key, stamp)
        if data is None:
            response = get(view, request, **ids)
            if response.status_code != 200:
                return response
            data = FastJSON().render(response.data)
            shelf.put(key, stamp, data)
        return Response(data)

    return answer
