"""Gear that companions lend to a trip: it lies beside the owner's, marked as theirs."""

from collections.abc import Iterable, Mapping

from django.contrib.auth.models import User
from django.db.models import F

from mule.base.errors import InvalidInput, Problem
from mule.base.memo import Kept
from mule.plan import MOST_THINGS
from mule.plan.gear import Filter, Gear, named_elsewhere, parse
from server.kernel.documents import FreeSlugs, revision, slugs, spec_of, writing
from server.kernel.errors import NotFound
from server.library.locker.convert import gear_of, locker_of
from server.library.locker.models import Thing
from server.trips.models import LentThing, Trip
from server.trips.uses import require_unused

MOST_LENT = 200
# Lockers with what others lent beside them.
_TOGETHER: Kept[tuple[Gear, ...]] = Kept(32)
_LENT = "+"


def gear_stamp(trip: Trip) -> str:
    """Another word after every change of what lies on the table of a trip: the owner's locker and what others lent."""
    own = revision(Thing, trip.owner)
    return f"{own}{_LENT}{trip.pk}-{trip.lendings}" if trip.lendings else own


def note_lending(trip: Trip) -> None:
    """Says that what others lent to a trip is another now."""
    # Counted where it is stored: two who lend at the same time make two changes.
    Trip.objects.filter(pk=trip.pk).update(lendings=F("lendings") + 1)
    trip.refresh_from_db(fields=["lendings"])


def gear_for(trip: Trip, at: str | None = None) -> tuple[Gear, ...]:
    """What lies on the table of a trip. at: its stamp, when it is known already. The same object until it changes."""
    told = at or gear_stamp(trip)
    own = locker_of(trip.owner, told.partition(_LENT)[0])
    if _LENT not in told:
        return own
    return _TOGETHER.get(told, lambda: (*own, *(parse(row.spec) for row in trip.lent.all())))


def lend(trip: Trip, lender: User, items: Iterable[str]) -> list[LentThing]:
    """Lays things of the lender's locker, and what they do not work without, beside those of the trip, as they are now.

    Raises NotFound for what is not in the lender's locker, InvalidInput where there would be too many, or fewer of a
    thing than kits load.
    """
    with writing(trip.owner):
        mine = {row.slug: gear_of(row) for row in Thing.objects.filter(owner=lender)}
        wished = _with_what_they_need(mine, items)
        have = {row.source: row for row in trip.lent.filter(lender=lender)}
        others = trip.lent.count() - len(have)
        if others + len(have.keys() | wished) > MOST_LENT or len(gear_for(trip)) + len(wished) > MOST_THINGS:
            raise InvalidInput([Problem("items", str(len(wished)), f"at most {MOST_LENT} items lent to one trip")])
        free = FreeSlugs(slugs(Thing, trip.owner) | set(trip.lent.values_list("item", flat=True)))
        ids = {source: row.item for source, row in have.items()}
        ids |= {source: free.take(f"{source[:48]}-lent") for source in wished if source not in ids}
        rows = []
        for source in wished:
            thing = _as_theirs(mine[source], lender.get_username(), ids)
            row = have.get(source) or LentThing(trip=trip, lender=lender, source=source, item=ids[source])
            _require_enough(trip, thing)
            row.lender_name, row.spec = lender.get_username(), spec_of(thing)
            row.save()
            rows.append(row)
        note_lending(trip)
        return rows


def take_back(trip: Trip, item: str, lender: User | None) -> None:
    """Takes a lent thing off the table. lender: who may; None for the trip's owner.

    Raises NotFound, and InUse while a kit loads it or the trip marks it.
    """
    with writing(trip.owner):
        rows = trip.lent.filter(item=item, **({"lender": lender} if lender else {}))
        if not rows.exists():
            raise NotFound("lent thing", item)
        require_unused(Trip.objects.filter(pk=trip.pk), item, rows[0].spec["name"])
        rows.delete()
        note_lending(trip)


def _with_what_they_need(mine: Mapping[str, Gear], items: Iterable[str]) -> list[str]:
    wished: list[str] = []
    waiting = list(items)
    while waiting:
        item = waiting.pop()
        if item not in mine:
            raise NotFound("thing", item)
        if item not in wished:
            wished.append(item)
            waiting += [other for other in mine[item].needs if other in mine]
            waiting += _home_of(mine, mine[item])
    return sorted(wished)


def _home_of(mine: Mapping[str, Gear], thing: Gear) -> list[str]:
    """What a filter is dropped into, an adapter or a camera: without it, it is a filter for nothing.

    Raises InvalidInput where the lender does not have it.
    """
    home = (thing.adapter or thing.body) if isinstance(thing, Filter) else None
    if home is None:
        return []
    if home not in mine:
        raise InvalidInput([Problem("items", thing.name, "its adapter or camera must be in your locker, too")])
    return [home]


def _as_theirs(thing: Gear, name: str, ids: Mapping[str, str]) -> Gear:
    """A thing under its id on the trip, marked as whose it is; it names only what was lent with it."""
    told = {
        "id": ids[thing.id],
        "name": f"{thing.name[:50].rstrip()} · {name[:24]}’s",
        "owner": name[:80],
        "serial": "",
        "value": None,
        "picture": None,
        "note": "",
    }
    return thing.model_copy(update=told | named_elsewhere(thing, ids.get))


def _require_enough(trip: Trip, thing: Gear) -> None:
    for kit in trip.kits.all():
        loaded = sum(entry["count"] for entry in kit.entries if entry["item"] == thing.id)
        if loaded > thing.count:
            raise InvalidInput(
                [Problem("items", thing.name, f"must be at least {loaded}: kit “{kit.name}” loads that many")]
            )
