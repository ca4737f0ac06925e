"""An archived course is read and reported; nothing of it changes any more."""

from typing import Any

from rest_framework.permissions import SAFE_METHODS, BasePermission
from rest_framework.request import Request

from judicum.core.errors import WrongState, said
from judicum.server.http.person import person
from judicum.server.people.courses.models import Course

COURSE_BY = {
    "course_id": "pk",
    "assignment_id": "assignments",
    "attempt_id": "assignments__attempts",
    "photo_id": "assignments__attempts__photos",
    "measurement_id": "assignments__attempts__photos__measurements",
    "upload_id": "assignments__attempts__uploads",
    "session_id": "sessions",
    "bottle_id": "bottles",
    "study_id": "repeat_studies",
    "strip_id": "tint_references",
}
"""How the course is found by what an address names; where it names several, the first counts."""


class NotArchived(BasePermission):
    """Refuses every change within an archived course, to whoever takes part in it; views that say `of_archived` are open."""

    def has_permission(self, request: Request, view: Any) -> bool:
        if request.method in SAFE_METHODS or getattr(view, "of_archived", False):
            return True
        name = next((name for name in COURSE_BY if name in view.kwargs), None)
        if name is None:
            return True
        of_mine = Course.objects.filter(archived_at__isnull=False, memberships__user=person(request))
        if of_mine.filter(**{COURSE_BY[name]: view.kwargs[name]}).exists():
            raise WrongState(said("refused-the-course-is-archived-it-can"))
        return True
