"""Trials of an attempt: the plan, what the one photo says of each bead, and what was found."""

from collections.abc import Mapping, Sequence
from typing import Any

from judicum.core.acceptance import CARD_WIDTH_SHARE
from judicum.core.choices import FINISH_LEVEL
from judicum.core.photo.places import places_across
from judicum.core.photo.report import Report
from judicum.core.setup import read_coupon, run_from_card
from judicum.core.setup.card import card_of
from judicum.core.trial import VARIED, BeadSeen, Judged, Match, Wanted, judge, match_beads, proposals
from judicum.core.trial import Trial as Planned
from judicum.core.trial.judge import AS_WANTED
from judicum.server.answers.attempts import Run
from judicum.server.answers.starts import StartFigure
from judicum.server.answers.trials import (
    Trial,
    TrialBead,
    TrialCount,
    TrialFound,
    TrialLine,
    TrialPoint,
    TrialProposal,
    Trials,
)
from judicum.server.catalogue.coupons.setup import coupon_of
from judicum.server.follow.trials import models
from judicum.server.follow.trials.queries import planned, starts_of, trial_for
from judicum.server.follow.trials.scribe import scribe_sheet
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.units import units_of
from judicum.server.read.photos import photo_answer
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.queries import attempt_for, teaches
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import allowed
from judicum.server.record.photos.counting import UNDER_WAY
from judicum.server.record.photos.models import Measurement, MeasurementState, Photo, PhotoKind
from judicum.words import Units
from judicum.words.catalogue import speaking, t
from judicum.words.names import field_in_sentence
from judicum.words.trial import found_words, seen_words, start_words, value_words

SIDES = ("left", "right")


def trials_of(user: User, attempt_id: int) -> Trials:
    """The trials of an attempt with what was measured, in a fixed number of queries. Raises NotFound."""
    attempt = attempt_for(user, attempt_id)
    design = attempt.assignment.design
    card = card_of(read_coupon(coupon_of(attempt.assignment)))
    photos: dict[int, Photo] = {}
    rows = Photo.objects.filter(attempt=attempt, kind=PhotoKind.TRIAL).select_related("picture")
    for photo in rows.prefetch_related("measurements__beads", "measurements__chosen", "measurements__corrections"):
        photos.setdefault(photo.run or 0, photo)
    own, taught = attempt.student_id == user.pk, teaches(user, attempt)
    may = [
        *(["change"] if own else []),
        *(["count", "take"] if own or taught else []),
        *(["take_for_all"] if taught else []),
    ]
    units = units_of(user)
    return Trials(
        trials=[_trial(row, photos.get(row.number), may, units) for row in models.Trial.objects.filter(attempt=attempt).select_related("attempt__assignment__design", "attempt__course")],
        proposals=[
            TrialProposal(key=one.key, low=one.low, high=one.high, values=list(one.values))
            for one in proposals(card, design.tube_od_mm, card.pulse_mean_a is not None)
        ],
        fixed=Run.model_validate(run_from_card(card)),
        starts=start_figures(attempt, units),
        may_begin=own and allowed(attempt, AttemptStep.TRY),
    )  # fmt: skip


def _trial(row: models.Trial, photo: Photo | None, may: list[str], units: Units) -> Trial:
    plan, wanted = planned(row), wanted_of(row.attempt)
    measurements = list(photo.measurements.all()) if photo else []
    done = next((one for one in measurements if one.state == MeasurementState.DONE), None)
    seen = _seen(done)
    match = _match(row, plan, seen)
    beads = _beads(plan, seen, match, row.attempt.course.width_factor)
    found = judge(plan.varied, beads, wanted)
    return Trial(
        id=row.pk,
        number=row.number,
        varied=row.varied,
        made_at=row.made_at,
        blank_length_mm=plan.length_mm,
        blank_width_mm=plan.width_mm,
        bead_mm=plan.bead_mm,
        tube_od_mm=plan.tube_od_mm,
        lines=[
            TrialLine(
                number=line.number,
                value=line.value,
                words=value_words(row.varied, line.value, units),
                at_mm=line.at_mm,
                turn=line.turn,
                welded=line.number in row.welded,
            )
            for line in plan.lines
        ],
        photo=photo_answer(photo, {}) if photo else None,
        measuring=any(one.state in UNDER_WAY for one in measurements),
        refusal=_refusal(done),
        count=TrialCount(
            missing=list(match.missing),
            extra=[seen[k].bead_number or k + 1 for k in match.extra],
            sure=match.sure,
            by_hand=row.counted is not None,
        )
        if match
        else None,
        beads=_bead_answers(row.varied, plan, seen, match, found, beads),
        curve=[
            TrialPoint(value=value, width_mm=width, half_mm=half, level=level, chance=chance)
            for value, width, half, level, chance in (found.curve if found else ())
        ],
        found=_found(row.varied, found, units) if found else None,
        wanted_low_mm=wanted.low_mm,
        wanted_high_mm=wanted.high_mm,
        wanted_level=wanted.level,
        may=may,
    )


def wanted_of(attempt: Attempt) -> Wanted:
    """The bead that an attempt's coupon asks for."""
    goal = attempt.assignment
    low, high = (share * goal.target_width_mm for share in CARD_WIDTH_SHARE)
    return Wanted(low, high, FINISH_LEVEL[goal.finish])


def _seen(done: Measurement | None) -> list[Report]:
    """What was measured of each bead of the photo, by its number in it."""
    if done is None:
        return []
    rows = [bead.report for bead in done.beads.all()] or [done.result]
    reports = [Report.from_json(one) for one in rows if one]
    return [one for one in reports if one.bead is not None]


def _refusal(done: Measurement | None) -> str | None:
    refused: Any = (done.report or {}).get("refusal") if done else None
    return refused["message"] if refused else None


def _match(row: models.Trial, plan: Planned, seen: Sequence[Report]) -> Match | None:
    """Which bead is which line: as a person said, else by place."""
    if not seen:
        return None
    if row.counted is None:
        welded = [line for line in plan.lines if not row.welded or line.number in row.welded]
        found = match_beads([line.at_mm for line in welded], places_across([one.bead for one in seen if one.bead]))
        names = {k: line.number for k, line in enumerate(welded, 1)}
        beads = {names[k]: bead for k, bead in found.beads.items()}
        return Match(beads, tuple(names[k] for k in found.missing), found.extra, found.sure)
    numbers = {(one.bead_number or k + 1): k for k, one in enumerate(seen)}
    beads = {int(line): numbers[bead] for line, bead in row.counted.items() if bead in numbers}
    missing = tuple(line.number for line in plan.lines if line.number not in beads)
    return Match(beads, missing, tuple(k for k in range(len(seen)) if k not in beads.values()), True)


def _beads(plan: Planned, seen: Sequence[Report], match: Match | None, grown: float) -> list[BeadSeen]:
    if match is None:
        return []
    return [
        _bead(line.number, line.value, seen[match.beads[line.number]], plan.room_mm, grown)
        for line in plan.lines
        if line.number in match.beads
    ]


def _bead(number: int, value: float | str, report: Report, room_mm: float, grown: float) -> BeadSeen:
    """The bead of a line; the width of its zone only where that ends before the next bead's begins (`room_mm`). `grown` is by what stated
    uncertainties of widths grow in the course."""
    bead, tint = report.bead, report.tint
    assert bead is not None
    zone_mm = (tint.width_mm.left + tint.width_mm.right) / 2 if tint else None
    if zone_mm is not None and zone_mm + bead.width_mm.mean / 2 > room_mm:
        zone_mm = None
    return BeadSeen(
        number=number,
        value=value,
        width_mm=bead.width_mm.mean,
        width_u_mm=grown * bead.width_mm.uncertainty,
        width_cv=bead.width_mm.cv,
        tint_bead=tint.bead.level if tint else None,
        tint_zone=tint.haz.level if tint else None,
        zone_mm=zone_mm,
        pitch_cv=report.ripple.cv if report.ripple else None,
        faults=tuple(dict.fromkeys(one.kind for one in report.defects or ())),
    )


def _bead_answers(
    key: str,
    plan: Planned,
    seen: Sequence[Report],
    match: Match | None,
    found: Judged | None,
    beads: Sequence[BeadSeen],
) -> list[TrialBead]:
    if match is None:
        return []
    judged: Mapping[int, Any] = {one.bead.number: one for one in found.beads} if found else {}
    answers = []
    for bead in beads:
        one = judged.get(bead.number)
        answers.append(
            TrialBead(
                line=bead.number,
                seen_number=seen[match.beads[bead.number]].bead_number or 1,
                width_mm=bead.width_mm,
                width_u_mm=bead.width_u_mm,
                width_cv=bead.width_cv,
                pitch_cv=bead.pitch_cv,
                tint_bead=bead.tint_bead,
                tint_zone=bead.tint_zone,
                zone_mm=bead.zone_mm,
                faults=list(bead.faults),
                seen=seen_words(key, one.seen) if one else "",
                as_wanted=one is not None and one.seen == AS_WANTED,
                chance=one.chance if one else 0.0,
            )
        )
    return answers


def _found(key: str, found: Judged, units: Units) -> TrialFound:
    return TrialFound(
        best=found.best,
        best_words=None if found.best is None else value_words(key, found.best, units),
        low=found.low,
        high=found.high,
        lines=found_words(key, found, units),
    )


def start_figures(attempt: Attempt, units: Units) -> list[StartFigure]:
    """The settings that an attempt is to be started with, in words, and as fields of its run."""
    return [
        StartFigure(
            key=one.key,
            value=one.value,
            whose=one.whose,
            words=start_words(one.key, one.value, one.whose, one.carried_from, units, one.row.foretold),
            run=_as_run(one.key, one.value),
        )
        for one in starts_of(attempt)
    ]


def _as_run(key: str, value: float | str) -> dict[str, float | str]:
    """The fields of a run that a setting fills in; a machine is set to the amps that are wanted."""
    if key == "current_a":
        return {"current_a": value, "machine_a": value}
    return {key: value} if VARIED[key].run_key == key else {}


def scribe_of(user: User, trial_id: int, paper: str) -> bytes:
    """The scribe sheet of a trial, in its course's language. Raises NotFound, InvalidValue: no such paper."""
    trial = trial_for(user, trial_id)
    goal, units = trial.attempt.assignment, units_of(user)
    with speaking(goal.course.locale):
        title = t("print-trial-title", what=field_in_sentence(trial.varied), title=goal.design.title)
        run = run_from_card(card_of(read_coupon(coupon_of(goal))))
        kept = [
            value_words(key, value, units)
            for key in ("current_a", "gas_l_min", "cup", "gas_part", "stickout_mm", "travel_mm_s", "postflow_s")
            if key != trial.varied and (value := getattr(run, key)) is not None
        ]
        fixed = t("print-trial-fixed", kept=" · ".join(kept))
        return scribe_sheet(planned(trial), title, fixed, lambda value: value_words(trial.varied, value, units), paper)
