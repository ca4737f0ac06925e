"""A real worker process beside a test's server, on the test's own database and folder."""

import os
import signal
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest
from django.db import connection


class Worker:
    """A procrastinate worker that a test may kill and start again."""

    def __init__(self, folder: Path) -> None:
        values = connection.settings_dict
        where = f"{values['USER']}:{values['PASSWORD']}@{values['HOST']}:{values['PORT']}/{values['NAME']}"
        self.env = {**os.environ, "JUDICUM_DATABASE_URL": f"postgres://{where}", "JUDICUM_VAR": str(folder)}
        self.log = folder / "worker.log"
        self.process: subprocess.Popen[bytes] | None = None

    def start(self) -> None:
        command = [sys.executable, "-m", "django", "procrastinate", "worker", "--queues", "measure,upkeep"]
        with self.log.open("ab") as log:
            self.process = subprocess.Popen(command, env=self.env, stdout=log, stderr=log, stdin=subprocess.DEVNULL)

    def end(self, number: int = signal.SIGTERM) -> None:
        if self.process and self.process.poll() is None:
            self.process.send_signal(number)
            self.process.wait(20)


@pytest.fixture
def worker(transactional_db: None, tmp_path: Path) -> Iterator[Worker]:
    """A worker that has not been started; ended with the test."""
    made = Worker(tmp_path)
    yield made
    made.end(signal.SIGKILL)
