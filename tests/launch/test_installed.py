import os
import sys

import pytest

from judicum import installed


@pytest.mark.parametrize(
    ("asked", "runs"),
    [
        (["web", "--bind", "127.0.0.1:9"], ["gunicorn", "judicum.server.config.wsgi", "-c"]),
        (["worker"], ["django", "procrastinate", "worker"]),
        (["manage", "migrate"], ["django", "migrate"]),
    ],
)
def test_a_program_that_serves_stands_in_place_of_the_command(
    asked: list[str], runs: list[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    begun: list[list[str]] = []
    monkeypatch.setattr(sys, "argv", ["judicum", *asked])
    monkeypatch.setattr(os, "execv", lambda _, command: begun.append(command))
    installed.main()
    assert begun[0][1:][: 1 + len(runs)] == ["-m", *runs]
    assert begun[0][-1] == asked[-1]


def test_what_needs_no_server_goes_straight_to_the_core(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    monkeypatch.setattr(sys, "argv", ["judicum", "measure", "nowhere.jpg"])
    assert installed.main() == 2
    assert "nowhere.jpg" in capsys.readouterr().err
