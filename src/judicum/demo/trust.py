"""What people did to know how true measuring is: widths by callipers, and phones checked by the printed target."""

from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Any

import numpy as np

from judicum.camera import View, take_photo
from judicum.camera.target import sheet
from judicum.demo.drawing import Weld, scene_of
from judicum.server.follow.trust.actions.check_phone import check_phone
from judicum.server.follow.trust.actions.take_callipers import take_callipers
from judicum.server.follow.trust.models import PhoneCheck
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.actions.set_share import set_share
from judicum.server.people.courses.models import Course
from judicum.server.read.measuring import callipers_of
from judicum.server.record.attempts.models import Attempt

CALLIPER_SHARE = 20
"""Percent of attempts that the lot asks callipered widths of."""
CALLIPER_MM = 0.05
"""mm by which a student's callipers miss a width, as a standard deviation."""
PHONES: tuple[tuple[str, dict[str, Any]], ...] = (
    ("blue phone", {"tilt_deg": 3.0}),
    ("old phone", {"tilt_deg": 4.0, "blur_px": 3.2}),
)
"""Of the first students each has one; the second's lens is smeared."""


def ask_callipers(instructor: User, course: Course) -> None:
    """From now on the lot asks some attempts for widths by callipers."""
    set_share(instructor, course.pk, "calliper_share", CALLIPER_SHARE)


def hold_callipers(student: User, attempt: Attempt, plan: Weld, person: Mapping[str, Any]) -> None:
    """Widths by callipers of a bead where the strip asks for them: as it was drawn, as well as a student holds them."""
    bead, rng = scene_of(plan, person).bead, np.random.default_rng(plan.seed + 9)
    places = [place.s_mm for place in callipers_of(student, attempt.pk).places]
    if bead is not None and places:
        true = 2 * np.interp(places, bead.s_mm, bead.half_mm)
        read = np.round(true + rng.normal(0, CALLIPER_MM, len(places)), 2)
        take_callipers(student, attempt.pk, dict(zip(places, map(float, read), strict=True)))


def check_phones(students: Iterable[User], at: datetime) -> None:
    """The first students' phones, checked once each by a photo of the printed target before their first bead."""
    for student, (phone, held) in zip(students, PHONES, strict=False):
        if not PhoneCheck.objects.filter(user=student, phone=phone).exists():
            view = View(size=(2400, 1800), noise=0.005, **held)
            check_phone(student, phone, take_photo(sheet(view)).jpeg, at)
