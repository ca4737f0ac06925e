"""What a person may see of an attempt, and what they may do with it now: the only place that decides either.

Those who teach the course see all of it. The student sees no trace of a mark before it is returned: not the score,
the words or the marker, nor that one was set.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from judicum.server.accounts.models import User
from judicum.server.attempts.models import Attempt, Event
from judicum.server.attempts.states import STEPS, State, Step

STUDENTS_STEPS = (Step.PREPARE, Step.LOG, Step.ADD_PHOTO, Step.ADD_VIEW, Step.READ_ANGLE, Step.CHOOSE_BEAD)
STAFF_STEPS = (
    Step.READ_ANGLE, Step.CHOOSE_BEAD, Step.CORRECT, Step.FIND, Step.JUDGE_CAUSE, Step.MARK, Step.RETURN, Step.ASK_PHOTO,
    Step.SEND_BACK,
)  # fmt: skip
HIDDEN_FROM_STUDENTS = (Step.JUDGE_CAUSE, Step.FIND)
"""Steps that tell of the marking while it goes on."""


@dataclass(frozen=True)
class Sight:
    """One person's view of the attempts of one course."""

    user: User
    teaches: bool

    def sees_mark(self, returned_at: datetime | None) -> bool:
        """Whether this person may see a mark that was returned then, or was not yet."""
        return self.teaches or returned_at is not None

    def state(self, state: str) -> str:
        """The state as this person sees it: a mark that is not returned leaves the attempt waiting for one."""
        return state if self.teaches or state != State.MARKED else State.MEASURED.value

    def suggestions(self) -> bool:
        """Whether this person sees what the figures suggest."""
        return self.teaches

    def events(self, events: Iterable[Event]) -> list[Event]:
        """The log as this person may read it; `events` oldest first.

        To the student a mark appears with its return: the last one set before it, and none in between.
        """
        every = list(events)
        if self.teaches:
            return every
        shown: list[Event] = []
        marked: Event | None = None
        for event in every:
            if event.kind in HIDDEN_FROM_STUDENTS:
                continue
            if event.kind == Step.MARK:
                marked = event
                continue
            if event.kind == Step.TAKE_BACK:
                # Taken back within seconds: as if it had not been given.
                given = shown.pop() if shown else None
                if given is not None and given.kind == Step.RETURN and shown and shown[-1].kind == Step.MARK:
                    marked = shown.pop()
                continue
            if event.kind == Step.RETURN and marked is not None:
                shown.append(marked)
                marked = None
            shown.append(self._unmarked(event))
        return shown

    @staticmethod
    def _unmarked(event: Event) -> Event:
        """The same event without telling that a mark was there when it happened."""
        if event.kind != Step.RETURN:
            hidden = {k: State.MEASURED.value for k in ("from", "to") if event.data.get(k) == State.MARKED}
            event.data = {**event.data, **hidden}
        return event

    def may(self, state: str, student_id: int) -> list[str]:
        """The steps this person may take now at an attempt of that student in that state."""
        steps = [*(STUDENTS_STEPS if student_id == self.user.pk else ()), *(STAFF_STEPS if self.teaches else ())]
        return [step.value for step in dict.fromkeys(steps) if state in STEPS[step]]


def sight_of(user: User, attempt: Attempt) -> Sight:
    """This person's view of one attempt."""
    from judicum.server.attempts.queries import teaches

    return Sight(user, teaches(user, attempt))
