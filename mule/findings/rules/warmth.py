"""Whether clothes and sleeping bags keep people warm in the coldest hour: only of things that say how cold they go."""

from collections.abc import Iterable, Sequence

from mule.findings import said
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.gear import Other
from mule.plan.purposes import Purpose
from mule.plan.trip import Day


class TooColdRule:
    """The coldest hour out, against clothes; the coldest night in a tent or a car, against sleeping bags."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution for each sort of thing of which there is not one that is warm enough for everybody."""
        trip = case.plan.trip
        outside = [day for day in trip.days if _sleeps_cold(case, day)]
        for purpose, days in ((Purpose.CLOTHING, trip.days), (Purpose.SLEEPING, outside)):
            told = [(t, n) for t, n in _told(case) if t.purpose is purpose]
            if not days or not told:
                continue
            coldest = min(days, key=lambda day: day.lowest_c)
            warm = sum(n for t, n in told if t.comfort_c is not None and t.comfort_c <= coldest.lowest_c)
            if warm < len(trip.people):
                yield self._said(told[0][0], [t for t, _ in told], coldest, warm, len(trip.people))

    def _said(self, first: Other, things: Sequence[Other], coldest: Day, warm: int, people: int) -> Finding:
        warmest = min(things, key=lambda t: t.comfort_c or 0.0)
        return said.TooCold(
            items=(warmest.id,),
            sort="worn" if first.purpose is Purpose.CLOTHING else "slept-in",
            day=coldest.date,
            comfort_c=warmest.comfort_c or 0.0,
            lowest_c=coldest.lowest_c,
            have=warm,
            people=people,
        )


def _told(case: Case) -> list[tuple[Other, int]]:
    things = ((case.plan.items[item], n) for item, n in case.loaded.items())
    return [(t, n) for t, n in things if isinstance(t, Other) and t.comfort_c is not None]


def _sleeps_cold(case: Case, day: Day) -> bool:
    base = case.plan.trip.base_on(day)
    return base is not None and base.sort in ("tent", "car")
