"""An attempt as a case of judicum.core.causes, explained; and what of the last change was done."""

from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

from django.db.models import Count, QuerySet

from judicum.core.causes import SKIPPABLE, Explained, Followed, explain_case, followed, read_case
from judicum.core.causes.case import BY_HAND, MAX_EARLIER, Case
from judicum.server.catalogue.coupons.setup import checklist_for, coupon_of, logged_of
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.attempts.states import AttemptState
from judicum.server.record.attempts.visibility import blind_to
from judicum.server.record.causes.models import Verdict
from judicum.server.record.photos.queries import measurement_of_run, measurement_that_counts

NOTICED = ("electrode_after", "rod_end", "arc", "puff_at_start", "draught", "part_hot")
"""Columns of a run that the core's cases take apart from what was set."""
STANDING = Verdict.objects.exclude(attempt__state=AttemptState.SECOND_ASKED)
"""Verdicts that weigh with other attempts: one of a first mark that waits for a blind second tells nobody anything yet."""
APART = (*NOTICED, "restarts_mm", "note")


def verdicts_seen(user: User, course_id: int) -> QuerySet[Verdict]:
    """Verdicts on the attempts of a course, but for those of a first mark that this person is to mark blind."""
    return Verdict.objects.filter(attempt__course_id=course_id).exclude(blind_to(user, "attempt__"))


def case_of(attempt: Attempt, run: int | None = None) -> Case:
    """The attempt as a case: its coupon and runs, what was skipped, noticed, found by hand and measured, what was before.

    With `run` only that run and the photo of it. Raises NotFound: none is measured.
    """
    chosen = attempt.runs.order_by("number") if run is None else attempt.runs.filter(number=run)
    runs: list[dict[str, Any]] = [dict(one) for one in chosen.values()]
    measurement = measurement_that_counts(attempt) if run is None else measurement_of_run(attempt, run)
    steps = [step for step in checklist_for(attempt.assignment) if step in SKIPPABLE]
    case = read_case(
        {
            "coupon": coupon_of(attempt.assignment, runs[0] if runs else None),
            "runs": [_set(run) for run in runs],
            # A list that nobody ticked anything on was not kept.
            "skipped": [step for step in steps if step not in attempt.prepared] if attempt.prepared else None,
            "looks": _noticed(runs),
            "by_hand": {key: attempt.by_hand.get(key) for key in (*BY_HAND, "face", "back")},
            "measurement": measurement.result if measurement else None,
            "earlier": _before(attempt),
        }
    )
    confirmed, rejected = _in_course(attempt)
    return replace(case, usual=confirmed, rejected=rejected)


def _before(attempt: Attempt) -> list[dict[str, Any]]:
    """The student's attempts before, the oldest first: the last ones whole, of those before them what was confirmed."""
    mine = STANDING.filter(
        attempt__student_id=attempt.student_id, attempt__created_at__lt=attempt.created_at, confirmed=True, beside=False
    )
    named: dict[int, str] = dict(mine.order_by("attempt__created_at", "id").values_list("attempt_id", "cause"))
    newest = (
        Attempt.objects.filter(
            course_id=attempt.course_id, student_id=attempt.student_id, created_at__lt=attempt.created_at
        )
        .select_related("assignment__design", "assignment__course", "summary")
        .prefetch_related("runs", "summary__measurement__corrections", "summary__measurement__chosen")
        .order_by("-created_at", "-id")[:MAX_EARLIER]
    )
    last = list(reversed(newest))
    older = [{"confirmed": cause} for pk, cause in named.items() if pk not in {one.pk for one in last}]
    return [*older, *(_as_earlier(one, named.get(one.pk)) for one in last)]


def _as_earlier(attempt: Attempt, confirmed: str | None) -> dict[str, Any]:
    """An attempt before as the core's cases tell it."""
    runs = [
        {field.attname: getattr(run, field.attname) for field in Run._meta.concrete_fields}
        for run in attempt.runs.all()
    ]
    summary = getattr(attempt, "summary", None)
    return {
        "coupon": coupon_of(attempt.assignment, runs[0] if runs else None),
        "runs": [_set(run) for run in runs],
        "looks": _noticed(runs),
        "by_hand": {key: attempt.by_hand.get(key) for key in (*BY_HAND, "face", "back")},
        "measurement": summary.measurement.result if summary else None,
        "confirmed": confirmed,
    }


def _set(run: Mapping[str, object]) -> dict[str, Any]:
    return {key: value for key, value in logged_of(run).items() if key not in APART}


def _noticed(runs: list[dict[str, Any]]) -> dict[str, Any]:
    """What was noticed over all runs: the last that was noted; places of restarts together."""
    found: dict[str, Any] = {}
    for run in runs:
        found |= {key: run[key] for key in NOTICED if run[key] is not None}
    logs = [run["machine"] for run in runs if run.get("machine")]
    if logs:
        found["current_swings"] = any(log["pumping"] for log in logs)
    if restarts := [at for run in runs for at in run["restarts_mm"] or []]:
        found["restarts_mm"] = restarts
    return found


def _in_course(attempt: Attempt) -> tuple[dict[str, int], dict[str, int]]:
    """How often each cause was confirmed and ruled out in the attempt's course, this attempt left out."""
    rows = (
        STANDING.filter(attempt__course_id=attempt.course_id)
        .exclude(attempt=attempt)
        .values_list("cause", "confirmed")
        .annotate(times=Count("id"))
        .order_by()
    )
    confirmed: Counter[str] = Counter()
    rejected: Counter[str] = Counter()
    for cause, was_confirmed, times in rows:
        (confirmed if was_confirmed else rejected)[cause] = times
    return dict(confirmed), dict(rejected)


def became_of(attempt: Attempt) -> bool:
    """Whether the student may know what became of the change asked of an attempt: it is written down when the next one is marked,
    and theirs to read when that mark is returned."""
    later = Attempt.objects.filter(assignment_id=attempt.assignment_id, student_id=attempt.student_id)
    return later.filter(number__gt=attempt.number, mark__returned_at__isnull=False).exists()


@dataclass(frozen=True)
class ChangeAsked:
    """The one thing that was asked to change at the last attempt of the same coupon, and the attempt it was said of."""

    attempt_id: int
    number: int
    text: str
    verdict: Verdict | None


def asked_before(attempt: Attempt) -> ChangeAsked | None:
    """What was asked to change when the student's last attempt at the same assignment was returned; None at a first one."""
    if attempt.number == 1:
        return None
    before = (
        Attempt.objects.filter(
            assignment_id=attempt.assignment_id,
            student_id=attempt.student_id,
            number__lt=attempt.number,
            state=AttemptState.RETURNED,
        )
        .filter(mark__isnull=False)
        .exclude(mark__next_change="")
        .order_by("-number")
        .values_list("pk", "number", "mark__next_change")
        .first()
    )
    if before is None:
        return None
    return ChangeAsked(*before, Verdict.objects.filter(attempt=before[0], confirmed=True, beside=False).first())


@dataclass(frozen=True)
class Explanation:
    """An attempt explained: symptoms and causes, what was made of each, what became of the last change, and whether the log repeats
    the card, so that its figures say nothing."""

    found: Explained
    verdicts: dict[str, Verdict]
    asked: ChangeAsked | None
    followed: Followed | None
    copied: bool


def explanation_of(attempt: Attempt, blind: bool = False, run: int | None = None) -> Explanation:
    """Explain an attempt as it stands now, or one run of it (`case_of`); `blind` to one who is not to see what was made of it."""
    case = case_of(attempt, run)
    asked = asked_before(attempt)
    verdict = asked.verdict if asked else None
    verdicts = {} if blind else {one.cause: one for one in Verdict.objects.filter(attempt=attempt)}
    out = {code: frozenset(one.symptoms) for code, one in verdicts.items() if not one.confirmed}
    return Explanation(
        explain_case(replace(case, ruled_out=out)),
        verdicts,
        asked,
        followed(case, verdict.change, verdict.symptoms) if verdict else None,
        bool(case.copied),
    )
