"""Paged lists with a cap."""

from typing import Any

from django.db.models import QuerySet
from rest_framework.pagination import CursorPagination, PageNumberPagination
from rest_framework.request import Request

MOST = 100


class Pages(PageNumberPagination):
    """`?page=` from 1, `?page_size=` up to MOST: for what a course has few of."""

    page_size = 50
    page_size_query_param = "page_size"
    max_page_size = MOST


class ByChange(CursorPagination):
    """Last changed first, or last with `?oldest_first=true`; `?cursor=` as `next` says: a page costs the same however far
    down it lies, and none is counted."""

    page_size = 50
    page_size_query_param = "page_size"
    max_page_size = MOST

    def get_ordering(self, request: Request, queryset: QuerySet[Any], view: Any) -> tuple[str, ...]:
        if request.query_params.get("oldest_first") == "true":
            return "updated_at", "id"
        return "-updated_at", "-id"
