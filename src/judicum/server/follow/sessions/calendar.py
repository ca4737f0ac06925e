"""A course's sessions, or a person's own slots, as an iCalendar (RFC 5545)."""

from icalendar import Calendar, Event

from judicum.server.follow.sessions.models import CalendarSubscription, Session
from judicum.server.follow.sessions.queries import begins_at, my_slots
from judicum.server.people.courses.queries import membership_of
from judicum.words.catalogue import t


def calendar_of(feed: CalendarSubscription) -> bytes:
    """The calendar of a feed; somebody who has left the course has none any more.

    Raises:
        NotFound: not in the course any more.
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Judicum//sessions//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", feed.course.name)
    if feed.user is not None:
        membership_of(feed.user, feed.course_id)
        for one in my_slots(feed.user, feed.course_id):
            title = t("calendar-slot", title=one.assignment.design.title, booth=one.booth.name)
            calendar.add_component(_event(f"slot-{one.pk}", title, one.session, one.start, one.minutes))
    else:
        for session in Session.objects.filter(course=feed.course).select_related("course"):
            calendar.add_component(_event(f"session-{session.pk}", feed.course.name, session, 0, session.minutes))
    return bytes(calendar.to_ical())


def _event(key: str, title: str, session: Session, start: int, minutes: int) -> Event:
    event = Event()
    event.add("uid", f"{key}@judicum")
    event.add("summary", title)
    event.add("dtstamp", begins_at(session))
    event.add("dtstart", begins_at(session, start))
    event.add("dtend", begins_at(session, start + minutes))
    return event
