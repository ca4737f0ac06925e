"""Why a bead looks as it does: symptoms, causes ranked by evidence, the one thing to change."""

from judicum.core.causes.case import SKIPPABLE, read_case
from judicum.core.causes.explain import Explained, Ranked, both_likely, explain, explain_case
from judicum.core.causes.follow import Followed, followed, strengths
from judicum.core.causes.symptoms import Symptom
from judicum.core.causes.table import CAUSES

__all__ = [
    "CAUSES",
    "SKIPPABLE",
    "Explained",
    "Followed",
    "Ranked",
    "Symptom",
    "both_likely",
    "explain",
    "explain_case",
    "followed",
    "read_case",
    "strengths",
]
