"""The crude drawings that networks learn from: labelled as drawn, broad, and the same for the same seed."""

import numpy as np
import pytest

from training.decoys import SHARE, decoys
from training.drawings import Drawing, draw
from training.labels import EXTRAS, FACE, FRONT, GRANULAR, HOLE, OTHER, PORE, TINTED
from training.light import ROOM, Lamps, lit
from training.texture import along_noise, clouds, grain, half_plane, strokes

SHAPE = (96, 160)
SEEDS = range(60)


def drawn(seed: int, with_bead: float = 1.0, turn: float = 7.0, density: float = 8.0) -> Drawing:
    return draw(np.random.default_rng(seed), SHAPE, density, turn, with_bead)


@pytest.fixture(scope="module")
def many() -> list[Drawing]:
    return [drawn(seed) for seed in SEEDS]


def test_a_drawing_has_its_shape_and_its_labels(many: list[Drawing]) -> None:
    for one in many:
        assert one.picture.shape == (*SHAPE, 3) and one.picture.dtype == np.uint8
        assert one.surface.shape == SHAPE and set(np.unique(one.surface)) <= set(range(HOLE + 1))
        assert one.extras.shape == (EXTRAS, *SHAPE)
        assert one.extras.min() >= 0 and one.extras.max() <= 1


def test_the_same_seed_draws_the_same() -> None:
    one, again, other = drawn(3), drawn(3), drawn(4)
    assert (one.picture == again.picture).all() and (one.surface == again.surface).all()
    assert (one.picture != other.picture).any()


def test_without_a_bead_nothing_is_labelled_as_one() -> None:
    for seed in SEEDS:
        plain = drawn(seed, with_bead=0.0)
        assert plain.surface.max() == OTHER
        assert plain.extras.max() == 0


def test_every_label_is_drawn_somewhere(many: list[Drawing]) -> None:
    seen = set().union(*(np.unique(one.surface) for one in many))
    assert {OTHER, TINTED, FACE, GRANULAR, HOLE} <= seen
    assert {k for k in range(EXTRAS) if any(one.extras[k].max() > 0.5 for one in many)} == set(range(EXTRAS))


def test_pores_and_fronts_lie_on_the_bead(many: list[Drawing]) -> None:
    for one in many:
        bead = one.surface >= FACE
        assert (one.extras[PORE] > 0.5).sum() == (one.extras[PORE][bead] > 0.5).sum()
        strong = one.extras[FRONT] > 0.5
        assert strong.sum() == 0 or bead[strong].mean() > 0.95


def test_beads_are_lighter_and_darker_than_their_plate(many: list[Drawing]) -> None:
    lighter = [
        one.picture[one.surface == FACE].mean() > one.picture[one.surface == OTHER].mean()
        for one in many
        if (one.surface == FACE).any() and (one.surface == OTHER).any()
    ]
    assert 0.15 < np.mean(lighter) < 0.85


@pytest.mark.parametrize("turn", [0.0, 90.0])
def test_beads_turn_as_far_as_they_are_let(turn: float) -> None:
    leans = []
    for seed in range(40):
        rows, columns = np.nonzero(drawn(seed, turn=turn).surface == FACE)
        if len(rows) > 200:
            spread = np.linalg.eigh(np.cov(np.stack([columns, rows])))[1][:, 1]
            leans.append(abs(np.degrees(np.arctan2(spread[1], spread[0]))) % 180)
    steep = np.mean([20 < lean < 160 for lean in leans])
    assert steep < 0.3 if turn == 0 else steep > 0.4


def test_flat_metal_is_lit_evenly_and_a_ridge_is_not() -> None:
    lamps = Lamps(np.array([[0.0, -0.6, 0.8]]), np.ones(1), 0.2, 0.0)
    flat = np.zeros((40, 40))
    assert lit(flat, 10.0, flat, lamps) == pytest.approx(1.0)
    ridge = np.exp(-(((np.arange(40)[:, None] - 20) / 5.0) ** 2)) * np.ones((1, 40))
    shade = lit(ridge, 10.0, flat, lamps)
    assert shade[14:18].mean() > 1.05 > 0.95 > shade[22:26].mean()


def test_polished_metal_mirrors_the_room_by_its_slope_and_dull_metal_does_not() -> None:
    room = np.ones((ROOM, ROOM), np.float32)
    room[: ROOM // 2 - 3] = 5.0  # a window on that side
    lamps = Lamps(np.array([[0.0, 0.0, 1.0]]), np.ones(1), 0.5, 0.0, room, mirrored=1.0)
    ridge = np.exp(-(((np.arange(40)[:, None] - 20) / 5.0) ** 2)) * np.ones((1, 40))
    polished, dull = (lit(ridge, 10.0, np.full(ridge.shape, gloss), lamps) for gloss in (1.0, 0.0))
    sides = polished[14:18].mean(), polished[22:26].mean()
    assert max(sides) > 1.5 * min(sides)
    assert dull[14:18].mean() == pytest.approx(dull[22:26].mean(), rel=0.05)


def test_a_hollow_is_darker_than_what_stands_above_it() -> None:
    step = np.where(np.arange(80)[:, None] < 40, 1.0, 0.0) * np.ones((1, 20))
    plain, shaded = (
        lit(step, 10.0, np.zeros(step.shape), Lamps(np.array([[0.0, 0.0, 1.0]]), np.ones(1), 0.5, 0.0, shaded=s))
        for s in (0.0, 2.0)
    )
    assert shaded[43:47].mean() < 0.7 * plain[43:47].mean()
    assert shaded[30:38] == pytest.approx(plain[30:38])
    assert shaded[70:] == pytest.approx(plain[70:])


def test_textures_are_as_strong_as_they_say() -> None:
    rng = np.random.default_rng(1)
    assert clouds(rng, SHAPE, 12.0).std() == pytest.approx(1.0, abs=0.01)
    assert grain(rng, SHAPE, 8.0, 30.0).std() == pytest.approx(1.0, abs=0.01)
    assert np.abs(along_noise(rng, 300, 0.1, 5.0)).max() < 6
    ink = strokes(rng, SHAPE, 8.0, 5, (0.1, 0.5))
    assert ink.min() >= 0 and 0 < ink.max() <= 1
    x, y = np.meshgrid(np.arange(20.0), np.arange(20.0))
    side = half_plane(rng, x, y, np.array([10.0, 10.0]), 0.0, 0.05)
    assert side[0].max() < 0.01 and side[-1].min() > 0.99


def test_decoys_change_the_light_of_their_share_of_the_beads_and_nothing_beyond_reason() -> None:
    s, off = np.meshgrid(np.linspace(0, 20, 160), np.linspace(-6, 6, 96))
    half, plain = np.full(SHAPE, 3.0), np.full((*SHAPE, 3), 0.3, np.float32)
    changed = 0
    for seed in SEEDS:
        rng = np.random.default_rng(seed)
        colour = decoys(rng, s, off, half, np.abs(off) - half, 20.0, 6.0, 8.0, plain)
        assert colour.shape == plain.shape and colour.min() > 0 and colour.max() < 6
        # Light, not another colour: the film is read from the colour.
        assert np.ptp(colour, axis=-1).max() == 0
        changed += bool((colour != plain).any())
    assert changed / len(SEEDS) == pytest.approx(SHARE, abs=0.2)
