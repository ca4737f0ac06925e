from django.urls import path

from judicum.server.notices.api.views import ForgottenView, MailView, WishView

urlpatterns = [
    path("session/mail", WishView.as_view()),
    path("workshop/mail", MailView.as_view()),
    path("password-forgotten", ForgottenView.as_view()),
]
