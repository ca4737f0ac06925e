"""What a perfect measurement of a scene would report."""

from typing import Any

import numpy as np

from judicum.camera.scene import Bead, Scene
from judicum.core.arrays import Floats
from judicum.core.photo.film import UNTINTED_NM, level_name, level_of_film

BLINDING = ("sugaring", "burn_through", "gap")
"""Faults under which no ripple front can be seen."""


def truth(scene: Scene) -> dict[str, Any] | None:
    """The keys of the measurement's JSON, `ignore_mm` beside the ripples, and long faults with their stretch."""
    bead = scene.bead
    if bead is None:
        return None
    width = 2 * bead.half_mm
    body = (bead.s_mm >= width.mean()) & (bead.s_mm <= bead.length_mm - width.mean())
    inside = width[body]
    angle = np.radians(scene.angle_deg)
    along, across = np.array([np.cos(angle), np.sin(angle)]), np.array([-np.sin(angle), np.cos(angle)])
    start = np.array(scene.start_mm)
    straight = np.polyfit(bead.s_mm[body], bead.centre_mm[body], 1)
    wander = bead.centre_mm[body] - np.polyval(straight, bead.s_mm[body])
    level = 7 if bead.grey else int(level_of_film(bead.film_nm))
    zone = _zone_level(bead)
    return {
        "bead": {
            "start_mm": start.tolist(),
            "end_mm": (start + bead.length_mm * along).tolist(),
            "length_mm": bead.length_mm,
            "width_mm": {
                "mean": float(inside.mean()),
                "sd": float(inside.std(ddof=1)),
                "cv": float(inside.std(ddof=1) / inside.mean()),
            },
            "straightness_mm": float(np.sqrt((wander**2).mean())),
        },
        "ripple": _ripple(bead),
        "tint": {
            "bead": {"level": level, "name": level_name(level)},
            "haz": {"level": zone, "accept": [zone]},
            "width_mm": {"left": _tint_width(bead, 0), "right": _tint_width(bead, 1)},
            "along": _along(bead, level),
        },
        "defects": [_fault(bead, f, start, along, across) for f in bead.faults],
    }


def _ripple(bead: Bead) -> dict[str, Any] | None:
    gaps = np.diff(bead.fronts_mm)
    if not len(gaps):
        return None
    hidden = [[f.s_mm - f.size_mm / 2, f.s_mm + f.size_mm / 2] for f in bead.faults if f.kind in BLINDING]
    seen = gaps[
        [
            not any(b > low and a < high for low, high in hidden)
            for a, b in zip(bead.fronts_mm, bead.fronts_mm[1:], strict=False)
        ]
    ]
    return {
        "count": len(bead.fronts_mm),
        "pitch_mm": float(seen.mean()),
        "cv": float(seen.std(ddof=1) / seen.mean()),
        "positions_mm": bead.fronts_mm.tolist(),
        "ignore_mm": hidden,
    }


def zone_film(bead: Bead, beyond_mm: Floats, side: int) -> Floats:
    """Film (nm) at a distance outside the toe, on the left (0) or the right (1)."""
    return bead.zone_nm * np.exp(-1.6 * (np.clip(beyond_mm, 0, None) / bead.fade_mm[side]) ** 1.4)


def _tint_width(bead: Bead, side: int) -> float:
    away = np.arange(0.0, 20.0, 0.01)
    tinted = zone_film(bead, away, side) >= UNTINTED_NM
    return float(away[tinted][-1]) if tinted.any() else 0.0


def _along(bead: Bead, level: int) -> list[int]:
    if bead.grey or not bead.film_rise_nm:
        return [level] * int(bead.length_mm)
    s = np.arange(int(bead.length_mm)) + 0.5
    film = np.clip(bead.film_nm + bead.film_rise_nm * (s / bead.length_mm - 0.5), 0.0, None)
    return [int(one) for one in level_of_film(film)]


def _zone_level(bead: Bead) -> int:
    away = np.arange(0.0, 3.0, 0.01)
    levels = np.concatenate([level_of_film(zone_film(bead, away, side)) for side in (0, 1)])
    return max(k for k in range(7) if (levels == k).mean() >= 0.05)


def _fault(bead: Bead, fault: Any, start: Floats, along: Floats, across: Floats) -> dict[str, Any]:
    n = fault.n_mm
    if fault.kind == "undercut":
        n = float(np.sign(n) * (np.interp(fault.s_mm, bead.s_mm, bead.half_mm) + 0.1))
    at = start + fault.s_mm * along + (float(np.interp(fault.s_mm, bead.s_mm, bead.centre_mm)) + n) * across
    row = {
        "kind": fault.kind,
        "s_mm": fault.s_mm,
        "n_mm": n,
        "x_mm": float(at[0]),
        "y_mm": float(at[1]),
        "size_mm": fault.size_mm,
    }
    if fault.kind in ("undercut", "sugaring", "gap", "bulge"):
        row["stretch_mm"] = [fault.s_mm - fault.size_mm / 2, fault.s_mm + fault.size_mm / 2]
    if fault.kind == "crater":
        row["pinhole"] = fault.pinhole
    return row
