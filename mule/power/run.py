"""Packs and banks while the days go by: use, top-ups by day, and the night."""

from collections.abc import Mapping, Sequence

from mule.gear import Body, Drone, Gear
from mule.power.answer import TINY_WH, BankDay, Eater, PackDay, PowerDay, TypeDay
from mule.power.cold import usable
from mule.power.demand import Ask, asks, nominal_wh
from mule.power.night import NightRun
from mule.power.packs import Bank, Pack, banks_of, packs_of, turns
from mule.power.sockets import means
from mule.trip import BodyDay, Day, Trip

# Hours of light and of waiting in which a bank in the bag fills packs (estimate).
DAY_H = 10.0


class Run:
    """Packs and banks while the days go by."""

    def __init__(self, gear: Mapping[str, Gear], counts: Mapping[str, int], trip: Trip, extra: float) -> None:
        self._gear, self._counts, self._trip, self._extra = gear, counts, trip, extra
        self._settings = trip.stamina
        self._whole = nominal_wh(gear.values())
        self._asked: dict[tuple[str | None, tuple[BodyDay, ...]], list[Ask]] = {}
        self.packs = packs_of(gear, counts)
        self.means = means(gear, counts, trip.mains)
        self._means = self.means.of(self._settings.power)
        self._banks = banks_of(gear, counts)
        self._stores: dict[str, list[Pack]] = {}
        for pack in self.packs:
            self._stores.setdefault(pack.store, []).append(pack)
        # As many packs of a type are in cameras, and so in the cold, as there are cameras for it.
        self._in_use: dict[str, int] = {}
        for item, count in counts.items():
            thing = gear[item]
            if isinstance(thing, Body | Drone) and thing.battery_type:
                self._in_use[thing.battery_type] = self._in_use.get(thing.battery_type, 0) + count

    def live(self, day: Day) -> tuple[list[TypeDay], list[float], NightRun]:
        """One day and the night after it: what each type did, what was left in the evening, and the night."""
        for pack in self.packs:
            pack.dawn()
        for bank in self._banks:
            bank.dawn()
        celsius = day.lowest_c + self._settings.warmer_c
        shares = usable(celsius), usable(celsius, warm=True)
        asked: dict[str, list[Eater]] = {}
        for store, eater in self._asks(day):
            asked.setdefault(store, []).append(eater)
        types = [self._use(store, eaters, shares) for store, eaters in asked.items()]
        evening = [pack.left for pack in self.packs]
        night = self._trip.night(day)
        run = NightRun(self.packs, self._banks, self._means, self._settings)
        run.mains(night)
        run.car(night.car_h)
        if not night.mains_h * night.outlets and self._settings.power != "packs-only":
            run.banks(self._banks)
        return types, evening, run

    def _asks(self, day: Day) -> list[Ask]:
        """What a day asks; days of one sort ask the same."""
        key = day.pattern, day.bodies
        if key not in self._asked:
            self._asked[key] = asks(self._gear, self._counts, self._trip, day, self._whole)
        return self._asked[key]

    def told(self, day: Day) -> PowerDay:
        """One day, written down."""
        types, evening, run = self.live(day)
        night = self._trip.night(day)
        celsius = day.lowest_c + self._settings.warmer_c
        return PowerDay(
            date=day.date,
            lowest_c=celsius,
            usable_cold=usable(celsius),
            usable_warm=usable(celsius, warm=True),
            night_h=night.mains_h if night.outlets else 0.0,
            outlets=night.outlets,
            types=tuple(types),
            packs=tuple(_pack_day(pack, left) for pack, left in zip(self.packs, evening, strict=True)),
            banks=tuple(_bank_day(bank) for bank in self._banks),
            charges=tuple(run.charges),
        )

    def _use(self, store: str, eaters: Sequence[Eater], shares: tuple[float, float]) -> TypeDay:
        """A day of one type: packs in turn, then what a bank in the bag puts back."""
        packs = turns(self._stores.get(store, ()))
        need = sum(eater.wh for eater in eaters) * (1 + self._extra)
        cold = {"none": len(packs), "all": 0}.get(self._settings.warm, self._in_use.get(store, len(packs)))
        part = []
        for turn, pack in enumerate(packs):
            pack.warm = pack.inside or turn >= cold
            part.append(1.0 if pack.inside else shares[1] if pack.warm else shares[0])
        ready = sum(pack.left * share for pack, share in zip(packs, part, strict=True))
        left = need
        for turn, (pack, share) in enumerate(zip(packs, part, strict=True)):
            if left <= TINY_WH:
                break
            if pack.left > TINY_WH:
                left -= pack.draw(left, share)
                pack.order = turn + 1
        if left > TINY_WH and self._settings.power == "bank-by-day" and self._means.fills(store):
            left -= self._top_up(store, packs, part, left)
        return TypeDay(
            type=store,
            need_wh=need,
            got_wh=need if left <= TINY_WH else need - left,
            ready_wh=ready,
            margin=ready / need - 1 if need > 0 else None,
            bare=not packs and store not in self._in_use,
            eaters=tuple(eaters),
        )

    def _top_up(self, store: str, packs: Sequence[Pack], part: Sequence[float], left: float) -> float:
        """A bank in the bag fills spent packs by day, as fast as bays and cameras allow. Returns what came to use."""
        hours = [f.hours for f in self._means.usb if store in f.types for _ in range(max(1, f.bays))]
        out = 0.0
        for pack, share in zip(packs, part, strict=True):
            if not pack.rechargeable or not hours:
                break
            most = min(pack.full, pack.full * DAY_H * sum(1 / h for h in hours) / max(1, len(packs)))
            for bank in self._banks:
                wanted = min((left - out) / share, most - pack.topped)
                if wanted <= TINY_WH:
                    break
                given = bank.give(min(wanted, pack.missing))
                pack.left += given
                pack.topped += given
                out += pack.draw(left - out, share)
            if left - out <= TINY_WH:
                break
        return out


def _pack_day(pack: Pack, evening_wh: float) -> PackDay:
    return PackDay(
        pack=pack.id,
        item=pack.item,
        number=pack.number,
        full_wh=pack.full,
        start_wh=pack.start,
        drawn_wh=pack.drawn,
        cold_wh=pack.cold,
        topped_up_wh=pack.topped,
        evening_wh=evening_wh,
        charged_wh=pack.charged,
        warm=pack.warm,
        order=pack.order,
    )


def _bank_day(bank: Bank) -> BankDay:
    return BankDay(
        pack=bank.id,
        item=bank.item,
        start_wh=bank.start,
        given_wh=bank.given,
        lost_wh=bank.lost,
        charged_wh=bank.charged,
    )
