"""The dry run hears the rod through the browser's microphone: sound files played into it, made of knocks, hiss and voice."""

import re
import wave
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from playwright.sync_api import Browser, BrowserType, expect

from tests.browser.conftest import OPEN
from tests.browser.walk import PHONE, no_violations, open_page, sign_in
from tests.people import Course, create_course

RATE = 44_100
GAP_S = 0.8


def play(path: Path, knocks: bool, seed: int) -> Path:
    """Twelve seconds of a hall: an arc's hiss, somebody talking in syllables, and, or not, a rod knocked every GAP_S."""
    dice = np.random.default_rng(seed)
    time = np.arange(12 * RATE) / RATE
    talk = sum(np.sin(2 * np.pi * hz * time) / (n + 1) for n, hz in enumerate((150, 300, 620)))
    sound = 0.02 * dice.normal(size=len(time)) + 0.03 * talk * np.clip(np.sin(2 * np.pi * 3.1 * time), 0, 1) ** 2
    if knocks:
        since = time % GAP_S
        sound += 0.7 * np.exp(-since / 0.004) * dice.normal(size=len(time)) * (since < 0.03)
    with wave.open(str(path), "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(RATE)
        file.writeframes((np.clip(sound, -1, 1) * 32_000).astype("<i2").tobytes())
    return path


@pytest.fixture
def hears(browser_type: BrowserType, browser_type_launch_args: dict[str, Any]) -> Iterator[Callable[[Path], Browser]]:
    """A browser whose microphone plays a file, over and over."""
    started: list[Browser] = []

    def start(file: Path) -> Browser:
        fake = ["--use-fake-device-for-media-stream", "--use-fake-ui-for-media-stream"]
        args = [*browser_type_launch_args["args"], *fake, f"--use-file-for-fake-audio-capture={file}"]
        started.append(browser_type.launch(**{**browser_type_launch_args, "args": args}))
        return started[-1]

    yield start
    while OPEN:
        OPEN.pop().close()
    for one in started:
        one.close()


def listening(course: Course, browser: Browser, address: str, heard: list[str]) -> Any:
    page = open_page(browser, address, PHONE, heard)
    sign_in(page, course.student)
    page.goto(f"/course/{course.row.pk}/attempt/{course.attempt.pk}/cadence")
    page.get_by_role("button", name="Listen").click()
    expect(page.get_by_role("button", name="Listening")).to_be_visible()
    return page


def dabs(page: Any) -> int:
    """Ticks of the strip."""
    label = page.get_by_role("img", name="Your dabs").get_attribute("aria-label")
    return int(label.split(": ")[1])


def test_knocks_in_a_hall_are_heard_and_their_evenness_is_shown(
    hears: Callable[[Path], Browser], tmp_path: Path, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    page = listening(create_course(), hears(play(tmp_path / "rod.wav", True, 8)), live_server.url, complaints)
    expect(page.get_by_role("img", name="Your dabs").locator("path").nth(9)).to_be_attached()
    shown = page.get_by_role("status").filter(has_text="Evenness").inner_text()
    varied = re.search(r"vary by ([\d.]+)", shown)
    assert varied
    assert float(varied[1]) < 30, (
        "2 % as a rule, also on a busy machine; the browser's stand-in for a microphone may falter once"
    )
    no_violations(page)


def test_a_hall_without_a_rod_gives_no_dab(
    hears: Callable[[Path], Browser], tmp_path: Path, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    page = listening(create_course(), hears(play(tmp_path / "hall.wav", False, 9)), live_server.url, complaints)
    page.wait_for_timeout(5000)
    assert dabs(page) <= 1, "the first moment may startle it"
