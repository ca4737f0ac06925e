"""The rules that warn: each looks at what was planned or used and says at most one thing of a kind."""

from judicum.core.metals import TORCHES
from judicum.core.quantities import QUANTITIES
from judicum.core.setup import gas
from judicum.core.setup.coupon import Coupon
from judicum.core.setup.electrode import carries_a
from judicum.core.setup.hands import FLATTEST_PUSH_DEG
from judicum.core.setup.pulse import Pulse
from judicum.core.setup.record import Band
from judicum.core.setup.warnings import Warned
from judicum.core.units import L_MIN_PER_CFH

MAX_ON_SHARE = 0.40
WIDEST_ON_SMALL_HEAD = 16
"""Cup number."""
SLIPS = {
    "cfh_as_l_min": L_MIN_PER_CFH,
    "l_min_as_cfh": 1 / L_MIN_PER_CFH,
    "cfm_as_l_min": 60 * L_MIN_PER_CFH,
    "cfh_as_cfm": 1 / 60,
    "cfm_as_cfh": 60.0,
}
"""What was typed as something else, and the factor that puts it right."""
FAR_OFF = 1.4
"""A flow within this factor of its band is a bad setting, not a slip of units."""


def of_metal(coupon: Coupon) -> list[Warned]:
    """What the metal itself calls for."""
    found = []
    if coupon.metal.free_machining:
        found.append(Warned("free_machining_steel"))
    if coupon.metal.hot_short and coupon.technique == "fuse":
        found.append(Warned("fused_aluminium"))
    return found


def of_torch(torch: int | None, current_a: float, cup: float, planned: int | None = None) -> list[Warned]:
    """Rating and family of the torch; `planned` is the card's torch where another is used."""
    if torch is None:
        return []
    head, found = TORCHES[torch], []
    figures = {"torch": (torch, "count"), "cup": (cup, "count")}
    if current_a > head.rating_a:
        amps = {"rating": (head.rating_a, "current"), "used": (current_a, "current")}
        found.append(Warned("torch_overload", figures | amps))
    if planned is not None and head.small != TORCHES[planned].small:
        found.append(Warned("torch_part_mismatch", figures | {"planned": (planned, "count")}, {"what": "heads"}))
    elif head.small and cup > WIDEST_ON_SMALL_HEAD:
        found.append(Warned("torch_part_mismatch", figures, {"what": "cup"}))
    return found


def of_gas_part(coupon: Coupon, gas_part: str, cup: float) -> list[Warned]:
    """Collet body and mesh."""
    found = []
    if gas_part == "collet_body" and coupon.metal.oxidises:
        found.append(Warned("collet_body_on_stainless", codes={"metal": coupon.metal.family}))
    if cup >= gas.SECOND_MESH_FROM and gas_part != "double_mesh":
        found.append(Warned("cup_needs_second_mesh", {"cup": (cup, "count")}))
    return found


def of_flow(flow_l_min: float, cup: float, gas_part: str, band: Band) -> list[Warned]:
    """A flow outside its band, a slip of units, or a jet that turns turbulent."""
    found = []
    low, high = band.low, band.high
    figures = {"used": (flow_l_min, "flow"), "cup": (cup, "count"), "low": (low, "flow"), "high": (high, "flow")}
    slip = flow_slip(flow_l_min, low, high)
    if slip is not None:
        meant, what = slip
        found.append(Warned("gas_unit_slip", figures | {"meant": (round(meant, 1), "flow")}, {"slip": what}))
    elif flow_l_min < low:
        found.append(Warned("gas_low", figures, key="gas_l_min"))
    elif flow_l_min > high:
        found.append(Warned("gas_high", figures, key="gas_l_min"))
    number = gas.reynolds(flow_l_min, cup)
    limit = gas.REYNOLDS_WARN_COLLET if gas_part == "collet_body" else gas.REYNOLDS_WARN
    if number > limit and QUANTITIES["gas_l_min"].sensible_at(flow_l_min):
        how = "turbulent" if number > gas.REYNOLDS_TURBULENT else "close"
        found.append(Warned("gas_turbulent", {"reynolds": (number, "count")}, {"how": how}))
    return found


def flow_slip(flow_l_min: float, low: float, high: float) -> tuple[float, str] | None:
    """The flow (L/min) that was probably meant and the slip that explains it, for a flow far outside its band.

    What lies outside of all sense is explained by any unit that brings it back into sense.
    """
    if low / FAR_OFF <= flow_l_min <= high * FAR_OFF:
        return None
    explained = [(flow_l_min * factor, code) for code, factor in SLIPS.items()]
    in_band = [found for found in explained if low <= found[0] <= high]
    sensible = QUANTITIES["gas_l_min"].sensible_at
    if in_band or sensible(flow_l_min):
        return in_band[0] if in_band else None
    near = [found for found in explained if low / FAR_OFF <= found[0] <= high * FAR_OFF]
    return next(iter(near or [found for found in explained if sensible(found[0])]), None)


def of_stickout(stickout_mm: float, band: Band) -> list[Warned]:
    """Too long a stick-out."""
    if stickout_mm <= band.high:
        return []
    return [
        Warned("stickout_long", {"used": (stickout_mm, "length"), "high": (band.high, "length")}, key="stickout_mm")
    ]


def of_filler(coupon: Coupon, alloy: str | None, diameter_mm: float | None, high_mm: float | None) -> list[Warned]:
    """Wrong alloy, wire too thick."""
    found = []
    if alloy not in (None, "", "none") and alloy not in coupon.metal.fillers:
        codes = {"used": str(alloy), "metal": coupon.metal_name, "suited": " or ".join(coupon.metal.fillers)}
        found.append(Warned("filler_wrong_alloy", codes=codes))
    if diameter_mm is not None and high_mm is not None and diameter_mm > high_mm:
        figures = {"used": (diameter_mm, "size"), "high": (high_mm, "size")}
        found.append(Warned("filler_oversize", figures, key="filler_mm"))
    return found


def of_electrode(diameter_mm: float, current_a: float) -> list[Warned]:
    """An electrode that the current melts."""
    most = carries_a(diameter_mm)
    if current_a <= most:
        return []
    figures = {"diameter": (diameter_mm, "size"), "most": (most, "current"), "used": (current_a, "current")}
    return [Warned("electrode_small", figures)]


def of_pulse(pulse: Pulse | None, current: Band) -> list[Warned]:
    """On-time, and a mean that is not the current asked for."""
    if pulse is None:
        return []
    found = []
    if pulse.on_share > MAX_ON_SHARE:
        found.append(
            Warned("pulse_on_share_high", {"used": (pulse.on_share, "share"), "most": (MAX_ON_SHARE, "share")})
        )
    if not current.low <= pulse.mean_a <= current.high:
        figures = {
            "used": (pulse.mean_a, "current"),
            "low": (current.low, "current"),
            "high": (current.high, "current"),
        }
        found.append(Warned("pulse_mean_off", figures))
    return found


def of_purge(coupon: Coupon) -> list[Warned]:
    """A bright tube without purge."""
    bright_tube = coupon.on_tube and coupon.finish == "bright" and coupon.metal.oxidises
    return [Warned("no_purge_on_bright_tube")] if bright_tube and not gas.wants_purge(coupon) else []


def of_angle(travel_angle_deg: float) -> list[Warned]:
    """A torch laid too flat."""
    if travel_angle_deg <= FLATTEST_PUSH_DEG:
        return []
    return [Warned("angle_flat", {"used": (travel_angle_deg, "angle"), "most": (FLATTEST_PUSH_DEG, "angle")})]


def of_speed(travel_mm_s: float, band: Band) -> list[Warned]:
    """Travel outside its range."""
    if band.low <= travel_mm_s <= band.high:
        return []
    figures = {"used": (travel_mm_s, "speed"), "low": (band.low, "speed"), "high": (band.high, "speed")}
    how = "slow" if travel_mm_s < band.low else "fast"
    return [Warned("speed_out_of_range", figures, {"how": how}, key="travel_mm_s")]
