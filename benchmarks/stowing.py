"""Placing: boxes that are known to fit, cut out of one space, and the demo's fullest kit."""

import random
import sys
from pathlib import Path
from statistics import median
from time import perf_counter

from py3dbp import Bin, Item, Packer

from mule.base.deadline import Deadline
from mule.packing import Block, PlacingOptions, Stowage, stow
from mule.packing.construct import Constructor
from mule.packing.orientations import Sides, box_turns
from mule.packing.placing import place
from mule.plan import read

# A large padded insert, in mm.
SPACE: Sides = (390, 250, 145)
INSTANCES = 40
# No piece is cut thinner.
_THINNEST_MM = 8


def cut(count: int, fill: float, seed: int) -> list[Sides]:
    """``count`` boxes that fit: SPACE cut by random guillotine cuts, each piece shrunk until all fill ``fill`` of it,
    then turned and shuffled."""
    chance = random.Random(seed)
    pieces = [SPACE]
    while len(pieces) < count:
        piece = pieces.pop(chance.choices(range(len(pieces)), [a * b * c for a, b, c in pieces])[0])
        axis = chance.choices(range(3), piece)[0]
        at = round(piece[axis] * chance.uniform(0.25, 0.75))
        if min(at, piece[axis] - at) < _THINNEST_MM:
            pieces.append(piece)
            continue
        for side in (at, piece[axis] - at):
            x, y, z = (side if k == axis else piece[k] for k in range(3))
            pieces.append((x, y, z))
    made = []
    for piece, shrink in zip(pieces, _shrinks(pieces, fill, chance), strict=True):
        sides = [max(1, int(side * share)) for side, share in zip(piece, shrink, strict=True)]
        chance.shuffle(sides)
        made.append((sides[0], sides[1], sides[2]))
    chance.shuffle(made)
    return made


def _shrinks(pieces: list[Sides], fill: float, chance: random.Random) -> list[tuple[float, ...]]:
    """A share for each side of each piece, some more and some less, so that the volumes come to ``fill``."""
    wills = [tuple(chance.random() for _ in range(3)) for _ in pieces]
    whole = SPACE[0] * SPACE[1] * SPACE[2]
    low, high = 0.0, 1.0
    for _ in range(50):
        most = (low + high) / 2
        volume = sum(
            a * (1 - most * u) * b * (1 - most * v) * c * (1 - most * w)
            for (a, b, c), (u, v, w) in zip(pieces, wills, strict=True)
        )
        low, high = (most, high) if volume > fill * whole else (low, most)
    return [tuple(1 - high * will for will in wants) for wants in wills]


def _blocks(boxes: list[Sides]) -> list[Block]:
    return [
        Block(f"b{i}", (f"b{i}",), 1, box_turns(sides), mass_g=100, fragile=False, padded=False)
        for i, sides in enumerate(boxes)
    ]


def _bench(count: int, fill: float, seconds: float) -> dict[str, float]:
    solved, plain, taken = 0, 0, []
    for seed in range(INSTANCES):
        boxes = cut(count, fill, seed)
        start = perf_counter()
        outcome = place(SPACE, _blocks(boxes), 0, Deadline(seconds), PlacingOptions(tidy_s=0, whole=1.0))
        taken.append(perf_counter() - start)
        solved += not outcome.left
        plain += _plainly(boxes)
    return {
        "solved_share": solved / INSTANCES,
        "median_s": round(median(taken), 2),
        "py3dbp_share": plain / INSTANCES,
    }


def _plainly(boxes: list[Sides]) -> bool:
    """Whether a common packer that puts one box after the other finds a place for all."""
    packer = Packer()
    packer.add_bin(Bin("space", *SPACE, 1e9))
    for index, sides in enumerate(boxes):
        packer.add_item(Item(f"b{index}", *sides, 1))
    packer.pack()
    return not packer.bins[0].unfitted_items


def bench_stow_12() -> dict[str, float]:
    """12 boxes, 90 % full."""
    return _bench(12, 0.9, 5)


def bench_stow_24() -> dict[str, float]:
    """24 boxes, 80 % full."""
    return _bench(24, 0.8, 5)


def bench_stow_16() -> dict[str, float]:
    """16 boxes, 90 % full."""
    return _bench(16, 0.9, 5)


def bench_stow_40() -> dict[str, float]:
    """40 boxes, 80 % full."""
    return _bench(40, 0.8, 8)


def _placed(count: int, fill: float, seconds: float) -> dict[str, float]:
    """Share of the volume that finds a place, of boxes that are known to fit; the least of all cases, and the first
    answer's seconds."""
    shares, first = [], []
    for seed in range(100, 100 + INSTANCES // 4):
        blocks = _blocks(cut(count, fill, seed))
        start = perf_counter()
        Constructor(SPACE, blocks, 0).start(Deadline(0))
        first.append(perf_counter() - start)
        outcome = place(SPACE, blocks, 0, Deadline(seconds), PlacingOptions(tidy_s=0, whole=1.0))
        over = sum(b.litres for b in blocks if b.id in outcome.left)
        shares.append(1 - over / sum(b.litres for b in blocks))
    return {
        "placed_volume": round(sum(shares) / len(shares), 3),
        "least_placed": round(min(shares), 3),
        "first_s": round(max(first), 2),
    }


def bench_stow_60_80() -> dict[str, float]:
    """60 different boxes, 80 % full, in 5 s."""
    return _placed(60, 0.8, 5)


def bench_stow_100_50() -> dict[str, float]:
    """100 different boxes, half full, in 5 s."""
    return _placed(100, 0.5, 5)


def bench_stow_24_90() -> dict[str, float]:
    """24 boxes, 90 % full, in 8 s."""
    return _bench(24, 0.9, 8)


def bench_stow() -> dict[str, float]:
    """The kit of the demo with most in it: three bags with an insert, eight compartments, dividers."""
    plan = read(Path("demo/lofoten.plan.json").read_bytes())
    kit = next(k for k in plan.kits if k.id == "b")
    found: list[float] = []
    start = perf_counter()

    def seen(stowage: Stowage) -> None:
        if stowage.placed:
            found.append(perf_counter() - start)

    answer = stow(plan.items, kit, news=seen)
    seconds = perf_counter() - start
    if answer.left or not answer.checked:
        print(f"not all stowed: {answer.left}", file=sys.stderr)
    return {"seconds": round(seconds, 2), "first_s": round(found[0], 2), "left": len(answer.left)}
