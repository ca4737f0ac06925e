"""The workbench's calculators over the wire."""

from dataclasses import asdict
from typing import Any

from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.workbench import PANELS, compute


class InputSerializer(serializers.Serializer[Any]):
    """A figure or choice that goes in; limits and default in `unit`."""

    key = serializers.CharField()
    quantity = serializers.CharField()
    unit = serializers.CharField()
    default = serializers.CharField()
    low = serializers.FloatField(allow_null=True)
    high = serializers.FloatField(allow_null=True)
    step = serializers.FloatField()
    choices = serializers.ListField(child=serializers.CharField())


class PanelSerializer(serializers.Serializer[Any]):
    key = serializers.CharField()
    formula = serializers.CharField()
    source = serializers.CharField()  # type: ignore[assignment]
    inputs = InputSerializer(many=True)


class ResultSerializer(serializers.Serializer[Any]):
    key = serializers.CharField()
    value = serializers.FloatField()
    quantity = serializers.CharField()
    unit = serializers.CharField()
    digits = serializers.IntegerField()


class AnswerSerializer(serializers.Serializer[Any]):
    """What a calculator gives; `series` are drawn, units in their names."""

    results = ResultSerializer(many=True)
    series = serializers.DictField(child=serializers.ListField(child=serializers.FloatField()))
    notes = serializers.ListField(child=serializers.CharField())


class PanelsView(APIView):
    """Every calculator with its inputs and formula."""

    @extend_schema(operation_id="workbench_panels", responses=PanelSerializer(many=True))
    def get(self, request: Request) -> Response:
        return Response([PanelSerializer(panel).data for panel in PANELS])


class PanelView(APIView):
    """What one calculator gives; its inputs come as query parameters, those left out take their default."""

    @extend_schema(operation_id="workbench_compute", responses=AnswerSerializer)
    def get(self, request: Request, panel: str) -> Response:
        return Response(AnswerSerializer(asdict(compute(panel, request.query_params.dict()))).data)
