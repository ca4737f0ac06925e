"""Attempts with figures as a photo gives them, for the tests of causes."""

from typing import Any

import numpy as np

LENGTH = 80.0
BUTT = {"metal": "304L", "joint": "butt", "thickness_mm": 1.5}
NAMES = ["silver", "straw", "gold", "copper", "purple", "blue", "grey blue", "grey"]


def bead(
    *,
    mean: float = 4.0,
    width: Any = None,
    along: Any = None,
    gaps: Any = None,
    sides: tuple[float, float] = (1.5, 1.5),
    wavy: tuple[float, float] = (0.1, 0.1),
    defects: list[dict[str, Any]] | None = None,
) -> dict[str, Any]:
    """A measurement of a good bead, and of one that is off where something is given.

    Args:
        width: widths over s, mm. along: tint level of every millimetre. gaps: between ripple fronts, mm; empty for none.
    """
    rng = np.random.default_rng(1)
    s = np.linspace(0, LENGTH, 81)
    widths = np.full(81, mean) + rng.normal(0, 0.03 * mean, 81) if width is None else np.asarray(width, float)
    levels = [2] * 80 if along is None else list(along)
    spaces = 2.1 * (1 + 0.05 * rng.normal(size=36)) if gaps is None else np.asarray(gaps, float)
    fronts = np.cumsum(spaces)[np.cumsum(spaces) < LENGTH] if len(spaces) else np.zeros(0)
    level = int(np.median(levels))
    cv = float(widths.std() / widths.mean())
    return {
        "photo": "bead.jpg",
        "refusal": None,
        "scale": {"source": "card", "mm_per_px": 0.08, "residual_mm": 0.02, "tilt_deg": 5.0},
        "quality": {"sharpness": 0.8, "clipped_share": 0.0, "warnings": []},
        "bead": {
            "start_mm": [40.0, 50.0],
            "end_mm": [40.0 + LENGTH, 50.0],
            "length_mm": LENGTH,
            "width_mm": {
                "mean": float(widths.mean()), "sd": float(widths.std()), "cv": cv,
                "min": float(widths.min()), "max": float(widths.max()), "uncertainty": 0.1,
            },
            "straightness_mm": 0.2,
            "toe_waviness_mm": {"left": wavy[0], "right": wavy[1]},
        },
        "profile": {"s_mm": s.tolist(), "width_mm": widths.tolist(), "centre_mm": [[40 + float(x), 50.0] for x in s]},
        "ripple": None
        if len(fronts) < 3
        else {
            "count": len(fronts),
            "pitch_mm": float(np.mean(np.diff(fronts))),
            "cv": float(np.std(np.diff(fronts)) / np.mean(np.diff(fronts))),
            "positions_mm": fronts.tolist(),
            "lapses_mm": [],
        },
        "tint": {
            "bead": {"level": level, "name": NAMES[level]},
            "haz": {"level": 3, "name": NAMES[3]},
            "width_mm": {"left": sides[0], "right": sides[1]},
            "along": levels,
            "share": {"grey": levels.count(7) / len(levels)},
        },
        "defects": defects or [],
    }  # fmt: skip


def fault(kind: str, s_mm: float = 40.0, n_mm: float = 0.0, size_mm: float = 1.0, **more: Any) -> dict[str, Any]:
    return {
        "kind": kind,
        "s_mm": s_mm,
        "n_mm": n_mm,
        "x_mm": 0.0,
        "y_mm": 0.0,
        "size_mm": size_mm,
        "confidence": 0.9,
        **more,
    }


def grey(*stretches: tuple[int, int]) -> list[int]:
    """Levels along with grey stretches (mm)."""
    levels = [2] * 80
    for first, last in stretches:
        levels[first:last] = [7] * (last - first)
    return levels


def case(measurement: dict[str, Any] | None = None, **more: Any) -> dict[str, Any]:
    """A case of a butt with a run in range, unless something else is given."""
    run = {"current_a": 47, "gas_l_min": 9, "cup": 8, "gas_part": "gas_lens", "stickout_mm": 5, "preflow_s": 0.5, "postflow_s": 8, "downslope_s": 4, "travel_mm_s": 2.4, "work_angle_deg": 90, "travel_angle_deg": 10, "filler_mm": 1.2}  # fmt: skip
    given = {"coupon": BUTT, "runs": [run], "measurement": measurement or bead(), **more}
    if "run" in given:
        given["runs"] = [{**run, **given.pop("run")}]
    return given
