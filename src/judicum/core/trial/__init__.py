"""Trials: one figure is varied, the beads lie side by side on one plate, and what they show says which setting is best."""

from judicum.core.photo.places import Match, match_beads
from judicum.core.trial.carry import carried
from judicum.core.trial.judge import BeadSeen, Judged, JudgedBead, Wanted, judge
from judicum.core.trial.plan import Line, Trial, plan_trial, read_trial
from judicum.core.trial.vary import VARIED, Proposal, Varied, proposals

__all__ = [
    "VARIED",
    "BeadSeen",
    "Judged",
    "JudgedBead",
    "Line",
    "Match",
    "Proposal",
    "Trial",
    "Varied",
    "Wanted",
    "carried",
    "judge",
    "match_beads",
    "plan_trial",
    "proposals",
    "read_trial",
]
