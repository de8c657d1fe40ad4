"""The advice on power: fewest packs, what would save some, the schools side by side, banks, losses."""

from collections.abc import Iterable, Mapping
from datetime import date

from mule.analysis.power.case import PowerCase
from mule.analysis.power.claims import Claim, claims
from mule.analysis.power.fewest import SCHOOLS, Fewest, fewest, grams_of, helpers, types_asked
from mule.analysis.power.losses import PowerLoss, power_losses
from mule.analysis.power.run import Run
from mule.base.units import Frozen
from mule.plan.gear import Battery, Charger, Link, PowerBank
from mule.plan.trip import PowerSchool

# What each school carries beside packs.
_CARRIES: Mapping[PowerSchool, tuple[type, ...]] = {
    "packs-only": (),
    "charge-nightly": (Charger, Link),
    "bank-by-day": (Charger, Link, PowerBank),
    "usb-c": (PowerBank, Link),
}


class Saving(Frozen):
    """Something left behind that makes packs needless. packs: how many of the type; mass_g: grams of the exchange."""

    item: str
    type: str
    packs: int
    mass_g: float


class SchoolRow(Frozen):
    """A school of carrying power, on this trip. packs: fewest in all; grams: of them and what charges them.

    short_on: the first short day with what is loaded now. sockets: most used at one time in any night.
    """

    school: PowerSchool
    packs: int | None
    grams: float
    short_on: date | None
    sockets: int


class PowerAdvice(Frozen):
    """The whole advice. losses: single pieces without which fewer days are carried, worst first."""

    fewest: tuple[Fewest, ...]
    savings: tuple[Saving, ...]
    schools: tuple[SchoolRow, ...]
    claims: tuple[Claim, ...]
    losses: tuple[PowerLoss, ...]


def advise_power(case: PowerCase) -> PowerAdvice:
    """Fewest packs of each type, what would save some, the schools side by side, and what banks really give."""
    types = types_asked(case)
    need = {type_: fewest(case, type_) for type_ in types}
    return PowerAdvice(
        fewest=tuple(need.values()),
        savings=tuple(_savings(case, need)),
        schools=tuple(_school(case, need, school) for school in SCHOOLS),
        claims=tuple(claims(case, types)),
        losses=power_losses(case),
    )


def _savings(case: PowerCase, need: Mapping[str, Fewest]) -> Iterable[Saving]:
    """The lightest bank, charger, plug and lead that lie at hand, each by itself."""
    for type_, now in need.items():
        pack = case.gear[now.item] if now.item else None
        if now.packs is None or now.packs < 2 or not isinstance(pack, Battery) or not pack.rechargeable:
            continue
        for things in helpers(case, type_):
            thing = min(things, key=lambda t: t.mass_g)
            then = fewest(case.with_piece(thing.id, 1), type_)
            if then.packs is not None and then.packs < now.packs:
                saved = now.packs - then.packs
                yield Saving(item=thing.id, type=type_, packs=saved, mass_g=thing.mass_g - saved * pack.mass_g)


def _school(case: PowerCase, need: Mapping[str, Fewest], school: PowerSchool) -> SchoolRow:
    """need: fewest packs of each type in the trip's own school."""
    schooled = case.in_school(school)
    own = school == case.settings.power
    found = [now if own else fewest(schooled, type_) for type_, now in need.items() if now.item]
    run = Run(schooled)
    short, sockets = None, 0
    for day in schooled.days:
        if any(use.short and not use.bare for use in run.live(day)):
            short = short or day.date
        sockets = max(sockets, run.sleep(day).most_sockets)
    packs = [f.packs for f in found]
    grams = sum(case.gear[f.item].mass_g * f.packs for f in found if f.item and f.packs)
    return SchoolRow(
        school=school,
        packs=None if None in packs else sum(p for p in packs if p is not None),
        grams=grams + grams_of(case.gear, case.counts, _CARRIES[school]),
        short_on=short,
        sockets=sockets,
    )
