"""The rules that warn: each looks at what was planned or used and says at most one thing of a kind."""

from judicum.core.metals import OXIDISING
from judicum.core.setup import gas
from judicum.core.setup.coupon import SMALL_HEADS, TORCH_RATING_A, Coupon
from judicum.core.setup.electrode import carries_a
from judicum.core.setup.hands import FLATTEST_PUSH_DEG
from judicum.core.setup.pulse import Pulse
from judicum.core.setup.warnings import Warned
from judicum.core.units import L_MIN_PER_CFH

MOST_ON_SHARE = 0.40
WIDEST_ON_SMALL_HEAD = 16
SLIP_FACTORS = (
    (L_MIN_PER_CFH, "cubic feet per hour typed as L/min"),
    (1 / L_MIN_PER_CFH, "L/min typed as cubic feet per hour"),
    (60 * L_MIN_PER_CFH, "cubic feet per minute typed as L/min"),
    (60.0, "cubic feet per minute typed for per hour"),
)

Band = dict[str, float]


def of_metal(coupon: Coupon) -> list[Warned]:
    """What the metal itself calls for."""
    found = []
    if "303" in coupon.metal_name.split("+"):
        found.append(
            Warned(
                "free_machining_steel",
                "303 is free-machining steel: its sulphur gives grainy toes and cracks. Show it, never grade it against 304.",
            )
        )
    if coupon.metal.family == "aluminium" and coupon.technique == "fuse":
        found.append(
            Warned("fused_aluminium", "Aluminium is hot-short: fused without filler it cracks. Add 4043 or 5356.")
        )
    return found


def of_torch(torch: int | None, current_a: float, cup: float, planned: int | None = None) -> list[Warned]:
    """Rating and family of the torch; `planned` is the card's torch where another is used."""
    found = []
    if torch is not None and current_a > TORCH_RATING_A.get(torch, float("inf")):
        found.append(
            Warned(
                "torch_overload",
                f"Torch {torch} is rated {TORCH_RATING_A[torch]} A; {current_a:.0f} A burns it. Short tack pulses only.",
            )
        )
    small = torch in SMALL_HEADS
    if torch is not None and planned is not None and small != (planned in SMALL_HEADS):
        found.append(
            Warned("torch_part_mismatch", f"Torch {torch} and torch {planned} do not share collets, cups or gas parts.")
        )
    elif torch is not None and small and cup > WIDEST_ON_SMALL_HEAD:
        found.append(
            Warned(
                "torch_part_mismatch", f"Cup {cup:g} is made for the large heads (17, 18, 26), not for torch {torch}."
            )
        )
    return found


def of_gas_part(coupon: Coupon, gas_part: str, cup: float) -> list[Warned]:
    """Collet body and mesh."""
    found = []
    if gas_part == "collet_body" and coupon.metal.family in OXIDISING:
        found.append(
            Warned(
                "collet_body_on_stainless",
                f"A collet body blows a narrow jet; on {coupon.metal.family} a gas lens is the first thing to change.",
            )
        )
    if cup >= gas.SECOND_MESH_FROM and gas_part != "double_mesh":
        found.append(
            Warned("cup_needs_second_mesh", f"Cup {cup:g} is wider than the lens behind it: it needs a second mesh.")
        )
    return found


def of_flow(flow_l_min: float, cup: float, gas_part: str, band: Band) -> list[Warned]:
    """A flow outside its band, a slip of units, or a jet that turns turbulent."""
    found = []
    low, high = band["low"], band["high"]
    outside = not low <= flow_l_min <= high
    if outside and (slip := flow_slip(flow_l_min, low, high)) is not None:
        found.append(
            Warned(
                "gas_unit_slip",
                f"{flow_l_min:.3g} L/min looks like {slip[1]}: {slip[0]:.1f} L/min would fit cup {cup:g}.",
                round(slip[0], 1),
            )
        )
    elif flow_l_min < low:
        found.append(
            Warned("gas_low", f"{flow_l_min:.3g} L/min is little for cup {cup:g}; {low:.1f} to {high:.1f} cover it.")
        )
    elif flow_l_min > high:
        found.append(
            Warned("gas_high", f"{flow_l_min:.3g} L/min is much for cup {cup:g}; {low:.1f} to {high:.1f} cover it.")
        )
    number = gas.reynolds(flow_l_min, cup)
    limit = gas.REYNOLDS_WARN_COLLET if gas_part == "collet_body" else gas.REYNOLDS_WARN
    if number > limit:
        how = "is turbulent" if number > gas.REYNOLDS_TURBULENT else "is about to turn turbulent"
        found.append(
            Warned(
                "gas_turbulent",
                f"Reynolds number {number:.0f} at the cup: the jet {how} and drags air in. Less gas or a wider cup.",
            )
        )
    return found


def flow_slip(flow_l_min: float, low: float, high: float) -> tuple[float, str] | None:
    """The flow (L/min) that was probably meant, where another unit explains a flow far outside its band."""
    if low / 1.5 <= flow_l_min <= high * 1.5:
        return None
    for factor, words in SLIP_FACTORS:
        if low <= flow_l_min * factor <= high:
            return flow_l_min * factor, words
    return None


def of_stickout(stickout_mm: float, band: Band) -> list[Warned]:
    """Too long a stick-out."""
    if stickout_mm <= band["high"]:
        return []
    return [
        Warned("stickout_long", f"{stickout_mm:.0f} mm of stick-out leaves the gas; up to {band['high']:.0f} mm here.")
    ]


def of_filler(coupon: Coupon, alloy: str | None, diameter_mm: float | None, high_mm: float | None) -> list[Warned]:
    """Wrong alloy, wire too thick."""
    found = []
    if alloy not in (None, "none") and alloy not in coupon.metal.fillers:
        found.append(
            Warned(
                "filler_wrong_alloy",
                f"{alloy} does not suit {coupon.metal_name}; take {' or '.join(coupon.metal.fillers)}.",
            )
        )
    if diameter_mm is not None and high_mm is not None and diameter_mm > high_mm:
        found.append(
            Warned(
                "filler_oversize",
                f"{diameter_mm:g} mm wire needs more heat than the joint and spoils the colour; up to {high_mm:g} mm.",
            )
        )
    return found


def of_electrode(diameter_mm: float, current_a: float) -> list[Warned]:
    """An electrode that the current melts."""
    most = carries_a(diameter_mm)
    if current_a <= most:
        return []
    return [
        Warned(
            "electrode_small",
            f"A {diameter_mm:g} mm electrode carries about {most:.0f} A; {current_a:.0f} A melts its point.",
        )
    ]


def of_pulse(pulse: Pulse | None, current: Band) -> list[Warned]:
    """On-time, and a mean that is not the current asked for."""
    if pulse is None:
        return []
    found = []
    if pulse.on_share > MOST_ON_SHARE:
        found.append(
            Warned(
                "pulse_on_share_high",
                f"{100 * pulse.on_share:.0f} % on: above {100 * MOST_ON_SHARE:.0f} % the pulse has no benefit left.",
            )
        )
    if not current["low"] <= pulse.mean_a <= current["high"]:
        found.append(
            Warned(
                "pulse_mean_off",
                f"The pulse's mean is {pulse.mean_a:.1f} A; the joint wants {current['low']:.0f} to {current['high']:.0f} A.",
            )
        )
    return found


def of_purge(coupon: Coupon) -> list[Warned]:
    """A bright tube without purge."""
    if (
        coupon.on_tube
        and coupon.finish == "bright"
        and coupon.metal.family in OXIDISING
        and not gas.wants_purge(coupon)
    ):
        return [Warned("no_purge_on_bright_tube", "A bright finish on tube means a clean root: purge it.")]
    return []


def of_angle(travel_angle_deg: float) -> list[Warned]:
    """A torch laid too flat."""
    if travel_angle_deg <= FLATTEST_PUSH_DEG:
        return []
    return [
        Warned(
            "angle_flat",
            f"Pushing at {travel_angle_deg:.0f}° blows the cover off and melts the rod back; {FLATTEST_PUSH_DEG}° at most.",
        )
    ]


def of_speed(travel_mm_s: float, band: Band) -> list[Warned]:
    """Travel outside its range."""
    if band["low"] <= travel_mm_s <= band["high"]:
        return []
    how = "slow: hot, dark, wide" if travel_mm_s < band["low"] else "fast: thin, roped, sunken"
    return [
        Warned(
            "speed_out_of_range", f"{travel_mm_s:.2g} mm/s is {how}; {band['low']:.1f} to {band['high']:.1f} mm/s here."
        )
    ]
