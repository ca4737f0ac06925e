"""Without a signal: fifty steps with the line cut, answers lost, pages and the browser killed; nothing lost, nothing twice."""

import os
import random
import signal
import time
from collections import Counter
from contextlib import suppress
from pathlib import Path
from typing import Any
from urllib.parse import urlsplit

import pytest
from playwright.sync_api import BrowserContext, BrowserType, Error, Page, expect

from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.follow.sessions.models import WeldedAt
from judicum.server.record.attempts.models import Attempt, Event, Run
from judicum.server.record.photos.models import Photo, Upload
from tests.browser.conftest import OPEN
from tests.browser.line import Line, line_to
from tests.browser.walk import PATIENCE_MS, PATIENT, PHONE, no_violations, sign_in
from tests.drawn import bead_photo
from tests.patience import until
from tests.people import Course, create_course

STEPS = 50


class Phone:
    """A student's phone: its browser keeps what it has in a folder and may be killed at any moment."""

    def __init__(self, kind: BrowserType, arguments: dict[str, Any], folder: Path, port: int) -> None:
        self.kind, self.arguments, self.folder, self.address = kind, arguments, folder, f"http://127.0.0.1:{port}"
        self.cookies: Any = []
        self.path = "/"
        self.open()

    def open(self) -> None:
        self.context: BrowserContext = self.kind.launch_persistent_context(
            str(self.folder), base_url=self.address, viewport=PHONE, reduced_motion="reduce", locale="en-GB",
            service_workers="allow", **self.arguments,
        )  # fmt: skip
        OPEN.append(self.context)
        self.context.add_init_script(PATIENT)
        self.context.add_cookies(self.cookies)
        self.page: Page = self.context.pages[0]
        self.page.set_default_timeout(PATIENCE_MS)

    def kill_page(self) -> None:
        self.page.close()
        self.page = self.context.new_page()
        self.page.set_default_timeout(PATIENCE_MS)
        self.page.goto(self.path)

    def kill_browser(self) -> None:
        """End every process of the browser as a flat battery does."""
        self.cookies = self.context.cookies()
        for process in Path("/proc").glob("[0-9]*"):
            with suppress(OSError):
                if str(self.folder).encode() in (process / "cmdline").read_bytes():
                    os.kill(int(process.name), signal.SIGKILL)
        OPEN.remove(self.context)
        with suppress(Exception):
            self.context.close()
        for lock in self.folder.glob("Singleton*"):
            lock.unlink()
        self.open()
        self.page.goto(self.path)

    def go(self, path: str) -> None:
        self.path = path
        self.page.goto(path)


@pytest.fixture
def phone(browser_type: BrowserType, browser_type_launch_args: dict[str, Any], tmp_path: Path, line: Line) -> Phone:
    return Phone(browser_type, browser_type_launch_args, tmp_path / "phone", line.port)


@pytest.fixture
def line(live_server: Any) -> Any:
    with line_to(urlsplit(live_server.url).port or 0) as made:
        yield made


def ready(phone: Phone, course: Course, attempt: Attempt) -> None:
    """Signed in, the app kept on the phone, and the attempt read once."""
    sign_in(phone.page, course.student)
    kept = "() => navigator.serviceWorker.controller !== null"
    until(lambda: phone.page.evaluate(kept), "the app is kept on the phone")
    phone.go(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    expect(phone.page.get_by_role("button", name="Save log")).to_be_visible()
    phone.page.wait_for_load_state("networkidle")


KEPT_PHOTOS = """() => new Promise(done => {
  const asked = indexedDB.open("judicum-outbox");
  asked.onsuccess = () => {
    const all = asked.result.transaction("changes").objectStore("changes").getAll();
    all.onsuccess = () => { asked.result.close(); done(all.result.filter(e => e.what === "photo").map(e => e.id)); };
  };
})"""


def _arrived() -> set[str]:
    return {str(one) for one in Upload.objects.exclude(photo=None).values_list("pk", flat=True)}


class Evening:
    """What a student does, and what the server must know of it when the evening is over."""

    def __init__(self, phone: Phone, line: Line, course: Course, attempt: Attempt, seed: int) -> None:
        self.phone, self.line, self.course = phone, line, course
        self.chance = random.Random(seed)
        self.opened = [f"/course/{course.row.pk}/attempt/{attempt.pk}"]
        self.done: list[Counter[str]] = [Counter()]
        self.ticked: list[set[str]] = [set()]

    @property
    def page(self) -> Page:
        return self.phone.page

    def tick(self) -> None:
        with_list = self.page.locator("details").filter(has=self.page.locator("button", has_text="Tick all"))
        box = with_list.locator("input[type=checkbox]").nth(self.chance.randrange(3))
        for _ in range(10):
            # An attempt opened here gets its real address meanwhile, and the list folds again.
            if with_list.get_attribute("open") is None:
                with_list.locator("summary").first.click()
            with suppress(Error, AssertionError):
                expect(box).to_be_enabled(timeout=5000)
                was, words = box.is_checked(timeout=5000), box.locator("xpath=..").inner_text(timeout=5000)
                box.click(timeout=5000)
                break
        expect(box).to_be_enabled()
        expect(box).to_be_checked(checked=not was)
        self.ticked[-1] ^= {words}
        self.done[-1]["prepare"] += 1

    def log(self) -> None:
        if self.done[-1]["log"]:
            self.page.get_by_role("button", name="Log another run").click()
        self.page.get_by_role("button", name="Save log").click()
        self.done[-1]["log"] += 1
        expect(self.page.get_by_role("button", name="Edit")).to_have_count(self.done[-1]["log"])

    def photo(self) -> None:
        if not self.done[-1]["log"]:
            return
        # The one before must be on its way, so that each is seen to be taken.
        expect(self.page.locator("label").filter(has_text="Choose a file")).to_be_visible()
        self.page.locator("label", has_text="Choose a file").locator("input").set_input_files(
            {"name": "bead.jpg", "mimeType": "image/jpeg", "buffer": bead_photo().jpeg}
        )
        self.done[-1]["photo"] += 1
        photos = sum(one["photo"] for one in self.done)
        until(lambda: len(self._kept() | _arrived()) == photos, "the photo is kept on the phone or has arrived")

    def _kept(self) -> set[str]:
        """Photos in the phone's own store."""
        return set(self.page.evaluate(KEPT_PHOTOS))

    def another(self) -> None:
        if not self.done[-1]["log"]:
            return
        self.page.goto(f"{self.opened[-1]}/booth?step=next&run=1")
        self.page.get_by_role("button", name="Start another attempt").click()
        before = urlsplit(self.opened[-1]).path.rpartition("/")[2]
        self.page.wait_for_url(lambda url: urlsplit(url).path.rpartition("/")[2] not in (before, "booth"))
        self.opened.append(urlsplit(self.page.url).path)
        self.phone.path = self.opened[-1]
        self.done.append(Counter())
        self.ticked.append(set())
        expect(self.page.get_by_role("button", name="Save log")).to_be_visible()

    def step(self) -> None:
        act = self.chance.choices(
            [self.tick, self.log, self.photo, self.another, self.cut, self.deafen, self.mend,
             self.phone.kill_page, self.phone.kill_browser],
            [10, 8, 5, 4, 6, 4, 5, 3, 1],
        )[0]  # fmt: skip
        act()
        expect(self.page.get_by_role("heading", level=1)).to_be_visible()

    def cut(self) -> None:
        self.line.set("off")

    def deafen(self) -> None:
        """The server hears what is done next, and its answer is lost; then the line is gone."""
        self.line.set("deaf")
        self.chance.choice([self.tick, self.log])()
        time.sleep(0.2)  # the server stores what it heard
        self.line.set("off")

    def mend(self) -> None:
        self.line.set("on")


@pytest.mark.parametrize("seed", [20261201])
def test_an_evening_in_a_hall_without_a_signal(
    phone: Phone, line: Line, live_server: Any, transactional_db: None, seed: int
) -> None:
    course = create_course()
    attempt = course.attempt
    ready(phone, course, attempt)
    evening = Evening(phone, line, course, attempt, seed)
    for _ in range(STEPS):
        evening.step()
    line.set("on")
    phone.page.reload()
    phone.page.evaluate("window.dispatchEvent(new Event('online'))")

    def heard() -> list[Counter[str]]:
        mine = Attempt.objects.filter(student=course.student).order_by("number")
        return [
            Counter({
                "log": Run.objects.filter(attempt=one).count(),
                "prepare": Event.objects.filter(attempt=one, kind="prepare").count(),
                "photo": Photo.objects.filter(attempt=one).count(),
            })
            for one in mine
        ]  # fmt: skip

    until(lambda: heard() == evening.done, "the server knows of all that was done")
    phone.page.wait_for_timeout(1000)
    assert heard() == evening.done, "nothing came twice"
    assert Event.objects.filter(kind="log").count() == sum(one["log"] for one in evening.done)
    for one, ticked in zip(
        Attempt.objects.filter(student=course.student).order_by("number"), evening.ticked, strict=True
    ):
        assert len(one.prepared) == len(ticked)
    times = list(
        Event.objects.filter(attempt=attempt, kind__in=["log", "prepare"]).order_by("at").values_list("at", flat=True)
    )
    assert times == sorted(times)
    expect(phone.page.get_by_text("on this phone since")).to_have_count(0)


def test_what_is_not_accepted_stands_on_the_phone_with_its_reason(
    phone: Phone, line: Line, live_server: Any, transactional_db: None
) -> None:
    course = create_course()
    attempt = course.attempt
    ready(phone, course, attempt)
    line.set("off")
    phone.page.get_by_role("button", name="Save log").click()
    expect(phone.page.get_by_text("1 change waits on this phone since")).to_be_visible()
    Attempt.objects.filter(pk=attempt.pk).update(state="returned", shown_state="returned")
    line.set("on")
    phone.page.get_by_role("button", name="Send now").click()
    expect(phone.page.get_by_text("1 change was not accepted.")).to_be_visible()
    phone.page.get_by_role("button", name="Show changes").click()
    expect(phone.page.get_by_text("Log of run 1")).to_be_visible()
    no_violations(phone.page)
    phone.kill_browser()
    phone.page.get_by_role("button", name="Show changes").click()
    Attempt.objects.filter(pk=attempt.pk).update(state="assigned", shown_state="assigned")
    phone.page.get_by_role("button", name="Try again").click()
    until(lambda: Run.objects.filter(attempt=attempt).exists(), "the log is taken after all")
    expect(phone.page.get_by_text("not accepted")).to_have_count(0)


TARGETS = "() => [...document.querySelectorAll('main button, main a')].filter(e => e.offsetParent && e.getBoundingClientRect().height < 55.5).map(e => e.innerText)"


def test_from_the_code_on_the_booth_to_the_photo_with_the_line_gone_for_half_of_it(
    phone: Phone, line: Line, live_server: Any, transactional_db: None
) -> None:
    course = create_course()
    attempt = course.attempt
    booth = set_booth(course.instructor, course.row.pk, None, "Booth 1", ()).pk
    ready(phone, course, attempt)
    phone.go(f"/course/{course.row.pk}/mine")
    phone.page.wait_for_load_state("networkidle")
    phone.go(f"/course/{course.row.pk}/at-booth/{booth}")
    expect(phone.page.get_by_role("heading", name="Your booth is set")).to_be_visible()
    until(lambda: WeldedAt.objects.filter(attempt=attempt, booth=booth).exists(), "the booth is set")
    phone.page.get_by_role("link", name="Bead on plate").click()
    page = phone.page
    line.set("off")
    no_violations(page)
    expect(page.get_by_text("0 of 8 done")).to_be_visible()
    for _ in range(8):
        page.get_by_role("button", name="Done", exact=True).click()
    expect(page.get_by_text("1 of")).to_be_visible()
    no_violations(page)
    assert page.evaluate(TARGETS) == []
    page.get_by_role("button", name="Confirm setting").click()
    page.get_by_role("button", name="Confirm all settings").click()
    page.get_by_role("button", name="Tap to count in").click()
    page.get_by_role("button", name="Tap when the arc goes out").click()
    page.get_by_role("button", name="Tap when the end no longer glows").click()
    expect(page.get_by_text("No glow after")).to_be_visible()
    no_violations(page)
    assert page.evaluate(TARGETS) == []
    page.get_by_role("button", name="Forward").click()
    page.get_by_role("button", name="shiny").click()
    page.get_by_role("button", name="spiralling").click()
    no_violations(page)
    page.get_by_role("button", name="Save log").click()
    page.locator("label", has_text="Choose a file").locator("input").set_input_files(
        {"name": "bead.jpg", "mimeType": "image/jpeg", "buffer": bead_photo().jpeg}
    )
    expect(page.get_by_text("No connection. Sending resumes by itself")).to_be_visible()
    page.get_by_role("button", name="Forward").click()
    expect(page.get_by_role("button", name="Weld run 2")).to_be_visible()
    assert page.evaluate(TARGETS) == []
    line.set("on")
    page.get_by_role("button", name="Send now").click()
    until(lambda: Photo.objects.filter(attempt=attempt).exists(), "the photo has arrived")
    run = Run.objects.get(attempt=attempt)
    assert (run.electrode_after, run.arc) == ("shiny", "spiralling")
    assert run.arc_s is not None
    attempt.refresh_from_db()
    assert len(attempt.prepared) == 8


def test_a_torch_angle_read_without_a_signal(
    phone: Phone, line: Line, live_server: Any, transactional_db: None
) -> None:
    course = create_course()
    attempt = course.attempt
    ready(phone, course, attempt)
    page = phone.page
    line.set("off")
    page.get_by_role("button", name="Save log").click()
    page.locator("label", has_text="Torch").locator("input").set_input_files(
        {"name": "torch.jpg", "mimeType": "image/jpeg", "buffer": bead_photo().jpeg}
    )
    page.get_by_role("button", name="Read angle").click()
    end = page.get_by_role("slider", name="first end").first
    end.press("Shift+ArrowUp")
    no_violations(page)
    page.get_by_role("button", name="Save to log").click()
    expect(page.get_by_text("1 angle is computed")).to_be_visible()
    phone.kill_browser()
    expect(phone.page.get_by_text("1 angle is computed")).to_be_visible()
    line.set("on")
    phone.page.get_by_role("button", name="Send now").click()
    until(lambda: Event.objects.filter(attempt=attempt, kind="read_angle").exists(), "the angle is read")
    phone.page.wait_for_timeout(1000)
    assert Event.objects.filter(attempt=attempt, kind="read_angle").count() == 1
    assert Run.objects.get(attempt=attempt).measured == ["work_angle_deg"]
    expect(phone.page.get_by_text("Work angle: ")).to_be_visible()
