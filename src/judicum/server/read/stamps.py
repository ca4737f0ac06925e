"""Whether anything that a page of a course shows has changed since: asked in one statement, instead of reading the page anew.

Every row of PostgreSQL says which transaction wrote it (`xmin`), which only grows. The number of rows and the sum of these change
with every insert, change and removal, whoever makes it. Of attempts, of which there are many, the number and the sum of versions
are read off an index: whatever is done to one (marks, causes, figures, runs, photos) raises its version (`transitions.advance`).
"""

from django.db import connection

_ROWS = "(SELECT count(*) || ' ' || coalesce(sum(t.xmin::text::bigint), 0) FROM {table} t WHERE {where})"
_ATTEMPTS = "(SELECT count(*) || ' ' || coalesce(sum(version), 0) FROM attempts_attempt WHERE {where})"


def _statement(attempts: str) -> str:
    """`attempts` is the condition on attempts: a statement of its own for each, so that each is planned for its index."""
    parts = [
        "(SELECT role FROM courses_membership WHERE course_id = %(course)s AND user_id = %(user)s)",
        _ATTEMPTS.format(where=attempts),
        _ROWS.format(table="courses_course", where="t.id = %(course)s"),
        _ROWS.format(table="courses_membership", where="t.course_id = %(course)s"),
        _ROWS.format(
            table="accounts_user", where="t.id IN (SELECT user_id FROM courses_membership WHERE course_id = %(course)s)"
        ),
        _ROWS.format(table="coupons_assignment", where="t.course_id = %(course)s"),
        _ROWS.format(table="coupons_design", where="t.course_id = %(course)s OR t.course_id IS NULL"),
        _ROWS.format(table="schemes_scheme", where="t.course_id = %(course)s OR t.course_id IS NULL"),
        _ROWS.format(table="photos_measurement", where="t.state IN ('waiting', 'measuring')"),
    ]
    return f"SELECT {', '.join(parts)}"


_OF_COURSE = _statement("course_id = %(course)s")
_OF_STUDENT = _statement("course_id = %(course)s AND student_id = %(student)s")
Stamp = tuple[str | None, ...]
"""The person's role in the course (None: in none), then what every table says."""


def stamp_of(user_id: int, course_id: int, student_id: int | None = None) -> Stamp:
    """The state of all that a page of the course shows this person; `student_id` where it shows one student's attempts alone."""
    with connection.cursor() as cursor:
        asked = {"course": course_id, "user": user_id, "student": student_id}
        cursor.execute(_OF_COURSE if student_id is None else _OF_STUDENT, asked)
        row = cursor.fetchone()
    return tuple(row) if row else (None,)


def whose(attempt_id: int) -> tuple[int, int] | None:
    """The course and the student of an attempt; None where there is none."""
    with connection.cursor() as cursor:
        cursor.execute("SELECT course_id, student_id FROM attempts_attempt WHERE id = %s", [attempt_id])
        row = cursor.fetchone()
    return (row[0], row[1]) if row else None
