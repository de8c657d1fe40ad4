"""Choosing: the best kit under a mass, and the whole curve from light to complete. The front door is ``choose``.

Solved exactly with OR-Tools' CP-SAT; see docs/algorithms/choosing.md.
"""

from collections.abc import Callable

from mule.choosing.answer import Asking, Choice, Line, Point, Reason
from mule.choosing.candidates import Candidates, candidates
from mule.choosing.conflicts import conflict
from mule.choosing.curve import Curve
from mule.choosing.cut_pool import CutPool, Found
from mule.choosing.lines import lines
from mule.choosing.model import Model, build
from mule.choosing.room import RoomFit, Rooms
from mule.choosing.scoring import Optics
from mule.choosing.search import NO_LIMIT_G, Search
from mule.deadline import Deadline, Stopped
from mule.errors import InvalidInput, Problem
from mule.links import graph_of
from mule.optics import table_of
from mule.plan import Plan
from mule.resilience import wants_surviving_any_single_loss
from mule.solving import OutOfTime
from mule.stamina import in_short, summarize


def choose(
    plan: Plan,
    asking: Asking,
    on_point: Callable[[Point], None] = lambda point: None,
    should_stop: Callable[[], bool] | None = None,
) -> Choice:
    """The best kits for a plan's brief. The open kit says what stays as it is and which bags there are.

    on_point: called with each point as it is found. should_stop: asked often; the search ends soon after it says yes.
    Raises InvalidInput when the trip has no people or no wants: there is nothing to choose for.
    """
    require_brief(plan)
    deadline = Deadline(asking.seconds, should_stop)
    case = candidates(plan, graph_of(plan), others=asking.others)
    found: list[Point] = []

    def take(point: Point) -> None:
        found.append(point)
        on_point(point)

    try:
        against, complete = _choose(case, asking, deadline, take)
    except Stopped:
        against, complete = (), False
    found.sort(key=lambda point: (point.carried_g, point.score))
    return Choice(points=tuple(found), conflict=against, lines=lines(case), stopped=not complete)


def _choose(
    case: Candidates, asking: Asking, deadline: Deadline, take: Callable[[Point], object]
) -> tuple[tuple[Reason, ...], bool]:
    """A contradiction, or points one after the other; and whether that settles it. Raises Stopped."""
    optics = Optics.of(list(case.free.values()), case.plan.trip.wants)
    deadline.go_on()
    model = build(case, optics, asking, deadline)
    against = conflict(model, deadline)
    if against:
        return against, True
    rooms = Rooms(case, asking, deadline)

    def emit(one: Found, limit_g: float) -> None:
        fit = rooms.fit(one.pieces)
        if isinstance(fit, OutOfTime):
            return
        take(_point(case, asking, fit, (one, limit_g)))

    complete = _search(case, optics, asking, deadline, (model, rooms, emit))
    return (), complete and not deadline.stopped


def require_brief(plan: Plan) -> None:
    """Raises InvalidInput when there is nobody to carry or nothing to choose for."""
    if not plan.trip.people:
        raise InvalidInput([Problem("trip.people", "", "at least one person to carry things")])
    if not plan.trip.wants:
        raise InvalidInput([Problem("trip.wants", "", "at least one want to choose for")])


def _search(
    case: Candidates,
    optics: Optics,
    asking: Asking,
    deadline: Deadline,
    rest: tuple[Model, Rooms, Callable[[Found, float], None]],
) -> bool:
    """Searches the whole curve, or its one point; says whether all of it was settled in time."""
    model, rooms, emit = rest
    pool = CutPool()

    def make(known: Model | None = None) -> Search:
        ready = known or build(case, optics, asking, deadline)
        ready.hold_all()
        return Search(case, optics, ready, pool, deadline, rooms)

    first = make(model)
    limit_g = asking.limit_g if asking.limit_g is not None else NO_LIMIT_G
    if asking.points == 1:
        best = first.best(limit_g)
        if best is None and first.relax():
            best = first.best(limit_g)
        best = best or first.lightest()
        if best is not None:
            emit(best, limit_g)
        return best is not None and best.proved
    lightest = first.lightest()
    if lightest is None and first.relax():
        lightest = first.lightest()
    if lightest is None:
        return False
    curve = Curve(asking.points, deadline, emit)
    curve.begin(lightest)
    top = first.best(limit_g) or lightest
    curve.end(lightest, top, limit_g)
    curve.fill(make, first, asking.workers)
    return curve.complete and lightest.proved and top.proved


def _point(case: Candidates, asking: Asking, fit: RoomFit, under: tuple[Found, float]) -> Point:
    """A found kit in its bags, with its score reckoned anew by ``optics``. under: what was found, and its limit."""
    found, limit_g = under
    counts = fit.kit.loaded()
    table = table_of([case.plan.items[item] for item in counts], case.plan.trip.wants)
    _, steady = wants_surviving_any_single_loss(table, case.plan.trip.wants, counts)
    score = table.score()
    stamina = summarize(case.plan.with_kit(fit.kit))
    lasting = in_short(stamina.power, stamina.pictures)
    return Point(
        kit=fit.kit,
        limit_g=limit_g,
        carried_g=found.carried_g,
        score=score,
        bound=score if found.proved else max(score, min(100.0, found.bound_points)),
        steady=steady,
        proved=found.proved,
        days=lasting.days,
        power_days=lasting.power_days,
        card_days=lasting.card_days,
        stowed=asking.keep_limits,
        left=dict(fit.left),
    )


__all__ = ["Asking", "Choice", "Line", "Point", "Reason", "choose", "require_brief"]
