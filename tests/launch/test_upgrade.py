"""An upgrade for real, of a database of the last version: killed at random it leaves the old state or the new one, whole."""

import os
import random
import signal
import subprocess
import sys
import time
from pathlib import Path

import pytest

from judicum import __version__
from judicum.launch.copy import copy_checkout
from judicum.launch.places import ROOT

GOLDEN = ROOT / "tests" / "golden" / "backup-0.1.0.zip"
KILLS = 1
LONGEST_S = 12.0
"""s within which a kill falls: from its first step until its last."""
IN_IT = """
import sys
from judicum.launch import serve, upgrade
def old(path):
    with serve.with_database(up_to_date=False) as env:
        print(serve.said_by(env, "restore", path))
def state():
    upgrade.roll_back()
    with serve.with_database(up_to_date=False) as env:
        print(serve.said_by(env, "shell", "-v0", "-c", LOOK).strip())
LOOK = '''
from django.db import connection
with connection.cursor() as c:
    c.execute("SELECT md5(string_agg(app || name, ',' ORDER BY id)) FROM django_migrations"); tables = c.fetchone()[0]
    c.execute("SELECT count(*), max(version) FROM attempts_attempt"); rows = c.fetchone()
    c.execute("SELECT count(*) FROM information_schema.tables WHERE table_name = 'accounts_release'"); new = c.fetchone()[0]
print("new" if new else "old", tables, rows)
'''
globals()[sys.argv[1]](*sys.argv[2:])
"""


@pytest.fixture(scope="module")
def checkout(tmp_path_factory: pytest.TempPathFactory) -> Path:
    folder = copy_checkout(tmp_path_factory.mktemp("upgraded") / "copy")
    for part in [folder, *folder.parents][:3]:
        part.chmod(0o755)  # PostgreSQL's own user passes through
    inside(folder, "old", str(GOLDEN))
    return folder


def env_of(folder: Path) -> dict[str, str]:
    return {**os.environ, "PYTHONPATH": str(folder / "src")}


def inside(folder: Path, *what: str) -> str:
    """One of IN_IT's functions in the copy."""
    done = subprocess.run(
        [sys.executable, "-c", IN_IT, *what], cwd=folder, env=env_of(folder), capture_output=True, text=True
    )
    assert done.returncode == 0, done.stderr[-1500:]
    return done.stdout.strip()


def begun(folder: Path) -> "subprocess.Popen[str]":
    command = [sys.executable, str(folder / "judicum"), "upgrade"]
    return subprocess.Popen(command, cwd=folder, env=env_of(folder), stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True, start_new_session=True)  # fmt: skip


def test_killed_at_any_moment_it_leaves_the_old_state_and_then_it_comes_through(checkout: Path) -> None:
    before = inside(checkout, "state")
    assert before.startswith("old ")
    lots = random.Random(7)
    for _ in range(KILLS):
        upgrade = begun(checkout)
        time.sleep(lots.uniform(0.5, LONGEST_S))
        with_it = upgrade.poll()
        os.killpg(upgrade.pid, signal.SIGKILL) if with_it is None else None
        upgrade.communicate()
        after = inside(checkout, "state")
        if with_it == 0:
            break
        assert after == before
    last = begun(checkout)
    said, _ = last.communicate(timeout=180)
    assert last.returncode == 0, said
    assert "Every file is there" in said
    assert inside(checkout, "state").startswith("new ")
    backups = sorted((checkout / "var" / "backups").glob("before-upgrade-*.zip"))
    assert backups
    assert not (checkout / "var" / "upgrading.json").exists()


def test_where_a_step_fails_everything_is_as_it_was(checkout: Path) -> None:
    before = inside(checkout, "state")
    broken = checkout / "src" / "judicum" / "server" / "follow" / "stock" / "migrations" / "0099_broken.py"
    latest = sorted(broken.parent.glob("0*.py"))[-1].stem
    broken.write_text(
        "from django.db import migrations\n"
        f"class Migration(migrations.Migration):\n    dependencies = [('stock', '{latest}')]\n"
        "    operations = [migrations.RunSQL('DELETE FROM stock_movement'), migrations.RunSQL('SELECT 1 / 0')]\n"
    )
    failed = begun(checkout)
    said, _ = failed.communicate(timeout=180)
    broken.unlink()
    assert failed.returncode == 1
    assert "division by zero" in said
    assert "everything is as it was before" in said
    assert inside(checkout, "state") == before
    assert __version__ in (checkout / "src" / "judicum" / "__init__.py").read_text()
