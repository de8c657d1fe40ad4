"""Packs and banks while the days go by: use, top-ups by day, and the night."""

from collections.abc import Callable, Sequence
from functools import partial
from typing import TypeVar

from mule.analysis.power.answer import TINY_WH, BankDay, PackDay, PowerDay, TypeDay
from mule.analysis.power.case import DayCase, PowerCase, TypeDemand
from mule.analysis.power.night import NightRun, Shortfall
from mule.analysis.power.packs import BANK_YIELD, Bank, Pack, in_order_of_use
from mule.analysis.power.plugged import Reach, plugged_in
from mule.analysis.power.sources import ChargingSources

T = TypeVar("T")

# Hours of light and of waiting in which a bank in the bag fills packs (estimate).
DAY_H = 10.0
# A night looks no further ahead: what is so far off, other nights come before.
_AHEAD = 7


class Run:
    """Packs and banks while the days go by."""

    def __init__(self, case: PowerCase, extra: float = 0.0, sources: ChargingSources | None = None) -> None:
        """extra: more demand than the days ask, as a share (a margin of 0.25). sources: what is plugged in at night;
        when none are given, those that carry furthest.
        """
        self._case, self._more = case, 1 + extra
        self._settings = case.settings
        self.packs = [Pack(kind, n + 1) for kind in case.packs for n in range(kind.count)]
        self._banks = [Bank(kind, n + 1) for kind in case.banks for n in range(kind.count)]
        self._sources = sources or plugged(case, extra)
        # Days that are over: the nights after them look ahead.
        self._lived = 0
        self._stores: dict[str, list[Pack]] = {}
        for pack in self.packs:
            self._stores.setdefault(pack.store, []).append(pack)

    def live(self, day: DayCase) -> list[TypeDay]:
        """The hours of one day: what each type did. What is left then is in the packs."""
        if self._settings.mornings == "full":
            for pack in self.packs:
                pack.left = pack.full
            for bank in self._banks:
                bank.left = bank.full
        for pack in self.packs:
            pack.dawn()
        for bank in self._banks:
            bank.dawn()
        return [self._use(need, day) for need in day.needs]

    def in_vain(self, day: DayCase, uses: Sequence[TypeDay]) -> bool:
        """Whether all that was short on the day just lived had been so with full packs, too: then no charging helps."""
        if self._settings.power == "bank-by-day":
            # What is in the banks comes to use by day, too.
            return False
        short = [use for use in uses if use.short and not use.bare]
        return all(
            use.type not in self._case.fed and self._most(use.type, day) < use.need_wh - TINY_WH for use in short
        )

    def _most(self, store: str, day: DayCase) -> float:
        """What packs of a type give at the most on the day just lived, full, and the largest where it is warm."""
        packs = self._stores[store]
        full = sorted(pack.full for pack in packs)
        shares = sorted(pack.share(day.outside, day.pocket) for pack in packs)
        return sum(wh * share for wh, share in zip(full, shares, strict=True))

    def sleep(self, day: DayCase) -> NightRun:
        """The night after a day."""
        self._lived += 1
        # Where all is full, nothing is urgent.
        urgent = {}
        for pack in self.packs:
            if pack.full - pack.left > TINY_WH:
                urgent = self._urgent()
                break
        self._shine()
        night = NightRun(self.packs, self._banks, self._sources, self._settings, urgent)
        night.mains(day.mains_h, day.outlets)
        night.car(day.car_h)
        # Who charges no packs has a bank for the phone: nothing in that school puts a pack on it.
        if self._banks:
            night.from_banks(self._banks)
        return night

    def _shine(self) -> None:
        """What panels gave by day, into the banks that have room."""
        wh = self._case.sun_w * DAY_H
        for bank in self._banks if wh else ():
            more = min(wh, bank.full - bank.left)
            bank.left += more
            bank.charged += more
            wh -= more

    def _urgent(self) -> dict[str, Shortfall]:
        """When what each type holds this evening is not enough, cold taken off, and by how much; those in sight
        only."""
        holds = {store: sum(p.left for p in packs) for store, packs in self._stores.items()}
        found: dict[str, Shortfall] = {}
        for ahead, day in enumerate(self._case.days[self._lived :]):
            for need in day.needs:
                if need.store in holds and need.store not in found:
                    share = self._stores[need.store][0].share(day.outside, day.outside)
                    holds[need.store] -= need.wh * self._more / share
                    if holds[need.store] < -TINY_WH:
                        found[need.store] = Shortfall(ahead, -holds[need.store])
            if len(found) == len(holds) or ahead >= _AHEAD:
                break
        return found

    def write(self, day: DayCase, uses: Sequence[TypeDay]) -> PowerDay:
        """A day that was lived through, and the night after it, written down."""
        evening = [pack.left for pack in self.packs]
        night = self.sleep(day)
        return PowerDay(
            date=day.date,
            lowest_c=day.celsius,
            usable_cold=day.outside,
            usable_warm=day.pocket,
            night_h=day.mains_h if day.outlets else 0.0,
            outlets=day.outlets,
            types=tuple(uses),
            packs=tuple(_pack_day(pack, left) for pack, left in zip(self.packs, evening, strict=True)),
            banks=tuple(map(_bank_day, self._banks)),
            charges=tuple(night.charges),
        )

    def _use(self, need: TypeDemand, day: DayCase) -> TypeDay:
        """A day of one type: packs in turn, then what a bank in the bag puts back; or of a thing that a bank feeds."""
        if need.store in self._case.fed:
            return self._feed(need)
        packs = in_order_of_use(self._stores.get(need.store, ()))
        # As many packs of a type are in cameras, and so in the cold, as there are cameras for it.
        in_use = self._case.in_use.get(need.store)
        settings = self._settings
        cold = {"none": len(packs), "all": 0}.get(settings.warm, len(packs) if in_use is None else in_use)
        part = []
        left = asked = need.wh * self._more
        ready = 0.0
        for turn, pack in enumerate(packs):
            pack.warm = not pack.exposed and (pack.inside or turn >= cold)
            share = pack.share(day.outside, day.pocket)
            part.append(share)
            ready += pack.left * share
            if left > TINY_WH and pack.left > TINY_WH:
                left -= pack.draw(left, share)
                pack.order = turn + 1
        if left > TINY_WH and settings.power == "bank-by-day" and self._sources.fills_by_usb(need.store):
            left -= self._top_up(need.store, packs, part, left)
        got = asked if left <= TINY_WH else asked - left
        # Of a type of which none is loaded there is nothing to spare, and nothing short: a link is missing.
        margin = ready / asked - 1 if asked > 0 and packs else None
        return TypeDay(need.store, asked, got, ready, margin, not packs, need.loads)

    def _feed(self, need: TypeDemand) -> TypeDay:
        """A day of something that hangs on a bank."""
        asked = left = need.wh * self._more
        ready = sum(bank.left for bank in self._banks) * BANK_YIELD
        for bank in self._banks:
            left -= bank.give(left)
        margin = ready / asked - 1 if asked > 0 and self._banks else None
        return TypeDay(need.store, asked, asked - max(0.0, left), ready, margin, not self._banks, need.loads)

    def _top_up(self, store: str, packs: Sequence[Pack], part: Sequence[float], left: float) -> float:
        """A bank in the bag fills spent packs by day, as fast as bays and cameras allow. Returns what came to use."""
        hours = [c.hours for c in self._sources.usb if store in c.types for _ in range(max(1, c.bays))]
        pace = DAY_H * sum(1 / h for h in hours) / max(1, len(packs))
        out = 0.0
        for pack, share in zip(packs, part, strict=True):
            if not pack.rechargeable or not hours:
                break
            most = min(pack.full, pack.full * pace)
            for bank in self._banks:
                # A bank gives no faster than it is rated.
                rated = bank.output_w * DAY_H - (bank.given - bank.lost)
                wanted = min((left - out) / share, most - pack.topped, rated)
                if wanted <= TINY_WH:
                    break
                given = bank.give(min(wanted, pack.missing))
                pack.left += given
                pack.topped += given
                out += pack.draw(left - out, share)
            if left - out <= TINY_WH:
                break
        return out


def plugged(case: PowerCase, extra: float) -> ChargingSources:
    """What is plugged in at night when so much more is asked: what carries furthest. Found once for a case."""
    if extra not in case.plugged:
        case.plugged[extra] = plugged_in(case, partial(_reach, case, extra))
    return case.plugged[extra]


def lived_through(case: PowerCase, extra: float, live: Callable[[Run], T], carries: Callable[[T], bool]) -> T:
    """What a run comes to. With everything plugged in first: only where that does not carry is there a choice to make.

    live: goes through all days. carries: whether what it came to has no short day.
    """
    if extra in case.plugged:
        return live(Run(case, extra))
    every = case.every_source
    made = live(Run(case, extra, every))
    if carries(made):
        case.plugged[extra] = every
        return made
    return made if plugged(case, extra) == every else live(Run(case, extra))


def _reach(case: PowerCase, extra: float, sources: ChargingSources) -> Reach:
    """How far the kit gets with these sources plugged in."""
    run = Run(case, extra, sources)
    for index, day in enumerate(case.days):
        uses = run.live(day)
        if any(use.short and not use.bare for use in uses):
            own = {pack.store for pack in run.packs if pack.inside}
            first = [use for use in uses if (use.type in own) == (case.settings.first == "computers")]
            return Reach(
                index, sum(u.got_wh for u in first), sum(u.got_wh for u in uses), in_vain=run.in_vain(day, uses)
            )
        run.sleep(day)
    return Reach(len(case.days), 0.0, 0.0)


def _pack_day(pack: Pack, evening_wh: float) -> PackDay:
    # By place: a trip has a thousand of these, and names cost a third more.
    return PackDay(
        pack.id,
        pack.full,
        pack.start,
        pack.drawn,
        pack.cold,
        pack.topped,
        evening_wh,
        pack.charged,
        pack.warm,
        pack.order,
    )


def _bank_day(bank: Bank) -> BankDay:
    return BankDay(
        pack=bank.id,
        start_wh=bank.start,
        given_wh=bank.given,
        lost_wh=bank.lost,
        charged_wh=bank.charged,
    )
