"""Which camera of a kit is the first: it takes most of the pictures."""

from collections.abc import Mapping
from functools import cached_property

from mule.analysis.power import on_film
from mule.plan.gear import Body, Gear
from mule.plan.trip import Demand
from mule.search.choosing.candidates import Candidates

# A camera that is first and draws nothing, so that all others do what others do.
OTHER_FIRST = "the-first-camera"


class Order:
    """The cameras in play in their order, that of the locker."""

    def __init__(self, case: Candidates) -> None:
        self._case, self._trip = case, case.plan.trip
        # Of a camera whose days somebody said, each day may ask something else.
        self.said = {use.body for day in self._trip.days for use in day.bodies}

    @cached_property
    def cameras(self) -> list[str]:
        """Digital cameras in play, as they are first: none where one stays, which is first whatever comes along."""
        case = self._case
        if any(isinstance(t := case.plan.items[i], Body) and not on_film(t) for i in case.fixed):
            return []
        return [i for i, t in case.free.items() if isinstance(t, Body) and not on_film(t)]

    def first(self, pieces: Mapping[str, int]) -> str | None:
        """A kit's first camera; None where that does not hang on the kit."""
        return next((i for i in self.cameras if pieces.get(i)), None)

    @cached_property
    def first_does_most(self) -> bool:
        """Whether no camera draws less for being the first."""

        def no_less(one: Demand, other: Demand) -> bool:
            pairs = zip(one.model_dump().values(), other.model_dump().values(), strict=True)
            return all(a >= b for a, b in pairs)

        return all(no_less(pattern.first, pattern.others) for pattern in self._trip.stamina.patterns)

    @cached_property
    def with_other_first(self) -> Mapping[str, Gear]:
        """The locker with a camera beside the others that draws nothing, for when it does not matter which is first."""
        if not self.cameras:
            return self._case.plan.items
        nothing = {"battery_type": None, "energy_wh": None, "usb_charging": False, "slots": (), "film": None}
        body = self._case.plan.items[self.cameras[0]].model_copy(update={"id": OTHER_FIRST, **nothing})
        return {**self._case.plan.items, OTHER_FIRST: body}
