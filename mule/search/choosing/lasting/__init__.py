"""Kits that last: where the simulation finds a kit short, a demand that holds for every kit that is as short.

See docs/domain/power.md and docs/domain/pictures.md.

More never hurts (docs/algorithms/stamina.md#power): a kit whose things draw as much, with no more packs and nothing
more to charge them with, is short as well. So a demand names how much draws, and what of packs, cards and helpers
would have to be more. Before it is told, it is made to say as much as it can: of what draws as little as still is
short, of what gives as much as still is not enough.
"""

from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from functools import cached_property
from typing import Any, NamedTuple

from mule.analysis.power import PowerCase, types_lacking
from mule.plan.gear import Battery, Body, Card, Charger, Computer, Drive, Link, PowerBank, Reader
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.in_play import effect_of
from mule.search.choosing.lasting.asks import PARTS, Ask, AtLeast, Draws, LastingPart, pieces_of
from mule.search.choosing.lasting.capacity import Capacity, capacities
from mule.search.choosing.lasting.order import Order
from mule.search.choosing.lasting.pictures import PictureDraws, pictures_lacking
from mule.search.choosing.lasting.power import DRAWING, PowerDraws

_GIVES: Mapping[LastingPart, tuple[type, ...]] = {
    "power": (Battery, Charger, PowerBank, Link),
    "cards": (Card, Drive, Reader, Computer, Link),
    "copies": (Card, Drive, Reader, Computer, Link),
}
_DRAWS: Mapping[LastingPart, tuple[type, ...]] = {"power": DRAWING, "cards": (Body,), "copies": (Body,)}
# Things that give, by groups that do the same.
Groups = Mapping[object, tuple[str, ...]]


class _Ports(NamedTuple):
    """Cameras that charge a pack of a type inside, as what gives: by how many there are."""

    battery_type: str


class LastingDemands:
    """Asks the simulation about kits."""

    def __init__(self, case: Candidates, go_on: Callable[[], None] = lambda: None) -> None:
        """go_on: called before each simulation of a family; what it raises ends the asking."""
        self._case, self._go_on = case, go_on
        self._on = bool(case.plan.trip.days)
        self._known: dict[object, bool] = {}

    @cached_property
    def _order(self) -> Order:
        return Order(self._case)

    @cached_property
    def _draws(self) -> Mapping[LastingPart, Draws[Any]]:
        case, order = self._case, self._order
        return {part: PowerDraws(case, order) if part == "power" else PictureDraws(case, order, part) for part in PARTS}

    def asks(self, pieces: Mapping[str, int], relaxed: Collection[LastingPart] = ()) -> list[Ask]:
        """What would have to be different for the kit to last; nothing when it lasts.

        pieces: of the free things that come along. relaxed: parts in which no kit lasts.
        """
        if not self._on:
            return []
        short = [part for part in PARTS if part not in relaxed and self.short(part, pieces)]
        # Pictures that no card took are in no place at all: that is asked for first.
        if "cards" in short:
            short = [part for part in short if part != "copies"]
        return [ask for part in short for ask in self._lifted(part, pieces)]

    @cached_property
    def capacities(self) -> Sequence[Capacity]:
        """What must hold of any kit that lasts; nothing of parts in which nothing could."""
        return [c for c in capacities(self._case) if not self._hopeless[c.part]] if self._on else []

    def short(self, part: LastingPart, pieces: Mapping[str, int]) -> bool:
        """Whether a kit does not last in a part, as far as anything in play could."""
        return self._on and bool(self._lacking(part, pieces) - self._hopeless[part])

    def _lacking(self, part: LastingPart, pieces: Mapping[str, int]) -> frozenset[str]:
        plan, counts = self._case.plan, {**self._case.fixed, **pieces}
        if part == "power":
            return types_lacking(PowerCase.of(plan.items, counts, plan.trip))
        return pictures_lacking(part, plan.items, counts, plan.trip)

    @cached_property
    def _hopeless(self) -> Mapping[LastingPart, frozenset[str]]:
        """What lacks in each part whatever comes along, beside what must come."""
        case, must = self._case, self._case.plan.trip.marks.must_take
        found = {}
        for part in PARTS:
            most = {i: case.most[i] if isinstance(t, _GIVES[part]) else 1 for i, t in case.free.items()}
            sure = {i: n for i, n in most.items() if i in must or isinstance(case.free[i], _GIVES[part])}
            found[part] = self._lacking(part, sure)
        return found

    def _lifted(self, part: LastingPart, pieces: Mapping[str, int]) -> list[Ask]:
        """Demands that a short kit breaks, as general as can be: each lets other things be what there is more of."""
        draws = self._draws[part]
        groups = self._groups[part]
        gives = {key: sum(pieces.get(i, 0) for i in items) for key, items in groups.items()}
        family = draws.family(pieces)
        # Where outlets are not what is scarce, one more charger is in the way of nothing.
        ample = part == "power" and self._all_short(part, family, gives, ample=True)
        if not ample and not self._all_short(part, family, gives):
            # Only of this very kit it is known: of what it is, all; of what gives, none more.
            eats = [pieces_of([i], n) for i, n in pieces.items() if isinstance(self._case.free[i], _DRAWS[part])]
            return [Ask(part, tuple(eats), self._first(pieces), self._ways(part, gives))]
        family = draws.reduced(family, lambda fewer: self._all_short(part, fewer, gives, ample=ample))
        given, first = draws.given(family)
        if part == "power" and not ample:
            # Another charger may stand in the way here: of what charges, no more is put in than there is.
            groups = {key: items for key, items in groups.items() if isinstance(self._case.free[items[0]], Battery)}
        # Filled up with packs first it says what else is wanted, from the other end how many packs.
        kinds: tuple[list[object], list[object]] = [], []
        idle = {key: self._most(items) for key, items in groups.items() if not draws.touched_by(family, key)}
        gives = {**gives, **idle}
        for key, items in groups.items():
            if key not in idle:
                kinds[isinstance(self._case.free[items[0]], Battery | Card)].append(key)
        found = []
        for one, other in (kinds, kinds[::-1]):
            full: Mapping[object, int] = gives
            for order in (one, other):
                full = self._filled(part, family, full, order, ample=ample)
            found.append(Ask(part, given, first, self._ways(part, full)))
        return list(dict.fromkeys(found))

    def _first(self, pieces: Mapping[str, int]) -> frozenset[str] | None:
        lead = self._order.first(pieces)
        return None if lead is None else frozenset((lead,))

    def _filled(
        self, part: LastingPart, family: object, gives: Mapping[object, int], order: Sequence[object], *, ample: bool
    ) -> Mapping[object, int]:
        """As much of these groups as still is not enough: all of them at once, or else half and half."""
        most = {key: self._most(self._groups[part][key]) for key in order}
        if self._all_short(part, family, full := {**gives, **most}, ample=ample):
            return full
        if len(order) > 1:
            for some in (order[: len(order) // 2], order[len(order) // 2 :]):
                gives = self._filled(part, family, gives, some, ample=ample)
            return gives
        for key in order:
            low, high = gives[key], most[key] - 1
            while low < high:
                tried = (low + high + 1) // 2
                if self._all_short(part, family, {**gives, key: tried}, ample=ample):
                    low = tried
                else:
                    high = tried - 1
            gives = {**gives, key: low}
        return gives

    def _ways(self, part: LastingPart, gives: Mapping[object, int]) -> tuple[AtLeast, ...]:
        ways = (pieces_of(items, gives[key] + 1) for key, items in self._groups[part].items())
        return tuple(way for way in ways if way.least <= self._most(item for item, _ in way.weights))

    def _most(self, items: Iterable[str]) -> int:
        return sum(self._case.most[item] for item in items)

    def _all_short(
        self, part: LastingPart, family: object, gives: Mapping[object, int], *, ample: bool = False
    ) -> bool:
        """Whether every kit of a family that has at most so much of what gives is short."""
        key = part, family, tuple(gives.values()), ample
        if key not in self._known:
            self._go_on()
            ports = {of.battery_type: n for of, n in gives.items() if isinstance(of, _Ports)}
            pieces: dict[str, int] = {}
            for of, n in gives.items():
                left = 0 if isinstance(of, _Ports) else n
                for item in self._groups[part][of]:
                    if left > 0:
                        pieces[item] = min(left, self._case.most[item])
                        left -= pieces[item]
            draws = self._draws[part]
            self._known[key] = bool(draws.lacking(family, pieces, ports, ample=ample) - self._hopeless[part])
        return self._known[key]

    @cached_property
    def _groups(self) -> Mapping[LastingPart, Groups]:
        """What gives in each part, by groups that do the same."""
        found: dict[LastingPart, dict[object, tuple[str, ...]]] = {part: {} for part in PARTS}
        for item, thing in self._case.free.items():
            for part in PARTS:
                if isinstance(thing, _GIVES[part]):
                    found[part][effect_of(thing)] = (*found[part].get(effect_of(thing), ()), item)
            if isinstance(thing, Body) and thing.usb_charging and thing.battery_type:
                ports = _Ports(thing.battery_type)
                found["power"][ports] = (*found["power"].get(ports, ()), item)
        return found


__all__ = ["PARTS", "Ask", "AtLeast", "Capacity", "LastingDemands", "LastingPart"]
