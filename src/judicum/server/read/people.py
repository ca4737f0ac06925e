"""Who is signed in, and the people of a workshop, as their pages show them."""

from judicum import __version__
from judicum.server.answers.courses import Course, InCourse, JoinCode, WorkshopCourse, WorkshopPerson
from judicum.server.answers.people import MyCourse, SignedIn
from judicum.server.people.accounts.actions.second_factor import has_second, lacks_second
from judicum.server.people.accounts.links import for_camera
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.queries import with_courses
from judicum.server.people.courses import models
from judicum.server.people.courses.queries import membership_of
from judicum.server.people.roles import STAFF
from judicum.server.people.workshops.queries import courses_of


def signed_in(who: User) -> SignedIn:
    """Who is signed in, in which units they think, and their courses."""
    user = with_courses(who)
    return SignedIn(
        id=user.pk,
        username=user.username,
        display_name=user.display_name,
        length_unit=user.length_unit,
        shares_pictures=user.shares_pictures,
        flow_unit=user.flow_unit,
        locale=user.locale,
        email=user.email,
        workshop=user.workshop.name,
        owns=user.owns,
        second_factor="on" if has_second(user) else "missing" if lacks_second(user) else "off",
        version=__version__,
        courses=[
            MyCourse(
                id=mine.course_id, name=mine.course.name, role=mine.role, archived=mine.course.archived_at is not None
            )
            for mine in user.memberships.all()
        ],
    )


def course_page(user: User, course_id: int) -> Course:
    """A course; the join code only for those who teach it. Raises NotFound."""
    mine = membership_of(user, course_id)
    course = mine.course
    return Course(
        id=course.pk,
        name=course.name,
        role=mine.role,
        join_code=course.join_code if mine.role in STAFF else None,
        schools=course,
        width_factor=course.width_factor,
        filling=course.filling,
    )


def join_code(course: models.Course, root: str) -> JoinCode:
    """The join code with its address under `root`, the server's own."""
    address = f"{root}join?code={course.join_code}"
    return JoinCode(
        code=course.join_code,
        left=course.join_left,
        until=course.join_until,
        address=address,
        picture=for_camera(address),
    )


def workshop_person(user: User) -> WorkshopPerson:
    """Somebody of the workshop, loaded by `people.workshops.queries.people_of`."""
    return WorkshopPerson(
        id=user.pk,
        username=user.username,
        display_name=user.display_name,
        owns=user.owns,
        is_active=user.is_active,
        second_factor=bool(user.seconds),  # type: ignore[attr-defined]
        courses=[InCourse(course=mine.course.name, role=mine.role) for mine in user.memberships.all()],
    )


def workshop_courses(owner: User) -> list[WorkshopCourse]:
    """Every course of one's workshop, newest first, with one's own role in it. Raises NotAllowed."""
    rows = courses_of(owner)
    roles = dict(models.Membership.objects.filter(user=owner).values_list("course_id", "role"))
    return [
        WorkshopCourse(
            id=row.pk,
            name=row.name,
            people=row.people,  # type: ignore[attr-defined]  # counted by the query
            archived_at=row.archived_at,
            role=roles.get(row.pk),
        )
        for row in rows
    ]
