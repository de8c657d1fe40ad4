"""Where the chosen things go: within every limit, with as little moved as can be."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass

from ortools.sat.python import cp_model

from mule.base.deadline import Deadline
from mule.base.solving import Impossible, OutOfTime, Solved, solve, tenths, total
from mule.plan.gear import Bag, Insert
from mule.plan.kit import Entry, Kit
from mule.plan.places import AsPiece, InBag, Place, Worn
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.containers import Container
from mule.search.choosing.draft import Draft
from mule.search.choosing.places import limit, place

# Placing a dozen things is quick; this only guards against a pathological bag.
_MOST_S = 2.0


@dataclass(frozen=True)
class RoomLimit:
    """So many pieces of each do not go into a bag together, beside what stays there. proved: no way was overlooked."""

    bag: str
    pieces: Mapping[str, int]
    proved: bool

    def keep(
        self, cp: cp_model.CpModel, placed: Mapping[tuple[str, str], cp_model.IntVar]
    ) -> cp_model.Constraint | None:
        """At least one of them has fewer pieces there; None when one of them cannot be there at all."""
        if any((item, self.bag) not in placed for item in self.pieces):
            return None
        fewer = []
        for item, count in self.pieces.items():
            less = cp.new_bool_var("")
            cp.add(placed[item, self.bag] <= count - 1).only_enforce_if(less)
            fewer.append(less)
        return cp.add_bool_or(fewer)


def pack(
    case: Candidates, pieces: Mapping[str, int], limits: Collection[RoomLimit], deadline: Deadline
) -> Kit | Impossible | OutOfTime:
    """The open kit with what was chosen in place of what was chosen before, unless limits leave no way.

    limits: what is known not to go into a bag together. deadline: of the whole choice.
    """
    kit = case.plan.kit
    chosen = case.taking(pieces)
    draft = Draft(chosen)
    place(draft)
    if case.asking.keep_limits:
        limit(draft)
    for item, count in pieces.items():
        draft.cp.add(draft.pieces[item] == count)
    draft.cp.add_bool_and([literal for _, literal in draft.reasons])
    for known in limits:
        known.keep(draft.cp, draft.placed)
    homes = {c.id: c for c in chosen.containers}
    draft.cp.minimize(total((at, _effort(case, item, homes[home])) for (item, home), at in draft.placed.items()))
    ending = solve(draft.cp, deadline.grant(_MOST_S))
    if not isinstance(ending, Solved):
        return ending
    stays = [e for e in kit.entries if e.item in case.fixed]
    bags = [_bag_entry(case, item) for item in pieces if isinstance(case.free[item], Bag)]
    new = [
        Entry(item=item, count=count, place=_place(homes[home]))
        for (item, home), at in draft.placed.items()
        if (count := ending.value(at))
    ]
    return kit.model_copy(update={"entries": (*stays, *bags, *new)})


def _effort(case: Candidates, item: str, home: Container) -> int:
    """Tenths of grams moved from where a thing is now; what is new likes padding best."""
    now = [e.place for e in case.plan.kit.entries if e.item == item]
    if not now:
        return 0 if isinstance(case.plan.items.get(home.id), Insert) else 1
    return 0 if _place(home) in now else 2 + tenths(case.free[item].mass_g)


def _place(home: Container) -> Place:
    return Worn(person=home.person) if home.root is None else InBag(bag=home.id)


def _bag_entry(case: Candidates, item: str) -> Entry:
    bag = case.free[item]
    assert isinstance(bag, Bag)
    return Entry(item=item, place=AsPiece(piece=bag.carried_as, person=case.plan.trip.people[0].id))
