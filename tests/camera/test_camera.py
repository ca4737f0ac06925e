import numpy as np
import pytest

from judicum.camera import take_photo, weld
from judicum.camera.scene import Scene
from judicum.camera.truth import truth
from judicum.core.photo.decode import decode
from tests.drawn import bead_photo


def lay(**changes: object) -> object:
    given = {
        "length_mm": 80.0, "width_mm": 5.0, "width_cv": 0.08, "pitch_mm": 2.0, "pitch_cv": 0.1, "wander_mm": 0.3,
        "bead_level": 2, "zone_level": 5,
    }  # fmt: skip
    return weld(np.random.default_rng(1), **{**given, **changes})  # type: ignore[arg-type]


def test_truth_says_what_was_asked_for() -> None:
    answer = truth(Scene(lay(), (40, 55), 3.0))  # type: ignore[arg-type]
    assert answer is not None
    assert answer["bead"]["width_mm"]["mean"] == pytest.approx(5.0, rel=0.05)
    assert answer["bead"]["width_mm"]["cv"] == pytest.approx(0.08, abs=0.03)
    assert answer["ripple"]["pitch_mm"] == pytest.approx(2.0, rel=0.06)
    assert answer["bead"]["end_mm"][0] == pytest.approx(40 + 80 * np.cos(np.radians(3)))
    assert answer["tint"]["bead"]["name"] == "gold"


def test_missed_dabs_show_as_long_gaps() -> None:
    bead = lay(pitch_cv=0.02, lapses=3)
    gaps = np.diff(bead.fronts_mm)  # type: ignore[attr-defined]
    assert (gaps > 1.5 * np.median(gaps)).sum() == 3


def test_a_fused_bead_has_no_fronts() -> None:
    answer = truth(Scene(lay(rippled=False)))  # type: ignore[arg-type]
    assert answer is not None
    assert answer["ripple"] is None


def test_the_same_scene_gives_the_same_file() -> None:
    scene = Scene(lay(), seed=5)  # type: ignore[arg-type]
    assert take_photo(scene).jpeg == take_photo(scene).jpeg


def test_the_bead_is_drawn_where_the_truth_puts_it() -> None:
    photo = bead_photo(bead_level=5, zone_level=0, tilt_deg=0.0, turn_deg=0.0, light=(1.0, 1.0, 1.0))
    picture = decode(photo.jpeg).astype(float)
    assert photo.truth is not None
    start, end = (np.array(photo.truth["bead"][k]) for k in ("start_mm", "end_mm"))
    middle = photo.to_px @ np.append((start + end) / 2, 1)
    x, y = (middle[:2] / middle[2]).round().astype(int)
    on, off = picture[y - 3 : y + 4, x - 3 : x + 4].mean((0, 1)), picture[y - 70 : y - 60, x - 3 : x + 4].mean((0, 1))
    assert on[0] > 1.5 * on[2]  # a blue bead
    assert off[0] == pytest.approx(off[2], rel=0.12)  # on a grey plate
