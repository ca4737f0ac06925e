"""All addresses: the API under /api/, everything else is the page."""

from django.conf import settings
from django.http import FileResponse, HttpRequest, HttpResponse, HttpResponseBase, HttpResponseNotFound
from django.urls import URLPattern, URLResolver, include, path, re_path
from django.views.decorators.csrf import ensure_csrf_cookie
from drf_spectacular.views import SpectacularAPIView

from judicum.server.api.errors import unknown_address
from judicum.server.operations.views import health, metrics, ready


@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponseBase:
    """The single page; its own router reads the address."""
    if "." in request.path.rpartition("/")[2]:
        # A file that is not there; the page's own addresses have no dots.
        return HttpResponseNotFound("There is no such file.", content_type="text/plain")
    index = settings.WEB_DIST / "index.html"
    if not index.exists():
        return HttpResponse(
            "The page has not been built yet; run ./judicum demo.", status=503, content_type="text/plain"
        )
    response = FileResponse(index.open("rb"), content_type="text/html")
    response.headers["Cache-Control"] = "no-cache"
    return response


urlpatterns: list[URLPattern | URLResolver] = [
    path("api/", include("judicum.server.accounts.api.urls")),
    path("api/", include("judicum.server.courses.api.urls")),
    path("api/", include("judicum.server.schemes.api.urls")),
    path("api/", include("judicum.server.coupons.api.urls")),
    path("api/", include("judicum.server.attempts.api.urls")),
    path("api/", include("judicum.server.photos.api.urls")),
    path("api/", include("judicum.server.causes.api.urls")),
    path("api/", include("judicum.server.marking.api.urls")),
    path("api/", include("judicum.server.progress.api.urls")),
    path("api/", include("judicum.server.reports.api.urls")),
    path("api/", include("judicum.server.evenings.api.urls")),
    path("api/", include("judicum.server.stock.api.urls")),
    path("api/", include("judicum.server.workshops.api.urls")),
    path("api/", include("judicum.server.notices.api.urls")),
    path("api/", include("judicum.server.archive.api.urls")),
    path("api/schema", SpectacularAPIView.as_view(), name="schema"),
    path("health", health),
    path("ready", ready),
    path("metrics", metrics),
    re_path(r"^api/.*$", unknown_address),
    re_path(r"^.*$", page),
]
