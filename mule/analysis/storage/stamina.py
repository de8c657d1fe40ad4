"""Will the power and the pictures last? ``last`` gives power and storage the open kit of a plan, and each the other's
answer where it needs it; ``summarize`` is what the scales and the rules look at."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from mule.analysis.load import roots
from mule.analysis.power import Power, PowerCase, PowerSummary, TypeSummary, camera_demands, simulate_case, sum_up
from mule.analysis.storage import CardsOf, Storage, Whereabouts, falls_short, store
from mule.base.memo import by_identity
from mule.base.units import Frozen
from mule.plan import Plan
from mule.plan.gear import (
    Battery,
    Body,
    Card,
    Charger,
    Computer,
    Drive,
    Drone,
    Gear,
    Light,
    Link,
    Other,
    PowerBank,
    Reader,
    Remote,
    Sound,
)
from mule.plan.places import AsPiece, PieceKind
from mule.plan.trip import Trip

_KEEPS_PICTURES = (Card, Drive, Computer)
# What has a part in power and pictures.
_ELECTRIC = (*_KEEPS_PICTURES, Battery, Body, Charger, Drone, Light, Link, PowerBank, Reader, Remote, Sound)


def _is_electric(thing: Gear) -> bool:
    """Whether a thing has a part in power and pictures."""
    if isinstance(thing, Other):
        return bool(thing.battery_type or thing.energy_wh or thing.draws_w or thing.solar_w)
    return isinstance(thing, _ELECTRIC)


@dataclass(frozen=True)
class Lasting:
    """Both answers, day by day."""

    power: Power
    pictures: Storage


@dataclass(frozen=True)
class StaminaSummary:
    """Both answers without each pack's day. case: the trip's power, compiled, for who tries something else with it."""

    case: PowerCase
    power: PowerSummary
    pictures: Storage


class Uncounted(StrEnum):
    """Why days of power or of cards are not counted.

    none-loaded: a needed type of pack, or every card, is missing. slots-unknown: no loaded camera says which cards it
    takes.
    """

    NO_DAYS = "no-days"
    NO_CAMERA = "no-camera"
    NONE_LOADED = "none-loaded"
    NOTHING_ASKS = "nothing-asks"
    SLOTS_UNKNOWN = "slots-unknown"


class Lasts(Frozen):
    """The short of it, for the scales, the paper and who asks elsewhere.

    power_days, card_days: days of ``days`` carried before the first short one, or why they are not counted. missing:
    types of pack that are asked for and not loaded. nights_told: whether each night's mains were said by somebody, not
    assumed. copies: places asked for each picture. copies_fewest: places that every picture is in by the end of its
    night, None where there are no pictures. copies_short_on: the first of ``copies_short`` nights with fewer places
    than asked.
    """

    days: int
    power_days: int | Uncounted
    card_days: int | Uncounted
    missing: tuple[str, ...]
    nights_told: bool
    types: tuple[TypeSummary, ...]
    cards: tuple[CardsOf, ...]
    copies: int
    copies_fewest: int | None
    copies_short: int
    copies_short_on: date | None


def power_case(plan: Plan, counts: Mapping[str, int] | None = None) -> PowerCase:
    """The power of a plan, compiled. counts: pieces loaded, else those of the open kit."""
    return PowerCase.of(plan.items, plan.loaded if counts is None else counts, plan.trip)


def last(plan: Plan) -> Lasting:
    """What each day of the trip asks of packs and cards, and what is left."""
    return Lasting(power=simulate_case(power_case(plan)), pictures=keep(plan, plan.loaded))


def summarize(plan: Plan) -> StaminaSummary:
    """How far packs and cards carry, without each pack's day.

    >>> from tests import cast
    >>> made = summarize(cast.plan([cast.pack()], cast.entry("pack", cast.ON_INES, count=2)))
    >>> [(t.type, t.packs) for t in made.power.types]
    [('LB-4', 2)]
    """
    counts = tuple((i, n) for i, n in plan.loaded.items() if _is_electric(plan.items[i]))
    where = whereabouts(plan)
    kept = tuple((i, tuple(where.roots.get(i, ()))) for i, _ in counts if isinstance(plan.items[i], _KEEPS_PICTURES))
    return _summarize(plan.gear, plan.trip, counts, kept, where.hold)


# A lens, a filter or a bag changes nothing about packs and cards.
@by_identity(64, of=2)
def _summarize(
    gear: tuple[Gear, ...],
    trip: Trip,
    counts: tuple[tuple[str, int], ...],
    kept: tuple[tuple[str, tuple[str | None, ...]], ...],
    hold: frozenset[str],
) -> StaminaSummary:
    """counts: pieces loaded of what is electric. kept: which luggage what keeps pictures is in. hold: checked bags."""
    items, loaded = {thing.id: thing for thing in gear}, dict(counts)
    case = PowerCase.of(items, loaded, trip)
    return StaminaSummary(
        case=case, power=sum_up(case), pictures=_keep(items, loaded, trip, Whereabouts(dict(kept), hold))
    )


def keep(plan: Plan, counts: Mapping[str, int]) -> Storage:
    """Cards, copies and losses of so many pieces loaded, in the bags of the open kit.

    counts: pieces loaded by item id.
    """
    return _keep(plan.items, counts, plan.trip, whereabouts(plan))


def runs_out(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip) -> tuple[bool, bool]:
    """Whether cards run out, and whether some night ends with pictures in fewer places than asked, in one bag.

    gear: by id. counts: pieces loaded by item.
    """
    bodies = {i: n for i, n in counts.items() if isinstance(gear[i], Body)}
    return falls_short(gear, counts, trip, [camera_demands(gear, bodies, trip, day) for day in trip.days])


def _keep(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, where: Whereabouts) -> Storage:
    bodies = {i: n for i, n in counts.items() if isinstance(gear[i], Body)}
    return store(gear, counts, trip, [camera_demands(gear, bodies, trip, day) for day in trip.days], where)


def whereabouts(plan: Plan) -> Whereabouts:
    """In which piece of luggage each loaded piece travels."""
    found = {
        item: [root for root, count in places for _ in range(count)] for item, places in roots(plan.kit).bags.items()
    }
    held = [e for e in plan.kit.entries if isinstance(e.place, AsPiece) and e.place.piece == PieceKind.HOLD]
    return Whereabouts(found, frozenset(e.item for e in held))


def in_short(power: Power | PowerSummary, pictures: Storage, trip: Trip) -> Lasts:
    """What the scales show. power, pictures: of a kit on this trip."""
    return Lasts(
        days=len(pictures.days),
        power_days=_power_days(power, pictures),
        card_days=_card_days(pictures),
        missing=power.missing,
        nights_told=all(day.night is not None for day in trip.days[:-1]),
        types=power.types,
        cards=pictures.types,
        copies=pictures.asked_copies,
        copies_fewest=pictures.fewest_copies,
        copies_short=len(pictures.short_nights),
        copies_short_on=pictures.short_on,
    )


def _power_days(power: Power | PowerSummary, pictures: Storage) -> int | Uncounted:
    if not pictures.days:
        return Uncounted.NO_DAYS
    asked = any(type_.worst_margin is not None for type_ in power.types)
    # A type that is not loaded hides the count, unless another type runs short anyway.
    if asked and (power.days_carried < len(pictures.days) or not power.missing):
        return power.days_carried
    if power.missing:
        return Uncounted.NONE_LOADED
    return Uncounted.NOTHING_ASKS if _cameras(pictures) else Uncounted.NO_CAMERA


def _card_days(pictures: Storage) -> int | Uncounted:
    if not pictures.days:
        return Uncounted.NO_DAYS
    if not _cameras(pictures):
        return Uncounted.NO_CAMERA
    if any(type_.loaded for type_ in pictures.types):
        return pictures.days_carried
    return Uncounted.NONE_LOADED if pictures.types else Uncounted.SLOTS_UNKNOWN


def _cameras(pictures: Storage) -> bool:
    return any(day.made for day in pictures.days)
