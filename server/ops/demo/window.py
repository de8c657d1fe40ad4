"""A small bench in the shop window: a few things of the demo, one bag, one leg; anybody may load and leave them.

Nothing is stored, and nobody is asked who they are.
"""

from functools import cache
from typing import Annotated

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Schema

from mule.base.errors import InvalidInput, Problem
from mule.base.memo import Kept
from mule.findings.assess import Assessment, assess
from mule.plan import Plan, read
from mule.plan.editing import apply
from mule.plan.edits import Edit, Load
from mule.plan.gear import Gear
from mule.plan.kit import Kit
from mule.plan.trip import Trip
from server.kernel.answers import written

router = Router()
# What is laid out, and what of it is loaded at first: enough to see, and just light enough for the small plane.
SHOWN = (
    *("c1", "l-14", "l-16-35", "l-24-70", "l-24-120", "l-70-200", "l-100-400", "tele-1-4"),
    *("tripod-carbon", "head-ball", "bank-90"),
)
FIRST = ("c1", "l-16-35", "l-24-70", "l-100-400", "tripod-carbon", "head-ball", "bank-90")
_BAG, _CUBE, _PERSON, _LEG = "ridge-32", "cube-large", "ines", "small-plane"


class WindowBench(Schema):
    """The small bench: its trip, things, kit, and what the core says of it."""

    trip: Trip
    gear: list[Gear]
    kit: Kit
    assessment: Assessment


@cache
def _laid_out() -> Plan:
    """The demo's current trip for one person on its strictest leg, with an empty bag."""
    whole = read((settings.DEMO_DIR / "lofoten.plan.json").read_bytes())
    gear = [thing for thing in whole.gear if thing.id in {*SHOWN, _BAG, _CUBE}]
    entries = tuple(entry for entry in whole.kit.entries if entry.item in (_BAG, _CUBE))
    alone = {
        "people": [person for person in whole.trip.people if person.id == _PERSON],
        "legs": [leg for leg in whole.trip.legs if leg.id == _LEG],
        "marks": {},
    }
    kit = Kit(id="window", name="In the window", entries=entries)
    trip = Trip.model_validate(whole.trip.model_dump() | alone)
    return Plan(trip=trip, carriers=whole.carriers, gear=tuple(gear), kits=(kit,), open_kit=kit.id)


# There are few ways to load a dozen things that anybody comes back to.
_ASSESSED: Kept[WindowBench] = Kept(200)


def _bench(loaded: frozenset[str]) -> WindowBench:
    edits: list[Edit] = [Load(item=item) for item in SHOWN if item in loaded]
    plan = apply(_laid_out(), edits)
    return WindowBench(trip=plan.trip, gear=list(plan.gear), kit=plan.kit, assessment=assess(plan))


@router.get("", response=WindowBench, auth=None)
def show_window(request: HttpRequest, loaded: Annotated[str | None, Query(max_length=400)] = None) -> HttpResponse:
    """A small bench with some things loaded (ids, with commas between; as at first when none are named)."""
    wanted = frozenset(FIRST if loaded is None else filter(None, loaded.split(",")))
    if unknown := sorted(wanted - set(SHOWN)):
        raise InvalidInput([Problem("loaded", unknown[0], f"some of {', '.join(SHOWN)}")])
    return written(_ASSESSED.get(wanted, lambda: _bench(wanted)))
