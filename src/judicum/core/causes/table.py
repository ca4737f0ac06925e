"""The causes, one record each: what they explain, what speaks for and against them, what to change.

To add or change one, change its record; docs/causes.md is made from this table. Weights are natural logarithms of odds:
0.7 doubles, 1.4 makes four times as likely. A symptom that a cause usually shows has about 2, one it may show about 1;
a setting off its range about 2 (more the further off, see `evidence.FAR`), a thing noticed at the booth about 1.5, a step
not ticked about 1; what only says a symptom over again about 0.2. `base` is how usual the cause is before anything is known.
"""

from dataclasses import dataclass

Evidence = tuple[str, ...]
"""A test of `evidence.TESTS` by name, then its arguments."""


@dataclass(frozen=True)
class Cause:
    """One cause by its code: weights of symptoms and of evidence; `change` is a key of the run or a step, and which way."""

    code: str
    shows: dict[str, float]
    base: float = 0.0
    speaks_for: tuple[tuple[Evidence, float], ...] = ()
    against: tuple[tuple[Evidence, float], ...] = ()
    needs: Evidence | None = None
    """Without this it is no cause of this coupon at all."""
    change: tuple[str, str] = ("", "")


def below(key: str) -> Evidence:
    return ("below", key)


def above(key: str) -> Evidence:
    return ("above", key)


def within(key: str) -> Evidence:
    return ("within", key)


def not_low(key: str) -> Evidence:
    """In its range, and the stronger the further from its low end."""
    return ("not_low", key)


def not_high(key: str) -> Evidence:
    return ("not_high", key)


def skipped(step: str) -> Evidence:
    return ("skipped", step)


def observed(key: str, value: str = "true") -> Evidence:
    return ("observed", key, value)


def seen(code: str) -> Evidence:
    return ("seen", code)


_TABLE = (
    Cause("postflow_short", {"grey_at_end": 2.4, "electrode_dull": 1.9, "pinhole": 0.3}, 0.4,
        ((below("postflow_s"), 2.2), (observed("electrode_after", "dull"), 0.2)),
        ((not_low("postflow_s"), 1.6), (observed("electrode_after", "shiny"), 1.2)),
        change=("postflow_s", "aim")),
    Cause("torch_pulled_early", {"grey_at_end": 2.2, "electrode_dull": 0.5, "crater": 0.3}, 0.3,
        ((not_low("postflow_s"), 1.1), (observed("electrode_after", "shiny"), 0.6)),
        ((below("postflow_s"), 1.5), (seen("grey_all_along"), 1.5)), change=("hold", "do")),
    Cause("downslope_short", {"crater": 2.5, "pinhole": 2.5}, 0.4,
        ((below("downslope_s"), 2.2),), ((not_low("downslope_s"), 0.5),), change=("downslope_s", "aim")),
    Cause("preflow_short", {"grey_at_start": 2.3}, 0.2,
        ((below("preflow_s"), 2.2),), ((observed("puff_at_start"), 1.2), (not_low("preflow_s"), 1.2)), change=("preflow_s", "aim")),
    Cause("hose_puff", {"grey_at_start": 2.0, "pores": 0.5}, -0.2,
        ((observed("puff_at_start"), 2.2), (not_low("preflow_s"), 0.6)), ((below("preflow_s"), 0.8),), change=("hose", "do")),
    Cause("flow_low", {"grey_all_along": 2.0, "pores": 1.5, "electrode_dull": 1.2, "grey_in_patches": 0.7}, 0.2,
        ((below("gas_l_min"), 2.4),), ((not_low("gas_l_min"), 1.8), (above("gas_l_min"), 3.0)), change=("gas_l_min", "aim")),
    Cause("flow_high", {"toes_wavy": 1.1, "puddle_dances": 1.2, "grey_all_along": 1.2, "grey_in_patches": 1.0, "pores": 1.1, "arc_wanders": 0.6}, -0.3,
        ((above("gas_l_min"), 2.6),), ((not_high("gas_l_min"), 1.8), (below("gas_l_min"), 3.0)), change=("gas_l_min", "aim")),
    Cause("collet_body", {"grey_all_along": 2.0, "grey_in_patches": 0.5}, -0.2,
        ((("collet_body",), 2.2),), (), ("collet_body",), change=("gas_part", "gas_lens")),
    Cause("stickout_long", {"grey_all_along": 1.8, "pores": 1.4, "grey_in_patches": 0.9, "electrode_dull": 0.6}, -0.2,
        ((above("stickout_mm"), 2.4),), ((not_high("stickout_mm"), 1.8),), change=("stickout_mm", "aim")),
    Cause("draught", {"grey_in_patches": 1.7, "pores": 1.5, "grey_all_along": 0.6, "arc_wanders": 0.4}, -0.3,
        ((observed("draught"), 2.3), (("all_within",), 0.5)), ((observed("draught", "false"), 1.2),), change=("draught", "do")),
    Cause("dirty_cup", {"grey_all_along": 1.6, "arc_wanders": 1.0, "grey_in_patches": 0.6}, -0.4,
        ((skipped("cup_clean"), 1.9),), ((("ticked", "cup_clean"), 1.0),), change=("cup_clean", "do")),
    Cause("dirty_metal", {"pores": 1.9, "inclusions": 1.6, "grey_in_patches": 1.4}, 0.0,
        ((skipped("blank_wiped"), 1.5), (skipped("blank_abraded"), 1.3)),
        ((("ticked", "blank_wiped"), 0.8),), change=("blank_wiped", "do")),
    Cause("filler_dirty", {"pores": 1.8, "grey_in_patches": 1.4, "inclusions": 0.8}, -0.1,
        ((skipped("rod_wiped"), 1.9),), ((("ticked", "rod_wiped"), 1.0),), ("filler",), change=("rod_wiped", "do")),
    Cause("filler_left_gas", {"grey_in_patches": 2.0, "pores": 0.8}, 0.1,
        ((observed("rod_end", "oxidised"), 1.9),), ((observed("rod_end", "clean"), 1.0),), ("filler",), change=("rod_in_gas", "do")),
    Cause("current_high", {"tint_dark": 1.6, "bead_wide": 1.7, "burn_through": 1.8, "undercut": 1.2, "back_hangs": 1.8, "grey_all_along": 0.8, "width_grows": 0.3}, 0.2,
        ((above("current_a"), 2.4),), ((seen("bead_narrow"), 1.8), (not_high("current_a"), 1.0), (below("current_a"), 2.5)),
        change=("current_a", "aim")),
    Cause("current_low", {"bead_narrow": 1.9, "ropey_face": 1.7, "back_not_through": 1.8}, 0.2,
        ((below("current_a"), 2.4),), ((seen("bead_wide"), 1.8), (not_low("current_a"), 1.0), (above("current_a"), 2.5), (("only_at_start", "bead_narrow"), 1.5)),
        change=("current_a", "aim")),
    Cause("travel_slow", {"tint_dark": 1.7, "bead_wide": 1.8, "width_grows": 1.0, "grey_all_along": 0.9, "back_hangs": 0.9, "distorted": 0.9, "tint_grows_along": 0.5}, 0.1,
        ((below("travel_mm_s"), 2.4),), ((not_low("travel_mm_s"), 1.0), (above("travel_mm_s"), 2.5), (seen("bead_narrow"), 1.4)),
        change=("travel_mm_s", "aim")),
    Cause("travel_fast", {"bead_narrow": 1.6, "sunken_face": 1.6, "undercut": 1.3, "back_not_through": 0.9, "ropey_face": 0.9, "grey_all_along": 0.6}, 0.1,
        ((above("travel_mm_s"), 2.4),), ((not_high("travel_mm_s"), 1.0), (below("travel_mm_s"), 2.5), (seen("bead_wide"), 1.4)),
        change=("travel_mm_s", "aim")),
    Cause("part_hot", {"tint_grows_along": 1.6, "puddle_dances": 1.4, "tint_dark": 1.0, "width_grows": 0.7, "bead_wide": 0.5}, -0.2,
        ((observed("part_hot"), 2.0), (("several_runs",), 0.6), (("cooled_little",), 1.2)), ((observed("part_hot", "false"), 1.4),),
        change=("cool", "do")),
    Cause("no_taper", {"width_grows": 2.2, "tint_grows_along": 1.8}, 0.3,
        ((("full_pedal",), 0.7), (within("current_a"), 0.6), (("long_run",), 0.5)), ((("short_run",), 1.2), (observed("part_hot"), 0.6)),
        change=("taper", "do")),
    Cause("filler_big", {"tint_dark": 1.0, "bulge": 1.2, "rod_balled": 1.2, "bead_wide": 0.7}, -0.3,
        ((above("filler_mm"), 2.3),), ((within("filler_mm"), 1.8),), ("filler",), change=("filler_mm", "aim")),
    Cause("filler_starved", {"undercut": 1.3, "sunken_face": 1.7, "burn_through": 0.8, "gap": 1.0}, 0.0,
        ((("few_dabs",), 1.9),), ((("by_hand", "face", "convex"), 1.6),), ("filler",), change=("feed", "do")),
    Cause("arc_long", {"bead_wide": 1.3, "undercut": 1.4, "rod_balled": 1.4}, -0.2,
        ((above("arc_length_mm"), 2.4), (above("arc_diameters"), 2.4)), ((not_high("arc_length_mm"), 1.6), (within("arc_diameters"), 1.6)),
        change=("arc_length_mm", "aim")),
    Cause("torch_leans", {"tint_lopsided": 2.2, "legs_unequal": 1.8, "undercut": 1.1}, 0.3,
        ((("outside", "work_angle_deg"), 2.2), (("one_sided",), 0.2)), ((within("work_angle_deg"), 0.8), (("both_sides",), 1.0)),
        change=("work_angle_deg", "aim")),
    Cause("thickness_unequal", {"tint_lopsided": 1.9, "legs_unequal": 0.8}, -0.2,
        ((("two_thicknesses",), 1.8),), (), ("two_thicknesses",), change=("aim_thicker", "do")),
    Cause("torch_flat", {"rod_balled": 1.8, "grey_all_along": 0.9, "grey_in_patches": 0.8, "bulge": 0.9, "bead_wide": 0.3}, -0.1,
        ((above("travel_angle_deg"), 2.4),), ((not_high("travel_angle_deg"), 1.4),), change=("travel_angle_deg", "aim")),
    Cause("point_bad", {"arc_wanders": 1.8, "toes_wavy": 1.1, "tint_lopsided": 0.8, "puddle_dances": 0.8}, 0.0,
        ((skipped("electrode_ground"), 1.9),), ((("ticked", "electrode_ground"), 0.8),), change=("electrode_ground", "do")),
    Cause("electrode_dipped", {"inclusions": 2.0, "arc_wanders": 1.6}, -0.1,
        ((observed("electrode_after", "dipped"), 2.4),), ((observed("electrode_after", "shiny"), 1.6), (observed("electrode_after", "tinted"), 0.8)),
        change=("regrind", "do")),
    Cause("brush_carbon", {"inclusions": 1.6}, -0.2,
        ((skipped("own_brush"), 2.1),), ((("ticked", "own_brush"), 1.2),), change=("own_brush", "do")),
    Cause("cadence_uneven", {"ripples_random": 2.4, "width_uneven": 0.9}, 0.3,
        (), ((seen("ripples_periodic"), 1.5), (seen("toes_wavy"), 0.4)), change=("cadence", "do")),
    Cause("pedal_pumping", {"ripples_periodic": 2.2, "width_uneven": 1.3}, 0.2,
        ((("ride_pedal",), 0.6), (("width_periodic",), 1.4), (observed("current_swings"), 2.2)),
        ((seen("ripples_random"), 1.4), (("no_period",), 0.9), (observed("current_swings", "false"), 2.2)), change=("pedal", "do")),
    Cause("not_propped", {"toes_wavy": 1.7, "width_uneven": 1.5, "ripples_random": 0.9}, 0.0,
        ((("both_seen", "toes_wavy", "width_uneven"), 0.3), (("logged", "prop", "none"), 1.4)),
        ((("straight_toes",), 2.0), (("logged", "prop", "arm"), 0.5)), change=("prop", "do")),
    Cause("tie_in_poor", {"bulge_at_restart": 2.3, "ripples_at_restarts": 2.2}, 0.2,
        ((("restarts",), 0.5),), (), ("restarts",), change=("tie_in", "do")),
    Cause("start_unsettled", {"bulge": 0.9, "grey_at_start": 0.3, "toes_wavy": 0.3, "bead_narrow": 0.3}, -0.2,
        ((("only_at_start", "bulge"), 1.7), (("only_at_start", "bead_narrow"), 0.8)), (), change=("settle", "do")),
    Cause("cold_start", {"bead_narrow": 0.8, "ropey_face": 0.8}, -0.2,
        ((("only_at_start", "bead_narrow"), 1.9), (below("start_current_a"), 1.5), (below("current_a"), 0.5)), (), change=("start", "do")),
    Cause("fit_up_gap", {"burn_through": 1.4, "gap": 1.9, "sunken_face": 1.0}, 0.0,
        ((skipped("fit_up"), 1.8), (skipped("fit_up_tight"), 1.8), (skipped("tacked"), 0.8)), ((("ticked", "fit_up"), 0.7),), ("fit_up",),
        change=("fit_up", "do")),
    Cause("dwell", {"burn_through": 1.5, "bulge": 1.1}, 0.0,
        ((within("current_a"), 0.2), (("one_spot",), 0.4)), ((seen("tint_dark"), 0.8), (above("current_a"), 0.6)), change=("keep_moving", "do")),
    Cause("purge_missing", {"back_sugared": 2.2}, 0.2,
        ((("purge", "none"), 1.8),), ((("purge", "used"), 3.5),), change=("purge_l_min", "on")),
    Cause("purge_poor", {"back_sugared": 1.8}, -0.1,
        ((("purge", "used"), 1.0), (("outside", "purge_l_min"), 1.8), (skipped("purge_waited"), 1.4), (("no_vent",), 1.6), (("wait_short",), 1.4)),
        ((("purge", "none"), 3.5),), change=("purge_wait_s", "do")),
    Cause("tacks_few", {"distorted": 2.0, "gap": 1.2}, 0.0,
        ((skipped("tacked"), 2.0), (("few_tacks",), 1.8)), ((("ticked", "tacked"), 1.0),), ("fit_up",), change=("tacked", "do")),
    Cause("pulse_fast_shallow", {"back_not_through": 1.8}, 0.0,
        ((("fast_pulse",), 2.4),), (), ("fast_pulse",), change=("per_second", "slower")),
    Cause("cup_small", {"grey_all_along": 1.4, "grey_in_patches": 1.0, "tint_dark": 0.6}, -0.3,
        ((below("cup"), 1.8),), (), below("cup"), change=("cup", "aim")),
    Cause("past_cover", {"grey_all_along": 1.0, "grey_in_patches": 0.8, "tint_dark": 0.9, "tint_grows_along": 0.8}, -0.3,
        ((("past_cover",), 0.5), (("grey_later",), 1.8)), ((observed("electrode_after", "dull"), 0.6),), ("past_cover",), change=("run_length", "do")),
    Cause("fillet_too_deep", {"back_hangs": 1.8, "back_sugared": 0.8, "burn_through": 0.6}, -0.5,
        ((("vertical",), 0.6), (("few_dabs",), 0.5)), ((above("current_a"), 1.0), (below("travel_mm_s"), 1.0)), ("thin_fillet",),
        change=("keep_moving", "do")),
    Cause("rod_low", {"legs_unequal": 1.7, "bulge": 0.8}, -0.1,
        ((("horizontal",), 1.6),), ((("outside", "work_angle_deg"), 1.0),), ("horizontal_wire",),
        change=("rod_high", "do")),
    Cause("sag", {"bulge": 1.3, "back_hangs": 1.0, "legs_unequal": 0.8, "bead_wide": 0.5}, -0.5,
        ((observed("part_hot"), 1.0), (above("current_a"), 0.7), (below("travel_mm_s"), 0.7)), (), ("out_of_position",), change=("sag", "do")),
    Cause("dull_start", {"grey_at_start": 1.8, "inclusions": 0.8, "arc_wanders": 0.6}, -0.2,
        ((("dull_before",), 1.2), (skipped("electrode_ground"), 0.8)), ((("ticked", "electrode_ground"), 1.6),), ("dull_before",),
        change=("electrode_ground", "do")),
    Cause("start_hot", {"burn_through": 1.2, "bulge": 0.8}, -0.3,
        ((above("start_current_a"), 2.0), (("only_at_start", "bulge"), 0.6)), (), above("start_current_a"), change=("start_current_a", "aim")),
    Cause("overheated_clean", {"distorted": 1.2, "back_sugared": 0.8, "bead_wide": 1.0, "width_grows": 0.4}, -0.4,
        ((("heat_high",), 1.6),), ((below("travel_mm_s"), 0.4), (above("current_a"), 0.4)), ("heat_high",), change=("travel_mm_s", "aim")),
)  # fmt: skip
CAUSES: dict[str, Cause] = {cause.code: cause for cause in _TABLE}
