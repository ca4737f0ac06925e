"""A tint reference of a course: its photo flattened, its levels named by a person, and dropped."""

from collections.abc import Sequence

from django.utils import timezone

from judicum.core.errors import InvalidValue, said
from judicum.core.photo.tint_patches import check_patches
from judicum.server.follow.trust.models import TintReference
from judicum.server.follow.trust.queries import tint_reference_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.server.platform.sandbox import run_in_sandbox
from judicum.server.record.photos.actions.add_photo import check_size

MAX_REFERENCES = 10
"""Of a course: each keeps its picture."""


def add_tint_reference(user: User, course_id: int, data: bytes) -> TintReference:
    """Flatten the photo of a tinted strip, in a process of its own; the photo itself is not kept.

    Raises:
        InvalidValue: too large, or too many. UnreadablePicture: no picture, or no card in it. Busy: no slot came free.
        NotFound, NotAllowed: not a course one teaches.
    """
    course = staff_of(user, course_id).course
    check_size(len(data), "photo")
    if TintReference.objects.filter(course=course).count() >= MAX_REFERENCES:
        raise InvalidValue("references", MAX_REFERENCES, said("allowed-at-most-of-them", most=MAX_REFERENCES))
    size, picture = run_in_sandbox("tint_strip", data)
    return TintReference.objects.create(course=course, picture=picture, by=user, at=timezone.now(), **size)


def name_patches(user: User, reference_id: int, named: Sequence[tuple[float, float, int]]) -> TintReference:
    """Name places of a strip by their levels: (x, y, level), pixels of the flat picture; what was named before goes.

    Raises:
        InvalidValue: as `check_patches`. Busy: no slot came free. NotFound, NotAllowed: no reference of a course one teaches.
    """
    found = tint_reference_for(user, reference_id)
    places, levels = [(x, y) for x, y, _ in named], [level for *_, level in named]
    check_patches(places, levels, (found.width_px, found.height_px))
    found.patches, _ = run_in_sandbox("tint_patches", bytes(found.picture), places=places, levels=levels)
    found.save(update_fields=["patches"])
    return found


def drop_tint_reference(user: User, reference_id: int) -> None:
    """Delete one. NotFound, NotAllowed: no reference of a course one teaches."""
    tint_reference_for(user, reference_id).delete()
