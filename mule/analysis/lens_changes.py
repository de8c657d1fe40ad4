"""Lens changes: how often each day asks for one, and which lens lives on which body (docs/domain/optics.md).

The front door is ``lens_changes``.
"""

from collections.abc import Mapping, Sequence
from datetime import date
from typing import NamedTuple

from mule.analysis.optics import View, WantCover
from mule.base.memo import by_identity
from mule.base.units import Frozen
from mule.plan import Plan
from mule.plan.gear import Body, Gear, Lens, at_hand
from mule.plan.trip import Day, Trip, Want, Weather

# A lens that serves less than this of a want stays in the bag for it.
_LEAST_SHARE = 0.15
# Bodies beyond three are not matched to lenses: nobody carries four at hand.
_MOST_BODIES = 3
# The least used lenses of a big bag get no body of their own anyway.
_MOST_LENSES = 7
_EXPOSED = frozenset(Weather)


class Home(Frozen):
    """The lens that lives on a body."""

    body: str
    lens: str


class DayChanges(Frozen):
    """What a day asks: the lenses that serve its wants, where they live, and how often one is changed.

    second_body: the lightest left body that would save changes; None when there is none or nothing to save.
    """

    date: date
    lenses: tuple[str, ...]
    homes: tuple[Home, ...]
    changes: int
    exposed: bool
    second_body: str | None


def lens_changes(plan: Plan, view: View) -> tuple[DayChanges, ...]:
    """One answer per day of the trip. view: what the open kit of the plan sees.

    >>> from mule.analysis.optics import cover
    >>> from tests import cast
    >>> gear = [cast.body(), cast.normal_zoom(), cast.tele_zoom()]
    >>> wants = (cast.want("near"), cast.want("far", 200, 400))
    >>> plan = cast.plan(gear, *(cast.entry(t.id, cast.ON_INES) for t in gear), wants=wants)
    >>> [(day.lenses, day.changes) for day in lens_changes(plan, cover(gear, plan.loaded, wants))]
    [(('normal', 'tele'), 1)]
    """
    bodies = tuple((i, n) for i, n in plan.loaded.items() if isinstance(plan.items[i], Body))
    return _lens_changes(plan.gear, plan.trip, view, bodies)


# It hangs on what is seen alone: what a kit sees is kept as long as its optics stay.
@by_identity(64, of=3)
def _lens_changes(
    gear: tuple[Gear, ...], trip: Trip, view: View, bodies: tuple[tuple[str, int], ...]
) -> tuple[DayChanges, ...]:
    """bodies: pieces of those that are loaded, in the order of the kit."""
    carried = _Carried(gear, dict(bodies), {thing.id: thing for thing in view.loaded})
    covers = {cover.want: cover for cover in view.coverage.wants}
    # Days that shoot the same ask the same.
    known: dict[tuple[str, ...], tuple[tuple[str, ...], tuple[Home, ...]]] = {}
    answers = []
    spare: dict[tuple[str, ...], str | None] = {}
    for day in trip.days:
        wants = trip.wants_on(day)
        key = tuple(want.id for want in wants)
        if key not in known:
            known[key] = _served_by(carried, wants, covers)
            lenses, homes = known[key]
            spare[key] = carried.spare_body(lenses, homes) if len(lenses) > len(homes) else None
        answers.append(_changes(day, *known[key], spare[key]))
    return tuple(answers)


class _Carried(NamedTuple):
    """What is changed, and on what. bodies: pieces loaded; optics: the optical things that are loaded, by id."""

    gear: tuple[Gear, ...]
    bodies: Mapping[str, int]
    optics: Mapping[str, Gear]

    def spare_body(self, lenses: Sequence[str], homes: Sequence[Home]) -> str | None:
        """The lightest left body that takes one of the lenses without a home."""
        housed = {home.lens for home in homes}
        mounts = {t.mount for i in lenses if i not in housed and isinstance(t := self.optics[i], Lens)}
        bodies = (t for t in self.gear if isinstance(t, Body) and t.id not in self.bodies and t.mount in mounts)
        lightest = min((t for t in bodies if at_hand(t)), key=lambda body: body.mass_g, default=None)
        return lightest.id if lightest else None


def _served_by(
    carried: _Carried, wants: Sequence[Want], covers: Mapping[str, WantCover]
) -> tuple[tuple[str, ...], tuple[Home, ...]]:
    """Lenses that serve these wants, most used first, and the bodies they live on."""
    weight: dict[tuple[str, str], float] = {}
    for want in wants:
        for (body, lens), share in _shares(covers[want.id]).items():
            if share >= _LEAST_SHARE:
                weight[(body, lens)] = weight.get((body, lens), 0.0) + want.importance * share
    uses: dict[str, float] = {}
    for (_, lens), value in weight.items():
        uses[lens] = uses.get(lens, 0.0) + value
    lenses = tuple(sorted(uses, key=lambda lens: -uses[lens]))
    return lenses, _homes(carried, lenses[:_MOST_LENSES], uses, weight)


def _changes(day: Day, lenses: tuple[str, ...], homes: tuple[Home, ...], second: str | None) -> DayChanges:
    changes = len(lenses) - len(homes)
    return DayChanges(
        date=day.date,
        lenses=lenses,
        homes=homes,
        changes=changes,
        exposed=bool(changes) and not _EXPOSED.isdisjoint(day.weather),
        second_body=second,
    )


def _shares(cover: WantCover) -> dict[tuple[str, str], float]:
    """Share of a want's focal range that each lens serves, with the body that does it best."""
    spans: dict[tuple[str, str], float] = {}
    for run in cover.runs:
        if run.set_up and run.set_up.lens:
            pair = (run.set_up.body, run.set_up.lens)
            spans[pair] = spans.get(pair, 0.0) + max(run.to_mm / run.from_mm - 1, 1e-6)
    whole = sum(spans.values())
    return {pair: span / whole for pair, span in spans.items()}


def _homes(
    carried: _Carried, lenses: Sequence[str], uses: Mapping[str, float], weight: Mapping[tuple[str, str], float]
) -> tuple[Home, ...]:
    """Each loaded body keeps one lens that fits it: as many as can be, then the most used, then the best pairs."""
    able = [(body, n) for i, n in carried.bodies.items() if isinstance(body := carried.optics[i], Body) and body.mount]
    bodies = [body for body, n in able for _ in range(n)][:_MOST_BODIES]
    # A lens goes on a body directly; an adapted one counts as fitting the bodies it is used on.
    mounts = {body.mount for body in bodies}
    glass = [lens for i in lenses if isinstance(lens := carried.optics[i], Lens)]
    fitting = [
        [
            (Home(body=body.id, lens=t.id), uses[t.id], weight.get((body.id, t.id), 0.0))
            for t in glass
            if t.mount == body.mount or t.mount not in mounts
        ]
        for body in bodies
    ]
    # Body by body: a lens that is still free, or none.
    ways: list[tuple[tuple[Home, ...], int, float, float]] = [((), 0, 0.0, 0.0)]
    for fit in fitting:
        ways = [
            more
            for homes, n, used, paired in ways
            for more in (
                *(
                    ((*homes, home), n + 1, used + use, paired + pair)
                    for home, use, pair in fit
                    if all(home.lens != other.lens for other in homes)
                ),
                (homes, n, used, paired),
            )
        ]
    return max(ways, key=lambda way: way[1:])[0]
