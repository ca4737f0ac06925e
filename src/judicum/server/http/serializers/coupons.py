"""Designs and assignments over the wire."""

from typing import Any

from rest_framework import serializers

from judicum.core.marking import USUAL_SCHEME
from judicum.server.catalogue.coupons.models import FINISH, Assignment, Design


class DesignSerializer(serializers.ModelSerializer[Design]):
    class Meta:
        model = Design
        fields = (
            "id",
            "course",
            "code",
            "version",
            "title",
            "purpose",
            "joint",
            "metal",
            "thickness_mm",
            "position",
            "technique",
            "tube_od_mm",
            "usual_faults",
            "stainless_rung",
            "carbon_rung",
            "length_mm",
            "target_width_mm",
            "finish",
            "more",
        )


class AssignmentSerializer(serializers.ModelSerializer[Assignment]):
    design = DesignSerializer()
    students = serializers.IntegerField()

    class Meta:
        model = Assignment
        fields = (
            "id",
            "design",
            "target_width_mm",
            "finish",
            "good_in_a_row",
            "scheme",
            "pass_mark",
            "due_on",
            "created_at",
            "students",
        )


class AssignSerializer(serializers.Serializer[Any]):
    """A design to be given; `students` left out or null means the whole class."""

    design = serializers.IntegerField()
    target_width_mm = serializers.FloatField()
    finish = serializers.ChoiceField(FINISH)
    good_in_a_row = serializers.IntegerField(default=3)
    scheme = serializers.CharField(max_length=40, default=USUAL_SCHEME)
    pass_mark = serializers.FloatField(required=False, allow_null=True, default=None)
    due_on = serializers.DateField()
    students = serializers.ListField(child=serializers.IntegerField(), required=False, allow_null=True, max_length=500)


class CouponSerializer(serializers.Serializer[Any]):
    """The input of a setup card; its fields are checked by the core and documented in docs/setup-card.md."""

    coupon = serializers.DictField()


class SaveDesignSerializer(CouponSerializer):
    """A coupon to keep; `base` is the design it was made from."""

    title = serializers.CharField(max_length=80)
    purpose = serializers.CharField(max_length=300, allow_blank=True, default="")
    usual_faults = serializers.CharField(max_length=300, allow_blank=True, default="")
    length_mm = serializers.FloatField(default=90.0)
    base = serializers.IntegerField(required=False, allow_null=True)
