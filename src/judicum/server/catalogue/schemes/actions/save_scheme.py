"""Keeping a marking scheme as a new version; those that marks stand on are never changed."""

from datetime import datetime

from django.db import transaction
from django.db.models import Max
from django.utils import timezone
from django.utils.text import slugify

from judicum.core.errors import InvalidValue, one_of, said
from judicum.core.marking import read_scheme
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.catalogue.schemes.queries import newest_schemes
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import instructor_of

MAX_SCHEMES = 30
"""Of a course, by code: more would not be found again in a list."""


@transaction.atomic
def save_scheme(
    user: User, course_id: int, body: object, code: str | None = None, at: datetime | None = None
) -> Scheme:
    """Keep a scheme: a new version of the course's own where `code` says which, else a new one coded after its title.

    Raises:
        InvalidValues: what is no scheme. InvalidValue: an unknown code, or too many schemes.
        NotFound, NotAllowed: not the course's instructor.
    """
    course = instructor_of(user, course_id).course
    rules = read_scheme(body)
    # Two versions saved at once would take the same number.
    Course.objects.select_for_update().get(pk=course.pk)
    codes = list(newest_schemes(course.pk).values_list("code", flat=True))
    if code is None:
        code = _free(slugify(rules.title).replace("-", "_")[:32] or "scheme", codes)
        if len(codes) >= MAX_SCHEMES:
            raise InvalidValue("code", code, said("allowed-at-most-schemes-in-a-course", most=MAX_SCHEMES))
    elif code not in codes:
        raise InvalidValue("code", code, one_of(codes))
    last = Scheme.objects.filter(course=course, code=code).aggregate(last=Max("version"))["last"] or 0
    return Scheme.objects.create(
        course=course,
        code=code,
        version=last + 1,
        body=rules.as_json(),
        created_by=user,
        created_at=at or timezone.now(),
    )


def _free(code: str, taken: list[str]) -> str:
    tries = [code, *(f"{code}_{k}" for k in range(2, MAX_SCHEMES + 2))]
    return next(one for one in tries if one not in taken)
