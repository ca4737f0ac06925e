"""Starting the application and everything under it, watching it, stopping it."""

import contextlib
import fcntl
import json
import os
import secrets
import shutil
import signal
import subprocess
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from judicum.launch import install
from judicum.launch.cluster import Cluster, free_port, home_of_checkout
from judicum.launch.places import LAUNCHER, LOGS, PYTHON, ROOT, RUNNING, SECRETS, VAR
from judicum.launch.steps import Trouble, run, step

FIRST_PORT = 8000
FIRST_WAIT_S, MOST_WAIT_S = 1.0, 30.0
"""Time between two attempts to start a database that does not, doubled each time."""
MOST_WORKERS = 4
SETTINGS = "judicum.server.config.settings"


def _secrets() -> dict[str, Any]:
    """The checkout's own password, key and ports, made at the first start and readable by its owner only."""
    if SECRETS.exists():
        with contextlib.suppress(ValueError):
            kept: dict[str, Any] = json.loads(SECRETS.read_text())
            return kept
    VAR.mkdir(exist_ok=True)
    made = {"password": secrets.token_urlsafe(24), "secret_key": secrets.token_urlsafe(48)}
    _keep(made)
    return made


def _keep(values: dict[str, Any]) -> None:
    fresh = SECRETS.with_suffix(".new")
    fresh.touch(mode=0o600)
    fresh.write_text(json.dumps(values))
    fresh.replace(SECRETS)


def environment(cluster: Cluster, secret_key: str, host: str = "127.0.0.1", port: int = 0) -> dict[str, str]:
    """What the application's processes need to know."""
    hosts = ["localhost", "127.0.0.1", "[::1]"] + (["*"] if host == "0.0.0.0" else [host])
    return {
        **os.environ,
        "PYTHONPATH": str(ROOT / "src"),
        "PYTHONUNBUFFERED": "1",
        "DJANGO_SETTINGS_MODULE": SETTINGS,
        "JUDICUM_DATABASE_URL": cluster.url,
        "JUDICUM_SECRET_KEY": secret_key,
        "JUDICUM_VAR": str(VAR),
        "JUDICUM_HOSTS": ",".join(dict.fromkeys(hosts)),
        # Cookies are not told apart by port: two checkouts on one machine need names of their own.
        "JUDICUM_SESSION_COOKIE": f"judicum_session_{port}",
        "JUDICUM_CSRF_COOKIE": "judicum_csrf",
    }


@dataclass
class Child:
    """A process that is kept running: what it is called, how it is started, and it."""

    name: str
    command: list[str]
    env: dict[str, str]
    process: "subprocess.Popen[bytes] | None" = None
    starts: list[float] = field(default_factory=list)

    def start(self) -> None:
        """Start it in a process group of its own, its words going to a log file."""
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
    def failing(self) -> bool:
        """Whether it was started five times within a minute."""
        return len([s for s in self.starts if s > time.monotonic() - 60]) >= 5


def serve(*, demo: bool, reset: bool, port: int | None, host: str, username: str | None = None) -> int:
    """Set up whatever is missing, start everything, wait for Ctrl-C, stop everything."""
    signal.signal(signal.SIGTERM, _interrupt)
    with _only_launcher():
        return _serve(demo=demo, reset=reset, port=port, host=host, username=username)


def _serve(*, demo: bool, reset: bool, port: int | None, host: str, username: str | None) -> int:
    with install.only_one():
        if port is not None and free_port(port, host) != port and not _our_port(port):
            raise Trouble(f"port {port} is taken; choose another with --port")
        install.python_packages()
        install.page()
        kept = _secrets()
        stop_left_behind(quiet=True)
        if reset:
            with step("removing all data"):
                Cluster(home_of_checkout(), 0, "").remove()
                for folder in ("media", "uploads"):
                    shutil.rmtree(VAR / folder, ignore_errors=True)
        cluster = Cluster(home_of_checkout(), free_port(kept.get("database_port", 5440)), kept["password"])
        web_port = port or free_port(kept.get("web_port", FIRST_PORT), host)
        kept |= {"database_port": cluster.port, "web_port": web_port}
        _keep(kept)
    children: list[Child] = []
    try:
        cluster.start()
        env = environment(cluster, kept["secret_key"], host, web_port)
        with step("bringing the database up to date"):
            run(
                [PYTHON, "-m", "django", "migrate", "--noinput"],
                why="the database cannot be brought up to date",
                env=env,
                log=LOGS / "migrate.log",
            )
        children = _children(env, host, web_port)
        _note_running(children, cluster, web_port)
        for child in children:
            child.start()
        _note_running(children, cluster, web_port)
        with step("starting the web server and the workers"):
            _wait_until_up(host, web_port, children[0])
        logins = _load(env, demo=demo, username=username)
        address = f"http://{'127.0.0.1' if host == '0.0.0.0' else host}:{web_port}/"
        print(f"\nJudicum runs at {address}\n{logins}\nCtrl-C stops it.", file=sys.stderr, flush=True)
        _watch(children, cluster, web_port)
    except KeyboardInterrupt:
        print("", file=sys.stderr)
    finally:
        signal.signal(signal.SIGINT, signal.SIG_IGN)
        with step("stopping"):
            _stop_children(children)
            cluster.stop()
            RUNNING.unlink(missing_ok=True)
    return 0


def _interrupt(signum: int, frame: object) -> None:
    raise KeyboardInterrupt


def _children(env: dict[str, str], host: str, port: int) -> list[Child]:
    python = str(PYTHON)
    web = [
        python,
        "-m",
        "gunicorn",
        "judicum.server.config.wsgi",
        "--bind",
        f"{host}:{port}",
        "--preload",
        "--workers",
        "2",
        "--threads",
        "4",
        "--timeout",
        "120",
        "--access-logfile",
        "-",
    ]
    # Processes, not threads: measuring holds Python's lock for half of its time.
    return [Child("web", web, env), *workers(env, max(1, min(MOST_WORKERS, os.cpu_count() or 1)))]


def workers(env: dict[str, str], count: int) -> list[Child]:
    """Processes that measure photos, one photo each at a time, each on one core."""
    one_core = {**env, **dict.fromkeys(("OMP_NUM_THREADS", "OPENBLAS_NUM_THREADS", "OPENCV_FOR_THREADS_NUM"), "1")}
    procrastinate = [str(PYTHON), "-m", "django", "procrastinate", "worker", "--queues", "measure,upkeep"]
    return [
        Child(f"worker-{k}", [*procrastinate, "--name", f"worker-{k}", "--concurrency", "1"], one_core)
        for k in range(1, count + 1)
    ]


def _load(env: dict[str, str], *, demo: bool, username: str | None) -> str:
    command = [str(PYTHON), "-m", "judicum.launch.accounts"] if not demo else [str(PYTHON), "-m", "judicum.demo"]
    asked = [] if demo or not username else [username]
    done = subprocess.run([*command, *asked], env=env, stdout=subprocess.PIPE, cwd=ROOT)
    if done.returncode:
        raise Trouble("the demo data cannot be loaded" if demo else "the first instructor account cannot be made")
    return done.stdout.decode()


def _wait_until_up(host: str, port: int, web: Child) -> None:
    address = f"http://{'127.0.0.1' if host == '0.0.0.0' else host}:{port}/api/session"
    for _ in range(300):
        try:
            urllib.request.urlopen(address, timeout=2)
        except urllib.error.HTTPError:
            return
        except OSError:
            if web.process and web.process.poll() is not None:
                raise Trouble(f"the web server does not start; see {LOGS / 'web.log'}") from None
            time.sleep(0.1)
    raise Trouble(f"the web server does not answer within 30 s; see {LOGS / 'web.log'}")


def _watch(children: list[Child], cluster: Cluster, port: int) -> None:
    """Start again what dies; give up on a process that dies again and again, never on the database."""
    wait = FIRST_WAIT_S
    while True:
        time.sleep(0.5)
        if not cluster.runs():
            print("  the database ended; starting it again", file=sys.stderr, flush=True)
            try:
                cluster.start()
                wait = FIRST_WAIT_S
            except Trouble as trouble:
                print(f"  {trouble}; trying again in {wait:.0f} s", file=sys.stderr, flush=True)
                time.sleep(wait)
                wait = min(2 * wait, MOST_WAIT_S)
            # What died for want of it is no failing process.
            for child in children:
                child.starts.clear()
            continue
        for child in children:
            if child.process and child.process.poll() is not None:
                if child.failing:
                    raise Trouble(f"the {child.name} keeps ending; see {LOGS / (child.name + '.log')}")
                print(
                    f"  the {child.name} ended ({child.process.returncode}); starting it again",
                    file=sys.stderr,
                    flush=True,
                )
                child.start()
                _note_running(children, cluster, port)


def _note_running(children: list[Child], cluster: Cluster, port: int) -> None:
    pids = [os.getpid(), *(c.process.pid for c in children if c.process)]
    launcher, *rest = [[pid, _born(pid)] for pid in pids]
    note = {"launcher": launcher, "port": port, "home": str(cluster.home), "children": rest}
    fresh = RUNNING.with_suffix(".new")
    fresh.write_text(json.dumps(note))
    fresh.replace(RUNNING)


def _stop_children(children: list[Child]) -> None:
    for child in children:
        if child.process and child.process.poll() is None:
            _signal_group(child.process.pid, signal.SIGTERM)
    for child in children:
        if child.process:
            try:
                child.process.wait(15)
            except subprocess.TimeoutExpired:
                _signal_group(child.process.pid, signal.SIGKILL)
                child.process.wait()


def _signal_group(pid: int, number: int) -> None:
    with contextlib.suppress(ProcessLookupError, PermissionError):
        os.killpg(pid, number)


def _born(pid: int) -> int | None:
    """When a process started (clock ticks since boot), None if it has ended; with its number it names one process for good."""
    try:
        state, *rest = Path(f"/proc/{pid}/stat").read_text().rpartition(")")[2].split()
        # One that has ended but whose parent has not looked yet is gone all the same.
        return None if state == "Z" else int(rest[18])
    except (OSError, ValueError, IndexError):
        return None


def _lives(process: list[int]) -> bool:
    """Whether the noted process (number, birth) is still the one that runs under this number."""
    return _born(process[0]) == process[1]


def _note() -> dict[str, Any] | None:
    with contextlib.suppress(OSError, ValueError):
        note: dict[str, Any] = json.loads(RUNNING.read_text())
        return note
    return None


def _our_port(port: int) -> bool:
    note = _note()
    return bool(note and note["port"] == port)


@contextlib.contextmanager
def _only_launcher() -> Iterator[None]:
    """Holds the checkout's lock for the life of a launcher. Raises Trouble that says who has it, and where that runs."""
    VAR.mkdir(exist_ok=True)
    with LAUNCHER.open("a+") as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            note = _note()
            where = f"already runs from this folder at http://127.0.0.1:{note['port']}/" if note else "is starting here"
            who = LAUNCHER.read_text().strip() or "another one"
            raise Trouble(f"Judicum {where} (process {who}); ./judicum stop ends it") from None
        lock.truncate(0)
        lock.write(str(os.getpid()))
        lock.flush()
        yield
        lock.truncate(0)


def _launcher() -> int | None:
    """The process that holds the lock, None where nobody does."""
    if not LAUNCHER.exists():
        return None
    with LAUNCHER.open() as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_SH | fcntl.LOCK_NB)
        except OSError:
            told = LAUNCHER.read_text().strip()
            return int(told) if told.isdigit() else None
    return None


def stop_left_behind(quiet: bool = False) -> None:
    """End what a start that was killed has left: web server, worker, database."""
    note = _note()
    if note:
        for number in (signal.SIGTERM, signal.SIGKILL):
            alive = [process for process in note["children"] if _lives(process)]
            for process in alive:
                _signal_group(process[0], number)
            deadline = time.monotonic() + 15
            while any(map(_lives, alive)) and time.monotonic() < deadline:
                time.sleep(0.1)
    Cluster(home_of_checkout(), 0, "").stop()
    RUNNING.unlink(missing_ok=True)
    if not quiet:
        print("Nothing of this checkout runs any more.", file=sys.stderr)


def stop() -> int:
    """Stop a running start politely, or clear up after a killed one."""
    launcher = _launcher()
    if launcher:
        os.kill(launcher, signal.SIGTERM)
        deadline = time.monotonic() + 40
        while _launcher() == launcher and time.monotonic() < deadline:
            time.sleep(0.2)
    stop_left_behind()
    return 0
