from django.urls import path

from judicum.server.accounts.api.views import SessionView, UnitsView

urlpatterns = [path("session", SessionView.as_view()), path("session/units", UnitsView.as_view())]
