"""Pictures: do the cards last, and what would be gone with what? The front door is ``store`` (docs/domain/pictures)."""

from collections.abc import Mapping, Sequence

from mule.analysis.storage.answer import CardsOf, CardUse, Copy, Gone, Made, Storage, StorageDay
from mule.analysis.storage.chain import FREE_SHARE, Target
from mule.analysis.storage.losses import Whereabouts
from mule.analysis.storage.run import GB_PER_MBIT_H, MB_PER_MP, UNCOMPRESSED, StorageRun, written_mb
from mule.analysis.storage.writing import TINY_GB
from mule.plan.gear import Body, Card, Gear
from mule.plan.trip import Demand, Trip


def store(
    gear: Mapping[str, Gear],
    counts: Mapping[str, int],
    trip: Trip,
    demands: Sequence[Sequence[tuple[str, Demand]]],
    where: Whereabouts,
) -> Storage:
    """Cards, copies and losses, day by day.

    counts: pieces loaded by item. demands: per day, what each camera does, pace included.

    gear: by id. where: the piece of luggage that each piece travels in.

    >>> from tests import cast
    >>> made = store({}, {}, cast.trip(), [[]], Whereabouts({}))
    >>> made.short_on, [day.date.day for day in made.days]
    (None, [20])
    """
    run = StorageRun(gear, counts, trip, where, endless=False)
    days = tuple(run.day(index, asked) for index, asked in enumerate(demands))
    things = [gear[i] for i in counts]
    types = dict.fromkeys(t.card_type for t in things if isinstance(t, Card))
    endless = run
    if run.writing.missed:
        endless = StorageRun(gear, counts, trip, where, endless=True)
        for index, asked in enumerate(demands):
            endless.live(index, asked)
    slots = dict.fromkeys(slot.card_type for t in things if isinstance(t, Body) for slot in t.slots)
    return Storage(
        days=days,
        types=tuple(_cards_of(type_, run, endless, days) for type_ in dict.fromkeys((*slots, *types))),
        gone=run.losses.told([day.date for day in days]),
        asked_copies=trip.copies,
        days_carried=next((i for i, day in enumerate(days) if day.lost_gb > TINY_GB), len(days)),
        drive_gb=sum(day.gb for day in days),
        unread=tuple(type_ for type_ in types if type_ not in run.ways),
        one_slot=tuple(dict.fromkeys(c.body.id for c in run.cameras if c.mode == "mirror" and len(c.body.slots) < 2)),
        one_card=tuple(run.writing.once),
        together=run.losses.together,
    )


def falls_short(
    gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, demands: Sequence[Sequence[tuple[str, Demand]]]
) -> tuple[bool, bool]:
    """Whether cards run out on some day, and whether some night ends with too few copies, all being in one bag.

    gear: by id. counts, demands: as for ``store``.
    """
    run = StorageRun(gear, counts, trip, Whereabouts({}), endless=False, losses=False)
    full = short = False
    for index, asked in enumerate(demands):
        day = run.live(index, asked)
        full = full or day.lost_gb > TINY_GB
        short = short or any(chunk.copies < trip.copies for chunk in day.fresh)
    return full, short


def _cards_of(type_: str, run: StorageRun, endless: StorageRun, days: Sequence[StorageDay]) -> CardsOf:
    mine = {c.body.id for c in run.cameras if any(s.card_type == type_ for s in c.body.slots)}
    return CardsOf(
        type=type_,
        loaded=sum(c.type == type_ for c in run.writing.cards.values()),
        needed=sum(c.type == type_ and c.used_once for c in endless.writing.cards.values()),
        full_on=next((d.date for d in days if d.lost_gb > TINY_GB and any(m.body in mine for m in d.made)), None),
    )


__all__ = [
    "FREE_SHARE",
    "GB_PER_MBIT_H",
    "MB_PER_MP",
    "UNCOMPRESSED",
    "CardUse",
    "CardsOf",
    "Copy",
    "Gone",
    "Made",
    "Storage",
    "StorageDay",
    "Target",
    "Whereabouts",
    "falls_short",
    "store",
    "written_mb",
]
