"""docs/causes.md, made from the tables: `python -m judicum.words.causes_words > docs/causes.md`."""

from judicum.core.causes import CAUSES
from judicum.core.causes.explain import COURSE_HISTORY, MAX_HISTORY, OWN_HISTORY, UNEXPLAINED, UNKNOWN
from judicum.core.causes.table import Evidence
from judicum.words.catalogue import knows, t
from judicum.words.names import named

HEAD = f"""# Causes

Made from `judicum.core.causes.table` by `python -m judicum.words.causes_words`; change the table, not this page.

`./judicum explain` reads one attempt and answers with its symptoms, its causes ranked by evidence and the one thing to change. Causes are ranked, never asserted: the instructor decides.

**How a share comes about.** Every cause that explains something that is seen collects logarithms of odds: how usual it is, its symptoms by their strength, what speaks for it, less what speaks against it, less {UNEXPLAINED:g} for each symptom (by its strength) that it leaves unexplained. Shares are the exponentials over the sum of all and of a cause that is not in the table (odds e^{UNKNOWN:g}). 0.7 doubles the odds, 1.4 makes them four times as high.

**How strongly.** A figure just outside its range speaks with 0.6 of its weight, one 60 % of the limit outside with one and a half times; everything else holds or does not. Evidence for a cause none of whose symptoms is seen counts nothing, so a good bead has no cause whatever was set.

**What was confirmed before** tilts the start: {OWN_HISTORY:g} for each time for this student, up to {COURSE_HISTORY:g} for what is usual in the course, {MAX_HISTORY:g} at most together; less than one clear observation.

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
