"""Labels with QR codes: for booths, and for the blanks that wait to be welded; and the addresses they lead to."""

from collections.abc import Callable

from judicum.core.errors import InvalidValue, one_of
from judicum.server.catalogue.coupons.labels import Label, label_sheet
from judicum.server.follow.sessions.models import Booth
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.courses.queries import staff_of
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.attempts.states import AttemptState
from judicum.words.catalogue import speaking, t


def booth_path(course_id: int, attempt_id: int) -> str:
    """The booth view of an attempt; the page reads the same ones (web/src/features/attempt/scan.ts)."""
    return f"/course/{course_id}/attempt/{attempt_id}/booth"


def at_booth_path(course_id: int, booth_id: int) -> str:
    """Being at a booth: it is set for one's open attempts."""
    return f"/course/{course_id}/at-booth/{booth_id}"


def labels_of(user: User, course_id: int, what: str, paper: str, at: Callable[[str], str]) -> bytes:
    """Labels of a course one teaches as a PDF file: its booths, or the blanks of all attempts that wait to be welded.

    Args:
        at: the whole address of a path.

    Raises:
        NotFound, NotAllowed: not a course one teaches. InvalidValue: no such labels, no such paper.
    """
    course = staff_of(user, course_id).course
    if what not in SHEETS:
        raise InvalidValue("what", what, one_of(SHEETS))
    with speaking(course.locale):
        return label_sheet(SHEETS[what](course, at), t("print-labels", course=course.name), paper)


def _booths(course: Course, at: Callable[[str], str]) -> list[Label]:
    return [
        Label(at(at_booth_path(course.pk, one.pk)), one.name, t("print-label-booth", course=course.name))
        for one in Booth.objects.filter(course=course).order_by("name")
    ]


def _blanks(course: Course, at: Callable[[str], str]) -> list[Label]:
    waiting = Attempt.objects.filter(course=course, state=AttemptState.ASSIGNED)
    return [
        Label(
            at(booth_path(course.pk, one.pk)),
            one.student.display_name,
            t("print-card-title", title=one.assignment.design.title, number=one.number),
        )
        for one in waiting.select_related("student", "assignment__design").order_by(
            "student__display_name", "assignment__due_on", "pk"
        )
    ]


SHEETS: dict[str, Callable[[Course, Callable[[str], str]], list[Label]]] = {"booths": _booths, "blanks": _blanks}
"""What labels there are."""
