"""The calculators of the workbench; every figure comes from the same functions as the setup card."""

import math
from collections.abc import Mapping

from judicum.core.errors import InvalidValue, InvalidValues
from judicum.core.heat import ARC_EFFICIENCY, heat_per_length_kj_mm
from judicum.core.planning import carry_over_rpm, plan_runs, run_order, trial_bands
from judicum.core.setup import gas
from judicum.core.setup.filler import fillet_area_mm2, wire_length_mm
from judicum.core.setup.gauge import MISMATCH_SHARE, TABLES_INCH, gauge_mm
from judicum.core.setup.pulse import Pulse
from judicum.core.setup.rules import MOST_ON_SHARE
from judicum.core.workbench.panel import Answer, Input, Panel, Result

BOTTLE_BAR = 200.0

Figures = dict[str, float]
Choices = dict[str, str]


def _pulse(given: Figures, _: Choices) -> Answer:
    share = given["on_percent"] / 100
    pulse = Pulse(given["peak_a"], given["background_a"], share, given["per_second"])
    period = 1 / pulse.per_second
    notes = []
    if share > MOST_ON_SHARE:
        notes.append(f"Above {100 * MOST_ON_SHARE:.0f} % on the pulse has no benefit left.")
    if pulse.background_a > pulse.peak_a:
        notes.append("The background lies above the peak.")
    times = [t for k in range(3) for t in (k * period, k * period, (k + share) * period, (k + share) * period)]
    levels = [pulse.background_a, pulse.peak_a, pulse.peak_a, pulse.background_a] * 3
    return Answer(
        (
            Result("mean_a", pulse.mean_a, "current", "A"),
            Result("on_s", share * period, "time", "s", 3),
            Result("off_s", (1 - share) * period, "time", "s", 3),
            Result("advance_mm", given["travel_mm_s"] * period, "length", "mm", 2),
        ),
        {"time_s": [*times, 3 * period], "current_a": [*levels, pulse.background_a]},
        tuple(notes),
    )


def _gas(given: Figures, chosen: Choices) -> Answer:
    cup, flow, part = given["cup"], given["gas_l_min"], chosen["gas_part"]
    low, aim, high = gas.flow_band_l_min(cup, part, given["stickout_mm"])
    number = gas.reynolds(flow, cup)
    warn = gas.REYNOLDS_WARN_COLLET if part == "collet_body" else gas.REYNOLDS_WARN
    notes = []
    if number > gas.REYNOLDS_TURBULENT:
        notes.append("Turbulent: the jet drags air in and pushes the puddle about.")
    elif number > warn:
        notes.append("Close to turning turbulent: less gas, or a wider cup.")
    if not low <= flow <= high:
        notes.append(f"{'Little' if flow < low else 'Much'} for this cup.")
    area_mm2 = math.pi / 4 * gas.inside_mm(cup) ** 2
    return Answer(
        (
            Result("reynolds", number, digits=0),
            Result("low_l_min", low, "flow", "L/min"),
            Result("aim_l_min", aim, "flow", "L/min"),
            Result("high_l_min", high, "flow", "L/min"),
            Result("inside_mm", gas.inside_mm(cup), "length", "mm"),
            Result("exit_m_s", flow / 60_000 / (area_mm2 / 1e6), "plain", "m/s", 2),
        ),
        {"reynolds": [number], "warn": [warn], "turbulent": [gas.REYNOLDS_TURBULENT], "practice": [600.0, 1500.0]},
        tuple(notes),
    )


def _heat(given: Figures, _: Choices) -> Answer:
    volts, current, travel = given["volts"], given["current_a"], given["travel_mm_s"]
    speeds = [0.5 + 0.25 * k for k in range(23)]
    return Answer(
        (
            Result("arc_kj_mm", heat_per_length_kj_mm(volts, current, travel), "plain", "kJ/mm", 3),
            Result("net_kj_mm", heat_per_length_kj_mm(volts, current, travel, ARC_EFFICIENCY), "plain", "kJ/mm", 3),
            Result("power_w", volts * current, "plain", "W", 0),
        ),
        {
            "travel_mm_s": speeds,
            "net_kj_mm": [heat_per_length_kj_mm(volts, current, v, ARC_EFFICIENCY) for v in speeds],
        },
        ("Two conventions: with the arc's heat, and with the 60 % of it that reaches the work. Say which.",),
    )


def _runs(given: Figures, _: Choices) -> Answer:
    plan = plan_runs(given["tube_od_mm"], given["pitch_mm"], int(given["dabs"]), given["tie_in_mm"])
    return Answer(
        (
            Result("net_mm", plan.net_mm, "length", "mm"),
            Result("count", plan.count, digits=0),
            Result("length_mm", plan.length_mm, "length", "mm"),
            Result("dabs", plan.dabs, digits=0),
        ),
        {"starts_deg": list(plan.starts_deg), "order": [float(k) for k in run_order(plan.count)]},
        ("On a bend weld the thin, stretched side first, while cold, a few amps lower.",),
    )


def _turntable(given: Figures, _: Choices) -> Answer:
    bands = trial_bands(given["tube_od_mm"], given["low_mm_s"], given["high_mm_s"], int(given["bands"]))
    at = min(int(given["chosen"]), len(bands)) - 1
    rpm, speed = bands[at]
    return Answer(
        (
            Result("rpm", rpm, "plain", "1/min", 3),
            Result("travel_mm_s", speed, "speed", "mm/s", 2),
            Result("other_rpm", carry_over_rpm(rpm, given["tube_od_mm"], given["other_od_mm"]), "plain", "1/min", 3),
        ),
        {"rpm": [b[0] for b in bands], "travel_mm_s": [b[1] for b in bands], "chosen": [float(at)]},
        ("Too slow: hot, dark, wide. Too fast: the puddle jumps, the centre line sinks, the seam shows.",),
    )


def _consumption(given: Figures, _: Choices) -> Answer:
    run = gas.gas_per_run_l(given["gas_l_min"], given["preflow_s"], given["arc_s"], given["postflow_s"])
    bottle = BOTTLE_BAR * given["bottle_l"]
    return Answer(
        (
            Result("run_l", run, "plain", "L"),
            Result("bottle_l", bottle, "plain", "L", 0),
            Result("runs", math.floor(bottle / run), digits=0),
        )
    )


def _purge(given: Figures, _: Choices) -> Answer:
    volume = gas.bore_volume_l(given["bore_mm"], given["bore_length_mm"])
    wait = gas.purge_wait_s(volume, given["volumes"], given["purge_l_min"])
    return Answer(
        (
            Result("volume_l", volume, "plain", "L", 3),
            Result("wait_s", wait, "time", "s", 0),
            Result("used_l", volume * given["volumes"], "plain", "L", 2),
        ),
        notes=(
            "Vent the far end, or pressure pushes the root out. Argon displaces air: never in a closed space or pit.",
        ),
    )


def _gauge(given: Figures, chosen: Choices) -> Answer:
    number = int(chosen["gauge"])
    thick = {table: gauge_mm(number, table) for table in TABLES_INCH}
    off = [t.replace("_", " ") for t, mm in thick.items() if abs(given["measured_mm"] - mm) > MISMATCH_SHARE * mm]
    notes = (f"{given['measured_mm']:g} mm is not {number} gauge of: {', '.join(off)}.",) if off else ()
    return Answer(tuple(Result(f"{t}_mm", mm, "length", "mm", 2) for t, mm in thick.items()), notes=notes)


def _filler(given: Figures, _: Choices) -> Answer:
    area = fillet_area_mm2(given["leg_mm"], given["crown_percent"] / 100)
    return Answer(
        (
            Result("area_mm2", area, "plain", "mm²", 2),
            Result("volume_mm3", area * given["length_mm"], "plain", "mm³", 0),
            Result("wire_mm", wire_length_mm(area, given["length_mm"], given["filler_mm"]), "length", "mm", 0),
        )
    )


PANELS: tuple[Panel, ...] = (
    Panel(
        "pulse", "mean = peak × on + background × (1 − on)", "time-weighted mean",
        (
            Input("peak_a", "current", "A", 110, 3, 500), Input("background_a", "current", "A", 25, 1, 500),
            Input("on_percent", "plain", "%", 30, 1, 99), Input("per_second", "plain", "1/s", 1, 0.1, 500, 0.1),
            Input("travel_mm_s", "speed", "mm/s", 2.2, 0.1, 20, 0.1),
        ),
        _pulse,
    ),
    Panel(
        "gas", "Re = 4 ρ Q / (π D μ), D = cup number × 25.4 / 16 mm", "Reynolds number at the exit",
        (
            Input("cup", "count", "", 8, 3, 24), Input("gas_l_min", "flow", "L/min", 8, 0.5, 60, 0.5),
            Input("stickout_mm", "length", "mm", 8, 0, 40),
            Input("gas_part", "choice", default="gas_lens", choices=("gas_lens", "collet_body", "double_mesh")),
        ),
        _gas,
    ),
    Panel(
        "heat", "H = η V I / v", "EN 1011-1",
        (
            Input("volts", "plain", "V", 10.5, 5, 30, 0.5), Input("current_a", "current", "A", 62, 3, 500),
            Input("travel_mm_s", "speed", "mm/s", 2.2, 0.1, 20, 0.1),
        ),
        _heat,
    ),
    Panel(
        "runs", "net = dabs × pitch − tie-in; runs = π D / net, rounded up", "geometry of the seam",
        (
            Input("tube_od_mm", "length", "mm", 48.3, 4, 1000, 0.1), Input("pitch_mm", "length", "mm", 2.2, 0.5, 10, 0.1),
            Input("dabs", "count", "", 17, 2, 200), Input("tie_in_mm", "length", "mm", 3, 0, 20, 0.5),
        ),
        _runs,
    ),
    Panel(
        "turntable", "v = π D n / 60; n₂ = n₁ D₁ / D₂", "geometry of the seam",
        (
            Input("tube_od_mm", "length", "mm", 48.3, 4, 1000, 0.1), Input("low_mm_s", "speed", "mm/s", 1.2, 0.1, 20, 0.1),
            Input("high_mm_s", "speed", "mm/s", 2.8, 0.1, 20, 0.1), Input("bands", "count", "", 5, 2, 9),
            Input("chosen", "count", "", 3, 1, 9), Input("other_od_mm", "length", "mm", 76.1, 4, 1000, 0.1),
        ),
        _turntable,
    ),
    Panel(
        "consumption", "litres = flow × (pre-flow + arc + post-flow); bottle = 200 bar × water volume", "gas law at 200 bar",
        (
            Input("gas_l_min", "flow", "L/min", 12, 0.5, 60, 0.5), Input("preflow_s", "time", "s", 0.5, 0, 20, 0.1),
            Input("arc_s", "time", "s", 48, 1, 3600), Input("postflow_s", "time", "s", 10, 0, 60),
            Input("bottle_l", "plain", "L", 20, 1, 100),
        ),
        _consumption,
    ),
    Panel(
        "purge", "wait = volumes × bore volume / flow", "volume of a cylinder",
        (
            Input("bore_mm", "length", "mm", 45, 3, 1000), Input("bore_length_mm", "length", "mm", 300, 10, 20000, 10),
            Input("volumes", "count", "", 6, 1, 20), Input("purge_l_min", "flow", "L/min", 3, 0.5, 30, 0.5),
        ),
        _purge,
    ),
    Panel(
        "filler", "area = leg² / 2 × (1 + crown); wire = area × length / (π d² / 4)", "volume of a prism",
        (
            Input("leg_mm", "length", "mm", 2, 0.5, 20, 0.1), Input("crown_percent", "plain", "%", 15, 0, 100, 5),
            Input("length_mm", "length", "mm", 100, 5, 5000, 5), Input("filler_mm", "length", "mm", 1.6, 0.5, 6.4, 0.2),
        ),
        _filler,
    ),
    Panel(
        "gauge", "the same number, three public tables", "public gauge tables",
        (
            Input("gauge", "choice", default="16", choices=tuple(str(g) for g in TABLES_INCH["tube_wall"])),
            Input("measured_mm", "length", "mm", 1.5, 0.2, 6, 0.1),
        ),
        _gauge,
    ),
)  # fmt: skip


def panel_of(key: str) -> Panel:
    """The calculator of a key. Raises InvalidValue."""
    for panel in PANELS:
        if panel.key == key:
            return panel
    raise InvalidValue("panel", key, "one of " + ", ".join(p.key for p in PANELS))


def compute(key: str, given: Mapping[str, str | float]) -> Answer:
    """What a calculator gives for inputs (numbers or their text); inputs left out take their default.

    Raises:
        InvalidValue: an unknown calculator, or figures that contradict each other.
        InvalidValues: every input that is unknown, no number, or outside its limits.
    """
    panel = panel_of(key)
    known = {i.key for i in panel.inputs}
    problems = [InvalidValue(k, v, "one of " + ", ".join(sorted(known))) for k, v in given.items() if k not in known]
    figures: dict[str, float] = {}
    chosen: dict[str, str] = {}
    for each in panel.inputs:
        value = given.get(each.key, each.default)
        if each.choices:
            if value not in each.choices:
                problems.append(InvalidValue(each.key, value, "one of " + ", ".join(each.choices)))
            chosen[each.key] = str(value)
            continue
        number = _number(value)
        assert each.low is not None and each.high is not None
        if number is None or not each.low <= number <= each.high:
            problems.append(InvalidValue(each.key, value, f"{each.low:g} to {each.high:g} {each.unit}".strip()))
        else:
            figures[each.key] = number
    if problems:
        raise InvalidValues(problems)
    return panel.answer(figures, chosen)


def _number(value: str | float) -> float | None:
    try:
        number = float(value)
    except (TypeError, ValueError):
        return None
    return number if math.isfinite(number) else None
