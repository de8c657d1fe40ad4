"""How light a day's bag can be for less: the lightest bag for each of some shares of what all that travels serves."""

from collections.abc import Callable, Iterator

from mule.plan import Plan
from mule.search.outings.proposing import OutingAsked, ProposedOuting, propose

# Shares of what all that travels serves, from complete to light.
SHARES = (1.0, 0.9, 0.8, 0.65, 0.5)
# Grams nearer than this are the same.
_SAME_G = 0.5


def light_to_complete(
    plan: Plan, asked: OutingAsked, should_stop: Callable[[], bool] | None = None
) -> Iterator[ProposedOuting]:
    """The lightest bag for each share, the complete one first; what is no lighter than one before is not told.

    asked: its own share has no part in it. Raises InvalidInput as ``propose`` does.

    >>> from tests import cast
    >>> gear = [cast.bag(), cast.body(), cast.normal_zoom(), cast.tele_zoom(mass_g=900)]
    >>> loaded = [cast.entry("bag", cast.INES_CABIN), *(cast.entry(t.id) for t in gear[1:])]
    >>> plan = cast.plan(gear, *loaded, wants=(cast.want("near", 24, 70), cast.want("far", 100, 400)))
    >>> days = tuple(day.date for day in plan.trip.days)
    >>> [round(made.share, 2) for made in light_to_complete(plan, OutingAsked(days=days, person="ines"))]
    [1.0, 0.65]
    """
    least: float | None = None
    for share in SHARES:
        made = propose(plan, asked.model_copy(update={"share": share}), should_stop)
        if made is not None and (least is None or made.carried_g < least - _SAME_G):
            least = made.carried_g
            yield made
