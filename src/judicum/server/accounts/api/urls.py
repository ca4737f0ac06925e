from django.urls import path

from judicum.server.accounts.api.views import (
    EverywhereView,
    PasswordView,
    ResetPasswordView,
    SecondFactorOffView,
    SecondFactorView,
    SessionView,
    TokensView,
    TokenView,
    UnitsView,
)

urlpatterns = [
    path("session", SessionView.as_view()),
    path("session/units", UnitsView.as_view()),
    path("session/password", PasswordView.as_view()),
    path("session/second-factor", SecondFactorView.as_view()),
    path("session/second-factor/off", SecondFactorOffView.as_view()),
    path("session/everywhere", EverywhereView.as_view()),
    path("tokens", TokensView.as_view()),
    path("tokens/<uuid:token_id>", TokenView.as_view()),
    path("password-reset", ResetPasswordView.as_view()),
]
