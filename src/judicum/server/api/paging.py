"""Paged lists with a cap."""

from rest_framework.pagination import PageNumberPagination


class Pages(PageNumberPagination):
    """`?page=` from 1, `?page_size=` up to 100."""

    page_size = 50
    page_size_query_param = "page_size"
    max_page_size = 100
