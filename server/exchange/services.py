"""Importing a plan file: all or nothing."""

from collections.abc import Mapping, Sequence
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction

from mule.carriers import Carrier as CarrierValue
from mule.gear import Gear, Lens
from mule.kit import Entry, Stow
from mule.kit import Kit as KitValue
from mule.plan import Plan
from mule.trip import Marks
from mule.trip import Trip as TripValue
from server.carriers.models import Carrier
from server.documents import free_slug, slugs
from server.locker.models import Thing
from server.trips.convert import entries_of
from server.trips.models import Kit, Trip


def import_plan(owner: User, plan: Plan) -> Trip:
    """Stores a plan as a new trip. What the owner has unchanged is used; what differs comes in under a new id."""
    with transaction.atomic():
        gear_ids = _bring_in(Thing, owner, {t.id: t for t in plan.gear})
        carrier_ids = _bring_in(Carrier, owner, {c.id: c for c in plan.carriers})
        _rename_converters(owner, plan, gear_ids)
        trip = _trip(owner, plan.trip, carrier_ids, gear_ids)
        trip.open_kit = plan.open_kit
        trip.save(update_fields=["open_kit"])
        for kit in plan.kits:
            renamed = _renamed(kit, gear_ids)
            Kit.objects.create(
                trip=trip,
                slug=kit.id,
                name=kit.name,
                note=kit.note,
                entries=entries_of(renamed),
                stow=renamed.stow.model_dump(mode="json"),
            )
        return trip


def _bring_in(model: Any, owner: User, values: dict[str, Gear] | dict[str, CarrierValue]) -> dict[str, str]:
    """Stores the values that are new to the owner; gives for each id of the file the id it has here."""
    stored = {row.slug: row.spec for row in model.objects.filter(owner=owner)}
    taken, ids, rows = set(stored), {}, []
    for id_, value in values.items():
        spec = value.model_dump(mode="json")
        if stored.get(id_) == spec:
            ids[id_] = id_
            continue
        slug = free_slug(taken, id_)
        taken.add(slug)
        ids[id_] = slug
        extra = {"kind": value.kind} if model is Thing else {}
        rows.append(model(owner=owner, slug=slug, name=value.name, spec=spec | {"id": slug}, **extra))
    model.objects.bulk_create(rows)
    return ids


def _rename_converters(owner: User, plan: Plan, ids: dict[str, str]) -> None:
    """Lenses that came in under a new id, or whose converters did, name the converters by their ids here."""
    for thing in plan.gear:
        if isinstance(thing, Lens) and any(ids.get(c, c) != c for c in thing.takes_converters):
            row = Thing.objects.get(owner=owner, slug=ids[thing.id])
            row.spec["takes_converters"] = [ids.get(c, c) for c in thing.takes_converters]
            row.save()


def _trip(owner: User, trip: TripValue, carrier_ids: dict[str, str], gear_ids: dict[str, str]) -> Trip:
    slug = free_slug(slugs(Trip, owner), trip.id)
    legs = tuple(
        leg.model_copy(update={"carrier": carrier_ids[leg.carrier]}) if leg.carrier else leg for leg in trip.legs
    )
    marks = Marks(
        must_take=tuple(gear_ids[item] for item in trip.marks.must_take),
        must_leave=tuple(gear_ids[item] for item in trip.marks.must_leave),
        slots=tuple(
            slot.model_copy(update={"items": tuple(gear_ids[item] for item in slot.items)}) for slot in trip.marks.slots
        ),
    )
    spec = trip.model_copy(update={"id": slug, "legs": legs, "marks": marks}).model_dump(mode="json")
    return Trip.objects.create(owner=owner, slug=slug, name=trip.name, spec=spec)


def _renamed(kit: KitValue, ids: dict[str, str]) -> KitValue:
    entries = []
    for entry in kit.entries:
        place = entry.place
        if place.where == "bag":
            place = place.model_copy(update={"bag": ids[place.bag]})
        entries.append(Entry(item=ids[entry.item], count=entry.count, place=place))
    return kit.model_copy(update={"entries": tuple(entries), "stow": _restowed(kit.stow, ids)})


def _restowed(stow: Stow, ids: Mapping[str, str]) -> Stow:
    """Wishes for packing under the ids that things go by here; those about things that are not there are gone."""
    told = stow.model_dump()
    for sort, named in _WISHES.items():
        told[sort] = _known(told[sort], named, ids)
    for loadout in told["loadouts"]:
        loadout["entries"] = [_relabelled(entry, ids) for entry in loadout["entries"] if entry["item"] in ids]
        loadout["mounts"] = _known(loadout["mounts"], _WISHES["mounts"], ids)
    return Stow.model_validate(told)


# What each sort of wish names.
_WISHES = {"pins": ("item", "bag"), "mounts": ("body", "lens"), "nests": ("outer", "inner"), "wishes": ("item",)}


def _known(wishes: list[dict[str, Any]], named: Sequence[str], ids: Mapping[str, str]) -> list[dict[str, Any]]:
    known = [wish for wish in wishes if all(wish[field] in ids for field in named)]
    return [wish | {field: ids[wish[field]] for field in named} for wish in known]


def _relabelled(entry: dict[str, Any], ids: Mapping[str, str]) -> dict[str, Any]:
    place = entry["place"]
    bag = {"bag": ids.get(place["bag"], place["bag"])} if place["where"] == "bag" else {}
    return entry | {"item": ids[entry["item"]], "place": place | bag}
