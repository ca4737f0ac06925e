"""The workbench's calculators over the wire."""

from dataclasses import asdict
from typing import Any

from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.quantities import Quantity
from judicum.core.workbench import PANELS, Input, compute
from judicum.server.people.accounts.units import units_of
from judicum.words.workbench import PANELS as PANEL_WORDS
from judicum.words.workbench import RESULTS, note


class InputSerializer(serializers.Serializer[Any]):
    """A figure or choice that goes in: its limits in SI, or its options by code with their words."""

    key = serializers.CharField()
    words = serializers.CharField()
    kind = serializers.CharField()
    unit = serializers.CharField()
    default = serializers.CharField()
    low = serializers.FloatField(allow_null=True)
    high = serializers.FloatField(allow_null=True)
    step = serializers.FloatField()
    options = serializers.DictField(child=serializers.CharField())


def input_of(one: Input) -> dict[str, Any]:
    """An input as the API tells it."""
    spec = one.spec
    if isinstance(spec, Quantity):
        low, high = spec.sensible or (spec.low, spec.high)
        figures = {"kind": spec.kind, "unit": spec.unit, "low": low, "high": high, "step": spec.step, "options": {}}
    else:
        options = {str(code): words for code, words in spec.options.items()}
        figures = {"kind": "choice", "unit": "", "low": None, "high": None, "step": 1, "options": options}
    return {"key": spec.key, "words": spec.words, "default": str(one.default), **figures}


class PanelSerializer(serializers.Serializer[Any]):
    key = serializers.CharField()
    words = serializers.CharField()
    formula = serializers.CharField()
    source = serializers.CharField()  # type: ignore[assignment]
    inputs = InputSerializer(many=True)


class ResultSerializer(serializers.Serializer[Any]):
    key = serializers.CharField()
    words = serializers.CharField()
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
        panels = [
            {
                "key": p.key,
                "words": PANEL_WORDS[p.key],
                "formula": p.formula,
                "source": p.source,
                "inputs": [input_of(i) for i in p.inputs],
            }
            for p in PANELS
        ]
        return Response(PanelSerializer(panels, many=True).data)


class PanelView(APIView):
    """What one calculator gives; its inputs come as query parameters, those left out take their default."""

    @extend_schema(operation_id="workbench_compute", responses=AnswerSerializer)
    def get(self, request: Request, panel: str) -> Response:
        found = compute(panel, request.query_params.dict())
        notes = [note(n, units_of(request.user)) for n in found.notes]
        results = [{**asdict(r), "words": RESULTS[r.key]} for r in found.results]
        return Response(AnswerSerializer({"results": results, "series": found.series, "notes": notes}).data)
