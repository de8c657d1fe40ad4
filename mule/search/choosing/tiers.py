"""The tiers of one point: the best score, then the steadiest kit of those, then the lightest.

Most things are out of the question under a limit: the best fractional kit says what each could be worth at the most.
First a good kit is looked for among the few most promising, then it is proved, or bettered, among all that could be as
good (docs/algorithms/choosing.md).
"""

from collections.abc import Iterable

from mule.base.deadline import Deadline
from mule.base.solving import PER_GRAM, Solved, total
from mule.search.choosing.bounds import NO_LIMIT_G, Mask, Reduced
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.questions import Incumbent, Questions, Tier

# Time for a kit by greed; more than any kit weighs, in tenths of grams.
_GREEDY_S, _HEAVY = 0.15, int(PER_GRAM * NO_LIMIT_G)
# Time for the steadiest of the best, and for the lightest of those.
_STEADY_S, _LIGHTEST_S = 1.0, 4.0
# Nearer to the limit than this share of it, a lighter kit puts little more out of the question.
_NEAR = 0.97
# Sorts of things among which a good kit is looked for first, where there are many.
_CORE, _MANY = 20, 45


class Tiers:
    """Tier after tier, on one model."""

    def __init__(self, case: Candidates, questions: Questions, deadline: Deadline) -> None:
        self._optics, self._questions, self._deadline = case.optics, questions, deadline
        self._model, self._weights = questions.model, questions.weights
        self._importance = [want.importance for want in case.plan.trip.wants]

    def greedy(self, limit_g: float) -> Incumbent | None:
        """A good kit at once, by greed: what brings most for its grams, with all that hangs on it."""
        asked, model, soon = self._questions, self._model, self._deadline.soonest(_GREEDY_S)
        model.limit(limit_g)
        good: Incumbent | None = None
        for among in self._weights.greedy(limit_g):
            # As much of it as can come along, then light.
            as_many = total((literal, _HEAVY) for literal, open_ in zip(model.classes, among, strict=True) if open_)
            tier = Tier(as_many - model.carried, among)
            while not soon.stopped:
                asked.take_in()
                ending = asked.solve(tier, soon)
                if not isinstance(ending, Solved):
                    break
                kit = asked.read(ending)
                made = asked.incumbent(kit, ending, tier)._replace(proved=False, bound=sum(self._optics.most))
                if asked.lasts(kit):
                    return made
                good = good or made
        return good

    def best(self, limit_g: float, known: int, *, closely: bool) -> Incumbent | None:
        """The best kit under so many grams carried; None when none was found.

        known: units of a kit that is there anyway. closely: as for ``Weights.under``.
        """
        if self._questions.all.sum() > _MANY or self._questions.few_bounds:
            self._questions.put(self._weights.under(limit_g, closely=closely))
        else:
            # Bounds that are sharp at the kits that are found do for the rest.
            self._weights.forget_limit()
        self._model.limit(limit_g)
        first = self._most_units(known)
        if first is None or not first.proved:
            return first
        # Then the steadiest of the best, then the lightest of those.
        self._questions.hint(first.kit)
        # The score is at its best here: bounds that are sharp at this kit leave the next tiers least to search.
        self._questions.sharpen(first.kit, range(len(self._importance)))
        second = self._lightest(first, self._steadiest(first, limit_g), limit_g)
        return second._replace(bound=max(first.units, second.units), proved=True)

    def lightest_of(self, units: int, limit_g: float) -> Incumbent | None:
        """The lightest kit of so many units under so many grams; None when none was found."""
        asked = self._questions
        self._model.limit(limit_g)
        return asked.ask(Tier(-self._model.carried, asked.all, units, paired=False))

    def _most_units(self, known: int) -> Incumbent | None:
        """The best score: found among the most promising, proved among all that could be as good.

        known: units of a kit that is there anyway.
        """
        score = total((units, 1) for units in self._model.want_units)
        reduced = self._weights.reduced
        core = self._could_be(reduced, known)
        if core.sum() > _MANY:
            core &= self._weights.promising(_CORE)
        good = self._questions.ask(Tier(score, core))
        if self._deadline.stopped and good is not None:
            return good._replace(bound=max(good.units, int(min(reduced.most, sum(self._optics.most)))), proved=False)
        while True:
            among = self._could_be(reduced, max(known, good.units if good else 0))
            if good is not None and good.proved and not (among & ~core).any():
                return good
            if good is not None:
                self._questions.hint(good.kit)
            found = self._questions.ask(Tier(score, among))
            if found is not None or not known:
                return found if found is not None and (good is None or found.units >= good.units) else good
            # The known kit cannot be found again (it was packed otherwise): look among all.
            known = 0

    def _steadiest(self, first: Incumbent, limit_g: float) -> Incumbent:
        """The steadiest of the best, as far as it is found in a short time."""
        paired = self._could_be(self._weights.reduced, first.units)
        if paired.sum() > _MANY:
            paired = self._could_be(self._weights.steady_under(limit_g), first.units)
        none = first._replace(objective=0)
        if not paired.any() or not self._model.steady:
            return none
        least = min(self._importance)
        tier = Tier(self._model.steadiness, paired, first.units, steady=least)
        # Proved, or not found in time: no want of a kit as good bears any loss.
        return self._questions.ask(tier, self._deadline.soonest(_STEADY_S)) or none

    def _lightest(self, first: Incumbent, known: Incumbent, limit_g: float) -> Incumbent:
        """The lightest kit as good as the first and as steady as a known one.

        The lighter one is found, the more is out of the question. limit_g: under which both were found.
        """
        steady, best = known.objective, known._replace(proved=False)
        until = self._deadline.soonest(_LIGHTEST_S)
        among = self._could_be(self._weights.reduced, first.units)
        while True:
            most_g = best.tenths / PER_GRAM
            if among.sum() > _MANY and most_g < _NEAR * limit_g:
                limit_g = most_g
                reduced = self._weights.steady_under(most_g) if steady else self._weights.reduced_under(most_g)
                among &= self._could_be(reduced, first.units)
            self._model.limit(most_g)
            self._questions.hint(best.kit)
            lighter = False
            for some in self._wider(among, first, best):
                found = self._questions.ask(Tier(-self._model.carried, some, first.units, steady), until)
                if found is not None and found.tenths < best.tenths:
                    best, lighter = found._replace(proved=False), True
                    until = self._deadline.soonest(_LIGHTEST_S)
                    break
            if not lighter or until.stopped:
                return best

    def _wider(self, among: Mask, *kits: Incumbent) -> Iterable[Mask]:
        """Among which classes a kit is looked for in turn: the promising ones and those of a kit, then all."""
        if among.sum() > _MANY:
            promising = self._weights.promising(_CORE)
            yield from (among & (promising | self._optics.has(made.kit)) for made in kits)
        yield among

    def _could_be(self, reduced: Reduced, units: int) -> Mask:
        """Classes that a kit with so many units could have, as far as rounding tells."""
        return reduced.of_use(units - self._questions.rounding)
