"""Marking schemes of a course."""

from django.db.models import Count, Q, QuerySet

from judicum.core.errors import NotFound, said
from judicum.server.catalogue.schemes.models import Scheme
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of


def newest_schemes(course_id: int) -> QuerySet[Scheme]:
    """The newest version of each scheme of a course: its own, else the one that ships."""
    found = Scheme.objects.filter(Q(course_id=course_id) | Q(course=None))
    # A course's own version counts before the shipped one of the same code, however often that changes.
    return found.order_by("code", "course_id", "-version").distinct("code")


def schemes_for(user: User, course_id: int) -> list[Scheme]:
    """The schemes of a course one teaches, each with how many of its marks stand on it (`used`).

    Raises:
        NotFound, NotAllowed: not a course one teaches.
    """
    staff_of(user, course_id)
    marks = Count("marks", filter=Q(marks__attempt__course_id=course_id))
    return list(Scheme.objects.filter(pk__in=newest_schemes(course_id).values("pk")).annotate(used=marks))


def scheme_coded(course_id: int, code: str) -> Scheme:
    """The newest version of a scheme of a course. Raises NotFound."""
    found = newest_schemes(course_id).filter(code=code).first()
    if found is None:
        raise NotFound(said("refused-there-is-no-marking-scheme-in", code=f"{code!r}"))
    return found
