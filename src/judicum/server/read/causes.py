"""Why a bead looks as it does, as the page shows it."""

from judicum.core.errors import NotAllowed, said
from judicum.server.answers.causes import Cause, Explanation, RequestedChange
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.queries import attempt_for, marks_blind, visibility_of
from judicum.server.record.causes.actions.judge_cause import CONFIRMED, RULED_OUT
from judicum.server.record.causes.queries import ChangeAsked, explanation_of
from judicum.words.causes import both_words, cause_card, followed_words, symptom_card
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
    verdicts = {code: CONFIRMED if confirmed else RULED_OUT for code, confirmed in explained.verdicts.items()}
    asked = requested_change(explained.asked)
    if asked and (after := explained.followed):
        asked = asked.model_copy(update={"followed": followed_words(after), "done": after.done, "gone": after.gone})
    return Explanation(
        symptoms=[symptom_card(seen) for seen in found.symptoms],
        causes=[Cause(**cause_card(one, found, units), verdict=verdicts.get(one.code)) for one in found.causes],
        sound=found.sound,
        both=both_words(found),
        asked=asked,
    )


def requested_change(asked: ChangeAsked | None) -> RequestedChange | None:
    """What was asked to change, without what became of it."""
    return RequestedChange(attempt=asked.attempt_id, number=asked.number, text=asked.text) if asked else None
