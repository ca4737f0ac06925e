"""The setup card over the wire, in the keys of docs/setup-card.md."""

from typing import Any

from rest_framework import serializers

Number = serializers.FloatField


class RangeSerializer(serializers.Serializer[Any]):
    low = Number()
    aim = Number()
    high = Number()


class CurrentSerializer(RangeSerializer):
    machine = Number()
    rule = serializers.CharField()
    because = serializers.ListField(child=serializers.CharField())


class OpinionSerializer(serializers.Serializer[Any]):
    rule = serializers.CharField()
    current_a = Number()


class CupSerializer(serializers.Serializer[Any]):
    number = Number()
    inside_mm = Number()
    low = Number()
    high = Number()


class ElectrodeSerializer(serializers.Serializer[Any]):
    diameter_mm = Number()
    taper_mm = Number()
    kinds = serializers.ListField(child=serializers.CharField())


class FillerSerializer(serializers.Serializer[Any]):
    alloy = serializers.CharField()
    diameter_mm = Number()
    low_mm = Number()
    high_mm = Number()
    length_mm_per_100mm = Number()


class AnglesSerializer(serializers.Serializer[Any]):
    work = Number()
    travel = Number()
    filler = Number()


class HeatSerializer(serializers.Serializer[Any]):
    arc = Number()
    net = Number()


class WarningSerializer(serializers.Serializer[Any]):
    code = serializers.CharField()
    severity = serializers.CharField()
    message = serializers.CharField()
    meant = Number(required=False)


class PurgeSerializer(serializers.Serializer[Any]):
    l_min = RangeSerializer()
    volumes = Number()
    volume_l = Number(allow_null=True)
    wait_s = Number(allow_null=True)


class TubeRunsSerializer(serializers.Serializer[Any]):
    """Runs round a tube; `starts_deg` from the seam's top, `order` the numbers of the runs as they are welded."""

    count = serializers.IntegerField()
    length_mm = Number()
    dabs = serializers.IntegerField()
    net_mm = Number()
    starts_deg = serializers.ListField(child=Number())
    order = serializers.ListField(child=serializers.IntegerField())
    first = serializers.CharField(allow_null=True)


class BeadGoalSerializer(serializers.Serializer[Any]):
    width_mm = RangeSerializer()
    max_tint_level = serializers.IntegerField(allow_null=True)


class CardSerializer(serializers.Serializer[Any]):
    """The figures of a card that a student sets and holds."""

    current_a = CurrentSerializer()
    opinions = OpinionSerializer(many=True)
    polarity = serializers.CharField()
    cup = CupSerializer()
    gas_part = serializers.CharField()
    gas_l_min = RangeSerializer()
    reynolds = Number()
    stickout_mm = RangeSerializer()
    arc_length_mm = RangeSerializer()
    preflow_s = RangeSerializer()
    postflow_s = RangeSerializer()
    downslope_s = RangeSerializer()
    start_s = RangeSerializer()
    electrode = ElectrodeSerializer()
    filler = FillerSerializer(allow_null=True)
    angles_deg = AnglesSerializer()
    travel_mm_s = RangeSerializer()
    dab_pitch_mm = RangeSerializer(allow_null=True)
    dabs_per_s = Number(allow_null=True)
    heat_kj_mm = HeatSerializer()
    purge = PurgeSerializer(allow_null=True)
    runs = TubeRunsSerializer(allow_null=True)
    turntable_rpm = RangeSerializer(allow_null=True)
    pulse_mean_a = Number(allow_null=True)
    bead = BeadGoalSerializer()
    gas_l_per_run = Number()
    warnings = WarningSerializer(many=True)
    cautions = serializers.ListField(child=serializers.CharField())


class DeviationSerializer(serializers.Serializer[Any]):
    """A logged figure off the card: the range, how far outside, and what it usually does to the bead."""

    key = serializers.CharField()
    used = Number()
    low = Number()
    high = Number()
    outside = Number()
    effect = serializers.CharField()


class CheckSerializer(serializers.Serializer[Any]):
    """What of a run lies off the card; `besides` are codes of warnings that say more than the deviations."""

    deviations = DeviationSerializer(many=True)
    warnings = WarningSerializer(many=True)
    besides = serializers.ListField(child=serializers.CharField())
