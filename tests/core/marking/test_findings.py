import pytest

from judicum.core.errors import InvalidValues
from judicum.core.marking import FINDINGS, MEASURED_AT, asked_for, check_findings
from judicum.core.setup import read_coupon


def asked(joint: str, thickness_mm: float = 2.0, **more: object) -> tuple[str, ...]:
    return asked_for(read_coupon({"metal": "304L", "joint": joint, "thickness_mm": thickness_mm, **more}))


def test_each_coupon_is_asked_for_what_it_has() -> None:
    assert asked("bead_on_plate") == ("face", "distortion_mm", "time_taken_s")
    assert set(asked("tee")) >= {"leg_upper_mm", "leg_lower_mm", "throat_mm", "distortion_deg"}
    assert "back" in asked("butt")
    assert "back" not in asked("tee")
    tube = asked("tube_butt", tube_od_mm=48.3, form="tube")
    assert "back" in tube
    assert "distortion_mm" not in tube
    assert "distortion_mm" not in asked("butt", 6.0)


def test_every_finding_says_where_it_is_measured() -> None:
    assert set(MEASURED_AT) == set(FINDINGS.keys)


@pytest.mark.parametrize(
    ("key", "value"), [("leg_upper_mm", -1), ("leg_upper_mm", "3"), ("face", "pretty"), ("back", 3), ("colour", "red")]
)
def test_what_makes_no_sense_is_refused_by_its_field(key: str, value: object) -> None:
    with pytest.raises(InvalidValues, match=key):
        check_findings({key: value})


def test_what_was_not_found_out_is_none() -> None:
    found = check_findings({"face": "flat", "leg_upper_mm": 3})
    assert (found["face"], found["leg_upper_mm"], found["back"]) == ("flat", 3.0, None)
