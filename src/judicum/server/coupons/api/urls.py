from django.urls import path

from judicum.server.coupons.api.views import AssignmentsView, DesignsView

urlpatterns = [
    path("designs", DesignsView.as_view()),
    path("courses/<int:course_id>/assignments", AssignmentsView.as_view()),
]
