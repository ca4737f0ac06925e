"""Who takes part in a course."""

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from judicum.core.choices import Choice
from judicum.core.errors import InvalidValue, said
from judicum.core.fields import Text
from judicum.core.sheets import Column
from judicum.server.exchange.sheets.base import Done, Sheet
from judicum.server.people.accounts.actions.make_account import make_account
from judicum.server.people.accounts.links import reset_path
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.names import skeleton
from judicum.server.people.courses.actions.join_course import units_of
from judicum.server.people.courses.actions.set_members import set_role
from judicum.server.people.courses.models import Course, Membership
from judicum.server.people.courses.queries import members
from judicum.server.people.roles import Role
from judicum.words.attempts import ROLES
from judicum.words.catalogue import t
from judicum.words.names import named

COLUMNS = (
    Column(Text("username", 60), needed=True),
    Column(Text("name", 80)),
    Column(Choice("role", ROLES)),
)


def rows(course: Course) -> Iterator[Sequence[Any]]:
    for member in members(course.pk):
        yield member.user.username, member.user.display_name, member.role


def put(user: User, course: Course, values: Mapping[str, Any]) -> Done:
    """Somebody new of the workshop, somebody of it whom an owner takes into the course, or a member with another role.

    Raises:
        InvalidValue: a name that somebody of another workshop has, or another name than the one somebody gave themselves;
            somebody who has an account and is not in the course: they join by its code, or an owner takes them in.
    """
    login, role = values["username"], values.get("role")
    there = User.objects.filter(skeleton=skeleton(login)).first()
    if there is None:
        return _new(course, login, values.get("name") or login, role or Role.STUDENT)
    if there.workshop_id != course.workshop_id or there.removed_at is not None:
        raise InvalidValue("username", login, said("allowed-a-name-that-nobody-of-this"))
    member = Membership.objects.filter(course=course, user=there).first()
    if member is None and not user.owns:
        raise InvalidValue("username", login, said("allowed-join-by-code-or-owner"))
    name = values.get("name")
    if name and name != there.display_name:
        raise InvalidValue("name", name, said("allowed-a-name-is-its-owners-to", name=there.display_name))
    if member is None:
        Membership.objects.create(course=course, user=there, role=role or Role.STUDENT)
        return Done("made", t("done-joins", name=there.display_name))
    if role in (None, member.role):
        return Done("same", there.display_name)
    set_role(user, course.pk, member.pk, str(role))
    return Done("changed", t("done-role", name=there.display_name, role=named("role", role)))


def _new(course: Course, login: str, name: str, role: str) -> Done:
    made = make_account(course.workshop, login, name, fields=("username", "name"), **units_of(course))
    Membership.objects.create(course=course, user=made, role=role)
    return Done("made", t("done-account", name=made.display_name), reset_path(made))


SHEET = Sheet("people", lambda course: COLUMNS, rows, put, instructors=True)
