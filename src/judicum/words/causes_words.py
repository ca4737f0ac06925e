"""docs/causes.md, made from the tables: `python -m judicum.words.causes_words > docs/causes.md`."""

from judicum.core.causes import CAUSES
from judicum.core.causes.copied import MIN_COPIED
from judicum.core.causes.evidence import EDGE, END, EVIDENCE_HIGH, EVIDENCE_LOW, FAR, FAR_FROM_AIM, NEAR
from judicum.core.causes.explain import COURSE_HISTORY, FADES, GONE, MAX_HISTORY, NAMED_BEFORE, NOT_THERE, SHOWN_BEFORE
from judicum.core.causes.table import Evidence
from judicum.core.causes.weigh import WEIGH
from judicum.words.catalogue import knows, t
from judicum.words.names import named

HEAD = f"""# Causes

Made from `judicum.core.causes.table` by `python -m judicum.words.causes_words`; change the table, not this page.

`./judicum explain` reads one attempt and answers with its symptoms, its causes ranked by evidence and the one thing to change. Causes are ranked, never asserted: the instructor decides.

**How a share comes about.** Sets are weighed: no cause, one, or two at once (`core/causes/weigh.py`). A weight w shows its symptom with a chance of 1 − e^(−{WEIGH.shown_rate:g}·w); a set shows a symptom if any of its causes does (noisy-or), or by chance ({WEIGH.by_chance:g}); what it would show and is not seen speaks against it with {WEIGH.absent:g} of its logarithm, where it would have been seen. What speaks for and against a cause by itself counts {WEIGH.evidence:g}-fold. {100 * WEIGH.two:.0f} of 100 attempts with something seen have two causes, {100 * WEIGH.none:.0f} none. The share of a cause is that of the sets it is in, half of those of two; a cause that is not in the table takes part with odds e^{WEIGH.unknown:g}.

**How strongly.** A figure up to {100 * NEAR:.0f} % of its limit outside counts as in its range. From there it speaks with {EVIDENCE_LOW:g} of its weight, growing to {EVIDENCE_HIGH:g} at {100 * FAR:.0f} % outside or at {FAR_FROM_AIM:g} times as far from the aim as the limit is. One in its range speaks against wholly in the middle and with {EDGE:g} of its weight at the edge; as *not low* (*not high*) wholly from the aim on and with {END:g} of it at that end. One that was copied off the card says nothing of that (three quarters of at least {MIN_COPIED} figures equal it to the digit). The flow is judged for a stick-out within its own range. Everything else holds or does not. Evidence for a cause none of whose symptoms is seen counts nothing, so a good bead has no cause whatever was set.

**What was before** tilts the start: {NAMED_BEFORE:g} for a cause that was confirmed at the last attempt, {SHOWN_BEFORE:g} times the chance that it was there beside what was named, or while nothing was, {FADES:g} of that with each attempt since, {GONE:g} with each in which its chance is under {NOT_THERE:g}; up to {COURSE_HISTORY:g} for what is usual in the course, {MAX_HISTORY:g} at most together.

**Where the weights come from**: the usual order of causes for each fault in the literature of the trade (docs/references.md), and worked cases (`tests/core/causes`), one for each cause. They were set by hand. `./judicum bench-causes` judges them on welders with one hidden habit each, drawn, photographed, measured and explained ([the table](causes-judged.md)); those welders are our own invention too.
"""


def page() -> str:
    """The whole page."""
    rows = [HEAD, "| cause | shows as (weight) | speaks for it | speaks against it | advice |", "|---|---|---|---|---|"]
    for cause in CAUSES.values():
        shows = ", ".join(f"{named('symptom', code)} {weight:g}" for code, weight in cause.shows.items())
        lines = [
            ", ".join(f"{_line(test)} {weight:g}" for test, weight in every) or "–"
            for every in (cause.speaks_for, cause.against)
        ]
        only = f" (only: {_line(cause.needs)})" if cause.needs else ""
        advice = t(f"advice-{cause.code}", change="…")
        rows.append(f"| `{cause.code}`{only} | {shows} | {lines[0]} | {lines[1]} | {advice} |")
    return "\n".join(rows) + "\n"


def _line(test: Evidence) -> str:
    name, *arguments = test
    parts = " ".join(named("symptom", part) if knows(f"symptom-{part}") else part for part in arguments)
    return f"{name.replace('_', ' ')} {parts}".strip()


if __name__ == "__main__":
    print(page(), end="")
