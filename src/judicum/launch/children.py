"""The processes that make up the application: how each is started, watched and ended."""

import contextlib
import os
import shutil
import signal
import subprocess
import sys
import time
from collections.abc import Callable
from dataclasses import dataclass, field
from pathlib import Path

from judicum.launch import install, proxy
from judicum.launch.cluster import free_port
from judicum.launch.https import Tls
from judicum.launch.places import LOGS, ONE_CORE, PYTHON, ROOT, SETTINGS
from judicum.launch.steps import Trouble, run, step

MAX_WORKERS = 4
OUR_PROGRAM = {"PYTHONPATH": str(ROOT / "src"), "PYTHONUNBUFFERED": "1", "DJANGO_SETTINGS_MODULE": SETTINGS}
"""What every process of the application needs to find itself."""
WEB_PROCESSES = 2
MAX_STARTS = 5
"""Starts within a minute after which a program is given a rest."""
REST_S = 10.0
"""Seconds of that rest between two starts."""


@dataclass
class Child:
    """A process that is kept running: what it is called, how it is started, and it."""

    name: str
    command: list[str]
    env: dict[str, str]
    once: bool = False
    """Whether it has an end of its own: it is started again only where it broke down."""
    process: "subprocess.Popen[bytes] | None" = None
    starts: list[float] = field(default_factory=list)

    def start(self) -> None:
        """Start it in a process group of its own, its words going to a log file; what an earlier start left is ended."""
        if self.process:
            # Its own children outlive it, and nginx's keep the port.
            signal_group(self.process.pid, signal.SIGKILL)
        LOGS.mkdir(parents=True, exist_ok=True)
        with (LOGS / f"{self.name}.log").open("ab") as log:
            self.process = subprocess.Popen(
                self.command,
                env=self.env,
                stdout=log,
                stderr=log,
                stdin=subprocess.DEVNULL,
                cwd=ROOT,
                start_new_session=True,
            )
        self.starts.append(time.monotonic())

    @property
    def resting(self) -> bool:
        """Whether it was started MAX_STARTS times within a minute, the last time only just now."""
        lately = [s for s in self.starts if s > time.monotonic() - 60]
        return len(lately) >= MAX_STARTS and lately[-1] > time.monotonic() - REST_S


def bring_up_to_date(env: dict[str, str]) -> None:
    """Make or change the tables of the database that `env` names."""
    with step("bringing the database up to date"):
        command = [PYTHON, "-m", "django", "migrate", "--noinput"]
        run(command, why="the database cannot be brought up to date", env=env, log=LOGS / "migrate.log")


def interrupt(signum: int, frame: object) -> None:
    """A signal's handler: asked to end, as if by Ctrl-C."""
    raise KeyboardInterrupt


def web(env: dict[str, str], host: str, port: int, tls: Tls | None = None) -> list[Child]:
    """nginx on `host` and `port`, and behind it the application's processes, each on a port of its own.

    nginx gives a request to the one that has least to do; processes that share a port take them as they come.
    """
    var = Path(env["JUDICUM_VAR"])
    inner = [f"127.0.0.1:{free_port()}" for _ in range(WEB_PROCESSES)]
    listen = f"[{host}]:{port}" if ":" in host else f"{host}:{port}"
    file = proxy.write(listen, inner, var / f"nginx-{port}", env.get("JUDICUM_METRICS_FROM", "").split(), tls)
    nginx = [str(install.nginx()), "-e", "stderr", "-p", str(file.parent), "-c", str(file)]
    counted = var / f"metrics-{port}"
    shutil.rmtree(counted, ignore_errors=True)
    counted.mkdir(parents=True)
    gunicorn = [
        str(PYTHON),
        "-m",
        "gunicorn",
        "judicum.server.config.wsgi",
        "-c",
        "python:judicum.server.config.gunicorn",
    ]
    own = {
        **env,
        # One proxy more stands before the application than stand before this host.
        "JUDICUM_PROXIES": str(int(env.get("JUDICUM_PROXIES", "0")) + 1),
        "PROMETHEUS_MULTIPROC_DIR": str(counted),
    }
    return [
        *(Child(f"web-{k}", [*gunicorn, "--bind", address], own) for k, address in enumerate(inner, 1)),
        Child("proxy", nginx, env),
    ]


def workers(env: dict[str, str], count: int | None = None) -> list[Child]:
    """Processes that measure photos, one photo each at a time, each on one core and after whoever looks at a page.

    Processes, not threads: measuring holds Python's lock for half of its time.
    """
    one_core = {**env, **ONE_CORE}
    procrastinate = [str(PYTHON), "-m", "django", "procrastinate", "worker"]
    return [
        Child(
            f"worker-{k}", ["nice", "-n", "10", *procrastinate, "--name", f"worker-{k}", "--concurrency", "1"], one_core
        )
        for k in range(1, (count or max(1, min(MAX_WORKERS, os.cpu_count() or 1))) + 1)
    ]


def wait_until_up(host: str, port: int, children: list[Child]) -> None:
    """Wait until the web server answers. Raises Trouble where it ends, or does not within half a minute."""
    from urllib import error as errors  # slow to import, and the core's commands start by way of this module
    from urllib import request

    address = f"http://{'127.0.0.1' if host == '0.0.0.0' else host}:{port}/health"
    for _ in range(300):
        try:
            request.urlopen(address, timeout=2)
            return
        except errors.HTTPError as error:
            if error.code != 502:
                raise Trouble(f"the web server answers with {error.code}; see {LOGS / 'web-1.log'}") from error
        except OSError:
            pass
        for child in children:
            if child.process and child.process.poll() is not None:
                raise Trouble(f"the {child.name} does not start; see {LOGS / (child.name + '.log')}")
        time.sleep(0.1)
    raise Trouble(f"the web server does not answer within 30 s; see {LOGS / 'web-1.log'}")


def revive(children: list[Child], started: Callable[[], None]) -> None:
    """Start again what has ended; `started` is called after each. One that ends again and again is started less often.

    None is given up: what it lacks, a database say, may come back.
    """
    for child in children:
        if child.once and child.process and child.process.poll() == 0:
            continue
        if child.process and child.process.poll() is not None and not child.resting:
            print(
                f"  the {child.name} ended ({child.process.returncode}); starting it again", file=sys.stderr, flush=True
            )
            child.start()
            started()


def end(children: list[Child]) -> None:
    """End all politely, then by force."""
    for child in children:
        if child.process and child.process.poll() is None:
            signal_group(child.process.pid, signal.SIGTERM)
    for child in children:
        if child.process:
            try:
                child.process.wait(15)
            except subprocess.TimeoutExpired:
                signal_group(child.process.pid, signal.SIGKILL)
                child.process.wait()


def signal_group(pid: int, number: int) -> None:
    with contextlib.suppress(ProcessLookupError, PermissionError):
        os.killpg(pid, number)


def born(pid: int) -> int | None:
    """When a process started (clock ticks since boot), None if it has ended; with its number it names one process for good."""
    try:
        state, *rest = Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()
        # One that has ended but whose parent has not looked yet is gone all the same.
        return None if state == "Z" else int(rest[18])
    except (OSError, ValueError, IndexError):
        return None


def lives(process: list[int]) -> bool:
    """Whether the noted process (number, birth) still runs, or others of its group do that outlived it.

    While a group has members its number is given to nobody else.
    """
    now = born(process[0])
    return now == process[1] if now is not None else _has_members(process[0])


def _has_members(group: int) -> bool:
    for stat in Path("/proc").glob("[0-9]*/stat"):
        with contextlib.suppress(OSError, ValueError, IndexError):
            state, _, own, *_ = stat.read_text().rpartition(")")[2].split()
            if int(own) == group and state != "Z":
                return True
    return False


def demo_filler(env: dict[str, str]) -> Child:
    """The process that brings in what was welded in the demo course; it ends when all is there."""
    one_core = {**env, **ONE_CORE}
    return Child("demo", ["nice", "-n", "10", str(PYTHON), "-m", "django", "fill_demo"], one_core, once=True)


def announcer(env: dict[str, str], port: int, tls: bool) -> Child:
    """What says to the network which machine judicum.local is."""
    return Child("name", [str(PYTHON), "-m", "judicum.launch.announce", str(port), "TLS" if tls else "PLAIN"], env)


def logger(env: dict[str, str], port: int) -> Child:
    """The simulated data logger, on loopback."""
    return Child("logger", [str(PYTHON), "-m", "judicum.logger", str(port)], env)


def gauge(env: dict[str, str], name: str, port: int) -> Child:
    """The simulated bottle gauge of that name, on loopback."""
    return Child("gauge", [str(PYTHON), "-m", "judicum.gauge", name, str(port)], env)
