"""The model of the choice, on OR-Tools' CP-SAT: what may come together, what it weighs, where it goes, what it scores.

Every demand that the user could change hangs on a literal of its own, so that a contradiction can be named
(``mule.search.choosing.conflicts``); in a search all of them hold.
"""

from collections.abc import Iterator
from contextlib import AbstractContextManager, contextmanager
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from ortools.sat.python import cp_model

from mule.base.deadline import Deadline
from mule.base.solving import PER_GRAM, Linear, Var, tenths, total
from mule.search.choosing.bounds import Bound
from mule.search.choosing.by_days import KitRefused
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.day_caps import CapPassed, DayCaps
from mule.search.choosing.demands import (
    Rows,
    demand_pictures,
    follow_policies,
    literals_of_classes,
    mark,
    scale_by_aids,
    wants_surviving,
)
from mule.search.choosing.draft import Draft
from mule.search.choosing.in_play import interchangeable
from mule.search.choosing.lasting import PARTS, Ask, Capacity, LastingPart
from mule.search.choosing.links import link
from mule.search.choosing.places import carried, limit, place
from mule.search.choosing.placing import RoomLimit
from mule.search.choosing.reasons import MassAsked, Reason


@dataclass
class Model:
    """The variables a search looks at.

    lasts: whether kits have to last the trip, in each part. soft_nogoods: whether limits of room and days hold that
    are not proved. by_days: whether kits have to be carried out day by day. takes: whether an item comes along.
    pieces: how many of it. placed: pieces by item and container. members: items of each class. classes: whether
    some of it comes along. glass: score of each want by what set-ups see; want_units: less where what it asks
    beside glass is not there. steady: whether a want bears any loss; steadiness: importance of those that do.
    seconds: copies that only stand in for others. carried: tenths of grams. cap, floor, steady_floor: the
    constraints by which limits are set.
    """

    cp: cp_model.CpModel
    draft: Draft
    lasts: dict[LastingPart, Var]
    soft_nogoods: Var
    by_days: Var
    day_caps: DayCaps
    takes: dict[str, Var]
    pieces: dict[str, Var]
    placed: dict[tuple[str, str], Var]
    classes: list[Var]
    glass: list[Var]
    want_units: list[Var]
    steady: list[Var]
    members: list[tuple[str, ...]]
    seconds: frozenset[str]
    reasons: list[tuple[Reason, Var]]
    carried: Linear
    cap: cp_model.Constraint
    floor: cp_model.Constraint
    steadiness: Linear
    steady_floor: cp_model.Constraint
    fixed_g: float

    def add(self, bound: Bound) -> None:
        """Takes in an upper bound on a want's score."""
        used = np.flatnonzero(bound.per_class).tolist()
        units = total(((self.classes[number], int(bound.per_class[number])) for number in used), bound.most)
        self.cp.add(self.glass[bound.want] <= units)

    def demand(self, ask: Ask) -> None:
        """Demands what makes kits like one that was found last."""
        draft = self.draft
        when = [self.lasts[ask.part]]
        given = [draft.weighs(*one) for one in ask.given]
        if ask.first is not None:
            given.append(draft.first_among(ask.first))
        when += [truth for truth in given if not isinstance(truth, bool)]
        if not any(truth is False for truth in given):
            draft.demand([draft.weighs(*way) for way in ask.ways], when=when)

    def hold(self, capacity: Capacity) -> None:
        """Demands that what is written has room."""
        terms = [(self.pieces[item], n) for item, n in capacity.holds.items()]
        terms += [(self.pieces[item], -n) for item, n in capacity.writes.items()]
        self.cp.add(total(terms, capacity.there) >= 0).only_enforce_if(self.lasts[capacity.part])

    def keep_lasting(self, part: LastingPart, *, on: bool) -> None:
        """Whether kits have to last in a part."""
        self._fix(self.lasts[part], on=on)

    def keep_room(self, known: RoomLimit) -> None:
        """Takes in what does not go into a bag together."""
        kept = known.keep(self.cp, self.placed)
        if kept is not None and not known.proved:
            kept.only_enforce_if(self.soft_nogoods)

    def refuse(self, known: KitRefused | CapPassed) -> None:
        """Takes in what cannot be carried out day by day."""
        if isinstance(known, CapPassed):
            kept, proved = self.day_caps.keep(known), known.cap.proved
        else:
            kept, proved = known.keep(self.cp, self.pieces), known.proved
        kept.only_enforce_if(self.by_days if proved else [self.by_days, self.soft_nogoods])

    @contextmanager
    def without(self, *switches: Var) -> Iterator[None]:
        """Meanwhile what hangs on these does not hold."""
        before = [bool(self.cp.proto.variables[switch.index].domain[0]) for switch in switches]
        for switch in switches:
            self._fix(switch, on=False)
        try:
            yield
        finally:
            for switch, on in zip(switches, before, strict=True):
                self._fix(switch, on=on)

    def without_soft_nogoods(self) -> AbstractContextManager[None]:
        """Meanwhile limits of room and days that are not proved do not hold."""
        return self.without(self.soft_nogoods)

    @contextmanager
    def undemanded(self) -> Iterator[None]:
        """Meanwhile nothing that the user demands has to hold, nor limits of room that are not proved.

        Nor has a part of a kit to be carried out day by day: what else comes along may be what lets it.
        """
        domains = [self.cp.proto.variables[literal.index].domain for _, literal in self.reasons]
        for domain in domains:
            domain[0] = 0
        try:
            with self.without(self.soft_nogoods, self.by_days):
                yield
        finally:
            for domain in domains:
                domain[0] = 1

    @contextmanager
    def coming(self, number: int) -> Iterator[None]:
        """Meanwhile a class is sure to come along."""
        domain = self.cp.proto.variables[self.classes[number].index].domain
        domain[0] = 1
        try:
            yield
        finally:
            domain[0] = 0

    def _fix(self, switch: Var, *, on: bool) -> None:
        for end in (0, 1):
            self.cp.proto.variables[switch.index].domain[end] = int(on)

    def limit(self, limit_g: float) -> None:
        """Sets the most grams carried."""
        # What stays in any case was moved to the right-hand side when the constraint was made.
        stays = tenths(self.fixed_g)
        self.cp.proto.constraints[self.cap.index].linear.domain[1] = int(limit_g * PER_GRAM + 1e-6) - stays

    def open(self, among: NDArray[np.bool_], *, steady: bool) -> None:
        """Which classes may come along. steady: whether wants may count as steady; else none does, and copies that only
        stand in for others stay home, too."""
        variables = self.cp.proto.variables
        for literal in self.steady:
            variables[literal.index].domain[1] = int(steady)
        for literal, items, open_ in zip(self.classes, self.members, among.tolist(), strict=True):
            variables[literal.index].domain[1] = int(open_)
            for item in items:
                variables[self.takes[item].index].domain[1] = int(open_ and (steady or item not in self.seconds))

    def require(self, units: int, steady: int) -> None:
        """Sets the least units of score of all wants together, and the least importance of those that are steady."""
        for constraint, least in ((self.floor, units), (self.steady_floor, steady)):
            self.cp.proto.constraints[constraint.index].linear.domain[0] = least

    def hold_all(self) -> None:
        """Lets every demand hold."""
        for _, literal in self.reasons:
            self._fix(literal, on=True)


# More than any kit weighs, in tenths of a gram.
_NO_LIMIT = 10**9


def build(case: Candidates, deadline: Deadline) -> Model:
    """The whole model, without bounds on the score. Raises Stopped."""
    optics, asking = case.optics, case.asking
    draft = Draft(case)
    place(draft)
    mass = carried(draft)
    cap = draft.cp.add(mass <= _NO_LIMIT)
    if asking.limit_g is not None:
        why = draft.reason(MassAsked(limit_g=asking.limit_g, kept_g=case.fixed_carried_g))
        draft.cp.add(mass <= tenths(asking.limit_g)).only_enforce_if(why)
    if asking.keep_limits:
        limit(draft)
    mark(draft)
    link(draft)
    for lighter, heavier in interchangeable(case.plan, case.graph, case.free):
        draft.cp.add(draft.pieces[lighter] >= case.most[lighter] * draft.takes[heavier])
    classes = literals_of_classes(draft, optics)
    deadline.go_on()
    rows = Rows(draft, optics, classes)
    follow_policies(draft, optics, rows)
    demand_pictures(draft, optics, rows)
    deadline.go_on()
    glass = [draft.cp.new_int_var(0, most, "") for most in optics.most]
    steady = wants_surviving(draft, optics, classes, rows)
    deadline.go_on()
    steadiness = total((literal, w.importance) for literal, w in zip(steady, case.plan.trip.wants, strict=True))
    want_units = [scale_by_aids(draft, want, seen) for want, seen in enumerate(glass)]
    return Model(
        cp=draft.cp,
        draft=draft,
        lasts={part: draft.cp.new_int_var(1, 1, "") for part in PARTS},
        soft_nogoods=draft.cp.new_int_var(1, 1, ""),
        by_days=draft.cp.new_int_var(1, 1, ""),
        day_caps=DayCaps(draft, optics),
        takes=draft.takes,
        pieces=draft.pieces,
        placed=draft.placed,
        classes=classes,
        glass=glass,
        want_units=want_units,
        steady=steady,
        members=list(optics.members.values()),
        seconds=case.seconds,
        reasons=draft.reasons,
        carried=mass,
        cap=cap,
        steadiness=steadiness,
        steady_floor=draft.cp.add(steadiness >= 0),
        floor=draft.cp.add(total((units, 1) for units in want_units) >= 0),
        fixed_g=case.fixed_carried_g,
    )
