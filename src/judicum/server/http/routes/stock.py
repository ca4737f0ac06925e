"""The store of a course: shelf, bottles, costs, what is low, what is to be cut."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.follow.stock.actions.keep_item import drop_item, keep_item, move
from judicum.server.follow.stock.actions.use_bottle import open_bottle, read_gauge, set_bottle
from judicum.server.follow.stock.costs import costs_of
from judicum.server.follow.stock.cutting import OfMetal, cutting
from judicum.server.follow.stock.low import told_low
from judicum.server.follow.stock.queries import open_bottles, store_of
from judicum.server.follow.stock.tables import moves_csv, plan_csv, stock_csv
from judicum.server.http.parsing import sent
from judicum.server.http.person import person
from judicum.server.http.serializers.cutting import CutAskedSerializer, CuttingSerializer, told_cutting
from judicum.server.http.serializers.stock import (
    GaugeReadSerializer,
    KeepItemSerializer,
    LowSerializer,
    MoveSerializer,
    OpenBottleNameSerializer,
    OpenBottleSerializer,
    ReadGaugeSerializer,
    SetBottleSerializer,
    StoreSerializer,
    told_store,
)
from judicum.server.people.accounts.units import units_of
from judicum.server.people.courses.queries import members
from judicum.server.people.roles import Role


def _shown(request: Request, course_id: int) -> Response:
    store = store_of(person(request), course_id)
    people = [member.user for member in members(course_id, Role.STUDENT)]
    return Response(told_store(store, costs_of(store, people), units_of(request.user)))


class StoreView(APIView):
    """Everything that a course has to weld with."""

    @extend_schema(operation_id="store_read", responses=StoreSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        return _shown(request, course_id)

    @extend_schema(operation_id="stock_item_make", request=KeepItemSerializer, responses=StoreSerializer)
    def post(self, request: Request, course_id: int) -> Response:
        keep_item(person(request), course_id, None, **sent(KeepItemSerializer, request))
        return _shown(request, course_id)


class StockItemView(APIView):
    """Changing an item, taking it off the shelf."""

    @extend_schema(operation_id="stock_item_set", request=KeepItemSerializer, responses=StoreSerializer)
    def put(self, request: Request, course_id: int, item_id: int) -> Response:
        keep_item(person(request), course_id, item_id, **sent(KeepItemSerializer, request))
        return _shown(request, course_id)

    @extend_schema(operation_id="stock_item_drop", responses={204: None})
    def delete(self, request: Request, course_id: int, item_id: int) -> Response:
        drop_item(person(request), course_id, item_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class StockMoveView(APIView):
    """A count, a delivery, what was thrown away."""

    @extend_schema(operation_id="stock_move", request=MoveSerializer, responses=StoreSerializer)
    def post(self, request: Request, course_id: int, item_id: int) -> Response:
        move(person(request), course_id, item_id, **sent(MoveSerializer, request))
        return _shown(request, course_id)


class LowView(APIView):
    """What runs out or leaks, for the desk."""

    @extend_schema(operation_id="stock_low_read", responses=LowSerializer)
    def get(self, request: Request, course_id: int) -> Response:
        return Response({"lines": told_low(store_of(person(request), course_id))})


class BottlesView(APIView):
    """Bottles in use, to everybody in the course; opening one."""

    @extend_schema(operation_id="bottles_read", responses=OpenBottleNameSerializer(many=True))
    def get(self, request: Request, course_id: int) -> Response:
        return Response(OpenBottleNameSerializer(open_bottles(person(request), course_id), many=True).data)

    @extend_schema(operation_id="bottle_open", request=OpenBottleSerializer, responses=StoreSerializer)
    def post(self, request: Request, course_id: int) -> Response:
        given = sent(OpenBottleSerializer, request)
        open_bottle(person(request), course_id, given["item"], given["name"])
        return _shown(request, course_id)


class BottleView(APIView):
    """A wired gauge on a bottle; closing it."""

    @extend_schema(operation_id="bottle_set", request=SetBottleSerializer, responses=StoreSerializer)
    def put(self, request: Request, bottle_id: int) -> Response:
        bottle = set_bottle(person(request), bottle_id, **sent(SetBottleSerializer, request))
        return _shown(request, bottle.course_id)


class GaugeView(APIView):
    """Reading a bottle's gauge: typed, or tapped on a photo."""

    @extend_schema(operation_id="gauge_read", request=ReadGaugeSerializer, responses=GaugeReadSerializer)
    def post(self, request: Request, bottle_id: int) -> Response:
        found = read_gauge(person(request), bottle_id, **sent(ReadGaugeSerializer, request))
        return Response(GaugeReadSerializer(found).data)


CUT = [
    OpenApiParameter("evenings", OpenApiTypes.INT, description="Evenings that blanks are to last."),
    OpenApiParameter("kerf_mm", OpenApiTypes.FLOAT, description="What a cut takes away, mm."),
    OpenApiParameter("turns", OpenApiTypes.BOOL, description="Whether blanks may be turned on the sheet."),
]


def _cut(request: Request, course_id: int) -> list[OfMetal]:
    asked = CutAskedSerializer(data=request.query_params)
    asked.is_valid(raise_exception=True)
    return cutting(person(request), course_id, **asked.validated_data)


class CutListView(APIView):
    """Blanks of the coming evenings on the sheets and bars there are."""

    @extend_schema(operation_id="cut_list_read", parameters=CUT, responses=CuttingSerializer(many=True))
    def get(self, request: Request, course_id: int) -> Response:
        return Response([told_cutting(one) for one in _cut(request, course_id)])


def _file(text: str, media_type: str, name: str) -> HttpResponse:
    return HttpResponse(
        text,
        content_type=f"{media_type}; charset=utf-8",
        headers={"Content-Disposition": f'attachment; filename="{name}"'},
    )


class CutDrawingView(APIView):
    """The cut list as SVG."""

    @extend_schema(operation_id="cut_list_svg", parameters=CUT, responses={(200, "image/svg+xml"): OpenApiTypes.BINARY})
    def get(self, request: Request, course_id: int) -> HttpResponse:
        from judicum.server.follow.stock.drawing import svg_of

        return _file(svg_of(_cut(request, course_id)), "image/svg+xml", "cut-list.svg")


class CutDxfView(APIView):
    """The cut list as DXF."""

    @extend_schema(operation_id="cut_list_dxf", parameters=CUT, responses={(200, "image/vnd.dxf"): OpenApiTypes.BINARY})
    def get(self, request: Request, course_id: int) -> HttpResponse:
        from judicum.server.follow.stock.drawing import dxf_of

        return _file(dxf_of(_cut(request, course_id)), "image/vnd.dxf", "cut-list.dxf")


class StockCsvView(APIView):
    """The shelf as CSV."""

    @extend_schema(operation_id="stock_csv", responses={(200, "text/csv"): OpenApiTypes.BINARY})
    def get(self, request: Request, course_id: int) -> HttpResponse:
        return _file(stock_csv(person(request), course_id), "text/csv", "stock.csv")


class MovesCsvView(APIView):
    """What came, went and was counted, as CSV."""

    @extend_schema(operation_id="stock_moves_csv", responses={(200, "text/csv"): OpenApiTypes.BINARY})
    def get(self, request: Request, course_id: int) -> HttpResponse:
        return _file(moves_csv(person(request), course_id), "text/csv", "stock-moves.csv")


class PlanCsvView(APIView):
    """Who stands where when, as CSV."""

    @extend_schema(operation_id="plan_csv", responses={(200, "text/csv"): OpenApiTypes.BINARY})
    def get(self, request: Request, course_id: int) -> HttpResponse:
        return _file(plan_csv(person(request), course_id), "text/csv", "plan.csv")
