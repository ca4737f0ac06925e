"""Odd calls of every address, drawn from the OpenAPI file: whatever is sent, the answer is the one that is described.

    python -m judicum.bench.fuzz CALLS

Half of the calls fit the description, half break it; most ids are of things that are there. `./judicum bench-fuzz` makes
50,000 of them as student, instructor and stranger on a database that goes with it; the tests make a small share.
"""

import random
import sys
from collections import Counter
from collections.abc import Iterator, Mapping
from contextlib import suppress
from dataclasses import dataclass, field
from functools import cache
from typing import Any

import django

REAL_IDS = 0.8
"""Share of the ids in addresses that name something that is there."""
CSRF = "x" * 32


@dataclass
class Tally:
    """What came of it: answers by status, and what should not have been."""

    statuses: Counter[int] = field(default_factory=Counter)
    faults: dict[str, str] = field(default_factory=dict)

    @property
    def calls(self) -> int:
        return sum(self.statuses.values())


def fuzz(people: Mapping[str, Any], ids: Mapping[str, int], each: int, seed: int = 0, paths: str = "/") -> Tally:
    """Call every operation `each` times as every person.

    Args:
        people: who asks: a name, and the user or None for somebody who is not signed in.
        ids: parameters of addresses and something that is there for each.
        paths: only addresses that hold this.
    """
    import schemathesis
    from hypothesis import HealthCheck, Phase, Verbosity, given, settings
    from hypothesis import seed as seeded
    from hypothesis.errors import Unsatisfiable

    schema = _schema()
    mode = schemathesis.GenerationMode.POSITIVE if seed % 2 == 0 else schemathesis.GenerationMode.NEGATIVE
    counts = Tally()
    drawn_as = settings(
        max_examples=each,
        deadline=None,
        database=None,
        phases=[Phase.generate],
        verbosity=Verbosity.quiet,
        suppress_health_check=list(HealthCheck),
    )
    for name, user in people.items():
        for operation in _operations(schema, paths):
            # Signed in anew for each operation: odd calls sign people out and change their passwords.
            if user is not None:
                user.refresh_from_db()
            ask = _asking(counts, f"{name}: {operation.method.upper()} {operation.path}", _cookies(user), ids)
            with suppress(Unsatisfiable):  # an address of nothing but words that may be any cannot be called wrongly
                seeded(seed)(drawn_as(given(case=operation.as_strategy(generation_mode=mode))(ask)))()
    return counts


@cache
def _schema() -> Any:
    """The server's own description of its API: making it takes seconds, and it stays the same."""
    import schemathesis

    from judicum.server.config.wsgi import application

    for binary in ("application/offset+octet-stream", "image/jpeg"):
        schemathesis.serializer(binary)(_as_bytes)
    return schemathesis.openapi.from_wsgi("/api/schema", application)


def _asking(counts: Tally, where: str, cookies: dict[str, str], ids: Mapping[str, int]) -> Any:
    """What is done with each drawn call."""

    def ask(case: Any) -> None:
        rng = random.Random(repr(case.body)[:200] + repr(case.path_parameters))
        for key in case.path_parameters or {}:
            if key in ids and rng.random() < REAL_IDS:
                case.path_parameters[key] = ids[key]
        try:
            response = case.call(headers={"X-CSRFToken": CSRF, **_plain(case.headers)}, cookies=cookies)
        except ValueError:
            return  # what no HTTP client can send, no server will get
        counts.statuses[response.status_code] += 1
        fault = _fault(case, response)
        if fault:
            counts.faults.setdefault(where, fault)

    return ask


def _as_bytes(_: Any, value: Any) -> bytes:
    return value if isinstance(value, bytes) else repr(value).encode()


def _operations(schema: Any, paths: str) -> Iterator[Any]:
    for found in schema.get_all_operations():
        if paths in found.ok().path:
            yield found.ok()


def _plain(headers: Any) -> dict[str, str]:
    return {k: v for k, v in (headers or {}).items() if v.isascii() and v.isprintable()}


def _cookies(user: Any) -> dict[str, str]:
    from django.conf import settings

    from judicum.bench.course import session_of

    signed_in = {} if user is None else {settings.SESSION_COOKIE_NAME: session_of(user)}
    return {settings.CSRF_COOKIE_NAME: CSRF, **signed_in}


def _fault(case: Any, response: Any) -> str | None:
    """What is wrong with an answer, None where it is as described."""
    from schemathesis import checks

    if response.status_code >= 500 and response.status_code not in (503, 507):
        return f"{response.status_code} to {case.as_curl_command()[:600]}"
    kind = response.headers.get("content-type", [""])[0]
    if response.status_code >= 400 and "json" not in kind:
        return f"{response.status_code} as {kind} to {case.as_curl_command()[:600]}"
    try:
        case.validate_response(
            response,
            checks=[
                checks.response_schema_conformance,
                checks.status_code_conformance,
                checks.content_type_conformance,
            ],
        )
    except (Exception, BaseExceptionGroup) as error:
        return f"{type(error).__name__}: {str(error)[:900]}"
    return None


def main() -> None:
    django.setup()
    import logging

    logging.disable(logging.CRITICAL)
    calls = int(sys.argv[1])
    people, ids = populate()
    made, round_ = Tally(), 0
    while made.calls < calls:
        counts = fuzz(people, ids, 40, round_)
        made.statuses += counts.statuses
        made.faults.update({k: v for k, v in counts.faults.items() if k not in made.faults})
        round_ += 1
        print(f"{made.calls} calls, {len(made.faults)} operations at fault", file=sys.stderr, flush=True)
    print("answers:", ", ".join(f"{status}: {count}" for status, count in sorted(made.statuses.items())))
    for where, fault in made.faults.items():
        print(f"\n{where}\n  {fault}")
    sys.exit(1 if made.faults else 0)


def populate() -> tuple[dict[str, Any], dict[str, int]]:
    """A course with a measured attempt, and the people who ask."""
    from judicum.bench.course import bench_course, drawn
    from judicum.core.photo.measure import measure_photo
    from judicum.server.people.accounts.models import User, Workshop
    from judicum.server.record.photos.actions.send_photo import send_photo
    from judicum.server.record.photos.actions.store_measurement import MeasuredBead, store_measurement
    from judicum.server.record.photos.models import Measurement

    there = bench_course()
    elsewhere = Workshop.objects.create(name="Elsewhere")
    stranger = User.objects.create_user("stranger", "bench-only-password", workshop=elsewhere)
    jpeg = drawn()
    photo = send_photo(there.welder, there.attempt.pk, jpeg, "bead.jpg", measure=False)
    made = Measurement.objects.create(photo=photo, requested_at=photo.sent_at)
    store_measurement(made.pk, [MeasuredBead.of(measure_photo(jpeg, "bead.jpg"))])
    ids = {
        "course_id": there.course.pk,
        "assignment_id": there.assignment.pk,
        "attempt_id": there.attempt.pk,
        "student_id": there.welder.pk,
        "photo_id": photo.pk,
        "measurement_id": made.pk,
        "number": 1,
    }
    return {"teacher": there.teacher, "student": there.welder, "stranger": stranger, "nobody": None}, ids


if __name__ == "__main__":
    main()
