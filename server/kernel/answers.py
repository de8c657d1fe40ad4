"""Large answers on the wire."""

from django.http import HttpResponse
from pydantic import BaseModel


def written(shape: BaseModel) -> HttpResponse:
    """A shape as JSON, written in one go: Ninja would check it once more and write it twice, on every click."""
    return HttpResponse(shape.model_dump_json(), content_type="application/json; charset=utf-8")
