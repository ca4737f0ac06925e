"""Photos and measurements over the wire."""

from typing import Any

from drf_spectacular.utils import extend_schema_field
from rest_framework import serializers

from judicum.core.photo.strip_frame import HALF_HEIGHT_MM, OVERHANG_MM
from judicum.server.photos.api.report import OverlaySerializer, ReportSerializer
from judicum.server.photos.models import Measurement, Photo, Upload


class StripSerializer(serializers.Serializer[Any]):
    """Where the strip's picture is and how it lies: its left edge is `from_mm` before the bead's start."""

    url = serializers.CharField()
    from_mm = serializers.FloatField()
    to_mm = serializers.FloatField()
    half_height_mm = serializers.FloatField()


def strip_of(measurement: Measurement) -> dict[str, Any] | None:
    """The strip of a measured bead, None where there is none."""
    if not measurement.strip or not measurement.report:
        return None
    length = measurement.report["bead"]["length_mm"]
    return {
        "url": f"/api/measurements/{measurement.pk}/strip",
        "from_mm": -OVERHANG_MM,
        "to_mm": length + OVERHANG_MM,
        "half_height_mm": HALF_HEIGHT_MM,
    }


class MeasurementBriefSerializer(serializers.ModelSerializer[Measurement]):
    """The figures a list shows."""

    strip = serializers.SerializerMethodField()
    length_mm = serializers.SerializerMethodField()
    width_mean_mm = serializers.SerializerMethodField()
    width_cv = serializers.SerializerMethodField()
    pitch_cv = serializers.SerializerMethodField()
    tint_level = serializers.SerializerMethodField()
    tint_name = serializers.SerializerMethodField()

    class Meta:
        model = Measurement
        fields: tuple[str, ...] = (
            "id",
            "state",
            "refusal_code",
            "engine_version",
            "strip",
            "length_mm",
            "width_mean_mm",
            "width_cv",
            "pitch_cv",
            "tint_level",
            "tint_name",
            "requested_at",
            "finished_at",
        )

    @extend_schema_field(StripSerializer(allow_null=True))
    def get_strip(self, m: Measurement) -> dict[str, Any] | None:
        return strip_of(m)

    def _figure(self, m: Measurement, *path: str) -> Any:
        part: Any = m.report
        for key in path:
            part = part.get(key) if part else None
        return part

    def get_length_mm(self, m: Measurement) -> float | None:
        return self._figure(m, "bead", "length_mm")

    def get_width_mean_mm(self, m: Measurement) -> float | None:
        return self._figure(m, "bead", "width_mm", "mean")

    def get_width_cv(self, m: Measurement) -> float | None:
        return self._figure(m, "bead", "width_mm", "cv")

    def get_pitch_cv(self, m: Measurement) -> float | None:
        return self._figure(m, "ripple", "cv")

    def get_tint_level(self, m: Measurement) -> int | None:
        return self._figure(m, "tint", "bead", "level")

    def get_tint_name(self, m: Measurement) -> str | None:
        return self._figure(m, "tint", "bead", "name")


class MeasurementSerializer(MeasurementBriefSerializer):
    """A measurement with its whole report and what is drawn over the photo."""

    report = serializers.SerializerMethodField()
    overlay = serializers.SerializerMethodField()

    class Meta(MeasurementBriefSerializer.Meta):
        fields: tuple[str, ...] = (*MeasurementBriefSerializer.Meta.fields, "report", "overlay")

    @extend_schema_field(ReportSerializer(allow_null=True))
    def get_report(self, m: Measurement) -> Any:
        return m.report

    @extend_schema_field(OverlaySerializer(allow_null=True))
    def get_overlay(self, m: Measurement) -> Any:
        return m.overlay


class PhotoSerializer(serializers.ModelSerializer[Photo]):
    """A photo with its measurements, newest first."""

    url = serializers.SerializerMethodField()
    width_px = serializers.IntegerField(source="picture.width_px")
    height_px = serializers.IntegerField(source="picture.height_px")
    measurements = MeasurementSerializer(many=True)

    class Meta:
        model = Photo
        fields = ("id", "name", "url", "width_px", "height_px", "sent_at", "measurements")

    def get_url(self, photo: Photo) -> str:
        return f"/api/photos/{photo.pk}/picture"


class UploadSerializer(serializers.ModelSerializer[Upload]):
    class Meta:
        model = Upload
        fields = ("id", "size", "received", "photo")
