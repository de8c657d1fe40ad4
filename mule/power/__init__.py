"""Power: will the packs last? The front door is ``simulate``, day by day and pack by pack (domain 4).

A pack may be split over two cameras and over two days: what is left in it in the evening is there in the morning.
"""

from collections.abc import Mapping, Sequence

from mule.gear import Gear
from mule.power.advice import (
    MOST_PACKS,
    Claim,
    Fewest,
    PowerAdvice,
    PowerLoss,
    Saving,
    SchoolRow,
    advise,
    fewest,
    lacking,
    relief,
    schools_that_carry,
)
from mule.power.answer import (
    TINY_WH,
    BankDay,
    Charge,
    Eater,
    PackDay,
    Part,
    Power,
    PowerDay,
    TypeDay,
    TypeSummary,
    Useless,
)
from mule.power.cold import COLD, usable
from mule.power.demand import demands, nominal_wh
from mule.power.night import BANK_NIGHT_H
from mule.power.packs import BANK_YIELD, Pack
from mule.power.run import DAY_H, Run
from mule.power.sockets import BODY_H, means
from mule.trip import Trip


def simulate(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, extra: float = 0.0) -> Power:
    """What the loaded packs do on each day of the trip, and what each night puts back.

    gear: by id. counts: pieces loaded by item. extra: more demand than the days ask, as a share (a margin of 0.25).
    Same input, same answer; nothing is random.
    """
    run = Run(gear, counts, trip, extra)
    days = tuple(run.told(day) for day in trip.days)
    return Power(
        days=days,
        types=tuple(_summary(type_, run.packs, days) for type_ in _types(days, run.packs)),
        useless=run.means.useless,
        days_carried=next((i for i, day in enumerate(days) if day.short), len(days)),
    )


def _types(days: Sequence[PowerDay], packs: Sequence[Pack]) -> list[str]:
    asked = dict.fromkeys(t.type for day in days for t in day.types)
    return [*asked, *(store for store in dict.fromkeys(p.store for p in packs) if store not in asked)]


def _summary(type_: str, packs: Sequence[Pack], days: Sequence[PowerDay]) -> TypeSummary:
    mine = [(day.date, t) for day in days for t in day.types if t.type == type_]
    worst = min(((t.margin, at) for at, t in mine if t.margin is not None), default=None)
    return TypeSummary(
        type=type_,
        packs=sum(p.store == type_ for p in packs),
        short_on=next((at for at, t in mine if t.short), None),
        worst_margin=worst[0] if worst else None,
        worst_on=worst[1] if worst else None,
    )


__all__ = [
    "BANK_NIGHT_H",
    "BANK_YIELD",
    "BODY_H",
    "COLD",
    "DAY_H",
    "MOST_PACKS",
    "TINY_WH",
    "BankDay",
    "Charge",
    "Claim",
    "Eater",
    "Fewest",
    "PackDay",
    "Part",
    "Power",
    "PowerAdvice",
    "PowerDay",
    "PowerLoss",
    "Saving",
    "SchoolRow",
    "TypeDay",
    "TypeSummary",
    "Useless",
    "advise",
    "demands",
    "fewest",
    "lacking",
    "means",
    "nominal_wh",
    "relief",
    "schools_that_carry",
    "simulate",
    "usable",
]
