"""Setting up and starting: what can go wrong is one clear line."""

import errno
import os
import signal
import socket
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest

from judicum.launch import children, install, serve
from judicum.launch import cluster as cluster_module
from judicum.launch.cluster import Cluster, free_port, throwaway
from judicum.launch.places import ROOT
from judicum.launch.steps import Trouble, in_words, run
from tests.patience import until

JUDICUM = [sys.executable, str(ROOT / "judicum")]


def test_a_command_that_fails_says_its_last_error(tmp_path: Path) -> None:
    script = "print('working'); print('ERROR: the wheel is bent'); print('[notice] a new pip'); raise SystemExit(3)"
    with pytest.raises(Trouble, match="cannot roll: ERROR: the wheel is bent"):
        run([sys.executable, "-c", script], why="cannot roll", log=tmp_path / "log" / "roll.log")
    assert "working" in (tmp_path / "log" / "roll.log").read_text()


def test_a_missing_tool_is_named() -> None:
    with pytest.raises(Trouble, match="cannot build: no-such-tool is not on this machine"):
        run(["no-such-tool"], why="cannot build")


def test_a_full_disk_is_said_in_words() -> None:
    assert "disk is full" in in_words(OSError(errno.ENOSPC, os.strerror(errno.ENOSPC)))
    with pytest.raises(Trouble, match="disk is full"):
        run([sys.executable, "-c", "raise SystemExit('write: No space left on device')"], why="cannot install")


def test_too_little_room_is_said_before_installing(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(install, "MIN_FREE_BYTES", 10**18)
    with pytest.raises(Trouble, match="GB are needed to install"):
        install.check_room()


def test_the_next_free_port_is_taken() -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        port = taken.getsockname()[1]
        assert free_port(port) > port


def test_without_root_a_missing_package_is_asked_for(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(os, "geteuid", lambda: 1000)
    with pytest.raises(Trouble, match="apt-get install postgresql"):
        install.debian("postgresql", False, "the PostgreSQL server")


@pytest.mark.parametrize(
    ("said", "fits"),
    [
        ("v18.19.0", False),
        ("v20.18.9", False),
        ("v20.19.0", True),
        ("v22.11.0", False),
        ("v22.12.1", True),
        ("v24.1.0", True),
        ("none", False),
    ],
)
def test_which_node_is_new_enough(tmp_path: Path, said: str, fits: bool) -> None:
    node = tmp_path / "node"
    node.write_text(f"#!/bin/sh\necho {said}\n")
    node.chmod(0o755)
    assert install._node_is_new_enough(str(node)) is fits


def test_a_noted_process_is_said_from_another_of_the_same_number() -> None:
    here = [os.getpid(), children.born(os.getpid())]
    assert children.lives(here)  # type: ignore[arg-type]
    assert not children.lives([os.getpid(), 1])
    assert not children.lives([2**22 + 5, 1])
    ended = subprocess.Popen([sys.executable, "-c", "pass"])
    born = children.born(ended.pid)
    while children.born(ended.pid) is not None:  # a zombie: ended, not yet waited for
        pass
    assert not children.lives([ended.pid, born or 1])
    ended.wait()


PARENT = "import subprocess, sys, time; print(subprocess.Popen([sys.executable, '-c', 'import time; time.sleep(60)']).pid, flush=True); time.sleep(60)"


def test_what_outlives_its_parent_is_seen_and_ended_with_the_next_start(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(children, "LOGS", tmp_path)
    child = children.Child("parent", [sys.executable, "-c", PARENT], dict(os.environ))
    child.start()
    assert child.process is not None
    noted = [child.process.pid, children.born(child.process.pid) or 0]
    orphan = int(until((tmp_path / "parent.log").read_text, "the parent has a child"))
    child.process.kill()
    child.process.wait(10)
    assert children.lives(noted)
    child.start()
    until(lambda: children.born(orphan) is None, "the orphan has ended")
    assert not children.lives(noted)
    children.end([child])


def test_a_child_that_keeps_ending_is_started_less_often_and_never_given_up(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(children, "LOGS", tmp_path)
    child = children.Child("short", [sys.executable, "-c", "pass"], dict(os.environ))
    child.start()
    seen: list[int] = []
    for _ in range(8):
        assert child.process is not None
        child.process.wait(20)
        children.revive([child], lambda: seen.append(1))
    assert len(seen) == children.MAX_STARTS - 1
    child.starts = [s - children.REST_S for s in child.starts]
    children.revive([child], lambda: seen.append(1))
    assert len(seen) == children.MAX_STARTS


def test_a_taken_port_is_one_line_and_exit_1() -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        done = subprocess.run([*JUDICUM, "demo", "--port", str(port)], capture_output=True, text=True, timeout=120)
    assert done.returncode == 1
    assert done.stderr.strip().splitlines()[-1] == f"judicum: port {port} is taken; choose another with --port"


def test_compiled_python_is_kept_where_the_machine_asks_for_none(tmp_path: Path) -> None:
    env = {**os.environ, "PYTHONDONTWRITEBYTECODE": "1", "PYTHONPYCACHEPREFIX": str(tmp_path)}
    subprocess.run(
        [*JUDICUM, "card", "window", "-o", str(tmp_path / "card.pdf")], env=env, check=True, capture_output=True
    )
    # The launcher's own, and the program's.
    for part in ("judicum/launch/main", "judicum/cli"):
        assert list(tmp_path.rglob(f"{part}.*.pyc")), part


def test_a_process_of_the_server_loads_no_library_that_only_a_few_answers_need() -> None:
    """Each of them takes as long to load as a third of the rest; a school's server begins ten processes."""
    answer = "import sys, django; django.setup(); from django.urls import get_resolver; get_resolver().url_patterns; print(*sys.modules)"
    done = subprocess.run([sys.executable, "-c", answer], capture_output=True, text=True, check=True, timeout=120)
    loaded = set(done.stdout.split())
    assert "judicum.server.follow.sessions.queries" in loaded
    assert loaded.isdisjoint(
        {"scipy.stats", "scipy.optimize", "scipy.interpolate", "statsmodels", "onnx", "hypothesis"}
    )


def test_a_process_of_the_server_has_nothing_loaded_that_unpacks_pictures_to_measure_them() -> None:
    answer = "import sys, django; django.setup(); from django.urls import get_resolver; get_resolver().url_patterns; print(*sys.modules)"
    done = subprocess.run([sys.executable, "-c", answer], capture_output=True, text=True, check=True, timeout=120)
    assert set(done.stdout.split()).isdisjoint(
        {"judicum.core.photo.decode", "judicum.core.photo.measure", "onnxruntime"}
    )


def test_help_lists_the_commands() -> None:
    done = subprocess.run([*JUDICUM, "--help"], capture_output=True, text=True, timeout=60)
    assert done.returncode == 0
    for command in ("demo", "start", "stop", "test", "measure", "card"):
        assert command in done.stdout


@pytest.mark.parametrize("count", [1, 3])
def test_workers_measure_one_photo_at_a_time_each_on_a_core_of_its_own(count: int) -> None:
    workers = children.workers({"JUDICUM_VAR": "/nowhere"}, count)
    assert [child.name for child in workers] == [f"worker-{k}" for k in range(1, count + 1)]
    for child in workers:
        assert child.env["JUDICUM_VAR"] == "/nowhere"
        threads = {key: value for key, value in child.env.items() if key != "JUDICUM_VAR"}
        assert set(threads) == {"OMP_NUM_THREADS", "OPENBLAS_NUM_THREADS", "OPENCV_FOR_THREADS_NUM"}
        assert set(threads.values()) == {"1"}
        assert child.command[child.command.index("--concurrency") + 1] == "1"


def test_opencv_keeps_to_the_threads_its_environment_names() -> None:
    (worker,) = children.workers(dict(os.environ), 1)
    answer = subprocess.run(
        [sys.executable, "-c", "import cv2; print(cv2.getNumThreads())"],
        env=worker.env,
        capture_output=True,
        check=True,
    )
    assert answer.stdout.strip() == b"1"


HOLDER = """
import sys, time
sys.path.insert(0, {source!r})
from pathlib import Path
from judicum.launch import serve
serve.VAR = Path({var!r}); serve.LAUNCHER = serve.VAR / "launcher.lock"; serve.RUNNING = serve.VAR / "running.json"
with serve._only_launcher():
    print("held", flush=True)
    time.sleep(60)
"""


@pytest.fixture
def elsewhere(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Path:
    """The launcher's files in a folder of the test's own."""
    for name, path in (("VAR", ""), ("LAUNCHER", "launcher.lock"), ("RUNNING", "running.json")):
        monkeypatch.setattr(serve, name, tmp_path / path)
    return tmp_path


def test_of_two_starts_the_second_says_who_runs_and_where(elsewhere: Path) -> None:
    script = HOLDER.format(source=str(ROOT / "src"), var=str(elsewhere))
    with subprocess.Popen([sys.executable, "-c", script], stdout=subprocess.PIPE, text=True) as first:
        assert first.stdout is not None
        assert first.stdout.readline() == "held\n"
        with pytest.raises(Trouble, match=f"is starting here .process {first.pid}"), serve._only_launcher():
            pass
        (elsewhere / "running.json").write_text('{"port": 8123, "launcher": [1, 1], "children": []}')
        with pytest.raises(Trouble, match=f"127.0.0.1:8123/ .process {first.pid}"), serve._only_launcher():
            pass
        assert serve._launcher() == first.pid
        first.kill()
    assert serve._launcher() is None
    with serve._only_launcher():
        assert (elsewhere / "launcher.lock").read_text() == str(os.getpid())
    assert (elsewhere / "launcher.lock").read_text() == ""


@pytest.fixture
def cluster() -> Iterator[Cluster]:
    made = throwaway()
    yield made
    made.stop()
    made.remove()


def test_a_database_that_dies_is_started_again(
    cluster: Cluster, monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    assert not cluster.runs()
    cluster.start()
    assert cluster.runs()
    server = int((cluster.home / "data" / "postmaster.pid").read_text().split()[0])
    os.kill(server, signal.SIGKILL)
    until(lambda: not cluster.runs(), "the database has ended")
    rounds = iter([None, None])

    def twice(_: float) -> None:
        if next(rounds, "over") == "over":
            raise KeyboardInterrupt

    monkeypatch.setattr(serve.time, "sleep", twice)
    with pytest.raises(KeyboardInterrupt):
        serve._watch([], cluster, 0, serve.Names(serve.Start(), [], None))
    assert cluster.runs()
    assert "the database ended; starting it again" in capsys.readouterr().err


def test_a_database_that_is_just_ending_counts_as_ended(cluster: Cluster) -> None:
    cluster.start()
    server = int((cluster.home / "data" / "postmaster.pid").read_text().split()[0])
    os.kill(server, signal.SIGINT)  # ends fast, as `stop` does
    until(lambda: not cluster.runs(), "it has ended")
    file = cluster.home / "data" / "postmaster.pid"
    for state in ("ready", "stopping", "starting"):
        file.write_text("\n".join([str(os.getpid()), *"234567", state]))
        assert cluster._state() == state
    file.unlink()
    assert cluster._state() is None


def test_a_start_that_is_interrupted_leaves_no_database(cluster: Cluster, monkeypatch: pytest.MonkeyPatch) -> None:
    started = cluster_module.run

    def interrupted(command: list[object], **answer: object) -> str:
        said = started(command, **answer)
        if "start" in command:
            raise KeyboardInterrupt
        return said

    monkeypatch.setattr(cluster_module, "run", interrupted)
    with pytest.raises(KeyboardInterrupt):
        cluster.start()
    assert not cluster.runs()
