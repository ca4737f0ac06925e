"""What a coupon takes, and what it costs."""

from dataclasses import replace

import pytest

from judicum.core.setup import plan_card, read_coupon
from judicum.core.setup.record import Run
from judicum.core.stock.cost import Consumed, costs, price_per_litre
from judicum.core.stock.use import consumption, gas_shares, run_gas_l

BUTT = {"metal": "304L", "joint": "butt", "thickness_mm": 1.5, "position": "flat", "target_width_mm": 5.0}
RUN = Run(gas_l_min=12.0, preflow_s=0.5, arc_s=48.0, postflow_s=10.0, filler_mm=1.6, filler_alloy="308L")


def made(**more: object) -> tuple:
    given = {**BUTT, **more}
    return read_coupon(given), plan_card(given)


def test_gas_is_flow_times_time() -> None:
    _, card = made()
    assert run_gas_l(RUN, card, 90) == pytest.approx(11.7)


def test_what_was_not_logged_is_the_cards() -> None:
    _, card = made()
    quiet = Run(gas_l_min=12.0)
    seconds = card.preflow_s.aim + 90 / card.travel_mm_s.aim + card.postflow_s.aim
    assert run_gas_l(quiet, card, 90) == pytest.approx(12 * seconds / 60)


def test_purge_flows_while_it_waits_and_while_it_is_welded() -> None:
    _, card = made()
    purged = replace(RUN, purge_l_min=3.0, purge_wait_s=60.0)
    assert run_gas_l(purged, card, 90) - 11.7 == pytest.approx(3 * (60 + 48 + 10) / 60)


def test_wire_fills_the_crown() -> None:
    coupon, card = made()
    found = consumption([RUN], coupon, card, 100)
    # A crown of 5 mm × 0.75 mm, two thirds full, 100 mm long, from a wire of 1.6 mm; a twelfth is left as stubs.
    assert found.wire_m == pytest.approx(2 / 3 * 5 * 0.75 * 100 / 2.0106 / 1000 * 1.08, rel=1e-3)
    assert found.wire == ("308L", 1.6)
    assert found.blanks == 2


def test_a_measured_bead_counts_instead_of_the_drawn_one() -> None:
    coupon, card = made()
    drawn = consumption([RUN], coupon, card, 100)
    wide = consumption([RUN], coupon, card, 100, measured_mm=(100, 10.0))
    assert wide.wire_m == pytest.approx(4 * drawn.wire_m)


def test_runs_share_a_seam_and_passes_repeat_it() -> None:
    coupon, card = made()
    one = consumption([RUN], coupon, card, 100)
    beside = consumption([RUN, RUN], coupon, card, 100)
    over = consumption([RUN, replace(RUN, pass_number=2)], coupon, card, 100)
    assert beside.wire_m == pytest.approx(one.wire_m)
    assert over.wire_m == pytest.approx(2 * one.wire_m)
    assert beside.gas_l == pytest.approx(2 * one.gas_l), "each run was logged with its own arc time"


@pytest.mark.parametrize("run", [replace(RUN, technique="fuse"), replace(RUN, filler_alloy="none")])
def test_fused_beads_take_no_wire(run: dict[str, object]) -> None:
    coupon, card = made()
    found = consumption([run], coupon, card, 100)
    assert (found.wire_m, found.wire) == (0, None)


def test_one_blank_for_a_bead_on_plate_and_the_card_alone_for_what_is_planned() -> None:
    coupon, card = made(joint="bead_on_plate")
    found = consumption([], coupon, card, 100)
    assert found.blanks == 1
    assert found.gas_l == pytest.approx(run_gas_l(Run(), card, 100))


def test_what_a_wide_cup_and_post_flow_add() -> None:
    plain, wide = gas_shares(*made()), gas_shares(*made(cup=16))
    assert plain.cup_more_l == pytest.approx(0, abs=0.05)
    assert wide.run_l / plain.run_l == pytest.approx(2, rel=0.15), "a cup twice as wide takes twice the gas"
    assert wide.cup_more_l > 0.4 * wide.run_l
    _, card = made()
    assert plain.postflow_l == pytest.approx(card.gas_l_min.aim * card.postflow_s.aim / 60)


def test_costs_add_up_and_say_what_has_no_price() -> None:
    litre = price_per_litre(80, 20)
    rows = [
        Consumed("gus", "gas", 12.0, litre), Consumed("gus", "wire", 0.4, 0.9), Consumed("hana", "gas", 6.0, litre),
        Consumed("gus", "gas", 12.0, litre), Consumed("hana", "blank", 2, None),
    ]  # fmt: skip
    found = costs(rows)
    assert found["gus"].total == pytest.approx(24 * litre + 0.36)
    assert found["gus"].unpriced == ()
    assert found["hana"].by_kind == {"gas": pytest.approx(6 * litre)}
    assert found["hana"].unpriced == ("blank",)
