"""What an attempt's scheme suggests for it, and what another would have made of the marks there are."""

from dataclasses import dataclass

from judicum.core.marking import (
    Evidence,
    Reading,
    Suggestion,
    knocked_out,
    read_all,
    read_scheme,
    suggest,
)
from judicum.core.marking import Scheme as Rules
from judicum.core.photo.report import Report
from judicum.core.setup import read_coupon
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import checklist_for, coupon_of, worst_check
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.catalogue.schemes.queries import scheme_coded
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.models import Measurement
from judicum.server.record.photos.queries import measurement_of_run, measurement_that_counts


def scheme_of(attempt: Attempt) -> Scheme:
    """The scheme an attempt is marked by: the version its mark stands on, else its coupon's newest."""
    mark = Mark.objects.select_related("scheme").filter(attempt=attempt).first()
    return mark.scheme if mark else scheme_coded(attempt.course_id, attempt.assignment.scheme)


def evidence_of(attempt: Attempt, rules: Rules, measurement: Measurement | None, run: int | None = None) -> Evidence:
    """All that a mark of the attempt can stand on; `measurement` is the one that counts, `run` the only one looked at."""
    goal: Assignment = attempt.assignment
    runs = list((attempt.runs if run is None else attempt.runs.filter(number=run)).values())
    steps = checklist_for(goal)
    return Evidence(
        report=Report.from_json((measurement.result if measurement else None) or {}),
        coupon=read_coupon(coupon_of(goal, runs[0] if runs else None)),
        finish=goal.finish,
        target_width_mm=goal.target_width_mm,
        length_mm=goal.design.length_mm,
        checked=worst_check(goal, runs),
        prepared=(len([s for s in steps if s in attempt.prepared]), len(steps)) if attempt.prepared else None,
        restarts_mm=tuple(at for run in runs for at in run["restarts_mm"] or []),
        by_hand=attempt.by_hand,
        time_limit_s=rules.time_limit_s,
    )


@dataclass(frozen=True)
class Proposal:
    """What a scheme suggests for an attempt: its lines, every criterion's reading, and what knocks the coupon out.

    `measurement` is the one it stands on, `report` what that says (nothing where there is none).
    """

    measurement: Measurement | None
    report: Report
    scheme: Scheme
    rules: Rules
    suggestions: list[Suggestion]
    readings: dict[str, Reading]
    knocked: tuple[str, ...]

    @property
    def minded(self) -> list[str]:
        """What of `knocked` this scheme minds."""
        return [key for key in self.knocked if key in self.rules.knock_outs]


def propose(attempt: Attempt, run: int | None = None) -> Proposal:
    """What the attempt's scheme suggests for it as it stands now, or for one run that the next one covers.

    Raises:
        NotFound: no measured photo of that run.
    """
    row = scheme_of(attempt)
    measurement = measurement_that_counts(attempt) if run is None else measurement_of_run(attempt, run)
    rules = read_scheme(row.body)
    evidence = evidence_of(attempt, rules, measurement, run)
    readings = read_all(evidence)
    suggested = suggest(rules, evidence, readings)
    return Proposal(measurement, evidence.report, row, rules, suggested, readings, knocked_out(evidence))


def pass_mark_of(attempt: Attempt, rules: Rules) -> float:
    """The coupon's own pass mark, else the scheme's."""
    own = attempt.assignment.pass_mark
    return rules.pass_mark if own is None else own
