"""Suggest: the best kits from light to complete, as asked: around the bags of the open kit or with bags of their own,
and of all kits or of those that can be carried out day by day. The front door is ``suggest``."""

from collections.abc import Callable, Iterable

from mule.base.deadline import Deadline
from mule.plan import Plan
from mule.plan.gear import Bag, Insert
from mule.search import choosing
from mule.search.bag_sets import choose_with_bags
from mule.search.choosing import Asking, Choice, KeptThing, Point, choose
from mule.search.outings import DaysCarried


def suggest(
    plan: Plan,
    asking: Asking,
    on_point: Callable[[Point], None] = lambda point: None,
    should_stop: Callable[[], bool] | None = None,
) -> Choice:
    """The best kits for a plan's brief; as ``choose``, which also says what it raises.

    >>> from tests import cast
    >>> gear = [cast.bag(), cast.body(), cast.normal_zoom()]
    >>> made = suggest(cast.plan(gear, cast.entry("bag", cast.INES_CABIN)), Asking(points=1, by_days=True))
    >>> [(sorted(point.kit.loaded()), point.by_days.heaviest_g) for point in made.points if point.by_days]
    [(['bag', 'body', 'normal'], 2920.0)]
    """
    days = DaysCarried(plan, Deadline(asking.seconds, should_stop)) if asking.by_days else None
    chosen = choose_with_bags if asking.open_bags else choose
    made = chosen(plan, asking, on_point, should_stop, days)
    return made.model_copy(update={"kept": _beside_open_bags(plan, asking, made.kept)})


def kept_in_any_case(plan: Plan, asking: Asking) -> tuple[KeptThing, ...]:
    """What every point will hold because nothing is decided about it, heaviest first."""
    return _beside_open_bags(plan, asking, choosing.kept_things(plan, asking))


def _beside_open_bags(plan: Plan, asking: Asking, kept: Iterable[KeptThing]) -> tuple[KeptThing, ...]:
    """Carried bags are kept only where they are not a part of the choice."""
    open_ = asking.open_bags
    return tuple(k for k in kept if not (open_ and k.carried and isinstance(plan.items[k.item], Bag | Insert)))
