"""A sample student with a drawn bead, so that marking can be tried before anybody has welded."""

from pathlib import Path

from django.db import transaction

from judicum.core.errors import WrongState, said
from judicum.core.setup import run_from_card
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.catalogue.coupons.setup import card_for
from judicum.server.people.accounts.actions.make_account import make_account
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.courses.queries import instructor_of
from judicum.server.people.roles import Role
from judicum.server.platform.sandbox import ingest_in_sandbox
from judicum.server.record.attempts.actions.log_run import log_run
from judicum.server.record.attempts.actions.open_attempt import open_attempt
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.photos.actions.add_photo import add_photo
from judicum.server.record.photos.pictures import store_picture
from judicum.words.catalogue import t

BEAD = Path(__file__).with_name("sample_bead.jpg")
"""Drawn by judicum.camera: 80 mm in the window card."""


def try_sample(user: User, course_id: int) -> Attempt:
    """An attempt of a sample student at the newest coupon of the course, logged by its card and photographed.

    Raises:
        WrongState: no coupon is assigned yet. NotAllowed, NotFound: not a course one instructs.
    """
    course = instructor_of(user, course_id).course
    goal = (
        Assignment.objects.filter(course=course)
        .select_related("design", "course")
        .order_by("-created_at", "-id")
        .first()
    )
    if goal is None:
        raise WrongState(said("refused-no-coupon-to-try"))
    with transaction.atomic():
        login = f"sample-{course.pk}"
        sample = User.objects.filter(username=login).first()
        if sample is None:
            sample = make_account(course.workshop, login, t("guide-sample-student"), is_active=False)
        Membership.objects.get_or_create(course=course, user=sample, defaults={"role": Role.STUDENT})
        attempt = open_attempt(goal, sample, by=user)
        run = run_from_card(card_for(goal)).as_columns()
        log_run(sample, attempt.pk, {key: value for key, value in run.items() if value not in (None, "", [])})
    add_photo(sample, attempt.pk, store_picture(BEAD.read_bytes(), ingest_in_sandbox), BEAD.name)
    return attempt
