"""The night's charging: bays and ports as they fall free, on outlets that chargers and plugs queue for.

What stands on an outlet is one of three: a charger with its bays, a plug with its ports (or a bank, which is a plug
that runs empty), or a device with a lead of its own. Source: docs/domain/power.md#night.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from heapq import heappop, heappush
from typing import NamedTuple

from mule.power.answer import TINY_WH, Charge
from mule.power.packs import Bank, Pack
from mule.power.sources import ChargingSources, PackCharger
from mule.trip import Stamina

# A night without mains still has this many hours for a bank to work (estimate).
BANK_NIGHT_H = 8.0
# What a car's or boat's socket gives (estimate), and what a bank is asked for at most.
_CAR_W = 20.0
_BANK_DEVICE_W = 20.0
# A device that nobody rated.
_DEVICE_W = 5.0
_TINY_H = 1e-9


@dataclass(eq=False)
class _Charger:
    """A charger's bays on an outlet. source: how the timetable names it; busy: bays or ports that are at work."""

    source: str
    charger: PackCharger
    socket: int = 0
    busy: int = 0
    ended_h: float = 0.0

    @property
    def places(self) -> int:
        return self.charger.bays


@dataclass(eq=False)
class _Plug:
    """Ports on an outlet. bank: what is behind them, when that is no wall."""

    source: str
    places: int
    watts: float
    bank: Bank | None = None
    socket: int = 0
    busy: int = 0
    ended_h: float = 0.0


@dataclass(eq=False)
class _Device:
    """A device on an outlet with a lead of its own."""

    source: str
    device: Pack | None
    socket: int = 0
    busy: int = 0
    ended_h: float = 0.0
    places: int = 1


_OnOutlet = _Charger | _Plug | _Device


class _Slot(NamedTuple):
    """A bay or port that is free from ``at_h`` on. turn: single among the slots, so that no two compare further.

    charger: what hangs on it, a charger's own bay or one on a port of a plug; None for a bare port.
    """

    at_h: float
    turn: int
    on: _OnOutlet
    charger: PackCharger | None


class NightRun:
    """One night's run over packs and banks; changes what they hold, and writes down each stretch of charging."""

    def __init__(
        self, packs: Sequence[Pack], banks: Sequence[Bank], sources: ChargingSources, settings: Stamina
    ) -> None:
        self._sources = sources
        self._computers_first = settings.first == "computers"
        able = [p for p in packs if p.rechargeable and p.full - p.left > TINY_WH]
        # Nearly full ones first: they are ready soonest.
        able.sort(key=lambda p: ((p.full - p.left) / p.full, p.item, p.number))
        watts = sources.watts
        self._packs = [p for p in able if not p.inside]
        self._devices = sorted((p for p in able if p.inside), key=lambda p: (watts.get(p.item, 0.0), p.id))
        self._banks = [b for b in banks if b.full - b.left > TINY_WH]
        self.charges: list[Charge] = []
        self.most_sockets = 0
        self._turn = 0
        self._slots: list[_Slot] = []
        self._end_h = 0.0

    def mains(self, hours: float, outlets: int) -> None:
        """Hours of mains: outlets serve what is plugged in, one after the other where there are too few."""
        self._run(self._queue(), outlets + self._sources.leads if outlets else 0, hours)

    def car(self, hours: float) -> None:
        """Hours of a car or boat: its socket, and one port."""
        waiting: list[_OnOutlet] = [_Charger(charger.by, charger) for charger in self._sources.car]
        waiting.append(_Plug("car", 1, _CAR_W))
        self._run(waiting, len(waiting), hours)

    def from_banks(self, banks: Sequence[Bank]) -> None:
        """A night in which only banks give."""
        self._banks = []
        self._devices = [p for p in self._devices if self._sources.watts.get(p.item, 0.0) <= _BANK_DEVICE_W]
        waiting: list[_OnOutlet] = [_Plug(b.id, b.ports, b.output_w, b) for b in banks if b.left > TINY_WH]
        self._run(waiting, len(waiting), BANK_NIGHT_H)

    def _queue(self) -> list[_OnOutlet]:
        chargers = [_Charger(charger.by, charger) for charger in self._sources.mains]
        plugs = [_Plug(plug.item, plug.ports, plug.watts) for plug in self._sources.plugs]
        # Without a wall plug in the kit, computers are taken to have leads of their own.
        own = [] if plugs else [_Device(d.item, d) for d in reversed(self._devices) if d.item in self._sources.watts]
        return [*own, *plugs, *chargers] if self._computers_first else [*chargers, *plugs, *own]

    def _run(self, waiting: list[_OnOutlet], outlets: int, hours: float) -> None:
        if hours <= 0 or outlets <= 0:
            return
        self._end_h, self._slots = hours, []
        self._usb = list(self._sources.usb)
        # When each camera can take up its next pack.
        self._camera_h = dict.fromkeys(map(id, self._usb), 0.0)
        queue = iter(waiting)
        for socket, on in zip(range(1, outlets + 1), queue, strict=False):
            self._start(on, socket, 0.0)
        while self._slots:
            slot = heappop(self._slots)
            on = slot.on
            if slot.at_h < hours - _TINY_H and self._fill(slot):
                continue
            on.busy -= 1
            on.ended_h = max(on.ended_h, slot.at_h)
            if slot.charger and isinstance(on, _Plug):
                self._release(slot)
            if not on.busy and on.ended_h < hours - _TINY_H and (after := next(queue, None)) is not None:
                self._start(after, on.socket, on.ended_h)

    def _start(self, on: _OnOutlet, socket: int, at_h: float) -> None:
        on.socket = socket
        charger = on.charger if isinstance(on, _Charger) else None
        for _ in range(on.places):
            self._free(on, at_h, charger)

    def _free(self, on: _OnOutlet, at_h: float, charger: PackCharger | None) -> None:
        self._turn += 1
        on.busy += 1
        heappush(self._slots, _Slot(at_h, self._turn, on, charger))

    def _release(self, slot: _Slot) -> None:
        """A charger's last bay on a port is done: the port serves something else."""
        if not any(s.charger is slot.charger and s.on is slot.on for s in self._slots):
            self._free(slot.on, slot.at_h, None)

    def _fill(self, slot: _Slot) -> bool:
        """Puts the next thing on a free bay or port; False when there is nothing for it."""
        if slot.charger:
            pack = self._next_pack(slot.charger.types)
            return pack is not None and self._charge(
                slot, pack, slot.charger.by, pack.missing / pack.full * slot.charger.hours
            )
        if isinstance(slot.on, _Device):
            device, slot.on.device = slot.on.device, None
            return device is not None and self._charge(
                slot, device, device.item, device.missing / self._sources.watts[device.item]
            )
        jobs: list[Callable[[_Slot], bool]] = [self._charger_on_port, self._device_on_port, self._bank_on_port]
        if self._computers_first:
            jobs = [self._device_on_port, self._charger_on_port, self._bank_on_port]
        return any(job(slot) for job in jobs)

    def _next_pack(self, types: Sequence[str]) -> Pack | None:
        for index, pack in enumerate(self._packs):
            if pack.store in types:
                return self._packs.pop(index)
        return None

    def _charger_on_port(self, slot: _Slot) -> bool:
        """A charger with bays takes the port; a camera takes it for the pack inside."""
        for index, charger in enumerate(self._usb):
            if not any(p.store in charger.types for p in self._packs):
                continue
            if charger.bays:
                del self._usb[index]
                slot.on.busy -= 1
                for _ in range(charger.bays):
                    self._free(slot.on, slot.at_h, charger)
                return True
            if self._camera_h[id(charger)] > slot.at_h:
                continue
            pack = self._next_pack(charger.types)
            assert pack is not None
            hours = pack.missing / pack.full * charger.hours
            self._camera_h[id(charger)] = slot.at_h + hours
            return self._charge(slot, pack, charger.by, hours)
        return False

    def _device_on_port(self, slot: _Slot) -> bool:
        if not self._devices:
            return False
        assert isinstance(slot.on, _Plug)
        device = self._devices.pop(0)
        watts = min(self._sources.watts.get(device.item, _DEVICE_W), slot.on.watts)
        return self._charge(slot, device, device.item, device.missing / watts)

    def _bank_on_port(self, slot: _Slot) -> bool:
        if not self._banks:
            return False
        assert isinstance(slot.on, _Plug)
        bank = self._banks.pop(0)
        missing = bank.full - bank.left
        hours = missing / min(bank.output_w, slot.on.watts)
        until = min(self._end_h, slot.at_h + hours)
        share = (until - slot.at_h) / hours
        bank.left += missing * share
        bank.charged += missing * share
        self._note(slot, (bank.item, bank.id), until, missing * share)
        return True

    def _charge(self, slot: _Slot, pack: Pack, by: str, hours: float) -> bool:
        """Charges a pack for as long as it takes and there is time, or the bank behind it gives."""
        until = min(self._end_h, slot.at_h + hours)
        wh = pack.missing if until == slot.at_h + hours else pack.missing * (until - slot.at_h) / hours
        bank = slot.on.bank if isinstance(slot.on, _Plug) else None
        if bank:
            given = bank.give(wh)
            if given <= TINY_WH:
                self._put_back(pack)
                return False
            until = slot.at_h + (until - slot.at_h) * given / wh
            wh = given
        pack.left = pack.full if wh == pack.missing else pack.left + wh
        pack.charged += wh
        if bank and bank.left <= TINY_WH and pack.missing > TINY_WH:
            # This bank is empty; the next one may go on.
            self._put_back(pack)
        self._note(slot, (by, pack.id), until, wh)
        return True

    def _put_back(self, pack: Pack) -> None:
        (self._devices if pack.inside else self._packs).insert(0, pack)

    def _note(self, slot: _Slot, what: tuple[str, str], until_h: float, wh: float) -> None:
        """Writes a stretch down, and frees its place at the end. what: the charger, body or lead, and the pack."""
        by, pack = what
        self.charges.append(Charge(slot.on.source, slot.on.socket, by, pack, slot.at_h, until_h, wh))
        if not (isinstance(slot.on, _Plug) and slot.on.bank):
            self.most_sockets = max(self.most_sockets, slot.on.socket)
        heappush(self._slots, slot._replace(at_h=until_h))
