"""What goes with a run whatever else the card says: current, tungsten, cup, stick-out and gas, each following from the one before."""

from dataclasses import dataclass

from judicum.core.setup import gas, hands
from judicum.core.setup.coupon import Coupon
from judicum.core.setup.current import current_a
from judicum.core.setup.electrode import PEAK_SHARE, diameter_mm
from judicum.core.setup.record import Band, Cup, CurrentBand


@dataclass(frozen=True)
class TorchSetup:
    """Current (A), diameter of the tungsten (mm), cup, stick-out (mm); flow as low, aim, high, not yet rounded (L/min)."""

    current: CurrentBand
    electrode_mm: float
    cup: Cup
    stickout: Band
    flow_l_min: tuple[float, float, float]


def torch_setup(coupon: Coupon) -> TorchSetup:
    """How the torch is set for a coupon, or for one run of it."""
    current = current_a(coupon)
    carried = max(current.aim, PEAK_SHARE * coupon.pulse.peak_a if coupon.pulse else 0.0)
    rod = coupon.electrode_mm or diameter_mm(carried)
    cup = gas.cup(coupon)
    stickout = hands.stickout(coupon, rod, cup.number)
    flow = gas.flow_for(coupon, cup.number, coupon.gas_part, coupon.stickout_mm or stickout.aim)
    return TorchSetup(current, rod, cup, stickout, flow)
