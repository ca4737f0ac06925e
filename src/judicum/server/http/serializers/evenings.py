"""Evenings over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.core.planning.booths import FEATURES
from judicum.core.planning.rota import USUAL_CHANGEOVER, Plan
from judicum.core.setup import RUN
from judicum.server.follow.evenings.machine import Machine
from judicum.server.follow.evenings.models import Booth, BoothNote, Session, Sitting
from judicum.server.follow.evenings.queries import Evenings, Work
from judicum.server.http.serializers.accounts import PersonSerializer
from judicum.server.http.serializers.attempts import RunSerializer
from judicum.words import Units
from judicum.words.evenings import bring_words, set_words, unplaced_words, when_words


class MakeSessionsSerializer(serializers.Serializer[Any]):
    """One session, or one on the same weekday of so many weeks but for the days in `without`."""

    first = serializers.DateField()
    start = serializers.TimeField()
    minutes = serializers.IntegerField()
    weeks = serializers.IntegerField(default=1)
    without = serializers.ListField(child=serializers.DateField(), default=list, max_length=100)


class TimeZoneSerializer(serializers.Serializer[Any]):
    time_zone = serializers.CharField(max_length=400)


class SetBoothSerializer(serializers.Serializer[Any]):
    name = serializers.CharField(max_length=400)
    has = serializers.ListField(child=serializers.CharField(max_length=40), max_length=40)
    broken = serializers.CharField(allow_blank=True, default="", max_length=2000)
    closed = serializers.ListField(child=serializers.IntegerField(), default=list, max_length=200)


class SetAttendanceSerializer(serializers.Serializer[Any]):
    student = serializers.IntegerField()
    there = serializers.BooleanField(allow_null=True)


class DoorSerializer(serializers.Serializer[Any]):
    code = serializers.CharField(max_length=40)


class PlaceByHandSerializer(serializers.Serializer[Any]):
    """Somebody placed by hand: minutes from the session's beginning."""

    assignment = serializers.IntegerField()
    student = serializers.IntegerField()
    session = serializers.IntegerField()
    booth = serializers.IntegerField()
    start = serializers.IntegerField(min_value=0, max_value=1439)


class EveningSerializer(serializers.ModelSerializer[Session]):
    start = serializers.TimeField(format="%H:%M")

    class Meta:
        model = Session
        fields = ("id", "date", "start", "minutes", "door_code")


class BoothSerializer(serializers.Serializer[Any]):
    id = serializers.IntegerField()
    name = serializers.CharField()
    has = serializers.ListField(child=serializers.ChoiceField(choices=tuple(FEATURES)))
    broken = serializers.CharField(allow_blank=True)
    closed = serializers.ListField(child=serializers.IntegerField())


class ReportBrokenSerializer(serializers.Serializer[Any]):
    text = serializers.CharField(max_length=2000)


class BoothNoteSerializer(serializers.ModelSerializer[BoothNote]):
    """What was broken at a booth, from when to when, and who said so."""

    by = PersonSerializer(allow_null=True)

    class Meta:
        model = BoothNote
        fields = ("id", "booth", "text", "at", "by", "mended_at")


class BoothNameSerializer(serializers.ModelSerializer[Booth]):
    class Meta:
        model = Booth
        fields = ("id", "name", "broken")


class WeldAtSerializer(serializers.Serializer[Any]):
    booth = serializers.IntegerField()


class WorkedAtSerializer(serializers.Serializer[Any]):
    """What was set the last time this coupon passed at this machine, in words, and as a run to start from."""

    at = serializers.DateTimeField()
    words = serializers.ListField(child=serializers.CharField())
    run = RunSerializer()


class MachineSerializer(serializers.Serializer[Any]):
    """Where an attempt is welded, and what that machine remembers."""

    booth = serializers.IntegerField(allow_null=True)
    booths = BoothNameSerializer(many=True)
    worked = WorkedAtSerializer(allow_null=True)


def told_machine(found: Machine, units: Units) -> dict[str, Any]:
    """A machine as `MachineSerializer` describes it."""
    worked = found.worked and {
        "at": found.worked.at, "words": set_words(found.worked.run, units), "run": {key: found.worked.run[key] for key in RUN.keys},
    }  # fmt: skip
    return {
        "booth": found.booth.pk if found.booth else None,
        "booths": BoothNameSerializer(found.booths, many=True).data,
        "worked": worked,
    }


class SittingSerializer(serializers.Serializer[Any]):
    id = serializers.IntegerField()
    session = serializers.IntegerField()
    booth = serializers.IntegerField()
    assignment = serializers.IntegerField()
    title = serializers.CharField()
    student = PersonSerializer()
    start = serializers.IntegerField()
    minutes = serializers.IntegerField()
    kept = serializers.BooleanField()


class WorkSerializer(serializers.Serializer[Any]):
    """What somebody is to weld next and how long it takes; `wants` in words."""

    assignment = serializers.IntegerField()
    title = serializers.CharField()
    student = PersonSerializer()
    minutes = serializers.IntegerField()
    wants = serializers.ListField(child=serializers.CharField())
    due_on = serializers.DateField()


class AttendanceSerializer(serializers.Serializer[Any]):
    session = serializers.IntegerField()
    student = serializers.IntegerField()
    there = serializers.BooleanField()


class EveningsSerializer(serializers.Serializer[Any]):
    """The course's evenings ahead; `features` are what a booth may have, in words."""

    time_zone = serializers.CharField()
    changeover_minutes = serializers.IntegerField()
    features = serializers.DictField(child=serializers.CharField())
    sessions = EveningSerializer(many=True)
    booths = BoothSerializer(many=True)
    notes = BoothNoteSerializer(many=True)
    people = PersonSerializer(many=True)
    attendance = AttendanceSerializer(many=True)
    sittings = SittingSerializer(many=True)
    work = WorkSerializer(many=True)


class UnplacedSerializer(serializers.Serializer[Any]):
    """What has no place, and why in words."""

    assignment = serializers.IntegerField()
    student = serializers.IntegerField()
    why = serializers.CharField()
    words = serializers.CharField()


class PlannedSerializer(serializers.Serializer[Any]):
    evenings = EveningsSerializer()
    unplaced = UnplacedSerializer(many=True)
    gone = serializers.ListField(child=serializers.CharField())


class MySittingSerializer(serializers.Serializer[Any]):
    """Where and when to weld next, and what to bring, in words."""

    when = serializers.CharField()
    booth = serializers.CharField()
    broken = serializers.CharField(allow_blank=True)
    title = serializers.CharField()
    minutes = serializers.IntegerField()
    bring = serializers.CharField()


class MySessionSerializer(serializers.Serializer[Any]):
    id = serializers.IntegerField()
    when = serializers.CharField()
    away = serializers.BooleanField()
    there = serializers.BooleanField()
    now = serializers.BooleanField()


class MyEveningsSerializer(serializers.Serializer[Any]):
    sittings = MySittingSerializer(many=True)
    sessions = MySessionSerializer(many=True)


class FeedSerializer(serializers.Serializer[Any]):
    """The secret address of a calendar."""

    address = serializers.CharField()


def told_evenings(found: Evenings) -> dict[str, Any]:
    """Evenings as `EveningsSerializer` describes them."""
    return {
        "time_zone": found.course.time_zone,
        "changeover_minutes": USUAL_CHANGEOVER,
        "features": FEATURES,
        "sessions": EveningSerializer(found.sessions, many=True).data,
        "booths": [
            {
                "id": one.pk,
                "name": one.name,
                "has": one.has,
                "broken": one.broken,
                "closed": found.closed.get(one.pk, []),
            }
            for one in found.booths
        ],
        "notes": BoothNoteSerializer(found.notes, many=True).data,
        "people": PersonSerializer(found.people, many=True).data,
        "attendance": [
            {"session": one.session_id, "student": one.user_id, "there": one.there} for one in found.attendance
        ],
        "sittings": [told_sitting(one) for one in found.sittings],
        "work": [told_work(one) for one in found.work],
    }


def told_sitting(one: Sitting) -> dict[str, Any]:
    return {
        "id": one.pk, "session": one.session_id, "booth": one.booth_id, "assignment": one.assignment_id,
        "title": one.assignment.design.title, "student": PersonSerializer(one.student).data, "start": one.start,
        "minutes": one.minutes, "kept": one.kept,
    }  # fmt: skip


def told_work(one: Work) -> dict[str, Any]:
    return {
        "assignment": one.assignment.pk, "title": one.assignment.design.title, "student": PersonSerializer(one.student).data,
        "minutes": one.minutes, "wants": [FEATURES[key] for key in one.wants], "due_on": one.assignment.due_on,
    }  # fmt: skip


def told_unplaced(plan: Plan) -> list[dict[str, Any]]:
    """What has no place, as `UnplacedSerializer` describes it."""
    rows = []
    for one in plan.unplaced:
        assignment, student = map(int, one.need.split("-"))
        rows.append(
            {"assignment": assignment, "student": student, "why": one.why, "words": unplaced_words(one.why, one.what)}
        )
    return rows


def told_mine(one: Sitting) -> dict[str, Any]:
    """One's own sitting as `MySittingSerializer` describes it."""
    design = one.assignment.design
    return {
        "when": when_words(one.session.date, one.session.start, one.start), "booth": one.booth.name, "broken": one.booth.broken,
        "title": design.title, "minutes": one.minutes, "bring": bring_words(design.joint),
    }  # fmt: skip
