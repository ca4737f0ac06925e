"""Tint references of a course, as their page shows them."""

from statistics import median

from judicum.core.photo.tint_patches import ALIKE_DE, Patch
from judicum.server.answers.tint_references import TintPatch, TintReference, TintReferences
from judicum.server.follow.trust import models
from judicum.server.follow.trust.queries import tint_reference_for
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of
from judicum.words.catalogue import t
from judicum.words.names import tint_name


def tint_references(user: User, course_id: int) -> TintReferences:
    """Those of a course one teaches. Raises NotFound, NotAllowed."""
    course = staff_of(user, course_id).course
    rows = models.TintReference.objects.filter(course=course).defer("picture")
    return TintReferences(references=[tint_reference(row) for row in rows])


def tint_picture(user: User, reference_id: int) -> bytes:
    """The flat picture of one, a PNG file. Raises NotFound, NotAllowed."""
    return bytes(tint_reference_for(user, reference_id).picture)


def tint_reference(row: models.TintReference) -> TintReference:
    """One in words."""
    patches = [Patch(**one) for one in row.patches]
    return TintReference(
        id=row.pk,
        at=row.at,
        picture=f"/api/tint-references/{row.pk}/picture",
        width_px=row.width_px,
        height_px=row.height_px,
        patches=[TintPatch(**vars(one)) for one in patches],
        said=_said(patches),
    )


def _said(patches: list[Patch]) -> list[str]:
    if not patches:
        return []
    same = sum(one.is_alike for one in patches)
    away = median(one.distance for one in patches)  # a place that was named wrongly says nothing of the light
    lines = [t("tint-strip-alike", count=len(patches), same=same)]
    lines += [
        t("tint-strip-otherwise", named=tint_name(one.level), read=tint_name(one.read_level))
        for one in patches
        if not one.is_alike
    ]
    return [
        *lines,
        t("tint-strip-near" if away <= ALIKE_DE else "tint-strip-far", away=f"{away:.0f}", half=f"{ALIKE_DE:g}"),
    ]
