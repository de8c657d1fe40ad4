"""Plan files: what goes into one, and taking one in, all or nothing."""

from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from typing import Any, NamedTuple, TypeVar

from django.contrib.auth.models import User

from mule.plan import MOST_CARRIERS, MOST_THINGS, Plan
from mule.plan.carriers import Carrier as CarrierValue
from mule.plan.field import relabelled
from mule.plan.gear import Gear, Lens, named_elsewhere, parse
from mule.plan.kit import Entry, Stow
from mule.plan.kit import Kit as KitValue
from mule.plan.trip import BodyDay, BodyHabit, Marks
from mule.plan.trip import Trip as TripValue
from server.field.looking import frames_of, keep_frames
from server.field.services import keep_marks, marks_of
from server.kernel.actor import Actor
from server.kernel.documents import FreeSlugs, require_room, slugs, spec_of, store, writing
from server.library.carriers.models import Carrier
from server.library.carriers.services import value_of as carrier_of
from server.library.locker.convert import gear_of
from server.library.locker.models import Thing
from server.trips.convert import entries_of
from server.trips.models import Kit, LentThing, Trip
from server.trips.services import plan_for, with_traveller

AboutBody = TypeVar("AboutBody", BodyDay, BodyHabit)


def export_plan(kit: Kit) -> Plan:
    """A trip with all its kits, what was noted on it and what its pictures say; ``kit`` is open."""
    return plan_for(Actor(kit.trip.owner), kit, all_kits=True).with_log(marks_of(kit.trip), frames_of(kit.trip))


def import_plan(owner: User, plan: Plan) -> Trip:
    """Stores a plan as a new trip. What the owner has unchanged is used; what differs comes in under a new id."""
    with writing(owner):
        return store_plan(owner, plan, bring_in(owner, plan.gear, plan.carriers))


class Ids(NamedTuple):
    """Under which ids things and carriers of a file are here; which of the things are new here."""

    gear: dict[str, str]
    carriers: dict[str, str]
    new: set[str]
    new_carriers: set[str]


def bring_in(owner: User, gear: Sequence[Gear], carriers: Sequence[CarrierValue]) -> Ids:
    """Stores what is new to the owner, and what differs under a new id. Raises InvalidInput when it is too much."""
    room, lent = (MOST_THINGS, "things"), LentThing.objects.filter(trip__owner=owner).values_list("item", flat=True)
    gear_ids, new = _bring_in(Thing, gear_of, owner, {t.id: t for t in gear}, room, lent)
    rules = {c.id: c for c in carriers}
    carrier_ids, new_rules = _bring_in(Carrier, carrier_of, owner, rules, (MOST_CARRIERS, "carriers"))
    _rename_named(owner, gear, gear_ids, new)
    return Ids(gear_ids, carrier_ids, new, new_rules)


def store_plan(owner: User, plan: Plan, ids: Ids) -> Trip:
    """Stores a plan whose things and carriers are here already, under these ids, as a new trip."""
    trip = _trip(owner, plan.trip, ids.carriers, ids.gear)
    trip.open_kit = plan.open_kit
    trip.save(update_fields=["open_kit"])
    for kit in plan.kits:
        renamed = _renamed(kit, ids.gear)
        Kit.objects.create(
            trip=trip,
            slug=kit.id,
            name=kit.name,
            note=kit.note,
            entries=entries_of(renamed),
            stow=renamed.stow.model_dump(mode="json"),
        )
    keep_marks(trip, (relabelled(mark, ids.gear) for mark in plan.noted))
    keep_frames(trip, plan.frames)
    return trip


def _bring_in(
    model: Any,
    value_of: Callable[[Any], Any],
    owner: User,
    values: Mapping[str, Gear] | Mapping[str, CarrierValue],
    room: tuple[int, str],
    lent: Iterable[str] = (),
) -> tuple[dict[str, str], set[str]]:
    """Stores the values that are new to the owner. room: how many of them there may be, and what they are. lent: ids
    that are taken, too.

    Gives for each id of the file the id it has here, and which of the file's are new here.
    """
    # Values, not rows: a row of an older version lacks the fields that came since.
    stored = {row.slug: value_of(row) for row in model.objects.filter(owner=owner)}
    free, ids, rows = FreeSlugs(set(stored) | set(lent)), {}, []
    for id_, value in values.items():
        if stored.get(id_) == value:
            ids[id_] = id_
            continue
        slug = free.take(id_)
        ids[id_] = slug
        extra = {} if isinstance(value, CarrierValue) else {"kind": value.kind}
        spec = spec_of(value.model_copy(update={"id": slug}))
        rows.append(model(owner=owner, slug=slug, name=value.name, spec=spec, **extra))
    require_room(model, owner, len(rows), *room)
    model.objects.bulk_create(rows)
    new = {row.slug for row in rows}
    return ids, {id_ for id_, slug in ids.items() if slug in new}


def _rename_named(owner: User, gear: Sequence[Gear], ids: Mapping[str, str], new: Collection[str]) -> None:
    """Things that name others name them by ids here.

    new: ids of the file that came in. What was here before keeps what it names, and lenses learn the other converters.
    """
    for thing in gear:
        if thing.id in new:
            named = named_elsewhere(thing, lambda id_: ids.get(id_, id_))
        elif isinstance(thing, Lens):
            also = (ids.get(converter, converter) for converter in thing.takes_converters)
            named = {"takes_converters": tuple(dict.fromkeys([*thing.takes_converters, *also]))}
        else:
            continue
        if any(getattr(thing, field) != value for field, value in named.items()):
            row = Thing.objects.get(owner=owner, slug=ids[thing.id])
            store(row, parse(row.spec | named))


def _trip(owner: User, trip: TripValue, carrier_ids: dict[str, str], gear_ids: dict[str, str]) -> Trip:
    slug = FreeSlugs(slugs(Trip, owner)).take(trip.id)
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
    days = tuple(day.model_copy(update={"bodies": _bodies(day.bodies, gear_ids)}) for day in trip.days)
    stamina = trip.stamina.model_copy(update={"habits": _bodies(trip.stamina.habits, gear_ids)})
    told = {"id": slug, "legs": legs, "marks": marks, "days": days, "stamina": stamina}
    spec = spec_of(with_traveller(owner, trip.model_copy(update=told)))
    return Trip.objects.create(owner=owner, slug=slug, name=trip.name, spec=spec)


def _bodies(told: Iterable[AboutBody], ids: Mapping[str, str]) -> tuple[AboutBody, ...]:
    return tuple(one.model_copy(update={"body": ids.get(one.body, one.body)}) for one in told)


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
