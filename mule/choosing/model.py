"""The model of the choice, on OR-Tools' CP-SAT: what may come together, what it weighs, where it goes, what it scores.

Every demand that the user could change hangs on a literal of its own, so that a contradiction can be named
(``mule.choosing.conflicts``); in a search all of them hold.
"""

from dataclasses import dataclass

import numpy as np
from ortools.sat.python import cp_model

from mule.choosing.answer import Reason
from mule.choosing.bounds import Bound
from mule.choosing.candidates import Candidates
from mule.choosing.demands import Rows, demand_pictures, follow_policies, literals_of_classes, mark, wants_surviving
from mule.choosing.draft import PER_GRAM, Draft, Linear, Var, tenths, total
from mule.choosing.lasting import Ask
from mule.choosing.links import link
from mule.choosing.places import carried, limit, place
from mule.choosing.placing import RoomLimit
from mule.deadline import Deadline


@dataclass
class Model:
    """The variables a search looks at.

    lasts: whether kits have to last the trip. soft_nogoods: whether limits of room hold that are not proved.
    takes: whether an item comes along. pieces: how many of it. placed: pieces by item and container.
    classes: whether some member of each class comes along. want_units: score of each want. steady: whether a want bears
    any loss. seconds: copies that only stand in for others. carried: tenths of grams.
    """

    cp: cp_model.CpModel
    lasts: Var
    soft_nogoods: Var
    takes: dict[str, Var]
    pieces: dict[str, Var]
    placed: dict[tuple[str, str], Var]
    classes: list[Var]
    want_units: list[Var]
    steady: list[Var]
    seconds: list[Var]
    reasons: list[tuple[Reason, Var]]
    carried: Linear
    cap: cp_model.Constraint
    fixed_g: float

    def add(self, bound: Bound) -> None:
        """Takes in an upper bound on a want's score."""
        used = np.flatnonzero(bound.per_class).tolist()
        units = total(((self.classes[number], int(bound.per_class[number])) for number in used), bound.most)
        self.cp.add(self.want_units[bound.want] <= units)

    def demand(self, ask: Ask) -> None:
        """Demands what makes kits like one that was found last."""
        ways = [~self.lasts, *(self.takes[item] for item in ask.instead)]
        for item, least in ask.more.items():
            enough = self.takes[item] if least == 1 else self.cp.new_bool_var("")
            if least > 1:
                self.cp.add(self.pieces[item] >= least).only_enforce_if(enough)
            ways.append(enough)
        self.cp.add_bool_or([*ways, *(~self.takes[item] for item in ask.given if item in self.takes)])

    def relax(self) -> None:
        """Lets kits that do not last be found too."""
        self._fix(self.lasts, on=False)

    def keep_room(self, known: RoomLimit) -> None:
        """Takes in what does not go into a bag together."""
        kept = known.keep(self.cp, self.placed)
        if kept is not None and not known.proved:
            kept.only_enforce_if(self.soft_nogoods)

    def keep_soft_nogoods(self, on: bool) -> None:
        """Whether limits of room that are not proved hold."""
        self._fix(self.soft_nogoods, on=on)

    def _fix(self, switch: Var, *, on: bool) -> None:
        for end in (0, 1):
            self.cp.proto.variables[switch.index].domain[end] = int(on)

    def limit(self, limit_g: float) -> None:
        """Sets the most grams carried."""
        # What stays in any case was moved to the right-hand side when the constraint was made.
        stays = tenths(self.fixed_g)
        self.cp.proto.constraints[self.cap.index].linear.domain[1] = int(limit_g * PER_GRAM + 1e-6) - stays

    def reckon_steady(self, on: bool) -> None:
        """Whether wants may count as steady; off, none does, and copies that only stand in for others stay home."""
        for literal in (*self.steady, *self.seconds):
            self.cp.proto.variables[literal.index].domain[1] = int(on)

    def hold_all(self) -> None:
        """Lets every demand hold."""
        self.cp.add_bool_and([literal for _, literal in self.reasons])


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
        why = draft.reason("limit", limit_g=asking.limit_g, kept_g=case.fixed_carried_g)
        draft.cp.add(mass <= tenths(asking.limit_g)).only_enforce_if(why)
    if asking.keep_limits:
        limit(draft)
    mark(draft)
    link(draft, optics)
    classes = literals_of_classes(draft, optics)
    deadline.go_on()
    rows = Rows(draft, optics, classes)
    follow_policies(draft, optics, rows)
    demand_pictures(draft, optics, rows)
    deadline.go_on()
    steady = wants_surviving(draft, optics, classes, rows)
    deadline.go_on()
    return Model(
        cp=draft.cp,
        lasts=draft.cp.new_int_var(1, 1, ""),
        soft_nogoods=draft.cp.new_int_var(1, 1, ""),
        takes=draft.takes,
        pieces=draft.pieces,
        placed=draft.placed,
        classes=classes,
        want_units=[draft.cp.new_int_var(0, most, "") for most in optics.most],
        steady=steady,
        seconds=[draft.takes[item] for item in case.seconds],
        reasons=draft.reasons,
        carried=mass,
        cap=cap,
        fixed_g=case.fixed_carried_g,
    )
