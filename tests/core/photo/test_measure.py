"""Measuring against drawn truth: tilted, turned, warm, blurred, bare, burnt out."""

import numpy as np
import pytest

from judicum.camera import Fault
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.scale import GivenScale
from judicum.core.photo.strip import cut_strip
from judicum.words.photo import report_in_words
from tests.drawn import bare_photo, bead_photo

VIEWS = [
    {"seed": 3},
    {"seed": 4, "tilt_deg": 22.0, "turn_deg": -9.0, "width_mm": 5.6, "zone_level": 5, "size": (2000, 1500)},
    {"seed": 5, "turn_deg": 180.0, "bead_level": 2, "zone_level": 3, "light": (1.0, 0.85, 0.62)},
    {"seed": 6, "width_cv": 0.10, "pitch_mm": 1.7, "bead_level": 0, "zone_level": 2, "light": (0.85, 0.95, 1.0)},
    {"seed": 7, "angle_deg": 80.0, "width_mm": 3.8, "tilt_deg": 3.0, "length_mm": 36.0},
]


@pytest.mark.parametrize("view", VIEWS, ids=["plain", "tilted", "upside down, warm", "uneven, cold", "upright bead"])
def test_figures_come_near_the_truth(view: dict) -> None:
    photo = bead_photo(**view)
    assert photo.truth is not None
    report = report_in_words(measure_photo(photo.jpeg, "bead.jpg"))
    assert report["refusal"] is None
    truth = photo.truth
    assert report["bead"]["width_mm"]["mean"] == pytest.approx(truth["bead"]["width_mm"]["mean"], abs=0.3)
    assert report["bead"]["width_mm"]["cv"] == pytest.approx(truth["bead"]["width_mm"]["cv"], abs=0.02)
    assert report["bead"]["length_mm"] == pytest.approx(truth["bead"]["length_mm"], abs=2.0)
    assert report["ripple"]["pitch_mm"] == pytest.approx(truth["ripple"]["pitch_mm"], rel=0.08)
    assert abs(report["tint"]["bead"]["level"] - truth["tint"]["bead"]["level"]) <= 1
    assert len(report["tint"]["along"]) == pytest.approx(report["bead"]["length_mm"], abs=2)
    assert sum(report["tint"]["share"].values()) == pytest.approx(1.0, abs=0.01)


def test_s_begins_at_the_end_nearer_the_cards_left_edge_however_the_photo_is_turned() -> None:
    for turn in (4.0, 180.0):
        bead = report_in_words(measure_photo(bead_photo(turn_deg=turn).jpeg))["bead"]
        assert bead["start_mm"][0] == pytest.approx(45, abs=1.5)
        assert bead["end_mm"][0] == pytest.approx(125, abs=1.5)


def test_a_fused_bead_has_no_invented_ripples() -> None:
    report = report_in_words(measure_photo(bead_photo(seed=12, rippled=False).jpeg))
    assert report["refusal"] is None
    assert report["ripple"] is None


def test_a_fault_does_not_stop_the_measuring() -> None:
    faults = (Fault("pore", 30, 0.3, 0.9), Fault("sugaring", 55, 0, 8))
    report = report_in_words(measure_photo(bead_photo(seed=8, faults=faults).jpeg))
    assert report["refusal"] is None
    assert report["bead"]["width_mm"]["mean"] == pytest.approx(4.6, abs=0.45)


def test_the_report_has_the_contracts_keys() -> None:
    measured = measure_photo(bead_photo().jpeg, "some/bead.jpg")
    report = report_in_words(measured)
    assert list(report) == [
        "photo", "refusal", "scale", "quality", "bead", "profile", "ripple", "tint", "defects", "bead_number", "beads_seen",
    ]  # fmt: skip
    assert report["photo"] == "some/bead.jpg"
    assert report["scale"]["source"] == "window"
    assert set(report["bead"]["width_mm"]) == {"mean", "sd", "cv", "min", "max", "uncertainty"}
    assert np.diff(report["profile"]["s_mm"]) == pytest.approx(0.5, abs=0.011)
    assert len(report["profile"]["s_mm"]) == len(report["profile"]["centre_mm"])
    assert report["defects"] == []
    assert measured.bead is not None and measured.picture is not None
    strip = cut_strip(measured.picture, measured.bead)
    assert strip.shape[0] == 160
    assert strip.shape[1] == pytest.approx((report["bead"]["length_mm"] + 8) * 10, abs=10)


def refusal_of(data: bytes, given: GivenScale | None = None) -> str | None:
    report = report_in_words(measure_photo(data, "x", given))
    if report["refusal"] is None:
        return None
    assert len(report["refusal"]["message"]) > 20
    assert report["bead"] is None
    assert report["tint"] is None
    return str(report["refusal"]["code"])


def test_what_cannot_be_measured_is_refused_with_its_code() -> None:
    good = bead_photo().jpeg
    assert refusal_of(b"no picture at all") == "unreadable"
    assert refusal_of(good[: len(good) // 2]) == "unreadable"
    assert refusal_of(bead_photo(size=(1000, 750)).jpeg) == "too_small"
    assert refusal_of(bead_photo(blur_px=5.0).jpeg) == "blurred"
    assert refusal_of(bead_photo(tilt_deg=50.0, size=(2400, 1800)).jpeg) == "card_tilted"
    assert refusal_of(bead_photo(exposure=5.0, bead_level=0).jpeg) in ("overexposed", "no_scale")
    assert refusal_of(bare_photo().jpeg) == "no_bead"


def test_a_photo_without_a_card_needs_a_scale() -> None:
    import cv2

    picture = cv2.imdecode(np.frombuffer(bead_photo(tilt_deg=0.0, turn_deg=0.0).jpeg, np.uint8), cv2.IMREAD_COLOR)
    assert picture is not None
    cut = cv2.imencode(".jpg", picture[520:980, 380:1620], [cv2.IMWRITE_JPEG_QUALITY, 92])[1].tobytes()
    assert refusal_of(cut) == "no_scale"
    mm_per_px = report_in_words(measure_photo(bead_photo(tilt_deg=0.0, turn_deg=0.0).jpeg))["scale"]["mm_per_px"]
    report = report_in_words(measure_photo(cut, "x", GivenScale(mm_per_px)))
    assert report["refusal"] is None
    assert report["scale"]["source"] == "given"
    assert report["bead"]["width_mm"]["mean"] == pytest.approx(4.6, abs=0.4)
    assert "no_card" in report["quality"]["warnings"][0]
