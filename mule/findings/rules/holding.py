"""What wants ask for beside glass: that the camera is held still, and kept dry (docs/domain/completeness.md)."""

from collections.abc import Iterable

from mule.analysis.resilience import SERVES
from mule.findings import said
from mule.findings.codes import Severity
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.gear import SUPPORT, Gear, Head, OtherSupport, Plate, Tripod, holds_still, is_for
from mule.plan.purposes import Purpose
from mule.plan.trip import Weather

# From two thirds of what it is rated for a support is named, over it is cautioned (estimate, docs/domain/README.md).
_NEAR_RATING = 2 / 3
# Legs under this weight are pushed by wind (estimate, docs/domain/completeness.md).
LIGHT_LEGS_G = 1_500.0
_WINDY = {Weather.WIND, Weather.RIDGE}
_WET = {Weather.RAIN: "rain", Weather.SPRAY: "spray", Weather.SNOW: "snow", Weather.DUST: "dust"}


class AsksUnmetRule:
    """A want that asks for something beside glass, and too little of it loaded: nothing that holds still, no light."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per want and aid; blocks when the want is of the highest importance."""
        if not case.view.coverage.reach:
            return
        for asked in case.view.table.aids.asked:
            if asked.share() < 1:
                want = case.plan.trip.wants[asked.want]
                severity = Severity.BLOCKER if want.importance == 5 else Severity.CAUTION
                if asked.aid == SUPPORT:
                    yield said.NotHeld(severity=severity, want=want.id)
                else:
                    have = sum(n for _, n in asked.givers)
                    yield said.AidMissing(severity=severity, want=want.id, aid=asked.aid, count=asked.pieces, have=have)


class LightLegsRule:
    """Wind on a day that wants something held still, and only light legs to hold it."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per trip."""
        legs = [t for t in _loaded(case) if isinstance(t, Tripod)]
        if not legs or (heaviest := max(legs, key=lambda t: t.mass_g)).mass_g >= LIGHT_LEGS_G:
            return
        trip = case.plan.trip
        days = [d for d in trip.days if _WINDY & set(d.weather) and any(w.steady for w in trip.wants_on(d))]
        if days:
            yield said.LightLegs(items=(heaviest.id,), mass_g=heaviest.mass_g, days=len(days))


class SupportLoadedRule:
    """What a want holds still, against what legs and head are rated for."""

    def find(self, case: Case) -> Iterable[Finding]:
        """A note from two thirds of the rating, a caution over it: for the heaviest set-up that a steady want uses."""
        things = _loaded(case)
        legs = max(
            (t for t in things if isinstance(t, Tripod | OtherSupport) and holds_still(t)),
            key=lambda t: t.max_load_g,
            default=None,
        )
        heads = [t for t in things if isinstance(t, Head)]
        if legs is None:
            return
        head = max(heads, key=lambda t: t.max_load_g, default=None)
        weakest: Tripod | OtherSupport | Head = head if head and head.max_load_g < legs.max_load_g else legs
        plate_g = max((t.mass_g for t in things if isinstance(t, Plate)), default=0.0)
        heaviest = max(_held(case), key=lambda found: found[0], default=None)
        if heaviest is None:
            return
        mass_g, want, parts = heaviest[0] + plate_g, heaviest[1], heaviest[2]
        if mass_g >= _NEAR_RATING * weakest.max_load_g:
            yield said.SupportLoaded(
                severity=Severity.CAUTION if mass_g > weakest.max_load_g else Severity.NOTE,
                items=(weakest.id, *parts),
                want=want,
                mass_g=mass_g,
                rated_g=weakest.max_load_g,
            )


class CoverLeftRule:
    """Weather on a day that wants something, a chain that lets water in, and the cover at home."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per trip, with the unsealed things."""
        days = [d for d in case.plan.trip.days if case.plan.trip.wants_on(d) and not _WET.keys().isdisjoint(d.weather)]
        open_ = tuple(dict.fromkeys(i for row in case.view.coverage.reach for bar in row.bars for i in bar.unsealed))
        covered = any(is_for(t, Purpose.COVER) for t in _loaded(case))
        if days and open_ and not covered:
            worst = next(_WET[w] for w in _WET for d in days if w in d.weather)
            yield said.CoverLeft(items=open_, weather=worst, days=len(days))


def _loaded(case: Case) -> list[Gear]:
    return [case.plan.items[item] for item in case.loaded]


def _held(case: Case) -> Iterable[tuple[float, str, tuple[str, ...]]]:
    """Grams of each set-up that serves at least half of a steady want, with the want and what it is put together of."""
    table = case.view.table
    for want, span in zip(case.plan.trip.wants, table.cols.spans, strict=True):
        if want.steady and table.parts:
            means = table.best[:, span].mean(axis=1).tolist()
            for parts, mean in zip(table.parts, means, strict=True):
                if mean >= SERVES:
                    yield sum(case.plan.items[i].mass_g for i in parts), want.id, tuple(parts)
