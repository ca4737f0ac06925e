"""Labels of pictures with truth beside them: the face as wide, the fronts where, the faults what the truth says."""

from pathlib import Path

import cv2
import numpy as np
import pytest

from judicum.bench.scenes import Case
from judicum.camera import Fault, Scene, View, weld
from judicum.core.arrays import Flags
from training.camera_set import draw_set
from training.labelled import TOP, UNTOLD, Labelled, Straight, grafted, read_labelled, read_straight
from training.labels import CRATER, FACE, GRANULAR, GROOVE, HOLE, PORE, SPECK

WIDTH_MM, LENGTH_MM, DENSITY = 5.0, 60.0, 8.0
FAULTS = (
    Fault("pore", 12.0, 0.5, 1.2), Fault("burn_through", 20.0, 0.0, 3.4), Fault("sugaring", 30.0, 0.0, 5.0),
    Fault("undercut", 42.0, 1.0, 6.0), Fault("crater", LENGTH_MM - 3.0, 0.0, 3.0),
)  # fmt: skip


def scene(faults: tuple[Fault, ...] = (), seed: int = 3) -> Scene:
    bead = weld(
        np.random.default_rng(seed), length_mm=LENGTH_MM, width_mm=WIDTH_MM, width_cv=0.03, pitch_mm=2.0, pitch_cv=0.05, wander_mm=0.1,
        bead_level=1, zone_level=3, faults=faults,
    )  # fmt: skip
    return Scene(bead, (50.0, 52.0), 4.0, view=View(size=(1600, 1200), tilt_deg=4.0), seed=seed)


@pytest.fixture(scope="module")
def folder(tmp_path_factory: pytest.TempPathFactory) -> Path:
    made = tmp_path_factory.mktemp("labelled")
    blurred = Case("plate-05.jpg", "refusal", scene(), "blurred")
    bare = Case("plate-04.jpg", "refusal", Scene(None, view=View(size=(1600, 1200)), seed=9), "no_bead")
    chosen = [Case("plate-01.jpg", "plate", scene()), Case("plate-02.jpg", "plate", scene(FAULTS)), bare, blurred]
    assert draw_set(made, chosen) == 3
    return made


@pytest.fixture(scope="module")
def read(folder: Path) -> list[Labelled]:
    return list(read_labelled(folder, DENSITY, "all"))


def test_the_face_is_as_wide_and_as_long_as_the_truth_says(read: list[Labelled]) -> None:
    clean = read[0]
    face = clean.surface == FACE
    across = face.sum(0) / clean.px_per_mm
    body = across[across > 0.8 * WIDTH_MM]
    assert body.mean() == pytest.approx(WIDTH_MM, abs=0.2)
    middle = face[face.shape[0] // 2 - 6 : face.shape[0] // 2 + 6].any(0)
    assert middle.sum() / clean.px_per_mm == pytest.approx(LENGTH_MM, abs=0.4)


def test_faults_are_labelled_by_kind_and_size(read: list[Labelled]) -> None:
    marked = read[1]
    area = np.pi / 4 * 1.2**2
    assert (marked.extras[PORE] == TOP).sum() / marked.px_per_mm**2 == pytest.approx(area, rel=0.15)
    assert (marked.surface == HOLE).sum() / marked.px_per_mm**2 == pytest.approx(np.pi / 4 * 3.4**2, rel=0.2)
    assert {FACE, GRANULAR, HOLE, UNTOLD} <= set(np.unique(marked.surface))
    assert (marked.extras[[CRATER, GROOVE]] == TOP).any((1, 2)).all()


def test_a_bare_plate_teaches_what_is_no_bead(read: list[Labelled]) -> None:
    assert read[2].surface.max() == 0
    assert read[2].extras.max() == 0


def test_crops_have_their_shape_and_the_same_labels(read: list[Labelled]) -> None:
    picture, surface, extras = read[0].crop(np.random.default_rng(1), (96, 160), 5.0, 90.0)
    assert picture.shape == (96, 160, 3) and picture.dtype == np.uint8
    assert surface.shape == (96, 160) and extras.shape == (len(read[0].extras), 96, 160)
    assert set(np.unique(surface)) <= set(np.unique(read[0].surface)) | {UNTOLD}
    assert (surface == FACE).any()


def test_halves_are_distinguished_by_their_numbers(folder: Path) -> None:
    assert len(list(read_labelled(folder, DENSITY, "odd"))) == 1
    assert len(list(read_labelled(folder, DENSITY, "even"))) == 2


def test_fronts_lie_on_the_straightened_face_where_the_truth_says(folder: Path) -> None:
    clean: Straight = next(read_straight(folder, DENSITY, "odd"))
    width = (clean.right - clean.left) / clean.px_per_mm
    assert np.median(width) == pytest.approx(WIDTH_MM, abs=0.15)
    gaps = np.diff(clean.fronts) / clean.px_per_mm
    assert gaps.mean() == pytest.approx(2.0, abs=0.1)
    assert (clean.heat < 0).mean() == pytest.approx(WIDTH_MM / LENGTH_MM, abs=0.03)
    assert len(list(read_straight(folder, DENSITY, "all"))) == 2


def test_a_part_of_a_folder_is_said_by_remainders(folder: Path) -> None:
    assert len(list(read_labelled(folder, DENSITY, "1of4"))) == 1
    assert list(read_labelled(folder, DENSITY, "3of4")) == []


def test_a_crop_along_the_bead_gets_faults_and_their_labels(read: list[Labelled]) -> None:
    """Of a clean bead, about half of the crops have one drawn or set into them; the face is where it was."""
    kinds, faulty = set[str](), 0
    for seed in range(40):
        picture, surface, extras = read[0].crop(np.random.default_rng(seed), (96, 160), DENSITY, 7.0, read)
        answer = {
            name
            for name, k in (("pore", PORE), ("speck", SPECK), ("crater", CRATER), ("groove", GROOVE))
            if (extras[k] == TOP).any()
        }
        answer |= {name for name, k in (("sugar", GRANULAR), ("hole", HOLE)) if (surface == k).any()}
        kinds |= answer
        faulty += bool(answer)
        assert picture.shape == (96, 160, 3)
        assert (extras[PORE] == TOP).sum() < 0.2 * (surface == FACE).sum() + 200
    assert 10 <= faulty <= 36
    assert kinds == {"pore", "speck", "crater", "groove", "sugar", "hole"}


def test_spots_are_cut_out_where_the_truth_has_them(read: list[Labelled]) -> None:
    assert read[0].spots == ()
    assert [spot.kind for spot in read[1].spots] == ["pore", "burn_through"]
    pore = read[1].spots[0]
    assert read[1].extras[PORE][round(pore.row), round(pore.column)] == TOP
    assert pore.radius == pytest.approx(0.6 * read[1].px_per_mm)
    assert read[1].surface[round(read[1].spots[1].row), round(read[1].spots[1].column)] == HOLE


def test_a_spot_is_as_bright_against_its_new_place_as_it_was(read: list[Labelled]) -> None:
    clean, marked = read[0], read[1]
    donor = Labelled(marked.plane, marked.surface, marked.extras, marked.px_per_mm, marked.spots[:1])
    picture, surface, extras = clean.plane.copy(), clean.surface.copy(), clean.extras.copy()
    after = grafted(np.random.default_rng(2), picture, surface, extras, donor, 1.0)
    spot = extras[PORE] == TOP
    assert 0.5 < spot.sum() / clean.px_per_mm**2 < 2.5
    assert after[spot].mean() < 0.6 * picture[surface == FACE].mean()
    changed = np.abs(after.astype(int) - picture).max(-1) > 12
    assert not changed[~dilated(spot, 12)].any()


def dilated(flags: Flags, by_px: int) -> Flags:
    return cv2.dilate(flags.astype(np.uint8), np.ones((3, 3), np.uint8), iterations=by_px) > 0
