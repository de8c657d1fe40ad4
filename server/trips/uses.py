"""Where trips use gear and carriers: they cannot go while a kit loads them, a trip marks them or a leg names them."""

from collections.abc import Iterable
from typing import Any

from django.contrib.auth.models import User
from django.dispatch import receiver

from mule.base.errors import InvalidInput, Problem
from mule.plan.gear import Gear
from mule.plan.trip import Marks
from server.kernel.errors import InUse
from server.library.uses import carrier_to_go, ids_taken, thing_to_change, thing_to_go
from server.trips.models import Kit, LentThing, Trip


def kits_with(trips: Iterable[Trip], item: str) -> list[Kit]:
    """Kits of these trips that load an item, each with its trip."""
    kits = Kit.objects.filter(trip__in=trips).select_related("trip")
    return [kit for kit in kits if any(entry["item"] == item for entry in kit.entries)]


def require_unused(trips: Iterable[Trip], item: str, name: str) -> None:
    """Raises InUse, with what to do first, while a kit of these trips loads an item or one of the trips marks it."""
    if kits := kits_with(trips, item):
        where = ", ".join(f"“{kit.name}” of “{kit.trip.name}”" for kit in kits[:5])
        raise InUse(f"{name} is still loaded.", Problem("id", item, f"first leave it out of kit {where}"))
    marked = (trip for trip in trips if item in Marks.model_validate(trip.spec.get("marks", {})).items())
    for trip in marked:
        raise InUse(
            f"{name} is marked on a trip.", Problem("id", item, f"first remove its mark from trip “{trip.name}”")
        )


@receiver(thing_to_go, dispatch_uid="trips")
def _loaded_or_marked(owner: User, slug: str, name: str, **_: Any) -> None:
    require_unused(Trip.objects.filter(owner=owner), slug, name)


@receiver(thing_to_change, dispatch_uid="trips")
def _enough_for_kits(owner: User, gear: Gear, **_: Any) -> None:
    for kit in kits_with(Trip.objects.filter(owner=owner), gear.id):
        loaded = sum(e["count"] for e in kit.entries if e["item"] == gear.id)
        if loaded > gear.count:
            rule = f"must be at least {loaded}: kit “{kit.name}” of “{kit.trip.name}” loads that many"
            raise InvalidInput([Problem("count", str(gear.count), rule)])


@receiver(ids_taken, dispatch_uid="trips")
def _lent(owner: User, **_: Any) -> set[str]:
    return set(LentThing.objects.filter(trip__owner=owner).values_list("item", flat=True))


@receiver(carrier_to_go, dispatch_uid="trips")
def _on_legs(owner: User, slug: str, name: str, **_: Any) -> None:
    trips = [t for t in Trip.objects.filter(owner=owner) if any(g["carrier"] == slug for g in t.spec["legs"])]
    if trips:
        where = ", ".join(f"“{trip.name}”" for trip in trips[:5])
        raise InUse(f"{name} is still in use.", Problem("id", slug, f"first remove it from the journey of {where}"))
