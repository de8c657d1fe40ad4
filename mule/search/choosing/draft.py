"""A model in the making: its variables, its demands, and the small logic they are made of."""

from collections.abc import Iterable, Sequence

from ortools.sat.python import cp_model

from mule.base.solving import Var, total
from mule.plan.gear import Body
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.reasons import Reason

# A literal, or a truth that is known beforehand.
Truth = Var | bool


class Draft:
    """takes: whether an item comes along. pieces: how many. placed: pieces by item and container.

    reasons: each demand with the literal that switches it on.
    """

    def __init__(self, case: Candidates) -> None:
        self.case = case
        self.cp = cp_model.CpModel()
        self.takes: dict[str, Var] = {item: self.cp.new_bool_var(item) for item in case.free}
        self.pieces: dict[str, Var] = {item: self._count(item) for item in case.free}
        self.placed: dict[tuple[str, str], Var] = {}
        self.reasons: list[tuple[Reason, Var]] = []
        self._known: dict[tuple[frozenset[tuple[str, int]], int], Truth] = {}
        self._cameras: dict[str, Var | None] | None = None
        self._firsts: dict[frozenset[str], Var] = {}

    def at_least(self, items: Iterable[str], least: int) -> Truth:
        """True exactly when so many pieces of these things in play come along."""
        return self.weighs(frozenset((item, 1) for item in items), least)

    def weighs(self, weights: frozenset[tuple[str, int]], least: int) -> Truth:
        """True exactly when the pieces of these things that come along weigh so much together."""
        most = sum(self.case.most[item] * weight for item, weight in weights)
        if least <= 0 or least > most:
            return least <= 0
        if (weights, least) not in self._known:
            self._known[weights, least] = self._reified(sorted(weights), least, most)
        return self._known[weights, least]

    def first_among(self, items: frozenset[str]) -> Truth:
        """True whenever the first digital camera that comes along is one of these."""
        if self._cameras is None:
            self._cameras = self._in_order()
        literal = self._firsts.get(items)
        if literal is None:
            literal = self._firsts[items] = self.cp.new_bool_var("")
            for item, none_before in self._cameras.items():
                if item in items:
                    self.cp.add_bool_or(
                        [literal, ~self.takes[item], *([~none_before] if none_before is not None else [])]
                    )
        return literal

    def _in_order(self) -> dict[str, Var | None]:
        """Digital cameras in play in the order of the locker, each with a literal: true when none before it comes."""
        found: dict[str, Var | None] = {}
        before: Var | None = None
        for item, thing in self.case.free.items():
            if isinstance(thing, Body) and not thing.film:
                found[item] = before
                after = self.cp.new_bool_var("")
                self.cp.add_bool_or([after, self.takes[item], *([~before] if before is not None else [])])
                before = after
        return found

    def _reified(self, weights: Sequence[tuple[str, int]], least: int, most: int) -> Var:
        if len(weights) == 1 and least <= weights[0][1]:
            return self.takes[weights[0][0]]
        literal = self.cp.new_bool_var("")
        pieces = total((self.pieces[item], weight) for item, weight in weights)
        # Without conditions, so that the solver's relaxation sees them too.
        self.cp.add(pieces >= least * literal)
        self.cp.add(pieces <= least - 1 + (most - least + 1) * literal)
        return literal

    def _count(self, item: str) -> Var:
        """Pieces of an item: none, or from one to as many as there are."""
        most, take = self.case.most[item], self.takes[item]
        if most == 1:
            return take
        pieces = self.cp.new_int_var(0, most, "")
        self.cp.add(pieces <= most * take)
        self.cp.add(pieces >= take)
        return pieces

    def reason(self, demand: Reason) -> Var:
        """A literal that switches a demand on; the same demand twice is one."""
        for known, literal in self.reasons:
            if known == demand:
                return literal
        literal = self.cp.new_bool_var("")
        self.reasons.append((demand, literal))
        return literal

    def take(self, item: str) -> Truth:
        """Whether an item comes along."""
        return item in self.case.fixed or self.takes.get(item, False)

    def either(self, truths: Iterable[Truth]) -> Truth:
        """True only when one of these is."""
        found = list(truths)
        if any(truth is True for truth in found):
            return True
        literals = [truth for truth in found if not isinstance(truth, bool)]
        if len(literals) <= 1:
            return literals[0] if literals else False
        literal = self.cp.new_bool_var("")
        self.cp.add_bool_or([*literals, ~literal])
        return literal

    def both(self, truths: Iterable[Truth]) -> Truth:
        """True only when all of these are."""
        found = list(truths)
        if any(truth is False for truth in found):
            return False
        literals = [truth for truth in found if not isinstance(truth, bool)]
        if len(literals) <= 1:
            return literals[0] if literals else True
        literal = self.cp.new_bool_var("")
        for part in literals:
            self.cp.add_implication(literal, part)
        return literal

    def demand(self, truths: Sequence[Truth], *, when: Sequence[Var] = ()) -> None:
        """One of these must be true, when all of ``when`` are."""
        if any(truth is True for truth in truths):
            return
        self.cp.add_bool_or([*(t for t in truths if not isinstance(t, bool)), *(~literal for literal in when)])
