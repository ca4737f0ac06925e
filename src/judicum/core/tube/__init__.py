"""Round a tube: runs and where they start, turntable speed."""

from judicum.core.tube.runs import TubeRuns, plan_runs, run_order
from judicum.core.tube.turntable import carry_over_rpm, trial_bands, turntable_rpm

__all__ = ["TubeRuns", "carry_over_rpm", "plan_runs", "run_order", "trial_bands", "turntable_rpm"]
