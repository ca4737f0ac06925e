"""The simulated camera's faults, decoys, joints and cards: drawn where the truth says, and only there."""

from dataclasses import replace

import numpy as np
import pytest

from judicum.camera import Bead, Fault, Scene, View, take_photo, weld
from judicum.camera.surface import bead_frame, coupon
from judicum.camera.truth import truth
from judicum.core.arrays import Floats
from judicum.core.photo.decode import decode
from judicum.core.photo.picture import Picture
from judicum.core.photo.scale import find_card

DENSITY = 8.0
PLATE = View(size=(1600, 1200), noise=0.002)


def bead(*faults: Fault, **changes: object) -> Bead:
    given = {
        "length_mm": 60.0, "width_mm": 5.0, "width_cv": 0.02, "pitch_mm": 2.0, "pitch_cv": 0.05, "wander_mm": 0.0, "bead_level": 1,
        "zone_level": 3, "faults": faults,
    }  # fmt: skip
    return weld(np.random.default_rng(2), **{**given, **changes})  # type: ignore[arg-type]


def drawn(scene: Scene) -> tuple[Floats, Floats, Floats]:
    """Luminance of the coupon on a grid round the bead, and the grid in the bead's frame."""
    x, y = np.meshgrid(np.arange(35, 115, 1 / DENSITY, np.float32), np.arange(45, 65, 1 / DENSITY, np.float32))
    light = coupon(scene, x, y, DENSITY) @ np.array([0.07, 0.72, 0.21])
    return light, *bead_frame(scene, x, y)


def changed(fault: Fault) -> tuple[Floats, Floats, Floats]:
    """Natural logarithm of the light with a fault over that without it, and the bead's frame."""
    with_it, s, n = drawn(Scene(bead(fault), (45.0, 55.0), 0.0, grain=0.0))
    without, _, _ = drawn(Scene(bead(), (45.0, 55.0), 0.0, grain=0.0))
    return np.log(np.maximum(with_it, 1e-4) / np.maximum(without, 1e-4)), s, n


@pytest.mark.parametrize("fault", [Fault("pore", 30, 0.5, 1.0), Fault("burn_through", 30, 0.0, 3.5)])
def test_a_hole_is_black_over_its_diameter_and_leaves_the_rest(fault: Fault) -> None:
    change, s, n = changed(fault)
    away = np.hypot(s - fault.s_mm, n - fault.n_mm)
    assert np.median(change[away < 0.35 * fault.size_mm]) < -2
    assert np.abs(change[away > fault.size_mm + 1]).max() < 0.02


def test_an_undercut_is_dark_along_one_toe_only() -> None:
    change, s, n = changed(Fault("undercut", 30, -1.0, 10.0))
    along = np.abs(s - 30) < 3.5
    left, right = along & (np.abs(n + 2.65) < 0.25), along & (np.abs(n - 2.65) < 0.25)
    assert np.median(change[left]) < -0.6
    assert np.abs(np.median(change[right])) < 0.05


def test_sugar_is_grey_and_grainy() -> None:
    scene = Scene(bead(Fault("sugaring", 30, 0.0, 9.0), bead_level=2), (45.0, 55.0), 0.0, grain=0.0)
    x, y = np.meshgrid(np.arange(73, 77, 1 / DENSITY, np.float32), np.arange(54, 56, 1 / DENSITY, np.float32))
    colour = coupon(scene, x, y, DENSITY).reshape(-1, 3)
    assert np.median(colour.max(1) / colour.min(1)) < 1.05
    assert np.log(colour.mean(1)).std() > 0.3


def test_a_crater_has_a_dark_rim_and_may_hold_a_pinhole() -> None:
    fault = Fault("crater", 57.0, 0.0, 3.0, pinhole=True)
    change, s, n = changed(fault)
    away = np.hypot(s - 57, n)
    assert np.median(change[np.abs(away - 1.5) < 0.1]) < np.median(change[np.abs(away - 0.9) < 0.1]) < 0
    assert np.median(change[away < 0.15]) < -2


@pytest.mark.parametrize(("kind", "low", "high"), [("gap", 0.1, 0.45), ("bulge", 1.4, 1.7)])
def test_gaps_and_bulges_are_in_the_outline(kind: str, low: float, high: float) -> None:
    made = bead(Fault(kind, 30, 0.0, 5.0))
    share = np.interp(30, made.s_mm, made.half_mm) / np.median(made.half_mm)
    assert low < share < high
    answer = truth(Scene(made))
    assert answer is not None
    assert answer["defects"][0]["stretch_mm"] == [27.5, 32.5]


def test_no_front_is_said_where_the_bead_is_missing() -> None:
    made = bead(Fault("gap", 30, 0.0, 6.0))
    assert not ((made.fronts_mm > 27) & (made.fronts_mm < 33)).any()
    answer = truth(Scene(made))
    assert answer is not None
    assert answer["ripple"]["pitch_mm"] == pytest.approx(2.0, rel=0.06)


@pytest.mark.parametrize("joint", ["butt", "lap", "tee", "tube"])
def test_a_joint_lights_the_plate_and_not_the_outline(joint: str) -> None:
    plain, s, n = drawn(Scene(bead(), (45.0, 55.0), 0.0, grain=0.0))
    joined, _, _ = drawn(Scene(bead(), (45.0, 55.0), 0.0, grain=0.0, joint=joint))
    ratio = np.log(joined / plain)
    assert np.abs(ratio).max() > 0.08
    if joint in ("butt", "lap"):
        face = (np.abs(n) < 1.5) & (s > 5) & (s < 55)
        assert np.abs(ratio[face]).max() < 0.3
    else:
        assert np.ptp(ratio[:, 300]) > 0.08


@pytest.mark.parametrize("decoy", ["scratches", "number", "spatter", "dots"])
def test_decoys_leave_the_bead_alone(decoy: str) -> None:
    plain, s, n = drawn(Scene(bead(), (45.0, 55.0), 0.0, grain=0.0, seed=5))
    marked, _, _ = drawn(Scene(bead(), (45.0, 55.0), 0.0, grain=0.0, seed=5, decoys=(decoy,)))
    on_bead = (np.abs(n) < 2.3) & (s > 3) & (s < 57)
    assert np.abs(np.log(marked / plain))[on_bead].max() < 1e-4
    assert np.abs(np.log(np.maximum(marked, 1e-6) / plain)).max() > 0.2


def test_the_strip_card_is_drawn_beside_the_bead_on_either_side() -> None:
    for y in (34.0, -12.0):
        scene = Scene(bead(), (20.0, y), 0.0, card="strip", joint="lap", view=PLATE, seed=3)
        photo = take_photo(scene)
        scale = find_card(Picture(decode(photo.jpeg)))
        assert scale is not None
        assert scale.kind == "strip"
        place = photo.to_px @ np.array([20.0, y, 1.0])
        assert scale.px(np.array([20.0, y])) == pytest.approx(place[:2] / place[2], abs=2.0)


def test_without_a_card_none_is_found() -> None:
    scene = Scene(bead(), view=PLATE, card="none")
    assert find_card(Picture(decode(take_photo(scene).jpeg))) is None


def test_the_tinted_width_and_level_follow_the_film() -> None:
    made = bead(zone_level=5)
    answer = truth(Scene(made))
    wider = truth(Scene(replace(made, fade_mm=(2 * made.fade_mm[0], made.fade_mm[1]))))
    assert answer is not None
    assert wider is not None
    assert answer["tint"]["haz"]["level"] == 5
    assert wider["tint"]["width_mm"]["left"] == pytest.approx(2 * answer["tint"]["width_mm"]["left"], abs=0.05)
    assert wider["tint"]["width_mm"]["right"] == answer["tint"]["width_mm"]["right"]
    assert truth(Scene(None, stripe_nm=25)) is None
