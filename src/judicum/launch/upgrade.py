"""From one version to the next, or back to where it was: backup, stop, (another commit,) tables, check, start.

Nothing of the old state is touched until the new one has been checked: the database is copied before its tables change, and files
are only ever added. Where a step fails, or the machine goes down in the middle, the copy takes its place again, and the checkout its
old commit: at once, or at the next command (`roll_back`).
"""

import contextlib
import json
import os
import sys
import time
from dataclasses import asdict, dataclass

from judicum.launch import install, serve
from judicum.launch.places import ROOT, UPGRADING, VAR
from judicum.launch.steps import Trouble, run, step

BACKUPS = VAR / "backups"


@dataclass
class Under:
    """An upgrade under way: the commit the checkout had (None: it stays), the backup, how it was started before (None: it did not run),
    and whether the old database was set aside."""

    commit: str | None
    backup: str
    started: list[str] | None
    aside: bool = False

    def note(self) -> None:
        """Write it down, whole or not at all."""
        fresh = UPGRADING.with_suffix(".new")
        fresh.write_text(json.dumps(asdict(self)))
        fresh.replace(UPGRADING)


def upgrade(to: str | None) -> int:
    """Bring this checkout to a commit (None: as it is), its data with it, and start it again where it ran.

    Raises:
        Trouble: what failed; all is as it was before.
    """
    with install.only_one():
        install.python_packages()
    if UPGRADING.exists():
        roll_back()
    before = _commit()
    if to is not None:
        to = _known(to)
    note = serve.note()
    started = note.get("arguments") if note else None
    BACKUPS.mkdir(parents=True, exist_ok=True)
    backup = BACKUPS / f"before-upgrade-{time.strftime('%Y%m%d-%H%M%S')}.zip"
    with step("backing everything up"), _quiet():
        # Every file there is: which of them rows name, only the version can say that the tables belong to.
        serve.django_command("backup", "--all-files", str(backup), up_to_date=False)
    with step("stopping what runs"), _quiet():
        serve.stop()
    under = Under(before if to and to != before else None, str(backup), started)
    under.note()
    try:
        if to and to != before:
            with step(f"taking commit {to[:10]}"):
                run(["git", "checkout", "--quiet", to], why="the new version cannot be taken", cwd=ROOT)
            # What follows is the new version's business.
            os.execv(sys.executable, [sys.executable, str(ROOT / "judicum"), "upgrade", "--go-on"])
        return go_on()
    except BaseException:
        roll_back()
        raise


def go_on() -> int:
    """The second half, by the new version: packages, page, tables, check; then the old database goes.

    Raises:
        Trouble: what failed; all is as it was before.
    """
    under = _under()
    try:
        with install.only_one():
            install.python_packages()
            install.page()
        set_aside(under)
        with serve.with_database() as env, step("checking rows and files"):
            said = serve.said_by(env, "check_data")
        print(said, end="", file=sys.stderr)
    except BaseException as error:
        roll_back()
        if isinstance(error, Trouble):
            raise Trouble(f"{error}; everything is as it was before") from error
        raise
    UPGRADING.unlink()
    _drop_aside()
    print(f"Upgraded. The backup from before is {under.backup}.", file=sys.stderr)
    return start_again(under)


def start_again(under: Under) -> int:
    """Start as it was started before, in place of this process."""
    if under.started is None:
        print("It did not run before; ./judicum start starts it.", file=sys.stderr)
    else:
        os.execv(sys.executable, [sys.executable, str(ROOT / "judicum"), *under.started])
    return 0


def set_aside(under: Under) -> None:
    """Copy the database as it is, before the new version's tables are made in it."""
    with step("copying the database"), _database() as cluster:
        cluster.sql('DROP DATABASE IF EXISTS "judicum_before"')
        cluster.sql('CREATE DATABASE "judicum_before" TEMPLATE "judicum"')
        under.aside = True
        under.note()


def roll_back() -> None:
    """Put the old state back, if an upgrade was begun and not finished; what was under way says so."""
    if not UPGRADING.exists():
        return
    under = _under()
    if under.aside:
        with step("putting the old database back"), _database() as cluster:
            if cluster.sql("SELECT 1 FROM pg_database WHERE datname = 'judicum_before'").strip():
                cluster.sql('DROP DATABASE IF EXISTS "judicum" WITH (FORCE)')
                cluster.sql('ALTER DATABASE "judicum_before" RENAME TO "judicum"')
    if under.commit:
        with step(f"taking the old version back ({under.commit[:10]})"):
            run(["git", "checkout", "--quiet", under.commit], why="the old version cannot be taken back", cwd=ROOT)
    UPGRADING.unlink()


def _drop_aside() -> None:
    with _database() as cluster:
        cluster.sql('DROP DATABASE IF EXISTS "judicum_before"')


def _under() -> Under:
    try:
        return Under(**json.loads(UPGRADING.read_text()))
    except (OSError, ValueError, TypeError) as error:
        raise Trouble(f"no upgrade is under way ({UPGRADING})") from error


@contextlib.contextmanager
def _database():  # type: ignore[no-untyped-def]
    """The cluster alone, with nothing of ours connected to it."""
    cluster = serve.own_cluster()
    ours = not cluster.runs()
    if ours:
        with _quiet():
            cluster.start()
    try:
        yield cluster
    finally:
        if ours:
            cluster.stop()


@contextlib.contextmanager
def _quiet():  # type: ignore[no-untyped-def]
    """Without the lines that the steps within would print between ours."""
    with open(os.devnull, "w") as nowhere, contextlib.redirect_stdout(nowhere), contextlib.redirect_stderr(nowhere):  # noqa: PTH123
        yield


def _commit() -> str | None:
    if not (ROOT / ".git").exists():
        return None
    return run(["git", "rev-parse", "HEAD"], why="the checkout's commit cannot be read", cwd=ROOT).strip()


def _known(to: str) -> str:
    """A commit of the checkout that nothing uncommitted stands in the way of. Raises Trouble."""
    if _commit() is None:
        raise Trouble(
            "this is no git checkout: put the new version's files in its place, and run ./judicum upgrade without --to"
        )
    if run(["git", "status", "--porcelain", "--untracked-files=no"], why="git", cwd=ROOT).strip():
        raise Trouble("files of this checkout were changed by hand; put them back first (git stash)")
    return run(
        ["git", "rev-parse", "--verify", f"{to}^{{commit}}"], why=f"there is no version {to} here", cwd=ROOT
    ).strip()
