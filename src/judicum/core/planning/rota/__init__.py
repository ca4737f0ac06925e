"""Who welds where and when: needs placed at booths within sessions (docs/rota.md)."""

from judicum.core.planning.rota.plan import Plan, PlannedSlot, Unplaced, plan, rota
from judicum.core.planning.rota.read import USUAL_CHANGEOVER, RotaRequest, minutes_of, read_rota

__all__ = [
    "USUAL_CHANGEOVER",
    "Plan",
    "PlannedSlot",
    "RotaRequest",
    "Unplaced",
    "minutes_of",
    "plan",
    "read_rota",
    "rota",
]
