"""Endpoints of the locker."""

from django.http import HttpResponse
from ninja import File, Router, Status, UploadedFile

from mule.intake.typed import understand
from mule.plan.gear import Gear
from server.accounts.signed_in import SignedInRequest
from server.library.locker import services
from server.library.locker.convert import gear_of, locker_of, typical
from server.library.locker.models import Thing
from server.library.locker.pictures import keep_picture, picture_of
from server.library.locker.schemas import (
    ChangedThing,
    FromTypical,
    LockerChanges,
    NewThing,
    PictureOut,
    ThingOut,
    Typed,
    UnderstoodOut,
    WeighIn,
)

router = Router()


def _out(row: Thing) -> ThingOut:
    return ThingOut(version=row.version, thing=gear_of(row))


@router.get("/things", response=list[ThingOut])
def list_things(request: SignedInRequest) -> list[ThingOut]:
    """Everything in the locker."""
    return [_out(row) for row in services.things(request.user)]


@router.post("/things", response={201: ThingOut})
def add_thing(request: SignedInRequest, payload: NewThing) -> Status[ThingOut]:
    """Add a thing."""
    return Status(201, _out(services.add(request.user, payload.thing)))


@router.put("/things/{slug}", response=ThingOut)
def change_thing(request: SignedInRequest, slug: str, payload: ChangedThing) -> ThingOut:
    """Store an edited thing."""
    return _out(services.replace(request.user, slug, payload.version, payload.thing))


@router.post("/things/{slug}/weigh-in", response=ThingOut)
def weigh_in(request: SignedInRequest, slug: str, payload: WeighIn) -> ThingOut:
    """Store what the scale said."""
    return _out(services.weigh_in(request.user, slug, payload.version, payload.mass_g))


@router.delete("/things/{slug}", response={204: None})
def remove_thing(request: SignedInRequest, slug: str) -> Status[None]:
    """Take a thing out of the locker."""
    services.remove(request.user, slug)
    return Status(204, None)


@router.get("/typical", response=list[Gear])
def list_typical(request: SignedInRequest) -> list[Gear]:
    """The typical gear table."""
    return list(typical().values())


@router.post("/from-typical", response={201: ThingOut})
def add_from_typical(request: SignedInRequest, payload: FromTypical) -> Status[ThingOut]:
    """Add a typical thing."""
    return Status(201, _out(services.add_typical(request.user, payload.typical, payload.count)))


@router.post("/understand", response=list[UnderstoodOut])
def understand_list(request: SignedInRequest, payload: Typed) -> list[UnderstoodOut]:
    """What things a written list names; nothing is added."""
    found = understand(payload.text, tuple(typical().values()), locker_of(request.user), payload.picks)
    return [UnderstoodOut(typed=u.typed, count=u.count, thing=u.thing, likes=list(u.likes)) for u in found]


@router.post("/changes", response=list[ThingOut])
def change_many(request: SignedInRequest, payload: LockerChanges) -> list[ThingOut]:
    """Put and remove many things, all or nothing; gives those that were put."""
    put = [(one.version, one.thing) for one in payload.put]
    return [_out(row) for row in services.change_many(request.user, put, payload.remove)]


@router.post("/pictures", response={201: PictureOut})
def add_picture(request: SignedInRequest, file: File[UploadedFile]) -> Status[PictureOut]:
    """Keep a picture, small and without metadata; a thing that shows it names it."""
    return Status(201, PictureOut(picture=keep_picture(request.user, file.read())))


@router.get("/pictures/{name}")
def show_picture(request: SignedInRequest, name: str) -> HttpResponse:
    """A picture, as WebP."""
    return HttpResponse(picture_of(request.user, name), content_type="image/webp")
