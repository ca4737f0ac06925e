"""Labels with codes: whose they are, what they lead to, and who may print them."""

from collections.abc import Callable

import cv2
import numpy as np
import pytest
from django.test import Client
from reportlab.graphics.barcode.qr import QrCodeWidget

from judicum.server.catalogue.coupons import labels
from judicum.server.catalogue.coupons.labels import Label, label_sheet
from judicum.server.follow.sessions.actions.set_booth import set_booth
from judicum.server.read.labels import at_booth_path, booth_path
from tests.people import Course

pytestmark = pytest.mark.django_db


@pytest.mark.parametrize("what", ["booths", "blanks"])
def test_who_may_print_them(course: Course, client_of: Callable[..., Client], what: str) -> None:
    url = f"/api/courses/{course.row.pk}/labels/{what}.pdf"
    assert client_of(course.student).get(url).status_code == 403
    assert client_of(course.stranger).get(url).status_code == 404
    answer = client_of(course.assistant).get(url)
    assert (answer.status_code, answer.content[:5]) == (200, b"%PDF-")
    refused = client_of(course.instructor).get(f"{url}?paper=a0")
    assert refused.json()["errors"][0]["field"] == "paper"


def test_each_booth_and_each_blank_that_waits_has_one(
    course: Course, client_of: Callable[..., Client], monkeypatch: pytest.MonkeyPatch
) -> None:
    drawn: list[str] = []
    monkeypatch.setattr(labels, "draw_code", lambda canvas, x, y, side, address: drawn.append(address))
    booth = set_booth(course.instructor, course.row.pk, None, "Booth 1", ()).pk
    staff = client_of(course.instructor)
    staff.get(f"/api/courses/{course.row.pk}/labels/booths.pdf")
    assert drawn == [f"http://testserver{at_booth_path(course.row.pk, booth)}"]
    drawn.clear()
    staff.get(f"/api/courses/{course.row.pk}/labels/blanks.pdf")
    assert f"http://testserver{booth_path(course.row.pk, course.attempt.pk)}" in drawn
    assert len(drawn) == 2  # one of each student
    assert staff.get(f"/api/courses/{course.row.pk}/labels/doors.pdf").status_code == 400


def test_a_code_is_read_by_another_decoder() -> None:
    address = "https://192.168.1.20:8443/course/3/attempt/12/booth"
    code = QrCodeWidget(address, barLevel="M")
    code.qr.make()
    dark = np.array(code.qr.modules, dtype=bool)
    picture = np.kron(
        np.pad(np.where(dark, 0, 255).astype(np.uint8), 4, constant_values=255), np.ones((8, 8), np.uint8)
    )
    assert cv2.QRCodeDetector().detectAndDecode(picture)[0] == address


def test_many_labels_go_over_pages() -> None:
    file = label_sheet([Label("https://a/course/1/at-booth/1", f"Booth {k}", "under") for k in range(40)], "Labels")
    assert file.count(b"/Type /Page\n") + file.count(b"/Type /Page ") >= 3 or b"/Count 3" in file or b"/Count 4" in file
