"""Paged lists with a cap."""

from typing import Any, TypeVar

from django.db.models import QuerySet
from drf_spectacular.types import OpenApiTypes
from drf_spectacular.utils import OpenApiParameter
from rest_framework.pagination import CursorPagination, PageNumberPagination
from rest_framework.request import Request

from judicum.server.answers.base import Answer

MAX_PAGE_SIZE = 100
PageAnswer = TypeVar("PageAnswer", bound=Answer)
SIZE = OpenApiParameter("page_size", OpenApiTypes.INT, description=f"Rows of a page, up to {MAX_PAGE_SIZE}.")
PAGED = [OpenApiParameter("page", OpenApiTypes.INT, description="Number of the page, from 1."), SIZE]
BY_CURSOR = [OpenApiParameter("cursor", OpenApiTypes.STR, description="Where a page begins, as `next` says."), SIZE]


class Pages(PageNumberPagination):
    """`?page=` from 1, `?page_size=` up to MAX_PAGE_SIZE: for what a course has few of."""

    page_size = 50
    page_size_query_param = "page_size"
    max_page_size = MAX_PAGE_SIZE


class ByChange(CursorPagination):
    """Last changed first, or last with `?oldest_first=true`; `?cursor=` as `next` says: a page costs the same however far
    down it lies, and none is counted."""

    page_size = 50
    page_size_query_param = "page_size"
    max_page_size = MAX_PAGE_SIZE

    def __init__(self, change: str) -> None:
        """`change` is the column that says when a row changed, as whoever asks sees it."""
        self.change = change

    def get_ordering(self, request: Request, queryset: QuerySet[Any], view: Any) -> tuple[str, ...]:
        if request.query_params.get("oldest_first") == "true":
            return self.change, "id"
        return f"-{self.change}", "-id"


def page_of(model: type[PageAnswer], rows: QuerySet[Any], request: Request) -> PageAnswer:
    """One numbered page of rows. `model` has count, next, previous and results, which are read off the rows."""
    pages = Pages()
    found = pages.paginate_queryset(rows, request)
    assert pages.page is not None
    return model(
        count=pages.page.paginator.count,
        next=pages.get_next_link(),
        previous=pages.get_previous_link(),
        results=found,
    )
