"""The photos of `./judicum bench-workers`: put them into a course once, then queue them and time the workers.

    python -m judicum.bench.queue fill
    python -m judicum.bench.queue measure WORKERS

Run by `judicum.launch.bench` with the address of a throwaway database.
"""

import sys
import time
from datetime import date

import django

PHOTOS = 16
WARM_UP_S = 120


def fill() -> None:
    """One attempt with PHOTOS drawn photos of eight megapixels, none measured yet."""
    import numpy as np

    from judicum.camera import Scene, View, take_photo, weld
    from judicum.server.accounts.models import User
    from judicum.server.attempts.actions.log_run import log_run
    from judicum.server.attempts.models import Attempt
    from judicum.server.coupons.actions.assign_coupon import assign_coupon
    from judicum.server.coupons.library import load_library
    from judicum.server.coupons.models import Design
    from judicum.server.courses.models import Course, Membership, Role
    from judicum.server.photos.actions.send_photo import send_photo

    load_library()
    course = Course.objects.create(name="Bench", join_code="BENCH1")
    people = [User.objects.create_user(name, "bench-only-password", name) for name in ("teacher", "welder")]
    for person, role in zip(people, (Role.INSTRUCTOR, Role.STUDENT), strict=True):
        Membership.objects.create(user=person, course=course, role=role)
    design = Design.objects.get(code="plate-bead-15", version=1)
    assign_coupon(
        people[0],
        course.pk,
        design_id=design.pk,
        target_width_mm=4.5,
        finish="warm",
        good_in_a_row=3,
        due_on=date.today(),
    )
    attempt = Attempt.objects.get(student=people[1])
    log_run(people[1], attempt.pk, {"current_a": 50, "gas_l_min": 8})
    for seed in range(PHOTOS):
        rng = np.random.default_rng(seed)
        bead = weld(rng, length_mm=80.0, width_mm=4.6, width_cv=0.05, pitch_mm=2.2, pitch_cv=0.1, wander_mm=0.15, bead_level=2, zone_level=4)  # fmt: skip
        view = View(size=(3264, 2448), tilt_deg=6.0, turn_deg=float(rng.normal(0, 4)))
        photo = take_photo(Scene(bead, (42.0, 55.0), 0.0, grain_deg=15, grain=0.4, view=view, seed=seed))
        send_photo(people[1], attempt.pk, photo.jpeg, f"{seed}.jpg", measure=False)


def measure(workers: int) -> float:
    """Photos a minute once the workers are warm: every one is given a photo first, then all are queued and timed."""
    from judicum.server.photos.actions.request_measurement import request_measurement
    from judicum.server.photos.models import Photo

    photos = list(Photo.objects.order_by("id"))
    _until_done([request_measurement(p).pk for p in photos[: 2 * workers]])
    begun = time.perf_counter()
    _until_done([request_measurement(p).pk for p in photos])
    return 60 * len(photos) / (time.perf_counter() - begun)


def _until_done(asked: list[int]) -> None:
    from judicum.server.photos.models import Measurement, MeasurementState

    patience = time.monotonic() + WARM_UP_S
    while Measurement.objects.filter(pk__in=asked).exclude(state=MeasurementState.DONE).exists():
        if time.monotonic() > patience:
            raise SystemExit("the workers did not finish; see var/log/worker-1.log")
        time.sleep(0.02)


if __name__ == "__main__":
    django.setup()
    if sys.argv[1] == "fill":
        fill()
    else:
        sys.stdout.write(f"{measure(int(sys.argv[2])):.2f}\n")
