"""What is proposed for each finding."""

from collections.abc import Callable, Iterable, Mapping

from mule.findings.cure import Cure, CureCode, NoWay
from mule.findings.cures import aids, apart, links, luggage, marks, pictures, power, wants
from mule.findings.cures.getting import to_get
from mule.findings.finding import FindingCode as F
from mule.findings.rules import Trials
from mule.findings.said import Finding
from mule.plan.edits import Load
from mule.plan.gear import keeps_safe

Proposer = Callable[[Trials, Finding], Iterable[Cure]]


def _bearing(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """The ways to bear a loss, as they were found with it."""
    for backup in (b for loss in trials.resilience.losses if (loss.item,) == finding.items for b in loss.backups):
        edits = tuple(Load(item=item) for item in backup.items)
        yield Cure(code=CureCode.LOAD, edits=edits, mass_change_g=backup.mass_g)
    thing = trials.plan.items[finding.items[0]]
    yield to_get("same", thing.mass_g, item=thing.id)


# Ways of working and things in thought are proposed last: they are tried only where nothing else helps.
PROPOSERS: Mapping[F, Proposer] = {
    F.AID_MISSING: aids.for_a_want,
    F.BACK_TOO_LATE: links.all_without,
    F.BANK_TOO_LARGE: links.all_without,
    F.BIG_BAGS_BARRED: marks.within_rules,
    F.BOTH_IN_ONE_BAG: apart.pair_apart,
    F.CARDS_FULL: pictures.more_cards,
    F.CARRIES_WELL: luggage.lighter_back,
    F.CHARGER_VOLTS: links.all_without,
    F.CLASH_BASE_PLATE: links.one_without,
    F.CLASH_HOT_SHOE: links.one_without,
    F.CLASH_PHONE: links.one_without,
    F.COPIES_SHORT: pictures.more_copies,
    F.COPIES_TOGETHER: pictures.copies_apart,
    F.COVER_LEFT: aids.cover,
    F.DRONES_BARRED: marks.within_rules,
    F.FILM_SHORT: aids.more_film,
    F.FILTER_UNSERVED: links.filter_for,
    F.GAP: wants.close_gap,
    F.GOES_BACK: links.all_without,
    F.GATE_NO: luggage.gate_place,
    F.HEAVY_LOAD: luggage.lighter_back,
    F.IDLE_OPTICS: links.idle,
    F.LEG_COUNT: luggage.fewer_bags,
    F.LEG_MASS: luggage.lighter_bag,
    F.LEG_SIZE: luggage.smaller_bag,
    F.LEG_SOFT: luggage.smaller_bag,
    F.LEG_SUM: luggage.smaller_bag,
    F.LEG_TOGETHER: luggage.lighter_together,
    F.LENS_CHANGES: wants.fewer_changes,
    F.LIGHT_LEGS: aids.heavier_legs,
    F.LOST_BAG: apart.spread,
    F.MEDICINE_HELD: apart.out_of_the_hold,
    F.MISSING_LINK: links.missing_link,
    F.MUST_LEAVE: links.all_without,
    F.MUST_TAKE: marks.come_along,
    F.NATIVE_GAP: wants.bridge,
    F.NO_SET_UP: wants.something_to_shoot,
    F.NOT_HELD: aids.supports,
    F.NOT_AT_SEAT: luggage.at_the_seat,
    F.ORPHAN: links.orphan,
    F.OVERFULL: luggage.emptier_bag,
    F.OVERLAP: links.one_without,
    F.PIECES_SHORT: links.missing_link,
    F.PICTURES_IN_ONE_BAG: pictures.copies_apart,
    F.POLICY_NONE_BODY: marks.second_body,
    F.POLICY_ONE_ZOOM: links.all_without,
    F.POLICY_PRIMES: links.all_without,
    F.POLICY_SPECIALIST_BODY: marks.second_body,
    F.POLICY_TRIO_OF_ZOOMS: links.all_without,
    F.POLICY_TWIN_BODY: marks.second_body,
    F.POWER_SHORT: power.lasts_longer,
    F.POWER_THIN: power.lasts_longer,
    F.SET_INCOMPLETE: aids.whole_set,
    F.SINGLE_POINT: _bearing,
    F.SLOT_FULL: marks.one_of_slot,
    F.SUPPORT_LOADED: aids.stronger,
    F.TOO_COLD: aids.warmer,
    F.TOO_LARGE: luggage.place_for,
    F.TORCH_EACH: aids.torches,
    F.TRIPODS_BARRED: marks.within_rules,
    F.UNPLACED: luggage.bag_for_all,
    F.WANT_UNMET: wants.close_gap,
    F.WATER_BESIDE: apart.water_out,
}
# Where something else than an edit of the kit has to be said or done.
_ELSEWHERE: Mapping[F, NoWay] = {
    F.GATE_ASK: NoWay.WORD,
    F.NO_DAYS: NoWay.BRIEF,
    F.NO_PEOPLE: NoWay.BRIEF,
    F.NO_WANTS: NoWay.BRIEF,
    F.NOTHING_LOADED: NoWay.BENCH,
}


def proposed(trials: Trials, finding: Finding) -> Iterable[Cure]:
    """What could be done about a finding; of loadouts nothing: they are mended where they are made up."""
    proposer = PROPOSERS.get(finding.code)
    if proposer is None or "loadout" in finding.refs:
        return ()
    return (way for way in proposer(trials, finding) if _keeps_to_the_marks(trials, way))


def _keeps_to_the_marks(trials: Trials, way: Cure) -> bool:
    """Whether it leaves no safety gear, and loads nothing that is to stay at home."""
    gear = trials.plan.items
    return not any(
        (edit.act == "leave" and keeps_safe(gear[edit.item])) or (edit.act == "load" and edit.item in trials.barred)
        for edit in way.edits
    )


def why_not(trials: Trials, finding: Finding, *, worse: bool) -> NoWay:
    """Why nothing was found for a finding. worse: whether something would help, and bring along what blocks."""
    if finding.code in _ELSEWHERE:
        return _ELSEWHERE[finding.code]
    if "loadout" in finding.refs:
        return NoWay.LOADOUT
    if finding.items and all(keeps_safe(trials.plan.items[item]) for item in finding.items):
        return NoWay.SAFETY
    return NoWay.WORSE if worse else NoWay.NONE
