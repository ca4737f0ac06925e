"""`./judicum bench-workers`: how many photos a minute one worker measures, and two, in one run."""

import os
import shutil
import signal
import subprocess
import tempfile
from pathlib import Path

from judicum.launch import install
from judicum.launch.children import workers
from judicum.launch.cluster import throwaway
from judicum.launch.places import LOGS, PYTHON, ROOT
from judicum.launch.serve import environment
from judicum.launch.steps import run, step

ROUNDS = (1, 2, 1, 2)


def bench_workers() -> int:
    """Queue the same photos for one worker and for two by turns, and print the rates and their ratio."""
    with install.only_one():
        install.python_packages()
    cluster = throwaway()
    scratch = Path(tempfile.mkdtemp(prefix="judicum-bench-var-"))
    rates: dict[int, list[float]] = {1: [], 2: []}
    try:
        cluster.start()
        env = {**environment(cluster, "only-for-a-bench"), "JUDICUM_VAR": str(scratch)}
        with step("making the tables, drawing the photos"):
            run([PYTHON, "-m", "django", "migrate", "--noinput"], why="migrate", env=env, log=LOGS / "migrate.log")
            _queue(env, "fill")
        for count in ROUNDS:
            with step(f"measuring with {count} worker{'s' if count > 1 else ''}"):
                children = workers(env, count)
                for child in children:
                    child.start()
                try:
                    rates[count].append(float(_queue(env, "measure", str(count))))
                finally:
                    for child in children:
                        if child.process:
                            os.killpg(child.process.pid, signal.SIGTERM)
                            child.process.wait(20)
    finally:
        cluster.stop()
        cluster.remove()
        shutil.rmtree(scratch, ignore_errors=True)
    one, two = (max(rates[k]) for k in (1, 2))
    print(f"photos a minute: one worker {one:.0f}, two workers {two:.0f}, {two / one:.2f} times as many")
    return 0


def _queue(env: dict[str, str], *arguments: str) -> str:
    done = subprocess.run(
        [PYTHON, "-m", "judicum.bench.queue", *arguments], env=env, cwd=ROOT, stdout=subprocess.PIPE, check=True
    )
    return done.stdout.decode().strip()
