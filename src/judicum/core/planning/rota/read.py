"""What a rota is made of, read and checked from JSON values (docs/rota.md)."""

from collections.abc import Iterable, Mapping, Sequence
from datetime import date, datetime, time, timedelta
from itertools import pairwise
from typing import Annotated, Any

from pydantic import BaseModel, BeforeValidator, ConfigDict, Field, StringConstraints, ValidationError

from judicum.core.errors import InvalidValue, InvalidValues, refuse_all, said

DAY_MINUTES = 24 * 60
MAX_ROWS = {"sessions": 200, "booths": 100, "people": 500, "needs": 2000, "kept": 2000}
"""Of each list: what an evening course never reaches."""
Name = Annotated[str, StringConstraints(min_length=1, max_length=80)]
Clock = Annotated[str, StringConstraints(pattern=r"^([01]\d|2[0-3]):[0-5]\d$")]
Minutes = Annotated[int, Field(ge=1, le=DAY_MINUTES, strict=True)]

Names = Annotated[frozenset[Name], BeforeValidator(lambda given: () if given is None else given)]
USUAL_CHANGEOVER = 10
"""Minutes, where nothing is said: tidying a booth and taking one's things."""


class _Frozen(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class Session(_Frozen):
    """One meeting: from `start` on `date` for so many minutes."""

    id: Name
    date: date
    start: Clock
    minutes: Minutes

    @property
    def begins(self) -> datetime:
        return datetime.combine(self.date, time.fromisoformat(self.start))

    @property
    def ends(self) -> datetime:
        return self.begins + timedelta(minutes=self.minutes)


class Booth(_Frozen):
    """A place to weld: what it has, and the sessions in which it is closed."""

    id: Name
    has: Names = frozenset()
    closed: Names = frozenset()


class Person(_Frozen):
    """Somebody who welds: the sessions they are away, and the most minutes they weld in one (None: the whole of it)."""

    id: Name
    away: Names = frozenset()
    most_minutes: Minutes | None = None


class Need(_Frozen):
    """One sitting that somebody needs; `after` is another need of the same person that must be over before."""

    id: Name
    person: Name
    coupon: Name
    minutes: Minutes
    wants: Names = frozenset()
    not_before: date | None = None
    due: date | None = None
    after: Name | None = None
    priority: Annotated[int, Field(ge=1, le=3, strict=True)] = 1


class Kept(_Frozen):
    """A sitting that is promised already."""

    need: Name
    session: Name
    booth: Name
    start: Clock


class RotaRequest(_Frozen):
    """Everything a rota is made of."""

    sessions: Annotated[tuple[Session, ...], Field(max_length=MAX_ROWS["sessions"])]
    booths: Annotated[tuple[Booth, ...], Field(max_length=MAX_ROWS["booths"])]
    people: Annotated[tuple[Person, ...], Field(max_length=MAX_ROWS["people"])]
    needs: Annotated[tuple[Need, ...], Field(max_length=MAX_ROWS["needs"])]
    changeover_minutes: Annotated[int, Field(ge=0, le=DAY_MINUTES, strict=True)] = USUAL_CHANGEOVER
    kept: Annotated[tuple[Kept, ...], Field(max_length=MAX_ROWS["kept"])] = ()

    @property
    def in_order(self) -> tuple[Session, ...]:
        """The sessions in order of time."""
        return tuple(sorted(self.sessions, key=lambda one: (one.begins, one.id)))


def read_rota(given: object) -> RotaRequest:
    """Read what a rota is made of from JSON values (docs/rota.md).

    Raises:
        InvalidValues: every field that is unknown, missing or outside what is allowed, every id that is unknown or given twice.
    """
    try:
        asked = RotaRequest.model_validate(_without_nulls(given))
    except ValidationError as error:
        refuse_all([_refusal(one) for one in error.errors(include_url=False)])
        raise
    _check_ids(asked)
    return asked


def minutes_of(clock: str) -> int:
    """Minutes from midnight of a clock.

    >>> minutes_of("18:40")
    1120
    """
    hours, minutes = clock.split(":")
    return 60 * int(hours) + int(minutes)


def _without_nulls(given: object) -> Any:
    """A list that is null is an empty one."""
    if not isinstance(given, Mapping):
        return given
    return {key: value for key, value in given.items() if not (value is None and key in ("kept", "changeover_minutes"))}


def _refusal(error: Any) -> InvalidValue:
    at = ".".join(str(part) for part in error["loc"]) or "input"
    given = None if error["type"] == "missing" else error["input"]
    known = {"missing": said("allowed-needed"), "extra_forbidden": said("allowed-no-such-field")}
    allowed = known.get(error["type"], said("allowed-by-pydantic", what=error["msg"].lower()))
    return InvalidValue(at, given, allowed)


def _check_ids(asked: RotaRequest) -> None:
    problems: list[InvalidValue] = []
    ids: dict[str, set[str]] = {}
    for kind in ("sessions", "booths", "people", "needs"):
        rows: Sequence[Any] = getattr(asked, kind)
        ids[kind] = {row.id for row in rows}
        if len(ids[kind]) < len(rows):
            seen: set[str] = set()
            twice = next(row.id for row in rows if row.id in seen or seen.add(row.id))  # type: ignore[func-returns-value]
            problems.append(InvalidValue(kind, twice, said("allowed-each-id-once")))

    def known(at: str, names: Iterable[str | None], kind: str) -> None:
        problems.extend(
            InvalidValue(at, one, said("allowed-the-id-of-one-of-the", kind=kind))
            for one in names
            if one is not None and one not in ids[kind]
        )

    for booth in asked.booths:
        known(f"booth {booth.id}: closed", sorted(booth.closed), "sessions")
    for person in asked.people:
        known(f"person {person.id}: away", sorted(person.away), "sessions")
    for need in asked.needs:
        known(f"need {need.id}: person", [need.person], "people")
        known(f"need {need.id}: after", [need.after], "needs")
    for k, kept in enumerate(asked.kept):
        known(f"kept.{k}: need", [kept.need], "needs")
        known(f"kept.{k}: session", [kept.session], "sessions")
        known(f"kept.{k}: booth", [kept.booth], "booths")
    refuse_all(problems)
    refuse_all(_order_problems(asked))


def _order_problems(asked: RotaRequest) -> list[InvalidValue]:
    by_id = {need.id: need for need in asked.needs}
    problems = []
    for need in asked.needs:
        before = by_id.get(need.after or "")
        if before is not None and before.person != need.person:
            problems.append(
                InvalidValue(
                    f"need {need.id}: after", before.id, said("allowed-a-need-of-the-same-person", person=need.person)
                )
            )
        seen, at = {need.id}, before
        while at is not None and at.id not in seen:
            seen.add(at.id)
            at = by_id.get(at.after or "")
        if at is not None and at.id == need.id:
            problems.append(
                InvalidValue(f"need {need.id}: after", need.after, said("allowed-an-order-that-does-not-lead"))
            )
    sessions = asked.in_order
    for one, other in pairwise(sessions):
        if other.begins < one.ends:
            problems.append(
                InvalidValue("sessions", f"{one.id} and {other.id}", said("allowed-sessions-one-after-another-in-time"))
            )
    return problems


__all__ = ["Booth", "InvalidValues", "Kept", "Need", "Person", "RotaRequest", "Session", "read_rota"]
