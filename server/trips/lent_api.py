"""Endpoints for whoever plans along: what others lend to a trip, and whose rules hold on it."""

from ninja import Router, Status
from ninja.errors import HttpError

from server.accounts.signed_in import SignedInRequest
from server.kernel.actor import Actor
from server.library.carriers.schemas import CarrierOut
from server.library.carriers.services import carriers, value_of
from server.trips import lending, services
from server.trips.convert import trip_of
from server.trips.models import LentThing
from server.trips.schemas import LendItems, LentOut

router = Router()


def _out(actor: Actor, row: LentThing) -> LentOut:
    guest = actor.guest
    mine = bool(guest and guest.account and row.lender_id == guest.account.pk)
    return LentOut(item=row.item, by=row.lender_name, mine=mine, source=row.source if mine else "")


@router.get("/{slug}/carriers", response=list[CarrierOut])
def list_carriers_of(request: SignedInRequest, slug: str) -> list[CarrierOut]:
    """The carriers whose rules hold on the legs of a trip: all that others see of them."""
    named = {leg.carrier for leg in trip_of(services.find_trip(request.auth.owner, slug)).legs}
    return [CarrierOut(version=0, carrier=value_of(row)) for row in carriers(request.auth.owner) if row.slug in named]


@router.get("/{slug}/lent", response=list[LentOut])
def list_lent(request: SignedInRequest, slug: str) -> list[LentOut]:
    """What others laid beside the owner's things."""
    return [_out(request.auth, row) for row in services.find_trip(request.auth.owner, slug).lent.all()]


@router.post("/{slug}/lent", response={201: list[LentOut]})
def lend_things(request: SignedInRequest, slug: str, payload: LendItems) -> Status[list[LentOut]]:
    """Lay things of one's own locker, as they are now, beside those of a trip that one plans along with."""
    guest = request.auth.guest
    if guest is None or guest.account is None:
        raise HttpError(403, "On your own trip you can load your gear directly.")
    rows = lending.lend(services.find_trip(request.auth.owner, slug), guest.account, payload.items)
    return Status(201, [_out(request.auth, row) for row in rows])


@router.delete("/{slug}/lent/{item}", response={204: None})
def take_back_thing(request: SignedInRequest, slug: str, item: str) -> Status[None]:
    """Take a lent thing off the table: whose it is, or whose trip it is."""
    guest = request.auth.guest
    lending.take_back(services.find_trip(request.auth.owner, slug), item, guest.account if guest else None)
    return Status(204, None)
