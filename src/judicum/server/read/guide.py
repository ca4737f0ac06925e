"""The guide for newcomers: the first things to do in a course, and which of them are done."""

from django.db.models import Exists

from judicum.server.answers.guide import Guide, GuideStep
from judicum.server.catalogue.coupons.models import Assignment
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Membership
from judicum.server.people.courses.queries import membership_of
from judicum.server.people.roles import STAFF, Role
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.marking.models import Mark
from judicum.server.record.photos.models import Photo


def guide_of(user: User, course_id: int) -> Guide:
    """What a person does first in this course. Raises NotFound: not a course one takes part in."""
    mine = membership_of(user, course_id)
    if "over" in mine.guide:
        return Guide(steps=[], over=True, attempt=None)
    steps = _of_staff(mine) if mine.role in STAFF else _of_student(mine)
    over = all(step.done for step in steps if step.key != "card")
    waiting = Attempt.objects.filter(course_id=course_id, mark=None).exclude(photos=None).order_by("id")
    first = waiting.values_list("id", flat=True).first() if mine.role in STAFF else None
    return Guide(steps=[] if over else steps, over=over, attempt=first)


def _of_staff(mine: Membership) -> list[GuideStep]:
    of = {"course_id": mine.course_id}
    there = _there(
        mine,
        people=Exists(Membership.objects.filter(**of, role=Role.STUDENT)),
        coupon=Exists(Assignment.objects.filter(**of)),
        photo=Exists(Photo.objects.filter(attempt__course_id=mine.course_id)),
        mark=Exists(Mark.objects.filter(attempt__course_id=mine.course_id, returned_at__isnull=False)),
    )
    return [GuideStep(key="card", done="card" in mine.guide), *there]


def _of_student(mine: Membership) -> list[GuideStep]:
    own = {"attempt__course_id": mine.course_id, "attempt__student_id": mine.user_id}
    return _there(
        mine,
        log=Exists(Run.objects.filter(**own)),
        send=Exists(Photo.objects.filter(**own)),
        read=Exists(Mark.objects.filter(**own, returned_at__isnull=False)),
    )


def _there(mine: Membership, **facts: Exists) -> list[GuideStep]:
    """A step for each fact, asked in one query."""
    found = Membership.objects.filter(pk=mine.pk).values_list(*facts.values()).get()
    return [GuideStep(key=key, done=done) for key, done in zip(facts, found, strict=True)]
