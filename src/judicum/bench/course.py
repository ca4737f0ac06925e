"""What the benches of a running service need first: a course with a welder, a photo to send, somebody signed in."""

from dataclasses import dataclass
from datetime import date
from typing import Any


@dataclass(frozen=True)
class BenchCourse:
    """A course with its teacher and one welder, whose first attempt at the one coupon is logged."""

    course: Any
    teacher: Any
    welder: Any
    assignment: Any
    attempt: Any


def bench_course() -> BenchCourse:
    """Make the course, its people and the logged attempt."""
    from judicum.server.catalogue.coupons.library import load_library
    from judicum.server.people.accounts.models import User, Workshop
    from judicum.server.people.courses.models import Course, Membership
    from judicum.server.people.roles import Role
    from judicum.server.record.attempts.actions.log_run import log_run
    from judicum.server.record.attempts.models import Attempt

    load_library()
    workshop = Workshop.objects.create(name="Bench")
    course = Course.objects.create(workshop=workshop, name="Bench", join_code="BENCH001")
    teacher, welder = (
        User.objects.create_user(name, "bench-only-password", workshop=workshop) for name in ("teacher", "welder")
    )
    for person, role in ((teacher, Role.INSTRUCTOR), (welder, Role.STUDENT)):
        Membership.objects.create(user=person, course=course, role=role)
    assignment = give_coupon(teacher, course.pk)
    attempt = Attempt.objects.get(student=welder)
    log_run(welder, attempt.pk, {"current_a": 50, "gas_l_min": 8})
    return BenchCourse(course, teacher, welder, assignment, attempt)


def give_coupon(teacher: Any, course_id: int) -> Any:
    """A plate to weld a bead on, for everybody in the course."""
    from judicum.server.catalogue.coupons.models import Design
    from judicum.server.record.attempts.actions.assign_coupon import assign_coupon

    design = Design.objects.get(code="plate-bead-15", version=1)
    goal = {"target_width_mm": 4.5, "finish": "warm", "good_in_a_row": 3, "due_on": date.today()}
    return assign_coupon(teacher, course_id, design_id=design.pk, **goal)  # type: ignore[arg-type]


def drawn(seed: int = 3) -> bytes:
    """A photo of a bead from the simulated camera, eight megapixels, another one for each seed."""
    import numpy as np

    from judicum.camera import Scene, View, take_photo, weld

    rng = np.random.default_rng(seed)
    bead = weld(rng, length_mm=80.0, width_mm=4.6, width_cv=0.05, pitch_mm=2.2, pitch_cv=0.1, wander_mm=0.15, bead_level=2, zone_level=4)  # fmt: skip
    view = View(size=(3264, 2448), tilt_deg=6.0, turn_deg=float(rng.normal(0, 4)))
    return take_photo(Scene(bead, (42.0, 55.0), 0.0, grain_deg=15, grain=0.4, view=view, seed=seed)).jpeg


def session_of(user: Any) -> str:
    """The key of a session in which somebody is signed in, without the time that a password's hash takes."""
    from django.contrib.auth import BACKEND_SESSION_KEY, HASH_SESSION_KEY, SESSION_KEY
    from django.contrib.sessions.backends.db import SessionStore

    store = SessionStore()
    store[SESSION_KEY] = str(user.pk)
    store[BACKEND_SESSION_KEY] = "django.contrib.auth.backends.ModelBackend"
    store[HASH_SESSION_KEY] = user.get_session_auth_hash()
    store.save()
    return str(store.session_key)
