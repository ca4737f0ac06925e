"""The board of a rota: spots that fit, nothing that does not, everything laid back as it was."""

import time
from typing import Any

import pytest

from judicum.core.planning.booths import FEATURES, minutes_for, wants_of
from judicum.core.planning.rota.board import Board
from judicum.core.planning.rota.ground import Fixed, Ground
from judicum.core.planning.rota.read import USUAL_CHANGEOVER, read_rota
from judicum.core.planning.rota.search import laid
from judicum.core.planning.rota.why import why_not
from judicum.core.setup import plan_card, read_coupon
from tests.core.planning.test_rota import asked, need


def ground(needs: list[dict[str, Any]], **more: Any) -> Ground:
    return Ground(read_rota(asked(needs, **more)))


def test_spots_are_the_earliest_in_every_session_with_changeover_and_without() -> None:
    on = ground([need("n1"), need("n2"), need("n3", "bo", 30)], people=[{"id": "alma"}, {"id": "bo"}])
    board = Board(on)
    board.put(Fixed(0, 0, 0, 0, 60))
    own = {spot.session: (spot.start, spot.idle) for spot in board.spots(1)}
    other = {spot.session: (spot.start, spot.idle) for spot in board.spots(2)}
    assert own == {0: (60, 0), 1: (0, 0)}
    assert other == {0: (70, 0), 1: (0, 0)}


def test_a_spot_fits_between_two_and_leaves_out_what_would_touch() -> None:
    on = ground([need("n1"), need("n2"), need("n3", "bo", 40)], people=[{"id": "alma"}, {"id": "bo"}])
    board = Board(on)
    board.put(Fixed(0, 0, 0, 0, 60))
    board.put(Fixed(1, 0, 0, 120, 180))
    assert [spot.start for spot in board.spots(2) if spot.session == 0] == [70]
    tight = Board(on)
    tight.put(Fixed(0, 0, 0, 0, 60))
    tight.put(Fixed(1, 0, 0, 119, 179))
    assert [spot.session for spot in tight.spots(2)] == [1]


def test_nothing_is_laid_before_what_it_waits_for_or_after_what_waits_for_it() -> None:
    on = ground([need("n1"), need("n2", after="n1")])
    board = Board(on)
    assert list(board.spots(1)) == []
    board.put(Fixed(0, 0, 0, 60, 120))
    assert [(spot.session, spot.start) for spot in board.spots(1)] == [(0, 120), (1, 0)]
    board.put(Fixed(1, 1, 0, 30, 90))
    board.take(0)
    assert [(spot.session, spot.start) for spot in board.spots(0)] == [(0, 0)]


def test_a_person_welds_no_longer_than_they_may_and_at_one_booth_at_a_time() -> None:
    on = ground(
        [need("n1"), need("n2"), need("n3", minutes=30)],
        booths=[{"id": "B1"}, {"id": "B2"}],
        people=[{"id": "alma", "most_minutes": 120}, {"id": "bo"}],
    )
    board = Board(on)
    board.put(Fixed(0, 0, 0, 0, 60))
    assert {(spot.booth, spot.start) for spot in board.spots(1) if spot.session == 0} == {(0, 60), (1, 60)}
    board.put(Fixed(1, 0, 1, 60, 120))
    assert {spot.session for spot in board.spots(2)} == {1}


def test_a_board_is_laid_back_as_it_was() -> None:
    on = ground([need("n1"), need("n2"), need("n3", "bo", 30)], people=[{"id": "alma"}, {"id": "bo"}])
    board = Board(on)
    board.put(Fixed(0, 0, 0, 0, 60))
    board.put(Fixed(1, 0, 0, 60, 120))
    before, worth = board.copy_of(), board.worth()
    board.take(0)
    board.put(Fixed(2, 1, 0, 0, 30))
    assert board.worth() != worth
    board.back_to(before)
    assert board.worth() == worth
    assert board.copy_of() == before


def test_what_counts_is_number_by_priority_then_evenness_then_early() -> None:
    needs = [need("n1"), need("n2", "bo", 60, priority=2), need("n3", priority=3)]
    on = ground(needs, people=[{"id": "alma"}, {"id": "bo"}])
    board = Board(on)
    board.put(Fixed(0, 0, 0, 0, 60))
    one = board.worth()
    assert one[:5] == (0, 1, 0, 0, -60.0)
    board.put(Fixed(1, 0, 0, 70, 130))
    two = board.worth()
    assert two[:5] == (0, 1, 1, 0, 0.0)
    assert two > one
    board.take(1)
    board.put(Fixed(1, 1, 0, 0, 60))
    assert board.worth() < two


def test_the_same_question_gives_the_same_rota() -> None:
    needs = [need(f"n{k}", "alma" if k % 2 else "bo", 40 + 5 * (k % 3)) for k in range(8)]
    on = ground(needs, people=[{"id": "alma"}, {"id": "bo"}])
    boards = [laid(on, time.monotonic() + 5) for _ in range(2)]
    assert boards[0].copy_of() == boards[1].copy_of()
    assert len(boards[0].at) == len(on.needs) - len([n for n in range(8) if n not in boards[0].at])


def test_why_follows_what_stands_in_the_way_first() -> None:
    on = ground([need("n1", wants=["turntable"], minutes=500), need("n2", minutes=500, due="2026-11-01")])
    assert why_not(on, 0, set()) == ("no_booth_has", ["turntable"])
    assert why_not(on, 1, set()) == ("too_long", None)


def test_lists_that_are_null_are_empty_and_the_usual_changeover_counts() -> None:
    given = asked([need("n1", wants=None)], kept=None, changeover_minutes=None)
    given["booths"] = [{"id": "B1", "has": None, "closed": None}]
    read = read_rota(given)
    assert read.changeover_minutes == USUAL_CHANGEOVER == 10
    assert (read.needs[0].wants, read.booths[0].has, read.kept) == (frozenset(), frozenset(), ())


@pytest.mark.parametrize(
    ("coupon", "wants", "minutes"),
    [
        ({"metal": "304L", "joint": "tee", "thickness_mm": 2.0}, [], 45),
        ({"metal": "aluminium", "joint": "tee", "thickness_mm": 3.0}, ["ac"], 45),
        ({"metal": "304L", "joint": "tube_butt", "thickness_mm": 1.6, "tube_od_mm": 38.0}, ["purge"], 60),
        ({"metal": "304L", "joint": "turntable", "thickness_mm": 1.6, "tube_od_mm": 38.0}, ["purge", "turntable"], 60),
    ],
)
def test_what_a_coupon_wants_of_its_booth(coupon: dict[str, Any], wants: list[str], minutes: int) -> None:
    read = read_coupon(coupon)
    found = wants_of(read, plan_card(coupon))
    assert set(found) <= set(FEATURES)
    assert set(wants) <= set(found)
    assert minutes_for(read) == minutes


def test_what_waits_for_a_need_pulls_its_last_session_forward() -> None:
    dated = [need("n1", minutes=90), need("n2", minutes=120, after="n1", due="2026-12-01")]
    assert Board(ground(dated)).latest == [-1, 0]
    together = [need("n1", minutes=60), need("n2", minutes=120, after="n1", due="2026-12-08")]
    assert Board(ground(together)).latest == [1, 1]
    promised = [{"need": "n2", "session": "s1", "booth": "B1", "start": "19:00"}]
    kept = ground([need("n1"), need("n2", after="n1")], kept=promised)
    assert Board(kept).latest == [0, 0]
    assert Board(kept).urgent == {0}
