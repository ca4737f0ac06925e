"""What the networks are shown and how their answers are read."""

import numpy as np
import pytest

from judicum.core.photo.network import FOLD, MULTIPLE, SHOWN, folded, odds_of, scores, share_of, shares_of, unfolded

RNG = np.random.default_rng(4)
PICTURE = RNG.integers(0, 256, (MULTIPLE, 2 * MULTIPLE, 3), dtype=np.uint8)


def test_a_cell_holds_the_colours_of_its_pixels_and_gives_them_back() -> None:
    cells = folded(PICTURE)
    assert cells.shape == (3 * FOLD**2, MULTIPLE // FOLD, 2 * MULTIPLE // FOLD)
    # Blue of the four pixels of the cell in row 5, column 7; then green, then red.
    assert cells[: FOLD**2, 5, 7].tolist() == PICTURE[10:12, 14:16, 0].ravel().tolist()
    assert np.array_equal(unfolded(cells.astype(np.float32)), PICTURE.transpose(2, 0, 1))


def test_brightness_is_shown_about_zero() -> None:
    assert (SHOWN[0], SHOWN[255]) == (-2.0, 2.0)
    assert np.all(np.diff(SHOWN) > 0)


@pytest.mark.parametrize(("name", "outputs"), [("locate", 5), ("segment-1", 9), ("segment-2", 9)])
def test_a_network_answers_for_every_pixel_of_any_size(name: str, outputs: int) -> None:
    answer = scores(name, PICTURE[:-9, :-13])
    assert answer.shape == (outputs, MULTIPLE - 9, 2 * MULTIPLE - 13)
    black = PICTURE.copy()
    black[-9:], black[:, -13:] = 0, 0
    assert np.array_equal(answer, scores(name, black)[:, :-9, :-13])


def test_shares_make_one_and_odds_are_theirs() -> None:
    surfaces = RNG.normal(0, 20, (5, 30, 40)).astype(np.float32)
    shares = shares_of(surfaces)
    assert np.allclose(shares.sum(0), 1, atol=1e-5)
    assert np.array_equal(shares.argmax(0), surfaces.argmax(0))
    # Of the last two together, as far as digits reach.
    sure = np.abs(odds_of(shares, 3)) < 10
    assert np.allclose(share_of(odds_of(shares, 3))[sure], shares[3:].sum(0)[sure], atol=1e-4)


def test_odds_beyond_all_digits_are_sure_and_no_more() -> None:
    assert share_of(np.array([-1e9, 0.0, 1e9])) == pytest.approx([0, 0.5, 1], abs=1e-12)
    assert np.isfinite(odds_of(np.array([0.0, 1.0])[:, None, None], 1)).all()
