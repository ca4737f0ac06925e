from django.urls import path

from judicum.server.photos.api.engines import EnginesView
from judicum.server.photos.api.hand import AngleView, ChooseBeadView, CorrectionsView, PhotoLookView, ScaleView
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
    path("photos/<int:photo_id>/scale", ScaleView.as_view()),
    path("photos/<int:photo_id>/angle", AngleView.as_view()),
    path("photo-look", PhotoLookView.as_view()),
    path("measurements/<int:measurement_id>/corrections", CorrectionsView.as_view()),
    path("measurements/<int:measurement_id>/bead", ChooseBeadView.as_view()),
    path("measurements/<int:measurement_id>/strip", StripView.as_view()),
    path("courses/<int:course_id>/engines", EnginesView.as_view()),
    path("scale-card/<str:kind>", ScaleCardView.as_view()),
]
