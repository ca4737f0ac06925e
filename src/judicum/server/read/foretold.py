"""What would come of other settings, learnt from the course's measured attempts; foretold figures are kept nowhere."""

from collections.abc import Mapping
from typing import Any

from judicum.core.acceptance import CARD_WIDTH_SHARE
from judicum.core.choices import FINISH_LEVEL
from judicum.core.errors import InvalidValue
from judicum.core.foretell import foretell
from judicum.core.quantities import QUANTITIES
from judicum.core.setup import read_coupon, run_from_card
from judicum.core.setup.card import card_of
from judicum.core.setup.machine import gives_a, read_machine
from judicum.core.setup.travel import real_travel_mm_s
from judicum.server.answers.foretold import (
    Foretold,
    ForetoldBead,
    ForetoldBeside,
    ForetoldTintBeside,
    Hazard,
    SettingsMap,
)
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import coupon_of, logged_of
from judicum.server.follow.sessions.models import WeldedAt
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.attempts.queries import attempt_for
from judicum.server.record.photos.models import MeasurementSummary
from judicum.words.catalogue import t
from judicum.words.names import named

MAX_RECORDS = 150
"""The newest measured attempts of a course that are learnt from: a term of an evening class."""
CELLS = 12
"""Currents and speeds of the map."""
REACH = 0.35
"""Of the card's aim to either side: what the map shows."""
OFFERED = 0.8
"""Chance from which a cell is offered."""
SETTINGS = (
    "current_a", "travel_mm_s", "arc_s", "gas_l_min", "cup", "gas_part", "stickout_mm", "preflow_s", "postflow_s", "technique", "filler_mm", "dabs",
    "draught",
)  # fmt: skip
COUPON = ("metal", "joint", "thickness_mm")


def foretold(user: User, attempt_id: int, changed: Mapping[str, float | None]) -> Foretold:
    """What would come of an attempt's settings with some of them changed. Raises NotFound, InvalidValues."""
    attempt = attempt_for(user, attempt_id)
    summary = _summary(attempt)
    question, settings = _question(attempt, summary)
    for key, value in changed.items():
        if value is not None and not QUANTITIES[key].sensible_at(value):
            raise InvalidValue(key, value, QUANTITIES[key].makes_sense)
    changed = {key: value for key, value in changed.items() if value is not None}
    asked = {**settings, **changed}
    found = foretell({**question, "settings": asked, **_compare(attempt, summary)})
    low, high, level = _wanted(attempt.assignment)
    difference = found["difference"]
    measured = _measured(summary) if summary and not changed else {}
    return Foretold(
        settings=asked,
        bead=ForetoldBead(
            **{
                key: found[key]
                for key in ("width_mm", "width_end_mm", "tint_bead", "tint_zone", "zone_mm", "grey_end_mm")
            },
            hazards=[Hazard(**one, words=named("hazard", one["code"])) for one in found["hazards"]],
            difference_mm=difference["width_mm"] if difference else None,
        ),
        learned=found["learned"]["attempts"],
        said=[
            t("foretold-class", count=found["learned"]["attempts"])
            if found["basis"] == "class"
            else t("foretold-physics"),
            t("foretold-not-measured"),
        ],
        wanted_low_mm=low,
        wanted_high_mm=high,
        wanted_level=level,
        beside=[
            ForetoldBeside(
                words=t(f"foretold-{key}"),
                foretold=figure,
                measured=measured[key],
                inside=figure["low"] <= measured[key] <= figure["high"],
            )
            for key in ("width_mm", "width_end_mm", "zone_mm", "grey_end_mm")
            if (figure := found[key]) is not None and measured.get(key) is not None
        ],
        tints_beside=[
            ForetoldTintBeside(words=t(f"foretold-{key}"), foretold=found[key]["level"], measured=measured[key])
            for key in ("tint_bead", "tint_zone")
            if found[key] is not None and measured.get(key) is not None
        ],
    )


def settings_map(user: User, attempt_id: int) -> SettingsMap:
    """Where between currents and speeds beads come out as wanted. Raises NotFound."""
    attempt = attempt_for(user, attempt_id)
    question, settings = _question(attempt, _summary(attempt))
    card = card_of(read_coupon(coupon_of(attempt.assignment)))
    amps, speeds = (_axis(aim) for aim in (card.current_a.aim, card.travel_mm_s.aim))
    low, high, _ = _wanted(attempt.assignment)
    wanted = {
        "width_mm": {"low": low, "high": high},
        "finish": attempt.assignment.finish,
        "current_a": amps,
        "travel_mm_s": speeds,
    }
    found = foretell({**question, "settings": settings, "inverse": wanted})["inverse"]["probability"]
    profile = _profile(attempt)
    top = max(
        ((chance, a, v) for a, row in zip(amps, found, strict=True) for v, chance in zip(speeds, row, strict=True))
    )
    return SettingsMap(
        current_a=amps,
        travel_mm_s=speeds,
        probability=found,
        card_current_a=[card.current_a.low, card.current_a.high],
        card_travel_mm_s=[card.travel_mm_s.low, card.travel_mm_s.high],
        passes=_passes(attempt),
        most_a=gives_a(profile) if profile else None,
        least_a=profile.min_a if profile else None,
        best=list(top[1:]) if top[0] >= OFFERED else None,
        offered=OFFERED,
    )


def _axis(aim: float) -> list[float]:
    return [round(aim * (1 - REACH + 2 * REACH * k / (CELLS - 1)), 2) for k in range(CELLS)]


def _wanted(goal: Assignment) -> tuple[float, float, int]:
    low, high = (share * goal.target_width_mm for share in CARD_WIDTH_SHARE)
    return round(low, 2), round(high, 2), FINISH_LEVEL[goal.finish]


def _question(attempt: Attempt, summary: MeasurementSummary | None) -> tuple[dict[str, Any], dict[str, Any]]:
    """Coupon, person, machine and class of an attempt, and the settings to start from: those logged, else the card's; the speed by the
    clock and the measured length, where both are known."""
    run = Run.objects.filter(attempt=attempt).order_by("number").values().first()
    card = card_of(read_coupon(coupon_of(attempt.assignment)))
    start = run_from_card(card)
    settings = _settings(run) if run else {}
    usual = {key: getattr(start, key) for key in ("current_a", "travel_mm_s", "gas_l_min", "cup", "gas_part", "stickout_mm", "preflow_s", "postflow_s", "filler_mm")}  # fmt: skip
    settings = {**{key: value for key, value in usual.items() if value is not None}, **settings}
    real = real_travel_mm_s(summary.length_mm if summary else None, [settings.pop("arc_s", None)])
    settings |= {"travel_mm_s": round(real, 2)} if real else {}
    booth = WeldedAt.objects.filter(attempt=attempt).values_list("booth_id", flat=True).first()
    question = {
        "coupon": _coupon(attempt.assignment),
        "student": str(attempt.student_id),
        "machine": str(booth) if booth else None,
        "class": _records(attempt),
    }
    return question, settings


def _coupon(goal: Assignment) -> dict[str, Any]:
    whole = coupon_of(goal)
    return {key: whole[key] for key in (*COUPON, "form", "tube_od_mm", "position") if whole.get(key) is not None}


def _settings(run: Mapping[str, Any]) -> dict[str, Any]:
    return {key: value for key, value in logged_of(run).items() if key in SETTINGS}


def _records(attempt: Attempt) -> list[dict[str, Any]]:
    """The course's measured attempts of one run, as the core learns from them."""
    rows = (
        Attempt.objects.filter(
            course_id=attempt.course_id, summary__refusal_code="", summary__width_mean_mm__isnull=False
        )
        .exclude(pk=attempt.pk)
        .select_related("assignment__design", "assignment__course", "summary")
        .prefetch_related("runs")
        .order_by("-created_at", "-id")[:MAX_RECORDS]
    )
    booths = dict(WeldedAt.objects.filter(attempt__in=[row.pk for row in rows]).values_list("attempt_id", "booth_id"))
    found = []
    for row in rows:
        runs = [
            {field.attname: getattr(run, field.attname) for field in Run._meta.concrete_fields}
            for run in row.runs.all()
        ]
        if len(runs) != 1:
            continue
        found.append(
            {
                "student": str(row.student_id),
                "machine": str(booths[row.pk]) if row.pk in booths else None,
                "coupon": _coupon(row.assignment),
                "settings": _settings(runs[0]),
                "measured": _measured(row.summary),
            }
        )  # fmt: skip
    return found


def _summary(attempt: Attempt) -> MeasurementSummary | None:
    """What was measured of it; None where no bead was."""
    return MeasurementSummary.objects.filter(attempt=attempt, width_mean_mm__isnull=False).first()


def _compare(attempt: Attempt, summary: MeasurementSummary | None) -> dict[str, Any]:
    """The attempt itself, where it is measured: what changing its settings would do."""
    run = Run.objects.filter(attempt=attempt).order_by("number").values().first()
    if summary is None or run is None:
        return {}
    return {"compare": {"settings": _settings(run), "measured": _measured(summary)}}


def _measured(summary: MeasurementSummary) -> dict[str, Any]:
    """What a measurement teaches. Hazards are left out: a photo shows two of them, and would teach that the others never come."""
    kept = ("width_start_mm", "width_end_mm", "tint_zone", "zone_mm", "grey_end_mm")
    found = {"length_mm": summary.length_mm, "width_mm": summary.width_mean_mm, "tint_bead": summary.tint_level}
    return {**found, **{key: getattr(summary, key) for key in kept}}


def _passes(attempt: Attempt) -> list[list[float]]:
    """Currents and speeds of the class's passes at this coupon."""
    passed = Run.objects.filter(
        attempt__course_id=attempt.course_id,
        attempt__assignment__design__code=attempt.assignment.design.code,
        attempt__mark__passed=True,
        attempt__mark__returned_at__isnull=False,
        current_a__isnull=False,
        travel_mm_s__isnull=False,
    )
    return [[float(a or 0), float(v or 0)] for a, v in passed.values_list("current_a", "travel_mm_s")]


def _profile(attempt: Attempt) -> Any:
    here = WeldedAt.objects.filter(attempt=attempt).select_related("booth").first()
    return read_machine(here.booth.machine) if here and here.booth.machine else None
