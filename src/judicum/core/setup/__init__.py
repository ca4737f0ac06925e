"""What is set before the arc: the setup card, the log beside it, limits of the log."""

from judicum.core.setup.card import plan_card
from judicum.core.setup.check import Checked, Deviation, check_setup
from judicum.core.setup.coupon import read_coupon
from judicum.core.setup.preparation import checklist
from judicum.core.setup.record import Band, Card
from judicum.core.setup.run import RUN, check_run, run_from_card, runs_from_card
from judicum.core.setup.schools import check_schools
from judicum.core.setup.travel import real_travel_mm_s
from judicum.core.setup.warnings import Warned
from judicum.core.setup.worked import worked

__all__ = [
    "RUN",
    "Band",
    "Card",
    "Checked",
    "Deviation",
    "Warned",
    "check_run",
    "check_schools",
    "check_setup",
    "checklist",
    "plan_card",
    "read_coupon",
    "real_travel_mm_s",
    "run_from_card",
    "runs_from_card",
    "worked",
]
