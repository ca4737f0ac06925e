"""Starting the application and everything under it, watching it, stopping it."""

import contextlib
import fcntl
import json
import os
import secrets
import shutil
import signal
import socket
import subprocess
import sys
import time
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from judicum.launch import https, install, weights
from judicum.launch.children import (
    OUR_PROGRAM,
    Child,
    announcer,
    born,
    bring_up_to_date,
    demo_filler,
    end,
    gauge,
    interrupt,
    lives,
    logger,
    revive,
    signal_group,
    wait_until_up,
    web,
    workers,
)
from judicum.launch.cluster import Cluster, free_port, home_of_checkout
from judicum.launch.https import Tls
from judicum.launch.places import LAUNCHER, PYTHON, RESTORING, ROOT, RUNNING, SECRETS, UPGRADING, VAR
from judicum.launch.steps import Trouble, run, step

OWN = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
FIRST_PORT = 8000
GAUGE = "shed"
"""Name of the simulated bottle gauge that the demo starts."""
GAUGE_PORT = 9700
LOGGER = "booth-2"
"""Name of the simulated data logger that the demo starts."""
LOGGER_PORT = 9710
"""Its first port."""
FOLLOW_S = 30.0
"""s between two looks at the machine's addresses."""
FIRST_WAIT_S = 1.0
"""Seconds between two attempts to start a database that does not, doubled each time…"""
MAX_WAIT_S = 30.0
"""…up to this."""


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


@dataclass(frozen=True)
class Start:
    """How it is to be started: where it listens, and how it speaks HTTPS (None: it does not)."""

    demo: bool = False
    reset: bool = False
    port: int | None = None
    host: str = "127.0.0.1"
    https: "https.TlsOptions | None" = None

    @property
    def open(self) -> bool:
        """Whether other machines reach it."""
        return self.host == "0.0.0.0"


def environment(
    cluster: Cluster, secret_key: str, hosts: Sequence[str] = (), port: int = 0, tls: Tls | None = None
) -> dict[str, str]:
    """What the application's processes need to know; `hosts` are names it is called by beside this machine's own."""
    outside = next((one for one in hosts if tls and not one.startswith("127.")), "127.0.0.1")
    own = f"{'https' if tls else 'http'}://{outside}:{port or FIRST_PORT}/".replace(":443/", "/")
    secure = {"JUDICUM_HTTPS": "1"} if tls else {}
    return {
        **weights.in_use(),
        **os.environ,
        **OUR_PROGRAM,
        **secure,
        **({"JUDICUM_AUTHORITY": str(tls.authority)} if tls and tls.authority else {}),
        "JUDICUM_DATABASE_URL": cluster.url,
        "JUDICUM_SECRET_KEY": secret_key,
        "JUDICUM_VAR": str(VAR),
        "JUDICUM_ADDRESS": os.environ.get("JUDICUM_ADDRESS", own),
        "JUDICUM_HOSTS": hosts_of(hosts),
        # Cookies are not told apart by port: two checkouts on one machine need names of their own.
        "JUDICUM_SESSION_COOKIE": f"judicum_session_{port}",
        "JUDICUM_CSRF_COOKIE": "judicum_csrf",
    }


def hosts_of(names: Sequence[str]) -> str:
    """Names that are answered to, as the settings read them."""
    return ",".join(dict.fromkeys(["localhost", "127.0.0.1", "[::1]", *names]))


def serve(how: Start, username: str | None = None) -> int:
    """Set up whatever is missing, start everything, wait for Ctrl-C, stop everything."""
    signal.signal(signal.SIGTERM, interrupt)
    with _only_launcher():
        if UPGRADING.exists():  # half an upgrade is none
            from judicum.launch.upgrade import roll_back

            roll_back()
        return _serve(how, username)


def _serve(how: Start, username: str | None) -> int:
    host, demo = how.host, how.demo
    with install.only_one():
        if how.port is not None and free_port(how.port, host) != how.port and not _our_port(how.port):
            raise Trouble(f"port {how.port} is taken; choose another with --port")
        install.python_packages()
        install.page()
        install.nginx()
        kept = _secrets()
        stop_left_behind(quiet=True)
        if how.reset or RESTORING.exists():  # half a restore is none
            with step("removing all data"):
                _remove_data()
        cluster = Cluster(home_of_checkout(), free_port(kept.get("database_port", 5440)), kept["password"])
        web_port = how.port or free_port(kept.get("web_port", FIRST_PORT), host)
        kept |= {"database_port": cluster.port, "web_port": web_port}
        _keep(kept)
    children: list[Child] = []
    try:
        cluster.start()
        names = names_of(how)
        tls = https.tls_for(how.https, names) if how.https else None
        env = environment(cluster, kept["secret_key"], names, web_port, tls)
        bring_up_to_date(env)
        if demo:
            gauge_port = free_port(GAUGE_PORT)
            env["JUDICUM_GAUGES"] = f"{GAUGE}=http://127.0.0.1:{gauge_port}/metrics"
            logger_port = free_port(LOGGER_PORT)
            env["JUDICUM_LOGGERS"] = f"{LOGGER}=http://127.0.0.1:{logger_port}"
        children = [*web(env, host, web_port, tls), *workers(env)]
        if how.open:
            children.append(announcer(env, web_port, tls is not None))
        if demo:
            children += [gauge(env, GAUGE, gauge_port), logger(env, logger_port)]
        _note_running(children, cluster, web_port)
        for child in children:
            child.start()
        _note_running(children, cluster, web_port)
        with step("starting the web server and the workers"):
            wait_until_up(host, web_port, children)
        if how.https and how.https.public_name:
            https.ask_public(how.https.public_name)
        logins = _load(env, demo=demo, username=username)
        if demo:
            children.append(demo_filler(env))
            children[-1].start()
            _note_running(children, cluster, web_port)
        _say_where(["127.0.0.1", *names] if how.open else names, web_port, logins, tls)
        _watch(children, cluster, web_port, Names(how, names, tls))
    except KeyboardInterrupt:
        print("", file=sys.stderr)
    finally:
        signal.signal(signal.SIGINT, signal.SIG_IGN)
        with step("stopping"):
            end(children)
            cluster.stop()
            RUNNING.unlink(missing_ok=True)
    return 0


def names_of(how: Start) -> list[str]:
    """Names and addresses by which other machines call this one: what the network knows it by, then its addresses and its name."""
    if not how.open:
        return [how.host]
    own = run([PYTHON, "-m", "judicum.launch.addresses"], why="the machine's addresses cannot be read", env=OWN).split()
    public = [how.https.public_name] if how.https and how.https.public_name else []
    return list(dict.fromkeys([*public, *own, *https.LOCAL_NAMES, socket.gethostname().lower()]))


class Names:
    """Follows what may change while it runs: the machine's addresses, and its certificate's end."""

    def __init__(self, how: Start, names: list[str], tls: Tls | None) -> None:
        self.how, self.names, self.tls = how, names, tls
        self.digest = tls.digest if tls else ""
        self._next_look = time.monotonic() + FOLLOW_S
        self._next_renewal = time.monotonic() + https.LOOK_AGAIN_S

    def follow(self, children: list[Child]) -> None:
        """Let the web server answer to new names, and nginx read a certificate that has changed."""
        now = time.monotonic()
        if not self.how.open or now < self._next_look:
            return
        self._next_look = now + FOLLOW_S
        names = names_of(self.how)
        if self.how.https and (names != self.names or now > self._next_renewal):
            self._next_renewal = now + https.LOOK_AGAIN_S
            if self.how.https.public_name:
                https.ask_public(self.how.https.public_name)
            https.tls_for(self.how.https, names)
        if self.tls and self.tls.digest != self.digest:
            self.digest = self.tls.digest
            _signal(children, "proxy", signal.SIGHUP)
        if names != self.names:
            self.names = names
            for child in children:
                if child.name.startswith("web-"):
                    child.env["JUDICUM_HOSTS"] = hosts_of(names)
            _signal(children, "web-", signal.SIGTERM)  # each is started again, with what it is called now


def _signal(children: list[Child], name: str, number: int) -> None:
    for child in children:
        if child.name.startswith(name) and child.process and child.process.poll() is None:
            signal_group(child.process.pid, number)


def _say_where(names: list[str], port: int, logins: str, tls: Tls | None) -> None:
    """Print the addresses; for a phone to read, the first that is not this machine's own as a code: with an authority of its own
    the page that says how a phone trusts it."""
    shown = [name for name in names if name not in https.LOCAL_NAMES[1:]]
    kind = "https" if tls else "http"
    print("\nJudicum runs at " + "  ".join(f"{kind}://{name}:{port}/" for name in shown), file=sys.stderr)
    outside = [name for name in shown if not name.startswith("127.") and name != "localhost"]
    if outside:
        trust = tls is not None and tls.authority is not None
        address = f"http://{outside[0]}:{port}/{'trust' if trust else ''}"
        code = [
            PYTHON,
            "-m",
            "judicum.launch.addresses",
            "qr",
            address if trust or not tls else address.replace("http:", "https:"),
        ]
        what = "for a phone's camera: how it comes to trust this machine" if trust else "for a phone's camera"
        print(f"{run(code, why='the code cannot be drawn', env=OWN)}{address}, {what}", file=sys.stderr)
    print(f"{logins}\nCtrl-C stops it.", file=sys.stderr, flush=True)


def _load(env: dict[str, str], *, demo: bool, username: str | None) -> str:
    if not demo:
        return said_by(env, "first_workshop", username or "owner")
    return said_by(env, "demo")


def said_by(env: dict[str, str], name: str, *what: str) -> str:
    """Run one of Django's commands from where the person is; what it prints. Raises Trouble with its last line."""
    command = [str(PYTHON), "-m", "django", name, *what]
    done = subprocess.run(command, env=env, capture_output=True)
    if done.returncode:
        print(done.stdout.decode(), end="")
        said = done.stderr.decode(errors="replace").strip().splitlines()[-1:]
        raise Trouble(said[0].removeprefix("judicum: ") if said else f"{name} ended with {done.returncode}")
    return done.stdout.decode()


@contextlib.contextmanager
def with_database(up_to_date: bool = True) -> Iterator[dict[str, str]]:
    """The environment of this checkout's own programs with its database up: as it runs, or started for this command, its tables
    brought `up_to_date` first."""
    with install.only_one():
        install.python_packages()
    kept = _secrets()
    running = note()
    cluster = own_cluster()
    ours = not cluster.runs()
    if ours:
        cluster = Cluster(home_of_checkout(), free_port(kept.get("database_port", 5440)), kept["password"])
        cluster.start()
    env = environment(
        cluster, kept["secret_key"], port=running["port"] if running else kept.get("web_port", FIRST_PORT)
    )
    try:
        if ours and up_to_date and not RESTORING.exists():  # a restore brings its own tables
            bring_up_to_date(env)
        yield env
    finally:
        if ours:
            cluster.stop()


def django_command(name: str, *what: str, up_to_date: bool = True) -> int:
    """One of Django's commands on this checkout's database, running or not; says what came of it."""
    with with_database(up_to_date) as env:
        print(said_by(env, name, *what), end="")
    return 0


def weights_folder(workshop: str) -> Path:
    """Where the weights of a workshop lie, by its name; the whole server's where it has none. Raises Trouble: no such workshop."""
    if not workshop:
        return weights.OWN
    with with_database(up_to_date=False) as env:
        return Path(said_by(env, "weights_folder", workshop).strip())


def restore(file: str, key: str | None = None) -> int:
    """Put a backup into a checkout that has no data yet; one that was cut short left none."""
    with _only_launcher():
        home = home_of_checkout()
        if RESTORING.exists():
            _remove_data()
        if (home / "data").exists() or (VAR / "media").exists():
            raise Trouble("there is data here already; restore into an empty checkout, or remove it with start --reset")
        RESTORING.touch()
        try:
            with with_database() as env:
                print(said_by(env, "restore", file, *(["--key", key] if key else [])), end="")
                bring_up_to_date(env)
            RESTORING.unlink()
        except BaseException:
            _remove_data()
            raise
    return 0


def _remove_data() -> None:
    """Take database and files away, and with them what says that a restore is under way."""
    cluster = Cluster(home_of_checkout(), 0, "")
    cluster.stop()
    cluster.remove()
    shutil.rmtree(VAR / "media", ignore_errors=True)
    weights.forget_workshops()
    RESTORING.unlink(missing_ok=True)


def own_address() -> str:
    """Where this checkout is reached from this machine."""
    running = note()
    return f"http://127.0.0.1:{running['port'] if running else _secrets().get('web_port', FIRST_PORT)}/"


def own_cluster() -> Cluster:
    """This checkout's cluster, where it was started last."""
    kept = _secrets()
    return Cluster(home_of_checkout(), kept.get("database_port", 5440), kept["password"])


def _watch(children: list[Child], cluster: Cluster, port: int, names: Names) -> None:
    """Start again what dies, the database first, and follow what changes."""
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
                wait = min(2 * wait, MAX_WAIT_S)
            continue
        revive(children, lambda: _note_running(children, cluster, port))
        try:
            names.follow(children)
        except Trouble as trouble:
            print(f"  {trouble}", file=sys.stderr, flush=True)


def _note_running(children: list[Child], cluster: Cluster, port: int) -> None:
    pids = [os.getpid(), *(c.process.pid for c in children if c.process)]
    launcher, *rest = [[pid, born(pid)] for pid in pids]
    content = {
        "launcher": launcher,
        "port": port,
        "home": str(cluster.home),
        "children": rest,
        "arguments": sys.argv[1:],
        "env": kept_of(children),
    }
    fresh = RUNNING.with_suffix(".new")
    fresh.write_text(json.dumps(content))
    fresh.replace(RUNNING)


TOLD = ("JUDICUM_HTTPS", "JUDICUM_AUTHORITY", "JUDICUM_ADDRESS", "JUDICUM_GAUGES", "JUDICUM_LOGGERS", "JUDICUM_HOSTS")
"""What a command that looks at the running server needs to know of it."""


def kept_of(children: list[Child]) -> dict[str, str]:
    """What of the environment of what runs a command of its own is told (`doctor`)."""
    env = children[0].env if children else {}
    return {key: env[key] for key in TOLD if key in env}


def doctor() -> int:
    """Look at everything a server needs, running or not; 1 where something is bad."""
    running = note()
    where = f"runs at port {running['port']}" if running else "does not run; ./judicum start starts it"
    print(f"{'✓' if running else '✗'} Judicum: {where}")
    with with_database(up_to_date=False) as env:
        own = running.get("env", {}) if running else {}
        done = subprocess.run([str(PYTHON), "-m", "django", "doctor"], env={**env, **own})
    return 1 if running is None else done.returncode


def own_program(module: str, arguments: Sequence[str]) -> int:
    """One of our programs that needs what is installed, in the person's own terminal."""
    with install.only_one():
        install.python_packages()
    return subprocess.run([str(PYTHON), "-m", module, *arguments], env=OWN).returncode


def note() -> dict[str, Any] | None:
    """What was noted of what runs here; None where nothing does."""
    with contextlib.suppress(OSError, ValueError):
        content: dict[str, Any] = json.loads(RUNNING.read_text())
        return content
    return None


def _our_port(port: int) -> bool:
    running = note()
    return bool(running and running["port"] == port)


@contextlib.contextmanager
def _only_launcher() -> Iterator[None]:
    """Holds the checkout's lock for the life of a launcher. Raises Trouble that says who has it, and where that runs."""
    VAR.mkdir(exist_ok=True)
    with LAUNCHER.open("a+") as lock:
        try:
            fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            running = note()
            where = (
                f"already runs from this folder at http://127.0.0.1:{running['port']}/"
                if running
                else "is starting here"
            )
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
            written = LAUNCHER.read_text().strip()
            return int(written) if written.isdigit() else None
    return None


def stop_left_behind(quiet: bool = False) -> None:
    """End what a start that was killed has left: web server, worker, database."""
    if running := note():
        for number in (signal.SIGTERM, signal.SIGKILL):
            alive = [process for process in running["children"] if lives(process)]
            for process in alive:
                signal_group(process[0], number)
            deadline = time.monotonic() + 15
            while any(map(lives, alive)) and time.monotonic() < deadline:
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
