"""A cutting plan for the foam of a hard case: pockets layer by layer, with walls between them and finger notches."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from math import ceil, hypot
from typing import Annotated

from pydantic import Field

from mule.base.deadline import Deadline
from mule.base.units import Frozen
from mule.packing.blocks import Block
from mule.packing.luggage import luggage_of
from mule.packing.placements import Outcome, Placement, PlacingOptions
from mule.packing.placing import place
from mule.packing.rooms import Room, rooms_of
from mule.plan.gear import Bag, Gear
from mule.plan.kit import Kit

# Walls that notches leave standing, and the least notch that a finger uses (estimates).
THINNEST_WALL_MM = 4.0
LEAST_NOTCH_MM = 6.0
_SECONDS = 3.0


class FoamWish(Frozen):
    """How foam is to be cut. wall_mm: between pockets and to the edge; layer_mm: thickness of one sheet of foam;
    notch_mm: radius of the notches for fingers, 0 for none."""

    wall_mm: Annotated[int, Field(ge=5, le=60)] = 15
    layer_mm: Annotated[int, Field(ge=10, le=150)] = 50
    notch_mm: Annotated[int, Field(ge=0, le=30)] = 12


class Notch(Frozen):
    """A round notch in the edge of a pocket: middle and radius."""

    x_mm: float
    y_mm: float
    radius_mm: float


class Pocket(Frozen):
    """What is cut out of one layer for one thing. x_mm, y_mm: corner nearest to the corner of the foam.

    round: a circle of width_mm. depth_mm: from the top of the layer; through: all of it.
    """

    block: str
    items: tuple[str, ...]
    count: int
    x_mm: float
    y_mm: float
    width_mm: float
    height_mm: float
    round: bool
    depth_mm: float
    through: bool
    notches: tuple[Notch, ...]


class FoamLayer(Frozen):
    """One sheet of foam, counted from the lid. thickness_mm: of the last one, what room is left for it."""

    number: int
    thickness_mm: float
    pockets: tuple[Pocket, ...]


class Pocketless(Frozen):
    """A block without a pocket. items, count, number: as for ``Placed``."""

    items: tuple[str, ...]
    count: int
    number: int | None


class Foam(Frozen):
    """A cutting plan. size_mm: of the sheets. left: things without a pocket; proved: there is no way for fewer.

    cut_share: share of the foam that is cut away.
    """

    bag: str
    size_mm: tuple[int, int]
    depth_mm: int
    wish: FoamWish
    layers: tuple[FoamLayer, ...]
    left: tuple[Pocketless, ...]
    proved: bool
    cut_share: float


class CaseFit(Frozen):
    """One hard case for the same things: whether all find a pocket. mass_g: of the empty case."""

    bag: str
    size_mm: tuple[int, int, int]
    mass_g: float
    left: int
    proved: bool


def cut_foam(gear: Mapping[str, Gear], kit: Kit, bag: str, wish: FoamWish) -> Foam:
    """Pockets for what lies in a case. bag: a loaded bag that is hard; raises KeyError for one that is not loaded."""
    luggage = next(found for found in luggage_of(gear, kit) if found.bag == bag)
    room = _largest(luggage.rooms)
    outcome = _lay(room, luggage.blocks, wish, _SECONDS)
    blocks = {b.id: b for b in luggage.blocks}
    layers = tuple(_layers(room, outcome.placements, blocks, wish))
    whole = room.size[0] * room.size[1] * room.size[2]
    cut = sum(_area(p) * p.depth_mm for layer in layers for p in layer.pockets)
    return Foam(
        bag=bag,
        size_mm=(room.size[0], room.size[1]),
        depth_mm=room.size[2],
        wish=wish,
        layers=layers,
        left=tuple(_pocketless(blocks[id_]) for id_ in outcome.left),
        proved=outcome.proved,
        cut_share=cut / whole,
    )


def compare_cases(gear: Mapping[str, Gear], kit: Kit, bag: str, wish: FoamWish) -> tuple[CaseFit, ...]:
    """The things of one case tried in every hard case of the locker, lightest first."""
    luggage = next(found for found in luggage_of(gear, kit) if found.bag == bag)
    cases = sorted((t for t in gear.values() if isinstance(t, Bag) and t.hard), key=lambda t: t.mass_g)
    found = []
    for case in cases:
        room = _largest(rooms_of(case))
        outcome = _lay(room, luggage.blocks, wish, _SECONDS / 2)
        left = len(outcome.left)
        found.append(CaseFit(bag=case.id, size_mm=room.size, mass_g=case.mass_g, left=left, proved=outcome.proved))
    return tuple(found)


def _pocketless(block: Block) -> Pocketless:
    return Pocketless(items=block.items, count=block.count, number=block.number)


def _largest(rooms: Sequence[Room]) -> Room:
    return max(rooms, key=lambda room: room.litres)


def _lay(room: Room, blocks: Sequence[Block], wish: FoamWish, seconds: float) -> Outcome:
    """Everything with a wall around it, in what the walls along the edges leave; nothing above anything else."""
    x, y, z = room.size
    inside = (x - 2 * wish.wall_mm, y - 2 * wish.wall_mm, z)
    if min(inside) <= 0:
        return Outcome({}, tuple(b.id for b in blocks), proved=True)
    # One worker and no tidying: the plan on the screen and the one in the file are the same.
    options = PlacingOptions(workers=1, tidy_s=0)
    # Each thing must come out by itself, so nothing lies on it; pins are for soft bags.
    return place(
        inside, [replace(b, access="quick", pin=None) for b in blocks], wish.wall_mm, Deadline(seconds), options
    )


def _layers(
    room: Room, placements: Mapping[str, Placement], blocks: Mapping[str, Block], wish: FoamWish
) -> list[FoamLayer]:
    """Things stand flush with the lid: each is cut down into as many sheets as it is deep."""
    depth = room.size[2]
    found = []
    for number in range(ceil(depth / wish.layer_mm)):
        top = number * wish.layer_mm
        thick = min(depth - top, wish.layer_mm)
        here = {id_: placement for id_, placement in placements.items() if placement.turn.sides[2] > top}
        pockets = tuple(
            _pocket(blocks[id_], placement, here, (top, thick), room, wish) for id_, placement in here.items()
        )
        found.append(FoamLayer(number=number + 1, thickness_mm=thick, pockets=pockets))
    return found


def _pocket(
    block: Block,
    placement: Placement,
    beside: Mapping[str, Placement],
    layer: tuple[int, int],
    room: Room,
    wish: FoamWish,
) -> Pocket:
    top, thick = layer
    deep = placement.turn.sides[2] - top
    return Pocket(
        block=block.id,
        items=block.items,
        count=block.count,
        x_mm=placement.at[0] + wish.wall_mm,
        y_mm=placement.at[1] + wish.wall_mm,
        width_mm=placement.turn.sides[0],
        height_mm=placement.turn.sides[1],
        round=placement.turn.round == "z",
        depth_mm=min(deep, thick),
        through=deep >= thick,
        notches=tuple(_notches(placement, [other for other in beside.values() if other is not placement], room, wish)),
    )


def _notches(placement: Placement, others: Sequence[Placement], room: Room, wish: FoamWish) -> list[Notch]:
    """A notch in the middle of each of two sides that face each other, as large as the foam beside them allows."""
    if wish.notch_mm <= 0:
        return []
    across = 1 if placement.turn.sides[0] >= placement.turn.sides[1] else 0
    along = 1 - across
    middle = placement.at[along] + placement.turn.sides[along] / 2
    found = []
    for edge in (placement.at[across], placement.end(across)):
        at = (edge, middle) if across == 0 else (middle, edge)
        clear = min([_to_edge(at, room, wish), *(_distance(at, other) for other in others)])
        # Half of what is clear: the other pocket may have a notch there too.
        radius = min(wish.notch_mm, placement.turn.sides[along] / 2, (clear - THINNEST_WALL_MM) / 2)
        if radius >= LEAST_NOTCH_MM / 2:
            found.append(Notch(x_mm=at[0] + wish.wall_mm, y_mm=at[1] + wish.wall_mm, radius_mm=round(radius, 1)))
    return found


def _to_edge(at: tuple[float, float], room: Room, wish: FoamWish) -> float:
    sides = (room.size[0] - 2 * wish.wall_mm, room.size[1] - 2 * wish.wall_mm)
    return wish.wall_mm + min(at[0], sides[0] - at[0], at[1], sides[1] - at[1])


def _distance(at: tuple[float, float], other: Placement) -> float:
    """From a point to another pocket."""
    away = [max(other.at[k] - at[k], 0, at[k] - other.end(k)) for k in (0, 1)]
    return hypot(*away)


def _area(pocket: Pocket) -> float:
    share = 0.7854 if pocket.round else 1.0  # pi / 4
    return pocket.width_mm * pocket.height_mm * share


__all__ = ["CaseFit", "Foam", "FoamLayer", "FoamWish", "Notch", "Pocket", "compare_cases", "cut_foam"]
