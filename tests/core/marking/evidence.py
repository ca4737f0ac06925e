"""Evidence to mark by, for the tests of schemes and scores."""

from typing import Any

from judicum.core.marking import Evidence
from judicum.core.photo.report import Report
from judicum.core.setup import Checked, read_coupon

CHECK = Checked((), ())
TEE = {"metal": "304L", "joint": "tee", "thickness_mm": 2.0, "leg_mm": 3.0}
PLATE = {"metal": "304L", "joint": "bead_on_plate", "thickness_mm": 1.5}


def report(**changes: Any) -> dict[str, Any]:
    """A steady bead 90 mm long and 4.5 mm wide, with what is changed."""
    width = {"mean": 4.5, "sd": 0.18, "cv": 0.04, "min": 4.1, "max": 4.9, "uncertainty": 0.06}
    place = {"start_mm": [0, 0], "end_mm": [90, 0], "length_mm": 90.0, "straightness_mm": 0.1}
    s = [float(k) for k in range(0, 91, 5)]
    whole: dict[str, Any] = {
        "bead": {**place, "width_mm": width, "toe_waviness_mm": {"left": 0.2, "right": 0.25}},
        "profile": {"s_mm": s, "width_mm": [4.5] * len(s), "centre_mm": [[x, 0.0] for x in s]},
        "ripple": {"count": 40, "cv": 0.10, "pitch_mm": 2.2, "positions_mm": [], "lapses_mm": []},
        "tint": {
            "bead": {"level": 2, "name": "gold"},
            "haz": {"level": 4, "name": "purple"},
            "width_mm": {"left": 3.0, "right": 3.2},
            "along": [],
            "share": {"grey": 0.0},
        },
        "defects": [],
    }
    return {**whole, **changes}


def fault(kind: str, **more: Any) -> dict[str, Any]:
    place = {"s_mm": 30.0, "n_mm": 0.2, "x_mm": 1.0, "y_mm": 1.0}
    return {"kind": kind, **place, "size_mm": 1.0, "confidence": 0.9, **more}


def evidence(answer: dict[str, Any] | None = None, **more: Any) -> Evidence:
    """Evidence of a steady bead on plate, everything logged and ticked, unless something else is given."""
    coupon = read_coupon(more.pop("coupon", PLATE))
    usual: dict[str, Any] = {
        "finish": "warm", "target_width_mm": 4.5, "length_mm": 90.0, "checked": CHECK, "prepared": (7, 7),
    }  # fmt: skip
    return Evidence(Report.from_json(report() if answer is None else answer), coupon, **{**usual, **more})
