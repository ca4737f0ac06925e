"""What a person may see of an attempt, and what they may do with it now: the only place that decides either.

Those who teach the course see all of it, with one exception: while a blind second mark is asked for, the first mark, the
cause taken with it and who gave it are seen by nobody but its marker. The student sees no trace of a mark before it is
returned: not the score, the words or the marker, nor that one was set; the attempt is to them as if there were none.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime

from django.db.models import Q

from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Event
from judicum.server.record.attempts.states import HELD_BACK, STEPS, AttemptState, AttemptStep

STUDENTS_STEPS = (
    AttemptStep.PREPARE,
    AttemptStep.LOG,
    AttemptStep.ADD_PHOTO,
    AttemptStep.ADD_VIEW,
    AttemptStep.TRY,
    AttemptStep.READ_ANGLE,
    AttemptStep.CHOOSE_BEAD,
)
STAFF_STEPS = (
    AttemptStep.READ_ANGLE, AttemptStep.CHOOSE_BEAD, AttemptStep.CORRECT, AttemptStep.FIND, AttemptStep.JUDGE_CAUSE, AttemptStep.MARK, AttemptStep.RETURN, AttemptStep.ASK_PHOTO,
    AttemptStep.SEND_BACK, AttemptStep.ASK_SECOND, AttemptStep.MARK_SECOND, AttemptStep.AGREE,
)  # fmt: skip
HIDDEN_FROM_STUDENTS = (AttemptStep.JUDGE_CAUSE, AttemptStep.FIND, AttemptStep.ASK_SECOND, AttemptStep.MARK_SECOND)
"""Steps that tell of the marking while it goes on."""
SHOWN = {"state": "shown_state", "version": "shown_version", "updated_at": "shown_at"}
"""Columns of an attempt of which its student sees others."""
HIDDEN_FROM_SECOND = (AttemptStep.MARK, AttemptStep.JUDGE_CAUSE, AttemptStep.ASK_SECOND)
"""Steps that tell a blind second marker of the first mark."""


def blind_to(user: User, attempt: str = "") -> Q:
    """Rows of attempts that wait for a second mark beside one by somebody else: what was made of them is not this person's to
    read. As `VisibilityPolicy.blind`, for whole tables.

    Args:
        attempt: how a row leads to its attempt, with the two underscores behind.
    """
    mine = Q(**{f"{attempt}mark__marked_by": user})
    return Q(**{f"{attempt}state": AttemptState.SECOND_ASKED}) & ~mine


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

    def column(self, name: str) -> str:
        """The column that holds state, version or last change of an attempt as this person sees them."""
        return name if self.teaches else SHOWN[name]

    def suggestions(self) -> bool:
        """Whether this person sees what the figures suggest."""
        return self.teaches

    def events(self, events: Iterable[Event], blind: bool = False) -> list[Event]:
        """The log as this person may read it; `events` oldest first, `blind` as `VisibilityPolicy.blind` says of the attempt.

        To the student a mark appears with its return: the last one set or agreed before it, and none in between.
        """
        every = list(events)
        seen = {event.pk: event.data.pop("shown", None) for event in every}
        if self.teaches:
            return [event for event in every if event.kind not in HIDDEN_FROM_SECOND] if blind else every
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
            shown.append(self._unmarked(event, seen[event.pk]))
        return shown

    @staticmethod
    def _unmarked(event: Event, seen: Sequence[str] | None) -> Event:
        """The same event without telling that a mark was there when it happened; `seen` the student's states before and after it."""
        if event.kind != AttemptStep.RETURN:
            # Events of before these were kept name the state itself.
            hidden = {k: AttemptState.MEASURED.value for k in ("from", "to") if event.data.get(k) in HELD_BACK}
            event.data = {**event.data, **hidden, **dict(zip(("from", "to"), seen or (), strict=False))}
        return event

    def may(self, state: str, student_id: int, marker_id: int | None = None) -> list[str]:
        """The steps this person may take now at an attempt of that student in the state they see it in; nobody marks blind after
        themselves."""
        steps = [*(STUDENTS_STEPS if student_id == self.user.pk else ()), *(STAFF_STEPS if self.teaches else ())]
        if marker_id == self.user.pk:
            steps = [step for step in steps if step != AttemptStep.MARK_SECOND]
        return [step.value for step in dict.fromkeys(steps) if state in STEPS[step]]
