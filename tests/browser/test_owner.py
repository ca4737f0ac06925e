"""A new owner's school, walked: workshop, course, people by table, a coupon given and marked, archive, a student removed, a
password forgotten, a second factor lost."""

import zipfile
from pathlib import Path
from typing import Any
from uuid import uuid4

from django_otp.oath import TOTP
from django_otp.plugins.otp_totp.models import TOTPDevice
from playwright.sync_api import Browser, Page, expect

from judicum.core.marking import SCHEMES, USUAL_SCHEME
from judicum.launch.certificates import make_sure
from judicum.server.catalogue.coupons.library import load_library
from judicum.server.exchange.archive.actions.import_course import import_course
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.people.workshops.actions.set_workshop import make_workshop
from judicum.server.platform.outbox import FOR_ITS_READER
from judicum.server.record.attempts.models import Attempt
from judicum.server.record.marking.actions.mark_attempt import return_mark, set_mark
from tests.browser.walk import LAPTOP, PHONE, no_violations, open_page
from tests.measured import measured_attempt
from tests.people import PASSWORD
from tests.people import Course as Cast

SCORES = dict.fromkeys(SCHEMES[USUAL_SCHEME].keys, 8.0)
PEOPLE = "﻿Login name;Name;Role\r\nrunar;Runar Ek;\r\nsigne;Signe Dahl;student\r\ntove;Tove Lind;assistant\r\n"
ODD = PEOPLE + "hedda;Somebody Else;student\r\n"


def sign_in_as(page: Page, name: str, password: str, code: str = "") -> None:
    page.get_by_label("Name").fill(name)
    page.get_by_label("Password").fill(password)
    page.get_by_role("button", name="Sign in").click()
    if code:
        page.get_by_label("Code from your authenticator app, or a recovery code").fill(code)
        page.get_by_role("button", name="Sign in").click()


def table(page: Page, text: str) -> None:
    page.get_by_label("CSV file (commas or semicolons)").set_input_files(
        {"name": "class.csv", "mimeType": "text/csv", "buffer": text.encode()}
    )


def code_of(user: User) -> str:
    device = TOTPDevice.objects.get(user=user)
    return f"{TOTP(device.bin_key, device.step, device.t0, device.digits, device.drift).token():06d}"


def test_a_school_is_run_from_its_first_day(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str], settings: Any, tmp_path: Path
) -> None:
    settings.EMAIL_BACKEND = "judicum.server.platform.outbox.Outbox"
    load_library()
    owner, password = make_workshop("Weir street", "hedda")
    page = open_page(browser, live_server.url, LAPTOP, complaints)
    page.goto(f"{live_server.url}/sign-in")
    sign_in_as(page, "hedda", password)
    page.get_by_label("Name of the new course").fill("Spring sessions")
    no_violations(page)
    page.get_by_role("button", name="Create course").click()
    expect(page.get_by_alt_text("QR code of the join address")).to_be_visible()
    no_violations(page)

    page.get_by_role("link", name="Import or export people").click()
    table(page, ODD)
    expect(page.get_by_role("status").filter(has_text="3 new, 1 refused")).to_be_visible()
    expect(page.get_by_role("button", name="Import all")).to_be_disabled()
    no_violations(page)
    table(page, PEOPLE)
    page.get_by_role("button", name="Import all").click()
    link = page.get_by_role("row", name="Runar Ek").get_by_text("Give this link").text_content() or ""
    assert User.objects.filter(workshop=owner.workshop).count() == 4

    phone = open_page(browser, live_server.url, PHONE, complaints)
    phone.goto(link.rpartition(" ")[2])
    phone.get_by_label("New password (at least 8 characters)").fill(PASSWORD)
    phone.get_by_role("button", name="Save password").click()
    phone.get_by_role("link", name="Go to sign-in").click()
    sign_in_as(phone, "runar", PASSWORD)
    phone.get_by_role("link", name="Account of Runar Ek").click()
    phone.get_by_label("Email address").fill("runar@example.org")
    phone.get_by_label("Your password (the address changes)").fill(PASSWORD)
    phone.get_by_label("a mark is returned").check()
    no_violations(phone)
    phone.get_by_role("button", name="Save mail settings").click()
    expect(phone.get_by_text("At most one message a day")).to_be_visible()

    # A coupon from a table, welded, photographed, marked.
    page.get_by_role("button", name="Assigned coupons").click()
    table(page, "coupon;due\nplate-bead-15;25.3.2031\n")
    page.get_by_role("button", name="Import all").click()
    expect(page.get_by_text("Import finished.")).to_be_visible()
    course = Course.objects.get()
    runar = User.objects.get(username="runar")
    cast = Cast(course, owner, owner, runar, runar, owner, course.assignments.get())
    attempt = measured_attempt(cast)
    set_mark(owner, attempt.pk, attempt.version, scores=SCORES, comment="Well done, Runar.", next_change="")
    attempt.refresh_from_db()
    return_mark(owner, attempt.pk, attempt.version)

    # Forgotten, and mailed; the owner reads that it was written, not what.
    phone.get_by_role("button", name="Sign out Runar Ek").click()
    phone.get_by_role("link", name="Forgot password?").click()
    phone.get_by_label("Login name").fill("Runar")
    no_violations(phone)
    phone.get_by_role("button", name="Send reset link").click()
    expect(phone.get_by_text("a reset link is on its way")).to_be_visible()
    # The server, as ./judicum doctor sees it; and what a phone reads that is to trust it.
    settings.AUTHORITY = str(tmp_path / "tls" / "authority.pem")
    make_sure(tmp_path / "tls", ["judicum.local"])
    page.goto(f"{live_server.url}/workshop/server")
    expect(page.get_by_role("listitem").filter(has_text="Measuring")).to_contain_text("no worker is there")
    signs = page.locator("p.font-mono").inner_text()
    no_violations(page)
    phone.goto(f"{live_server.url}/trust")
    expect(phone.get_by_text(signs)).to_be_visible()
    no_violations(phone)
    phone.get_by_role("button", name="Android").click()
    expect(phone.get_by_role("img", name="The downloads")).to_be_visible()
    page.goto(f"{live_server.url}/workshop/mail")
    page.get_by_text("Judicum: reset your password").click()
    expect(page.get_by_text(FOR_ITS_READER)).to_be_visible()
    no_violations(page)

    # A second factor, lost with the phone; a code on paper is left.
    page.goto(f"{live_server.url}/account")
    page.get_by_role("button", name="Set up second factor").click()
    expect(page.get_by_alt_text("QR code for your authenticator app")).to_be_visible()
    no_violations(page)
    page.get_by_label("Six-digit code").fill(code_of(owner))
    page.get_by_role("button", name="Turn on second factor").click()
    paper = page.get_by_label("Second factor").get_by_role("listitem").first.text_content() or ""
    page.get_by_label("Purpose").fill("Class list")
    page.get_by_role("button", name="Create token").click()
    expect(page.get_by_text("judicum_")).to_be_visible()
    page.get_by_role("button", name="Sign out Hedda").click()
    sign_in_as(page, "hedda", password, paper)
    page.get_by_role("link", name="Account of Hedda").click()
    page.get_by_label("Password (to turn it off)").fill(password)
    page.get_by_role("button", name="Turn off second factor").click()
    expect(page.get_by_role("button", name="Set up second factor")).to_be_visible()
    page.get_by_role("link", name="the guide to the API").click()
    page.get_by_label("Search calls").fill("booth")
    page.locator("summary").first.click()
    no_violations(page)

    # The course ends, is taken along, and comes in elsewhere.
    page.goto(f"{live_server.url}/course/{course.pk}/people")
    expect(page.get_by_alt_text("QR code of the join address")).to_be_visible()
    page.wait_for_load_state("networkidle")
    page.get_by_role("button", name="Archive this course").click()
    page.get_by_role("button", name="Archive course").click()
    expect(page.get_by_text("This course is archived.")).to_be_visible()
    no_violations(page)
    page.get_by_role("link", name="Import or export people").click()
    with page.expect_download() as saved:
        page.get_by_role("link", name="Export archive").click()
    saved.value.save_as(tmp_path / "course.zip")
    assert zipfile.ZipFile(tmp_path / "course.zip").testzip() is None
    Course.objects.filter(pk=course.pk).update(key=uuid4())  # as if this were another server
    found = import_course(tmp_path / "course.zip", owner.workshop)
    copy = found.course
    assert found.new
    assert Attempt.objects.get(course=copy, state="returned").mark.total == 80.0

    page.goto(f"{live_server.url}/workshop/people")
    page.get_by_role("button", name="Remove Runar Ek").click()
    no_violations(page)
    page.get_by_role("button", name="Remove Runar Ek").click()
    expect(page.get_by_role("button", name="Remove Runar Ek")).to_be_hidden()
    attempt.refresh_from_db()
    assert (attempt.mark.comment, attempt.photos.get().picture) == ("Well done, the student.", None)
