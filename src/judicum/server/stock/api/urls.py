from django.urls import path

from judicum.server.stock.api.views import (
    BottlesView,
    BottleView,
    CutDrawingView,
    CutDxfView,
    CutListView,
    GaugeView,
    LowView,
    MovesCsvView,
    PlanCsvView,
    StockCsvView,
    StockItemView,
    StockMoveView,
    StoreView,
)

urlpatterns = [
    path("courses/<int:course_id>/stock", StoreView.as_view()),
    path("courses/<int:course_id>/stock/low", LowView.as_view()),
    path("courses/<int:course_id>/stock/<int:item_id>", StockItemView.as_view()),
    path("courses/<int:course_id>/stock/<int:item_id>/moves", StockMoveView.as_view()),
    path("courses/<int:course_id>/stock.csv", StockCsvView.as_view()),
    path("courses/<int:course_id>/stock-moves.csv", MovesCsvView.as_view()),
    path("courses/<int:course_id>/plan.csv", PlanCsvView.as_view()),
    path("courses/<int:course_id>/cut-list", CutListView.as_view()),
    path("courses/<int:course_id>/cut-list.svg", CutDrawingView.as_view()),
    path("courses/<int:course_id>/cut-list.dxf", CutDxfView.as_view()),
    path("courses/<int:course_id>/bottles", BottlesView.as_view()),
    path("bottles/<int:bottle_id>", BottleView.as_view()),
    path("bottles/<int:bottle_id>/readings", GaugeView.as_view()),
]
