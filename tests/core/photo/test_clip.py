"""A film panned along the bead: put together it measures like a photo, and glare that wanders is gone from it."""

from dataclasses import replace
from functools import cache
from pathlib import Path

import cv2
import numpy as np
import pytest

from judicum.camera import Scene, View, take_photo, weld
from judicum.camera.truth import truth
from judicum.core.arrays import Pixels
from judicum.core.errors import UnreadablePicture
from judicum.core.photo.clip import composite
from judicum.core.photo.decode import decode
from judicum.core.photo.ingest import ingest
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.picture_file import is_clip

SIZE = (2000, 1500)
SEEN = (1300, 1250)
"""Columns and rows of a frame: two thirds of the card at once."""


@cache
def scene() -> Scene:
    bead = weld(
        np.random.default_rng(3), length_mm=80.0, width_mm=4.6, width_cv=0.04, pitch_mm=2.1, pitch_cv=0.08, wander_mm=0.2,
        bead_level=1, zone_level=4,
    )  # fmt: skip
    return Scene(bead, (45.0, 55.0), -2.0, view=View(size=SIZE), seed=3)


@cache
def frames() -> tuple[Pixels, ...]:
    """A pan from left to right: each view tilted, blurred and lit its own way, with a glare somewhere else on the bead."""
    rng, found = np.random.default_rng(5), []
    for k in range(7):
        view = View(
            size=SIZE,
            turn_deg=float(rng.normal(0, 2)),
            tilt_deg=float(rng.uniform(2, 10)),
            tilt_towards_deg=float(rng.uniform(0, 360)),
            blur_px=float(rng.uniform(0.7, 1.6)),
            exposure=float(rng.uniform(0.75, 0.95)),
        )
        whole = decode(take_photo(replace(scene(), view=view)).jpeg)
        left = round(k / 6 * (SIZE[0] - SEEN[0]))
        frame = np.ascontiguousarray(whole[120 : 120 + SEEN[1], left : left + SEEN[0]])
        cv2.circle(frame, (300 + 110 * k, 625), 40, (255, 255, 255), -1)
        found.append(np.asarray(frame, np.uint8))
    return tuple(found)


def film(pictures: tuple[Pixels, ...], folder: Path, kind: str = "mp4") -> bytes:
    file = folder / f"pan.{kind}"
    size = pictures[0].shape[1::-1]
    writer = cv2.VideoWriter(str(file), cv2.VideoWriter.fourcc(*"mp4v"), 5, (int(size[0]), int(size[1])))
    for one in pictures:
        writer.write(one)
    writer.release()
    return file.read_bytes()


def test_a_pan_measures_like_a_photo_and_its_glare_is_gone(tmp_path: Path) -> None:
    data = film(frames(), tmp_path)
    assert is_clip(data)
    measured = measure_photo(data)
    known = truth(scene())
    assert measured.refusal is None and known is not None
    bead = measured.report.bead
    assert bead is not None and measured.report.ripple is not None
    off = abs(bead.width_mm.mean - known["bead"]["width_mm"]["mean"])
    assert off < 0.1
    assert off <= 2 * bead.width_mm.uncertainty
    assert bead.length_mm == pytest.approx(80, abs=0.5)
    assert measured.report.ripple.pitch_mm == pytest.approx(known["ripple"]["pitch_mm"], rel=0.03)
    assert measured.report.defects == []
    assert measured.picture is not None
    assert (measured.picture.min(-1) > 250).mean() < 0.002, "no glare is left"


def test_what_arrives_as_a_film_is_kept_as_one_picture(tmp_path: Path) -> None:
    kept = ingest(film(frames()[2:5], tmp_path, "mov"))
    assert kept.media_type == "image/jpeg"
    assert kept.original[:2] == b"\xff\xd8"
    assert kept.width_px > kept.height_px > 1500


def test_a_film_without_a_card_and_one_that_is_cut_short_are_refused(tmp_path: Path) -> None:
    bare = np.full((480, 640, 3), 120, np.uint8)
    with pytest.raises(UnreadablePicture, match="film-without-card"):
        composite(film((bare,) * 4, tmp_path))
    whole = film(frames()[:1] * 3, tmp_path)
    with pytest.raises(UnreadablePicture):
        composite(whole[:200])
    refused = measure_photo(whole[:200])
    assert refused.refusal is not None and refused.refusal.code == "unreadable"


def test_pictures_are_no_films() -> None:
    assert not is_clip(take_photo(replace(scene(), view=View(size=(400, 300)))).jpeg)
    assert not is_clip(b"\0\0\0\x18ftypheic")
    assert is_clip(b"\0\0\0\x14ftypqt  ")


@cache
def long_scene() -> Scene:
    """A seam twice as long as the usual strip."""
    bead = weld(
        np.random.default_rng(8), length_mm=190.0, width_mm=4.4, width_cv=0.04, pitch_mm=2.2, pitch_cv=0.08, wander_mm=0.2,
        bead_level=1, zone_level=3,
    )  # fmt: skip
    return Scene(bead, (22.0, 38.0), 0.5, card="long_strip", view=View(size=(3800, 1000)), seed=8)


def long_views() -> tuple[Pixels, ...]:
    """A pan along it: each view shows under half of the strip, each place of it stands in two or three."""
    found = []
    for k in range(5):
        view = View(size=(3800, 1000), tilt_deg=3.0 + k % 3, tilt_towards_deg=40.0 * k, blur_px=1.0)
        whole = decode(take_photo(replace(long_scene(), view=view)).jpeg)
        left = round(k / 4 * 2300)
        found.append(np.ascontiguousarray(whole[:, left : left + 1500]))
    return tuple(found)


@pytest.mark.parametrize("filmed", [False, True])
def test_a_seam_longer_than_the_usual_strip_is_measured_beside_the_long_one(tmp_path: Path, filmed: bool) -> None:
    data = film(long_views(), tmp_path) if filmed else take_photo(long_scene()).jpeg
    report, known = measure_photo(data).report, truth(long_scene())
    assert known is not None
    assert report.refusal is None
    assert report.bead is not None
    assert report.ripple is not None
    assert report.scale is not None
    assert report.scale.source == "strip"
    assert report.bead.length_mm == pytest.approx(190, abs=0.7)
    assert report.bead.width_mm.mean == pytest.approx(known["bead"]["width_mm"]["mean"], abs=0.12)
    assert report.ripple.pitch_mm == pytest.approx(known["ripple"]["pitch_mm"], rel=0.03)
