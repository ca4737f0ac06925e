from django.urls import path

from judicum.server.coupons.api.views import AssignmentsView, DesignsView, PlanView
from judicum.server.coupons.api.workbench import PanelsView, PanelView

urlpatterns = [
    path("courses/<int:course_id>/designs", DesignsView.as_view()),
    path("courses/<int:course_id>/plan", PlanView.as_view()),
    path("courses/<int:course_id>/assignments", AssignmentsView.as_view()),
    path("workbench", PanelsView.as_view()),
    path("workbench/<str:panel>", PanelView.as_view()),
]
