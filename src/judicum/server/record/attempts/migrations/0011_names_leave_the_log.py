"""Where somebody is removed, their name leaves the words of the log; nothing else of an event ever changes."""

from django.db import migrations

LET_NAMES_OUT = """
CREATE OR REPLACE FUNCTION attempts_event_is_final() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF TG_OP = 'UPDATE' AND current_setting('judicum.removing', true) = 'on'
        AND (NEW.id, NEW.attempt_id, NEW.actor_id, NEW.at, NEW.kind)
            IS NOT DISTINCT FROM (OLD.id, OLD.attempt_id, OLD.actor_id, OLD.at, OLD.kind) THEN
        RETURN NEW;
    END IF;
    RAISE EXCEPTION 'the log of an attempt is only added to' USING ERRCODE = 'restrict_violation';
END $$;
"""
AS_BEFORE = """
CREATE OR REPLACE FUNCTION attempts_event_is_final() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    RAISE EXCEPTION 'the log of an attempt is only added to' USING ERRCODE = 'restrict_violation';
END $$;
"""


class Migration(migrations.Migration):
    dependencies = [("attempts", "0010_second_marks")]
    operations = [migrations.RunSQL(LET_NAMES_OUT, AS_BEFORE)]
