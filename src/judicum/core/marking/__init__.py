"""Marking: criteria, schemes, findings by hand, and the score that the evidence suggests."""

from judicum.core.marking.criteria import CRITERIA, KNOCK_OUTS, NOT_ON_THE_BEAD, Criterion
from judicum.core.marking.findings import FINDINGS, asked_for, back_from, check_findings
from judicum.core.marking.readings import Evidence, Reading, knocked_out, read_all
from judicum.core.marking.scheme import (
    MAX_COMMENT,
    MAX_NEXT,
    PASS_MARK,
    SCHEMES,
    UNDO_S,
    USUAL_SCHEME,
    WHOLE,
    Line,
    Scheme,
    check_runs,
    check_scores,
    passes,
    read_scheme,
    total,
)
from judicum.core.marking.score import GivenMark, Suggestion, TrialMark, score_of, suggest, try_on

__all__ = [
    "CRITERIA",
    "FINDINGS",
    "KNOCK_OUTS",
    "MAX_COMMENT",
    "MAX_NEXT",
    "NOT_ON_THE_BEAD",
    "PASS_MARK",
    "SCHEMES",
    "UNDO_S",
    "USUAL_SCHEME",
    "WHOLE",
    "Criterion",
    "Evidence",
    "GivenMark",
    "Line",
    "Reading",
    "Scheme",
    "Suggestion",
    "TrialMark",
    "asked_for",
    "back_from",
    "check_findings",
    "check_runs",
    "check_scores",
    "knocked_out",
    "passes",
    "read_all",
    "read_scheme",
    "score_of",
    "suggest",
    "total",
    "try_on",
]
