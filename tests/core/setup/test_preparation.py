import pytest

from judicum.core.choices import CHOICES, SCHOOLS
from judicum.core.errors import InvalidValues
from judicum.core.setup import check_schools, checklist, read_coupon, worked

TUBE = {"metal": "316L", "joint": "tube_butt", "thickness_mm": 1.6, "tube_od_mm": 48.3}


def steps(**coupon: object) -> list[str]:
    return checklist(read_coupon({"metal": "304L", "joint": "butt", "thickness_mm": 1.5, **coupon}))


def test_the_checklist_follows_the_coupon() -> None:
    assert {"blank_wiped", "rod_wiped", "own_brush", "electrode_ground", "cup_clean", "fit_up", "tacked"} <= set(
        steps()
    )
    fused = steps(technique="fuse")
    assert "rod_wiped" not in fused
    assert "fit_up_tight" in fused
    assert "own_brush" not in steps(metal="carbon")
    assert not {"fit_up", "tacked"} & set(steps(joint="bead_on_plate"))
    assert "purge_waited" in steps(**TUBE)
    assert "purge_waited" not in steps(**TUBE, purge=False)


def test_what_worked_is_said_by_median_and_range() -> None:
    runs = [{"current_a": a, "gas_l_min": g} for a, g in ((50, 10), (54, None), (70, 12))]
    by_key = {f["key"]: f for f in worked(runs)}
    assert by_key["current_a"] == {"key": "current_a", "count": 3, "median": 54, "low": 50, "high": 70}
    assert by_key["gas_l_min"]["median"] == 11
    assert "cup" not in by_key
    assert worked([]) == []


def test_schools_are_checked_by_name_and_choice() -> None:
    assert check_schools({"pedal_school": "ride"}) == {"pedal_school": "ride"}
    assert [CHOICES[key].codes[0] for key in SCHOOLS][:3] == ["target", "quick", "warm"]
    with pytest.raises(InvalidValues) as refused:
        check_schools({"pedal_school": "stamp", "hat": "blue"})
    assert {(p.field, p.given) for p in refused.value.problems} == {("pedal_school", "stamp"), ("hat", "blue")}
