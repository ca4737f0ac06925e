"""Planning: runs round a tube, turntable speed."""

from judicum.core.planning.runs import TubeRuns, plan_runs, run_order
from judicum.core.planning.turntable import carry_over_rpm, trial_bands, turntable_rpm

__all__ = ["TubeRuns", "carry_over_rpm", "plan_runs", "run_order", "trial_bands", "turntable_rpm"]
