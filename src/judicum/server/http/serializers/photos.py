"""Photos and measurements over the wire."""

from collections.abc import Mapping
from typing import Any

from drf_spectacular.extensions import OpenApiSerializerFieldExtension
from drf_spectacular.utils import extend_schema_field
from rest_framework import serializers

from judicum.core.photo.pose import ANGLES
from judicum.core.photo.report import Report
from judicum.core.photo.steps import STEPS
from judicum.core.photo.strip_frame import HALF_HEIGHT_MM, OVERHANG_MM
from judicum.server.http.serializers.accounts import PersonSerializer
from judicum.server.http.serializers.report import OverlaySerializer
from judicum.server.record.photos.models import FAULTS, Correction, Figures, Measurement, Photo, Upload


class ReportField(serializers.JSONField):
    """A measurement's report as it is stored; described by the core's own structure."""


class ReportFieldSchema(OpenApiSerializerFieldExtension):  # type: ignore[no-untyped-call]
    """The report in the OpenAPI file: the pydantic structure's own description."""

    target_class = ReportField

    def map_serializer_field(self, auto_schema: Any, direction: Any) -> dict[str, Any]:
        return {"allOf": [auto_schema.resolve_serializer(Report, direction).ref], "nullable": True}


class StripSerializer(serializers.Serializer[Any]):
    """Where the strip's picture is and how it lies: its left edge is `from_mm` before the bead's start."""

    url = serializers.CharField()
    from_mm = serializers.FloatField()
    to_mm = serializers.FloatField()
    half_height_mm = serializers.FloatField()


def strip_of(measurement_id: int, query: str, length_mm: float) -> dict[str, Any]:
    """The strip of a measured bead: its address, and the stretch of the bead that it shows."""
    return {
        "url": f"/api/measurements/{measurement_id}/strip" + (f"?{query}" if query else ""),
        "from_mm": -OVERHANG_MM,
        "to_mm": length_mm + OVERHANG_MM,
        "half_height_mm": HALF_HEIGHT_MM,
    }


class FaultPlaceSerializer(serializers.Serializer[Any]):
    """A fault's kind and its place along the bead."""

    kind = serializers.CharField()
    s_mm = serializers.FloatField()


class FiguresSerializer(serializers.ModelSerializer[Figures]):
    """The figures that count, as a list shows them; `id` is their measurement's."""

    id = serializers.IntegerField(source="measurement_id")
    strip = StripSerializer(allow_null=True)
    faults = FaultPlaceSerializer(many=True)

    class Meta:
        model = Figures
        fields = (
            "id",
            "refusal_code",
            "engine_version",
            "strip",
            "length_mm",
            "width_mean_mm",
            "width_cv",
            "pitch_cv",
            "tint_level",
            "tint_name",
            "toe_waviness",
            "faults",
            "corrected",
        )


def told_figures(row: Mapping[str, Any]) -> dict[str, Any]:
    """The columns of one row of `Figures` as `FiguresSerializer` describes them; a list has many."""
    told = {name: row[name] for name in FiguresSerializer.Meta.fields if name not in ("id", "strip")}
    shown = row["has_strip"] and row["length_mm"] is not None
    strip = strip_of(row["measurement_id"], row["strip_query"], row["length_mm"]) if shown else None
    return {"id": row["measurement_id"], "strip": strip, **told}


class StepSerializer(serializers.Serializer[Any]):
    """One step of a correction; which figures it needs depends on `step`. Places in mm in the bead frame."""

    step = serializers.ChoiceField(choices=list(STEPS))
    side = serializers.ChoiceField(choices=["left", "right"], required=False)
    end = serializers.ChoiceField(choices=["start", "end"], required=False)
    kind = serializers.ChoiceField(choices=FAULTS, required=False)
    s_mm = serializers.FloatField(required=False)
    n_mm = serializers.FloatField(required=False)
    size_mm = serializers.FloatField(required=False)
    reach_mm = serializers.FloatField(required=False)


class CorrectionSerializer(serializers.ModelSerializer[Correction]):
    """A step in force: what, by whom, when."""

    step = StepSerializer()
    by = PersonSerializer()

    class Meta:
        model = Correction
        fields = ("id", "step", "by", "at")


class BeadSeenSerializer(serializers.Serializer[Any]):
    """One of several beads in a photo: its number, its toes in pixels, whether it counts and whether the server took it."""

    number = serializers.IntegerField()
    left = serializers.ListField(child=serializers.ListField(child=serializers.FloatField()))
    right = serializers.ListField(child=serializers.ListField(child=serializers.FloatField()))
    counts = serializers.BooleanField()
    suggested = serializers.BooleanField()


class ChooseBeadSerializer(serializers.Serializer[Any]):
    """The number of the bead that counts."""

    number = serializers.IntegerField(min_value=1)


class MeasurementSerializer(serializers.ModelSerializer[Measurement]):
    """A measurement with its whole report and what is drawn over the photo, both with corrections put on.

    `computed` is the report without them, where there are any; `beads` are all of them where the photo shows several.
    """

    strip = serializers.SerializerMethodField()
    corrected = serializers.SerializerMethodField()
    report = serializers.SerializerMethodField()
    overlay = serializers.SerializerMethodField()
    computed = serializers.SerializerMethodField()
    beads = serializers.SerializerMethodField()
    corrections = CorrectionSerializer(source="corrections_in_force", many=True)
    scale_set_by = serializers.SerializerMethodField()

    class Meta:
        model = Measurement
        fields = (
            "id",
            "state",
            "refusal_code",
            "engine_version",
            "requested_at",
            "finished_at",
            "strip",
            "corrected",
            "report",
            "overlay",
            "computed",
            "beads",
            "corrections",
            "scale_set_by",
        )

    @extend_schema_field(StripSerializer(allow_null=True))
    def get_strip(self, m: Measurement) -> dict[str, Any] | None:
        bead = (m.result or {}).get("bead")
        return strip_of(m.pk, m.strip_query, bead["length_mm"]) if bead and m.shown_strip else None

    def get_corrected(self, m: Measurement) -> bool:
        return bool(m.corrections_in_force)

    @extend_schema_field(ReportField)
    def get_report(self, m: Measurement) -> Any:
        return m.result

    @extend_schema_field(ReportField)
    def get_computed(self, m: Measurement) -> Any:
        return m.computed.report if m.corrections_in_force else None

    @extend_schema_field(BeadSeenSerializer(many=True))
    def get_beads(self, m: Measurement) -> Any:
        counting, suggested = ((told or {}).get("bead_number") for told in (m.computed.report, m.report))
        return [
            {
                "number": bead.number,
                "left": bead.overlay["left"],
                "right": bead.overlay["right"],
                "counts": bead.number == counting,
                "suggested": bead.number == suggested,
            }
            for bead in m.beads.all()
        ]

    @extend_schema_field(PersonSerializer(allow_null=True))
    def get_scale_set_by(self, m: Measurement) -> Any:
        return PersonSerializer(m.requested_by).data if m.scale_points else None

    @extend_schema_field(OverlaySerializer(allow_null=True))
    def get_overlay(self, m: Measurement) -> Any:
        return m.drawn


class AngleSerializer(serializers.Serializer[Any]):
    """A torch angle that was read on the photo, with the two lines drawn, [x, y] in its pixels."""

    which = serializers.CharField()
    run = serializers.IntegerField()
    torch = serializers.ListField(child=serializers.ListField(child=serializers.FloatField()))
    reference = serializers.ListField(child=serializers.ListField(child=serializers.FloatField()))
    angle_deg = serializers.FloatField()
    uncertainty_deg = serializers.FloatField()


class ReadAngleSerializer(serializers.Serializer[Any]):
    """Two drawn lines: the torch from its tip upward, and the plate or the direction of travel from the joint outward."""

    which = serializers.ChoiceField(choices=list(ANGLES))
    torch = serializers.ListField(
        child=serializers.ListField(child=serializers.FloatField(), max_length=2), max_length=2
    )
    reference = serializers.ListField(
        child=serializers.ListField(child=serializers.FloatField(), max_length=2), max_length=2
    )
    run = serializers.IntegerField(default=1)


class SetScaleSerializer(serializers.Serializer[Any]):
    """Two points of the photo [x1, y1, x2, y2] in pixels, and the distance between them in mm."""

    points_px = serializers.ListField(child=serializers.FloatField(), min_length=4, max_length=4)
    length_mm = serializers.FloatField()


class PhotoProblemSerializer(serializers.Serializer[Any]):
    """Something wrong with a photo at first sight, and what to do."""

    code = serializers.CharField()
    message = serializers.CharField()


class PhotoSerializer(serializers.ModelSerializer[Photo]):
    """A photo with its measurements, newest first."""

    url = serializers.SerializerMethodField()
    width_px = serializers.IntegerField()
    height_px = serializers.IntegerField()
    gone = serializers.BooleanField(help_text="Whether the picture itself is not kept any more.")
    angles = serializers.SerializerMethodField()
    measurements = MeasurementSerializer(many=True)

    class Meta:
        model = Photo
        fields = ("id", "kind", "angles", "name", "url", "width_px", "height_px", "gone", "sent_at", "measurements")

    @extend_schema_field(AngleSerializer(many=True))
    def get_angles(self, photo: Photo) -> Any:
        return list(photo.angles.values())

    def get_url(self, photo: Photo) -> str:
        return f"/api/photos/{photo.pk}/picture"


def told_photo(photo: Photo) -> dict[str, Any]:
    """A photo as `PhotoSerializer` describes it, its measurements with it."""
    one, many = PhotoSerializer(), MeasurementSerializer()
    return {
        "id": photo.pk,
        "kind": photo.kind,
        "angles": one.get_angles(photo),
        "name": photo.name,
        "url": one.get_url(photo),
        "width_px": photo.size_px[0],
        "height_px": photo.size_px[1],
        "gone": photo.picture is None,
        "sent_at": photo.sent_at,
        "measurements": [many.to_representation(m) for m in photo.measurements.all()],
    }


class UploadSerializer(serializers.ModelSerializer[Upload]):
    class Meta:
        model = Upload
        fields = ("id", "size", "received", "photo")
