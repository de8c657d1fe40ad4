"""Points of the curve: found kits in their bags, with their figures reckoned anew by the parts that answer for them."""

from collections.abc import Callable, Sequence

from mule.analysis.optics import table_of
from mule.analysis.resilience import wants_surviving_any_single_loss
from mule.analysis.storage.stamina import summarize
from mule.plan.gear import Battery
from mule.search.choosing.answer import Point
from mule.search.choosing.by_days import DaysTried
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.cut_pool import Found
from mule.search.choosing.room import RoomFit

# Points of brief and grams nearer than this are the same.
_SAME_POINTS, _SAME_G = 1e-6, 0.05


class Points:
    """The points found so far, told one by one."""

    def __init__(self, case: Candidates, on_point: Callable[[Point], None], days: DaysTried | None = None) -> None:
        self._case, self._on_point, self._days = case, on_point, days
        self._taken: list[Point] = []
        # What nobody owns a pack for is a missing link whatever is chosen.
        self._owned = {t.battery_type for t in case.plan.gear if isinstance(t, Battery)}

    def take(self, found: Found, fit: RoomFit, limit_g: float, *, provisional: bool = False) -> None:
        """Takes a kit that was found under a limit of grams, as it lies in its bags. provisional: by greed."""
        # A first answer by greed was not tried day by day.
        days = self._days.told(fit.kit) if self._days and not provisional else None
        point = self._point(found, fit, limit_g).model_copy(update={"provisional": provisional, "by_days": days})
        self._taken.append(point)
        self._on_point(point)

    @property
    def by_mass(self) -> tuple[Point, ...]:
        """Those that stand, from light to complete."""
        return tuple(self._taken[number] for number in standing(self._taken))

    def _point(self, found: Found, fit: RoomFit, limit_g: float) -> Point:
        plan = self._case.plan
        counts = fit.kit.loaded()
        table = table_of([plan.items[item] for item in counts], counts, plan.trip.wants)
        _, steady = wants_surviving_any_single_loss(table, plan.trip.wants, counts)
        score = table.score()
        stamina = summarize(plan.with_kit(fit.kit))
        return Point(
            kit=fit.kit,
            limit_g=limit_g,
            carried_g=found.carried_g,
            score=score,
            bound=score if found.proved else max(score, min(100.0, found.bound_points)),
            steady=steady,
            proved=found.proved,
            days=len(plan.trip.days),
            power_days=0 if self._owned.intersection(stamina.power.missing) else stamina.power.days_carried,
            card_days=stamina.pictures.days_carried,
            stowed=self._case.asking.keep_limits,
            left=dict(fit.left),
        )


def standing(points: Sequence[Point]) -> tuple[int, ...]:
    """Indices of the points on the curve (a Pareto front), lightest first.

    Leaves out points that another outdoes, and first answers once a search found others.
    """
    searched = [n for n, point in enumerate(points) if not point.provisional] or range(len(points))
    kept = [n for n in searched if not any(is_outdone(points[n], points[other]) for other in searched)]
    return tuple(sorted(kept, key=lambda n: (points[n].carried_g, points[n].score)))


def is_outdone(point: Point, other: Point) -> bool:
    """Whether another point is no heavier, no worse and no less steady, and better in one of these, or proved."""
    if point is other:
        return False
    no_worse = other.carried_g <= point.carried_g + _SAME_G and other.score >= point.score - _SAME_POINTS
    lighter, better = other.carried_g < point.carried_g - _SAME_G, other.score > point.score + _SAME_POINTS
    as_steady = other.steady >= point.steady - _SAME_POINTS or (better and not point.proved)
    return no_worse and as_steady and (lighter or better or (other.proved and not point.proved))
