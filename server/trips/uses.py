"""Where trips use a piece of gear: it cannot go while a kit loads it or a trip marks it."""

from collections.abc import Iterable

from mule.base.errors import Problem
from mule.plan.trip import Marks
from server.errors import InUse
from server.trips.models import Kit, Trip


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
        raise InUse(f"{name} is marked on a trip.", Problem("id", item, f"first take its mark off trip “{trip.name}”"))
