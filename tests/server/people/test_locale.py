"""In which English somebody is spoken to: by account, else by browser; in print and mail by course."""

from collections.abc import Callable

import pytest
from django.test import Client

from judicum.server.http.localized import best_locale
from judicum.server.people.accounts.actions.change_preferences import change_preferences
from judicum.server.people.courses.locales import locale_of
from judicum.words.catalogue import locale, pseudo, speaking, t
from tests.people import Course
from tests.server.read.test_reports import read, text_of

PREFERENCES = "/api/session/preferences"
AMERICAN = {"HTTP_ACCEPT_LANGUAGE": "en-US,en;q=0.8"}


def refused(client: Client, course: Course, **headers: str) -> str:
    body = {"current_a": 9000, "gas_l_min": 9}
    answer = client.put(f"/api/attempts/{course.attempt.pk}/runs/1", body, "application/json", **headers)
    assert "Accept-Language" in answer["Vary"]
    return str(answer.json()["errors"][0]["message"])


def test_a_stranger_and_an_account_without_a_choice_are_answered_as_their_browser_asks(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.student)
    assert refused(client, course) == "Welding current: enter 1 to 1000 A (you entered 9000 A)."
    assert refused(client, course, **AMERICAN) == "Welding amperage: enter 1 to 1000 A (you entered 9000 A)."


def test_the_account_s_choice_counts_more_than_the_browser(course: Course, client_of: Callable[..., Client]) -> None:
    client = client_of(course.student)
    for chosen, said in (("en-US", "Welding amperage"), ("en-GB", "Welding current"), ("", "Welding amperage")):
        answer = client.patch(PREFERENCES, {"locale": chosen}, "application/json")
        assert answer.json()["locale"] == chosen
        assert refused(client, course, **AMERICAN).startswith(said)
    assert client.patch(PREFERENCES, {"locale": "en-ZZ"}, "application/json").status_code == 400


def test_what_is_printed_follows_the_course_and_not_the_reader(
    course: Course, client_of: Callable[..., Client]
) -> None:
    client = client_of(course.instructor)
    sheet = f"/api/courses/{course.row.pk}/class.pdf"
    british = text_of(read(client, sheet))
    client.patch(f"/api/courses/{course.row.pk}/schools", {"locale": "en-US"}, "application/json")
    course.row.refresh_from_db()
    assert course.row.locale == "en-US"
    printed = read(client, sheet)
    american = text_of(printed)
    assert "Best mark" in british and "Best grade" in american
    assert [float(side) for side in printed.pages[0].mediabox[2:]] == [612, 792], "Letter"


def test_mail_follows_the_account_and_else_the_course(course: Course) -> None:
    assert locale_of(course.student) == "en-GB"
    course.row.locale = "en-US"
    course.row.save()
    assert locale_of(course.student) == "en-US"
    assert locale_of(change_preferences(course.student, {"locale": "en-GB", "flow_unit": None})) == "en-GB"


@pytest.mark.parametrize(
    ("asked", "found"),
    [
        ("", "en-GB"),
        ("fr-FR", "en-GB"),
        ("en-US", "en-US"),
        ("en-GB;q=0.5, en-US", "en-US"),
        ("en-US;q=x", "en-GB"),
        ("fr", "en-GB"),
        ("de-DE,en-US;q=0.8,en;q=0.5", "en-US"),
    ],
)
def test_a_browser_gets_the_best_that_is_there(asked: str, found: str) -> None:
    assert best_locale(asked) == found


def test_terms_and_spelling_differ_and_the_pseudo_locale_leaves_nothing_plain() -> None:
    with speaking("en-US"):
        assert (locale(), t("cause-current_high"), t("tint-7")) == ("en-US", "Too much amperage", "gray")
    with speaking("en-XA"):
        assert t("cause-current_high") == f"{pseudo('Too much ')}{pseudo('current')}"
    assert (t("cause-current_high"), t("tint-7")) == ("Too much current", "grey")


def test_what_is_asked_for_wrongly_is_said_to_who_wrote_it() -> None:
    with pytest.raises(LookupError, match="no message nothing-of-the-kind"):
        t("nothing-of-the-kind")
    with pytest.raises(LookupError, match="sign-out"):
        t("app-sign-out")
