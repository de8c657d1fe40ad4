"""Everything into one space: at once by building, then exactly as long as that pays, and better by ruin and recreate.

What was built is there whatever comes: no later answer leaves more over.
"""

from collections.abc import Sequence

from mule.base.deadline import Deadline
from mule.base.solving import Solved
from mule.packing.alike import Stacker
from mule.packing.blocks import Block
from mule.packing.cells import in_cells
from mule.packing.construct import Construction, Constructor
from mule.packing.exact import ExactModel, overfull
from mule.packing.orientations import Sides
from mule.packing.placements import USUAL, Outcome, PlacingOptions, left_s, orientations_in, settled

# Of more blocks the objective costs more than it brings.
_MOST_TO_TIDY = 24
# Of more blocks the exact search finds nothing that building does not; of more, it does not prove what is left over.
_MOST_EXACT, _MOST_PROVED = 48, 28
# Time for building, in seconds and as a share of what there is; for ruin and recreate beside the exact search.
_START_S, _START, _BETTER = 0.3, 0.05, 0.4
# Of few kinds, so much of it for stacks of like things.
_STACKED = 0.4
# Of many, so much of it before the exact search.
_BEFORE = 0.2


def place(
    room: Sides,
    blocks: Sequence[Block],
    gap: int,
    deadline: Deadline,
    options: PlacingOptions = USUAL,
    *,
    divided: bool = False,
    dividers: int | None = None,
) -> Outcome:
    """Everything into one space, or as much as there is a place for: the least left over by what that costs.

    room: inner sides in whole millimetres. gap: millimetres of divider between hard things. divided: it has dividers:
    rows and cells are tried first, a free layout only where they do not do. dividers: how many there are, if known.
    """
    able = [b for b in blocks if orientations_in(room, b)]
    too_large = tuple(b.id for b in blocks if not orientations_in(room, b))
    if not able:
        return Outcome({}, too_large, proved=True)
    if divided and options.rows and (plan := in_cells(room, able, gap, deadline, options.seed, dividers)):
        return Outcome(plan.placements, too_large, proved=True, layout="cells", dividers=plan.dividers)
    made, proved = _Space(room, able, gap, options).filled(deadline)
    lie = settled(made.placements, able, gap)
    return Outcome(lie, (*too_large, *made.left), proved, layout="free" if divided else None)


class _Space:
    """One space and what is to go into it."""

    def __init__(self, room: Sides, blocks: Sequence[Block], gap: int, options: PlacingOptions) -> None:
        self._room, self._blocks, self._gap, self._options = room, blocks, gap, options
        self._constructor = Constructor(room, blocks, gap)
        self._stacker = Stacker(room, blocks, gap)
        self._exact, self._many = len(blocks) <= _MOST_EXACT, len(blocks) > _MOST_PROVED

    def filled(self, deadline: Deadline) -> tuple[Construction, bool]:
        """The best that was found, and whether nothing less can be left over."""
        built = self._constructor.start(deadline.grant(max(_START_S, left_s(deadline) * _START)))
        if built.left and self._stacker.worth_it:
            built = min(built, self._stacked(self._part(deadline, _STACKED)), key=lambda made: made.cost)
        if not built.left:
            return self._tidied(built, deadline), True
        fits = not overfull(self._room, self._blocks, self._gap)
        if fits and self._many:
            built = self._constructor.improved(built, self._part(deadline, _BEFORE), self._options.seed)
            if not built.left:
                return self._tidied(built, deadline), True
        if fits and self._exact:
            whole = self._model(optional=False)
            ending = whole.solve(deadline, left_s(deadline) * self._options.whole)
            if isinstance(ending, Solved):
                return self._tidied(Construction(whole.placements(ending), (), 0.0), deadline, whole), True
        better = self._part(deadline, 1.0 if self._many else _BETTER)
        built = self._constructor.improved(built, better, self._options.seed + 1)
        if not built.left:
            return self._tidied(built, deadline), True
        return (built, False) if self._many else self._least_left(built, deadline)

    def _stacked(self, deadline: Deadline) -> Construction:
        """Like things in stacks."""
        placements = self._stacker.best(deadline, self._options.seed)
        left = tuple(b.id for b in self._blocks if b.id not in placements)
        return Construction(placements, left, self._constructor.cost_of(left))

    @staticmethod
    def _part(deadline: Deadline, share: float) -> Deadline:
        """So much of the time that is left."""
        return deadline.soonest(left_s(deadline) * share)

    def _least_left(self, built: Construction, deadline: Deadline) -> tuple[Construction, bool]:
        """The exact search for the least left over, from what was built on."""
        some = self._model(optional=True)
        some.hint(built.placements)
        found = some.solve(deadline, left_s(deadline))
        if not isinstance(found, Solved):
            return built, False
        placements = some.placements(found)
        left = tuple(b.id for b in self._blocks if b.id not in placements)
        cost = self._constructor.cost_of(left)
        made = Construction(placements, left, cost)
        # What differs by less than the model counts is as good.
        return made if cost <= built.cost else built, found.best

    def _model(self, *, optional: bool) -> ExactModel:
        return ExactModel(self._room, self._blocks, self._gap, self._options, optional=optional)

    def _tidied(self, made: Construction, deadline: Deadline, model: ExactModel | None = None) -> Construction:
        """The same with heavy things low and near the back, where there are few."""
        if len(self._blocks) > _MOST_TO_TIDY or self._options.tidy_s <= 0:
            return made
        model = model or self._model(optional=False)
        return Construction(model.tidied(deadline, made.placements), (), 0.0)
