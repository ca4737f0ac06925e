"""What the server writes by mail."""

from collections.abc import Mapping, Sequence
from datetime import date

from judicum.words.catalogue import t
from judicum.words.units import date_words

KINDS = ("due", "returned", "again", "low")
"""What somebody may ask to hear of by mail."""


def digest(name: str, day: date, news: Mapping[str, Sequence[str]], address: str) -> tuple[str, str]:
    """Subject and text of somebody's mail of the day; `news` are lines by kind.

    >>> subject, text = digest("Alma", date(2026, 11, 27), {"due": ["Bead on plate"]}, "http://here/")
    >>> subject
    'Judicum, 27 Nov 2026: 1 due tomorrow'
    >>> text.splitlines()[2:4]
    ['Due tomorrow', '- Bead on plate']
    """
    kinds = [kind for kind in KINDS if news.get(kind)]
    counts = ", ".join(t(f"mail-count-{kind}", count=len(news[kind])) for kind in kinds)
    text = [t("mail-news", name=name), ""]
    for kind in kinds:
        text += [t(f"mail-head-{kind}"), *(f"- {line}" for line in news[kind]), ""]
    subject = t("mail-subject", date=date_words(day), counts=counts)
    return subject, "\n".join([*text, address, "", t("mail-no-answer"), ""])


def reset_mail(name: str, address: str) -> tuple[str, str]:
    """Subject and text of the mail with the link for a new password."""
    lines = [t("mail-reset", name=name), "", address, "", t("mail-reset-not-you"), ""]
    return t("mail-reset-subject"), "\n".join(lines)


def coupon_line(title: str, number: int | None, course: str) -> str:
    """An attempt, or a coupon, in a line of the digest.

    >>> coupon_line("Bead on plate", 2, "Evening course")
    'Bead on plate, attempt 2 (Evening course)'
    """
    if number is None:
        return t("mail-line", what=title, course=course)
    return t("mail-attempt-line", title=title, number=number, course=course)


def low_line(kinds: str, course: str) -> str:
    """What is told on a course's desk of its store, in a line of the digest."""
    return t("mail-line", what=kinds, course=course)
