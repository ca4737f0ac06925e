from django.urls import path

from judicum.server.schemes.api.views import SchemesView

urlpatterns = [path("courses/<int:course_id>/schemes", SchemesView.as_view())]
