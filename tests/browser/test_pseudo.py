"""Every view in the pseudo-locale: what does not come from the catalogue stands there plain, and words a third longer still fit."""

import re
from collections.abc import Iterator
from datetime import date, time, timedelta
from typing import Any

from django.test import Client
from playwright.sync_api import Browser, Page, Response, expect

from judicum.server.follow.sessions.actions.make_sessions import make_sessions
from judicum.server.follow.sessions.actions.plan_sessions import plan_rest
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt
from judicum.words.catalogue import PSEUDO
from tests.browser.test_desk import with_a_cause
from tests.browser.walk import LAPTOP, PATIENT, PHONE
from tests.people import PASSWORD, Course, create_course
from tests.server.follow.test_stock import stocked
from tests.server.read.test_forecasts import returned

STAFF = (
    "desk", "assign", "builder", "wall", "sessions", "stock", "stock?part=costs", "stock?part=cuts", "workbench", "people",
    "measuring", "records", "markers", "reports", "schools", "schemes",
)  # fmt: skip
STUDENT = ("mine", "time", "workbench", "reports")
OWN = ("/account", "/workshop", "/workshop/people", "/workshop/mail", "/workshop/server")
PLAIN = re.compile(r"[A-Za-z]*[aeiou][A-Za-z]*")
"""A word whose vowels have no accents."""
SHORT = 3
"""Letters: units and symbols (mm, kJ, in) are shorter or have no vowel."""
KEPT = {
    "Judicum",
    "CSV",
    "PNG",
    "SVG",
    "DXF",
    "OpenAPI",
    "Letter",
    "Europe",
    "Enter",
    "Authorization",
    "Bearer",
    "such",
}
"""Names of formats, keys and programs are the same in every locale."""
WRITTEN = {"comment", "purpose", "notes", "answer", "next_change", "title", "display_name", "name", "usual_faults"}
"""Fields that a person wrote, or that ship as rows of the library: their words are theirs."""
SENTENCE = 2
"""Spaces: a longer string that the server sent is a sentence, and comes from the catalogue."""
SAID = """() => {
  const shown = e => e.checkVisibility?.() ?? true;
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const found = [];
  while (walker.nextNode()) {
    const parent = walker.currentNode.parentElement;
    if (!["SCRIPT", "STYLE", "CODE", "KBD", "OPTION"].includes(parent.tagName) && shown(parent)) found.push(walker.currentNode.data);
  }
  for (const name of ["aria-label", "title", "placeholder", "alt"])
    for (const e of document.querySelectorAll(`[${name}]`)) if (shown(e)) found.push(e.getAttribute(name));
  return found;
}"""
CLIPPED = """() => [...document.querySelectorAll("button, a.btn, label > span, h1, h2, h3, th, summary")]
  .filter(e => e.checkVisibility?.() && e.clientWidth > 0 && e.scrollWidth > e.clientWidth + 2)
  .filter(e => { for (let at = e; at; at = at.parentElement) if (at.matches(".truncate, .sr-only, [class*=overflow-x-auto]")) return false; return true; })
  .map(e => e.textContent)"""


def filled() -> Course:
    """A course in which every view has something to show."""
    course = create_course()
    staff = Client()
    staff.force_login(course.instructor)
    returned(staff, course, 8.0, next_change="12345")
    with_a_cause(course)
    stocked(course)
    make_sessions(course.instructor, course.row.pk, date.today() + timedelta(days=2), time(18), 180, 2)
    set_booth(course.instructor, course.row.pk, None, "7", [])
    plan_rest(course.instructor, course.row.pk)
    User.objects.filter(pk=course.instructor.pk).update(owns=True)
    return course


class Data:
    """Strings that the server sent without accents: names, titles, codes and addresses of this course."""

    def __init__(self) -> None:
        self.words: set[str] = set()

    def heard(self, response: Response) -> None:
        if (
            "/api/" in response.url
            and "json" in response.headers.get("content-type", "")
            and response.request.method == "GET"
        ):
            self._take(response.json())

    def _take(self, value: object, key: str = "") -> None:
        if isinstance(value, dict):
            for name, one in value.items():
                self.words.add(str(name))
                self._take(one, str(name))
        elif isinstance(value, list):
            for one in value:
                self._take(one, key)
        elif isinstance(value, str) and (key in WRITTEN or value.count(" ") < SENTENCE):
            self.words |= set(re.findall(r"[A-Za-z]+", value))

    def plain(self, said: list[str]) -> Iterator[str]:
        for text in said:
            for word in PLAIN.findall(text):
                alone = re.search(rf"(?<![^\W\d_]){word}(?![^\W\d_])", text)
                if alone and len(word) > SHORT and word not in self.words and word not in KEPT:
                    yield f"{word} in {text.strip()!r}"


def opened(browser: Browser, address: str, size: dict[str, int], user: User, data: Data) -> Page:
    context = browser.new_context(base_url=address, viewport=size, reduced_motion="reduce", locale=PSEUDO)  # type: ignore[arg-type]
    context.add_init_script(PATIENT)
    page = context.new_page()
    page.on("response", data.heard)
    user.set_password(PASSWORD)
    user.save(update_fields=["password"])
    page.goto("/sign-in")
    fields = page.locator("input")
    fields.nth(0).fill(user.username)
    fields.nth(1).fill(PASSWORD)
    page.locator("button.btn-primary").click()
    page.wait_for_url("**/course/**")
    return page


def looked_at(page: Page, path: str, data: Data) -> list[str]:
    page.goto(path)
    expect(page.locator("h1")).not_to_have_count(0)
    page.wait_for_load_state("networkidle")
    wrong = [f"{path}: {one}" for one in data.plain(page.evaluate(SAID))]
    wrong += [f"{path}: clipped: {text!r}" for text in page.evaluate(CLIPPED)]
    if page.evaluate("document.documentElement.scrollWidth > document.documentElement.clientWidth"):
        wrong.append(f"{path}: wider than the screen")
    return wrong


def test_every_view_speaks_from_the_catalogue_and_has_room_for_longer_words(
    browser: Browser, live_server: Any, transactional_db: None
) -> None:
    course, data = filled(), Data()
    page = opened(browser, live_server.url, LAPTOP, course.instructor, data)
    root = f"/course/{course.row.pk}"
    attempts = [f"{root}/attempt/{pk}" for pk in Attempt.objects.exclude(photos=None).values_list("pk", flat=True)]
    paths = [*(f"{root}/{view}" for view in STAFF), *OWN, f"{root}/student/{course.student.pk}", *attempts]
    wrong = [one for path in paths for one in looked_at(page, path, data)]
    mine = opened(browser, live_server.url, PHONE, course.student, data)
    theirs = [*(f"{root}/{view}" for view in STUDENT), *attempts]
    wrong += [one for path in theirs for one in looked_at(mine, path, data)]
    # Pages that ask on would hold their connections beyond the test.
    for one in (page, mine):
        one.context.close()
    assert not wrong, "\n".join(wrong)
