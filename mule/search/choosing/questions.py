"""One model, asked tier by tier: what all searches have learned is taken in before each question, and what comes of it
is held against the table and the simulation.

The model holds upper bounds on the score only, as many as were needed so far. A kit it finds is scored with the table
of ``optics.score``; where the model thought better of it, bounds that are sharp there are added, and it is asked again.
When model and table agree the kit is the best there is.
"""

from collections.abc import Collection, Mapping
from typing import NamedTuple

import numpy as np

from mule.base.deadline import Deadline
from mule.base.solving import Ending, Impossible, Linear, Solved
from mule.search.choosing.bounds import NO_LIMIT_G, Bound, Mask
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.cut_pool import CutPool
from mule.search.choosing.lasting import PARTS, LastingDemands, LastingPart
from mule.search.choosing.model import Model
from mule.search.choosing.portfolio import Portfolio
from mule.search.choosing.weights import Weights

# How far bounds are asked for beside a kit, toward the best fractional one: they hold at the kit and lean to the rest.
_LEAN = 1e-3
# Masses under which the best fractional kit is asked for: measured, four make the curve a third quicker than all.
_FEW_MASSES = 4
# Kits looked at to learn what a camera brings along.
_MOST_BRINGS = 12


class Incumbent(NamedTuple):
    """The best kit of one search. units: its true score; bound: no kit has more; proved: as far as was asked.

    tenths: of a gram carried, as the model counts. objective: what the search made as much of as can be.
    """

    kit: Mapping[str, int]
    units: int
    bound: int
    proved: bool
    tenths: int = 0
    objective: int = 0

    def worth(self, tier: "Tier") -> int:
        """What counts in a tier: the true score in the first, then what is looked for."""
        return self.units if tier.at_least is None else self.objective


class Tier(NamedTuple):
    """What is looked for among which classes. at_least: units of score that the kit must have, after the first tier.

    steady: importance of the wants that bear any loss, after the second. paired: whether copies that only stand in for
    others may come along.
    """

    objective: Linear
    among: Mask
    at_least: int | None = None
    steady: int = 0
    paired: bool = True


class Questions:
    """Asks one model, which nobody else uses; made once per thread."""

    def __init__(self, case: Candidates, model: Model, pool: CutPool, deadline: Deadline) -> None:
        """pool: what the searches of all threads have learned."""
        self._case, self._optics, self._pool, self._deadline = case, case.optics, pool, deadline
        self.model, self.solver = model, Portfolio(deadline)
        self._taken = self._demanded = self._crowded = self._refused = 0
        self._lasting = LastingDemands(case, deadline.go_on)
        self.weights = Weights(case, model, self.solver, deadline, pool.brought_g, self._brings)
        for capacity in self._lasting.capacities:
            model.hold(capacity)
        for part in PARTS:
            model.keep_lasting(part, on=part not in pool.relaxed)
        # A bound at a kit is at most one unit high per thing, and one for the pick.
        self._slack = len(case.optics.members) + 2
        self.rounding = self._slack * len(case.optics.spans)
        self.all: Mask = np.ones(len(case.optics.members), dtype=bool)

    @property
    def nothing_to_learn(self) -> bool:
        """Whether all limits of room that are known were taken in."""
        return self._crowded == len(self._pool.limits)

    def units(self, kit: Mapping[str, int]) -> list[int]:
        """The true score of a kit, want by want."""
        return self._optics.units(self._optics.best(self._optics.has(kit)), self._case.met(kit))

    def ask(self, tier: Tier, until: Deadline | None = None) -> Incumbent | None:
        """Solves until model and table agree. until: sooner than the search's own deadline."""
        deadline = until or self._deadline
        best: Incumbent | None = None
        bound = sum(self._optics.most)
        while True:
            self.take_in()
            ending = self.solve(tier, deadline)
            if not isinstance(ending, Solved):
                break
            kit = self.read(ending)
            if not self.lasts(kit):
                if deadline.stopped:
                    break
                continue
            true = self.units(kit)
            made = self.incumbent(kit, ending, tier)
            thought = [ending.value(v) for v in self.model.want_units]
            # The second and later tiers ask for units that a kit can have; bounds may think it has more.
            agrees = (
                made.units >= tier.at_least - self._slack * len(true)
                if tier.at_least is not None
                else not any(seen > is_ + self._slack for seen, is_ in zip(thought, true, strict=True))
            )
            if tier.at_least is None:
                bound = min(bound, int(ending.bound))
            if (tier.at_least is None or agrees) and (best is None or made.worth(tier) > best.worth(tier)):
                best = made
            if ending.best and agrees:
                return made
            if deadline.stopped:
                break
            self.sharpen(kit, [w for w, (seen, is_) in enumerate(zip(thought, true, strict=True)) if seen > is_ + 1])
        return best and best._replace(
            bound=max(bound, best.units) if tier.at_least is None else best.units, proved=False
        )

    def incumbent(self, kit: Mapping[str, int], ending: Solved, tier: Tier) -> Incumbent:
        """A kit that a tier found."""
        units = sum(self.units(kit))
        return Incumbent(kit, units, units, True, ending.value(self.model.carried), ending.value(tier.objective))

    def _brings(self, lead: int) -> float:
        """Grams that kits of which this class is the first camera carry at the least beside glass, cameras and a pack
        each; inf when none of them lasts.

        By itself it is the first and draws most: what comes beside it adds to that.
        """
        rest, among = self.weights.lightest_with(lead)
        self.model.limit(NO_LIMIT_G)
        least = 0.0
        # Kits with other cameras may do what this one alone may not: no demand of the user's has a say here.
        with self.model.undemanded(), self.model.coming(lead):
            for _ in range(_MOST_BRINGS):
                self.take_in()
                ending = self.solve(Tier(-rest, among))
                if isinstance(ending, Impossible):
                    return float("inf")
                if not isinstance(ending, Solved):
                    break
                least = max(least, self.weights.in_grams(-ending.bound))
                if self.lasts(self.read(ending)) or self._deadline.stopped:
                    break
        return least

    def relax(self, parts: Collection[LastingPart]) -> None:
        """Lets kits that do not last in these parts be found too, and in the others no more."""
        self._pool.relaxed[:] = parts
        for part in PARTS:
            self.model.keep_lasting(part, on=part not in parts)
        self.weights.forget()

    def lasts(self, kit: Mapping[str, int]) -> bool:
        """Whether a kit lasts the trip, as far as any in play could; else what it lacks is demanded from now on."""
        asks = self._lasting.asks(kit, self._pool.relaxed)
        self._pool.demand(asks)
        return not asks

    def hint(self, kit: Mapping[str, int]) -> None:
        """Lets the next solve start from a kit that is known to be good."""
        self.model.cp.clear_hints()  # type: ignore[no-untyped-call]
        for item, pieces in self.model.pieces.items():
            self.model.cp.add_hint(pieces, kit.get(item, 0))

    def sharpen(self, kit: Mapping[str, int], wants: Collection[int]) -> None:
        """Bounds that are sharp at a kit, for some wants."""
        self._pool.put(self.weights.at(self._optics.has(kit), _LEAN, wants))

    @property
    def few_bounds(self) -> bool:
        """Whether bounds were found under few masses only."""
        return self._pool.masses < _FEW_MASSES

    def put(self, bounds: list[Bound]) -> None:
        """Lets all searches know bounds that are sharp under one mass."""
        self._pool.masses += 1
        self._pool.put(bounds)

    def take_in(self) -> None:
        """What was learned since, by any search."""
        with self._pool.lock:
            new = self._pool.bounds[self._taken :]
            asks = self._pool.asks[self._demanded :]
            limits = self._pool.limits[self._crowded :]
            refused = self._pool.refused[self._refused :]
            self._refused += len(refused)
            self._taken += len(new)
            self._demanded += len(asks)
            self._crowded += len(limits)
        for bound in new:
            self.model.add(bound)
        for ask in asks:
            self.model.demand(ask)
        for known in limits:
            self.model.keep_room(known)
        for kits in refused:
            self.model.refuse(kits)

    def solve(self, tier: Tier, deadline: Deadline | None = None) -> Ending:
        """One solve. deadline: sooner than that of the search."""
        model = self.model
        model.cp.maximize(tier.objective)
        # Steadiness has no part in the first tier: fixed, presolve takes out its rows and the copies it is made of.
        model.open(tier.among, steady=tier.paired and tier.at_least is not None)
        model.require(tier.at_least or 0, tier.steady)
        return self.solver.run(model.cp, deadline)

    def read(self, ending: Solved) -> Mapping[str, int]:
        """The kit of a solve: pieces by item."""
        return {item: n for item, v in self.model.pieces.items() if (n := ending.value(v))}
