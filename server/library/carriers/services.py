"""Verbs of the carriers."""

from django.contrib.auth.models import User

from mule.base.memo import Kept
from mule.plan import MOST_CARRIERS
from mule.plan.carriers import Carrier as CarrierValue
from server.kernel.documents import (
    FreeSlugs,
    find,
    find_for_edit,
    require_room,
    revision,
    slug_from,
    slugs,
    spec_of,
    store,
    writing,
)
from server.library.carriers.models import Carrier
from server.library.uses import carrier_to_go


def carriers(owner: User) -> list[Carrier]:
    """All carriers of an owner, oldest first."""
    return list(Carrier.objects.filter(owner=owner))


def value_of(row: Carrier) -> CarrierValue:
    """The core value of a row."""
    return CarrierValue.model_validate(row.spec)


# Carriers of the owners who were here last.
_CARRIERS: Kept[dict[str, CarrierValue]] = Kept(32)


def carriers_of(owner: User, at: str | None = None) -> dict[str, CarrierValue]:
    """Every carrier of an owner by id, as core values. at: their revision, when it is known already."""
    return _CARRIERS.get(
        (owner.pk, at or revision(Carrier, owner)), lambda: {row.slug: value_of(row) for row in carriers(owner)}
    )


def add(owner: User, carrier: CarrierValue) -> Carrier:
    """Adds a carrier; its id is made from its name unless that is taken."""
    with writing(owner):
        require_room(Carrier, owner, 1, MOST_CARRIERS, "carriers")
        slug = FreeSlugs(slugs(Carrier, owner)).take(slug_from(carrier.name) if carrier.id == "new" else carrier.id)
        spec = spec_of(carrier.model_copy(update={"id": slug}))
        return Carrier.objects.create(owner=owner, slug=slug, name=carrier.name, spec=spec)


def replace(owner: User, slug: str, version: int, carrier: CarrierValue) -> Carrier:
    """Stores an edited carrier. Raises Stale, NotFound, InvalidInput."""
    with writing(owner):
        row = find_for_edit(Carrier, owner, slug, "carrier", version=version, sent_id=carrier.id)
        return store(row, carrier)


def remove(owner: User, slug: str) -> None:
    """Removes a carrier. Raises InUse while something names it."""
    with writing(owner):
        row = find(Carrier, owner, slug, "carrier")
        carrier_to_go.send(Carrier, owner=owner, slug=slug, name=row.name)
        row.delete()
