import pytest

from judicum.core.errors import InvalidValues
from judicum.core.marking import FINDINGS, asked_for, back_from, check_findings
from judicum.core.photo.report import Report
from judicum.core.setup import read_coupon
from judicum.words.catalogue import codes_of
from tests.core.marking.evidence import fault, report


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
    assert codes_of("measured-at") == set(FINDINGS.keys)


@pytest.mark.parametrize(
    ("key", "value"), [("leg_upper_mm", -1), ("leg_upper_mm", "3"), ("face", "pretty"), ("back", 3), ("colour", "red")]
)
def test_what_makes_no_sense_is_refused_by_its_field(key: str, value: object) -> None:
    with pytest.raises(InvalidValues, match=key):
        check_findings({key: value})


def test_what_was_not_found_out_is_none() -> None:
    found = check_findings({"face": "flat", "leg_upper_mm": 3})
    assert (found["face"], found["leg_upper_mm"], found["back"]) == ("flat", 3.0, None)


@pytest.mark.parametrize(
    ("level", "grey", "defects", "finish", "back"),
    [
        (1, 0.0, [], "bright", "bright"),
        (2, 0.0, [], "bright", "tinted"),
        (2, 0.0, [], "warm", "bright"),
        (7, 0.0, [], "show_colour", "sugared"),
        (2, 0.3, [], "warm", "sugared"),
        (1, 0.0, ["sugaring"], "warm", "sugared"),
    ],
)
def test_a_measured_back_speaks_for_bright_tinted_or_sugared(
    level: int, grey: float, defects: list[str], finish: str, back: str
) -> None:
    tint = {**report()["tint"], "bead": {"level": level, "name": ""}, "share": {"grey": grey}}
    answer = report(tint=tint, defects=[fault(kind) for kind in defects])
    assert back_from(Report.from_json(answer), finish) == back
    assert back_from(Report.from_json({}), finish) is None
