"""The store of a course: shelf, bottles, costs, what is low, what is to be cut."""

from django.http import HttpResponse
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter, extend_schema
from rest_framework import status
from rest_framework.request import Request
from rest_framework.response import Response
from rest_framework.views import APIView

from judicum.server.answers import stock as stock_answers
from judicum.server.answers.base import list_of
from judicum.server.follow.stock.actions.save_item import drop_item, move, save_item
from judicum.server.follow.stock.actions.use_bottle import open_bottle, read_gauge, set_bottle
from judicum.server.follow.stock.cutting import OfMetal, cutting
from judicum.server.follow.stock.queries import open_bottles
from judicum.server.follow.stock.tables import moves_csv, plan_csv, stock_csv
from judicum.server.http.parsing import read_as, sent
from judicum.server.http.person import person
from judicum.server.people.accounts.units import units_of
from judicum.server.read.stock import cut_list_answer, low_stock, store_page


def _shown(request: Request, course_id: int) -> Response:
    return Response(store_page(person(request), course_id, units_of(request.user)))


class StoreView(APIView):
    """Everything that a course has to weld with."""

    @extend_schema(operation_id="store_read", responses=stock_answers.Store)
    def get(self, request: Request, course_id: int) -> Response:
        return _shown(request, course_id)

    @extend_schema(
        operation_id="stock_item_make", request=stock_answers.StockItemRequest, responses=stock_answers.Store
    )
    def post(self, request: Request, course_id: int) -> Response:
        save_item(person(request), course_id, None, **dict(sent(stock_answers.StockItemRequest, request)))
        return _shown(request, course_id)


class StockItemView(APIView):
    """Changing an item, taking it off the shelf."""

    @extend_schema(operation_id="stock_item_set", request=stock_answers.StockItemRequest, responses=stock_answers.Store)
    def put(self, request: Request, course_id: int, item_id: int) -> Response:
        save_item(person(request), course_id, item_id, **dict(sent(stock_answers.StockItemRequest, request)))
        return _shown(request, course_id)

    @extend_schema(operation_id="stock_item_drop", responses={204: None})
    def delete(self, request: Request, course_id: int, item_id: int) -> Response:
        drop_item(person(request), course_id, item_id)
        return Response(status=status.HTTP_204_NO_CONTENT)


class StockMoveView(APIView):
    """A count, a delivery, what was thrown away."""

    @extend_schema(operation_id="stock_move", request=stock_answers.StockMoveRequest, responses=stock_answers.Store)
    def post(self, request: Request, course_id: int, item_id: int) -> Response:
        move(person(request), course_id, item_id, **dict(sent(stock_answers.StockMoveRequest, request)))
        return _shown(request, course_id)


class LowView(APIView):
    """What runs out or leaks, for the desk."""

    @extend_schema(operation_id="stock_low_read", responses=stock_answers.LowStock)
    def get(self, request: Request, course_id: int) -> Response:
        return Response(low_stock(person(request), course_id))


class BottlesView(APIView):
    """Bottles in use, to everybody in the course; opening one."""

    @extend_schema(operation_id="bottles_read", responses=list_of(stock_answers.BottleName))
    def get(self, request: Request, course_id: int) -> Response:
        found = open_bottles(person(request), course_id)
        return Response([stock_answers.BottleName.model_validate(one) for one in found])

    @extend_schema(operation_id="bottle_open", request=stock_answers.OpenBottleRequest, responses=stock_answers.Store)
    def post(self, request: Request, course_id: int) -> Response:
        given = sent(stock_answers.OpenBottleRequest, request)
        open_bottle(person(request), course_id, given.item, given.name)
        return _shown(request, course_id)


class BottleView(APIView):
    """A wired gauge on a bottle; closing it."""

    @extend_schema(operation_id="bottle_set", request=stock_answers.BottleRequest, responses=stock_answers.Store)
    def put(self, request: Request, bottle_id: int) -> Response:
        bottle = set_bottle(person(request), bottle_id, **dict(sent(stock_answers.BottleRequest, request)))
        return _shown(request, bottle.course_id)


class GaugeView(APIView):
    """Reading a bottle's gauge: typed, or tapped on a photo."""

    @extend_schema(
        operation_id="gauge_read", request=stock_answers.GaugeReadingRequest, responses=stock_answers.GaugeReading
    )
    def post(self, request: Request, bottle_id: int) -> Response:
        asked = sent(stock_answers.GaugeReadingRequest, request)
        dial = dict(asked.dial) if asked.dial else None
        found = read_gauge(person(request), bottle_id, asked.bar, asked.temperature_c, dial)
        return Response(stock_answers.GaugeReading.model_validate(found))


CUT = [
    OpenApiParameter("sessions", OpenApiTypes.INT, description="Sessions that blanks are to last."),
    OpenApiParameter("kerf_mm", OpenApiTypes.FLOAT, description="What a cut takes away, mm."),
    OpenApiParameter("turns", OpenApiTypes.BOOL, description="Whether blanks may be turned on the sheet."),
]


def _cut(request: Request, course_id: int) -> list[OfMetal]:
    asked = read_as(stock_answers.CutListRequest, request.query_params.dict())
    return cutting(person(request), course_id, asked.sessions, asked.kerf_mm, asked.turns)


class CutListView(APIView):
    """Blanks of the coming sessions on the sheets and bars there are."""

    @extend_schema(operation_id="cut_list_read", parameters=CUT, responses=list_of(stock_answers.CutList))
    def get(self, request: Request, course_id: int) -> Response:
        return Response([cut_list_answer(one) for one in _cut(request, course_id)])


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
