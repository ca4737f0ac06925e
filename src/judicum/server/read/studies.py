"""Repeat studies of a course, as their page and their sheet show them."""

from collections import defaultdict
from collections.abc import Sequence

from django.db.models import Prefetch

from judicum.core.trust import repeat
from judicum.server.answers.studies import (
    Studies,
    Study,
    StudyConsistency,
    StudyFigure,
    StudyLimits,
    StudyPhoto,
    StudyTurn,
)
from judicum.server.follow.trust import models
from judicum.server.follow.trust.queries import study_for
from judicum.server.people.accounts.models import User
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.queries import staff_of
from judicum.server.read.reports.contents import StripShown
from judicum.server.read.reports.pdf.study import study_sheet
from judicum.words.catalogue import t
from judicum.words.names import field_name, listed, named
from judicum.words.units import Units, date_words, format_figure

LENGTHS = ("width_mm", "pitch_mm")
COMPARED = ("width_mm", "width_cv", "pitch_mm", "pitch_cv")
"""Figures of a photo that are taken apart."""
LIMITS = StudyLimits(
    beads=list(repeat.BEADS),
    people=list(repeat.PEOPLE),
    phones=list(repeat.PHONES),
    photos=list(repeat.PHOTOS),
    total=repeat.MAX_TURNS,
)
TELLS = ((5, "study-tells-well"), (2, "study-tells-badly"), (0, "study-tells-nothing"))
"""What is said from so many classes on: five are enough, of one bead class nothing is told [src: montgomery-runger-1993]."""


def studies_page(user: User, course_id: int) -> Studies:
    """The studies of a course one teaches. Raises NotFound, NotAllowed."""
    course = staff_of(user, course_id).course
    rows = models.RepeatStudy.objects.filter(course=course).prefetch_related(_without_strips())
    return Studies(studies=[_study(row, units_of(user)) for row in rows], limits=LIMITS)


def study_page(user: User, study_id: int) -> Study:
    """One study of a course one teaches. Raises NotFound, NotAllowed."""
    return _study(study_for(user, study_id), units_of(user))


def study_pdf(user: User, study_id: int, paper: str) -> bytes:
    """A study as a printed report with a strip of each bead. Raises NotFound, NotAllowed; InvalidValue: no such paper."""
    row, units = study_for(user, study_id), units_of(user)
    title = t("print-study", course=row.course.name, date=date_words(row.started_at.date()))
    strips = []
    for bead, photos in sorted(_by_bead(row).items()):
        widths = [photo.figures["width_mm"] for photo in photos]
        caption = t(
            "print-study-strip",
            bead=bead + 1,
            low=format_figure(min(widths), "length", units, 2),
            high=format_figure(max(widths), "length", units, 2),
        )
        strips.append(StripShown(caption, bytes(photos[0].strip), photos[0].wide_mm))
    return study_sheet(_study(row, units), title, strips, paper)


def _without_strips() -> "Prefetch[str]":
    """The photos of studies, without their strips."""
    return Prefetch("photos", models.StudyPhoto.objects.defer("strip"))


def _study(row: models.RepeatStudy, units: Units) -> Study:
    photos = list(row.photos.all())
    taken = {photo.turn for photo in photos}
    turn = next((number for number in range(len(row.turns)) if number not in taken), None)
    newest = max(photos, key=lambda photo: photo.at, default=None)
    figures = _figures(row, photos, units) if turn is None else []
    consistency = _consistency(row) if turn is None else []
    return Study(
        id=row.pk,
        started_at=row.started_at,
        beads=row.beads,
        people=row.people,
        phones=row.phones,
        photos=len(row.turns) // (row.beads * len(row.people) * len(row.phones)),
        total=len(row.turns),
        done=len(photos),
        next=None if turn is None else _turn(row, turn),
        last=None if newest is None else _photo(row, newest, units),
        figures=figures,
        consistency=consistency,
        said=_said(figures, consistency) if turn is None else [],
    )


def _turn(row: models.RepeatStudy, turn: int) -> StudyTurn:
    bead, person, phone = row.turns[turn]
    return StudyTurn(turn=turn, bead=bead + 1, person=row.people[person], phone=row.phones[phone])


def _photo(row: models.RepeatStudy, photo: models.StudyPhoto, units: Units) -> StudyPhoto:
    faults = listed([named("fault", kind) for kind in photo.figures["faults"]]) or t("study-no-faults")
    width = format_figure(photo.figures["width_mm"], "length", units, 2)
    bead = row.turns[photo.turn][0] + 1
    return StudyPhoto(turn=photo.turn, bead=bead, words=t("study-photo", bead=bead, width=width, faults=faults))


def _by_bead(row: models.RepeatStudy) -> dict[int, list[models.StudyPhoto]]:
    found: dict[int, list[models.StudyPhoto]] = defaultdict(list)
    for photo in row.photos.all():
        found[row.turns[photo.turn][0]].append(photo)
    return found


def _figures(row: models.RepeatStudy, photos: Sequence[models.StudyPhoto], units: Units) -> list[StudyFigure]:
    """Each figure that every photo told, taken apart."""
    found = []
    for key in COMPARED:
        values = [photo.figures[key] for photo in photos]
        if any(value is None for value in values):
            continue
        readings = [_reading(row.turns[photo.turn], value) for photo, value in zip(photos, values, strict=True)]
        if (parts := repeat.study(readings)) is None:
            continue

        def words(value: float, key: str = key) -> str:
            return format_figure(value, "length", units, 3) if key in LENGTHS else f"{100 * value:.1f}%"

        found.append(
            StudyFigure(
                name=field_name(key),
                repeat=words(parts.repeat),
                people=words(parts.people) if len(row.people) > 1 else "–",
                phones=words(parts.phones) if len(row.phones) > 1 else "–",
                measuring=words(parts.measuring),
                beads=words(parts.part),
                share=parts.share,
                classes=parts.classes,
            )
        )
    return found


def _reading(turn: Sequence[int], value: float) -> repeat.Reading:
    bead, person, phone = map(str, turn)
    return repeat.Reading(bead, person, phone, value)


def _consistency(row: models.RepeatStudy) -> list[StudyConsistency]:
    """Tint, and each kind of fault that any photo told, by how alike photos of one bead are."""
    beads = {str(bead): photos for bead, photos in _by_bead(row).items()}
    kinds = sorted({kind for photos in beads.values() for photo in photos for kind in photo.figures["faults"]})
    by_name = {t("study-tint"): {bead: [photo.figures["tint"] for photo in photos] for bead, photos in beads.items()}}
    for kind in kinds:
        by_name[named("fault", kind)] = {
            bead: [str(kind in photo.figures["faults"]) for photo in photos] for bead, photos in beads.items()
        }
    return [
        StudyConsistency(name=name, **vars(found))
        for name, by_bead in by_name.items()
        if (found := repeat.consistency(by_bead)) is not None
    ]


def _said(figures: Sequence[StudyFigure], consistency: Sequence[StudyConsistency]) -> list[str]:
    """What it means, in words."""
    lines = [
        t(
            next(name for least, name in TELLS if one.classes >= least),
            name=one.name,
            measuring=one.measuring,
            classes=one.classes,
        )
        for one in figures
    ]
    return lines + [t("study-consistency", name=one.name, share=f"{100 * one.share:.0f}") for one in consistency]
