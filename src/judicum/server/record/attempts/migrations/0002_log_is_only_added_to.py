"""The log of an attempt is only added to: the database refuses to change or remove an event."""

from django.db import migrations

FORBID = """
CREATE FUNCTION attempts_event_is_final() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    RAISE EXCEPTION 'the log of an attempt is only added to' USING ERRCODE = 'restrict_violation';
END $$;
CREATE TRIGGER attempts_event_final BEFORE UPDATE OR DELETE ON attempts_event
    FOR EACH ROW EXECUTE FUNCTION attempts_event_is_final();
"""
ALLOW = """
DROP TRIGGER attempts_event_final ON attempts_event;
DROP FUNCTION attempts_event_is_final();
"""


class Migration(migrations.Migration):
    dependencies = [("attempts", "0001_initial")]
    operations = [migrations.RunSQL(FORBID, ALLOW)]
