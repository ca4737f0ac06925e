"""The workbench's calculators over the wire."""

from dataclasses import asdict
from typing import Any

from drf_spectacular.utils import extend_schema
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.core.quantities import Quantity
from judicum.core.workbench import PANELS, Input, compute
from judicum.server.answers import workbench as workbench_answers
from judicum.server.answers.base import list_of
from judicum.server.people.accounts.units import units_of
from judicum.words.catalogue import t
from judicum.words.names import field_name, named, option_name
from judicum.words.workbench import note


def input_of(one: Input) -> workbench_answers.CalculatorInput:
    """A figure or choice that goes in."""
    spec = one.spec
    if isinstance(spec, Quantity):
        low, high = spec.sensible or (spec.low, spec.high)
        about: dict[str, Any] = {
            "kind": spec.kind,
            "unit": spec.unit,
            "low": low,
            "high": high,
            "step": spec.step,
            "options": {},
        }
    else:
        options = {str(code): option_name(spec.key, code) for code in spec.codes}
        about = {"kind": "choice", "unit": "", "low": None, "high": None, "step": 1, "options": options}
    return workbench_answers.CalculatorInput(
        key=spec.key, words=field_name(spec.key), default=str(one.default), **about
    )


class PanelsView(APIView):
    """Every calculator with its inputs and formula."""

    @extend_schema(operation_id="workbench_panels", responses=list_of(workbench_answers.Calculator))
    def get(self, request: Request) -> Response:
        return Response(
            [
                workbench_answers.Calculator(
                    key=one.key,
                    words=named("panel", one.key),
                    formula=t(f"panel-{one.key}-formula"),
                    source=t(f"panel-{one.key}-source"),
                    inputs=[input_of(i) for i in one.inputs],
                )
                for one in PANELS
            ]
        )


class PanelView(APIView):
    """What one calculator gives; its inputs come as query parameters, those left out take their default."""

    @extend_schema(operation_id="workbench_compute", responses=workbench_answers.CalculatorAnswer)
    def get(self, request: Request, panel: str) -> Response:
        found = compute(panel, request.query_params.dict())
        return Response(
            workbench_answers.CalculatorAnswer(
                results=[
                    workbench_answers.CalculatorResult(**asdict(r), words=named("result", r.key)) for r in found.results
                ],
                series={key: list(values) for key, values in found.series.items()},
                notes=[note(n, units_of(request.user)) for n in found.notes],
            )
        )
