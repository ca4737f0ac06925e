"""Two hundred thousand attempts for `./judicum bench-load`, written by the database itself.

One large course of a hundred people with a thousand attempts each, a class of thirty with sixty each, and forty of twenty-five
with a hundred: about 200,000.
Every attempt has its run, a photo, a measurement and its figures; nine in ten are marked and returned. A tenth of the
measurements carry a whole report as a photo of a bead gives it; the others one without its profile, or the disk would be
filled by copies of one report.
"""

import json
import os
from datetime import date
from typing import Any

LARGE = (1, 100, 125)
CLASS = (1, 30, 8)
SMALL = (40, 25, 13)
"""Courses, students in each, attempts of each at every coupon."""
COUPONS = 8


def fill() -> dict[str, Any]:
    """Write everything; the ids that users will ask for."""
    from django.core.files.base import ContentFile
    from django.core.files.storage import default_storage
    from django.db import connection

    from judicum.bench.course import drawn
    from judicum.core.photo.ingest import ingest
    from judicum.core.photo.measure import measure_photo
    from judicum.server.catalogue.coupons.library import load_library
    from judicum.server.catalogue.coupons.models import Design
    from judicum.words.photo import report_in_words

    load_library()
    jpeg = drawn()
    measured = measure_photo(jpeg, "bead.jpg")
    assert measured.bead is not None
    report, overlay = report_in_words(measured), measured.bead.overlay()
    shown = default_storage.save("shown/bench.jpg", ContentFile(ingest(jpeg).shown))
    designs = [d.pk for d in Design.objects.filter(version=1, course=None).order_by("pk")[:COUPONS]]
    figures: dict[str, Any] = {
        "full": json.dumps(report),
        "thin": json.dumps({**report, "profile": None}),
        "overlay": json.dumps(overlay),
        "bead": json.dumps(measured.bead.as_json()),
        "shown": shown,
        "designs": designs,
        "due": date.today(),
    }
    with connection.cursor() as cursor:
        for courses, students, attempts in (LARGE, CLASS, SMALL):
            values = {**figures, "courses": courses, "students": students, "attempts": attempts}
            for statement in STATEMENTS:
                cursor.execute(statement, values)
        cursor.execute("VACUUM ANALYZE")
        cursor.execute("CHECKPOINT")
        cursor.execute("SELECT count(*) FROM attempts_attempt")
        made = cursor.fetchone()
    # What is still to be written to the disk would be written under the measuring.
    os.sync()
    return {"attempts": made[0] if made else 0}


STATEMENTS = (
    # Courses that were made just now are told from earlier ones by having no members.
    """INSERT INTO accounts_workshop (name, second_factor, created_at)
    SELECT 'Bench', false, now() WHERE NOT EXISTS (SELECT 1 FROM accounts_workshop)""",
    """INSERT INTO courses_course (workshop_id, name, join_code, created_at, pedal_school, start_school, finish, unit_system, sequence,
        purge_school, solvent, locale, second_share, time_zone)
    SELECT (SELECT min(id) FROM accounts_workshop), 'Course ' || n, substr(md5(%(students)s || '-' || n), 1, 8), now(), 'target', 'quick', 'warm', 'metric',
        'stainless', 'always', 'acetone', 'en-GB', 0, 'UTC' FROM generate_series(1, %(courses)s) n""",
    """INSERT INTO accounts_user (workshop_id, password, last_login, username, skeleton, display_name, length_unit, flow_unit, is_active, signed_out)
    SELECT (SELECT min(id) FROM accounts_workshop), '!', NULL, name, name, initcap(name), 'mm', 'l_min', true, 0 FROM (
        SELECT 'c' || c.id || CASE n WHEN 0 THEN 'teacher' ELSE 'welder' || n END AS name
        FROM courses_course c CROSS JOIN generate_series(0, %(students)s) n
        WHERE NOT EXISTS (SELECT 1 FROM courses_membership m WHERE m.course_id = c.id)) made""",
    """INSERT INTO courses_membership (course_id, user_id, role, joined_at)
    SELECT c.id, u.id, CASE WHEN u.username LIKE '%%teacher' THEN 'instructor' ELSE 'student' END, now()
    FROM courses_course c JOIN accounts_user u ON u.username ~ ('^c' || c.id || '[tw]')
    WHERE NOT EXISTS (SELECT 1 FROM courses_membership m WHERE m.course_id = c.id)""",
    """INSERT INTO coupons_assignment (course_id, design_id, target_width_mm, finish, good_in_a_row, due_on,
        created_by_id, created_at, scheme)
    SELECT m.course_id, d.id, d.target_width_mm, 'warm', 3, %(due)s, m.user_id, now(), 'training'
    FROM courses_membership m CROSS JOIN coupons_design d
    WHERE m.role = 'instructor' AND d.id = ANY(%(designs)s)
        AND NOT EXISTS (SELECT 1 FROM coupons_assignment a WHERE a.course_id = m.course_id)""",
    """INSERT INTO attempts_attempt (course_id, assignment_id, student_id, number, state, version, prepared, by_hand, answer,
        created_at, updated_at, shown_state, shown_version, shown_at)
    SELECT a.course_id, a.id, m.user_id, n, CASE
            WHEN n < %(attempts)s THEN 'returned'
            WHEN (a.id + m.user_id) %% 5 = 0 THEN 'assigned' WHEN (a.id + m.user_id) %% 5 = 1 THEN 'logged'
            WHEN (a.id + m.user_id) %% 5 = 2 THEN 'marked' ELSE 'measured' END,
        6, '[]', '{}', '', now() - ((%(attempts)s - n) * 700 + (m.user_id * 7 + a.id) %% 600) * interval '1 minute',
        now() - ((%(attempts)s - n) * 700 + (m.user_id * 7 + a.id) %% 600) * interval '1 minute',
        'returned', 6, now()
    FROM coupons_assignment a JOIN courses_membership m ON m.course_id = a.course_id AND m.role = 'student'
    CROSS JOIN generate_series(1, %(attempts)s) n
    WHERE NOT EXISTS (SELECT 1 FROM attempts_attempt t WHERE t.course_id = a.course_id)""",
    """UPDATE attempts_attempt SET shown_at = updated_at,
        shown_state = CASE state WHEN 'marked' THEN 'measured' ELSE state END WHERE shown_at <> updated_at""",
    """INSERT INTO attempts_run (attempt_id, number, current_a, gas_l_min, cup, travel_mm_s, restarts_mm, note, measured)
    SELECT t.id, 1, 45 + t.id %% 20, 8 + t.id %% 5, 10, 2.5, '[]', '', '[]' FROM attempts_attempt t
    WHERE t.state <> 'assigned' AND NOT EXISTS (SELECT 1 FROM attempts_run r WHERE r.attempt_id = t.id)""",
    """INSERT INTO photos_storedpicture (sha256, media_type, bytes, width_px, height_px, original, shown, cleaned)
    SELECT 'bench-' || t.id, 'image/jpeg', 900000, 3264, 2448, %(shown)s, %(shown)s, true FROM attempts_attempt t
    WHERE t.state NOT IN ('assigned', 'logged') ON CONFLICT DO NOTHING""",
    """INSERT INTO photos_photo (attempt_id, picture_id, kind, angles, name, sent_by_id, sent_at, request_id)
    SELECT t.id, 'bench-' || t.id, 'bead', '{}', 'bead.jpg', t.student_id, t.updated_at, '' FROM attempts_attempt t
    WHERE t.state NOT IN ('assigned', 'logged')
        AND NOT EXISTS (SELECT 1 FROM photos_photo p WHERE p.attempt_id = t.id)""",
    """INSERT INTO photos_measurement (photo_id, state, engine_version, report, overlay, bead, refusal_code, strip,
        requested_at, finished_at)
    SELECT p.id, 'done', '3.0', CASE WHEN p.id %% 10 = 0 THEN %(full)s::jsonb ELSE %(thin)s::jsonb END,
        CASE WHEN p.id %% 10 = 0 THEN %(overlay)s::jsonb END, CASE WHEN p.id %% 10 = 0 THEN %(bead)s::jsonb END,
        '', %(shown)s, p.sent_at, p.sent_at
    FROM photos_photo p WHERE NOT EXISTS (SELECT 1 FROM photos_measurement m WHERE m.photo_id = p.id)""",
    """INSERT INTO photos_measurementsummary (attempt_id, measurement_id, engine_version, refusal_code, corrected, has_strip,
        strip_query, length_mm, width_mean_mm, width_cv, pitch_cv, tint_level, tint_name, toe_waviness, faults)
    SELECT p.attempt_id, m.id, '3.0', '', false, true, '', 70 + m.id %% 20, 4 + (m.id %% 17) * 0.1,
        0.03 + (m.id %% 23) * 0.005, 0.06 + (m.id %% 19) * 0.01, m.id %% 7, 'straw', 0.05,
        CASE WHEN m.id %% 4 = 0 THEN '[{"kind": "pore", "s_mm": 20}]' ELSE '[]' END::jsonb
    FROM photos_measurement m JOIN photos_photo p ON p.id = m.photo_id
    WHERE NOT EXISTS (SELECT 1 FROM photos_measurementsummary f WHERE f.attempt_id = p.attempt_id)""",
    """INSERT INTO marking_mark (attempt_id, measurement_id, scheme_id, scores, not_applying, suggested, readings, knocked,
        waived, total, passed, comment, next_change, marked_by_id, marked_at, returned_at)
    SELECT t.id, f.measurement_id, (SELECT id FROM schemes_scheme WHERE code = 'training' LIMIT 1), '{"tint": 7}', '[]',
        '{"tint": 6.5}', '{"tint": 0.5}', '[]', '[]', 50 + t.id %% 50, 50 + t.id %% 50 >= 70, 'Steadier.',
        'Slow down at the end.', m.user_id, t.updated_at,
        CASE WHEN t.state = 'returned' THEN t.updated_at END
    FROM attempts_attempt t JOIN photos_measurementsummary f ON f.attempt_id = t.id
    JOIN courses_membership m ON m.course_id = t.course_id AND m.role = 'instructor'
    WHERE t.state IN ('returned', 'marked') AND NOT EXISTS (SELECT 1 FROM marking_mark k WHERE k.attempt_id = t.id)""",
    """INSERT INTO attempts_event (attempt_id, actor_id, at, kind, data)
    SELECT t.id, t.student_id, t.updated_at, kind, '{}' FROM attempts_attempt t
    CROSS JOIN unnest(ARRAY['open', 'log', 'add_photo', 'measure']) kind
    WHERE NOT EXISTS (SELECT 1 FROM attempts_event e WHERE e.attempt_id = t.id)""",
)
