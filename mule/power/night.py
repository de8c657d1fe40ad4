"""The night's charging: bays and ports as they fall free, on outlets that chargers and plugs queue for (domain 4)."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from heapq import heappop, heappush

from mule.power.answer import TINY_WH, Charge
from mule.power.packs import Bank, Pack
from mule.power.sockets import Filler, Means, Wall
from mule.trip import Night, Stamina

# A night without mains still has this many hours for a bank to work (estimate).
BANK_NIGHT_H = 8.0
_TINY_H = 1e-9


@dataclass
class _Unit:
    """What stands on one outlet: a charger's bays, or a plug's ports. source: how the timetable names it."""

    source: str
    filler: Filler | None = None
    wall: Wall | None = None
    device: Pack | None = None
    bank: Bank | None = None
    socket: int = 0
    busy: int = 0
    ended_h: float = 0.0


@dataclass(order=True)
class _Slot:
    """A bay or port that is free from ``at_h`` on."""

    at_h: float
    turn: int
    unit: _Unit = field(compare=False)
    filler: Filler | None = field(compare=False, default=None)


class NightRun:
    """One night's run over packs and banks."""

    def __init__(self, packs: Sequence[Pack], banks: Sequence[Bank], means: Means, settings: Stamina) -> None:
        self._means, self._settings = means, settings
        able = [p for p in packs if p.rechargeable and p.missing > TINY_WH]
        # Nearly full ones first: they are ready soonest.
        able.sort(key=lambda p: (p.missing / p.full, p.item, p.number))
        self._packs = [p for p in able if not p.inside]
        self._devices = sorted((p for p in able if p.inside), key=lambda p: (means.watts.get(p.item, 0.0), p.id))
        self._banks = [b for b in banks if b.full - b.left > TINY_WH]
        self.charges: list[Charge] = []
        self._turn = 0
        self._slots: list[_Slot] = []
        self._end_h = 0.0

    def mains(self, night: Night) -> None:
        """Hours of mains: outlets serve what is plugged in, one after the other where there are too few."""
        outlets = night.outlets + self._means.leads if night.outlets else 0
        self._run(self._queue(), outlets, night.mains_h)

    def car(self, hours: float) -> None:
        """Hours of a car or boat: its socket, and one port."""
        units = [_Unit(f.by, filler=f) for f in self._means.car]
        units.append(_Unit("car", wall=Wall("car", 1, 20.0)))
        self._run(units, len(units), hours)

    def banks(self, banks: Sequence[Bank]) -> None:
        """A night in which only banks give."""
        self._banks = []
        self._devices = [p for p in self._devices if self._means.watts.get(p.item, 0.0) <= 20.0]
        units = [_Unit(b.id, wall=Wall(b.item, b.ports, b.output_w), bank=b) for b in banks if b.left > TINY_WH]
        self._run(units, len(units), BANK_NIGHT_H)

    def _queue(self) -> list[_Unit]:
        chargers = [_Unit(f.by, filler=f) for f in self._means.mains]
        plugs = [_Unit(w.item, wall=w) for w in self._means.walls]
        # Without a wall plug in the kit, computers are taken to have leads of their own.
        own = [] if plugs else [_Unit(d.item, device=d) for d in reversed(self._devices) if d.item in self._means.watts]
        return [*own, *plugs, *chargers] if self._settings.first == "computers" else [*chargers, *plugs, *own]

    def _run(self, waiting: list[_Unit], outlets: int, hours: float) -> None:
        if hours <= 0 or outlets <= 0:
            return
        self._end_h, self._slots = hours, []
        self._usb = list(self._means.usb)
        # When each camera can take up its next pack.
        self._camera_h = dict.fromkeys(map(id, self._usb), 0.0)
        for socket in range(min(outlets, len(waiting))):
            self._start(waiting.pop(0), socket + 1, 0.0)
        while self._slots:
            slot = heappop(self._slots)
            unit = slot.unit
            if slot.at_h < hours - _TINY_H and self._fill(slot):
                continue
            unit.busy -= 1
            unit.ended_h = max(unit.ended_h, slot.at_h)
            if slot.filler and unit.wall:
                self._release(slot)
            if not unit.busy and waiting and unit.ended_h < hours - _TINY_H:
                self._start(waiting.pop(0), unit.socket, unit.ended_h)

    def _start(self, unit: _Unit, socket: int, at_h: float) -> None:
        unit.socket = socket
        for _ in range(unit.filler.bays if unit.filler else unit.wall.ports if unit.wall else 1):
            self._free(unit, at_h, unit.filler)

    def _free(self, unit: _Unit, at_h: float, filler: Filler | None) -> None:
        self._turn += 1
        unit.busy += 1
        heappush(self._slots, _Slot(at_h, self._turn, unit, filler))

    def _release(self, slot: _Slot) -> None:
        """A charger's last bay on a port is done: the port serves something else."""
        assert slot.filler is not None
        if not any(s.filler is slot.filler and s.unit is slot.unit for s in self._slots):
            self._free(slot.unit, slot.at_h, None)

    def _fill(self, slot: _Slot) -> bool:
        """Puts the next thing on a free bay or port; False when there is nothing for it."""
        unit = slot.unit
        if slot.filler:
            pack = self._next_pack(slot.filler.types)
            return pack is not None and self._charge(
                slot, pack, slot.filler.by, pack.missing / pack.full * slot.filler.hours
            )
        if unit.device:
            device, unit.device = unit.device, None
            return self._charge(slot, device, device.item, device.missing / self._means.watts[device.item])
        if unit.wall is None:
            return False
        jobs: list[Callable[[_Slot], bool]] = [self._usb_filler, self._device, self._bank]
        if self._settings.first == "computers":
            jobs = [self._device, self._usb_filler, self._bank]
        return any(job(slot) for job in jobs)

    def _next_pack(self, types: Sequence[str]) -> Pack | None:
        for index, pack in enumerate(self._packs):
            if pack.store in types:
                return self._packs.pop(index)
        return None

    def _usb_filler(self, slot: _Slot) -> bool:
        """A charger with bays takes the port; a camera takes it for the pack inside."""
        for index, filler in enumerate(self._usb):
            if not any(p.store in filler.types for p in self._packs):
                continue
            if filler.bays:
                del self._usb[index]
                slot.unit.busy -= 1
                for _ in range(filler.bays):
                    self._free(slot.unit, slot.at_h, filler)
                return True
            if self._camera_h[id(filler)] > slot.at_h:
                continue
            pack = self._next_pack(filler.types)
            assert pack is not None
            hours = pack.missing / pack.full * filler.hours
            self._camera_h[id(filler)] = slot.at_h + hours
            return self._charge(slot, pack, filler.by, hours)
        return False

    def _device(self, slot: _Slot) -> bool:
        if not self._devices:
            return False
        assert slot.unit.wall is not None
        device = self._devices.pop(0)
        watts = min(self._means.watts.get(device.item, 5.0), slot.unit.wall.watts)
        return self._charge(slot, device, device.item, device.missing / watts)

    def _bank(self, slot: _Slot) -> bool:
        if not self._banks:
            return False
        assert slot.unit.wall is not None
        bank = self._banks.pop(0)
        missing = bank.full - bank.left
        hours = missing / min(bank.output_w, slot.unit.wall.watts)
        until = min(self._end_h, slot.at_h + hours)
        share = (until - slot.at_h) / hours
        bank.left += missing * share
        bank.charged += missing * share
        self._note(slot, bank.item, bank.id, until, missing * share)
        return True

    def _charge(self, slot: _Slot, pack: Pack, by: str, hours: float) -> bool:
        """Charges a pack for as long as it takes and there is time, or the bank behind it gives."""
        until = min(self._end_h, slot.at_h + hours)
        wh = pack.missing if until == slot.at_h + hours else pack.missing * (until - slot.at_h) / hours
        if slot.unit.bank:
            given = slot.unit.bank.give(wh)
            if given <= TINY_WH:
                (self._devices if pack.inside else self._packs).insert(0, pack)
                return False
            until = slot.at_h + (until - slot.at_h) * given / wh
            wh = given
        pack.left = pack.full if wh == pack.missing else pack.left + wh
        pack.charged += wh
        if slot.unit.bank and slot.unit.bank.left <= TINY_WH and pack.missing > TINY_WH:
            # This bank is empty; the next one may go on.
            (self._devices if pack.inside else self._packs).insert(0, pack)
        self._note(slot, by, pack.id, until, wh)
        return True

    def _note(self, slot: _Slot, by: str, pack: str, until_h: float, wh: float) -> None:
        unit = slot.unit
        self.charges.append(
            Charge(source=unit.source, socket=unit.socket, by=by, pack=pack, from_h=slot.at_h, to_h=until_h, wh=wh)
        )
        heappush(self._slots, _Slot(until_h, slot.turn, unit, slot.filler))
