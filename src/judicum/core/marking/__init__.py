"""Marking: the scheme, and the score that figures suggest."""

from judicum.core.marking.scheme import CRITERIA, MOST_COMMENT, MOST_NEXT, PASS_MARK, Criterion, check_scores, total
from judicum.core.marking.score import Suggestion, suggest

__all__ = [
    "CRITERIA",
    "MOST_COMMENT",
    "MOST_NEXT",
    "PASS_MARK",
    "Criterion",
    "Suggestion",
    "check_scores",
    "suggest",
    "total",
]
