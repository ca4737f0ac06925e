"""The way from tables of before to those of now."""

import subprocess
import sys
from pathlib import Path

import psycopg
import pytest
from django.db import connection

BEFORE = Path(__file__).parent / "data" / "tables-2026-11-30.dump"
"""A database as it was before names became plain: a course with one measured attempt, in PostgreSQL's own format."""
COLUMNS = """
SELECT table_name, column_name, data_type, is_nullable, character_maximum_length FROM information_schema.columns
WHERE table_schema = 'public' ORDER BY 1, 2
"""
CONSTRAINTS = """
SELECT conrelid::regclass::text, pg_get_constraintdef(oid) FROM pg_constraint
WHERE connamespace = 'public'::regnamespace ORDER BY 1, 2
"""
INDEXES = """
SELECT tablename, regexp_replace(indexdef, 'INDEX \\S+ ON|::character varying|::text|\\[\\]|[()]', '', 'g')
FROM pg_indexes WHERE schemaname = 'public' ORDER BY 1, 2
"""
"""Without names, which hold a hash, and without the casts that PostgreSQL writes anew when it restores."""
TRIGGERS = "SELECT tgrelid::regclass::text, tgname FROM pg_trigger WHERE NOT tgisinternal ORDER BY 1, 2"


@pytest.mark.django_db
@pytest.mark.usefixtures("db")
def test_tables_of_before_come_up_as_those_of_now_and_keep_their_rows(empty: dict[str, str]) -> None:
    url = empty["JUDICUM_DATABASE_URL"]
    restore = next(Path("/usr/lib/postgresql").glob("*/bin/pg_restore"))
    subprocess.run([restore, "--no-owner", "-d", url.replace("postgres:", "postgresql:"), BEFORE], check=True)
    migrate = [sys.executable, "-m", "django", "migrate", "--verbosity", "0"]
    subprocess.run(migrate, check=True, env=empty)
    subprocess.run([*migrate, "--check"], check=True, env=empty)
    with psycopg.connect(url) as moved, connection.cursor() as fresh:
        for question in (COLUMNS, CONSTRAINTS, INDEXES, TRIGGERS):
            fresh.execute(question)
            assert moved.execute(question).fetchall() == fresh.fetchall()
        assert moved.execute("SELECT cause, confirmed FROM causes_verdict").fetchall() == [("flow_low", True)]
        assert moved.execute("SELECT tint_level FROM photos_measurementsummary").fetchall() == [(1,)]
        assert moved.execute("SELECT kinds FROM notices_notificationpreference").fetchall() == [(["due"],)]
        assert moved.execute("SELECT minutes FROM evenings_boothslot").fetchall() == [(30,)]
        assert moved.execute("SELECT count(*) FROM evenings_calendarsubscription").fetchall() == [(1,)]
        assert moved.execute("SELECT photo_retention_days FROM accounts_workshop ORDER BY id").fetchall()[0] == (400,)
