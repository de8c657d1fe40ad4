"""Endpoints of the carriers."""

from ninja import Router, Status

from mule.plan.carriers import USUAL, Restriction
from mule.plan.carriers import Carrier as CarrierValue
from server.accounts.signed_in import SignedInRequest
from server.library.carriers import services
from server.library.carriers.models import Carrier
from server.library.carriers.patterns import PATTERNS
from server.library.carriers.schemas import CarrierOut, ChangedCarrier, NewCarrier

router = Router()


def _out(row: Carrier) -> CarrierOut:
    return CarrierOut(version=row.version, carrier=services.value_of(row))


@router.get("", response=list[CarrierOut])
def list_carriers(request: SignedInRequest) -> list[CarrierOut]:
    """All carriers of yours."""
    return [_out(row) for row in services.carriers(request.user)]


@router.get("/patterns", response=list[CarrierValue])
def list_patterns(request: SignedInRequest) -> list[CarrierValue]:
    """Generic patterns to start from."""
    return list(PATTERNS)


@router.get("/usual-restrictions", response=list[Restriction])
def list_usual_restrictions(request: SignedInRequest) -> list[Restriction]:
    """What carriers usually say of restricted things."""
    return list(USUAL)


@router.post("", response={201: CarrierOut})
def add_carrier(request: SignedInRequest, payload: NewCarrier) -> Status[CarrierOut]:
    """Add a carrier."""
    return Status(201, _out(services.add(request.user, payload.carrier)))


@router.put("/{slug}", response=CarrierOut)
def change_carrier(request: SignedInRequest, slug: str, payload: ChangedCarrier) -> CarrierOut:
    """Store an edited carrier."""
    return _out(services.replace(request.user, slug, payload.version, payload.carrier))


@router.delete("/{slug}", response={204: None})
def remove_carrier(request: SignedInRequest, slug: str) -> Status[None]:
    """Remove a carrier."""
    services.remove(request.user, slug)
    return Status(204, None)
