"""The simulated logger as a service of its own, asked over its port."""

import io
import socket
import subprocess
import sys
from collections.abc import Iterator
from urllib.error import HTTPError
from urllib.request import Request, urlopen

import pytest

from judicum.core.datalog import figures_of, read_data_log
from tests.patience import until


@pytest.fixture(scope="module")
def address() -> Iterator[str]:
    with socket.create_server(("127.0.0.1", 0)) as free:
        port = free.getsockname()[1]
    process = subprocess.Popen([sys.executable, "-m", "judicum.logger", str(port)])

    def answers() -> bool:
        try:
            urlopen(f"http://127.0.0.1:{port}/last")
        except HTTPError as error:
            return error.code == 404  # nothing was welded yet
        return False

    try:
        until(answers, "the logger answers", passing=OSError)
        yield f"http://127.0.0.1:{port}"
    finally:
        process.kill()
        process.wait(10)


def weld(address: str, asked: str) -> None:
    urlopen(Request(f"{address}{asked}", method="POST")).close()


def test_the_last_weld_comes_as_a_log_that_is_read(address: str) -> None:
    weld(address, "/weld?current_a=50")
    weld(address, "/weld?current_a=72&arc_s=20&pump_hz=1.1&pump_depth=0.2&seed=4")
    with urlopen(f"{address}/last") as answer:
        found = figures_of(read_data_log(io.StringIO(answer.read().decode())))
    assert found is not None
    assert (found.arc_s, found.current_a) == (pytest.approx(20, abs=0.1), pytest.approx(72, rel=0.03))
    assert found.pumping is not None


@pytest.mark.parametrize("asked", ["/weld?speed=3", "/weld?arc_s=long", "/weld?arc_s=100000", "/other"])
def test_what_it_does_not_know_it_refuses(address: str, asked: str) -> None:
    with pytest.raises(HTTPError) as refused:
        weld(address, asked)
    assert refused.value.code == 400
