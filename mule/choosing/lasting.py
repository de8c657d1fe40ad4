"""Kits that last: where the simulation finds a kit short, a demand that holds for every kit like it.

See docs/domain/power.md and docs/domain/pictures.md.

A kit that runs dry stays short with the same cameras, no more packs and no more to charge them with. That is what is
demanded: without one of these cameras, or with more packs, or with something else that charges. Cameras that nothing
in play could carry together stay apart, as long as fewer of them could be carried; else it stays a finding.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from mule.choosing.candidates import Candidates
from mule.gear import Battery, Body, Card, Charger, Drive, Drone, Link, PowerBank, Reader
from mule.power import types_short
from mule.stamina import keep, power_case


@dataclass(frozen=True)
class Ask:
    """In a kit with all of ``given``: at least so many pieces of one of ``more``, or one of ``instead``."""

    given: frozenset[str]
    more: Mapping[str, int]
    instead: frozenset[str]


class LastingDemands:
    """Asks the simulation about kits."""

    def __init__(self, case: Candidates) -> None:
        self._case, self._plan = case, case.plan
        self._gear = case.plan.items
        self._on = bool(case.plan.trip.days)
        self._helps = [item for item, thing in case.free.items() if isinstance(thing, Charger | PowerBank | Link)]
        self._possible: dict[tuple[str, frozenset[str]], bool] = {}

    def asks(self, pieces: Mapping[str, int]) -> list[Ask]:
        """What would have to be different for the kit to last; nothing when it lasts, or when nothing would help.

        pieces: of the free things that come along.
        """
        if not self._on:
            return []
        counts = {**self._case.fixed, **pieces}
        found = [ask for type_ in types_short(power_case(self._plan, counts)) if (ask := self._power(type_, pieces))]
        pictures = keep(self._plan, counts)
        full = [t.type for t in pictures.types if t.full_on]
        found += [ask for type_ in full if (ask := self._cards(type_, pieces))]
        # Pictures that no card took are in no place at all: that is asked for first.
        return found if full or not pictures.short_on else found + self._copies(pieces)

    def _power(self, type_: str, pieces: Mapping[str, int]) -> Ask | None:
        eaters = frozenset(i for i in pieces if _eats(self._gear[i], type_))
        if not self._could_carry(type_, eaters):
            sure = eaters & set(self._plan.trip.marks.must_take)
            fewer = [sure] if sure else [frozenset((i,)) for i in eaters]
            able = any(some < eaters and self._could_carry(type_, some) for some in fewer)
            return Ask(given=eaters, more={}, instead=frozenset()) if able else None
        packs = self._of(Battery, "battery_type", type_)
        cameras = [i for i, t in self._case.free.items() if isinstance(t, Body) and t.usb_charging and _eats(t, type_)]
        return Ask(
            given=eaters,
            more={i: pieces.get(i, 0) + 1 for i in packs if pieces.get(i, 0) < self._case.most[i]},
            instead=frozenset(i for i in (*self._helps, *cameras) if i not in pieces),
        )

    def _could_carry(self, type_: str, eaters: frozenset[str]) -> bool:
        """Whether everything in play together would carry what these eat."""
        key = type_, eaters
        if key not in self._possible:
            all_packs = {i: self._case.most[i] for i in self._of(Battery, "battery_type", type_)}
            counts = {**self._case.fixed, **dict.fromkeys((*self._helps, *eaters), 1), **all_packs}
            self._possible[key] = type_ not in types_short(power_case(self._plan, counts))
        return self._possible[key]

    def _cards(self, type_: str, pieces: Mapping[str, int]) -> Ask | None:
        writers = frozenset(
            i for i in pieces if isinstance(t := self._gear[i], Body) and any(s.card_type == type_ for s in t.slots)
        )
        cards = [i for i, t in self._case.free.items() if isinstance(t, Card)]
        everything = {**self._case.fixed, **pieces, **{i: self._case.most[i] for i in cards}}
        if not writers or any(t.full_on for t in keep(self._plan, everything).types if t.type == type_):
            return None
        return Ask(
            given=writers,
            more={i: pieces.get(i, 0) + 1 for i in cards if pieces.get(i, 0) < self._case.most[i]},
            instead=frozenset(),
        )

    def _copies(self, pieces: Mapping[str, int]) -> list[Ask]:
        """More to keep copies on, or to read cards with, where all that is in play would keep enough of them."""
        keeps = {i: self._case.most[i] for i, t in self._case.free.items() if isinstance(t, Drive | Reader)}
        if keep(self._plan, {**self._case.fixed, **pieces, **keeps}).short_on:
            return []
        more = {i: pieces.get(i, 0) + 1 for i, most in keeps.items() if pieces.get(i, 0) < most}
        writers = frozenset(i for i in pieces if isinstance(self._gear[i], Body))
        return [Ask(given=writers, more=more, instead=frozenset())]

    def _of(self, kind: type, field: str, label: str) -> list[str]:
        return [i for i, t in self._case.free.items() if isinstance(t, kind) and getattr(t, field) == label]


def _eats(thing: object, type_: str) -> bool:
    return isinstance(thing, Body | Drone) and thing.battery_type == type_
