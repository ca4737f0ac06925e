"""Debian's Chromium, and pages that may not complain."""

import os
from collections.abc import Iterator
from threading import Lock
from typing import Any

import pytest
from django.core.signals import request_finished, request_started
from playwright.sync_api import BrowserContext, ConsoleMessage, Page

from tests.patience import until

OPEN: list[BrowserContext] = []
"""Of the test that runs."""


class Underway:
    """Counts the requests that the live server's threads have begun and not ended."""

    def __init__(self) -> None:
        self.requests = 0
        self._one = Lock()

    def begun(self, **_: Any) -> None:
        with self._one:
            self.requests += 1

    def ended(self, **_: Any) -> None:
        with self._one:
            self.requests -= 1


@pytest.fixture(autouse=True)
def _all_answered(live_server: Any, transactional_db: None) -> Iterator[None]:
    """Pages are closed, and what they asked last is answered, before the tables are emptied.

    What is open asks the server now and then, and a request that still reads the tables would stand in the way.
    """
    underway = Underway()
    request_started.connect(underway.begun)
    request_finished.connect(underway.ended)
    yield
    while OPEN:
        OPEN.pop().close()
    until(lambda: underway.requests == 0, "every request answered")
    request_started.disconnect(underway.begun)
    request_finished.disconnect(underway.ended)


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args: dict[str, Any]) -> dict[str, Any]:
    """Headless, and asking nobody outside."""
    return {
        **browser_type_launch_args,
        "executable_path": os.environ.get("JUDICUM_CHROMIUM", "/usr/bin/chromium-headless-shell"),
        "args": [
            "--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
            "--disable-background-networking", "--disable-component-update", "--disable-sync",
        ],
    }  # fmt: skip


@pytest.fixture
def complaints() -> Iterator[list[str]]:
    """What pages wrote as errors; the test fails on any it did not expect."""
    heard: list[str] = []
    yield heard
    assert heard == []


def listen(page: Page, heard: list[str]) -> None:
    """Collect a page's errors."""

    def on_console(message: ConsoleMessage) -> None:
        if message.type == "error" and "401" not in message.text:
            heard.append(message.text)

    page.on("console", on_console)
    page.on("pageerror", lambda error: heard.append(str(error)))
