"""Looking into pictures that somebody sent, in processes of their own and only so many at a time.

A picture may take hundreds of megabytes while it is unpacked, or break what unpacks it; neither may reach a web server's
process. The places are locks on files, so that they count for all processes of a machine.
"""

import fcntl
import json
import signal
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from django.conf import settings

from judicum.core.errors import Busy, UnreadablePicture
from judicum.core.photo.arrive import Arrived
from judicum.core.photo.decode import LARGE_PIXELS, pixels_of

AT_ONCE = 2
"""Pictures that are looked into at the same time."""
MOST_WAIT_S = 10.0
"""So long a request waits for a place; then the phone is told to send its last piece again."""
MOST_S = 60.0
ENDED = (-signal.SIGTERM, -signal.SIGKILL, -signal.SIGINT, -signal.SIGHUP)
"""Ends that say nothing about the picture: somebody else sent the signal."""


@contextmanager
def place(name: str, count: int, most_wait_s: float | None = MOST_WAIT_S) -> Iterator[None]:
    """Hold one of `count` places of this machine. Raises Busy where none comes free in time; None waits for ever."""
    folder = Path(settings.VAR) / "places"
    folder.mkdir(parents=True, exist_ok=True)
    deadline = None if most_wait_s is None else time.monotonic() + most_wait_s
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
            raise Busy("Many photos are arriving at once; this one is sent again by itself in a moment.")
        time.sleep(0.05)


@contextmanager
def room_for(data: bytes, most_wait_s: float | None = MOST_WAIT_S) -> Iterator[None]:
    """Where a picture is a large one: the machine's one place for such. Raises Busy, UnreadablePicture."""
    if pixels_of(data) < LARGE_PIXELS:
        yield
        return
    with place("large", 1, most_wait_s):
        yield


def look_apart(data: bytes) -> Arrived:
    """`look_into` in a process of its own.

    Raises:
        UnreadablePicture: no picture, or one that cannot be unpacked within the limits of memory and time.
        Busy: no place came free in time.
    """
    with place("look", AT_ONCE), room_for(data):
        try:
            done = subprocess.run(
                [sys.executable, "-m", "judicum.core.photo.arrive"], input=data, capture_output=True, timeout=MOST_S
            )
        except subprocess.TimeoutExpired as error:
            raise UnreadablePicture("The picture takes too long to unpack; send it as a plain JPEG.") from error
    if done.returncode in ENDED:
        raise Busy("The server was just stopped or started again; this photo is sent again by itself in a moment.")
    line, _, shown = done.stdout.partition(b"\n")
    told: dict[str, Any] = (
        json.loads(line) if done.returncode == 0 and line else {"unreadable": "The picture cannot be unpacked."}
    )
    if "unreadable" in told:
        raise UnreadablePicture(told["unreadable"])
    return Arrived(told["media_type"], told["width_px"], told["height_px"], shown)
