"""`./judicum bench-foretell`: simulated courses whose beads follow other laws than `core.foretell` believes, and how well they are foretold.

Each course has a law of its own: a melted width that is solved from a moving source in thin and thick plate, one that grows with the
root of the heat above a threshold, or a power law with powers of its own. Machines, people, typed speeds, readings and scatter are
as the contract tells them. Beside it stand the two baselines of the contract: the nearest record, and a ridge on logarithms.
"""

import math
import os
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from judicum.core.arrays import Floats
from judicum.core.foretell import foretell

COUPONS: tuple[dict[str, Any], ...] = (
    {"metal": "304L", "joint": "bead_on_plate", "thickness_mm": 1.5},
    {"metal": "304L", "joint": "butt", "thickness_mm": 1.5},
    {"metal": "304L", "joint": "lap", "thickness_mm": 2.0},
    {"metal": "304L", "joint": "tee", "thickness_mm": 2.0},
    {"metal": "316L", "joint": "butt", "thickness_mm": 2.0},
    {"metal": "304L", "joint": "butt", "thickness_mm": 3.0},
)
AIMS = {"bead_on_plate": (58, 1.9), "butt": (36, 2.1), "lap": (39, 2.5), "tee": (42, 2.2)}
"""Amps per mm of thickness (of plates over 2 mm of 2.5 mm), and speed, mm/s."""
RECORDS = (0, 8, 20, 60)
LAWS = ("moving_source", "root", "power")


@dataclass
class Course:
    """The law of one course; `width` takes amps that arrive, real speed, thickness, preheat (°C above 25) and a joint's factor."""

    rng: np.random.Generator
    law: str
    width: Callable[[float, float, float, float, float], float]
    joints: dict[str, float]
    tint: tuple[float, float, float]
    need: float
    machines: list[float]
    people: list[float]
    typed: list[float]
    records: list[dict[str, Any]] = field(default_factory=list)


def course(seed: int, law: str | None = None) -> Course:
    """A course by its seed: law, people and machines."""
    rng = np.random.default_rng(seed)
    law = law or LAWS[int(rng.integers(len(LAWS)))]
    width = {"moving_source": _moving_source, "root": _root, "power": _power}[law](rng)
    joints = {"bead_on_plate": 1.05, "butt": 1.0, "lap": 0.95, "tee": 0.88}
    return Course(
        rng,
        law,
        width,
        {key: value * math.exp(rng.normal(0, 0.05)) for key, value in joints.items()},
        (float(rng.normal(1.2, 0.5)), float(rng.uniform(5, 11)), float(rng.uniform(0.6, 1.1))),
        6.0 * math.exp(rng.normal(0, 0.15)),
        [float(rng.uniform(0.9, 1.1)) for _ in range(4)],
        [float(rng.uniform(0.85, 1.0)) for _ in range(8)],
        [float(math.exp(rng.normal(0, 0.125))) for _ in range(8)],
    )


def _moving_source(rng: np.random.Generator) -> Callable[[float, float, float, float, float], float]:
    """The width that a heat just melts in thin and thick plate, by bisection, with a blend between them."""
    efficiency, blend = float(rng.uniform(0.5, 0.75)), float(rng.uniform(2, 6))

    def width(amps: float, speed: float, h: float, preheat: float, joint: float) -> float:
        power, rise = efficiency * (9.5 + 0.012 * amps) * amps * joint, 1400.0 - preheat
        low, high = 0.05, 30.0
        for _ in range(40):
            w = (low + high) / 2
            peclet = speed * w / 22.0
            thin = 8 * 0.026 * rise * h * (0.2 + peclet)
            thick = 1.25 * math.pi * 0.026 * rise * w * (0.4 + peclet)
            need = (thin**-blend + thick**-blend) ** (-1 / blend)
            low, high = (w, high) if need < power else (low, w)
        return max(low, 0.8)

    usual = width(55 * 0.925, 2.2, 1.5, 0, 1.0)
    scale = 3.7 / usual * math.exp(rng.normal(0, 0.1))
    return lambda *given: scale * width(*given)


def _root(rng: np.random.Generator) -> Callable[[float, float, float, float, float], float]:
    """Growing with the root of the heat per length and section above a threshold."""
    threshold, spread = float(rng.uniform(3, 8)), float(rng.uniform(0.35, 0.75))
    scale = 3.7 / math.sqrt(55 * 0.925 / 2.2 / 1.5**spread - threshold) * math.exp(rng.normal(0, 0.1))

    def width(amps: float, speed: float, h: float, preheat: float, joint: float) -> float:
        heat = amps * joint * (1 + preheat / 1400) / speed / h**spread
        return scale * math.sqrt(max(heat - threshold, 0.3))

    return width


def _power(rng: np.random.Generator) -> Callable[[float, float, float, float, float], float]:
    a, b, c = float(rng.uniform(0.8, 1.5)), float(rng.uniform(0.45, 1.0)), float(rng.uniform(0.2, 0.8))
    scale = 3.7 * math.exp(rng.normal(0, 0.12))
    return lambda amps, speed, h, preheat, joint: (
        scale * (amps * joint * (1 + preheat / 1400) / (55 * 0.925)) ** a * (speed / 2.2) ** -b * (h / 1.5) ** -c
    )


def true_width(of: Course, coupon: dict[str, Any], settings: dict[str, Any], person: int, machine: int) -> float:
    """The width on average, mm, of settings whose `travel_mm_s` is real."""
    amps = settings["current_a"] * of.machines[machine] * of.people[person]
    filler = 1.08 if settings["technique"] == "fuse" else 1 - 0.12 * (settings["filler_mm"] - 1.2)
    preheat = settings["part_c"] - 25
    return of.width(amps, settings["travel_mm_s"], coupon["thickness_mm"], preheat, of.joints[coupon["joint"]] * filler)


def weld(of: Course) -> dict[str, Any]:
    """Somebody's weld at some coupon: settings as they were (the speed real), and what was measured."""
    rng = of.rng
    coupon = COUPONS[int(rng.integers(len(COUPONS)))]
    per_mm, speed = AIMS[coupon["joint"]]
    h = coupon["thickness_mm"]
    person, machine = int(rng.integers(len(of.people))), int(rng.integers(len(of.machines)))
    amps = (
        (per_mm * h if coupon["joint"] != "bead_on_plate" else per_mm)
        * (0.85 if h > 2 else 1)
        * math.exp(rng.normal(0, 0.13))
    )
    fused = coupon["joint"] == "bead_on_plate" and rng.random() < 0.5
    settings = {
        "current_a": round(amps, 1), "travel_mm_s": round(speed * math.exp(rng.normal(0, 0.15)), 2), "cup": 8, "gas_l_min": round(float(rng.uniform(5, 11)), 1),
        "gas_part": "collet_body" if rng.random() < 0.15 else "gas_lens", "stickout_mm": round(float(rng.uniform(5, 14)), 1),
        "draught": bool(rng.random() < 0.07), "postflow_s": round(float(rng.uniform(3, 10)), 1), "preflow_s": 0.5, "arc_length_mm": 1.6,
        "technique": "fuse" if fused else "dab", "part_c": round(float(rng.choice([25, 25, 25, 60, 110]))), "length_mm": 100,
        "filler_mm": 1.2 if h < 2 else 1.6,
    }  # fmt: skip
    return {
        "coupon": coupon,
        "settings": settings,
        "person": person,
        "machine": machine,
        **_measured(of, coupon, settings, person, machine),
    }


def _measured(of: Course, coupon: dict[str, Any], s: dict[str, Any], person: int, machine: int) -> dict[str, Any]:
    rng = of.rng
    wide = true_width(of, coupon, s, person, machine)
    bead = wide * math.exp(rng.normal(0, 0.05))
    h = coupon["thickness_mm"]
    heat, latent = _heat(of, coupon, s, person, machine)
    levels = [_read_level(rng, latent + shift + rng.normal(0, 0.35)) for shift in (0.0, 1.0)]
    zone = (
        3.0
        * math.exp(0.21 * (latent - of.tint[0]))
        * math.exp(rng.normal(0, 0.1))
        * (0.75 if coupon["joint"] in ("lap", "tee") else 1)
    )
    need = of.need * (s["current_a"] / 55) ** 0.4
    grey_end = (
        max(0.0, (need - s["postflow_s"]) * 2.3 * math.exp(rng.normal(0, 0.15)) + rng.normal(0, 0.3))
        if need > s["postflow_s"]
        else 0.0
    )
    melt = heat + 0.4 * math.log(1.5 / h)
    hazards = [
        code
        for code, chance in (
            ("burn_through", _chance(-4 + 8 * melt)), ("no_fusion", _chance(-4 - 8 * melt)), ("undercut", _chance(-3.2 + 3 * math.log(s["travel_mm_s"] / 2.2))),
        )
        if rng.random() < chance
    ]  # fmt: skip
    grey = max(levels) == 7 or grey_end > 3
    end = bead * math.exp(0.05 + 0.05 * heat + rng.normal(0, 0.03))
    return {
        "true_width": wide,
        "measured": {
            "length_mm": round(100 * math.exp(rng.normal(0, 0.03)), 1), "width_mm": round(max(bead + rng.normal(0, 0.12), 0.4), 2), "width_end_mm": round(max(end + rng.normal(0, 0.12), 0.4), 2),
            "tint_bead": levels[0], "tint_zone": levels[1], "zone_mm": round(max(zone + rng.normal(0, 0.25), 0.1), 2), "grey_end_mm": round(grey_end, 1),
            "hazards": hazards + (["grey"] if grey else []),
        },
    }  # fmt: skip


def _heat(of: Course, coupon: dict[str, Any], s: dict[str, Any], person: int, machine: int) -> tuple[float, float]:
    """Logarithm of the heat per length beside the usual one, and the tint on the bead as a figure between levels."""
    h = coupon["thickness_mm"]
    heat = math.log(
        s["current_a"] * of.machines[machine] * of.people[person] / s["travel_mm_s"] / h ** of.tint[2]
    ) - math.log(55 * 0.925 / 2.2 / 1.5 ** of.tint[2])
    air = (
        1.3 * (s["gas_part"] == "collet_body")
        + 1.4 * s["draught"]
        + 2.5 * max(0.0, math.log(6.4 / s["gas_l_min"]))
        + 0.05 * (s["stickout_mm"] - 8)
    )
    extra = {"lap": 0.1, "tee": -1.3}.get(coupon["joint"], 0.0)
    latent = of.tint[0] + of.tint[1] * heat + air + extra + 0.5 * (s["part_c"] - 25) / 100
    return heat, latent


def _chance(logit: float) -> float:
    return 1 / (1 + math.exp(-logit))


def _read_level(rng: np.random.Generator, latent: float) -> int:
    level = int(np.clip(round(latent), 0, 7))
    return int(np.clip(level + rng.choice([-1, 1]), 0, 7)) if rng.random() < 1 / 7 else level


def logged(of: Course, one: dict[str, Any]) -> dict[str, Any]:
    """A weld as a course keeps it: the speed typed by somebody, or by its arc time, or not at all; a tenth of figures left out."""
    rng, settings = of.rng, dict(one["settings"])
    real = settings.pop("travel_mm_s")
    if rng.random() < 0.7:
        settings["travel_mm_s"] = round(real * of.typed[one["person"]], 2)
    if rng.random() < 0.6:
        settings["arc_s"] = round(one["measured"]["length_mm"] / real, 1)
    settings = {k: v for k, v in settings.items() if k in ("technique", "current_a") or rng.random() > 0.1}
    return {
        "student": f"p{one['person']}",
        "machine": f"m{one['machine']}",
        "coupon": one["coupon"],
        "settings": settings,
        "measured": one["measured"],
    }


def judge(seed: int) -> dict[int, dict[str, float]]:
    """One course: figures for each number of records, averaged over a few questions."""
    of = course(seed)
    rows = [logged(of, weld(of)) for _ in range(max(RECORDS))]
    asked = [weld(of) for _ in range(6)]
    return {count: _mean([_judged(of, one, rows[:count]) for one in asked]) for count in RECORDS}


def _mean(rows: list[dict[str, float]]) -> dict[str, float]:
    return {
        key: float(np.nanmean(values))
        if not np.isnan(values := np.array([row[key] for row in rows])).all()
        else math.nan
        for key in rows[0]
    }


def _judged(of: Course, one: dict[str, Any], rows: list[dict[str, Any]]) -> dict[str, float]:
    person, machine = f"p{one['person']}", f"m{one['machine']}"
    found = foretell(
        {"coupon": one["coupon"], "settings": one["settings"], "student": person, "machine": machine, "class": rows}
    )
    truth, seen = one["true_width"], one["measured"]
    result = {
        "error": abs(found["width_mm"]["value"] - truth) / truth,
        "inside": float(found["width_mm"]["low"] <= seen["width_mm"] <= found["width_mm"]["high"]),
        "end_inside": float(found["width_end_mm"]["low"] <= seen["width_end_mm"] <= found["width_end_mm"]["high"]),
        "zone_inside": float(found["zone_mm"]["low"] <= seen["zone_mm"] <= found["zone_mm"]["high"]),
        "zone_error": abs(found["zone_mm"]["value"] - seen["zone_mm"]),
        "grey_error": abs(found["grey_end_mm"]["value"] - seen["grey_end_mm"]),
        "rps_bead": _rps(found["tint_bead"]["probability"], seen["tint_bead"]),
        "rps_zone": _rps(found["tint_zone"]["probability"], seen["tint_zone"]),
        "brier": _brier({one["code"]: one["probability"] for one in found["hazards"]}, seen["hazards"]),
    }
    near, ridge = _baselines(one, rows, "width_mm") if rows else (math.nan, math.nan)
    result |= {"near": abs(near - truth) / truth, "ridge": abs(ridge - truth) / truth}
    near, ridge = _baselines(one, rows, "zone_mm") if rows else (math.nan, math.nan)
    result |= {"zone_near": abs(near - seen["zone_mm"]), "zone_ridge": abs(ridge - seen["zone_mm"])}
    near, ridge = _baselines(one, rows, "grey_end_mm") if rows else (math.nan, math.nan)
    result |= {"grey_near": abs(near - seen["grey_end_mm"]), "grey_ridge": abs(ridge - seen["grey_end_mm"])}
    for key in ("bead", "zone"):
        counts = np.bincount([row["measured"][f"tint_{key}"] for row in rows], minlength=8) + 0.25
        result[f"rps_{key}_base"] = _rps(counts / counts.sum(), seen[f"tint_{key}"])
    rates = {
        code: (sum(code in row["measured"]["hazards"] for row in rows) + 0.5) / (len(rows) + 4)
        for code in ("burn_through", "no_fusion", "undercut", "grey")
    }
    return result | {"brier_base": _brier(rates, seen["hazards"])} | _changed(of, one, rows) | _map(of, one, rows)


def _changed(of: Course, one: dict[str, Any], rows: list[dict[str, Any]]) -> dict[str, float]:
    """The same person's last attempt with other amps and speed: the error of the difference beside that of the level, and the machine."""
    rng = of.rng
    person, machine = f"p{one['person']}", f"m{one['machine']}"
    before = {
        **one["settings"],
        "current_a": one["settings"]["current_a"] * math.exp(rng.normal(0, 0.12)),
        "travel_mm_s": one["settings"]["travel_mm_s"] * math.exp(rng.normal(0, 0.12)),
    }
    then = {
        "coupon": one["coupon"],
        "settings": before,
        "person": one["person"],
        "machine": one["machine"],
        **_measured(of, one["coupon"], before, one["person"], one["machine"]),
    }
    kept = logged(of, then)
    found = foretell(
        {
            "coupon": one["coupon"],
            "settings": one["settings"],
            "student": person,
            "machine": machine,
            "class": rows,
            "compare": {"settings": kept["settings"], "measured": kept["measured"]},
        }
    )
    difference, true = found["difference"]["width_mm"], one["true_width"] - then["true_width"]
    factor = found["learned"]["machine_factor"]
    mean = float(np.mean(of.machines))
    off = abs((factor["value"] if factor else 1.0) - of.machines[one["machine"]] / mean)
    return {
        "difference": abs(difference["value"] - true), "level": abs(found["width_mm"]["value"] - one["true_width"]),
        "difference_inside": float(difference["low"] <= true <= difference["high"]),
        "sign": float(np.sign(difference["value"]) == np.sign(true)) if abs(true) > 0.25 else math.nan,
        "machine": off, "machine_alike": abs(1.0 - of.machines[one["machine"]] / mean),
    }  # fmt: skip


def _map(of: Course, one: dict[str, Any], rows: list[dict[str, Any]]) -> dict[str, float]:
    """How right the offered part of a map is."""
    wide = one["true_width"]
    amps = [round(one["settings"]["current_a"] * share, 1) for share in np.linspace(0.7, 1.3, 8)]
    speeds = [round(one["settings"]["travel_mm_s"] * share, 2) for share in np.linspace(0.7, 1.35, 8)]
    wanted: dict[str, Any] = {
        "width_mm": {"low": 0.85 * wide, "high": 1.2 * wide},
        "finish": "warm",
        "current_a": amps,
        "travel_mm_s": speeds,
    }
    found = foretell(
        {
            "coupon": one["coupon"],
            "settings": one["settings"],
            "student": f"p{one['person']}",
            "machine": f"m{one['machine']}",
            "class": rows,
            "inverse": wanted,
        }
    )
    offered = np.array(found["inverse"]["probability"]) >= 0.8
    right = np.array([[_right(of, one, a, v, wanted["width_mm"]) for v in speeds] for a in amps])
    many = right.sum() >= 6
    return {
        "offered_right": float(right[offered].mean()) if offered.any() else math.nan,
        "some_offered": float(offered.any()) if many else math.nan,
        "area": float(offered[right].mean()) if many else math.nan,
    }


def _right(of: Course, one: dict[str, Any], amps: float, speed: float, wanted: dict[str, float]) -> bool:
    settings = {**one["settings"], "current_a": amps, "travel_mm_s": speed}
    wide = true_width(of, one["coupon"], settings, one["person"], one["machine"])
    latent = _heat(of, one["coupon"], settings, one["person"], one["machine"])[1]
    return wanted["low"] <= wide <= wanted["high"] and latent < 3.5 and latent + 1 < 6.5


def _rps(chances: Any, level: int) -> float:
    below = np.cumsum(chances)
    return float(((below - (np.arange(8) >= level)) ** 2).sum() / 7)


def _brier(chances: dict[str, float], seen: list[str]) -> float:
    return float(np.mean([(chance - (code in seen)) ** 2 for code, chance in chances.items()]))


def _features(coupon: dict[str, Any], s: dict[str, Any], length: float) -> Floats:
    speed = length / s["arc_s"] if "arc_s" in s else s.get("travel_mm_s", 2.2)
    joints = [float(coupon["joint"] == one) for one in ("bead_on_plate", "lap", "tee")]
    return np.array(
        [
            math.log(s.get("current_a", 60)),
            math.log(speed),
            math.log(coupon["thickness_mm"]),
            s.get("part_c", 25) / 100,
            s.get("postflow_s", 8) / 5,
            *joints,
        ]
    )


def _baselines(one: dict[str, Any], rows: list[dict[str, Any]], key: str) -> tuple[float, float]:
    """The figure of the nearest record, and a ridge on logarithms."""
    there = np.array([_features(row["coupon"], row["settings"], row["measured"]["length_mm"]) for row in rows])
    here = _features(one["coupon"], one["settings"], 100.0)
    figures = np.array([row["measured"][key] for row in rows])
    nearest = float(figures[int(np.argmin((((there - here) / (there.std(0) + 0.05)) ** 2).sum(1)))])
    spread = there.std(0) + 1e-6
    x, mean = (there - there.mean(0)) / spread, np.log(figures + 0.5).mean()
    power = np.linalg.solve(x.T @ x + np.eye(x.shape[1]), x.T @ (np.log(figures + 0.5) - mean))
    return nearest, max(float(np.exp(mean + (here - there.mean(0)) / spread @ power)) - 0.5, 0.0)


def bench(courses: int = 60, seed: int = 0) -> str:
    """Judge so many courses; Markdown."""
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        done = list(pool.map(judge, range(10_000 * (seed + 1), 10_000 * (seed + 1) + courses)))
    return report_of(done)


def report_of(done: list[dict[int, dict[str, float]]]) -> str:
    """One line for each number of records: errors over the better baseline's, and how many lie inside."""
    lines = [
        "| records | width error | over the better baseline | inside | tint of bead, of zone | zone | grey end | hazards | zones, ends inside |",
        "|---|---|---|---|---|---|---|---|---|",
    ]
    for count in RECORDS:
        mean = _mean([one[count] for one in done])
        if not count:
            lines.append(
                f"| 0 | {mean['error']:.3f} | – | {mean['inside']:.2f} | – | – | – | – | {mean['zone_inside']:.2f}, {mean['end_inside']:.2f} |"
            )
            continue
        over = [
            mean["error"] / min(mean["near"], mean["ridge"]), mean["rps_bead"] / mean["rps_bead_base"], mean["rps_zone"] / mean["rps_zone_base"],
            mean["zone_error"] / min(mean["zone_near"], mean["zone_ridge"]), mean["grey_error"] / min(mean["grey_near"], mean["grey_ridge"]), mean["brier"] / mean["brier_base"],
        ]  # fmt: skip
        lines.append(
            f"| {count} | {mean['error']:.3f} | {over[0]:.2f} | {mean['inside']:.2f} | {over[1]:.2f}, {over[2]:.2f} | {over[3]:.2f} | {over[4]:.2f} | {over[5]:.2f} | {mean['zone_inside']:.2f}, {mean['end_inside']:.2f} |"
        )
    lines += [
        "",
        "| records | sign of a change | difference over level | difference inside | machine over alike | cells offered right | some offered | of the right area |",
        "|---|---|---|---|---|---|---|---|",
    ]
    for count in RECORDS:
        mean = _mean([one[count] for one in done])
        lines.append(
            f"| {count} | {mean['sign']:.2f} | {mean['difference'] / mean['level']:.2f} | {mean['difference_inside']:.2f} | {mean['machine'] / mean['machine_alike']:.2f} | {mean['offered_right']:.2f} | {mean['some_offered']:.2f} | {mean['area']:.2f} |"
        )
    return "\n".join(lines)
