"""The application; its label is that of its tables."""

from django.apps import AppConfig


class SessionsConfig(AppConfig):
    name = "judicum.server.follow.sessions"
    label = "evenings"
    verbose_name = "Sessions"
