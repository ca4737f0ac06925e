"""The photos of `./judicum bench-workers`: put them into a course once, then queue them and time the workers.

    python -m judicum.bench.queue fill
    python -m judicum.bench.queue measure WORKERS

Run by `judicum.launch.bench` with the address of a throwaway database.
"""

import sys
import time

import django

PHOTOS = 16
WARM_UP_S = 120


def fill() -> None:
    """One attempt with PHOTOS drawn photos of eight megapixels, none measured yet."""
    from judicum.bench.course import bench_course, drawn
    from judicum.server.record.photos.actions.send_photo import send_photo

    made = bench_course()
    for seed in range(PHOTOS):
        send_photo(made.welder, made.attempt.pk, drawn(seed), f"{seed}.jpg", measure=False)


def measure(workers: int) -> float:
    """Photos a minute once the workers are warm: every one is given a photo first, then all are queued and timed."""
    from judicum.server.record.photos.actions.request_measurement import request_measurement
    from judicum.server.record.photos.models import Photo

    photos = list(Photo.objects.order_by("id"))
    _until_done([request_measurement(p).pk for p in photos[: 2 * workers]])
    begun = time.perf_counter()
    _until_done([request_measurement(p).pk for p in photos])
    return 60 * len(photos) / (time.perf_counter() - begun)


def _until_done(asked: list[int]) -> None:
    from judicum.server.record.photos.models import Measurement, MeasurementState

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
