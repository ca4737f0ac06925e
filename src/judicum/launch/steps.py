"""Saying what is done and how long it took, and failing in one clear line."""

import errno
import subprocess
import sys
import threading
import time
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from pathlib import Path


class Trouble(Exception):
    """Something that stops the command; its text is the one line the person sees."""


@contextmanager
def step(what: str) -> Iterator[None]:
    """Print what is being done, then how long it took; of several side by side, each in one line at its end."""
    aside = threading.current_thread() is not threading.main_thread()
    label = f"  {what} …"
    if not aside:
        print(label, end="", file=sys.stderr, flush=True)
    begun, outcome = time.monotonic(), "failed"
    try:
        yield
        outcome = f"{time.monotonic() - begun:.1f} s"
    finally:
        print(f"{label if aside else ''} {outcome}", file=sys.stderr, flush=True)


def run(
    command: Sequence[object],
    *,
    why: str,
    log: Path | None = None,
    env: Mapping[str, str] | None = None,
    cwd: Path | None = None,
) -> str:
    """Run a command and return what it printed.

    Args:
        why: what could not be done, for the error line.
        log: file that keeps all output.

    Raises:
        Trouble: the command is missing or failed; the line carries its last words.
    """
    try:
        done = subprocess.run(
            [str(c) for c in command],
            stdout=subprocess.PIPE,
            stderr=subprocess.STDOUT,
            stdin=subprocess.DEVNULL,
            env=env,
            cwd=cwd,
        )
    except FileNotFoundError as error:
        raise Trouble(f"{why}: {command[0]} is not on this machine") from error
    except OSError as error:
        raise Trouble(f"{why}: {error.strerror}") from error
    said = done.stdout.decode("utf-8", "replace")
    if log is not None:
        log.parent.mkdir(parents=True, exist_ok=True)
        log.write_text(said)
    if done.returncode:
        raise Trouble(
            f"{why}: {_last_words(said) or f'exit code {done.returncode}'}" + (f" (all of it in {log})" if log else "")
        )
    return said


def _last_words(said: str) -> str:
    if "No space left on device" in said:
        return "the disk is full"
    lines = [line.strip() for line in said.splitlines() if line.strip() and not line.lstrip().startswith("[notice]")]
    errors = [
        line for line in lines if line.lower().startswith(("error", "e:", "fatal", "npm error", "postgres: fatal"))
    ]
    return (errors or lines or [""])[-1][:300]


def in_words(error: OSError) -> str:
    """An operating system error as one line."""
    if error.errno == errno.ENOSPC:
        return "the disk is full; make room and run the command again"
    return f"{error.strerror or error}" + (f": {error.filename}" if error.filename else "")
