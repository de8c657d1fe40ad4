"""Calibrated rates: what cameras and drives really did, for the next plan to reckon with (docs/domain/lookback.md)."""

from collections.abc import Iterable, Mapping
from typing import Literal

from mule.analysis.power import cold_derating
from mule.base.units import Frozen
from mule.plan.field import Copied, Filled, Mark, Swapped
from mule.plan.gear import Battery, Body, Drive, Gear

RateKind = Literal["frames-per-charge", "mb-per-frame", "speed-mb-s"]
# A pack that was changed after a handful of frames was not empty.
_FEWEST_FRAMES = 20


class ByCold(Frozen):
    """Frames a charge gave at temperatures near one: how many packs, and their mean."""

    at_c: float
    packs: int
    frames: float


class Rate(Frozen):
    """One rate of a thing, measured. value: at 20 °C for frames per charge. before: what the plan reckoned with.

    from_: how many notes it rests on. by_cold: for frames per charge, what was seen at each ten degrees.
    """

    item: str
    what: RateKind
    value: float
    before: float | None
    from_: int
    by_cold: tuple[ByCold, ...] = ()


def rates(gear: Mapping[str, Gear], log: Iterable[Mark]) -> tuple[Rate, ...]:
    """Every rate that the log says something about."""
    swaps: dict[str, list[Swapped]] = {}
    fills: dict[str, list[Filled]] = {}
    copies: dict[str, list[Copied]] = {}
    for mark in log:
        match mark.what:
            case Swapped() as swap if swap.frames >= _FEWEST_FRAMES:
                swaps.setdefault(swap.body, []).append(swap)
            case Filled() as fill if fill.frames:
                fills.setdefault(fill.body, []).append(fill)
            case Copied() as copy:
                copies.setdefault(copy.to, []).append(copy)
    found = [_charge(gear, body, mine) for body, mine in swaps.items()]
    found += [_size(gear, body, mine) for body, mine in fills.items()]
    found += [_speed(gear, drive, mine) for drive, mine in copies.items()]
    return tuple(rate for rate in found if rate)


def _charge(gear: Mapping[str, Gear], item: str, swaps: list[Swapped]) -> Rate | None:
    """Frames of a new pack at 20 °C: what the cold kept, and what wear has taken, is put back.

    310 frames at -10 °C (0.65 usable) are 477 at 20 °C; of a pack of 80 % health, 596 of a new one. The plan takes
    both off again for each pack that comes along.
    """
    body = gear.get(item)
    if not isinstance(body, Body):
        return None
    warm = [
        swap.frames / (cold_derating(20.0 if swap.at_c is None else swap.at_c) * _health(gear, swap)) for swap in swaps
    ]
    near: dict[float, list[int]] = {}
    for swap in swaps:
        if swap.at_c is not None:
            near.setdefault(round(swap.at_c / 10) * 10.0, []).append(swap.frames)
    return Rate(
        item=item,
        what="frames-per-charge",
        value=round(sum(warm) / len(warm), 1),
        before=body.frames_per_charge,
        from_=len(swaps),
        by_cold=tuple(
            ByCold(at_c=at, packs=len(frames), frames=round(sum(frames) / len(frames), 1))
            for at, frames in sorted(near.items())
        ),
    )


def _health(gear: Mapping[str, Gear], swap: Swapped) -> float:
    """Of the pack that was changed; that of a new one where it is not known any more."""
    pack = gear.get(swap.item)
    return pack.health if isinstance(pack, Battery) and pack.health > 0 else 1.0


def _size(gear: Mapping[str, Gear], item: str, fills: list[Filled]) -> Rate | None:
    body = gear.get(item)
    if not isinstance(body, Body):
        return None
    value = 1000 * sum(f.gb for f in fills) / sum(f.frames for f in fills)
    return Rate(item=item, what="mb-per-frame", value=round(value, 2), before=body.mb_per_frame, from_=len(fills))


def _speed(gear: Mapping[str, Gear], item: str, copies: list[Copied]) -> Rate | None:
    drive = gear.get(item)
    if not isinstance(drive, Drive):
        return None
    value = 1000 * sum(c.gb for c in copies) / (3600 * sum(c.hours for c in copies))
    return Rate(item=item, what="speed-mb-s", value=round(value, 1), before=drive.speed_mb_s, from_=len(copies))
