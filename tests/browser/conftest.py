"""Debian's Chromium, and pages that may not complain."""

import os
from collections.abc import Iterator
from threading import Lock
from typing import Any

import pytest
from django.core.signals import request_finished, request_started
from playwright.sync_api import BrowserContext, ConsoleMessage, Page

from tests.live import until

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


@pytest.fixture
def underway() -> Iterator[Underway]:
    counted = Underway()
    request_started.connect(counted.begun)
    request_finished.connect(counted.ended)
    yield counted
    request_started.disconnect(counted.begun)
    request_finished.disconnect(counted.ended)


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args: dict[str, Any]) -> dict[str, Any]:
    """Headless, and asking nobody outside."""
    return {
        **browser_type_launch_args,
        "executable_path": os.environ.get("JUDICUM_CHROMIUM", "/usr/bin/chromium"),
        "args": [
            "--headless", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
            "--disable-background-networking", "--disable-component-update", "--disable-sync",
        ],
    }  # fmt: skip


@pytest.fixture
def complaints(underway: Underway) -> Iterator[list[str]]:
    """What pages wrote as errors; the test fails on any it did not expect."""
    heard: list[str] = []
    yield heard
    # What is open asks the server now and then. It is closed, and what it asked last is answered, before the tables are
    # emptied: a request that still reads them would stand in the way.
    while OPEN:
        OPEN.pop().close()
    until(lambda: underway.requests == 0, 30, "every request answered")
    assert heard == []


def listen(page: Page, heard: list[str]) -> None:
    """Collect a page's errors."""

    def on_console(message: ConsoleMessage) -> None:
        if message.type == "error" and "401" not in message.text:
            heard.append(message.text)

    page.on("console", on_console)
    page.on("pageerror", lambda error: heard.append(str(error)))
