"""What a person may see of an attempt, and what they may do with it now: the only place that decides either.

Those who teach the course see all of it, with one exception: while a blind second mark is asked for, the first mark, the
cause taken with it and who gave it are seen by nobody but its marker. The student sees no trace of a mark before it is
returned: not the score, the words or the marker, nor that one was set.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Event
from judicum.server.record.attempts.states import HELD_BACK, STEPS, AttemptState, AttemptStep

STUDENTS_STEPS = (
    AttemptStep.PREPARE,
    AttemptStep.LOG,
    AttemptStep.ADD_PHOTO,
    AttemptStep.ADD_VIEW,
    AttemptStep.READ_ANGLE,
    AttemptStep.CHOOSE_BEAD,
)
STAFF_STEPS = (
    AttemptStep.READ_ANGLE, AttemptStep.CHOOSE_BEAD, AttemptStep.CORRECT, AttemptStep.FIND, AttemptStep.JUDGE_CAUSE, AttemptStep.MARK, AttemptStep.RETURN, AttemptStep.ASK_PHOTO,
    AttemptStep.SEND_BACK, AttemptStep.ASK_SECOND, AttemptStep.MARK_SECOND, AttemptStep.AGREE,
)  # fmt: skip
HIDDEN_FROM_STUDENTS = (AttemptStep.JUDGE_CAUSE, AttemptStep.FIND, AttemptStep.ASK_SECOND, AttemptStep.MARK_SECOND)
"""Steps that tell of the marking while it goes on."""
HIDDEN_FROM_SECOND = (AttemptStep.MARK, AttemptStep.JUDGE_CAUSE, AttemptStep.ASK_SECOND)
"""Steps that tell a blind second marker of the first mark."""


@dataclass(frozen=True)
class VisibilityPolicy:
    """One person's view of the attempts of one course."""

    user: User
    teaches: bool

    def blind(self, state: str, marker_id: int | None) -> bool:
        """Whether this person is to give, or may yet give, a second mark without sight of the one by `marker_id`."""
        return self.teaches and state == AttemptState.SECOND_ASKED and marker_id != self.user.pk

    def sees_mark(self, state: str, returned_at: datetime | None, marker_id: int | None) -> bool:
        """Whether this person may see a mark by `marker_id` of an attempt in that state; returned then, or not yet."""
        if self.teaches:
            return not self.blind(state, marker_id)
        return returned_at is not None

    def state(self, state: str) -> str:
        """The state as this person sees it: a mark that is not returned leaves the attempt waiting for one."""
        return state if self.teaches or state not in HELD_BACK else AttemptState.MEASURED.value

    def suggestions(self) -> bool:
        """Whether this person sees what the figures suggest."""
        return self.teaches

    def events(self, events: Iterable[Event], blind: bool = False) -> list[Event]:
        """The log as this person may read it; `events` oldest first, `blind` as `VisibilityPolicy.blind` says of the attempt.

        To the student a mark appears with its return: the last one set or agreed before it, and none in between.
        """
        every = list(events)
        if blind:
            return [event for event in every if event.kind not in HIDDEN_FROM_SECOND]
        if self.teaches:
            return every
        shown: list[Event] = []
        marked: Event | None = None
        for event in every:
            if event.kind in HIDDEN_FROM_STUDENTS:
                continue
            if event.kind in (AttemptStep.MARK, AttemptStep.AGREE):
                marked = event
                continue
            if event.kind == AttemptStep.TAKE_BACK:
                # Taken back within seconds: as if it had not been given.
                given = shown.pop() if shown else None
                if (
                    given is not None
                    and given.kind == AttemptStep.RETURN
                    and shown
                    and shown[-1].kind in (AttemptStep.MARK, AttemptStep.AGREE)
                ):
                    marked = shown.pop()
                continue
            if event.kind == AttemptStep.RETURN and marked is not None:
                shown.append(marked)
                marked = None
            shown.append(self._unmarked(event))
        return shown

    @staticmethod
    def _unmarked(event: Event) -> Event:
        """The same event without telling that a mark was there when it happened."""
        if event.kind != AttemptStep.RETURN:
            hidden = {k: AttemptState.MEASURED.value for k in ("from", "to") if event.data.get(k) in HELD_BACK}
            event.data = {**event.data, **hidden}
        return event

    def may(self, state: str, student_id: int, marker_id: int | None = None) -> list[str]:
        """The steps this person may take now at an attempt of that student in that state; nobody marks blind after themselves."""
        steps = [*(STUDENTS_STEPS if student_id == self.user.pk else ()), *(STAFF_STEPS if self.teaches else ())]
        if marker_id == self.user.pk:
            steps = [step for step in steps if step != AttemptStep.MARK_SECOND]
        return [step.value for step in dict.fromkeys(steps) if state in STEPS[step]]
