"""The calculators of the workbench; every figure comes from the same functions as the setup card."""

import math
from collections.abc import Mapping

from judicum.core.choices import CHOICES, Choice
from judicum.core.errors import InvalidValue, one_of
from judicum.core.fields import Fields
from judicum.core.heat import ARC_EFFICIENCY, heat_per_length_kj_mm
from judicum.core.heat.field import Arc, after_s, melted_mm, peak_c, seconds_above
from judicum.core.heat.oxide import Shield, end_film_nm, film_nm, grey_end_mm, tint_level, tinted_mm
from judicum.core.heat.warming import Blank, melted_between_mm, pulse_power_w, run_by_run
from judicum.core.metals import METALS
from judicum.core.quantities import QUANTITIES, Kind, Quantity
from judicum.core.setup import gas
from judicum.core.setup.cover import cover_mm
from judicum.core.setup.current import PULSE_FACTOR
from judicum.core.setup.filler import fillet_area_mm2, wire_length_mm
from judicum.core.setup.gauge import MISMATCH_SHARE, TABLES_INCH, gauge_mm
from judicum.core.setup.pulse import PRESETS, TIMED_TO_PER_SECOND, Pulse, flickers, on_share_for, preset_for
from judicum.core.setup.rules import MAX_ON_SHARE
from judicum.core.tube import carry_over_rpm, plan_runs, run_order, trial_bands
from judicum.core.workbench.panel import Answer, Input, Note, Panel, Result

PULSE_HELPS_TO_MM = 3.0
"""mm. Thicker plate is welded straight: nothing spreads that a pulse could hold back."""
BOTTLE_BAR = 200.0
HAND_WARM_C = 43.0
"""°C. Bare metal that is held for as long as one likes burns nobody [src: iso-13732-1]."""

MeasurementSummary = dict[str, float]
Choices = dict[str, str]


def _pulse(given: MeasurementSummary, _: Choices) -> Answer:
    share = given["on_share"]
    pulse = Pulse(given["peak_a"], given["background_a"], share, given["per_second"])
    period = 1 / pulse.per_second
    notes = []
    if share > MAX_ON_SHARE:
        notes.append(Note("on_too_long", {"most": (MAX_ON_SHARE, "share")}))
    if pulse.background_a > pulse.peak_a:
        notes.append(Note("background_above_peak"))
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


def _pulse_for(given: MeasurementSummary, chosen: Choices) -> Answer:
    preset = next(one for one in PRESETS if one.code == chosen["pulse_preset"])
    pulse = preset_for(preset, given["mean_a"])
    found = _pulse({**vars(pulse), "travel_mm_s": given["travel_mm_s"]}, chosen)
    notes = [Note("pulse_helps" if given["thickness_mm"] <= PULSE_HELPS_TO_MM else "pulse_leave")]
    notes.append(Note("pulse_in_time" if pulse.per_second <= TIMED_TO_PER_SECOND else "pulse_not_in_time"))
    notes += found.notes
    if flickers(pulse.per_second):
        notes.append(Note("flicker"))
    straight = pulse.mean_a / PULSE_FACTOR
    return Answer(
        (
            Result("peak_a", pulse.peak_a, "current", "A", 0),
            Result("background_a", pulse.background_a, "current", "A", 0),
            Result("background_share", preset.background_share, "share", "", 0),
            Result("on_share", pulse.on_share, "share", "", 0),
            Result("per_second", pulse.per_second, "rate", "1/s", 1),
            *(one for one in found.results if one.key != "mean_a"),
            Result("straight_a", straight, "current", "A", 0),
        ),
        found.series,
        tuple(notes),
    )


def _share_for(given: MeasurementSummary, _: Choices) -> Answer:
    share = on_share_for(given["mean_a"], given["peak_a"], given["background_a"])
    notes = (Note("on_too_long", {"most": (MAX_ON_SHARE, "share")}),) if share > MAX_ON_SHARE else ()
    period = 1 / given["per_second"]
    return Answer(
        (
            Result("on_share", share, "share", "", 0),
            Result("on_s", share * period, "time", "s", 3),
            Result("off_s", (1 - share) * period, "time", "s", 3),
        ),
        notes=notes,
    )


def _turn(given: MeasurementSummary, _: Choices) -> Answer:
    rpm = 60 / given["turn_s"]
    return Answer(
        (
            Result("rpm", rpm, "plain", "1/min", 3),
            Result("travel_mm_s", math.pi * given["tube_od_mm"] / given["turn_s"], "speed", "mm/s", 2),
        ),
        notes=(Note("knob"),),
    )


def _gas(given: MeasurementSummary, chosen: Choices) -> Answer:
    cup, flow, part = given["cup"], given["gas_l_min"], chosen["gas_part"]
    low, aim, high = gas.flow_band_l_min(cup, part, given["stickout_mm"])
    number = gas.reynolds(flow, cup)
    warn = gas.REYNOLDS_WARN_COLLET if part == "collet_body" else gas.REYNOLDS_WARN
    notes = []
    if number > gas.REYNOLDS_TURBULENT:
        notes.append(Note("turbulent"))
    elif number > warn:
        notes.append(Note("nearly_turbulent"))
    if not low <= flow <= high:
        notes.append(Note("little" if flow < low else "much"))
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


def _heat(given: MeasurementSummary, _: Choices) -> Answer:
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
        (Note("two_conventions", {"share": (ARC_EFFICIENCY, "share")}),),
    )


def _arc(current_a: float, given: MeasurementSummary, chosen: Choices) -> Arc:
    return Arc.of(current_a, given["travel_mm_s"], given["thickness_mm"], METALS[chosen["metal"]])


def _cooling(given: MeasurementSummary, chosen: Choices) -> Answer:
    arc = _arc(given["current_a"], given, chosen)
    beside, start, level = given["beside_mm"], given["part_c"], given["level_c"]
    places = [float(k) for k in range(1, 21)]
    return Answer(
        (
            Result("peak_c", peak_c(arc, beside, start), "plain", "°C", 0),
            Result("above_s", seconds_above(arc, beside, level, start), "time", "s", 0),
            Result("end_s", after_s(arc, level, start), "time", "s", 0),
        ),
        {"beside_mm": places, "peak_c": [peak_c(arc, y, start) for y in places]},
        (Note("by_formula"),),
    )


def _runs(given: MeasurementSummary, _: Choices) -> Answer:
    plan = plan_runs(given["tube_od_mm"], given["dab_pitch_mm"], int(given["dabs"]), given["tie_in_mm"])
    return Answer(
        (
            Result("net_mm", plan.net_mm, "length", "mm"),
            Result("count", plan.count, digits=0),
            Result("length_mm", plan.length_mm, "length", "mm"),
            Result("dabs", plan.dabs, digits=0),
        ),
        {"starts_deg": list(plan.starts_deg), "order": [float(k) for k in run_order(plan.count)]},
        (Note("thin_side_first"),),
    )


def _turntable(given: MeasurementSummary, _: Choices) -> Answer:
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
        (Note("read_the_bands"),),
    )


def _consumption(given: MeasurementSummary, _: Choices) -> Answer:
    run = gas.gas_per_run_l(given["gas_l_min"], given["preflow_s"], given["arc_s"], given["postflow_s"])
    bottle = BOTTLE_BAR * given["bottle_l"]
    return Answer(
        (
            Result("run_l", run, "plain", "L"),
            Result("bottle_l", bottle, "plain", "L", 0),
            Result("runs", math.floor(bottle / run), digits=0),
        )
    )


def _purge(given: MeasurementSummary, _: Choices) -> Answer:
    volume = gas.bore_volume_l(given["bore_mm"], given["bore_length_mm"])
    wait = gas.purge_wait_s(volume, given["volumes"], given["purge_l_min"])
    return Answer(
        (
            Result("volume_l", volume, "plain", "L", 3),
            Result("wait_s", wait, "time", "s", 0),
            Result("used_l", volume * given["volumes"], "plain", "L", 2),
        ),
        notes=(Note("vent"),),
    )


def _gauge(given: MeasurementSummary, chosen: Choices) -> Answer:
    number = int(chosen["gauge"])
    thick = {table: gauge_mm(number, table) for table in TABLES_INCH}
    off = tuple(t for t, mm in thick.items() if abs(given["measured_mm"] - mm) > MISMATCH_SHARE * mm)
    figures = {"measured": (given["measured_mm"], "size"), "gauge": (number, "count")}
    notes = (Note("not_that_gauge", figures, off),) if off else ()
    return Answer(tuple(Result(f"{t}_mm", mm, "length", "mm", 2) for t, mm in thick.items()), notes=notes)


def _filler(given: MeasurementSummary, _: Choices) -> Answer:
    area = fillet_area_mm2(given["leg_mm"], given["crown_share"])
    return Answer(
        (
            Result("area_mm2", area, "plain", "mm²", 2),
            Result("volume_mm3", area * given["length_mm"], "plain", "mm³", 0),
            Result("wire_mm", wire_length_mm(area, given["length_mm"], given["filler_mm"]), "length", "mm", 0),
        )
    )


def _tint(given: MeasurementSummary, chosen: Choices) -> Answer:
    arc = _arc(given["current_a"], given, chosen)
    _, aim, high = gas.flow_band_l_min(given["cup"], chosen["gas_part"], given["stickout_mm"])
    shield = Shield.of(cover_mm(given["cup"]) / 2, given["gas_l_min"], (aim, high), given["postflow_s"])
    start = given["part_c"]
    toe = melted_mm(arc, start) / 2
    beside = [0.5 * k for k in range(1, 21)]
    films = [film_nm(arc, toe + y, shield, start) for y in beside]
    bead, end, grey = film_nm(arc, 0.0, shield, start), end_film_nm(arc, shield, start), grey_end_mm(arc, shield, start)
    levels = {"bead": tint_level(bead), "zone": tint_level(max(films)), "end": tint_level(end)}
    notes = [Note("tints", levels=levels)]
    if grey:
        notes.append(Note("end_grey", {"length": (grey, "length")}))
    return Answer(
        (
            Result("bead_film_nm", bead, "plain", "nm", 0),
            Result("zone_film_nm", max(films), "plain", "nm", 0),
            Result("tinted_mm", tinted_mm(arc, shield, start), "length", "mm", 1),
            Result("end_film_nm", end, "plain", "nm", 0),
            Result("grey_end_mm", grey, "length", "mm", 1),
        ),
        {"beside_mm": beside, "film_nm": films},
        (*notes, Note("film_by_formula")),
    )


def _warming(given: MeasurementSummary, chosen: Choices) -> Answer:
    arc = _arc(given["current_a"], given, chosen)
    blank = Blank.sheet(arc.metal, given["part_length_mm"], given["part_width_mm"], given["thickness_mm"])
    arc_s = given["run_mm"] / given["travel_mm_s"]
    runs = run_by_run(blank, arc.power_w, arc_s, given["cooled_s"], int(given["runs"]), given["part_c"])
    starts = [k * (arc_s + given["cooled_s"]) for k in range(len(runs))]
    return Answer(
        (
            Result("first_end_c", runs[0][1], "plain", "°C", 0),
            Result("last_start_c", runs[-1][0], "plain", "°C", 0),
            Result("last_end_c", runs[-1][1], "plain", "°C", 0),
            Result("hand_warm_s", blank.cools_s(runs[-1][1], HAND_WARM_C), "time", "s", 0),
        ),
        {
            "time_s": [time for begun in starts for time in (begun, begun + arc_s)],
            "part_c": [celsius for run in runs for celsius in run],
        },
        (Note("by_formula"),),
    )


def _pulse_reach(given: MeasurementSummary, chosen: Choices) -> Answer:
    pulse = Pulse(given["peak_a"], given["background_a"], given["on_share"], given["per_second"])
    arc = _arc(pulse.mean_a, given, chosen)
    swing = pulse_power_w(pulse.mean_a, pulse.peak_a, pulse.background_a, pulse.on_share)
    least, most = melted_between_mm(arc, swing, pulse.per_second)
    return Answer(
        (
            Result("melted_mm", melted_mm(arc), "length", "mm", 1),
            Result("melted_peak_mm", most, "length", "mm", 1),
            Result("melted_background_mm", least, "length", "mm", 1),
        ),
        notes=(Note("by_formula"),),
    )


Q = QUANTITIES
C = CHOICES
BALANCED = Choice("metal", tuple(name for name, one in METALS.items() if one.balanced))
FILMED = Choice("metal", tuple(name for name, one in METALS.items() if one.family == "stainless"))


def _more(key: str, kind: Kind, unit: str, low: float, high: float, step: float = 1.0) -> Quantity:
    """A figure that only a calculator asks for."""
    return Quantity(key, kind, unit, low, high, step)


PANELS: tuple[Panel, ...] = (
    Panel(
        "pulse",
        (
            Input(Q["peak_a"], 110), Input(Q["background_a"], 25), Input(Q["on_share"], 0.3), Input(Q["per_second"], 1),
            Input(Q["travel_mm_s"], 2.2),
        ),
        _pulse,
    ),
    Panel(
        "pulse_for",
        (
            Input(Q["mean_a"], 50), Input(C["pulse_preset"], "metronome"), Input(Q["thickness_mm"], 1.5), Input(Q["travel_mm_s"], 2.2),
        ),
        _pulse_for,
    ),
    Panel(
        "share_for",
        (Input(Q["mean_a"], 60), Input(Q["peak_a"], 120), Input(Q["background_a"], 20), Input(Q["per_second"], 1)),
        _share_for,
    ),
    Panel(
        "gas",
        (Input(Q["cup"], 8), Input(Q["gas_l_min"], 8), Input(Q["stickout_mm"], 8), Input(C["gas_part"], "gas_lens")),
        _gas,
    ),
    Panel(
        "heat",
        (Input(_more("volts", "plain", "V", 5, 30, 0.5), 10.5), Input(Q["current_a"], 62), Input(Q["travel_mm_s"], 2.2)),
        _heat,
    ),
    Panel(
        "cooling",
        (
            Input(BALANCED, "304L"), Input(Q["thickness_mm"], 1.5), Input(Q["current_a"], 55), Input(Q["travel_mm_s"], 2.2),
            Input(_more("beside_mm", "length", "mm", 1, 60, 0.5), 5), Input(_more("level_c", "plain", "°C", 100, 1200, 50), 400),
            Input(Q["part_c"], 25),
        ),
        _cooling,
    ),
    Panel(
        "tint",
        (
            Input(FILMED, "304L"), Input(Q["thickness_mm"], 1.5), Input(Q["current_a"], 55), Input(Q["travel_mm_s"], 2.2),
            Input(Q["cup"], 8), Input(C["gas_part"], "gas_lens"), Input(Q["gas_l_min"], 8), Input(Q["stickout_mm"], 8),
            Input(Q["postflow_s"], 8), Input(Q["part_c"], 25),
        ),
        _tint,
    ),
    Panel(
        "warming",
        (
            Input(BALANCED, "304L"), Input(Q["thickness_mm"], 1.5), Input(_more("part_length_mm", "size", "mm", 5, 6000, 5), 120),
            Input(_more("part_width_mm", "size", "mm", 5, 3000, 5), 100),
            Input(Q["current_a"], 55), Input(Q["travel_mm_s"], 2.2), Input(_more("run_mm", "size", "mm", 5, 5000, 5), 100),
            Input(_more("runs", "count", "", 1, 40), 4), Input(Q["cooled_s"], 60), Input(Q["part_c"], 25),
        ),
        _warming,
    ),
    Panel(
        "pulse_reach",
        (
            Input(BALANCED, "304L"), Input(Q["thickness_mm"], 1.5), Input(Q["peak_a"], 110), Input(Q["background_a"], 25),
            Input(Q["on_share"], 0.3), Input(Q["per_second"], 1), Input(Q["travel_mm_s"], 2.2),
        ),
        _pulse_reach,
    ),
    Panel(
        "runs",
        (
            Input(Q["tube_od_mm"], 48.3), Input(Q["dab_pitch_mm"], 2.2),
            Input(_more("dabs", "count", "", 2, 200), 17),
            Input(_more("tie_in_mm", "length", "mm", 0, 20, 0.5), 3),
        ),
        _runs,
    ),
    Panel(
        "turntable",
        (
            Input(Q["tube_od_mm"], 48.3), Input(_more("low_mm_s", "speed", "mm/s", 0.05, 50, 0.1), 1.2),
            Input(_more("high_mm_s", "speed", "mm/s", 0.05, 50, 0.1), 2.8),
            Input(_more("bands", "count", "", 2, 9), 5), Input(_more("chosen", "count", "", 1, 9), 3),
            Input(_more("other_od_mm", "length", "mm", 4, 1000, 0.1), 76.1),
        ),
        _turntable,
    ),
    Panel("turn", (Input(Q["turn_s"], 75), Input(Q["tube_od_mm"], 63.5)), _turn),
    Panel(
        "consumption",
        (
            Input(Q["gas_l_min"], 12), Input(Q["preflow_s"], 0.5), Input(Q["arc_s"], 48), Input(Q["postflow_s"], 10),
            Input(_more("bottle_l", "plain", "L", 1, 100), 20),
        ),
        _consumption,
    ),
    Panel(
        "purge",
        (
            Input(Q["bore_mm"], 45), Input(Q["bore_length_mm"], 300),
            Input(_more("volumes", "count", "", 1, 20), 6), Input(Q["purge_l_min"], 3),
        ),
        _purge,
    ),
    Panel(
        "filler",
        (
            Input(Q["leg_mm"], 2), Input(_more("crown_share", "share", "", 0, 1, 0.05), 0.15), Input(Q["length_mm"], 100),
            Input(Q["filler_mm"], 1.6),
        ),
        _filler,
    ),
    Panel(
        "gauge",
        (
            Input(Choice("gauge", tuple(map(str, TABLES_INCH["tube_wall"]))), "16"),
            Input(_more("measured_mm", "length", "mm", 0.2, 6, 0.1), 1.5),
        ),
        _gauge,
    ),
)  # fmt: skip
_FIELDS = {panel.key: Fields(panel.key, tuple(i.spec for i in panel.inputs)) for panel in PANELS}


def panel_of(key: str) -> Panel:
    """The calculator of a key. Raises InvalidValue."""
    for panel in PANELS:
        if panel.key == key:
            return panel
    raise InvalidValue("panel", key, one_of(p.key for p in PANELS))


def compute(key: str, given: Mapping[str, str | float]) -> Answer:
    """What a calculator gives for inputs (numbers or their text); inputs left out take their default.

    Raises:
        InvalidValue: an unknown calculator, or figures that contradict each other.
        InvalidValues: every input that is unknown, no number, or outside its limits.
    """
    panel = panel_of(key)
    figures = {i.key for i in panel.inputs if isinstance(i.spec, Quantity)}
    typed = {k: _number(v) if k in figures else v for k, v in given.items()}
    values = {i.key: i.default for i in panel.inputs} | _FIELDS[key].check(
        {i.key: i.default for i in panel.inputs} | typed
    )
    chosen = {k: str(v) for k, v in values.items() if k not in figures}
    return panel.answer({k: float(v) for k, v in values.items() if k in figures}, chosen)


def _number(value: str | float) -> str | float:
    """The figure of a text; what is none stays as it is, for the check to name."""
    try:
        return float(value)
    except (TypeError, ValueError):
        return value
