"""Packs and devices that do not last: more packs, what charges them, both, or another way of carrying power."""

from bisect import bisect_left
from collections.abc import Iterable, Mapping
from dataclasses import replace
from itertools import combinations, islice

from mule.analysis.power import PowerCase, carries, counted, fewest, helpers, relief, schools_that_carry
from mule.findings import said
from mule.findings.codes import CureCode
from mule.findings.cures.getting import more_of, to_get, usual
from mule.findings.cures.making import Proposals, at_home, load
from mule.findings.rules import Trials
from mule.findings.said.cure import Charging, ChargingCode, Cure, Doing
from mule.plan.edits import Load
from mule.plan.gear import Battery, Charger, Gear, Link, PowerBank, at_hand
from mule.plan.trip import PowerSchool

_SCHOOLS: Mapping[PowerSchool, ChargingCode] = {
    "packs-only": CureCode.POWER_PACKS_ONLY,
    "charge-nightly": CureCode.POWER_CHARGE_NIGHTLY,
    "bank-by-day": CureCode.POWER_BANK_BY_DAY,
    "usb-c": CureCode.POWER_USB_C,
}
# Single helpers that are offered to be tried, and kinds of them that are tried in pairs.
_MOST_SINGLE = 2
_MOST_KINDS = 4
_MOST_PAIRS = 10


def lasts_longer(trials: Trials, finding: said.PowerShort | said.PowerThin) -> Iterable[Cure]:
    """Everything at home that makes a type of pack, or a device, carry every day; then other ways; then what to get."""
    type_, power = finding.type, trials.case.stamina.case
    spared = replace(power, gear={i: t for i, t in power.gear.items() if i in trials.loaded or i not in trials.barred})
    # A battery that stays inside its device has no spares: no pack is counted for it.
    pack = counted(spared, type_)
    here = _packs_at_home(trials, pack)
    found = list(_at_hand(spared, type_, pack, here))
    if not found and isinstance(finding, said.PowerShort):
        # Without the margin that is asked for it may last all the same.
        bare = spared.settings.model_copy(update={"margin": 0.0})
        found = list(_at_hand(replace(spared, settings=bare), type_, pack, here))
    yield from found
    if pack and here:
        yield load(pack, count=here)
    # How packs are carried is no question of a phone.
    schools = () if type_ in power.counts else schools_that_carry(power, type_)
    yield from (Charging(code=_SCHOOLS[school]) for school in schools)
    yield from _to_get(trials, spared, type_)


def _at_hand(power: PowerCase, type_: str, pack: Battery | None, here: int) -> Iterable[Cure]:
    """Packs, something that charges, or both, of what lies at home. here: packs of the type there."""
    # What all of it together does not do, no part of it does (docs/domain/power.md).
    if not carries(_with_everything(power, type_, pack, here), type_):
        return
    if pack and here and carries(_with_more(power, pack, here), type_):
        yield load(pack, count=_fewest_more(power, pack, here))
    single = list(islice(relief(power, type_), _MOST_SINGLE))
    yield from map(load, single)
    if not single:
        yield from _together(power, type_, pack, here)


def _with_more(power: PowerCase, pack: Battery, more: int) -> PowerCase:
    return power.with_packs(pack.id, power.counts.get(pack.id, 0) + more)


def _with_everything(power: PowerCase, type_: str, pack: Battery | None, here: int) -> PowerCase:
    """With all packs of a type and all that charges them, as far as it lies at home."""
    for thing in (t for things in helpers(power, type_) for t in things):
        power = power.with_piece(thing.id, thing.count - power.counts.get(thing.id, 0))
    return _with_more(power, pack, here) if pack else power


def _fewest_more(power: PowerCase, pack: Battery, here: int) -> int:
    """Packs of those at home that carry every day beside the loaded ones; only where all of them do."""
    return 1 + bisect_left(
        range(1, here), True, key=lambda more: carries(_with_more(power, pack, more), pack.battery_type)
    )


def _to_get(trials: Trials, power: PowerCase, type_: str) -> Iterable[Cure]:
    """More packs, a bank, a bank with what fills it, a charger: the lightest first."""
    need = fewest(power, type_)
    pack = counted(power, type_)
    ways = [to_get(usual("power-bank")), to_get(usual("power-bank"), usual("usb-power"))]
    if pack and need.packs is not None and need.packs > need.loaded:
        ways.append(_get_packs(trials, pack, need.packs - need.loaded))
    if type_ not in power.counts:
        ways.append(to_get(usual("charger", type_)))
    return sorted(ways, key=lambda way: sum(got.mass_g * got.count for got in way.gets))


def _packs_at_home(trials: Trials, pack: Battery | None) -> int:
    if pack is None or pack.id in trials.barred or not at_hand(pack):
        return 0
    return at_home(trials, [pack])[pack.id]


def _together(power: PowerCase, type_: str, pack: Battery | None, here: int) -> Iterable[Cure]:
    """What only does it together: something that charges and more packs, or two things that charge."""
    kinds = helpers(power, type_)
    for thing in (min(things, key=lambda t: t.mass_g) for things in kinds[:_MOST_KINDS] if pack and here):
        helped = power.with_piece(thing.id, 1)
        if pack and carries(_with_more(helped, pack, here), type_):
            yield _load_both(thing, pack, _fewest_more(helped, pack, here))
    # The lightest and the strongest of each kind stand for it.
    able = dict.fromkeys(t.id for things in kinds for t in (min(things, key=_mass_g), max(things, key=_strength)))
    pairs = combinations((power.gear[item] for item in able), 2)
    lightest = sorted(pairs, key=lambda pair: pair[0].mass_g + pair[1].mass_g)[:_MOST_PAIRS]
    both = (p for p in lightest if carries(power.with_piece(p[0].id, 1).with_piece(p[1].id, 1), type_))
    yield from (load(*pair) for pair in islice(both, 1))


def _mass_g(thing: Gear) -> float:
    return thing.mass_g


def _strength(thing: Gear) -> float:
    """Wh of a bank, bays of a charger, W of a lead."""
    match thing:
        case PowerBank(energy_wh=wh):
            return wh
        case Charger(bays=bays):
            return bays
        case Link(rating_w=watts):
            return watts or 0.0
        case _:
            return 0.0


def _load_both(thing: Gear, pack: Battery, count: int) -> Cure:
    return Doing(code=CureCode.LOAD, edits=(Load(item=thing.id), Load(item=pack.id, count=count)))


def _get_packs(trials: Trials, pack: Battery, more: int) -> Doing:
    """Those at home, and the rest from elsewhere."""
    here = _packs_at_home(trials, pack)
    return to_get(more_of(pack, max(1, more - here)), edits=load(pack, count=here).edits if here else ())


PROPOSALS: Proposals = {
    said.PowerShort: lasts_longer,
    said.PowerThin: lasts_longer,
}
