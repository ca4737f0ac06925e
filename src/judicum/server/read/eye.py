"""The eye trainer as its page shows it."""

from collections.abc import Mapping
from typing import Any

from django.utils import timezone

from judicum.core import eye
from judicum.core.causes.evidence import EvidenceFound
from judicum.core.quantities import QUANTITIES
from judicum.core.setup import plan_card
from judicum.core.setup.record import Band
from judicum.server.answers.eye import Eye, EyeGiven, EyeMark, EyeOption, EyeQuestion, EyeRound, EyeRoundBrief
from judicum.server.follow.eye import models
from judicum.server.follow.eye.actions.play_round import SHOWN
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import membership_of
from judicum.server.record.marking.models import Mark
from judicum.words.catalogue import t
from judicum.words.causes import evidence_words
from judicum.words.names import field_name, named, option_name
from judicum.words.units import Units, format_figure

LAST = 40
"""Rounds and marks that are shown."""
LOGGED = ("current_a", "travel_mm_s", "gas_l_min", "stickout_mm", "preflow_s", "postflow_s", "downslope_s", "work_angle_deg", "travel_angle_deg", "filler_mm")  # fmt: skip
"""Figures of a log that are shown beside a bead."""


def eye_page(user: User, course_id: int) -> Eye:
    """Where somebody stands who takes part in a course. Raises NotFound."""
    membership_of(user, course_id)
    rounds = list(models.EyeRound.objects.filter(user=user)[:LAST])
    done = [one for one in rounds if one.finished_at is not None]
    cards = models.EyeCard.objects.filter(user=user)
    marks = Mark.objects.filter(attempt__student=user, attempt__course_id=course_id, returned_at__isnull=False)
    return Eye(
        open_round=next((one.pk for one in rounds if one.finished_at is None), None),
        next_level=eye.next_level(done[0].level, done[0].score) if done else 1,
        most=eye.FULL_SCORE,
        rounds=[EyeRoundBrief.model_validate(one) for one in reversed(done)],
        marks=[EyeMark.model_validate(one) for one in reversed(marks.order_by("-returned_at")[:LAST])],
        shown=cards.count(),
        causes=len(SHOWN),
        due=cards.filter(due__lte=timezone.now()).count(),
    )


def eye_round(found: models.EyeRound, units: Units) -> EyeRound:
    """A round with its beads, as far as they are drawn."""
    cases = dict(models.EyeBead.objects.filter(round=found).values_list("number", "case"))
    return EyeRound(
        id=found.pk,
        level=found.level,
        score=found.score,
        most=eye.FULL_SCORE,
        finished_at=found.finished_at,
        questions=[
            _question(k, eye.Question.from_json(raw), cases.get(k), found.answers[k - 1 : k], units)
            for k, raw in enumerate(found.questions, 1)
        ],
    )


def _question(
    number: int, of: eye.Question, case: Mapping[str, Any] | None, given: list[dict[str, str]], units: Units
) -> EyeQuestion:
    run = case["runs"][0] if case else {}
    card = plan_card(case["coupon"]) if case else None
    return EyeQuestion(
        number=number,
        drawn=case is not None,
        coupon=_coupon(case["coupon"], units) if case else "",
        log=[
            [field_name(key), _beside_card(key, run[key], card.band(key) if card else None, units)]
            for key in LOGGED
            if key in run
        ],
        noticed=_noticed(case) if case else [],
        symptoms=[EyeOption(code=code, words=_symptom(code)) for code in of.symptoms],
        causes=[EyeOption(code=code, words=_cause(code)) for code in of.causes],
        changes=[EyeOption(code=code, words=_change(code)) for code in of.changes],
        given=_given(of, given[0]) if given else None,
    )


def _beside_card(key: str, used: float, band: Band | None, units: Units) -> str:
    """A figure with the card's range, where it has one."""
    figures = (used, band.low, band.high) if band else (used,)
    shown, *limits = (format_figure(figure, QUANTITIES[key].kind, units) for figure in figures)
    return t("eye-beside-card", used=shown, low=limits[0], high=limits[1]) if limits else shown


def _given(of: eye.Question, given: dict[str, str]) -> EyeGiven:
    parts = eye.points(of, **given)
    return EyeGiven(
        **given,
        right=parts,
        points=eye.total(parts),
        seen=_symptom(of.right[0]),
        why=_cause(of.cause),
        advice=_change(of.cause),
    )


def _symptom(code: str) -> str:
    return t("eye-nothing-wrong") if code == eye.SOUND else named("symptom", code)


def _cause(code: str) -> str:
    return t("eye-no-cause") if code == eye.SOUND else named("cause", code)


def _change(code: str) -> str:
    return t("eye-go-on") if code == eye.SOUND else t(f"advice-{code}", change=t("change-as-on-the-card"))


def _coupon(coupon: Mapping[str, Any], units: Units) -> str:
    return f"{option_name('joint', coupon['joint'])}, {format_figure(coupon['thickness_mm'], 'length', units)}, {coupon['metal']}"


def _noticed(case: Mapping[str, Any]) -> list[str]:
    """What was noticed at the booth and which steps were not ticked, in words."""
    looks = {
        key: "true" if value is True else str(value)
        for key, value in (case.get("looks") or {}).items()
        if value is True or isinstance(value, str)
    }
    found = [EvidenceFound(key, 1.0, value=value) for key, value in looks.items()]
    found += [EvidenceFound(step, 1.0, value="skipped") for step in case.get("skipped") or []]
    return [evidence_words(one) for one in found]
