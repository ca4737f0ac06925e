"""What is set before the arc: the setup card, the log beside it, limits of the log."""

from judicum.core.setup.card import plan_card
from judicum.core.setup.check import check_setup
from judicum.core.setup.run import RUN_FIELDS, RunField, check_run

__all__ = ["RUN_FIELDS", "RunField", "check_run", "check_setup", "plan_card"]
