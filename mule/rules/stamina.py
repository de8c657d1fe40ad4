"""Packs that do not carry a day, cards that fill up, pictures in too few places.

See docs/domain/power.md, docs/domain/pictures.md.
"""

from collections.abc import Iterable, Mapping, Sequence
from functools import partial
from itertools import islice
from typing import Any

from mule.finding import (
    AsPiece,
    Cure,
    CureCode,
    FindingCode,
    InBag,
    Load,
    Move,
    PieceKind,
    Severity,
    StationName,
)
from mule.gear import Battery, Card, Computer, Drive, PowerBank, Reader, at_hand
from mule.gear.base import Thing
from mule.power import COLD, TINY_WH, TypeDay, fewest, relief, schools_that_carry
from mule.rules.case import Case, Said, Trials, leaving, load, say
from mule.stamina import keep
from mule.storage import CardsOf
from mule.trip import PowerSchool

# No airline takes a bank over this, usual rules (docs/domain/carriers.md).
MOST_BANK_WH = 160.0
_MOST_CURES = 3
_SCHOOLS: Mapping[PowerSchool, CureCode] = {
    "packs-only": CureCode.POWER_PACKS_ONLY,
    "charge-nightly": CureCode.POWER_CHARGE_NIGHTLY,
    "bank-by-day": CureCode.POWER_BANK_BY_DAY,
    "usb-c": CureCode.POWER_USB_C,
}


class PowerShort:
    """A type of pack that does not carry a day, or not with the margin asked for."""

    def find(self, case: Case) -> Iterable[Said]:
        """One finding per type: a caution when it runs dry, a note when the margin is thin."""
        asked = case.plan.trip.stamina.margin
        for type_ in case.stamina.power.types:
            thin = type_.worst_margin is not None and type_.worst_margin < asked - TINY_WH
            # Without any pack at all, the missing link says so already.
            if type_.packs == 0 or not (type_.short_on or thin):
                continue
            worst = case.stamina.power.worst[type_.type]
            yield say(
                FindingCode.POWER_SHORT if type_.short_on else FindingCode.POWER_THIN,
                Severity.CAUTION if type_.short_on else Severity.NOTE,
                StationName.STAMINA,
                numbers=_numbers(worst.on, type_.worst_margin or 0.0, worst.lowest_c),
                items=tuple(dict.fromkeys(load.item for load in worst.on.loads)),
                refs={"type": type_.type, "date": str(worst.date)},
                cures=partial(self._cures, type_=type_.type),
            )

    def _cures(self, trials: Trials, type_: str) -> Iterable[Cure]:
        gear, power = trials.plan.items, trials.case.stamina.case
        need = fewest(power, type_)
        # A battery that stays inside its device has no spares: `fewest` finds no pack for it.
        pack = gear[need.item] if need.item else None
        if need.packs is not None and need.packs > need.loaded and isinstance(pack, Battery):
            more = need.packs - need.loaded
            left = pack.count - trials.loaded.get(pack.id, 0) if at_hand(pack) else 0
            if left >= more:
                yield load(pack, count=more)
            else:
                edits = (Load(item=pack.id, count=left),) if left else ()
                numbers = {"packs": float(more - left), "grams": more * pack.mass_g}
                yield Cure(code=CureCode.GET_PACKS, edits=edits, mass_change_g=more * pack.mass_g, numbers=numbers)
        able = (thing for thing in relief(power, type_) if thing.id not in trials.barred)
        yield from map(load, islice(able, _MOST_CURES - 1))
        for school in schools_that_carry(power, type_):
            yield Cure(code=_SCHOOLS[school])


def _numbers(on: TypeDay, margin: float, celsius: float) -> dict[str, float]:
    return {
        "need_wh": on.need_wh,
        "got_wh": on.got_wh,
        "ready_wh": on.ready_wh,
        "margin": margin,
        "lowest_c": celsius,
    }


class ChargerUseless:
    """A charger whose volts are not those of the place. (Plugs are a missing link.)"""

    def find(self, case: Case) -> Iterable[Said]:
        """One caution per charger; an adapter changes pins, not volts."""
        mains = case.plan.trip.mains
        for useless in case.stamina.power.useless:
            if useless.why == "volts" and mains:
                charger = case.plan.items[useless.item]
                yield say(
                    FindingCode.CHARGER_VOLTS,
                    Severity.CAUTION,
                    StationName.STAMINA,
                    numbers={"volts": mains.volts},
                    items=(useless.item,),
                    cures=leaving(charger),
                )


class BankTooLarge:
    """A bank that no airline takes."""

    def find(self, case: Case) -> Iterable[Said]:
        """One caution per loaded bank over 160 Wh."""
        for item in case.loaded:
            bank = case.plan.items[item]
            if isinstance(bank, PowerBank) and bank.energy_wh > MOST_BANK_WH:
                yield say(
                    FindingCode.BANK_TOO_LARGE,
                    Severity.CAUTION,
                    StationName.STAMINA,
                    numbers={"energy_wh": bank.energy_wh, "most_wh": MOST_BANK_WH},
                    items=(item,),
                    cures=leaving(bank),
                )


class BeyondTheEstimate:
    """Days colder than the estimate of cold goes."""

    def find(self, case: Case) -> Iterable[Said]:
        """One note for the coldest day under -20 deg C."""
        coldest = case.stamina.power.coldest_c
        if coldest is not None and coldest < COLD[0][0] and case.loaded:
            numbers = {"lowest_c": coldest, "ends_c": COLD[0][0]}
            yield say(FindingCode.BEYOND_COLD, Severity.NOTE, StationName.STAMINA, numbers=numbers)


class CardsFull:
    """Cards run out on some day."""

    def find(self, case: Case) -> Iterable[Said]:
        """One caution per trip, with the cards that are missing of the types that run out."""
        pictures = case.stamina.pictures
        full = [t for t in pictures.types if t.full_on and t.loaded]
        if not full:
            return
        first = min(t.full_on for t in full if t.full_on)
        lost = sum(day.lost_gb for day in pictures.days)
        yield say(
            FindingCode.CARDS_FULL,
            Severity.CAUTION,
            StationName.STAMINA,
            numbers={"lost_gb": lost, "more": float(sum(max(0, t.needed - t.loaded) for t in full))},
            refs={"type": " or ".join(t.type for t in full), "date": str(first)},
            cures=partial(self._cures, full=full),
        )

    def _cures(self, trials: Trials, full: Sequence[CardsOf]) -> Iterable[Cure]:
        """The cards that are missing, largest first; then ways of working."""
        cures = [
            load(card, count=more)
            for type_ in full
            if (more := type_.needed - type_.loaded) > 0
            for card in sorted(_left(trials, Card), key=lambda c: -c.capacity_gb)
            if card.card_type == type_.type and card.count - trials.loaded.get(card.id, 0) >= more
        ]
        yield from cures[:_MOST_CURES]
        yield from _other_schools(trials)


def _other_schools(trials: Trials) -> Iterable[Cure]:
    """Schools of keeping cards that the loaded cards would last for: a way of working, nothing to load."""
    stamina = trials.plan.trip.stamina
    for school, code in (("erase-after", CureCode.ERASE_AFTER), ("few-big", CureCode.FEW_BIG)):
        if school != stamina.cards:
            other = trials.plan.trip.with_stamina(cards=school)
            kept = keep(trials.plan.with_trip(other), trials.loaded)
            # A school of erasing that never comes to it is none.
            erases = school == "few-big" or any(day.erased for day in kept.days)
            if erases and kept.days_carried == len(other.days):
                yield Cure(code=code, numbers={"copies": float(stamina.erase_after)})


class CopiesShort:
    """By the end of some night a picture is in fewer places than asked."""

    def find(self, case: Case) -> Iterable[Said]:
        """A caution for paid work, else a note; cured by the lightest drive, computer or reader that helps."""
        pictures = case.stamina.pictures
        if not pictures.short_on or not any(t.loaded for t in pictures.types):
            return
        worst = min(pictures.short_nights, key=lambda day: day.copies or 0)
        yield say(
            FindingCode.COPIES_SHORT,
            Severity.CAUTION if case.plan.trip.stakes == "paid" else Severity.NOTE,
            StationName.STAMINA,
            numbers={
                "copies": float(worst.copies or 0),
                "asked": float(pictures.asked_copies),
                "nights": float(len(pictures.short_nights)),
            },
            refs={"date": str(worst.date)},
            cures=self._cures,
        )

    def _cures(self, trials: Trials) -> Iterable[Cure]:
        for thing in sorted(_left(trials, Drive, Computer, Reader), key=lambda t: t.mass_g):
            more = {**trials.loaded, thing.id: trials.loaded.get(thing.id, 0) + 1}
            if keep(trials.plan, more).short_on is None:
                yield load(thing)
                return


class CopiesTogether:
    """Paid work: all places of a picture are in one bag, or in one camera."""

    def find(self, case: Case) -> Iterable[Said]:
        """One caution, cured by moving a drive into another carried bag."""
        if case.plan.trip.stakes == "paid" and case.stamina.pictures.together:
            yield say(FindingCode.COPIES_TOGETHER, Severity.CAUTION, StationName.STAMINA, cures=self._cures)

    def _cures(self, trials: Trials) -> Iterable[Cure]:
        drives = [t for t in trials.plan.gear if isinstance(t, Drive) and t.id in trials.loaded]
        pieces = [p for p in trials.case.loads.pieces if p.piece != PieceKind.HOLD]
        at = {e.item: e.place for e in trials.plan.kit.entries}
        cures = [
            Cure(code=CureCode.MOVE, edits=(Move(item=d.id, place=InBag(bag=p.bag)),), numbers={"moved_g": d.mass_g})
            for d in drives[:1]
            for p in pieces
            if at[d.id] != InBag(bag=p.bag) and not isinstance(at[d.id], AsPiece)
        ]
        return cures[:_MOST_CURES]


class MirrorOnce:
    """Mirroring is asked of a camera that writes once."""

    def find(self, case: Case) -> Iterable[Said]:
        """One note per camera with one slot, or for whose slots there was only one card on some day."""
        pictures = case.stamina.pictures
        for body in pictures.one_slot:
            yield say(FindingCode.MIRROR_ONE_SLOT, Severity.NOTE, StationName.STAMINA, items=(body,))
        for body in pictures.one_card:
            yield say(FindingCode.MIRROR_ONE_CARD, Severity.NOTE, StationName.STAMINA, items=(body,))


def _left(trials: Trials, *kinds: type[Thing]) -> list[Any]:
    return [
        t
        for t in trials.plan.gear
        if isinstance(t, kinds) and at_hand(t) and t.count > trials.loaded.get(t.id, 0) and t.id not in trials.barred
    ]
