"""What is proposed for each finding."""

from collections.abc import Callable, Iterable, Mapping
from typing import Any

from mule.findings import said
from mule.findings.codes import CureCode, NoWay
from mule.findings.cures import aids, apart, links, luggage, marks, pictures, power, wants
from mule.findings.cures.getting import more_of, to_get
from mule.findings.rules import Trials
from mule.findings.said import Finding
from mule.findings.said.cure import Cure, Doing
from mule.findings.said.told import Told
from mule.plan.edits import Load
from mule.plan.gear import keeps_safe

Proposer = Callable[[Trials, Any], Iterable[Cure]]


def _bearing(trials: Trials, finding: said.SinglePoint) -> Iterable[Cure]:
    """The ways to bear a loss, as they were found with it."""
    for backup in (b for loss in trials.resilience.losses if (loss.item,) == finding.items for b in loss.backups):
        edits = tuple(Load(item=item) for item in backup.items)
        yield Doing(code=CureCode.LOAD, edits=edits, mass_change_g=backup.mass_g)
    thing = trials.plan.items[finding.items[0]]
    yield to_get(more_of(thing))


# Ways of working and things in thought are proposed last: they are tried only where nothing else helps.
PROPOSERS: Mapping[type[Told], Proposer] = {
    said.AidMissing: aids.for_a_want,
    said.BackTooLate: links.all_without,
    said.BankTooLarge: links.all_without,
    said.BigBagsBarred: marks.within_rules,
    said.BothInOneBag: apart.pair_apart,
    said.CardsFull: pictures.more_cards,
    said.CarriesWell: luggage.lighter_back,
    said.ChargerVolts: links.all_without,
    said.ClashBasePlate: links.one_without,
    said.ClashHotShoe: links.one_without,
    said.ClashPhone: links.one_without,
    said.CopiesShort: pictures.more_copies,
    said.CopiesTogether: pictures.copies_apart,
    said.CoverLeft: aids.cover,
    said.DronesBarred: marks.within_rules,
    said.FilmShort: aids.more_film,
    said.FilterUnserved: links.filter_for,
    said.WantGap: wants.close_gap,
    said.GoesBack: links.all_without,
    said.GateNo: luggage.gate_place,
    said.HeavyLoad: luggage.lighter_back,
    said.IdleOptics: links.idle,
    said.LegCount: luggage.fewer_bags,
    said.LegMass: luggage.lighter_bag,
    said.LegSize: luggage.smaller_bag,
    said.LegSoft: luggage.smaller_bag,
    said.LegSum: luggage.smaller_bag,
    said.LegTogether: luggage.lighter_together,
    said.LensChanges: wants.fewer_changes,
    said.LightLegs: aids.heavier_legs,
    said.LostBag: apart.spread,
    said.MedicineHeld: apart.out_of_the_hold,
    said.MissingLink: links.missing_link,
    said.MustLeave: links.all_without,
    said.MustTake: marks.come_along,
    said.NativeGapOfWants: wants.bridge,
    said.NoSetUp: wants.something_to_shoot,
    said.NotHeld: aids.supports,
    said.NotAtSeat: luggage.at_the_seat,
    said.ServesNothing: links.orphan,
    said.Overfull: luggage.emptier_bag,
    said.SeenTwice: links.one_without,
    said.PiecesShort: links.missing_link,
    said.PicturesInOneBag: pictures.copies_apart,
    said.NoneBody: marks.second_body,
    said.OneZoom: links.all_without,
    said.Primes: links.all_without,
    said.SpecialistBody: marks.second_body,
    said.TrioOfZooms: links.all_without,
    said.TwinBody: marks.second_body,
    said.PowerShort: power.lasts_longer,
    said.PowerThin: power.lasts_longer,
    said.SetIncomplete: aids.whole_set,
    said.SinglePoint: _bearing,
    said.SlotFull: marks.one_of_slot,
    said.SupportLoaded: aids.stronger,
    said.TooCold: aids.warmer,
    said.TooLarge: luggage.place_for,
    said.TorchEach: aids.torches,
    said.TripodsBarred: marks.within_rules,
    said.Unplaced: luggage.bag_for_all,
    said.WantUnmet: wants.close_gap,
    said.WaterBeside: apart.water_out,
}
# Where something else than an edit of the kit has to be said or done.
_ELSEWHERE: Mapping[type[Told], NoWay] = {
    said.GateAsk: NoWay.WORD,
    said.NoDays: NoWay.BRIEF,
    said.NoPeople: NoWay.BRIEF,
    said.NoWants: NoWay.BRIEF,
    said.NothingLoaded: NoWay.BENCH,
}


def proposed(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """What could be done about a finding; of loadouts nothing: they are mended where they are made up."""
    proposer = PROPOSERS.get(type(finding))
    if proposer is None or _of_a_loadout(finding):
        return ()
    return (way for way in proposer(trials, finding) if _keeps_to_the_marks(trials, way))


def _of_a_loadout(finding: Finding) -> bool:
    return isinstance(finding, said.GateNo | said.GateAsk) and finding.loadout is not None


def _keeps_to_the_marks(trials: Trials, way: Cure) -> bool:
    """Whether it leaves no safety gear, and loads nothing that is to stay at home."""
    gear = trials.plan.items
    return not any(
        (edit.act == "leave" and keeps_safe(gear[edit.item])) or (edit.act == "load" and edit.item in trials.barred)
        for edit in way.edits
    )


def why_not(trials: Trials, finding: Finding, *, worse: bool) -> NoWay:
    """Why nothing was found for a finding. worse: whether something would help, and bring along what blocks."""
    if type(finding) in _ELSEWHERE:
        return _ELSEWHERE[type(finding)]
    if _of_a_loadout(finding):
        return NoWay.LOADOUT
    if finding.items and all(keeps_safe(trials.plan.items[item]) for item in finding.items):
        return NoWay.SAFETY
    return NoWay.WORSE if worse else NoWay.NONE
