"""Loads the demo course if it is not there and says how to sign in."""

import sys
import time

import django

django.setup()

from judicum.demo.scenario import PASSWORD, scenario  # noqa: E402
from judicum.server.courses.models import Course  # noqa: E402


def main() -> None:
    """Load the course at the first start; print the logins at every start."""
    told = scenario()
    if not Course.objects.filter(join_code=told["course"]["join_code"]).exists():
        from judicum.demo.load import load  # draws and measures: slow to import

        print("  loading the demo course: drawing and measuring its photos …", end="", file=sys.stderr, flush=True)
        begun = time.monotonic()
        load(told)
        print(f" {time.monotonic() - begun:.1f} s", file=sys.stderr)
    print(f"Demo logins (password {PASSWORD}):")
    for person in told["staff"]:
        print(f"  {person['role']:<11} {person['username']}")
    print(f"  {'students':<11} {', '.join(p['username'] for p in told['students'])}")
    print(f"Course code for new students: {told['course']['join_code']}")


if __name__ == "__main__":
    main()
