"""Which compartment each thing goes into: a small choice by volume and wishes, told where placing failed."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from math import ceil, floor

from ortools.sat.python import cp_model

from mule.base.deadline import Deadline
from mule.base.solving import Solved, solve, solver_of
from mule.packing.blocks import Block, SoftBlock
from mule.packing.keeping import NOWHERE, Lain
from mule.packing.luggage import BagToPack
from mule.packing.placements import cost_of_leaving, left_s, orientations_in
from mule.packing.rooms import Room

# Soft things never fill the last corners (estimate).
SOFT_SHARE = 0.9
# Leaving the least thing over is worse than any place for it.
_LEFT = 1_000
# Less than a wish, more than what a thing likes.
_MOVE = 15
# More than leaving anything over.
_HELD = 10_000_000_000
# Small things belong in pockets, up to this size.
_SMALL_L = 0.7


@dataclass(frozen=True)
class Nogood:
    """What placing proved or found: at most so many of these blocks together in a space."""

    room: str
    blocks: frozenset[str]
    most: int


@dataclass(frozen=True)
class Shares:
    """Who goes where. blocks, soft: per space. left, soft_left: no space. proved: no way with fewer left over."""

    blocks: Mapping[str, list[Block]]
    soft: Mapping[str, list[tuple[SoftBlock, int]]]
    left: list[Block]
    soft_left: list[tuple[SoftBlock, int]]
    proved: bool


@dataclass
class Assigner:
    """Shares out one bag's things over its spaces.

    was: how the bag lay, which breaks ties. stay: what had a space there keeps it.
    """

    luggage: BagToPack
    gap: int
    nogoods: list[Nogood] = field(default_factory=list)
    was: Lain = NOWHERE
    stay: bool = False

    def eligible(self, block: Block | SoftBlock, room: Room) -> bool:
        """Whether a thing may lie in a space at all."""
        if block.pin is not None and block.pin.compartment is not None and block.pin.compartment != room.compartment:
            return False
        if isinstance(block, SoftBlock):
            return room.sort != "sleeve" or block.flat
        if room.sort == "sleeve":
            # A sleeve says which screens it takes, in inches; its sides decide all the same.
            fits = block.screen_in is not None and (room.screen_in is None or block.screen_in <= room.screen_in)
            return fits and bool(orientations_in(room.size, block))
        return bool(orientations_in(room.size, block)) and not (block.padded and room.sort != "main")

    def share_out(self, fullest: float, deadline: Deadline, seed: int) -> Shares:
        """Everything to a space, none over ``fullest`` of its volume. seed: of the solver."""
        model = cp_model.CpModel()
        rooms = self.luggage.rooms
        goes = {(b.id, r.id): model.new_bool_var("") for b in self.luggage.blocks for r in rooms if self.eligible(b, r)}
        parts = {
            (s.item, r.id): model.new_int_var(0, s.count, "")
            for s in self.luggage.soft
            for r in rooms
            if self.eligible(s, r)
        }
        cost = []
        for block in self.luggage.blocks:
            places = [(goes[block.id, r.id], r) for r in rooms if (block.id, r.id) in goes]
            model.add(sum(var for var, _ in places) <= 1)
            cost.append((1 - sum(var for var, _ in places)) * (_LEFT + round(1000 * cost_of_leaving(block))))
            cost += [var * (_dislike(block, r) + self._move(block, r)) for var, r in places]
            if self.stay and (at_home := [var for var, r in places if self._stays(block, r)]):
                model.add(at_home[0] == 1)
        for soft in self.luggage.soft:
            pieces = [(parts[soft.item, r.id], r) for r in rooms if (soft.item, r.id) in parts]
            model.add(sum(var for var, _ in pieces) <= soft.count)
            each = soft.litres / soft.count
            cost.append((soft.count - sum(var for var, _ in pieces)) * (_LEFT + round(1000 * each)))
            home = self.was.soft.get(soft.item, ())
            move = _HELD if soft.item in self.was.hold and self.stay else _MOVE
            cost += [var * (_dislike_soft(each, soft, r) + move * (r.id not in home)) for var, r in pieces]
        for room in rooms:
            self._volumes(model, room, fullest, goes, parts)
        for nogood in self.nogoods:
            model.add(sum(goes[b, nogood.room] for b in nogood.blocks if (b, nogood.room) in goes) <= nogood.most)
        model.minimize(sum(cost))
        ending = solve(model, deadline.grant(min(1.0, left_s(deadline))), solver_of(seed=seed))
        if not isinstance(ending, Solved):
            return Shares({}, {}, list(self.luggage.blocks), [(s, s.count) for s in self.luggage.soft], proved=False)
        return self._read(ending, goes, parts, proved=ending.best and fullest >= 1)

    def _stays(self, block: Block, room: Room) -> bool:
        """Whether it lay there, and is no harder to reach there than it is wished now."""
        home = self.was.homes.get(block.id)
        wished = block.access is None or _REACH[room.access] <= _REACH[block.access]
        return home is not None and home.room == room.id and wished

    def _move(self, block: Block, room: Room) -> int:
        """What it costs to move it there from where it lay; new things cost the same everywhere."""
        home = self.was.homes.get(block.id)
        return _MOVE if home is not None and home.room != room.id else 0

    def _volumes(
        self,
        model: cp_model.CpModel,
        room: Room,
        fullest: float,
        goes: Mapping[tuple[str, str], cp_model.IntVar],
        parts: Mapping[tuple[str, str], cp_model.IntVar],
    ) -> None:
        """Hard things with their dividers, and in what they leave, soft ones; in cubic millimetres.

        Nothing is rounded against fitting: what is proved not to go in must not go in.
        """
        gap = self.gap if room.divided else 0
        here = [b for b in self.luggage.blocks if (b.id, room.id) in goes]
        grown = 0 if any(b.padded for b in here) else gap
        space = 1
        for side in room.size:
            space *= side + grown
        hard = sum(goes[b.id, room.id] * _volume_mm3(b, grown) for b in here)
        model.add(hard <= ceil(space * fullest))
        soft = [(parts[s.item, room.id], s.litres / s.count) for s in self.luggage.soft if (s.item, room.id) in parts]
        bare = sum(goes[b.id, room.id] * _volume_mm3(b, 0) for b in here)
        if room.sort == "sleeve":
            # A screen or a bladder, not both.
            for screen in here:
                for var, _ in soft:
                    model.add(var == 0).only_enforce_if(goes[screen.id, room.id])
        x, y, z = room.size
        model.add(bare + sum(var * floor(1e6 * each / SOFT_SHARE) for var, each in soft) <= x * y * z)

    def _read(
        self,
        ending: Solved,
        goes: Mapping[tuple[str, str], cp_model.IntVar],
        parts: Mapping[tuple[str, str], cp_model.IntVar],
        *,
        proved: bool,
    ) -> Shares:
        blocks: dict[str, list[Block]] = {r.id: [] for r in self.luggage.rooms}
        soft: dict[str, list[tuple[SoftBlock, int]]] = {r.id: [] for r in self.luggage.rooms}
        left: list[Block] = []
        soft_left: list[tuple[SoftBlock, int]] = []
        for block in self.luggage.blocks:
            room = next((r for b, r in goes if b == block.id and ending.value(goes[b, r])), None)
            (left if room is None else blocks[room]).append(block)
        for thing in self.luggage.soft:
            rest = thing.count
            for (item, room), var in parts.items():
                if item == thing.item and (count := ending.value(var)):
                    soft[room].append((thing, count))
                    rest -= count
            if rest:
                soft_left.append((thing, rest))
        return Shares(blocks, soft, left, soft_left, proved)


def _volume_mm3(block: Block, grown: int) -> int:
    x, y, z = block.orientations[0].sides
    return (x + grown) * (y + grown) * (z + grown)


_REACH = {"quick": 0, "open": 1, "deep": 2}


def _dislike(block: Block, room: Room) -> int:
    """How badly a thing lies in a space: small and sturdy in pockets, screens in sleeves, wishes before all."""
    found = 0
    if room.sort == "main":
        found += 3 if block.litres <= _SMALL_L and not block.fragile else 0
        found += 3 if block.screen_in is not None else 0
    elif room.sort == "pocket":
        found += 8 if block.fragile else round(4 * block.litres)
    if block.access is not None:
        found += 20 * max(0, _REACH[room.access] - _REACH[block.access])
    return found


def _dislike_soft(each: float, soft: SoftBlock, room: Room) -> int:
    if soft.flat:
        # Water apart from what it would wet.
        found = 0 if room.sort == "sleeve" else 6
    else:
        found = (2 if each <= _SMALL_L else 0) if room.sort == "main" else round(2 * each)
    if soft.access is not None:
        found += 20 * max(0, _REACH[room.access] - _REACH[soft.access])
    return found
