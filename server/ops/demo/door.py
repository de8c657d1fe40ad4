"""The door of the demo."""

from django.conf import settings
from django.http import HttpRequest
from ninja import Router
from ninja.errors import HttpError

from server.accounts import services
from server.accounts.api import same_site, session_of
from server.accounts.demo import is_demo
from server.accounts.schemas import SessionOut
from server.ops.demo.services import visitor

router = Router()


@router.post("/demo", response=SessionOut, auth=same_site)
def step_into_demo(request: HttpRequest) -> SessionOut:
    """Step into a demo world of one's own; only in demo mode. Whoever has one steps into it again."""
    if not settings.DEMO_MODE:
        raise HttpError(404, "This server has no demo.")
    if not is_demo(request.user):
        services.enter(request, visitor())
    return session_of(request)
