"""Power: will the packs last? The front doors are ``simulate``, day by day and pack by pack, and ``sum_up``, the short
of it; ``PowerCase.of`` compiles a trip for both. Source: docs/domain/power.md.

A pack may be split over two cameras and over two days: what is left in it in the evening is there in the morning.
"""

from collections.abc import Mapping

from mule.analysis.power.advice import PowerAdvice, Saving, SchoolRow, advise_power
from mule.analysis.power.answer import (
    TINY_WH,
    BankDay,
    Charge,
    PackDay,
    Part,
    Power,
    PowerDay,
    PowerLoad,
    PowerSummary,
    TypeDay,
    TypeSummary,
    Useless,
    Worst,
)
from mule.analysis.power.case import PowerCase, TypeDemand
from mule.analysis.power.claims import Claim
from mule.analysis.power.cold import COLD, cold_derating
from mule.analysis.power.demand import camera_charges, camera_demands, nominal_wh, on_film
from mule.analysis.power.fewest import (
    MOST_PACKS,
    Fewest,
    carries,
    counted,
    fewest,
    helpers,
    relief,
    schools_that_carry,
    types_lacking,
)
from mule.analysis.power.losses import PowerLoss, days_without
from mule.analysis.power.night import BANK_NIGHT_H
from mule.analysis.power.packs import BANK_YIELD
from mule.analysis.power.plugged import too_many
from mule.analysis.power.run import DAY_H, Run, lived_through
from mule.analysis.power.sources import BODY_H, PackCharger, charging_sources
from mule.analysis.power.tally import Tally
from mule.plan.gear import Gear
from mule.plan.trip import Trip


def simulate(gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, extra: float = 0.0) -> Power:
    """What the loaded packs do on each day of the trip, and what each night puts back.

    gear: by id. counts: pieces loaded by item. extra: more demand than the days ask, as a share (a margin of 0.25).
    Same input, same answer; nothing is random.

    >>> from tests import cast
    >>> out = simulate({"pack": cast.pack()}, {"pack": 2}, cast.trip())
    >>> [day.date.isoformat() for day in out.days], out.days_carried
    (['2027-02-20'], 1)
    """
    return simulate_case(PowerCase.of(gear, counts, trip), extra)


def simulate_case(case: PowerCase, extra: float = 0.0) -> Power:
    """``simulate`` of a compiled trip. extra: share of what each day asks that is asked on top, 0.25 for a quarter."""

    def live(run: Run) -> Power:
        tally, days = Tally(), []
        for day in case.days:
            uses = run.live(day)
            tally.add(day, uses)
            days.append(run.write(day, uses))
        return Power(
            days=tuple(days),
            types=tally.summaries(run.packs),
            useless=case.sources.useless,
            days_carried=tally.days_carried,
            missing=tally.missing,
        )

    return lived_through(case, extra, live, lambda power: power.days_carried == len(case.days))


def sum_up(case: PowerCase) -> PowerSummary:
    """The short of it, for who does not look at each pack: the figures of ``simulate``, several times as fast."""

    def live(run: Run) -> PowerSummary:
        tally = Tally()
        for day in case.days:
            tally.add(day, run.live(day))
            run.sleep(day)
        return PowerSummary(
            days=len(case.days),
            days_carried=tally.days_carried,
            missing=tally.missing,
            types=tally.summaries(run.packs),
            worst=tally.worst(),
            useless=case.sources.useless,
            coldest_c=min((day.celsius for day in case.days), default=None),
        )

    return lived_through(case, 0.0, live, lambda power: power.days_carried == len(case.days))


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
    "Fewest",
    "PackCharger",
    "PackDay",
    "Part",
    "Power",
    "PowerAdvice",
    "PowerCase",
    "PowerDay",
    "PowerLoad",
    "PowerLoss",
    "PowerSummary",
    "Saving",
    "SchoolRow",
    "TypeDay",
    "TypeDemand",
    "TypeSummary",
    "Useless",
    "Worst",
    "advise_power",
    "camera_charges",
    "camera_demands",
    "carries",
    "charging_sources",
    "cold_derating",
    "counted",
    "days_without",
    "fewest",
    "helpers",
    "nominal_wh",
    "on_film",
    "relief",
    "schools_that_carry",
    "simulate",
    "simulate_case",
    "sum_up",
    "too_many",
    "types_lacking",
]
