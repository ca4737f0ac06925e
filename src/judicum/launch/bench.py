"""`./judicum bench-…`: the commands that need a service of their own, on a database that goes with them."""

import os
import shutil
import subprocess
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from judicum.launch import install
from judicum.launch.children import Child, bring_up_to_date, end, wait_until_up, web, workers
from judicum.launch.cluster import free_port, throwaway
from judicum.launch.copy import copy_checkout
from judicum.launch.places import PYTHON, ROOT
from judicum.launch.serve import environment
from judicum.launch.steps import step

ROUNDS = (1, 2, 1, 2)


@contextmanager
def service() -> Iterator[dict[str, str]]:
    """The environment of a throwaway database with its tables made, and a folder for files; both go at the end."""
    with install.only_one():
        install.python_packages()
        install.page()
        install.nginx()
    cluster = throwaway()
    scratch = Path(tempfile.mkdtemp(prefix="judicum-bench-var-"))
    try:
        cluster.start()
        env = {**environment(cluster, "only-for-a-bench"), "JUDICUM_VAR": str(scratch)}
        bring_up_to_date(env)
        yield env
    finally:
        cluster.stop()
        cluster.remove()
        shutil.rmtree(scratch, ignore_errors=True)


@contextmanager
def running(children: list[Child]) -> Iterator[list[Child]]:
    """The processes, started; ended at the end."""
    try:
        for child in children:
            child.start()
        yield children
    finally:
        end(children)


def bench_load() -> int:
    """Fill a database with 200,000 attempts and let one person, then fifty, use the whole service on it."""
    with service() as env:
        with step("writing 200,000 attempts"):
            said = _python(env, "judicum.bench.load", "fill")
        print(said, flush=True)
        port = free_port()
        with running([*web(env, "127.0.0.1", port), *workers(env)]) as children:
            wait_until_up("127.0.0.1", port, children)
            pids = [str(child.process.pid) for child in children if child.process]
            command = [str(PYTHON), "-m", "judicum.bench.load", "measure", str(port), *pids]
            return subprocess.run(command, env=env, cwd=ROOT).returncode


def bench_fuzz(calls: int) -> int:
    """Odd calls of every address on a database of their own; what is at fault is printed."""
    with install.only_one():
        install.python_packages(dev=True)
    with service() as env:
        command = [str(PYTHON), "-m", "judicum.bench.fuzz", str(calls)]
        return subprocess.run(command, env={**env, "JUDICUM_HOSTS": "*"}, cwd=ROOT).returncode


def bench_faults(kills: int) -> int:
    """Start a copy of the checkout, let phones send photos, kill its parts at random; nothing may be lost or stuck."""
    with install.only_one():
        install.python_packages()
        install.page()
    scratch = Path(tempfile.mkdtemp(prefix="judicum-bench-faults-"))
    try:
        folder = copy_checkout(scratch / "judicum")
        scratch.chmod(0o755)
        command = [str(PYTHON), "-m", "judicum.bench.faults", str(folder), str(kills)]
        return subprocess.run(command, env={**os.environ, "PYTHONPATH": str(ROOT / "src")}, cwd=ROOT).returncode
    finally:
        shutil.rmtree(scratch, ignore_errors=True)


def bench_workers() -> int:
    """Queue the same photos for one worker and for two by turns, and print the rates and their ratio."""
    rates: dict[int, list[float]] = {1: [], 2: []}
    with service() as env:
        with step("drawing the photos"):
            _python(env, "judicum.bench.queue", "fill")
        for count in ROUNDS:
            with step(f"measuring with {count} worker{'s' if count > 1 else ''}"), running(workers(env, count)):
                rates[count].append(float(_python(env, "judicum.bench.queue", "measure", str(count))))
    one, two = (max(rates[k]) for k in (1, 2))
    print(f"photos a minute: one worker {one:.0f}, two workers {two:.0f}, {two / one:.2f} times as many")
    return 0


def _python(env: dict[str, str], module: str, *arguments: str) -> str:
    command = [str(PYTHON), "-m", module, *arguments]
    return subprocess.run(command, env=env, cwd=ROOT, stdout=subprocess.PIPE, check=True).stdout.decode().strip()
