"""Loads the demo course if it is not there and says how to sign in."""

import sys
import time

import django

django.setup()

from judicum.demo.load import PASSWORD, load  # noqa: E402
from judicum.demo.scenario import scenario  # noqa: E402

if __name__ == "__main__":
    told = scenario()
    print("  loading the demo course: drawing and measuring its photos …", end="", file=sys.stderr, flush=True)
    begun = time.monotonic()
    there = not load()
    print(" there already" if there else f" {time.monotonic() - begun:.1f} s", file=sys.stderr)
    print(f"Demo logins (password {PASSWORD}):")
    for person in told["staff"]:
        print(f"  {person['role']:<11} {person['username']}")
    print(f"  {'students':<11} {', '.join(p['username'] for p in told['students'])}")
    print(f"Course code for new students: {told['course']['join_code']}")
