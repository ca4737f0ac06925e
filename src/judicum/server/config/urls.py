"""All addresses: the API under /api/, everything else is the page."""

from django.conf import settings
from django.http import FileResponse, HttpRequest, HttpResponse, HttpResponseBase, HttpResponseNotFound
from django.urls import URLPattern, URLResolver, include, path, re_path
from django.views.decorators.csrf import ensure_csrf_cookie
from drf_spectacular.views import SpectacularJSONAPIView

from judicum.server.http.operations import health, metrics, ready
from judicum.server.http.problems import unknown_address
from judicum.server.http.routes.trust import authority_file


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
    path("api/", include("judicum.server.http.urls")),
    path("api/schema", SpectacularJSONAPIView.as_view(), name="schema"),
    path("authority.crt", authority_file),
    path("health", health),
    path("ready", ready),
    path("metrics", metrics),
    re_path(r"^api/.*$", unknown_address),
    re_path(r"^.*$", page),
]
