"""Choosing: the best kit under a mass, and the whole curve from light to complete. The front door is ``choose``.

Solved exactly with OR-Tools' CP-SAT; see docs/algorithms/choosing.md.
"""

from collections.abc import Callable

from mule.analysis.completeness.links import graph_of
from mule.base.deadline import Deadline, Stopped
from mule.base.errors import InvalidInput, Problem
from mule.plan import Plan
from mule.search.choosing.answer import Asking, Choice, KeptThing, Line, OwnKit, Point
from mule.search.choosing.by_days import DayCap, DayServed, DaysServed, DaysTried, KitRefused
from mule.search.choosing.candidates import Candidates, candidates
from mule.search.choosing.conflicts import conflict
from mule.search.choosing.lines import lines
from mule.search.choosing.model import build
from mule.search.choosing.own import own_kits
from mule.search.choosing.points import Points, standing
from mule.search.choosing.reasons import Reason
from mule.search.choosing.searches import Searches


def choose(
    plan: Plan,
    asking: Asking,
    on_point: Callable[[Point], None] = lambda point: None,
    should_stop: Callable[[], bool] | None = None,
    days: DaysTried | None = None,
    *,
    or_best: bool = True,
) -> Choice:
    """The best kits for a plan's brief. The open kit says what stays as it is and which bags there are.

    on_point: called with each point as it is found. should_stop: asked often; the search ends soon after it says yes.
    Raises InvalidInput when the trip has no people or no wants: there is nothing to choose for.

    asking: how many points, under which limit of grams, for how many seconds, and whether bags and legs are kept to.
    days: where kits are tried day by day; only those that can be carried out are points then. or_best: where no kit has
    the points that ``asking`` asks for at least, whether the lightest of the best is told instead.

    >>> from tests import cast
    >>> gear = [cast.bag(), cast.body(), cast.normal_zoom()]
    >>> made = choose(cast.plan(gear, cast.entry("bag", cast.INES_CABIN)), Asking(points=1))
    >>> [(sorted(p.kit.loaded()), round(p.score), p.carried_g, p.proved) for p in made.points]
    [(['bag', 'body', 'normal'], 100, 2920.0, True)]
    """
    require_brief(plan)
    deadline = Deadline(asking.seconds, should_stop)
    case = candidates(plan, graph_of(plan), asking)
    points = Points(case, on_point, days)
    try:
        against, complete = _choose(case, deadline, points, lambda: Searches(case, deadline, days, or_best=or_best))
    except Stopped:
        against, complete = (), False
    return Choice(
        points=points.by_mass,
        conflict=against,
        lines=lines(case),
        kept=case.kept,
        own=() if against or asking.at_least is not None else own_kits(case, points.by_mass, days),
        stopped=not complete,
    )


def _choose(
    case: Candidates, deadline: Deadline, points: Points, make: Callable[[], Searches]
) -> tuple[tuple[Reason, ...], bool]:
    """A contradiction, or points one after the other; and whether that settles it. Raises Stopped."""
    deadline.go_on()
    model = build(case, deadline)
    against = conflict(model, deadline)
    if against:
        return against, True
    searches = make()
    return (), searches.run(searches.of(model), points) and not deadline.stopped


def require_brief(plan: Plan) -> None:
    """Raises InvalidInput when there is nobody to carry or nothing to choose for."""
    if not plan.trip.people:
        raise InvalidInput([Problem("trip.people", "", "add a person to carry the gear")])
    if not plan.trip.wants:
        raise InvalidInput([Problem("trip.wants", "", "add a shot to choose for")])


def kept_things(plan: Plan, asking: Asking) -> tuple[KeptThing, ...]:
    """What every point of a choice will hold because the choice does not decide about it, heaviest first.

    >>> from tests import cast
    >>> plan = cast.plan([cast.bag(), cast.body()], cast.entry("bag", cast.INES_CABIN), cast.entry("body"))
    >>> [(kept.item, kept.mass_g) for kept in kept_things(plan, Asking())]
    [('bag', 1400.0)]
    """
    return candidates(plan, graph_of(plan), asking).kept


__all__ = [
    "Asking",
    "Choice",
    "DayCap",
    "DayServed",
    "DaysServed",
    "DaysTried",
    "KeptThing",
    "KitRefused",
    "Line",
    "OwnKit",
    "Point",
    "Reason",
    "choose",
    "kept_things",
    "require_brief",
    "standing",
]
