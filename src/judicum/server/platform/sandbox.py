"""Pictures that somebody sent are unpacked in processes of their own, only so many at a time.

A picture may take hundreds of megabytes while it is unpacked, or break what unpacks it; neither may reach a web server's
process. The slots are locks on files, so that they count for all processes of a machine.
"""

import fcntl
import json
import os
import signal
import subprocess
import sys
import time
from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from django.conf import settings

from judicum.core.errors import Busy, UnreadablePicture, said
from judicum.core.photo.picture_file import LARGE_PIXELS, Ingested, PhotoProblem, is_clip, pixels_of
from judicum.core.photo.weights import FOLDER, own_folder

SLOTS = 2
"""Pictures that are unpacked at the same time."""
MAX_WAIT_S = 10.0
"""So long a request waits for a slot; then the phone is told to send its last piece again."""
MAX_S = 60.0
"""s. So long one picture may take, waiting for the processor counted in."""
ENDED = (-signal.SIGTERM, -signal.SIGKILL, -signal.SIGINT, -signal.SIGHUP)
"""Ends that say nothing about the picture: somebody else sent the signal."""


@contextmanager
def slot(name: str, count: int, max_wait_s: float | None = MAX_WAIT_S) -> Iterator[None]:
    """Hold one of `count` slots of this machine. Raises Busy where none comes free in time; None waits for ever."""
    folder = Path(settings.VAR) / "slots"
    folder.mkdir(parents=True, exist_ok=True)
    deadline = None if max_wait_s is None else time.monotonic() + max_wait_s
    while True:
        for k in range(count):
            with (folder / f"{name}-{k}").open("w") as lock:
                try:
                    fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
                except OSError:
                    continue
                yield
                return
        if deadline is not None and time.monotonic() > deadline:
            raise Busy(said("refused-many-photos-are-arriving-at-once"))
        time.sleep(0.05)


@contextmanager
def large_picture_slot(data: bytes, max_wait_s: float | None = MAX_WAIT_S) -> Iterator[None]:
    """Where a picture is a large one: the machine's one slot for such. Raises Busy, UnreadablePicture."""
    if is_clip(data) or pixels_of(data) < LARGE_PIXELS:
        yield
        return
    with slot("large", 1, max_wait_s):
        yield


def run_in_sandbox(job: str, data: bytes, **given: Any) -> tuple[Any, bytes]:
    """Run one of `judicum.core.photo.sandboxed.JOBS` on a picture file; returns what it made, as JSON and as a file.

    It measures with the weights that are chosen here.

    Raises:
        UnreadablePicture: no picture, or one that cannot be unpacked within the limits of memory and time.
        Busy: no slot came free in time, or the server was stopped.
    """
    sent = json.dumps(given).encode() + b"\n" + data
    with slot("sandbox", SLOTS), large_picture_slot(data):
        try:
            done = subprocess.run(
                [sys.executable, "-m", "judicum.core.photo.sandboxed", job],
                input=sent,
                env={**os.environ, FOLDER: str(own_folder() or "")},
                capture_output=True,
                timeout=MAX_S,
            )
        except subprocess.TimeoutExpired as error:
            raise UnreadablePicture(said("refused-the-picture-takes-too-long-to")) from error
    if done.returncode in ENDED:
        raise Busy(said("refused-the-server-was-just-stopped-or"))
    line, _, file = done.stdout.partition(b"\n")
    if done.returncode or not line:
        raise UnreadablePicture(said("refused-the-picture-cannot-be-unpacked"))
    answer: dict[str, Any] = json.loads(line)
    if "unreadable" in answer:
        name, variables = answer["unreadable"]
        raise UnreadablePicture(said(name, **variables))
    return answer["made"], file


def ingest_in_sandbox(data: bytes) -> Ingested:
    """What a picture is, cleaned, with a copy to show. Raises UnreadablePicture, Busy."""
    made, files = run_in_sandbox("ingest", data)
    size = made.pop("original_bytes")
    return Ingested(**made, original=files[:size], shown=files[size:])


def clean_in_sandbox(data: bytes) -> bytes:
    """A picture file without what it tells of people and places. Raises UnreadablePicture, Busy."""
    return run_in_sandbox("clean", data)[1]


def precheck_in_sandbox(data: bytes, long_side_px: int | None) -> list[PhotoProblem]:
    """What is wrong at first sight with a photo of which `data` is a small copy. Raises UnreadablePicture, Busy."""
    made, _ = run_in_sandbox("precheck", data, long_side_px=long_side_px)
    return [PhotoProblem(**one) for one in made]


def strip_in_sandbox(data: bytes, bead: Mapping[str, object]) -> bytes:
    """The strip of a bead (`Bead.as_json`) cut out of its photo, as a JPEG file. Raises UnreadablePicture, Busy."""
    return run_in_sandbox("cut_strip", data, bead=bead)[1]
