"""What wants and people ask for beside glass: supports, lights and the like, covers, film, sets for everybody."""

from collections.abc import Iterable
from math import ceil

from mule.analysis.completeness import needs_head
from mule.findings import said
from mule.findings.cures.getting import DRONE_PACK, to_get, usual
from mule.findings.cures.making import Proposals, at_home, instead, left, load, load_counts
from mule.findings.rules import Trials
from mule.findings.rules.holding import LIGHT_LEGS_G
from mule.findings.said.cure import Cure
from mule.findings.said.gets import ToGet
from mule.plan.gear import ON_A_ROLL, Head, Light, Other, OtherSupport, Safety, Tripod, holds_still, serves
from mule.plan.gear.base import Thing
from mule.plan.purposes import Purpose

# Ways that are proposed of one sort.
_WAYS = 3


def for_a_want(trials: Trials, finding: said.AidMissing) -> Iterable[Cure]:
    """What serves it and lies at home, lightest first, as many as are asked; or one to get."""
    aid, lacking = finding.aid, finding.count - finding.have
    here = at_home(trials, (t for t in left(trials, Thing) if serves(t) == aid))
    yield from (load_counts({item: lacking}) for item, n in list(here.items())[:_WAYS] if n >= lacking)
    if sum(here.values()) >= lacking > 1:
        yield load_counts(_first(here, lacking))
    flies = (usual("pack", DRONE_PACK, 2 * lacking),) if aid == "drone" else ()
    yield to_get(usual(aid, count=lacking), *flies)


def _first(here: dict[str, int], count: int) -> dict[str, int]:
    """So many pieces of what lies at home, in its order."""
    taken: dict[str, int] = {}
    for item, n in here.items():
        if count > 0:
            taken[item] = min(n, count)
            count -= taken[item]
    return taken


def heavier_legs(trials: Trials, finding: said.LightLegs) -> Iterable[Cure]:
    """Legs that stand in wind, in place of light ones."""
    able = [t for t in left(trials, Tripod) if t.mass_g >= LIGHT_LEGS_G]
    yield from (instead(finding.items, t) for t in able[:_WAYS])


def warmer(trials: Trials, finding: said.TooCold) -> Iterable[Cure]:
    """Clothes or sleeping bags from home that are warm enough, as many as lack, the lightest first."""
    purpose = Purpose.CLOTHING if finding.sort == "worn" else Purpose.SLEEPING
    lowest, lacking = finding.lowest_c, finding.people - finding.have
    able = [
        t for t in left(trials, Other) if t.purpose is purpose and t.comfort_c is not None and t.comfort_c <= lowest
    ]
    for thing in able[:_WAYS]:
        yield load_counts({thing.id: min(lacking, thing.count - trials.loaded.get(thing.id, 0))})


def more_film(trials: Trials, finding: said.FilmShort) -> Iterable[Cure]:
    """Rolls that lie at home, or to get."""
    type_, over = finding.type, finding.asked - finding.have
    for film in (t for t in left(trials, Other) if t.refill == type_):
        rolls = ceil(over / film.pictures)
        yield load_counts({film.id: min(rolls, film.count - trials.loaded.get(film.id, 0))})
    yield to_get(usual("film", type_, ceil(over / ON_A_ROLL)))


def whole_set(trials: Trials, finding: said.SetIncomplete) -> Iterable[Cure]:
    """What of a set lies at home, for everybody; the rest to get."""
    people = finding.people
    each = next(s for s in trials.plan.trip.sets if s.id == finding.set)
    take: dict[str, int] = {}
    gets: list[ToGet] = []
    for use in each.uses:
        mine = [t for t in trials.plan.gear if isinstance(t, Safety | Other) and t.filed_as == use.lower()]
        lacking = people - sum(trials.loaded.get(t.id, 0) for t in mine)
        here = at_home(trials, (t for t in left(trials, Thing) if t in mine))
        take |= _first(here, lacking)
        short = lacking - sum(here.values())
        if short > 0:
            gets.append(usual("safety", use, short))
    if take:
        yield load_counts(take)
    if gets:
        yield to_get(*gets, edits=load_counts(take).edits)


def torches(trials: Trials, finding: said.TorchEach) -> Iterable[Cure]:
    """A head torch for everybody."""
    missing = finding.people - finding.have
    able = [t for t in left(trials, Light) if t.form == "head-torch"]
    here = at_home(trials, able)
    enough = [item for item, n in here.items() if n >= missing]
    if here:
        yield load_counts({enough[0]: missing} if enough else here)
    yield to_get(usual("head-torch", count=missing))


def supports(trials: Trials, finding: said.NotHeld) -> Iterable[Cure]:
    """What holds a camera still, lightest first, with a head where it needs one; or legs to get."""
    for kind in (Tripod, OtherSupport):
        for thing in [t for t in left(trials, kind) if holds_still(t)][:_WAYS]:
            heads = left(trials, Head) if needs_head(thing) and not _loaded(trials, Head) else []
            yield load(thing, *heads[:1])
    yield to_get(usual("tripod"))


def stronger(trials: Trials, finding: said.SupportLoaded) -> Iterable[Cure]:
    """Legs or a head that are rated for it, in place of what is not."""
    (weak, *_), need = finding.items, finding.mass_g
    kind = Head if isinstance(trials.plan.items[weak], Head) else Tripod
    able = [t for t in left(trials, kind) if t.max_load_g > need]
    yield from (instead([weak], t) for t in able[:_WAYS])
    yield to_get(usual("head" if kind is Head else "tripod"))


def cover(trials: Trials, finding: said.CoverLeft) -> Iterable[Cure]:
    """A cover that lies at home; or one to get."""
    yield from (load(t) for t in left(trials, Other) if t.purpose is Purpose.COVER)
    yield to_get(usual("cover"))


def _loaded(trials: Trials, kind: type[Thing]) -> bool:
    return any(isinstance(trials.plan.items[i], kind) for i in trials.loaded)


PROPOSALS: Proposals = {
    said.AidMissing: for_a_want,
    said.CoverLeft: cover,
    said.FilmShort: more_film,
    said.LightLegs: heavier_legs,
    said.NotHeld: supports,
    said.SetIncomplete: whole_set,
    said.SupportLoaded: stronger,
    said.TooCold: warmer,
    said.TorchEach: torches,
}
