"""Packings that were found already: the list and the field ask for the same one again and again."""

from hashlib import sha256

from django.core.cache import cache

from mule.deadline import Deadline
from mule.packing import Stowage, stow
from mule.plan import Plan

_KEEP_S = 24 * 3600
_SECONDS = 6.0


def packed(plan: Plan) -> Stowage:
    """The packing of a plan's open kit: the one of before, as long as nothing in it has changed."""
    loaded = plan.loaded
    told = [plan.kit.model_dump_json(include={"entries", "stow"}), plan.trip.marks.model_dump_json()]
    told += [plan.items[item].model_dump_json() for item in sorted(loaded)]
    key = f"packed-{sha256(''.join(told).encode()).hexdigest()}"
    found = cache.get(key)
    if found is None:
        found = stow(plan.items, plan.kit, Deadline(_SECONDS), slots=plan.trip.marks.slots).model_dump_json()
        cache.set(key, found, _KEEP_S)
    return Stowage.model_validate_json(found)
