"""Who carries what: shared things go to whoever makes the most loaded carry least. The front doors are ``split`` and
``shared_so`` (docs/algorithms/split.md)."""

from collections.abc import Callable, Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import product

from mule.analysis.gate.limits import mass_limits
from mule.base.deadline import Deadline
from mule.findings.assess import case_of
from mule.findings.cures import new_or_worse
from mule.findings.rules import Case, speak
from mule.packing import left_in
from mule.plan import Plan
from mule.plan.editing import apply
from mule.plan.edits import Edit, Move
from mule.search.split.answer import Act, Measure, OnBack, OverLimit, Shared, Split
from mule.search.split.lots import Lot, Shareable, luggage_of
from mule.search.split.model import STEP_G, WORTH_MOVING_G, Sharing, SplitModel

# Time when none is given, and the share of it that one bag gets to be packed.
USUAL_S = 10.0
_BAG_SHARE = 1 / 40
# So often whole contents of a bag are ruled out; then things that found no room stay out of it.
_ROUNDS = 6


def split(plan: Plan, seconds: float = USUAL_S, should_stop: Callable[[], bool] | None = None) -> Split:
    """The sharing of the open kit that loads the most loaded least, as moves that can be taken one by one.

    seconds: time for everything. Never raises for a valid plan: with one person, or one bag, nothing moves.

    >>> from tests import cast
    >>> bags = cast.entry("bag", cast.INES_CABIN), cast.entry("other", cast.MARIT_CABIN)
    >>> gear = [cast.bag(), cast.bag("other"), cast.body(), cast.tele_zoom()]
    >>> made = split(cast.plan(gear, *bags, cast.entry("body"), cast.entry("tele")))
    >>> [(act.items, act.to_person) for act in made.acts], made.proved
    ([(('tele',), 'marit')], True)
    """
    deadline = Deadline(seconds, should_stop)
    case = case_of(plan)
    shareable = Shareable(plan)
    if not shareable.lots:
        return Split(acts=(), comes_to=_comes_to(case, case), together=0, proved=True)
    _, backs = _measure(plan)
    found = _Fitting(plan, shareable, SplitModel(shareable, case.loads, backs), deadline, seconds * _BAG_SHARE).best()
    acts = () if found is None else tuple(_acts(shareable, found))
    edits = [edit for act in acts for edit in act.edits]
    return Split(
        acts=acts,
        comes_to=_comes_to(case, case_of(apply(plan, edits))),
        together=found.wrongs if found else 0,
        proved=found is not None and found.proved,
    )


def shared_so(plan: Plan, edits: Iterable[Edit]) -> Shared:
    """What some moves of the open kit come to. Raises InvalidInput when one of them cannot be done."""
    return _comes_to(case_of(plan), case_of(apply(plan, edits)))


@dataclass
class _Fitting:
    """Looks for the best sharing of which every bag that gains something can be packed. bag_s: time for one of them."""

    plan: Plan
    shareable: Shareable
    model: SplitModel
    deadline: Deadline
    bag_s: float
    _before: dict[str, Mapping[str, int]] = field(default_factory=dict)

    def best(self) -> Sharing | None:
        """None where none was found in time. What was found and not seen to be packed in time is not moved."""
        sure, rounds, last, unfit = True, 0, None, frozenset[str]()
        while (found := self.model.solve(self.deadline)) is not None:
            after = apply(self.plan, [edit for act in _acts(self.shareable, found) for edit in act.edits])
            unfit, last = frozenset(), found
            for spot in _gaining(self.shareable.lots, found):
                left, proved = self._left(after, spot)
                if left:
                    unfit, sure = unfit | {spot}, sure and proved
                    self._forbid(found, spot, left, whole=rounds < _ROUNDS)
            if not unfit:
                return Sharing(found.pieces, found.wrongs, found.over_g, found.proved and sure)
            rounds += 1
            sure = sure and rounds <= _ROUNDS
        return last and self.model.with_pieces(_back_from(self.shareable.lots, last, unfit), self._time())

    def _left(self, after: Plan, spot: str) -> tuple[Mapping[str, int], bool]:
        """Pieces that find no place in a bag and found one before."""
        if self.shareable.spots[spot].place.outside:
            return {}, True
        left, proved = left_in(after.items, after.kit, spot, self._time(), workers=1)
        if left and spot not in self._before:
            self._before[spot], _ = left_in(self.plan.items, self.plan.kit, spot, self._time(), workers=1)
        before = self._before.get(spot, {})
        return {item: n for item, n in left.items() if n > before.get(item, 0)}, proved

    def _time(self) -> Deadline:
        return self.deadline.grant(self.bag_s)

    def _forbid(self, found: Sharing, spot: str, left: Mapping[str, int], *, whole: bool) -> None:
        """whole: what lies there now, all of it; otherwise each thing that is left over, beyond what was there."""
        lots = self.shareable.lots
        here = {index: n for index, at in enumerate(found.pieces) if (n := at.get(spot, 0))}
        if whole:
            self.model.forbid(spot, here)
            return
        for index, n in here.items():
            now = lots[index].now.get(spot, 0)
            over = not set(lots[index].items).isdisjoint(left)
            if n > now and (over or all(set(lots[i].items).isdisjoint(left) for i in here)):
                self.model.forbid(spot, {index: now + 1})


def _gaining(lots: Sequence[Lot], found: Sharing) -> Iterator[str]:
    """Spots at which there is more of something."""
    spots = {
        spot for lot, at in zip(lots, found.pieces, strict=True) for spot, n in at.items() if n > lot.now.get(spot, 0)
    }
    yield from sorted(spots)


def _back_from(lots: Sequence[Lot], found: Sharing, spots: Collection[str]) -> tuple[Mapping[str, int], ...]:
    """The same with nothing more than now at these spots, nor at those that what came from them goes back to."""
    pieces, closed = list(found.pieces), set(spots)
    while True:
        back = [
            index
            for index, (lot, at) in enumerate(zip(lots, pieces, strict=True))
            if any(n > lot.now.get(spot, 0) for spot, n in at.items() if spot in closed)
        ]
        if not back:
            return tuple(pieces)
        for index in back:
            pieces[index] = lots[index].now
            closed |= set(lots[index].now)


def _acts(shareable: Shareable, found: Sharing) -> Iterator[Act]:
    """What moves, the heaviest first."""
    acts = [act for lot, at in zip(shareable.lots, found.pieces, strict=True) for act in _of_lot(shareable, lot, at)]
    yield from sorted(acts, key=lambda act: (-act.mass_g, act.items))


def _of_lot(shareable: Shareable, lot: Lot, at: Mapping[str, int]) -> Iterator[Act]:
    gives = {spot: n - at.get(spot, 0) for spot, n in lot.now.items() if n > at.get(spot, 0)}
    comes = {spot: n - lot.now.get(spot, 0) for spot, n in at.items()}
    for to, origin in product(comes, list(gives)):
        count = min(comes[to], gives[origin])
        if count > 0:
            comes[to] -= count
            gives[origin] -= count
            start, end = shareable.spots[origin], shareable.spots[to]
            yield Act(
                items=lot.items,
                count=count,
                mass_g=lot.mass_g * count,
                from_person=start.person,
                to_person=end.person,
                edits=tuple(Move(item=i, place=end.place, count=count, origin=start.place) for i in lot.items),
            )


def _measure(plan: Plan) -> tuple[Measure, dict[str, float]]:
    """By what backs are compared, and what that is for each person, in grams."""
    people = plan.trip.people
    well = {p.id: p.carries_well_kg * 1000 for p in people if p.carries_well_kg}
    if len(well) == len(people):
        return "carries-well", well
    body = {p.id: p.body_mass_kg * 1000 for p in people if p.body_mass_kg}
    if len(body) == len(people):
        return "body-mass", body
    return "grams", {p.id: 1.0 for p in people}


def _comes_to(before: Case, after: Case) -> Shared:
    measure, backs = _measure(before.plan)
    was, now = speak(before), speak(after)
    then = {load.person: load.carried_g for load in after.loads.people}
    shares = measure != "grams"
    return Shared(
        measure=measure,
        people=tuple(
            OnBack(
                person=load.person,
                before_g=load.carried_g,
                after_g=then[load.person],
                before_share=load.carried_g / backs[load.person] if shares else None,
                after_share=then[load.person] / backs[load.person] if shares else None,
            )
            for load in before.loads.people
        ),
        over=tuple(_over(before, after)),
        gone=new_or_worse(was, now),
        new=new_or_worse(now, was),
    )


def _over(before: Case, after: Case) -> Iterator[OverLimit]:
    was = {piece.bag: piece.mass_g for piece in before.loads.pieces}
    now = {piece.bag: piece.mass_g for piece in after.loads.pieces}
    for limit in mass_limits(before.plan, luggage_of(before.plan)):
        over = [max(0.0, sum(grams[bag] for bag in limit.bags) - limit.allowed_g) for grams in (was, now)]
        if any(over):
            yield OverLimit(
                leg=limit.leg,
                bags=limit.bags,
                allowed_g=limit.allowed_g,
                before_over_g=over[0],
                after_over_g=over[1],
            )


__all__ = [
    "STEP_G",
    "USUAL_S",
    "WORTH_MOVING_G",
    "Act",
    "Measure",
    "OnBack",
    "OverLimit",
    "Shared",
    "Split",
    "shared_so",
    "split",
]
