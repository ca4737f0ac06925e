"""What is done to accounts on the server itself; runs inside the installed program.

python -m judicum.launch.accounts first OWNER           the first workshop of an empty installation, with its owner
python -m judicum.launch.accounts workshop NAME OWNER    one more workshop
python -m judicum.launch.accounts recover LOGIN ADDRESS  somebody who has lost password and second factor
"""

import sys
from collections.abc import Callable

import django

django.setup()

from django.db import transaction  # noqa: E402

from judicum.core.errors import InvalidValue, JudicumError  # noqa: E402
from judicum.server.catalogue.coupons.library import load_library  # noqa: E402
from judicum.server.people.accounts.actions.second_factor import drop_second  # noqa: E402
from judicum.server.people.accounts.actions.set_password import sign_out_everywhere  # noqa: E402
from judicum.server.people.accounts.links import reset_path  # noqa: E402
from judicum.server.people.accounts.models import User  # noqa: E402
from judicum.server.people.accounts.names import skeleton  # noqa: E402
from judicum.server.people.workshops.actions.set_workshop import make_workshop  # noqa: E402
from judicum.server.upkeep.create_course import create_course  # noqa: E402


@transaction.atomic
def first(owner: str) -> str:
    """The first workshop with its owner and a course; says what was made, or that there is one."""
    load_library()
    if User.objects.exists():
        return "Sign in with your own name."
    return workshop("My workshop", owner)


@transaction.atomic
def workshop(name: str, owner: str) -> str:
    """One more workshop with its owner and a first course; says what was made."""
    load_library()
    user, password = make_workshop(name, owner)
    course = create_course(user, "My first course")
    message = f"Owner of {name}: name {user.username}, password {password} (shown only now)"
    return f"{message}\nStudents join with the code {course.join_code}."


@transaction.atomic
def recover(login: str, address: str) -> str:
    """A one-time address at which somebody sets a new password; their second factor is gone."""
    user = User.objects.select_for_update().filter(skeleton=skeleton(login), removed_at=None).first()
    if user is None:
        raise InvalidValue("login", login, "the login name of somebody on this server")
    drop_second(user)
    sign_out_everywhere(user)
    user.is_active = True
    user.save(update_fields=["is_active"])
    return f"{user.username} sets a new password, once and within a day, at\n{address}{reset_path(user)}"


DOES: dict[str, Callable[..., str]] = {"first": first, "workshop": workshop, "recover": recover}

if __name__ == "__main__":
    try:
        print(DOES[sys.argv[1]](*sys.argv[2:]))
    except JudicumError as error:
        sys.exit(f"judicum: {error}")
