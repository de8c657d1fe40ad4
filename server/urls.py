"""/api is the API; every other path is a screen of the web app."""

from django.conf import settings
from django.db import DatabaseError, connection
from django.http import FileResponse, HttpRequest, HttpResponse
from django.urls import path, re_path

from server.api import api


def screen(request: HttpRequest) -> HttpResponse | FileResponse:
    """The web app's page; it finds the screen by the path."""
    page = settings.WEB_DIST / "index.html"
    if not page.is_file():
        return HttpResponse("The web app is not built yet: run make demo.", status=503, content_type="text/plain")
    response = FileResponse(page.open("rb"), content_type="text/html; charset=utf-8")
    response["Cache-Control"] = "no-cache"
    return response


def healthy(request: HttpRequest) -> HttpResponse:
    """Whether the site can answer: its database can."""
    try:
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
    except DatabaseError:
        return HttpResponse("the database does not answer", status=503, content_type="text/plain")
    return HttpResponse("ok", content_type="text/plain")


def broken(request: HttpRequest) -> HttpResponse:
    """What is shown where something broke outside of the API."""
    number = getattr(request, "trace_id", "")
    return HttpResponse(
        f"Something went wrong here. It is in the log as {number}.", status=500, content_type="text/plain"
    )


handler500 = broken

urlpatterns = [
    path("healthz", healthy),
    path("api/", api.urls),
    re_path(r"^(?!api/|assets/).*$", screen),
]
