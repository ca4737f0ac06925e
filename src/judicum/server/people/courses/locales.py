"""How somebody is spoken to who asks for nothing themselves: in mail, and in print."""

from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.words.catalogue import WHOLE

PAPERS = {"en-US": "letter"}
"""The usual paper where it is not A4."""


def locale_of(user: User) -> str:
    """A person's own locale, else that of the course they joined last."""
    if user.locale:
        return user.locale
    newest = user.memberships.order_by("-joined_at").values_list("course__locale", flat=True).first()
    return newest or WHOLE


def paper_of(course: Course) -> str:
    """The paper on which a course prints.

    >>> paper_of(Course(locale="en-US")), paper_of(Course(locale="en-GB"))
    ('letter', 'a4')
    """
    return PAPERS.get(course.locale, "a4")
