"""Debian's Chromium, and pages that may not complain."""

import os
from collections.abc import Iterator
from typing import Any

import pytest
from playwright.sync_api import BrowserContext, ConsoleMessage, Page

OPEN: list[BrowserContext] = []
"""Of the test that runs."""


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
def complaints() -> Iterator[list[str]]:
    """What pages wrote as errors; the test fails on any it did not expect."""
    heard: list[str] = []
    yield heard
    # What is open asks the server now and then: it is closed before the tables are emptied.
    while OPEN:
        OPEN.pop().close()
    assert heard == []


def listen(page: Page, heard: list[str]) -> None:
    """Collect a page's errors."""

    def on_console(message: ConsoleMessage) -> None:
        if message.type == "error" and "401" not in message.text:
            heard.append(message.text)

    page.on("console", on_console)
    page.on("pageerror", lambda error: heard.append(str(error)))
