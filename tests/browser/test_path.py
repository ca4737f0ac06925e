"""The whole path in a browser: assigned, logged, photographed, measured, marked, returned, seen."""

import io
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, expect

from judicum.server.record.attempts.models import Attempt
from tests.browser.walk import LAPTOP, PHONE, fits_narrow, no_violations, open_page, sign_in
from tests.drawn import bead_photo
from tests.live import Worker
from tests.live import worker as worker
from tests.people import create_course


@pytest.mark.usefixtures("complaints")
def test_one_coupon_from_assigned_to_marked(
    browser: Browser, live_server: Any, worker: Worker, complaints: list[str], tmp_path: Path
) -> None:
    course = create_course()
    worker.start()
    staff = open_page(browser, live_server.url, LAPTOP, complaints)
    staff.goto("/sign-in")
    no_violations(staff)
    staff.goto("/join")
    no_violations(staff)
    sign_in(staff, course.instructor)
    expect(staff.get_by_text("Nothing to mark")).to_be_visible()
    no_violations(staff)

    # Three clicks give it to the class: library, coupon, give.
    staff.get_by_role("link", name="Coupon library").click()
    staff.get_by_role("button", name="Carbon steel first").click()
    expect(staff.get_by_role("listitem").first).to_contain_text("Carbon: bead on plate")
    staff.get_by_role("button", name="Assign Square butt, 1.5 mm").click()
    no_violations(staff)
    staff.get_by_role("button", name="Assign coupon").click()
    expect(staff.get_by_role("row").filter(has_text="Square butt, 1.5 mm")).to_be_visible()

    # The student, on a phone.
    phone = open_page(browser, live_server.url, PHONE, complaints)
    sign_in(phone, course.student)
    no_violations(phone)
    fits_narrow(phone)
    phone.get_by_role("region").or_(phone.locator("section")).filter(has_text="Square butt, 1.5 mm").get_by_role(
        "link", name="Weld attempt 1"
    ).click()
    expect(phone.get_by_role("heading", name="Log of the run")).to_be_visible()
    no_violations(phone)
    expect(phone.get_by_text("Setup card")).to_be_visible()
    phone.get_by_role("button", name="Use card settings").click()
    expect(phone.get_by_label("Gas flow (L/min)")).to_have_value("7.5")
    phone.get_by_label("Welding current (A)").fill("9000")
    phone.get_by_role("button", name="Save log").click()
    expect(phone.get_by_text("Welding current: enter 1 to 1000 A (you entered 9000 A).")).to_be_visible()
    phone.get_by_label("Welding current (A)").fill("60")
    phone.get_by_role("button", name="Welding current: more").click()
    phone.reload()
    expect(phone.get_by_label("Welding current (A)")).to_have_value("61")
    phone.get_by_label("Post-flow (s)", exact=True).fill("3")
    phone.get_by_role("button", name="Save log").click()
    expect(phone.get_by_role("heading", name="Photo of the bead")).to_be_visible()

    phone.get_by_text("Setup card").click()
    expect(phone.get_by_text("the end oxidises while hot").first).to_be_visible()
    no_violations(phone)

    photo = tmp_path / "bead.jpg"
    photo.write_bytes(bead_photo().jpeg)
    phone.locator("input[type=file]").nth(1).set_input_files(photo)
    expect(phone.get_by_role("slider", name="Place along the bead")).to_be_visible(timeout=60_000)
    expect(phone.get_by_text("1 straw").first).to_be_visible()
    no_violations(phone)

    # The marking desk, by keyboard.
    staff.get_by_role("link", name="To mark").click()
    staff.get_by_role("link").filter(has_text="Sanne").filter(has_text="Square butt").click()
    expect(staff.get_by_role("slider", name="Place along the bead")).to_be_visible()
    no_violations(staff)
    score = staff.get_by_label("Even width: score")
    before = float(score.inner_text())
    staff.keyboard.press("ArrowLeft")
    expect(score).to_have_text(f"{before - 0.5:g}")
    staff.get_by_role("slider").focus()
    staff.keyboard.press("ArrowRight")
    expect(score).to_have_text(f"{before - 0.5:g}")
    expect(staff.get_by_text("At 0.5 mm")).to_be_visible()
    staff.keyboard.press("w")
    staff.keyboard.type("Calm hand.")
    staff.get_by_label("One change for next time").fill("Count the dabs aloud.")
    staff.get_by_role("button", name="Save and return").click()
    expect(staff.get_by_role("heading", name="To mark")).to_be_visible()

    # The student sees it, beside the time plot.
    phone.reload()
    expect(phone.get_by_text("Count the dabs aloud.")).to_be_visible()
    expect(phone.get_by_text("Calm hand.")).to_be_visible()
    no_violations(phone)
    phone.get_by_role("link", name="See my progress").click()
    expect(phone.get_by_role("heading", name="My progress")).to_be_visible()
    expect(phone.get_by_role("heading", name="Square butt, 1.5 mm")).to_be_visible()
    no_violations(phone)

    for path, heading in (("wall", "Class"), (f"student/{course.student.pk}", "Sanne")):
        staff.goto(f"/course/{course.row.pk}/{path}")
        expect(staff.get_by_role("heading", name=heading).first).to_be_visible()
        expect(staff.locator("img[alt^=Strip]").first).to_be_visible()
        no_violations(staff)
    assert Attempt.objects.get(student=course.student, assignment__design__code="butt-15").state == "returned"


def test_two_markers_and_a_clear_word_to_the_later(
    browser: Browser, live_server: Any, transactional_db: None, complaints: list[str]
) -> None:
    from judicum.server.record.marking.actions.mark_attempt import set_mark
    from tests.measured import measured_attempt
    from tests.server.record.test_marking import SCORES

    course = create_course()
    attempt = measured_attempt(course)
    page = open_page(browser, live_server.url, LAPTOP, [])
    sign_in(page, course.instructor)
    page.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    page.get_by_label("Comment").fill("mine, typed slowly")
    set_mark(course.assistant, attempt.pk, attempt.version, SCORES, "theirs", "")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_text("Asmus changed this attempt in the meantime")).to_be_visible()
    no_violations(page)
    page.get_by_role("button", name="Reload and keep my entries").click()
    expect(page.get_by_label("Comment")).to_have_value("mine, typed slowly")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_text("Saved.")).to_be_visible()
    attempt.mark.refresh_from_db()
    assert attempt.mark.comment == "mine, typed slowly"


def test_a_refused_photo_and_a_broken_connection_are_said_in_words(
    browser: Browser, live_server: Any, worker: Worker, tmp_path: Path
) -> None:
    from tests.people import logged

    course = create_course()
    attempt = logged(course)
    phone = open_page(browser, live_server.url, PHONE, [])
    sign_in(phone, course.student)
    phone.goto(f"/course/{course.row.pk}/attempt/{attempt.pk}")
    picker = phone.locator("input[type=file]").nth(1)
    disguised = tmp_path / "bead.jpg"
    disguised.write_bytes(b"this is text, whatever its name says" * 100)
    picker.set_input_files(disguised)
    expect(phone.get_by_text("isn't a JPEG, PNG or HEIC picture")).to_be_visible()
    no_violations(phone)

    # The connection breaks after the first pieces; a fresh page goes on by itself.
    noise = tmp_path / "big.png"
    noise.write_bytes(big_png())
    sent: list[str] = []

    def gate(route: Any) -> None:
        if route.request.method == "PATCH":
            sent.append(route.request.headers["upload-offset"])
            if len(sent) > 2:
                route.abort()
                return
        route.continue_()

    phone.route("**/api/uploads/**", gate)
    picker.set_input_files(noise)
    phone.get_by_role("button", name="Send photo anyway").click()
    expect(phone.get_by_text("No connection. Sending resumes")).to_be_visible()
    phone.unroute("**/api/uploads/**")
    resumed: list[str] = []
    phone.on("request", lambda r: resumed.append(r.headers["upload-offset"]) if r.method == "PATCH" else None)
    phone.reload()
    expect(phone.get_by_text("Photo received")).to_be_visible()
    assert int(resumed[0]) >= 2 * 512 * 1024
    worker.start()
    expect(phone.get_by_text("No scale card found")).to_be_visible(timeout=60_000)


def big_png() -> bytes:
    """A picture of 2 MB without any card."""
    import numpy as np
    from PIL import Image

    out = io.BytesIO()
    Image.fromarray(np.random.default_rng(2).integers(0, 255, (800, 900, 3), dtype=np.uint8)).save(out, "PNG")
    return out.getvalue()
