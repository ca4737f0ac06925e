"""What an attempt took, reckoned from its runs."""

from judicum.core.setup import read_coupon, record
from judicum.core.stock.use import consumption
from judicum.server.catalogue.coupons.setup import card_for, coupon_of
from judicum.server.follow.stock.models import Use
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.photos.models import MeasurementSummary


def consume_stock(attempt: Attempt) -> None:
    """Keep what the logged runs of an attempt took, by its measured bead where there is one; nothing without a run."""
    runs = [record.Run.of(row) for row in Run.objects.filter(attempt=attempt).values()]
    if not runs:
        return
    goal = attempt.assignment
    found = consumption(runs, read_coupon(coupon_of(goal)), card_for(goal), goal.design.length_mm, _measured(attempt))
    alloy, size = found.wire or ("", None)
    fields = {
        "course_id": attempt.course_id, "gas_l": found.gas_l, "wire_m": found.wire_m, "wire_alloy": alloy, "wire_mm": size,
        "blanks": found.blanks,
    }  # fmt: skip
    Use.objects.update_or_create(attempt=attempt, defaults=fields, create_defaults={**fields, "at": attempt.updated_at})


def _measured(attempt: Attempt) -> tuple[float, float] | None:
    """Length and mean width of the bead that counts, mm; None where it was not measured."""
    row = MeasurementSummary.objects.filter(attempt=attempt).only("length_mm", "width_mean_mm").first()
    return (row.length_mm, row.width_mean_mm) if row and row.length_mm and row.width_mean_mm else None
