"""The coupon's shape and stuff for the path tracer: each fault is where and what its scene says."""

import json
from dataclasses import replace
from pathlib import Path
from types import SimpleNamespace
from typing import Any

import numpy as np
import pytest

from judicum.bench.scenes import APART_MM, SIZES, cases
from judicum.camera import Fault, Scene, weld
from judicum.camera.surface import bead_frame
from judicum.core.arrays import Floats
from judicum.core.photo.film import film_lab, lab_to_linear
from training.camera_set import TRACED_KINDS, draw_set, faulty, truth_along
from training.relief import PLATE_MM, Relief, as_seen, relief

LOW, HIGH, DENSITY = np.array([40.0, 40.0]), np.array([130.0, 70.0]), 8.0
WIDTH_MM, LENGTH_MM, START = 6.0, 60.0, (50.0, 55.0)
HALF = WIDTH_MM / 2


def scene(*faults: Fault, joint: str = "bead_on_plate", level: int = 0, seed: int = 4, rippled: bool = False) -> Scene:
    bead = weld(
        np.random.default_rng(seed), length_mm=LENGTH_MM, width_mm=WIDTH_MM, width_cv=0.0, pitch_mm=2.0, pitch_cv=0.05,
        wander_mm=0.0, bead_level=level, zone_level=3, faults=faults, rippled=rippled,
    )  # fmt: skip
    return Scene(bead, START, joint=joint, seed=seed)


def made(*faults: Fault, **more: object) -> tuple[Relief, Relief, Floats, Floats]:
    """With the faults and without, and the place along and across the bead."""
    answer, plain = scene(*faults, **more), scene(**more)  # type: ignore[arg-type]
    shaped = relief(answer, LOW, HIGH, DENSITY)
    rows, columns = shaped.height.shape
    x, y = np.meshgrid(LOW[0] + np.arange(columns) / DENSITY, LOW[1] + np.arange(rows) / DENSITY)
    return shaped, relief(plain, LOW, HIGH, DENSITY), *bead_frame(answer, x, y)


@pytest.mark.parametrize("seed", range(12))
def test_every_map_is_of_one_shape_and_within_reason(seed: int) -> None:
    faults = (Fault("pore", 15.0, 0.5, 1.0), Fault("sugaring", 30.0, 0.0, 6.0), Fault("undercut", 45.0, 1.0, 6.0))
    shaped = relief(scene(*faults, seed=seed, rippled=True, level=seed % 8), LOW, HIGH, DENSITY)
    for each in (shaped.height, shaped.fine, shaped.rough, shaped.dull, shaped.open):
        assert each.shape == (240, 720) and np.isfinite(each).all()
    assert shaped.tint.shape == shaped.stuff.shape == (240, 720, 3)
    assert shaped.dull.min() >= 0 and shaped.dull.max() <= 1 and shaped.tint.min() >= 0 and shaped.rough.min() > 0
    assert shaped.height.max() < 0.3 * WIDTH_MM and not shaped.open.any()


def test_the_bead_stands_on_the_plate_and_ends_at_its_toes() -> None:
    shaped, _, s, n = made()
    middle = (s > 10) & (s < 50)
    assert shaped.height[middle & (np.abs(n) < 0.3)].mean() > 0.02 * WIDTH_MM
    assert np.abs(shaped.height[middle & (np.abs(n) > HALF + 0.5)]).max() < 1e-3


def test_ripples_are_steps_of_hundredths() -> None:
    flat, _, s, n = made()
    rippled = relief(scene(rippled=True), LOW, HIGH, DENSITY)
    line = (s > 10) & (s < 50) & (np.abs(n) < 0.1)
    steps = rippled.height[line] - np.interp(s[line], *_sorted(s[line], flat.height[line]))
    assert 0.01 < np.ptp(steps) < 0.2


def _sorted(s: Floats, values: Floats) -> tuple[Floats, Floats]:
    order = np.argsort(s)
    return s[order], values[order]


def test_a_pore_is_a_pit_as_wide_as_it_says() -> None:
    shaped, plain, s, n = made(Fault("pore", 30.0, 1.0, 1.2))
    sunk = plain.height - shaped.height
    assert sunk[(np.abs(s - 30) < 0.1) & (np.abs(n - 1) < 0.1)].min() > 0.5
    assert (sunk > 0.3).sum() / DENSITY**2 == pytest.approx(np.pi / 4 * 1.2**2, rel=0.25)
    assert shaped.stuff[(np.hypot(s - 30, n - 1) < 0.3)].max() < 0.1


def test_an_undercut_lies_outside_the_toe_on_its_own_side() -> None:
    for side in (-1.0, 1.0):
        shaped, plain, s, n = made(Fault("undercut", 30.0, side, 8.0))
        sunk = plain.height - shaped.height
        assert sunk.max() > 0.08
        deep = sunk > sunk.max() / 2
        assert (np.sign(n[deep]) == side).all() and np.abs(s[deep] - 30).max() < 4.1
        assert HALF - 0.3 < np.abs(n[deep]).mean() < HALF + 0.5


def test_a_burn_through_is_open_and_its_wall_as_deep_as_the_plate() -> None:
    shaped, plain, s, n = made(Fault("burn_through", 30.0, 0.0, 4.0))
    assert shaped.open.sum() / DENSITY**2 == pytest.approx(np.pi / 4 * 4.0**2, rel=0.15)
    assert (np.hypot(s, n)[shaped.open > 0].mean()) == pytest.approx(30, abs=0.5)
    assert (plain.height - shaped.height).max() == pytest.approx(PLATE_MM, abs=0.2)


def test_a_crater_is_a_dish_with_its_pinhole_when_it_has_one() -> None:
    shaped, plain, s, n = made(Fault("crater", 56.0, 0.0, 3.0))
    pinned, _, _, _ = made(Fault("crater", 56.0, 0.0, 3.0, pinhole=True))
    sunk = plain.height - shaped.height
    assert 0.1 < sunk[np.hypot(s - 56, n) < 0.2].mean() < 0.8
    assert np.abs(sunk[np.hypot(s - 56, n) > 2.2]).max() < 0.02
    assert (shaped.height - pinned.height)[np.hypot(s - 56, n) < 0.1].min() > 0.4


def test_sugar_and_a_grey_bead_scatter_light_without_colour() -> None:
    shaped, plain, s, n = made(Fault("sugaring", 30.0, 0.0, 8.0))
    patch = (np.abs(s - 30) < 2) & (np.abs(n) < 2)
    grey = relief(scene(level=7), LOW, HIGH, DENSITY)
    for maps, where in ((shaped, patch), (grey, (s > 10) & (s < 50) & (np.abs(n) < 2))):
        assert maps.dull[where].mean() > 0.7
        assert np.ptp(maps.stuff[where], axis=-1).max() < 1e-5
    assert plain.dull[patch].mean() < 0.4


def test_an_inclusion_is_another_stuff_and_no_hole() -> None:
    for seed in range(6):
        shaped, plain, _, _ = made(Fault("inclusion", 30.0, 0.0, 1.2), seed=seed)
        differs = np.abs(shaped.stuff - plain.stuff).max(-1) > 0.01
        assert 0.2 < differs.sum() / DENSITY**2 < 2.0
        assert np.abs(shaped.height - plain.height).max() < 0.15


def test_a_lap_steps_down_away_from_the_card_and_the_bead_bridges_it() -> None:
    for start, lower in ((START, 1.0), ((50.0, -8.0), -1.0)):
        laid = replace(scene(joint="lap"), start_mm=start)
        low = np.array([start[0] - 8, start[1] - 12])
        shaped = relief(laid, low, low + np.array([80.0, 24.0]), DENSITY)
        rows, columns = shaped.height.shape
        x, y = np.meshgrid(low[0] + np.arange(columns) / DENSITY, low[1] + np.arange(rows) / DENSITY)
        _, n = bead_frame(laid, x, y)
        upper, under = shaped.height[lower * n < -HALF - 1], shaped.height[lower * n > HALF + 1]
        assert np.abs(upper).max() < 0.01 and 0.7 < -under.mean() < 1.7
        assert under.std() < 0.02


def answer(of: Scene) -> dict[str, Any]:
    known = truth_along(of)
    assert known is not None
    return known


def test_metal_on_the_cards_plane_is_seen_where_it_is() -> None:
    plain = answer(scene())
    seen = as_seen(plain, relief(scene(), LOW, HIGH, DENSITY), np.array([20.0, 90.0, -200.0]), 0.0)
    assert np.array(seen["profile"]["width_mm"]) == pytest.approx(np.array(plain["profile"]["width_mm"]), abs=1e-3)
    assert np.array(seen["profile"]["centre_mm"]) == pytest.approx(np.array(plain["profile"]["centre_mm"]), abs=1e-3)
    assert seen["bead"]["length_mm"] == pytest.approx(LENGTH_MM, abs=1e-3)


@pytest.mark.parametrize(("eye_y", "wider"), [(-45.0, -1), (155.0, 1)])
def test_the_deeper_toe_of_a_lap_is_seen_nearer_to_the_camera(eye_y: float, wider: int) -> None:
    lap = scene(joint="lap")
    made_ = relief(lap, LOW, HIGH, DENSITY)
    eye, below = np.array([80.0, eye_y, -200.0]), 0.2
    seen = as_seen(answer(lap), made_, eye, below)
    deep = below - float(made_.height[-20].mean())
    lower_toe = START[1] + HALF
    shift = (lower_toe - eye_y) * (-eye[2] / (deep - eye[2]) - 1) - (START[1] - HALF - eye_y) * (
        -eye[2] / (below - eye[2]) - 1
    )
    assert np.sign(shift) == wider and abs(shift) > 0.2
    assert seen["bead"]["width_mm"]["mean"] - WIDTH_MM == pytest.approx(shift, abs=0.05)
    assert np.array(seen["profile"]["width_mm"]).mean() == pytest.approx(seen["bead"]["width_mm"]["mean"])


def test_metal_is_as_coloured_as_its_film() -> None:
    shaped, _, s, n = made(level=3)
    face = shaped.tint[(s > 10) & (s < 50) & (np.abs(n) < 1.5)].mean(0)
    table = lab_to_linear(film_lab(np.arange(0.0, 76.0)))[:, ::-1]
    nearest = table[np.abs(table / table.sum(1, keepdims=True) - face / face.sum()).sum(1).argmin()]
    assert face[0] > face[1] > face[2]  # copper: more red than green than blue
    assert np.abs(nearest / nearest.sum() - face / face.sum()).max() < 0.02


def test_a_stripe_without_a_bead_is_tinted_flat_plate() -> None:
    shaped = relief(Scene(None, START, stripe_nm=25.0, seed=3), LOW, HIGH, DENSITY)
    assert not shaped.height.any()
    assert np.ptp(shaped.tint[:, 360], axis=0).max() > 0.05


def test_the_tracer_is_given_small_pictures_of_what_it_can_show(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    seen: list[Scene] = []

    class Here:
        """Stands in for the pool: in this process the tracer can be replaced."""

        def __init__(self, workers: int | None) -> None: ...
        def __enter__(self) -> "Here":
            return self

        def __exit__(self, *why: object) -> None: ...

        map = staticmethod(map)

    def trace(one: Scene, answer: object) -> tuple[bytes, object]:
        seen.append(one)
        return b"traced", answer

    monkeypatch.setattr("training.camera_set.ProcessPoolExecutor", Here)
    monkeypatch.setattr("training.camera_set.import_module", lambda name: SimpleNamespace(trace=trace))
    chosen = [case for case in cases(0.05, seed=3) if case.kind != "refusal"]
    assert draw_set(tmp_path, chosen, traced=True) == len(seen) == sum(case.kind in TRACED_KINDS for case in chosen)
    assert 0 < len(seen) < len(chosen)
    answer = json.loads((tmp_path / "truth.json").read_text())
    assert {(tmp_path / one["name"]).read_bytes() for one in answer} == {b"traced"}
    assert all(one["truth"]["profile"]["width_mm"] for one in answer)
    assert {one.view.size for one in seen} <= set(SIZES[:4]) and min(one.view.size for one in seen) == SIZES[0]


def test_a_bead_to_be_taught_with_has_more_faults_and_each_has_its_place() -> None:
    more = 0
    for case in cases(0.2, seed=3):
        answer = faulty(case.scene)
        if case.scene.bead is None or answer.bead is None:
            assert answer == case.scene
            continue
        more += len(answer.bead.faults) - len(case.scene.bead.faults)
        assert answer.bead.faults[: len(case.scene.bead.faults)] == case.scene.bead.faults
        added = answer.bead.faults[len(case.scene.bead.faults) :]
        for k, fault in enumerate(added):
            others = [*case.scene.bead.faults, *added[:k]]
            assert all(abs(fault.s_mm - other.s_mm) > APART_MM for other in others)
            assert 0 < fault.s_mm < answer.bead.length_mm
    assert more > 30
