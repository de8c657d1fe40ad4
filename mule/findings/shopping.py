"""What is to be bought, hired or borrowed for a trip: things to fetch that are loaded, and what the cures would get.

See docs/algorithms/cures.md.
"""

from collections.abc import Callable, Iterable
from datetime import date
from typing import Literal

from mule.base.units import Frozen
from mule.findings.codes import Severity
from mule.findings.cures import look_for_cures
from mule.findings.said import Finding
from mule.findings.said.gets import GetMore, ToGet
from mule.plan import Plan
from mule.plan.gear import AbsenceReason, Gear, Standing

# get: to buy, hire or borrow, as it comes. rent, borrow: known where from. post: on its way.
How = Literal["get", "rent", "borrow", "post"]


class Wanted(Frozen):
    """One line of the list. got: what it is typically, where nobody owns one; item: what it is otherwise.

    mass_g: of all pieces. because: what stands while it is not here. by: the day by which it has to be here.
    back_by: the day by which it goes back, None where nobody noted one.
    """

    how: How
    got: ToGet | None = None
    item: str | None = None
    count: int
    mass_g: float
    because: tuple[Finding, ...] = ()
    by: date | None = None
    back_by: date | None = None


def shopping_list(plan: Plan, should_stop: Callable[[], bool] = lambda: False) -> tuple[Wanted, ...]:
    """Everything that is to be had for the open kit: what is loaded and not here yet first.

    should_stop: is asked between steps of a few milliseconds.

    >>> from tests import cast
    >>> plan = cast.plan([cast.body()], cast.entry("body", cast.ON_INES))
    >>> [line.got.what for line in shopping_list(plan) if line.got]
    []
    """
    leaves = plan.trip.leaves
    fetched = (line for item, n in plan.loaded.items() if (line := _to_fetch(plan.items[item], n, leaves)))
    return (*fetched, *_got(look_for_cures(plan, should_stop), leaves))


def _to_fetch(thing: Gear, count: int, leaves: date | None) -> Wanted | None:
    """A loaded thing that is rented, borrowed, or in the post."""
    how: How | None = None
    if thing.standing == Standing.CAN_RENT or (thing.absent and thing.absent.reason == AbsenceReason.HIRED_LATER):
        how = "rent"
    elif thing.standing == Standing.CAN_BORROW:
        how = "borrow"
    elif thing.absent and thing.absent.reason == AbsenceReason.IN_POST:
        how = "post"
    if how is None:
        return None
    by = thing.absent.until if thing.absent and thing.absent.until else leaves
    return Wanted(how=how, item=thing.id, count=count, mass_g=thing.mass_g * count, by=by, back_by=thing.return_by)


def _got(findings: Iterable[Finding], leaves: date | None) -> Iterable[Wanted]:
    """What the best way out of each blocker and caution would get; what several ask for is had once, as often as the
    one that asks most."""
    found: dict[ToGet, Wanted] = {}
    for finding in findings:
        best = finding.cures[0] if finding.cures and finding.severity != Severity.NOTE else None
        for got in best.gets if best else ():
            known = found.get(got.one)
            count = max(got.count, known.count if known else 0)
            found[got.one] = Wanted(
                how="get",
                got=got,
                item=got.item if isinstance(got, GetMore) else None,
                count=count,
                mass_g=got.mass_g * count,
                because=(*(known.because if known else ()), finding.told),
                by=leaves,
            )
    return found.values()
