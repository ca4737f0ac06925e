"""`./judicum bench-photo`: draw the fixed set, measure it, print the table by kind and the time beside plain decoding."""

import os
import time
from collections.abc import Sequence
from concurrent.futures import ProcessPoolExecutor
from multiprocessing import get_context
from typing import Any

import cv2
import numpy as np

from judicum.bench.scenes import Case, cases
from judicum.bench.score import Tally, judge, table
from judicum.camera import take_photo
from judicum.core.photo.measure import measure_photo

ROUNDS = 3

Outcome = tuple[Case, dict[str, object] | None, dict[str, object]]


def _one(case: Case) -> Outcome:
    cv2.setNumThreads(1)
    photo = take_photo(case.scene)
    return case, photo.truth, measure_photo(photo.jpeg, case.name).report.as_json()


def bench(share: float, seed: int = 0) -> str:
    """Measure the set (or its first share), or another seed of it, and return the report as Markdown."""
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        done = list(pool.map(_one, cases(share, seed)))
    tallies: dict[str, Tally] = {}
    refusals = []
    for case, truth, report in done:
        if case.refusal is not None:
            refused = report["refusal"]
            refusals.append((case, refused["code"] if isinstance(refused, dict) else "measured"))
        elif truth is not None:
            judge(tallies.setdefault(case.kind, Tally()), truth, report)
    right = sum(code == case.refusal for case, code in refusals)
    wrong = ", ".join(f"{case.name} {case.refusal} → {code}" for case, code in refusals if code != case.refusal)
    parts = [table(tallies), "", f"Refusals: {right} of {len(refusals)} right." + (f" Not: {wrong}." if wrong else "")]
    return "\n".join([*parts, "", speed(done)])


def speed(done: Sequence[Outcome]) -> str:
    """Time of measuring against that of decoding alone, on one core, over the set's photos of 12 megapixels.

    In a process of its own that draws nothing, as a worker is: where pictures have been drawn, room for another lies ready, and
    decoding alone takes three fifths of the time.
    """
    large = [case for case, truth, _ in done if truth is not None and case.scene.view.size == (4000, 3000)][:5]
    if not large:
        return "No photo of 12 megapixels in this share of the set."
    with ProcessPoolExecutor(1, mp_context=get_context("spawn")) as alone:
        decoding, measuring = alone.submit(_times, [take_photo(case.scene).jpeg for case in large]).result()
    times = f"decoding {1000 * decoding:.0f} ms, measuring {1000 * measuring:.0f} ms"
    return f"12 megapixels, one core: {times}, {measuring / decoding:.1f} times as long."


def _times(photos: Sequence[bytes]) -> tuple[float, float]:
    """Median seconds to decode a photo, and to measure it."""
    cv2.setNumThreads(1)
    taken: dict[Any, list[float]] = {_decode: [], measure_photo: []}
    # By turns, so that what else the machine does weighs on both.
    for jpeg in ROUNDS * list(photos):
        for work, seconds in taken.items():
            begun = time.perf_counter()
            work(jpeg)
            seconds.append(time.perf_counter() - begun)
    decoding, measuring = (float(np.median(seconds)) for seconds in taken.values())
    return decoding, measuring


def _decode(jpeg: bytes) -> object:
    return cv2.imdecode(np.frombuffer(jpeg, np.uint8), cv2.IMREAD_COLOR)
