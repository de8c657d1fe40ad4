"""Packs that do not carry a day, cards that fill up, pictures in too few places.

See docs/domain/power.md, docs/domain/pictures.md.
"""

from collections.abc import Iterable

from mule.analysis.power import COLD, TINY_WH, camera_demands
from mule.findings import said
from mule.findings.codes import Severity
from mule.findings.rules.case import Case
from mule.findings.said import Finding
from mule.plan.gear import Body, Card, Other, PowerBank

# No airline takes a bank over this, usual rules (docs/domain/carriers.md).
MOST_BANK_WH = 160.0
# Years that a card is trusted (estimate).
CARD_YEARS = 5


class PowerShortRule:
    """A type of pack that does not carry a day, or not with the margin asked for."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per type: a caution when it runs dry, a note when the margin is thin."""
        asked = case.plan.trip.stamina.margin
        for type_ in case.stamina.power.types:
            # Without any pack or bank at all, the missing link says so already.
            if type_.worst_margin is None or not (type_.short_on or type_.worst_margin < asked - TINY_WH):
                continue
            worst = case.stamina.power.worst[type_.type]
            yield (said.PowerShort if type_.short_on else said.PowerThin)(
                items=tuple(dict.fromkeys(load.item for load in worst.on.loads)),
                type=type_.type,
                on=worst.date,
                need_wh=worst.on.need_wh,
                got_wh=worst.on.got_wh,
                ready_wh=worst.on.ready_wh,
                margin=type_.worst_margin,
                asked=asked,
                lowest_c=worst.lowest_c,
                short_days=type_.short_days,
                lacking_wh=type_.lacking_wh,
            )


class ChargerUselessRule:
    """A charger whose volts are not those of the place. (Plugs are a missing link.)"""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per charger; an adapter changes pins, not volts."""
        mains = case.plan.trip.mains
        for useless in case.stamina.power.useless:
            if useless.why == "volts" and mains:
                yield said.ChargerVolts(items=(useless.item,), volts=mains.volts)


class BankTooLargeRule:
    """A bank that no airline takes."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per loaded bank over 160 Wh."""
        for item in case.loaded:
            bank = case.plan.items[item]
            if isinstance(bank, PowerBank) and bank.energy_wh > MOST_BANK_WH:
                yield said.BankTooLarge(items=(item,), energy_wh=bank.energy_wh, most_wh=MOST_BANK_WH)


class BeyondTheEstimateRule:
    """Days colder than the estimate of cold goes."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note for the coldest day under -20 deg C."""
        coldest = case.stamina.power.coldest_c
        if coldest is not None and coldest < COLD[0][0] and case.loaded:
            yield said.BeyondCold(lowest_c=coldest, ends_c=COLD[0][0])


class CardsFullRule:
    """Cards run out on some day."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per trip, with the cards that are missing of the types that run out."""
        pictures = case.stamina.pictures
        full = [t for t in pictures.types if t.full_on and t.loaded]
        if not full:
            return
        first = min(t.full_on for t in full if t.full_on)
        lost = sum(day.lost_gb for day in pictures.days)
        more = sum(max(0, t.needed - t.loaded) for t in full)
        yield said.CardsFull(types=tuple(t.type for t in full), on=first, lost_gb=lost, more=more)


class FilmShortRule:
    """Less film of a type than the days ask."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per type of which some is loaded; without any, the missing link says so."""
        plan = case.plan
        bodies = {i: n for i, n in case.loaded.items() if isinstance(plan.items[i], Body)}
        types = {i: t.film for i in bodies if isinstance(t := plan.items[i], Body) and t.film}
        for type_ in dict.fromkeys(types.values()):
            rolls = [t for i in case.loaded if isinstance(t := plan.items[i], Other) and t.refill == type_]
            have = sum(t.pictures * case.loaded[t.id] for t in rolls)
            asked = sum(
                demand.frames
                for day in plan.trip.days
                for item, demand in camera_demands(plan.items, bodies, plan.trip, day)
                if types.get(item) == type_
            )
            if rolls and asked > have:
                yield said.FilmShort(items=tuple(t.id for t in rolls), type=type_, asked=asked, have=have)


class CardOldRule:
    """A card older than cards are trusted, and not kept for last."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note for all of them, with the oldest."""
        days = case.plan.trip.days
        cards = [
            t for i in case.loaded if isinstance(t := case.plan.items[i], Card) and t.since and not t.keep_for_last
        ]
        old = [c for c in cards if days and c.since and days[0].date.year - c.since > CARD_YEARS]
        if old:
            oldest = min(c.since or 0 for c in old)
            yield said.CardOld(items=tuple(c.id for c in old), since=oldest, years=CARD_YEARS)


class CopiesShortRule:
    """By the end of some night a picture is in fewer places than asked."""

    def find(self, case: Case) -> Iterable[Finding]:
        """A caution for paid work, else a note."""
        pictures = case.stamina.pictures
        if not pictures.short_on or not any(t.loaded for t in pictures.types):
            return
        worst = min(pictures.short_nights, key=lambda day: day.copies or 0)
        yield said.CopiesShort(
            severity=Severity.CAUTION if case.plan.trip.stakes == "paid" else Severity.NOTE,
            on=worst.date,
            copies=worst.copies or 0,
            asked=pictures.asked_copies,
            nights=len(pictures.short_nights),
        )


class CopiesTogetherRule:
    """Paid work: all places of a picture are in one bag, or in one camera."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One caution per trip."""
        pictures = case.stamina.pictures
        # Where there never is a second place, that is what is said.
        if case.plan.trip.stakes == "paid" and pictures.together and any((d.copies or 0) > 1 for d in pictures.days):
            yield said.CopiesTogether()


class MirrorOnceRule:
    """Mirroring is asked of a camera that writes once."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per camera with one slot, or for whose slots there was only one card on some day."""
        pictures = case.stamina.pictures
        for body in pictures.one_slot:
            yield said.MirrorOneSlot(items=(body,))
        for body in pictures.one_card:
            yield said.MirrorOneCard(items=(body,))
