"""What the photographer has picked: schools, marks, rules of the place, and things that are not back in time."""

from collections.abc import Iterable

from mule.findings import said
from mule.findings.codes import CureCode
from mule.findings.cures.getting import more_of, to_get
from mule.findings.cures.links import all_without
from mule.findings.cures.luggage import smaller_bags
from mule.findings.cures.making import Proposals, instead, leave_all, left, load
from mule.findings.rules import Trials
from mule.findings.said.cure import Cure, Doing, StayAtBase
from mule.plan.gear import Body, OtherSupport, at_hand, twins

_PASSES = ("clamp", "flat-plate", "bean-bag")


def second_body(trials: Trials, finding: said.NoneBody | said.TwinBody | said.SpecialistBody) -> Iterable[Cure]:
    """All but the one that earns most stay at home; or the lightest left body that makes the pair."""
    policy = trials.plan.trip.policies.second_body
    bodies = [b for i in finding.items if isinstance(b := trials.plan.items[i], Body)]
    different = list(dict.fromkeys(b.id for b in bodies))
    if policy == "none":
        yield leave_all(sorted(different, key=lambda i: trials.worth.get(i, 0.0))[: len(different) - 1])
        return
    if len(bodies) > 2:
        for item in sorted(different, key=lambda i: trials.worth.get(i, 0.0)):
            yield leave_all([item])
        return
    first = bodies[0]
    able = [t for t in left(trials, Body) if twins(t, first) == (policy == "twin")]
    if len(bodies) == 1:
        yield from (load(t) for t in able[:1])
        if policy == "twin":
            yield to_get(more_of(first))
        return
    for item in different:
        other = next((b for b in bodies if b.id != item), first)
        pair = [t for t in left(trials, Body) if t.id != item and twins(t, other) == (policy == "twin")]
        for thing in pair[:1]:
            yield instead([item], thing)
        yield leave_all([item])


def come_along(trials: Trials, finding: said.MustTake) -> Iterable[Cure]:
    """What must come is loaded, where it is here."""
    things = (trials.plan.items[i] for i in finding.items)
    yield from (load(thing) for thing in sorted(things, key=at_hand, reverse=True))


def one_of_slot(trials: Trials, finding: said.SlotFull) -> Iterable[Cure]:
    """All but one of what shares a slot stay at home."""
    for kept in finding.items:
        yield leave_all(i for i in finding.items if i != kept)


def within_rules(
    trials: Trials, finding: said.TripodsBarred | said.DronesBarred | said.BigBagsBarred
) -> Iterable[Cure]:
    """What passes where legs are barred; the days on which it stays behind; or it stays at home."""
    bags = isinstance(finding, said.BigBagsBarred)
    if isinstance(finding, said.BigBagsBarred):
        yield from smaller_bags(trials, finding)
    if isinstance(finding, said.TripodsBarred):
        passes = [t for t in trials.plan.gear if isinstance(t, OtherSupport) and t.form in _PASSES]
        if not any(t.id in trials.loaded for t in passes):
            # In place of the legs: where they are missed, something has to hold the camera still.
            gone = leave_all(i for i in finding.items if i in trials.loaded).edits
            for thing in (t for t in left(trials, OtherSupport) if t in passes):
                yield Doing(code=CureCode.LOAD_MAY_PASS, edits=(*gone, *load(thing).edits))
    if finding.days < finding.of_days or bags:
        yield StayAtBase(days=finding.days)
    if not bags:
        yield from all_without(trials, finding)


PROPOSALS: Proposals = {
    said.BigBagsBarred: within_rules,
    said.DronesBarred: within_rules,
    said.MustTake: come_along,
    said.NoneBody: second_body,
    said.SlotFull: one_of_slot,
    said.SpecialistBody: second_body,
    said.TripodsBarred: within_rules,
    said.TwinBody: second_body,
}
