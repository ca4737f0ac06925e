"""Archives from the command line; runs inside the installed program.

python -m judicum.server.exchange list
python -m judicum.server.exchange export COURSE FILE
python -m judicum.server.exchange import FILE [WORKSHOP]
python -m judicum.server.exchange backup FILE
python -m judicum.server.exchange restore FILE
python -m judicum.server.exchange check-data
"""

import sys
from pathlib import Path

import django

django.setup()

from django.utils import timezone  # noqa: E402

from judicum.core.errors import InvalidValue, JudicumError  # noqa: E402
from judicum.server.catalogue.coupons.library import load_library  # noqa: E402
from judicum.server.exchange.archive.actions.import_course import import_course  # noqa: E402
from judicum.server.exchange.archive.write import archive_of, write_whole  # noqa: E402
from judicum.server.exchange.backup import CannotBackUp, back_up, restore  # noqa: E402
from judicum.server.exchange.check import check_data  # noqa: E402
from judicum.server.people.accounts.models import Workshop  # noqa: E402
from judicum.server.people.courses.models import Course  # noqa: E402


def courses() -> str:
    """Every course with its number."""
    rows = Course.objects.select_related("workshop").order_by("pk")
    return "\n".join(f"{row.pk:>5}  {row.name}  ({row.workshop.name})" for row in rows)


def export(number: str, file: str) -> str:
    """Write a course's archive."""
    course = Course.objects.filter(pk=int(number) if number.isdigit() else 0).first()
    if course is None:
        raise InvalidValue("course", number, "the number of a course:\n" + courses())
    target = Path(file)
    write_whole(target, archive_of(course.pk))
    return f"{course.name} is in {target} ({target.stat().st_size / 1e6:.1f} MB)."


def bring_in(file: str, name: str = "") -> str:
    """Import a course's archive into the workshop of that name, or the only one."""
    load_library()
    rows = Workshop.objects.filter(name=name) if name else Workshop.objects.all()
    if rows.count() != 1:
        names = (
            ", ".join(Workshop.objects.values_list("name", flat=True)) or "none is here yet: ./judicum start makes one"
        )
        raise InvalidValue("workshop", name or None, f"one of {names}")
    course, new = import_course(Path(file), rows.get())
    return f"{course.name} is course {course.pk}." if new else f"{course.name} is here already, as course {course.pk}."


def backup(file: str) -> str:
    """Everything, into one file."""
    made = back_up(Path(file), timezone.now())
    lost = f" {len(made['missing'])} files that rows name were not there." if made["missing"] else ""
    return f"{file}: the database and {made['files']} files, {made['bytes'] / 1e6:.1f} MB.{lost}"


def put_back(file: str) -> str:
    """A backup into an empty database and store."""
    if not Path(file).is_file():
        raise InvalidValue("backup", file, "a file that is there")
    counts = restore(Path(file))
    return f"Restored: the database and {counts['files']} files of {counts['at']}."


def check() -> str:
    """What is wrong with rows and files; ends the program with 1 where anything is."""
    found = list(check_data())
    for one in found:
        print(f"{one.kind}: {one.where}")
    if found:
        raise InvalidValue("data", f"{len(found)} things", "none: see the list above")
    return "Every file is there and as it was stored, and every row points to one that is there."


DOES = {
    "list": courses,
    "export": export,
    "import": bring_in,
    "backup": backup,
    "restore": put_back,
    "check-data": check,
}

if __name__ == "__main__":
    try:
        print(DOES[sys.argv[1]](*sys.argv[2:]))  # type: ignore[operator]
    except (JudicumError, CannotBackUp) as error:
        sys.exit(f"judicum: {error}")
