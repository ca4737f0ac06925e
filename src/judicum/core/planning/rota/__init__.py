"""Who welds where and when: needs placed at booths within sessions (docs/rota.md)."""

from judicum.core.planning.rota.plan import Plan, Sitting, Unplaced, plan, rota
from judicum.core.planning.rota.read import Asked, read_rota

__all__ = ["Asked", "Plan", "Sitting", "Unplaced", "plan", "read_rota", "rota"]
