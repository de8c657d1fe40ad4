"""The night's charging: bays and ports as they fall free, on outlets that chargers and plugs queue for.

Source: docs/domain/power.md#night.
"""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from heapq import heappop, heappush
from typing import NamedTuple

from mule.analysis.power.answer import TINY_WH, Charge
from mule.analysis.power.outlets import FreePlace, OnMains, OnOutlet, OwnLead, Ports
from mule.analysis.power.packs import Bank, Pack
from mule.analysis.power.sources import ChargingSources, PackCharger
from mule.base.units import NumberedPiece
from mule.plan.trip import Stamina

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
        self._able = [p for p in packs if p.rechargeable and p.missing > TINY_WH]
        # Nearly full ones first: they are ready soonest.
        self._able.sort(key=lambda p: (p.missing / p.full, p.id))
        self._all_banks = banks
        # What was charged tonight, by type or device.
        self._got: dict[str, float] = {}
        self._packs: list[Pack]
        self._devices: list[Pack]
        self._banks: list[Bank]
        self._again()
        self.charges: list[Charge] = []
        self.most_sockets = 0
        self._turn = 0
        self._slots: list[FreePlace] = []
        self._end_h = 0.0

    def mains(self, hours: float, outlets: int) -> None:
        """Hours of mains: outlets serve what is plugged in, one after the other where there are too few."""
        self._run(self._queue(), outlets + self._sources.leads if outlets else 0, hours)

    def car(self, hours: float) -> None:
        """Hours of a car or boat: its socket, and one port, for what the mains left wanting."""
        if hours <= 0:
            return
        self._again()
        waiting: list[OnOutlet] = [OnMains(charger.by, charger) for charger in self._sources.car]
        waiting.append(Ports("car", 1, _CAR_W))
        self._run(waiting, len(waiting), hours, self._end_h)

    def from_banks(self, banks: Sequence[Bank]) -> None:
        """What banks give beside mains and car, to what these left wanting."""
        waiting: list[OnOutlet] = [
            Ports(bank.item, bank.ports, bank.output_w, bank)
            for bank in banks
            if bank.left > TINY_WH and bank.item not in self._sources.resting
        ]
        if not waiting:
            return
        self._again()
        self._banks = []
        self._devices = [p for p in self._devices if self._sources.watts.get(p.item, 0.0) <= _BANK_DEVICE_W]
        if self._sources.frugal:
            self._packs, self._devices = (
                [p for p in some if self._rank[p.id] < MOST_DAYS] for some in (self._packs, self._devices)
            )
        if not self._packs and not self._devices:
            return
        # When the mains are off, so that no pack is in two places at once.
        self._run(waiting, len(waiting), BANK_NIGHT_H, self._end_h)

    def _again(self) -> None:
        """What is still not full waits, what is asked soonest before the others: of that, what was not charged yet."""
        left = [p for p in self._able if p.full - p.left > TINY_WH]
        self._rank = dict(self._ranked(left))
        if self._urgent:
            left.sort(key=lambda p: self._rank[p.id])
        self._packs = [p for p in left if not p.inside]
        watts = self._sources.watts
        self._devices = [p for p in left if p.inside]
        self._devices.sort(key=lambda p: (self._rank[p.id], watts.get(p.item, 0.0), p.id))
        self._banks = [b for b in self._all_banks if b.full - b.left > TINY_WH]

    def _days_to(self, *stores: str) -> int:
        """Days until one of these types or devices runs short without more."""
        return min((self._urgent[s].days for s in stores if s in self._urgent), default=MOST_DAYS)

    def _ranked(self, packs: Iterable[Pack]) -> Iterator[tuple[NumberedPiece, int]]:
        """Each pack with the days until it is asked for: as many of a type as that day lacks, the others after them."""
        lacking = {store: lack.wh - self._got.get(store, 0.0) for store, lack in self._urgent.items()}
        for pack in packs:
            if lacking.get(pack.store, 0.0) > 0:
                lacking[pack.store] -= pack.missing
                yield pack.id, self._urgent[pack.store].days
            else:
                yield pack.id, MOST_DAYS

    def _queue(self) -> list[OnOutlet]:
        """What is plugged in, in the order in which outlets go round: by what is asked soonest, then as the user said;
        of plugs, which serve several at once, the one with more ports."""
        waiting = {p.store for p in self._packs}
        chargers = [
            (self._days_to(*(t for t in charger.types if t in waiting)), OnMains(charger.by, charger))
            for charger in self._sources.mains
            if not waiting.isdisjoint(charger.types)
        ]
        by_usb = [t for charger in self._sources.usb for t in charger.types if t in waiting]
        soonest = self._days_to(*by_usb, *(d.store for d in self._devices))
        plugs = [
            (soonest, Ports(plug.item, plug.ports, plug.watts))
            for plug in sorted(self._sources.plugs, key=lambda plug: -plug.ports)
        ]
        # Without a wall plug in the kit, computers are taken to have leads of their own.
        own = [
            (self._days_to(d.store), OwnLead(d.item, d))
            for d in (() if plugs else reversed(self._devices))
            if d.item in self._sources.watts
        ]
        queue: list[tuple[int, OnOutlet]] = (
            [*own, *plugs, *chargers] if self._computers_first else [*chargers, *plugs, *own]
        )
        return [on for _, on in sorted(queue, key=lambda one: one[0])]

    def _run(self, waiting: list[OnOutlet], outlets: int, hours: float, at_h: float = 0.0) -> None:
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
            if slot.charger and isinstance(on, Ports):
                self._release(slot)
            if not on.busy and on.ended_h < end_h - _TINY_H and (after := next(queue, None)) is not None:
                self._start(after, on.socket, on.ended_h)

    def _start(self, on: OnOutlet, socket: int, at_h: float) -> None:
        on.socket = socket
        charger = on.charger if isinstance(on, OnMains) else None
        if isinstance(on, Ports):
            waiting = {p.store for p in self._packs}
            fed = sum(not waiting.isdisjoint(usb.types) for usb in self._usb)
            on.each_w = on.watts / max(1, min(on.places, fed + len(self._devices) + len(self._banks)))
        for _ in range(on.places):
            self._free(on, at_h, charger)

    def _free(self, on: OnOutlet, at_h: float, charger: PackCharger | None, *, soon: bool = False) -> None:
        """soon: before all that is free at that time, or what a charger was plugged in for goes elsewhere."""
        self._turn += 1
        on.busy += 1
        heappush(self._slots, FreePlace(at_h, -self._turn if soon else self._turn, on, charger))

    def _release(self, slot: FreePlace) -> None:
        """A charger's last bay on a port is done: the port serves something else."""
        if not any(s.charger is slot.charger and s.on is slot.on for s in self._slots):
            self._free(slot.on, slot.at_h, None)

    def _fill(self, slot: FreePlace) -> bool:
        """Puts the next thing on a free bay or port; False when there is nothing for it."""
        if slot.charger:
            pack = self._next_pack(slot.charger.types)
            return pack is not None and self._charge(slot, pack, slot.charger.by, _hours(pack, slot.charger, slot.on))
        if isinstance(slot.on, OwnLead):
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

    def _charger_on_port(self, slot: FreePlace) -> bool:
        """The first pack that something here could fill: a charger with bays takes the port, a camera for that pack."""
        idle = [c for c in self._usb if c.bays or self._camera_h[id(c)] <= slot.at_h]
        store = ""
        for at, pack in enumerate(self._packs if idle else ()):
            # The next of a type finds nothing that the one before it did not.
            if pack.store == store:
                continue
            store = pack.store
            charger = next((c for c in idle if store in c.types), None)
            if charger and charger.bays:
                self._usb.remove(charger)
                slot.on.busy -= 1
                for _ in range(charger.bays):
                    self._free(slot.on, slot.at_h, charger, soon=True)
                return True
            if charger:
                del self._packs[at]
                hours = _hours(pack, charger, slot.on)
                self._camera_h[id(charger)] = slot.at_h + hours
                return self._charge(slot, pack, charger.by, hours)
        return False

    def _device_on_port(self, slot: FreePlace) -> bool:
        assert isinstance(slot.on, Ports)
        device = self._devices.pop(0)
        watts = min(self._sources.watts.get(device.item, _DEVICE_W), slot.on.each_w)
        return self._charge(slot, device, device.item, device.missing / watts)

    def _bank_on_port(self, slot: FreePlace) -> bool:
        assert isinstance(slot.on, Ports)
        bank = self._banks.pop(0)
        missing = bank.full - bank.left
        hours = missing / min(bank.output_w, slot.on.each_w)
        until = min(self._end_h, slot.at_h + hours)
        share = (until - slot.at_h) / hours
        bank.left += missing * share
        bank.charged += missing * share
        self._note(slot, (bank.item, bank.id), until, missing * share)
        return True

    def _charge(self, slot: FreePlace, pack: Pack, by: str, hours: float) -> bool:
        """Charges a pack for as long as it takes and there is time, or the bank behind it gives."""
        until = min(self._end_h, slot.at_h + hours)
        wh = pack.missing if until == slot.at_h + hours else pack.missing * (until - slot.at_h) / hours
        bank = slot.on.bank if isinstance(slot.on, Ports) else None
        if bank:
            given = bank.give(wh)
            if given <= TINY_WH:
                self._put_back(pack)
                return False
            until = slot.at_h + (until - slot.at_h) * given / wh
            wh = given
        pack.left = pack.full if wh == pack.missing else pack.left + wh
        pack.charged += wh
        self._got[pack.store] = self._got.get(pack.store, 0.0) + wh
        if bank and bank.left <= TINY_WH and pack.missing > TINY_WH:
            # This bank is empty; the next one may go on.
            self._put_back(pack)
        self._note(slot, (by, pack.id), until, wh)
        return True

    def _put_back(self, pack: Pack) -> None:
        (self._devices if pack.inside else self._packs).insert(0, pack)

    def _note(self, slot: FreePlace, what: tuple[str, NumberedPiece], until_h: float, wh: float) -> None:
        """Writes a stretch down, and frees its place at the end. what: the charger, body or lead, and the pack."""
        by, pack = what
        self.charges.append(Charge(slot.on.source, slot.on.socket, by, pack, slot.at_h, until_h, wh))
        if not (isinstance(slot.on, Ports) and slot.on.bank):
            self.most_sockets = max(self.most_sockets, slot.on.socket)
        heappush(self._slots, FreePlace(until_h, slot.turn, slot.on, slot.charger))


def _hours(pack: Pack, charger: PackCharger, on: OnOutlet) -> float:
    """What a pack takes to be full in a charger, or a camera: no faster than the port that feeds it gives."""
    hours = pack.missing / pack.full * charger.hours
    return max(hours, pack.missing * max(1, charger.bays) / on.each_w) if isinstance(on, Ports) else hours
