"""Reading a torch angle off a photo by two drawn lines, and putting it into the log as measured."""

from datetime import datetime

from django.db import transaction

from judicum.core.errors import InvalidValue, NotAllowed, WrongState, said
from judicum.core.photo.pose import Ends, torch_angle
from judicum.core.setup import RUN, check_run
from judicum.server.people.accounts.models import User
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.attempts.queries import check_takes_part, held, teaches
from judicum.server.record.attempts.states import AttemptStep
from judicum.server.record.attempts.transitions import advance
from judicum.server.record.photos.models import PhotoKind
from judicum.server.record.photos.queries import photo_for


@transaction.atomic
def read_angle(
    user: User,
    photo_id: int,
    which: str,
    torch: Ends,
    reference: Ends,
    run_number: int = 1,
    at: datetime | None = None,
) -> Attempt:
    """Compute the angle between two lines and write it, in whole degrees, into a run of the photo's attempt, which it returns; `at`
    is when the lines were drawn, now where not given.

    Raises:
        InvalidValue: lines too short, an angle no torch is held at, or a run that is not there.
        WrongState: no photo of a torch, nothing logged yet, or already marked.
        NotFound: not visible. NotAllowed: neither one's own attempt nor a course one teaches.
    """
    photo = photo_for(user, photo_id)
    if photo.attempt.student_id != user.pk and not teaches(user, photo.attempt):
        raise NotAllowed(said("refused-only-the-student-who-welds-the-2"))
    check_takes_part(user, photo.attempt)
    if photo.kind != PhotoKind.TORCH:
        raise WrongState(said("refused-angles-are-read-on-a-photo"))
    found = torch_angle(which, torch, reference)
    key, angle = f"{which}_angle_deg", round(found.angle_deg)
    attempt = held(photo.attempt_id)
    run = Run.objects.filter(attempt=attempt, number=run_number).first()
    if run is None:
        raise InvalidValue("run", run_number, said("allowed-a-run-that-was-logged-log"))
    check_run({key: getattr(run, key) for key in RUN.keys} | {key: angle})
    advance(
        attempt,
        AttemptStep.READ_ANGLE,
        user,
        at,
        run=run_number,
        changed={key: [getattr(run, key), angle]},
        photo=photo.pk,
    )
    setattr(run, key, angle)
    run.measured = sorted({*run.measured, key})
    run.save(update_fields=[key, "measured"])
    photo.angles[key] = {
        "which": which,
        "run": run_number,
        "torch": [list(p) for p in torch],
        "reference": [list(p) for p in reference],
        "angle_deg": round(found.angle_deg, 1),
        "uncertainty_deg": round(found.uncertainty_deg, 1),
    }
    photo.save(update_fields=["angles"])
    return attempt
