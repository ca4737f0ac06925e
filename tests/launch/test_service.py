"""The service of a machine: what is printed, put in and taken out, and whether systemd finds it sound; what a wheel carries."""

import fnmatch
import re
import shutil
import subprocess
import tomllib
from pathlib import Path

import pytest

from judicum.launch import install, service
from judicum.launch.places import ROOT
from judicum.launch.service import ETC, UNITS, Service
from judicum.launch.steps import Trouble
from tests.server.exchange.test_backup import asked, program

PYTHON = Path("/opt/judicum/bin/python")


@pytest.fixture(params=[False, True], ids=["http", "https"])
def written(request: pytest.FixtureRequest, tmp_path: Path) -> tuple[Path, bool]:
    service.main(["--root", str(tmp_path), *(["--https"] if request.param else [])])
    return tmp_path, request.param


def test_systemd_finds_the_units_sound(written: tuple[Path, bool]) -> None:
    if not shutil.which("systemd-analyze"):
        pytest.skip("this machine has no systemd-analyze")
    root, _ = written
    assert service.verified(root) == ""
    proxy = root / UNITS / "judicum-proxy.service"
    proxy.write_text(proxy.read_text().replace("ExecStart=", "ExecStart=/no/such/program "))
    assert "not executable" in service.verified(root), "it looks"


def test_nginx_takes_its_part_and_secrets_are_nobodys_to_read(written: tuple[Path, bool]) -> None:
    root, https = written
    env = root / ETC / "judicum.env"
    assert oct(env.stat().st_mode)[-3:] == "640"
    values = dict(line.split("=", 1) for line in env.read_text().splitlines())
    assert len(values["JUDICUM_SECRET_KEY"]) >= 48
    assert values.get("JUDICUM_HTTPS") == ("1" if https else None)
    assert "*" not in values["JUDICUM_HOSTS"]
    text = (root / ETC / "nginx.conf").read_text()
    assert ("listen 0.0.0.0:443 ssl" in text, "listen 0.0.0.0:80;" in text) == (https, True)
    # As it lies there, but for the certificate, the ports and the folder that only the machine has.
    if not https:
        here = text.replace("/run/judicum-proxy", str(root)).replace(":80;", ":18099;")
        (root / "n.conf").write_text(here)
        checked = subprocess.run([str(install.nginx()), "-t", "-e", "stderr", "-p", str(root), "-c", str(root / "n.conf")], capture_output=True)  # fmt: skip
        assert checked.returncode == 0, checked.stderr


def test_everything_is_printed_first_and_nothing_done_without_a_yes(
    capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    made = Service(PYTHON, 80, https=False)
    assert service.install(made, sure=False, dry=True) == 0
    said = capsys.readouterr().out
    assert "$ useradd --system" in said
    assert "# /etc/systemd/system/judicum-web@.service (644)" in said
    assert re.search(r"postgres://judicum:…@", said), "no secret is printed"
    elsewhere = Service(PYTHON, 80, https=False, root=tmp_path)
    monkeypatch.setattr("builtins.input", lambda _: "n")
    assert service.install(elsewhere, sure=False, dry=False) == 1
    assert list(tmp_path.iterdir()) == []
    begun: list[list[str]] = []
    monkeypatch.setattr(service, "_do", begun.append)
    assert service.install(elsewhere, sure=True, dry=False) == 0
    assert begun[-1] == ["systemctl", "enable", "--now", "judicum.target"]
    kept = (tmp_path / ETC / "judicum.env").read_text()
    assert service.install(elsewhere, sure=True, dry=False) == 0
    assert (tmp_path / ETC / "judicum.env").read_text() == kept, "the password that the database knows stays"
    assert service.remove(elsewhere, sure=True) == 0
    assert [path.name for path in tmp_path.rglob("*") if path.is_file()] == ["judicum.env"]


def test_without_systemd_it_says_so(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(service.os, "geteuid", lambda: 1000)
    with pytest.raises(Trouble, match="by root"):
        service.install(Service(PYTHON, 80, https=False), sure=True, dry=False)


def test_tables_are_brought_up_with_a_way_back(empty: dict[str, str], tmp_path: Path) -> None:
    golden = ROOT / "tests" / "golden" / "backup-0.1.0.zip"
    assert program(empty, "restore", str(golden)).wait() == 0
    count = "SELECT (SELECT count(*) FROM attempts_attempt), (SELECT count(*) FROM django_migrations)"
    before = asked(empty, count)
    lost = "UPDATE photos_storedpicture SET shown = 'shown/aa/gone.jpg'"
    keep = asked(empty, "SELECT shown FROM photos_storedpicture")[0][0]
    asked(empty, f"{lost} RETURNING 1")
    failed = program(empty, "bring_up")
    assert failed.wait() == 1
    assert failed.stderr is not None
    assert "missing: shown/aa/gone.jpg" in failed.stderr.read()
    assert asked(empty, count) == before, "the tables are as they were"
    asked(empty, f"UPDATE photos_storedpicture SET shown = '{keep}' RETURNING 1")
    done = program(empty, "bring_up")
    assert done.wait() == 0, done.stderr and done.stderr.read()
    assert asked(empty, count)[0][1] > before[0][1]
    assert len(list((Path(empty["JUDICUM_VAR"]) / "backups").glob("before-*.zip"))) == 2
    assert asked(empty, "SELECT count(*) FROM pg_database WHERE datname LIKE '%_before'") == [(0,)]
    again = program(empty, "bring_up")
    assert again.wait() == 0


def test_a_wheel_carries_every_file_of_the_package() -> None:
    listed = tomllib.loads((ROOT / "pyproject.toml").read_text())["tool"]["setuptools"]["package-data"]["judicum"]
    package = ROOT / "src" / "judicum"
    every = subprocess.run(["git", "ls-files", "."], cwd=package, capture_output=True, text=True)
    files = (
        every.stdout.split()
        if every.returncode == 0
        else [str(p.relative_to(package)) for p in package.rglob("*") if p.is_file()]
    )
    left = [one for one in files if not one.endswith(".py") and "__pycache__" not in one]
    assert left
    assert [
        one for one in left if not any(fnmatch.fnmatch(one, pattern.replace("**", "*")) for pattern in listed)
    ] == []
