"""Repeat studies: the same beads photographed again and again, and what differs."""

from datetime import datetime

from judicum.server.answers.base import Answer, Request


class StudyRequest(Request):
    """How many beads, the names of who photographs with which phones, and how often each."""

    beads: int
    people: list[str]
    phones: list[str]
    photos: int


class StudyTurn(Answer):
    """A photo to be taken: its turn from 0, the bead's number from 1, who takes it, with which phone."""

    turn: int
    bead: int
    person: str
    phone: str


class StudyPhoto(Answer):
    """What a photo of the study said, in words."""

    turn: int
    bead: int
    words: str


class StudyFigure(Answer):
    """What differs of one figure, as standard deviations in words with their unit; the measuring's share of all that differs, and how
    many classes of beads it tells apart."""

    name: str
    repeat: str
    people: str
    phones: str
    measuring: str
    beads: str
    share: float
    classes: int


class StudyConsistency(Answer):
    """How alike photos of one bead are told: share of pairs of photos that agree, and Fleiss' kappa; null where all are told the same."""

    name: str
    share: float
    kappa: float | None


class Study(Answer):
    """A repeat study: `next` is the photo to be taken, null once all are; `last` the newest; figures stand when all are taken."""

    id: int
    started_at: datetime
    beads: int
    people: list[str]
    phones: list[str]
    photos: int
    total: int
    done: int
    next: StudyTurn | None
    last: StudyPhoto | None
    figures: list[StudyFigure]
    consistency: list[StudyConsistency]
    said: list[str]


class StudyLimits(Answer):
    """Least and most ([from, to]) of each, and most photos together."""

    beads: list[int]
    people: list[int]
    phones: list[int]
    photos: list[int]
    total: int


class Studies(Answer):
    """The course's studies, the newest first."""

    studies: list[Study]
    limits: StudyLimits
