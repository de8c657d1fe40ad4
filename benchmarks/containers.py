"""Container loading: the generator of E. E. Bischoff and M. S. W. Ratcliff, Issues in the development of approaches to
container loading, 1995: 3 to 20 types of boxes, as many of each as come up until the container's volume is reached."""

import random
from time import perf_counter

from mule.base.deadline import Deadline
from mule.packing import Block, PlacingOptions
from mule.packing.orientations import Orientation, Sides, box_turns
from mule.packing.placing import place

# Centimetres; the paper's container, its sides of boxes, and how many times longer than the least side a standing one
# may be.
CONTAINER: Sides = (587, 233, 220)
_LEAST, _MOST, _STABLE = (30, 25, 20), (120, 100, 80), 2
# Types of boxes in sets 1 to 7.
TYPES = (3, 5, 8, 10, 12, 15, 20)


def load(types: int, seed: int) -> list[Block]:
    """Boxes of so many types that come to no more than the container's volume, each with the turns it may take."""
    chance = random.Random(seed)
    sides = [tuple(chance.randint(a, b) for a, b in zip(_LEAST, _MOST, strict=True)) for _ in range(types)]
    counts = [0] * types
    left = CONTAINER[0] * CONTAINER[1] * CONTAINER[2]
    while True:
        kind = chance.randrange(types)
        x, y, z = sides[kind]
        if x * y * z > left:
            break
        counts[kind] += 1
        left -= x * y * z
    return [
        Block(f"b{kind}-{n}", (f"b{kind}",), 1, _turns(sides[kind]), mass_g=100, fragile=False, padded=False)
        for kind in range(types)
        for n in range(counts[kind])
    ]


def _turns(sides: tuple[int, ...]) -> list[Orientation]:
    """Turns whose upright side is no more than twice the least of the others; z is up."""
    every = box_turns((sides[0], sides[1], sides[2]))
    return [turn for turn in every if turn.sides[2] < _STABLE * min(turn.sides[:2])] or every


def bench_containers(seconds: float = 20.0, cases: int = 1) -> dict[str, float]:
    """Mean share of the container's volume that is filled, in 20 s; of all sets, and of the worst."""
    fills, started = [], perf_counter()
    for number, types in enumerate(TYPES):
        for case in range(cases):
            blocks = load(types, 1_000 * number + case)
            outcome = place(CONTAINER, blocks, 0, Deadline(seconds), PlacingOptions(tidy_s=0))
            inside = sum(b.litres for b in blocks if b.id not in outcome.left)
            fills.append(inside * 1e6 / (CONTAINER[0] * CONTAINER[1] * CONTAINER[2]))
    return {
        "mean_fill": round(sum(fills) / len(fills), 3),
        "least_fill": round(min(fills), 3),
        "seconds": round(perf_counter() - started, 1),
    }
