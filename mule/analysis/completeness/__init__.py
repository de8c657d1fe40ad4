"""Completeness: missing links, orphans, chains, clashes, doubles. The front door is ``complete``.

See docs/domain/completeness.md.
"""

from collections.abc import Iterable, Mapping

from mule.analysis.completeness.answer import Broken, Chain, Clash, Completeness, Hold, Missing, Orphan, Overlap
from mule.analysis.completeness.doubles import clashes, overlaps
from mule.analysis.completeness.givers import LightestGivers
from mule.analysis.completeness.graph import DependencyGraph, dependency_graph
from mule.analysis.completeness.keys import Key, Need, Offer
from mule.analysis.completeness.needs import needs_head
from mule.analysis.completeness.requirements import Requirement, Requirements, Unmet
from mule.plan.gear import Battery, Body, Card, Computer, Drone, Gear, Light, Link, Other, Remote, Sound, keeps_safe

# A chain is worth a line when a thing brings this many others along.
_LONG_CHAIN = 2


def complete(requirements: Requirements, gear: Mapping[str, Gear], counts: Mapping[str, int]) -> Completeness:
    """What the loaded things lack and double.

    requirements: of the loaded things, in a graph over the whole locker. gear: by id. counts: pieces loaded by item id.

    >>> from tests import cast
    >>> lens = {"normal": cast.normal_zoom()}
    >>> made = complete(Requirements(dependency_graph([cast.body(), *lens.values()]), ["normal"]), lens, {"normal": 1})
    >>> [orphan.item for orphan in made.orphans]
    ['normal']
    """
    things = [gear[item] for item in counts]
    return Completeness(
        missing=(*_missing(requirements), *_short_packs(gear, counts)),
        orphans=tuple(_orphans(gear, counts, requirements)),
        clashes=clashes(things, counts),
        overlaps=overlaps(things),
    )


def holds(requirements: Requirements, gear: Mapping[str, Gear], counts: Mapping[str, int]) -> tuple[Hold, ...]:
    """What leaving each loaded thing means; things of which nothing hangs on have no line.

    requirements: of the loaded things. gear: by id. counts: pieces loaded by item id.

    >>> from tests import cast
    >>> gear = {"body": cast.body(), "normal": cast.normal_zoom()}
    >>> found = holds(Requirements(dependency_graph([*gear.values()]), gear), gear, {"body": 1, "normal": 1})
    >>> [(hold.item, hold.goes) for hold in found]
    [('body', ('normal',)), ('normal', ('body',))]
    """
    found = ((item, *requirements.leaving((item,))) for item in counts)
    return tuple(
        Hold(item=item, goes=_without_safety(gear, goes), breaks=_broken(fails))
        for item, goes, fails in found
        if goes or fails
    )


def _broken(fails: Iterable[Requirement]) -> tuple[Broken, ...]:
    found = {(r.item, r.need.what, r.need.label): r.need.sort for r in fails}
    return tuple(
        Broken(of="want" if sort == "asked" else "thing", id=at, what=what, label=label)
        for (at, what, label), sort in found.items()
    )


def _without_safety(gear: Mapping[str, Gear], items: Iterable[str]) -> tuple[str, ...]:
    """Safety things stay in the bag, whatever they have lost."""
    return tuple(item for item in items if not keeps_safe(gear[item]))


def _missing(requirements: Requirements) -> Iterable[Missing]:
    """One line per item and sort of link; things that lack the same link for the same reason share the first's."""
    seen: set[tuple[str, str]] = set()
    for item, need in requirements.unmet:
        if need.sort == "link" and (need.what, need.label) not in seen:
            seen.add((need.what, need.label))
            yield Missing(item=item, what=need.what, label=need.label)


def packs_eaten(thing: Gear) -> tuple[str, int] | None:
    """Battery type and pieces that a thing holds at one time; None when it runs on nothing of its own.

    >>> from tests import cast
    >>> packs_eaten(cast.body(battery_type="LB-4")), packs_eaten(cast.normal_zoom())
    (('LB-4', 1), None)
    """
    match thing:
        case Body(battery_type=str() as type_) | Drone(battery_type=type_) | Remote(battery_type=str() as type_):
            return type_, 1
        case (
            Light(battery_type=str() as type_, cells=cells)
            | Sound(battery_type=str() as type_, cells=cells)
            | Other(battery_type=str() as type_, cells=cells)
        ):
            return type_, cells
        case _:
            return None


def _short_packs(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> Iterable[Missing]:
    """Things that eat a type of pack hold more of them at one time than are loaded."""
    eaten: dict[str, tuple[str, int]] = {}
    have: dict[str, int] = {}
    for item, count in counts.items():
        thing = gear[item]
        if isinstance(thing, Battery):
            have[thing.battery_type] = have.get(thing.battery_type, 0) + count
        elif hunger := packs_eaten(thing):
            first, pieces = eaten.get(hunger[0], (item, 0))
            eaten[hunger[0]] = (first, pieces + hunger[1] * count)
    for type_, (item, wanted) in eaten.items():
        if 0 < have.get(type_, 0) < wanted:
            yield Missing(item=item, what="pack", label=type_, short=wanted - have[type_])


def _orphans(gear: Mapping[str, Gear], counts: Mapping[str, int], requirements: Requirements) -> Iterable[Orphan]:
    seen: set[str] = set()
    for item, need in requirements.unmet:
        if need.sort == "purpose" and item not in seen and not keeps_safe(gear[item]):
            seen.add(item)
            yield Orphan(item=item, lacks=need.what, label=need.label, mass_g=gear[item].mass_g * counts[item])


def chains(requirements: Requirements, gear: Mapping[str, Gear], counts: Mapping[str, int]) -> Iterable[Chain]:
    """All cards or packs of one type, and single things that are not bodies or computers: what they alone bring.

    requirements: of the loaded things. gear: by id. counts: pieces loaded by item id.
    """
    cards: dict[str, list[str]] = {}
    packs: dict[str, list[str]] = {}
    for item in counts:
        match gear[item]:
            case Card(card_type=type_):
                cards.setdefault(type_, []).append(item)
            case Battery(battery_type=type_):
                packs.setdefault(type_, []).append(item)
    for type_, items in cards.items():
        yield from _chain(
            gear, counts, requirements, Chain(lead=tuple(items), what="card", label=type_, followers=(), mass_g=0)
        )
    for type_, items in packs.items():
        yield from _chain(
            gear, counts, requirements, Chain(lead=tuple(items), what="pack", label=type_, followers=(), mass_g=0)
        )
    for item in counts:
        if not isinstance(gear[item], Body | Computer | Card | Battery | Link):
            yield from _chain(
                gear, counts, requirements, Chain(lead=(item,), what="thing", label="", followers=(), mass_g=0)
            )


def _chain(
    gear: Mapping[str, Gear], counts: Mapping[str, int], requirements: Requirements, chain: Chain
) -> Iterable[Chain]:
    followers = _without_safety(gear, requirements.goes_with(*chain.lead))
    if len(followers) >= _LONG_CHAIN:
        grams = sum(gear[item].mass_g * counts[item] for item in followers)
        yield chain.model_copy(update={"followers": followers, "mass_g": grams})


__all__ = [
    "Broken",
    "Chain",
    "Clash",
    "Completeness",
    "DependencyGraph",
    "Hold",
    "Key",
    "LightestGivers",
    "Missing",
    "Need",
    "Offer",
    "Orphan",
    "Overlap",
    "Requirement",
    "Requirements",
    "Unmet",
    "chains",
    "complete",
    "dependency_graph",
    "holds",
    "needs_head",
    "packs_eaten",
]
