"""The eye trainer played to its third round on a phone, as a student does before the first arc."""

from typing import Any

import pytest
from playwright.sync_api import Browser, Page, expect

from judicum.core import eye
from judicum.server.follow.eye import tasks
from judicum.server.follow.eye.models import EyeRound
from judicum.server.people.accounts.models import User
from tests.browser.walk import PHONE, no_violations, open_page, sign_in
from tests.people import create_course


def play(page: Page, user: User) -> EyeRound:
    """Begin a round, let the worker draw it, and answer every bead as it should be."""
    page.get_by_role("button", name="Start a round").click()
    expect(page.get_by_text("Drawing the bead …")).to_be_visible()
    of = EyeRound.objects.get(user=user, finished_at=None)
    tasks.draw_round(of.pk)
    for number, raw in enumerate(of.questions, 1):
        asked = eye.Question.from_json(raw)
        expect(page.get_by_text(f"Bead {number} of {len(of.questions)}")).to_be_visible()
        expect(page.get_by_role("img", name="Photo of the bead")).to_be_visible()
        symptom = next(code for code in asked.symptoms if code in asked.right)
        for group, shown, code in (
            ("What is wrong?", asked.symptoms, symptom),
            ("Why?", asked.causes, asked.cause),
            ("What would you change?", asked.changes, asked.cause),
        ):
            page.get_by_role("group", name=group).get_by_role("radio").nth(shown.index(code)).check()
        page.get_by_role("button", name="Check my answer").click()
        expect(page.get_by_text("It was", exact=True)).to_be_visible()
        if number == 1:
            no_violations(page)
        page.get_by_role("button", name="Show result" if number == len(of.questions) else "Show next bead").click()
    of.refresh_from_db()
    return of


def test_three_rounds_get_harder_and_what_was_known_comes_later(
    browser: Browser,
    live_server: Any,
    transactional_db: None,
    complaints: list[str],
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    monkeypatch.setattr(tasks, "SIZE", (320, 240))
    monkeypatch.setattr(eye, "ROUND", 3)
    monkeypatch.setattr(eye, "FULL_SCORE", 12)
    course = create_course()
    page = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(page, course.student)
    page.get_by_role("link", name="Train your eye").click()
    expect(page.get_by_role("heading", name="Train your eye")).to_be_visible()
    no_violations(page)
    rounds = []
    for _ in range(3):
        rounds.append(play(page, course.student))
        expect(page.get_by_text("Round done: 12 of 12 points")).to_be_visible()
    assert [one.level for one in rounds] == [1, 2, 3]
    met = [{raw["cause"] for raw in one.questions} - {eye.SOUND} for one in rounds]
    assert met[0].isdisjoint(met[1]), "what was known is not asked again the same evening while others are new"
    page.get_by_role("button", name="Close").click()
    expect(page.get_by_role("region", name="Your rounds")).to_be_visible()
    no_violations(page)
