from django.urls import path

from judicum.server.photos.api.views import (
    MeasureAgainView,
    PictureView,
    ScaleCardView,
    StripView,
    UploadsView,
    UploadView,
)

urlpatterns = [
    path("attempts/<int:attempt_id>/uploads", UploadsView.as_view()),
    path("uploads/<uuid:upload_id>", UploadView.as_view()),
    path("photos/<int:photo_id>/picture", PictureView.as_view()),
    path("photos/<int:photo_id>/measure-again", MeasureAgainView.as_view()),
    path("measurements/<int:measurement_id>/strip", StripView.as_view()),
    path("scale-card/<str:kind>", ScaleCardView.as_view()),
]
