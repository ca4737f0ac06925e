"""What is done before the arc: the checklist of a coupon."""

from judicum.core.setup.coupon import Coupon
from judicum.core.setup.gas import wants_purge


def checklist(coupon: Coupon) -> list[str]:
    """Codes of the steps that this coupon calls for, in the order in which they are done."""
    fused = coupon.technique == "fuse"
    found = ["blank_abraded", "blank_wiped"]
    if not fused:
        found.append("rod_wiped")
    if coupon.metal.oxidises:
        found.append("own_brush")
    found += ["electrode_ground", "cup_clean", "fit_up_tight" if fused else "fit_up", "tacked"]
    if not coupon.kind.fit_up:
        found = [step for step in found if step not in ("fit_up", "fit_up_tight", "tacked")]
    if wants_purge(coupon):
        found.append("purge_waited")
    found += ["settings_checked", "practised_on_scrap"]
    return found
