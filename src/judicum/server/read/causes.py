"""Why a bead looks as it does, as the page shows it."""

from judicum.core.causes import Explained, Ranked, both_likely
from judicum.core.errors import NotAllowed, said
from judicum.server.answers.causes import BothCauses, Cause, Explanation, NamedCause, RequestedChange
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.queries import attempt_for, marks_blind, visibility_of
from judicum.server.record.causes.actions.judge_cause import BESIDE, CONFIRMED, RULED_OUT
from judicum.server.record.causes.models import Verdict
from judicum.server.record.causes.queries import ChangeAsked, explanation_of
from judicum.words.catalogue import t
from judicum.words.causes import both_words, cause_card, evidence_words, followed_words, symptom_card
from judicum.words.names import named
from judicum.words.units import Units


def explanation(user: User, attempt_id: int, units: Units, run: int | None = None) -> Explanation:
    """Symptoms of an attempt, or of one run of it, its causes ranked by evidence, and what became of the last change.

    Raises:
        NotFound: not visible, or no measured photo of that run. NotAllowed: a student.
    """
    attempt = attempt_for(user, attempt_id)
    if not visibility_of(user, attempt).suggestions():
        raise NotAllowed(said("refused-only-the-courses-instructor-and-assistants-3"))
    explained = explanation_of(attempt, marks_blind(user, attempt), run)
    found = explained.found
    verdicts = {code: _verdict(one) for code, one in explained.verdicts.items()}
    asked = requested_change(explained.asked)
    if asked and (after := explained.followed):
        asked = asked.model_copy(update={"followed": followed_words(after), "done": after.done, "gone": after.gone})
    return Explanation(
        symptoms=[symptom_card(seen) for seen in found.symptoms],
        causes=[
            Cause(
                **cause_card(one, found, units),
                verdict=verdicts.get(one.code),
                new=_new(one, explained.verdicts.get(one.code), units),
            )
            for one in found.causes
        ],
        ruled_out=[
            NamedCause(code=code, words=named("cause", code))
            for code, verdict in verdicts.items()
            if verdict == RULED_OUT and code not in {one.code for one in found.causes}
        ],
        log_note=t("causes-log-repeats-card") if explained.copied else None,
        sound=found.sound,
        both=_both(found),
        asked=asked,
    )


def _verdict(one: Verdict) -> str:
    if not one.confirmed:
        return RULED_OUT
    return BESIDE if one.beside else CONFIRMED


def _new(one: Ranked, verdict: Verdict | None, units: Units) -> list[str]:
    """What speaks for a cause that was ruled out and did not when that was said."""
    if verdict is None or verdict.confirmed:
        return []
    return [evidence_words(item, units) for item in one.speaks_for if item.what not in verdict.symptoms]


def _both(found: Explained) -> BothCauses | None:
    both = both_likely(found.causes)
    return None if both is None else BothCauses(words=both_words(both), first=both[0], second=both[1])


def requested_change(asked: ChangeAsked | None) -> RequestedChange | None:
    """What was asked to change, without what became of it."""
    return RequestedChange(attempt=asked.attempt_id, number=asked.number, text=asked.text) if asked else None
