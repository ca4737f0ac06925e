"""What is set before the arc: limits of the log and the rules of the setup card."""

from judicum.core.setup.run import RUN_FIELDS, RunField, check_run

__all__ = ["RUN_FIELDS", "RunField", "check_run"]
