"""The night's charging: bays and ports as they fall free, on outlets that chargers and plugs queue for.

What stands on an outlet is one of three: a charger with its bays, a plug with its ports (or a bank, which is a plug
that runs empty), or a device with a lead of its own. Source: docs/domain/power.md#night.
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
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
# Later than any day of a trip: nothing is short in sight.
MOST_DAYS = 10_000


class Shortfall(NamedTuple):
    """In how many days what a type of pack, or a device, holds is not enough, and how many Wh are lacking then."""

    days: int
    wh: float


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
    """Ports on an outlet, which share its watts. bank: what is behind them, when that is no wall.

    each_w: what one port gives with as many in use as there are things waiting for one.
    """

    source: str
    places: int
    watts: float
    bank: Bank | None = None
    each_w: float = 0.0
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
        self,
        packs: Sequence[Pack],
        banks: Sequence[Bank],
        sources: ChargingSources,
        settings: Stamina,
        urgent: Mapping[str, Shortfall],
    ) -> None:
        """urgent: by type, or device, when what it holds is not enough, and by how much; none in sight are left out."""
        self._sources, self._urgent = sources, urgent
        self._computers_first = settings.first == "computers"
        able = [p for p in packs if p.rechargeable and p.full - p.left > TINY_WH]
        # Nearly full ones first: they are ready soonest. Of these, what tomorrow asks comes before what it does not.
        able.sort(key=lambda p: ((p.full - p.left) / p.full, p.item, p.number))
        self._rank = dict(self._ranked(able))
        able.sort(key=lambda p: self._rank[p.id])
        watts = sources.watts
        self._packs = [p for p in able if not p.inside]
        self._devices = sorted(
            (p for p in able if p.inside), key=lambda p: (self._rank[p.id], watts.get(p.item, 0.0), p.id)
        )
        self._able, self._all_banks = able, banks
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
        """Hours of a car or boat: its socket, and one port, for what the mains left wanting."""
        if hours <= 0:
            return
        self._again()
        waiting: list[_OnOutlet] = [_Charger(charger.by, charger) for charger in self._sources.car]
        waiting.append(_Plug("car", 1, _CAR_W))
        self._run(waiting, len(waiting), hours, self._end_h)

    def from_banks(self, banks: Sequence[Bank]) -> None:
        """What banks give beside mains and car, to what these left wanting."""
        self._again()
        self._banks = []
        self._devices = [p for p in self._devices if self._sources.watts.get(p.item, 0.0) <= _BANK_DEVICE_W]
        if not self._packs and not self._devices:
            return
        waiting: list[_OnOutlet] = [_Plug(b.id, b.ports, b.output_w, b) for b in banks if b.left > TINY_WH]
        # When the mains are off, so that no pack is in two places at once.
        self._run(waiting, len(waiting), BANK_NIGHT_H, self._end_h)

    def _again(self) -> None:
        """What is still not full waits again, in the same order."""
        left = [p for p in self._able if p.missing > TINY_WH]
        self._packs = [p for p in left if not p.inside]
        self._devices = [p for p in left if p.inside]
        self._banks = [b for b in self._all_banks if b.full - b.left > TINY_WH]

    def _days_to(self, *stores: str) -> int:
        """Days until one of these types or devices runs short without more."""
        return min((self._urgent[s].days for s in stores if s in self._urgent), default=MOST_DAYS)

    def _ranked(self, packs: Iterable[Pack]) -> Iterator[tuple[str, int]]:
        """Each pack with the days until it is asked for: as many of a type as that day lacks, the others after them."""
        lacking = {store: lack.wh for store, lack in self._urgent.items()}
        for pack in packs:
            if lacking.get(pack.store, 0.0) > 0:
                lacking[pack.store] -= pack.missing
                yield pack.id, self._urgent[pack.store].days
            else:
                yield pack.id, MOST_DAYS

    def _queue(self) -> list[_OnOutlet]:
        """What is plugged in, in the order in which outlets go round: by what is asked soonest, then as the user said;
        of plugs, which serve several at once, the one with more ports."""
        waiting = {p.store for p in self._packs}
        chargers = [
            (self._days_to(*(t for t in charger.types if t in waiting)), _Charger(charger.by, charger))
            for charger in self._sources.mains
            if not waiting.isdisjoint(charger.types)
        ]
        by_usb = [t for charger in self._sources.usb for t in charger.types if t in waiting]
        soonest = self._days_to(*by_usb, *(d.store for d in self._devices))
        plugs = [
            (soonest, _Plug(plug.item, plug.ports, plug.watts))
            for plug in sorted(self._sources.plugs, key=lambda plug: -plug.ports)
        ]
        # Without a wall plug in the kit, computers are taken to have leads of their own.
        own = [
            (self._days_to(d.store), _Device(d.item, d))
            for d in (() if plugs else reversed(self._devices))
            if d.item in self._sources.watts
        ]
        queue: list[tuple[int, _OnOutlet]] = (
            [*own, *plugs, *chargers] if self._computers_first else [*chargers, *plugs, *own]
        )
        return [on for _, on in sorted(queue, key=lambda one: one[0])]

    def _run(self, waiting: list[_OnOutlet], outlets: int, hours: float, at_h: float = 0.0) -> None:
        if hours <= 0 or outlets <= 0:
            return
        end_h = at_h + hours
        self._end_h, self._slots = end_h, []
        self._usb = list(self._sources.usb)
        # When each camera can take up its next pack.
        self._camera_h = dict.fromkeys(map(id, self._usb), at_h)
        queue = iter(waiting)
        for socket, on in zip(range(1, outlets + 1), queue, strict=False):
            self._start(on, socket, at_h)
        while self._slots:
            slot = heappop(self._slots)
            on = slot.on
            if slot.at_h < end_h - _TINY_H and self._fill(slot):
                continue
            on.busy -= 1
            on.ended_h = max(on.ended_h, slot.at_h)
            if slot.charger and isinstance(on, _Plug):
                self._release(slot)
            if not on.busy and on.ended_h < end_h - _TINY_H and (after := next(queue, None)) is not None:
                self._start(after, on.socket, on.ended_h)

    def _start(self, on: _OnOutlet, socket: int, at_h: float) -> None:
        on.socket = socket
        charger = on.charger if isinstance(on, _Charger) else None
        if isinstance(on, _Plug):
            waiting = {p.store for p in self._packs}
            fed = sum(not waiting.isdisjoint(usb.types) for usb in self._usb)
            on.each_w = on.watts / max(1, min(on.places, fed + len(self._devices) + len(self._banks)))
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
            return pack is not None and self._charge(slot, pack, slot.charger.by, _hours(pack, slot.charger, slot.on))
        if isinstance(slot.on, _Device):
            device, slot.on.device = slot.on.device, None
            return device is not None and self._charge(
                slot, device, device.item, device.missing / self._sources.watts[device.item]
            )
        if self._devices and self._device_first():
            return self._device_on_port(slot)
        if self._packs and self._charger_on_port(slot):
            return True
        if self._devices:
            return self._device_on_port(slot)
        return bool(self._banks) and self._bank_on_port(slot)

    def _device_first(self) -> bool:
        """Whether a device goes before the packs: when it is asked for sooner, or of equals when the user says so."""
        types = {t for charger in self._usb for t in charger.types}
        pack = next((p for p in self._packs if p.store in types), None)
        device, other = self._rank[self._devices[0].id], self._rank[pack.id] if pack else MOST_DAYS
        return device < other or (device == other and self._computers_first)

    def _next_pack(self, types: Sequence[str]) -> Pack | None:
        for index, pack in enumerate(self._packs):
            if pack.store in types:
                return self._packs.pop(index)
        return None

    def _charger_on_port(self, slot: _Slot) -> bool:
        """The first pack that something here could fill: a charger with bays takes the port, a camera for that pack."""
        stores = dict.fromkeys(p.store for p in self._packs)
        able = ((i, charger) for store in stores for i, charger in enumerate(self._usb) if store in charger.types)
        for index, charger in able:
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
            hours = _hours(pack, charger, slot.on)
            self._camera_h[id(charger)] = slot.at_h + hours
            return self._charge(slot, pack, charger.by, hours)
        return False

    def _device_on_port(self, slot: _Slot) -> bool:
        assert isinstance(slot.on, _Plug)
        device = self._devices.pop(0)
        watts = min(self._sources.watts.get(device.item, _DEVICE_W), slot.on.each_w)
        return self._charge(slot, device, device.item, device.missing / watts)

    def _bank_on_port(self, slot: _Slot) -> bool:
        assert isinstance(slot.on, _Plug)
        bank = self._banks.pop(0)
        missing = bank.full - bank.left
        hours = missing / min(bank.output_w, slot.on.each_w)
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


def _hours(pack: Pack, charger: PackCharger, on: _OnOutlet) -> float:
    """What a pack takes to be full in a charger, or a camera: no faster than the port that feeds it gives."""
    hours = pack.missing / pack.full * charger.hours
    return max(hours, pack.missing * max(1, charger.bays) / on.each_w) if isinstance(on, _Plug) else hours
