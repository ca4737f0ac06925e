"""What is drawn over a photo, as the API describes it; the report itself is described by the core's own structure."""

from typing import Any

from rest_framework import serializers

Number = serializers.FloatField


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
