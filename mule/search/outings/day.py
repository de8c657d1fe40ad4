"""An outing as a plan of its own: what leaves the base on one day, asked everything that a kit is asked.

See docs/domain/words.md. What lies at the base is the locker of that plan, so a cure never proposes anything that is
not on the trip; packs and cards come full and blank into the morning, for the others charge and empty at the base.
Whether enough of them are full is the trip's own question (``mule.analysis.storage.stamina``).
"""

from collections.abc import Iterable, Sequence

from mule.analysis.load import weigh
from mule.analysis.loadouts import carried
from mule.analysis.walking import with_water_and_food
from mule.base.memo import by_identity
from mule.plan import Plan, assemble
from mule.plan.gear import Gear
from mule.plan.kit import Kit, Loadout
from mule.plan.trip import Day, Marks, Policies, Stamina, Trip, Want


def loadout_on(plan: Plan, day: Day) -> Loadout | None:
    """The loadout that is carried on a day, the first of several; None where all that travels goes along.

    >>> from tests import cast
    >>> loadout_on(cast.plan([]), cast.trip().days[0])
    """
    return next((o for o in plan.kit.stow.loadouts if day.date in o.days), None)


def day_plan(plan: Plan, days: Sequence[Day], loadout: Loadout | None) -> Plan:
    """What a loadout of the open kit carries, on these days alone, with all else of the kit at the base.

    loadout: None for all that travels. Legs and marks have no part in a day out, and what a kit is made up by has
    none in a day's bag, either.

    >>> from tests import cast
    >>> plan = cast.plan([cast.body(count=2)], cast.entry("body", cast.ON_INES))
    >>> made = day_plan(plan, plan.trip.days, None)
    >>> [(thing.id, thing.count) for thing in made.gear], made.trip.legs
    ([('body', 1)], ())
    """
    kit = carried(plan.kit, plan.items, loadout) if loadout else plan.kit
    return plan_out(plan, days, kit)


def plan_out(plan: Plan, days: Sequence[Day], kit: Kit) -> Plan:
    """The same with whatever goes along. kit: of things that the open kit holds."""
    along = kit.model_copy(update={"stow": kit.stow.model_copy(update={"loadouts": (), "pins": ()})})
    gear = on_the_trip(plan.gear, tuple(sorted(plan.loaded.items())))
    out = assemble(gear, (), _out(plan.trip, tuple(days)), (along,), along.id, plan.noted)
    if not any(day.walk for day in days):
        return out
    # What is drunk and eaten on the way is on the back in the morning.
    return with_water_and_food(out, weigh(out.items, along, out.trip.people))


@by_identity(64)
def on_the_trip(gear: tuple[Gear, ...], loaded: tuple[tuple[str, int], ...]) -> tuple[Gear, ...]:
    """The things that are on the trip, as many of each as are. loaded: pieces by item."""
    counts = dict(loaded)
    return tuple(
        thing if thing.count == counts[thing.id] else thing.model_copy(update={"count": counts[thing.id]})
        for thing in gear
        if thing.id in counts
    )


# What is kept of wants hangs on their identity: a day asked about again has the same ones.
@by_identity(64)
def _out(trip: Trip, days: tuple[Day, ...]) -> Trip:
    """A trip of these days alone."""
    return trip.model_copy(
        update={
            "days": tuple(days),
            "wants": wanted_on(trip, days),
            "legs": (),
            "marks": Marks(),
            "policies": Policies(),
            "stamina": _by_day(trip.stamina),
        }
    )


def wanted_on(trip: Trip, days: Iterable[Day]) -> tuple[Want, ...]:
    """What is shot on any of these days, in the order of the brief."""
    shot = {want.id for day in days for want in trip.wants_on(day)}
    return tuple(want for want in trip.wants if want.id in shot)


def _by_day(stamina: Stamina) -> Stamina:
    """Packs and cards of a day's bag: nothing is charged or copied before the evening, unless a bank goes along."""
    school = "bank-by-day" if stamina.power == "bank-by-day" else "packs-only"
    return stamina.model_copy(update={"mornings": "full", "power": school, "copies": 1, "cards": _cards(stamina)})


def _cards(stamina: Stamina) -> str:
    """Cards are blank in the morning: which are erased when is the trip's question."""
    return "few-big" if stamina.cards == "erase-after" else stamina.cards
