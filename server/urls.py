"""/api is the API; every other path is a screen of the web app."""

from django.conf import settings
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


urlpatterns = [
    path("api/", api.urls),
    re_path(r"^(?!api/|assets/).*$", screen),
]
