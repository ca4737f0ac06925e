from django.urls import path

from judicum.server.evenings.api.views import (
    AttendanceView,
    BoothNotesView,
    BoothsView,
    BoothView,
    CalendarView,
    CourseFeedView,
    DoorView,
    EveningsView,
    FeedsView,
    MachineView,
    MyEveningsView,
    RotaView,
    SessionView,
    SittingView,
    TimeZoneView,
)

urlpatterns = [
    path("courses/<int:course_id>/evenings", EveningsView.as_view()),
    path("courses/<int:course_id>/my-evenings", MyEveningsView.as_view()),
    path("courses/<int:course_id>/time-zone", TimeZoneView.as_view()),
    path("courses/<int:course_id>/booths", BoothsView.as_view()),
    path("courses/<int:course_id>/booths/<int:booth_id>", BoothView.as_view()),
    path("courses/<int:course_id>/booths/<int:booth_id>/notes", BoothNotesView.as_view()),
    path("attempts/<int:attempt_id>/machine", MachineView.as_view()),
    path("courses/<int:course_id>/rota", RotaView.as_view()),
    path("courses/<int:course_id>/sittings/<int:sitting_id>", SittingView.as_view()),
    path("courses/<int:course_id>/calendar", CourseFeedView.as_view()),
    path("courses/<int:course_id>/my-calendar", FeedsView.as_view()),
    path("sessions/<int:session_id>", SessionView.as_view()),
    path("sessions/<int:session_id>/attendance", AttendanceView.as_view()),
    path("sessions/<int:session_id>/door", DoorView.as_view()),
    path("calendar/<str:token>.ics", CalendarView.as_view()),
]
