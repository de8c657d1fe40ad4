"""What no way of charging can beat: the nights of a trip as one linear program, written from docs/domain/power.md.

Time and energy flow freely here: a charger may change its outlet at any moment, packs of a type share what they hold,
and the whole trip is known at once. So what comes out is a bound: no timetable carries more days.
"""

from collections import defaultdict
from typing import Any

from ortools.linear_solver import pywraplp

from mule.analysis.power import PowerCase
from mule.analysis.power.case import DayCase
from mule.analysis.power.sources import PackCharger

# What of a bank arrives; hours in which banks give at night and by day; a car's socket; what a device takes when nobody
# rated it, and what a bank is asked for at most.
ARRIVES, BANK_H, DAY_H, CAR_W, DEVICE_W, BANK_DEVICE_W = 0.65, 8.0, 10.0, 20.0, 5.0, 20.0
EASY = 1e-6


class _Nights:
    """The program for the first days of a trip."""

    def __init__(self, case: PowerCase, days: int) -> None:
        self.case, self.sources = case, case.every_source
        self.lp = pywraplp.Solver.CreateSolver("GLOP")
        self.full: dict[str, float] = defaultdict(float)
        self.largest: dict[str, float] = defaultdict(float)
        self.pieces: dict[str, int] = defaultdict(int)
        self.inside: set[str] = set()
        self.fixed: set[str] = set()
        for kind in case.packs:
            self.full[kind.store] += kind.count * kind.full_wh
            self.largest[kind.store] = max(self.largest[kind.store], kind.full_wh)
            self.pieces[kind.store] += kind.count
            if kind.inside:
                self.inside.add(kind.store)
            if not kind.rechargeable:
                self.fixed.add(kind.store)
        self.bank_full = [kind.full_wh for kind in case.banks for _ in range(kind.count)]
        self.bank_kind = [kind for kind in case.banks for _ in range(kind.count)]
        self.level = {store: self.lp.NumVar(wh, wh, "") for store, wh in self.full.items()}
        self.bank = [self.lp.NumVar(wh, wh, "") for wh in self.bank_full]
        for day in case.days[:days]:
            self._day(day)
            self._night(day)

    def _var(self, most: float = pywraplp.Solver.infinity()) -> pywraplp.Variable:
        return self.lp.NumVar(0.0, most, "")

    def _day(self, day: DayCase) -> None:
        """What is asked is served, from packs and, in that school, from banks in the bag."""
        asked = {need.store: need.wh for need in day.needs if need.store in self.level}
        by_day = self.case.settings.power == "bank-by-day"
        given: list[list[pywraplp.Variable]] = [[] for _ in self.bank]
        for store, wh in asked.items():
            if wh <= EASY:
                continue
            topped: list[pywraplp.Variable] = []
            cold, warm = self._var(), self._var(self._warm(store))
            if by_day and self.sources.fills_by_usb(store):
                for bank in given:
                    topped.append(self._var())
                    bank.append(topped[-1])
            used = cold + warm
            outside, pocket = (1.0, 1.0) if store in self.inside else (day.outside, day.pocket)
            self.lp.Add(cold * outside + warm * pocket >= wh - EASY)
            # A bank in the bag fills each pack at most once a day.
            self.lp.Add(sum(topped) <= self.full[store])
            self.lp.Add(used <= self.level[store] + sum(topped))
            left = self._var(self.full[store])
            self.lp.Add(left == self.level[store] + sum(topped) - used)
            self.level[store] = left
        for index, tops in enumerate(given):
            if tops:
                out = self._var(self.bank_kind[index].output_w * DAY_H)
                self.lp.Add(out * ARRIVES == sum(tops))
                left = self._var(self.bank_full[index])
                self.lp.Add(left == self.bank[index] - out)
                self.bank[index] = left

    def _warm(self, store: str) -> float:
        """Most Wh that come out of a pocket: packs in cameras are in the cold, and they are used first."""
        settings, pieces = self.case.settings, self.pieces[store]
        cold = {"none": pieces, "all": 0}.get(settings.warm, self.case.in_use.get(store, pieces))
        # Filled once more by day, from a bank.
        return 2 * self.largest[store] * max(0, pieces - cold)

    def _night(self, day: DayCase) -> None:
        self.into: dict[str, list[pywraplp.Variable]] = defaultdict(list)
        self.bank_in: list[list[pywraplp.Variable]] = [[] for _ in self.bank]
        self._wall(day)
        self._car(day)
        out = self._banks() if self.case.settings.power != "packs-only" else []
        for store, filled in self.into.items():
            level = self._var(self.full[store])
            self.lp.Add(level == self.level[store] + sum(filled))
            self.level[store] = level
        for index, (old, came) in enumerate(zip(self.bank, self.bank_in, strict=True)):
            level = self._var(self.bank_full[index])
            self.lp.Add(level == old + sum(came) - (out[index] if out else 0.0))
            self.bank[index] = level

    def _bays(self, charger: PackCharger, hours: pywraplp.LinearExpr, most_h: float) -> list[pywraplp.Variable]:
        """What a charger's bays, or a camera, put into packs in so many hours; no pack lies in two bays."""
        filled = []
        bay_hours: list[pywraplp.LinearExpr] = []
        for type_ in charger.types:
            if type_ in self.level and type_ not in self.fixed:
                wh = self._var()
                rate = self.largest[type_] / charger.hours
                self.lp.Add(wh <= hours * (rate * min(max(1, charger.bays), self.pieces[type_])))
                bay_hours.append(wh * (1 / rate))
                self.into[type_].append(wh)
                filled.append(wh)
        if bay_hours:
            self.lp.Add(sum(bay_hours) <= hours * max(1, charger.bays))
            self.lp.Add(sum(bay_hours) <= most_h * max(1, charger.bays))
        return filled

    def _ports(
        self,
        ports: int,
        watts: float,
        hours: pywraplp.LinearExpr,
        most_h: float,
        usb_h: dict[int, list[Any]],
        *,
        bank: bool,
    ) -> pywraplp.LinearExpr:
        """What goes through ports that share their watts: chargers, cameras, devices, and banks from the wall."""
        busy, wh = [], []
        for index, charger in enumerate(self.sources.usb):
            on = self._var(most_h)
            usb_h[index].append(on)
            busy.append(on)
            wh += self._bays(charger, on, most_h)
        for store in self.inside:
            takes = self.sources.watts.get(store, 0.0)
            if bank and takes > BANK_DEVICE_W:
                continue
            filled = self._var((takes or DEVICE_W) * most_h * self.pieces[store])
            self.into[store].append(filled)
            busy.append(filled * (1 / (takes or DEVICE_W)))
            wh.append(filled)
        if not bank:
            for index, kind in enumerate(self.bank_kind):
                filled = self._var()
                self.bank_in[index].append(filled)
                busy.append(filled * (1 / kind.output_w))
                wh.append(filled)
        self.lp.Add(sum(busy) <= hours * ports)
        self.lp.Add(sum(wh) <= hours * watts)
        return sum(wh)

    def _wall(self, day: DayCase) -> None:
        outlets = day.outlets + self.sources.leads if day.outlets else 0
        if not outlets or day.mains_h <= 0:
            return
        used = []
        for charger in self.sources.mains:
            on = self._var(day.mains_h)
            self._bays(charger, on, day.mains_h)
            used.append(on)
        usb_h: dict[int, list[Any]] = defaultdict(list)
        for plug in self.sources.plugs:
            on = self._var(day.mains_h)
            self._ports(plug.ports, plug.watts, on, day.mains_h, usb_h, bank=False)
            used.append(on)
        self._once(usb_h, day.mains_h)
        if not self.sources.plugs:
            for store in self.inside & self.sources.watts.keys():
                filled = self._var(self.sources.watts[store] * day.mains_h * self.pieces[store])
                self.into[store].append(filled)
                used.append(filled * (1 / self.sources.watts[store]))
        if used:
            self.lp.Add(sum(used) <= outlets * day.mains_h)

    def _once(self, usb_h: dict[int, list[Any]], hours: float) -> None:
        """A charger hangs on one port at a time."""
        for on in usb_h.values():
            self.lp.Add(sum(on) <= hours)

    def _car(self, day: DayCase) -> None:
        if day.car_h <= 0:
            return
        for charger in self.sources.car:
            self._bays(charger, self._var(day.car_h), day.car_h)
        usb_h: dict[int, list[Any]] = defaultdict(list)
        self._ports(1, CAR_W, self._var(day.car_h), day.car_h, usb_h, bank=False)
        self._once(usb_h, day.car_h)

    def _banks(self) -> list[pywraplp.LinearExpr]:
        usb_h: dict[int, list[Any]] = defaultdict(list)
        out = []
        for kind in self.bank_kind:
            arrived = self._ports(kind.ports, kind.output_w, self._var(BANK_H), BANK_H, usb_h, bank=True)
            out.append(arrived * (1 / ARRIVES))
        self._once(usb_h, BANK_H)
        return out

    def possible(self) -> bool:
        return self.lp.Solve() in (pywraplp.Solver.OPTIMAL, pywraplp.Solver.FEASIBLE)


def most_days(case: PowerCase) -> int:
    """Days of a trip that any way of charging could carry."""
    days = len(case.days)
    while days and not _Nights(case, days).possible():
        days -= 1
    return days
