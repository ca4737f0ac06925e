"""Addresses that QR codes lead to: the page reads the same ones (web/src/features/attempt/scan.ts)."""


def booth_path(course_id: int, attempt_id: int) -> str:
    """The booth view of an attempt."""
    return f"course/{course_id}/attempt/{attempt_id}/booth"


def at_booth_path(course_id: int, booth_id: int) -> str:
    """Being at a booth: it is set for one's open attempts."""
    return f"course/{course_id}/at-booth/{booth_id}"
