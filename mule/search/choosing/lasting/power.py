"""What draws on packs. Cameras of one type draw together: what counts is how much, not which of them they are.

On each day a camera draws a share of one shape, that of what others do; the first draws what it does more beside. So
kits that draw at least so much are one family, however many cameras share it.
"""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import replace
from typing import NamedTuple

from mule.analysis.power import (
    BODY_H,
    PackCharger,
    PowerCase,
    TypeDemand,
    camera_charges,
    nominal_wh,
    on_film,
    too_many,
    types_lacking,
)
from mule.plan.gear import Body, Computer, Drone, Light, Other, Remote, Sound
from mule.plan.trip import Demand
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.lasting.asks import AtLeast, pieces_of, weighed
from mule.search.choosing.lasting.order import OTHER_FIRST, Order

# What runs on packs, or charges in the night beside them.
DRAWING = (Body, Computer, Drone, Light, Other, Remote, Sound)
# More outlets than there is anything to plug in.
_MANY_OUTLETS = 1_000
# What cameras draw counts in whole millionths of the shapes.
_MILLIONTHS = 1_000_000
# A threshold is looked for to within this share of it.
_NEAR = 0.02


class TypeLoad(NamedTuple):
    """What cameras of one type draw as the others do, in millionths of the shape. cameras: how many there are."""

    others: int
    cameras: int


class PowerFamily(NamedTuple):
    """Kits that draw at least so much. loads: by type of pack. things: pieces of what draws by itself. first: a camera
    like which, or drawing more, the first one is; None: whichever."""

    loads: tuple[tuple[str, TypeLoad], ...]
    things: tuple[tuple[str, int], ...]
    first: str | None


class PowerDraws:
    """What the things in play of one case draw on packs."""

    def __init__(self, case: Candidates, order: Order) -> None:
        self._case, self._trip, self._order = case, case.plan.trip, order
        self._whole = nominal_wh(case.plan.gear)
        plain = [
            t
            for t in case.free.values()
            if isinstance(t, Body) and t.battery_type and t.id not in order.said and not on_film(t)
        ]
        self._type: dict[str, str] = {t.id: t.battery_type or "" for t in plain}
        self._shapes: dict[str, Sequence[float]] = {}
        self._others: dict[str, int] = {}
        # Charges that each draws more on each day for being the first.
        self._more: dict[str, Sequence[float]] = {}
        self._bares: dict[tuple[PowerFamily, bool], PowerCase] = {}
        for type_ in set(self._type.values()):
            self._compare([t for t in plain if t.battery_type == type_], type_)

    def _compare(self, alike: Sequence[Body], type_: str) -> None:
        patterns = [self._trip.stamina.pattern(day.pattern) for day in self._trip.days]

        def charges(body: Body, demands: Iterable[Demand]) -> list[float]:
            return [self._trip.stamina.pace * camera_charges(body, demand) for demand in demands]

        others = {t.id: charges(t, (p.others for p in patterns)) for t in alike}
        first = {t.id: charges(t, (p.first for p in patterns)) for t in alike}
        self._shapes[type_] = [sum(day) for day in zip(*others.values(), strict=True)]
        for item, most in first.items():
            self._others[item] = _share(others[item], self._shapes[type_])
            self._more[item] = [f - o for f, o in zip(most, others[item], strict=True)]

    def family(self, pieces: Mapping[str, int]) -> PowerFamily:
        """All kits that draw as much as one. pieces: of things in play."""
        lead = self._order.first(pieces)
        loads: dict[str, TypeLoad] = {}
        for item, n in pieces.items():
            if item in self._type:
                load = loads.get(self._type[item], TypeLoad(0, 0))
                loads[self._type[item]] = TypeLoad(load.others + n * self._others[item], load.cameras + n)
        things = [(i, n) for i, n in pieces.items() if i not in self._type and isinstance(self._case.free[i], DRAWING)]
        return PowerFamily(tuple(loads.items()), tuple(things), lead)

    def reduced(self, family: PowerFamily, short: Callable[[PowerFamily], bool]) -> PowerFamily:
        """A family as wide as can be that still is short, of which the given one is a part."""

        def keep(fewer: PowerFamily) -> bool:
            nonlocal family
            if short(fewer):
                family = fewer
                return True
            return False

        if family.first is not None and self._order.first_does_most:
            keep(family._replace(first=None))
        for item, _ in family.things:
            if item != family.first:
                keep(family._replace(things=tuple(one for one in family.things if one[0] != item)))
        for type_, _ in family.loads:
            if type_ != self._type.get(family.first or ""):
                keep(family._replace(loads=tuple(one for one in family.loads if one[0] != type_)))
        for type_, whole in family.loads:
            alone = whole._replace(cameras=1)
            load = alone if whole.cameras > 1 and keep(_with(family, type_, alone)) else whole
            low, high = 0, load.others
            while high - low > max(1, _NEAR * high):
                middle = (low + high) // 2
                if keep(_with(family, type_, load._replace(others=middle))):
                    high = middle
                else:
                    low = middle
        return family

    def given(self, family: PowerFamily) -> tuple[tuple[AtLeast, ...], frozenset[str] | None]:
        """What tells the kits of a family: how much comes along, and which camera may be the first."""
        found = [pieces_of([item], n) for item, n in family.things]
        first = None if family.first is None else self._like(family.first)
        for type_, load in family.loads:
            of = [item for item, eats in self._type.items() if eats == type_]
            if load.others:
                found.append(weighed({item: self._others[item] for item in of}, load.others))
            if load.cameras > 1 or not load.others:
                found.append(pieces_of(of, load.cameras))
        return tuple(found), first

    def _like(self, lead: str) -> frozenset[str]:
        """Cameras that draw as much as one does for being the first, on every day."""
        if lead not in self._type:
            return frozenset((lead,))
        least = self._more[lead]
        return frozenset(
            item
            for item, type_ in self._type.items()
            if type_ == self._type[lead] and all(a >= b for a, b in zip(self._more[item], least, strict=True))
        )

    def lacking(
        self, family: PowerFamily, gives: Mapping[str, int], ports: Mapping[str, int], *, ample: bool
    ) -> frozenset[str]:
        """What lacks with so much that draws, and so much that gives beside what stays.

        gives: pieces by item. ports: cameras that charge a pack of a type inside, by type; those that draw charge none.
        ample: whether there are outlets for all that charges. Watts and what banks hold are shared all the same: where
        there are too many ways of sharing them, each type is looked at as if all were there for it.
        """
        bare = self._bare(family, ample=ample)
        made = bare.with_counts({**bare.counts, **gives})
        usb = [c for c in made.sources.usb if c.bays or c.by in self._case.fixed]
        usb += [PackCharger(type_, (type_,), 0, BODY_H) for type_, n in ports.items() for _ in range(n)]
        # What holds for a kit holds for those with less of what charges: any of it may be left unplugged.
        made = replace(made, sources=replace(made.sources, usb=tuple(usb)), thorough=True)
        if ample and too_many(made):
            return frozenset(type_ for type_ in _asked(made) if type_ in types_lacking(_alone(made, type_)))
        return types_lacking(made)

    def _bare(self, family: PowerFamily, *, ample: bool) -> PowerCase:
        """What a family draws on each day, with nothing that gives but what stays."""
        if (family, ample) not in self._bares:
            lead = {}
            if self._order.cameras and (family.first is None or family.first in self._type):
                lead = {OTHER_FIRST: 1}
            things = dict(sorted(family.things, key=lambda one: one[0] != family.first))
            made = PowerCase.of(self._order.with_other_first, {**self._case.fixed, **lead, **things}, self._trip)
            in_use = {t: made.in_use.get(t, 0) + load.cameras for t, load in family.loads}
            days = (
                day._replace(
                    needs=(*self._needs(day.needs, index, family),),
                    outlets=_MANY_OUTLETS if ample and day.outlets else day.outlets,
                )
                for index, day in enumerate(made.days)
            )
            self._bares[family, ample] = replace(made, days=tuple(days), in_use={**made.in_use, **in_use})
        return self._bares[family, ample]

    def touched_by(self, family: PowerFamily, group: object) -> bool:
        """Whether things of a group (``in_play.effect_of``, or ports of cameras) could do anything for a family."""
        types = {need.store for day in self._bare(family, ample=True).days for need in day.needs}
        match group:
            case ("pack", type_, *_):
                return type_ in types
            case ("charger", tuple() as of, *_):
                return not types.isdisjoint(of)
            case _:
                return True

    def _needs(self, needs: Sequence[TypeDemand], index: int, family: PowerFamily) -> Iterable[TypeDemand]:
        """What a day asks, with what the cameras draw."""
        by_type = {need.store: need for need in needs}
        for type_, load in family.loads:
            charges = load.others / _MILLIONTHS * self._shapes[type_][index]
            if family.first is not None and self._type.get(family.first) == type_:
                charges += self._more[family.first][index]
            wh = charges * self._whole.get(type_, 1.0)
            if wh > 0:
                there = by_type.get(type_, TypeDemand(type_, 0.0, ()))
                by_type[type_] = there._replace(wh=there.wh + wh)
        return by_type.values()


def _asked(case: PowerCase) -> frozenset[str]:
    return frozenset(need.store for day in case.days for need in day.needs)


def _alone(case: PowerCase, type_: str) -> PowerCase:
    """The same with nothing but packs of one type, or one device, that asks for anything."""
    days = (day._replace(needs=tuple(need for need in day.needs if need.store == type_)) for day in case.days)
    return replace(case, days=tuple(days), known={})


def _with(family: PowerFamily, type_: str, load: TypeLoad) -> PowerFamily:
    return family._replace(loads=tuple((t, load if t == type_ else there) for t, there in family.loads))


def _share(draws: Sequence[float], shape: Sequence[float]) -> int:
    """How much of a shape is drawn on each day at the least, in whole millionths."""
    return min((int(_MILLIONTHS * d / s) for d, s in zip(draws, shape, strict=True) if s > 0), default=0)
