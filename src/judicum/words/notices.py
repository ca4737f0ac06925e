"""What the server writes by mail."""

from collections.abc import Mapping, Sequence
from datetime import date

from judicum.words.units import date_words

KINDS = {
    "due": "a coupon is due tomorrow",
    "returned": "a mark is returned",
    "again": "a coupon needs welding or photographing again",
    "low": "stock in a course I teach is low",
}
"""What somebody may ask to hear of by mail."""
_HEADS = {
    "due": "Due tomorrow",
    "returned": "Marked and returned",
    "again": "To do again",
    "low": "Low stock",
}
NO_ANSWER = "Don't reply; this mailbox isn't monitored. Change your mail settings on your account page."


def digest(name: str, day: date, news: Mapping[str, Sequence[str]], address: str) -> tuple[str, str]:
    """Subject and text of somebody's mail of the day; `news` are lines by kind.

    >>> subject, text = digest("Alma", date(2026, 11, 27), {"due": ["Bead on plate"]}, "http://here/")
    >>> subject
    'Judicum, 27 Nov 2026: 1 due tomorrow'
    >>> text.splitlines()[2:4]
    ['Due tomorrow', '- Bead on plate']
    """
    kinds = [kind for kind in KINDS if news.get(kind)]
    parts = [f"{len(news[kind])} {_HEADS[kind].lower()}" for kind in kinds]
    text = [f"{name}, here is your news.", ""]
    for kind in kinds:
        text += [_HEADS[kind], *(f"- {line}" for line in news[kind]), ""]
    return f"Judicum, {date_words(day)}: {', '.join(parts)}", "\n".join([*text, address, "", NO_ANSWER, ""])


def reset_mail(name: str, address: str) -> tuple[str, str]:
    """Subject and text of the mail with the link for a new password."""
    text = f"""{name}, someone asked to reset your password. Use this link once, within a day:

{address}

If it was not you, ignore this mail. Your password has not changed.
"""
    return "Judicum: reset your password", text


def coupon_line(title: str, number: int | None, course: str) -> str:
    """An attempt, or a coupon, in a line of the digest.

    >>> coupon_line("Bead on plate", 2, "Evening course")
    'Bead on plate, attempt 2 (Evening course)'
    """
    return f"{title}{f', attempt {number}' if number else ''} ({course})"


def low_line(kinds: str, course: str) -> str:
    """What is told on a course's desk of its store, in a line of the digest."""
    return f"{kinds} ({course})"
