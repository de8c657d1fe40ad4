"""Packs that do not carry a day, cards that fill up, pictures in too few places (domain 4 and 5)."""

from collections.abc import Iterable
from typing import Any

from mule.finding import AsPiece, Cure, Finding, InBag, Load, Move, PieceKind, Severity
from mule.gear import Battery, Card, Computer, Drive, PowerBank, Reader, at_hand
from mule.gear.base import Thing
from mule.power import COLD, TINY_WH, TypeDay, fewest, relief, schools_that_carry
from mule.rules.case import Case, load
from mule.stamina import keep

# No airline takes a bank over this, usual rules (domain 8).
MOST_BANK_WH = 160.0
_MOST_CURES = 3


class PowerShort:
    """A type of pack that does not carry a day, or not with the margin asked for."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per type: a caution when it runs dry, a note when the margin is thin."""
        trip = case.plan.trip
        for type_ in case.lasting.power.types:
            thin = type_.worst_margin is not None and type_.worst_margin < trip.stamina.margin - TINY_WH
            # Without any pack at all, the missing link says so already.
            if type_.packs == 0 or not (type_.short_on or thin):
                continue
            at = type_.short_on or type_.worst_on
            day = next(d for d in case.lasting.power.days if d.date == at)
            on = next(t for t in day.types if t.type == type_.type)
            yield Finding(
                code="power-short" if type_.short_on else "power-thin",
                severity=Severity.CAUTION if type_.short_on else Severity.NOTE,
                station="stamina",
                numbers=_numbers(on, type_.worst_margin or 0.0, day.lowest_c),
                items=tuple(dict.fromkeys(eater.item for eater in on.eaters)),
                refs={"type": type_.type, "date": str(at)},
                cures=tuple(self._cures(case, type_.type)),
            )

    def _cures(self, case: Case, type_: str) -> Iterable[Cure]:
        gear, loaded = case.plan.items, case.loaded
        need = fewest(gear, loaded, case.plan.trip, type_)
        # A battery that stays inside its device has no spares: `fewest` finds no pack for it.
        pack = gear[need.item] if need.item else None
        if need.packs is not None and need.packs > need.loaded and isinstance(pack, Battery):
            more = need.packs - need.loaded
            left = pack.count - loaded.get(pack.id, 0) if at_hand(pack) else 0
            if left >= more:
                yield load(pack, count=more)
            else:
                edits = (Load(item=pack.id, count=left),) if left else ()
                numbers = {"packs": float(more - left), "grams": more * pack.mass_g}
                yield Cure(code="get-packs", edits=edits, mass_change_g=more * pack.mass_g, numbers=numbers)
        barred = set(case.plan.trip.marks.must_leave)
        for thing in relief(gear, loaded, case.plan.trip, type_)[: _MOST_CURES - 1]:
            if thing.id not in barred:
                yield load(thing)
        for school in schools_that_carry(gear, loaded, case.plan.trip, type_):
            yield Cure(code=f"power-{school}")


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

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per charger; an adapter changes pins, not volts."""
        mains = case.plan.trip.mains
        for useless in case.lasting.power.useless:
            if useless.why == "volts" and mains:
                yield Finding(
                    code="charger-volts",
                    severity=Severity.CAUTION,
                    station="stamina",
                    numbers={"volts": mains.volts},
                    items=(useless.item,),
                    cures=(case.leave([case.plan.items[useless.item]]),),
                )


class BankTooLarge:
    """A bank that no airline takes."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per loaded bank over 160 Wh."""
        for item in case.loaded:
            bank = case.plan.items[item]
            if isinstance(bank, PowerBank) and bank.energy_wh > MOST_BANK_WH:
                yield Finding(
                    code="bank-too-large",
                    severity=Severity.CAUTION,
                    station="stamina",
                    numbers={"energy_wh": bank.energy_wh, "most_wh": MOST_BANK_WH},
                    items=(item,),
                    cures=(case.leave([bank]),),
                )


class BeyondTheEstimate:
    """Days colder than the estimate of cold goes."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note for the coldest day under -20 deg C."""
        coldest = min((day.lowest_c for day in case.lasting.power.days), default=COLD[0][0])
        if coldest < COLD[0][0] and case.loaded:
            numbers = {"lowest_c": coldest, "ends_c": COLD[0][0]}
            yield Finding(code="beyond-cold", severity=Severity.NOTE, station="stamina", numbers=numbers)


class CardsFull:
    """Cards run out on some day."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per trip, with the cards that are missing of the types that run out."""
        pictures = case.lasting.pictures
        full = [t for t in pictures.types if t.full_on and t.loaded]
        if not full:
            return
        first = min(t.full_on for t in full if t.full_on)
        lost = sum(day.lost_gb for day in pictures.days)
        cures = [
            load(card, count=more)
            for type_ in full
            if (more := type_.needed - type_.loaded) > 0
            for card in sorted(_left(case, Card), key=lambda c: -c.capacity_gb)
            if card.card_type == type_.type and card.count - case.loaded.get(card.id, 0) >= more
        ]
        yield Finding(
            code="cards-full",
            severity=Severity.CAUTION,
            station="stamina",
            numbers={"lost_gb": lost, "more": float(sum(max(0, t.needed - t.loaded) for t in full))},
            refs={"type": " or ".join(t.type for t in full), "date": str(first)},
            cures=(*cures[:_MOST_CURES], *_other_schools(case)),
        )


def _other_schools(case: Case) -> Iterable[Cure]:
    """Schools of keeping cards that the loaded cards would last for: a way of working, nothing to load."""
    stamina = case.plan.trip.stamina
    for school in ("erase-after", "few-big"):
        if school != stamina.cards:
            other = case.plan.trip.with_stamina(cards=school)
            kept = keep(case.plan.with_trip(other), case.loaded)
            # A school of erasing that never comes to it is none.
            erases = school == "few-big" or any(day.erased for day in kept.days)
            if erases and kept.days_carried == len(other.days):
                yield Cure(code=school, numbers={"copies": float(stamina.erase_after)})


class CopiesShort:
    """By the end of some night a picture is in fewer places than asked."""

    def find(self, case: Case) -> Iterable[Finding]:
        """A caution for paid work, else a note; cured by the lightest drive, computer or reader that helps."""
        pictures = case.lasting.pictures
        if not pictures.short_on or not any(t.loaded for t in pictures.types):
            return
        fewest_copies = min(day.copies for day in pictures.days if day.cards)
        cures = []
        for thing in sorted(_left(case, Drive, Computer, Reader), key=lambda t: t.mass_g):
            more = {**case.loaded, thing.id: case.loaded.get(thing.id, 0) + 1}
            if keep(case.plan, more).short_on is None:
                cures.append(load(thing))
                break
        yield Finding(
            code="copies-short",
            severity=Severity.CAUTION if case.plan.trip.stakes == "paid" else Severity.NOTE,
            station="stamina",
            numbers={"copies": float(fewest_copies), "asked": float(pictures.asked_copies)},
            refs={"date": str(pictures.short_on)},
            cures=tuple(cures),
        )


class CopiesTogether:
    """Paid work: all places of a picture are in one bag."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution, cured by moving a drive into another carried bag."""
        if case.plan.trip.stakes != "paid" or not case.lasting.pictures.together:
            return
        drives = [t for t in case.plan.gear if isinstance(t, Drive) and t.id in case.loaded]
        pieces = [p for p in case.loads.pieces if p.piece != PieceKind.HOLD]
        at = {e.item: e.place for e in case.plan.kit.entries}
        cures = [
            Cure(code="move", edits=(Move(item=d.id, place=InBag(bag=p.bag)),), numbers={"moved_g": d.mass_g})
            for d in drives[:1]
            for p in pieces
            if at[d.id] != InBag(bag=p.bag) and not isinstance(at[d.id], AsPiece)
        ]
        yield Finding(
            code="copies-together", severity=Severity.CAUTION, station="stamina", cures=tuple(cures[:_MOST_CURES])
        )


class MirrorOneSlot:
    """Mirroring is asked of a camera with one slot."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per camera: it writes once."""
        for body in case.lasting.pictures.one_slot:
            yield Finding(code="mirror-one-slot", severity=Severity.NOTE, station="stamina", items=(body,))


def _left(case: Case, *kinds: type[Thing]) -> list[Any]:
    barred = set(case.plan.trip.marks.must_leave)
    return [
        t
        for t in case.plan.gear
        if isinstance(t, kinds) and at_hand(t) and t.count > case.loaded.get(t.id, 0) and t.id not in barred
    ]
