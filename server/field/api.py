"""Endpoints of the field."""

from django.http import HttpRequest
from ninja import Router

from mule.packout import PackOut
from server.field import services
from server.field.scale import Reading, read_scale
from server.field.schemas import FieldOut, SentMarks, TakenMarks
from server.trips import services as trips

router = Router()


@router.get("/scale", response=Reading)
def weigh(request: HttpRequest) -> Reading:
    """What the scale says now, once it is still; or plainly that it is not there."""
    return read_scale()


@router.get("/{slug}", response=FieldOut)
def show_field(request: HttpRequest, slug: str) -> FieldOut:
    """All marks of a trip, and what they come to."""
    return services.field_of(request.user, slug)


@router.post("/{slug}/marks", response=TakenMarks)
def send_marks(request: HttpRequest, slug: str, payload: SentMarks) -> TakenMarks:
    """Take marks in; each is answered by itself."""
    return services.take_in(request.user, slug, payload.marks)


@router.get("/{slug}/kits/{kit}/list", response=PackOut)
def show_list(request: HttpRequest, slug: str, kit: str) -> PackOut:
    """The pack-out list of a kit."""
    return services.list_for(trips.plan_for(trips.find_kit(request.user, slug, kit)))
