"""Makes the demo course if it is not there and says how to sign in; `fill` brings in what was welded."""

import sys
import time

import django

django.setup()

from judicum.demo.load import load  # noqa: E402
from judicum.demo.scenario import PASSWORD, scenario  # noqa: E402
from judicum.server.people.courses.models import Course  # noqa: E402


def main() -> None:
    """Make the course at the first start; print the logins at every start."""
    course = scenario()
    if sys.argv[1:] == ["fill"]:
        from judicum.demo.fill import fill  # draws and measures: slow to import

        begun = time.monotonic()
        print(f"{fill(course)} attempts brought in, {time.monotonic() - begun:.0f} s")
        return
    if not Course.objects.filter(join_code=course["course"]["join_code"]).exists():
        load(course)
    print(f"Demo logins (password {PASSWORD}):")
    for person in course["staff"]:
        print(f"  {person['role']:<11} {person['username']}")
    print(f"  {'students':<11} {', '.join(p['username'] for p in course['students'])}")
    print(f"Course code for new students: {course['course']['join_code']}")
    if Course.objects.filter(join_code=course["course"]["join_code"], filling__isnull=False).exists():
        print("The course fills while you watch: about 120 attempts, a few minutes; the page shows how far it is.")


if __name__ == "__main__":
    main()
