"""The measurement's JSON as the API describes it; the contract's keys, units in the names."""

from typing import Any

from rest_framework import serializers

Number = serializers.FloatField


class RefusalSerializer(serializers.Serializer[Any]):
    code = serializers.CharField()
    message = serializers.CharField()


class ScaleSerializer(serializers.Serializer[Any]):
    source = serializers.CharField()  # type: ignore[assignment]
    mm_per_px = Number()
    residual_mm = Number(allow_null=True)
    tilt_deg = Number(allow_null=True)


class QualitySerializer(serializers.Serializer[Any]):
    sharpness = Number(allow_null=True)
    clipped_share = Number(allow_null=True)
    warnings = serializers.ListField(child=serializers.CharField())


class WidthSerializer(serializers.Serializer[Any]):
    mean = Number()
    sd = Number()
    cv = Number()
    min = Number()
    max = Number()
    uncertainty = Number()


class SidesSerializer(serializers.Serializer[Any]):
    left = Number()
    right = Number()


class BeadSerializer(serializers.Serializer[Any]):
    start_mm = serializers.ListField(child=Number())
    end_mm = serializers.ListField(child=Number())
    length_mm = Number()
    width_mm = WidthSerializer()
    straightness_mm = Number()
    toe_waviness_mm = SidesSerializer()


class ProfileSerializer(serializers.Serializer[Any]):
    s_mm = serializers.ListField(child=Number())
    width_mm = serializers.ListField(child=Number())
    centre_mm = serializers.ListField(child=serializers.ListField(child=Number()))


class RippleSerializer(serializers.Serializer[Any]):
    count = serializers.IntegerField()
    pitch_mm = Number()
    cv = Number(allow_null=True)
    positions_mm = serializers.ListField(child=Number())
    lapses_mm = serializers.ListField(child=Number())


class LevelSerializer(serializers.Serializer[Any]):
    level = serializers.IntegerField()
    name = serializers.CharField()


class TintSerializer(serializers.Serializer[Any]):
    bead = LevelSerializer()
    haz = LevelSerializer()
    width_mm = SidesSerializer()
    along = serializers.ListField(child=serializers.IntegerField())
    share = serializers.DictField(child=Number())


class DefectSerializer(serializers.Serializer[Any]):
    kind = serializers.CharField()
    s_mm = Number()
    n_mm = Number()
    x_mm = Number()
    y_mm = Number()
    size_mm = Number()
    confidence = Number()
    pinhole = serializers.BooleanField(required=False)


class ReportSerializer(serializers.Serializer[Any]):
    """What one photo gave; every part but `photo` may be null."""

    photo = serializers.CharField()
    refusal = RefusalSerializer(allow_null=True)
    scale = ScaleSerializer(allow_null=True)
    quality = QualitySerializer(allow_null=True)
    bead = BeadSerializer(allow_null=True)
    profile = ProfileSerializer(allow_null=True)
    ripple = RippleSerializer(allow_null=True)
    tint = TintSerializer(allow_null=True)
    defects = DefectSerializer(many=True, allow_null=True)


class OverlaySerializer(serializers.Serializer[Any]):
    """Toes, centreline and ripple fronts as points [x, y] in pixels of the upright photo of `size`.

    Along the strip, in mm: the toes' offsets `left_n_mm` and `right_n_mm` at `s_mm`, and stretches [from, to]
    along which a toe may lie elsewhere.
    """

    size = serializers.ListField(child=serializers.IntegerField())
    left = serializers.ListField(child=serializers.ListField(child=Number()))
    right = serializers.ListField(child=serializers.ListField(child=Number()))
    centre = serializers.ListField(child=serializers.ListField(child=Number()))
    fronts = serializers.ListField(child=serializers.ListField(child=serializers.ListField(child=Number())))
    px_per_mm = Number(required=False)
    s_mm = serializers.ListField(child=Number(), required=False)
    left_n_mm = serializers.ListField(child=Number(), required=False)
    right_n_mm = serializers.ListField(child=Number(), required=False)
    unsure_mm = serializers.ListField(child=serializers.ListField(child=Number()), required=False)
