"""Completeness: missing links, orphans, chains, clashes, doubles. The front door is ``complete`` (domain 7)."""

from collections.abc import Iterable, Mapping

from mule.completeness.answer import Broken, Chain, Clash, Completeness, Hold, Missing, Orphan, Overlap
from mule.completeness.cures import Cures
from mule.completeness.doubles import clashes, overlaps
from mule.completeness.keys import Key, Need, Offer
from mule.completeness.web import Tie, Ties, Web, weave
from mule.gear import Battery, Body, Card, Computer, Drone, Gear, Light, Link, Remote, Sound, at_hand, keeps_safe

# A chain is worth a line when a thing brings this many others along.
_LONG_CHAIN = 2


def complete(ties: Ties, gear: Mapping[str, Gear], counts: Mapping[str, int]) -> Completeness:
    """What the loaded things lack, drag along and double.

    ties: of the loaded things, in a web over the whole locker. gear: by id. counts: pieces loaded by item id.
    """
    things = [gear[item] for item in counts]
    return Completeness(
        missing=(*_missing(gear, counts, ties), *_short_packs(gear, counts)),
        orphans=tuple(_orphans(gear, counts, ties)),
        chains=tuple(_chains(gear, counts, ties)),
        clashes=clashes(things, counts),
        overlaps=overlaps(things),
        holds=tuple(
            Hold(item=item, goes=_without_safety(gear, goes), breaks=_broken(fails))
            for item in counts
            for goes, fails in (ties.leaving((item,)),)
        ),
    )


def _broken(fails: Iterable[Tie]) -> tuple[Broken, ...]:
    found = {(tie.item, tie.need.what, tie.need.label): tie.need.sort for tie in fails}
    return tuple(
        Broken(of="want" if sort == "asked" else "thing", id=at, what=what, label=label)
        for (at, what, label), sort in found.items()
    )


def _without_safety(gear: Mapping[str, Gear], items: Iterable[str]) -> tuple[str, ...]:
    """Safety things stay in the bag, whatever they have lost."""
    return tuple(item for item in items if not keeps_safe(gear[item]))


def _missing(gear: Mapping[str, Gear], counts: Mapping[str, int], ties: Ties) -> Iterable[Missing]:
    """One line per item and sort of link; things that lack the same link for the same reason share the first's."""
    seen: set[tuple[str, str]] = set()
    cures = Cures(ties.web, gear, counts)
    for tie in ties.unmet:
        need = tie.need
        if need.sort == "link" and (need.what, need.label) not in seen:
            seen.add((need.what, need.label))
            cure = cures.lightest(tie.item, need)
            yield Missing(
                item=tie.item,
                what=need.what,
                label=need.label,
                loads=cure[1] if cure else None,
                mass_g=cure[0] if cure else 0.0,
            )


def packs_eaten(thing: Gear) -> tuple[str, int] | None:
    """Battery type and pieces that a thing holds at one time; None when it runs on nothing of its own."""
    match thing:
        case Body(battery_type=str() as type_) | Drone(battery_type=type_) | Remote(battery_type=str() as type_):
            return type_, 1
        case Light(battery_type=str() as type_, cells=cells) | Sound(battery_type=str() as type_, cells=cells):
            return type_, cells
        case _:
            return None


def _short_packs(gear: Mapping[str, Gear], counts: Mapping[str, int]) -> Iterable[Missing]:
    """Things that eat a type of pack hold more of them at one time than are loaded."""
    eaten: dict[str, tuple[str, int]] = {}
    for item, count in counts.items():
        hunger = packs_eaten(gear[item])
        if hunger:
            first, pieces = eaten.get(hunger[0], (item, 0))
            eaten[hunger[0]] = (first, pieces + hunger[1] * count)
    for type_, (item, wanted) in eaten.items():
        packs = [t for t in gear.values() if isinstance(t, Battery) and t.battery_type == type_]
        have = sum(counts.get(p.id, 0) for p in packs)
        if 0 < have < wanted:
            more = [p for p in packs if at_hand(p) and p.count - counts.get(p.id, 0) >= wanted - have]
            cure = min(more, key=lambda p: p.mass_g, default=None)
            yield Missing(
                item=item,
                what="pack",
                label=type_,
                loads=(cure.id,) if cure else None,
                mass_g=cure.mass_g * (wanted - have) if cure else 0.0,
                short=wanted - have,
            )


def _orphans(gear: Mapping[str, Gear], counts: Mapping[str, int], ties: Ties) -> Iterable[Orphan]:
    seen: set[str] = set()
    for tie in ties.unmet:
        if tie.need.sort == "purpose" and tie.item not in seen and not keeps_safe(gear[tie.item]):
            seen.add(tie.item)
            grams = gear[tie.item].mass_g * counts[tie.item]
            yield Orphan(item=tie.item, lacks=tie.need.what, label=tie.need.label, mass_g=grams)


def _chains(gear: Mapping[str, Gear], counts: Mapping[str, int], ties: Ties) -> Iterable[Chain]:
    """All cards or packs of one type, and single things that are not bodies or computers: what they alone bring."""
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
            gear, counts, ties, Chain(lead=tuple(items), what="card", label=type_, followers=(), mass_g=0)
        )
    for type_, items in packs.items():
        yield from _chain(
            gear, counts, ties, Chain(lead=tuple(items), what="pack", label=type_, followers=(), mass_g=0)
        )
    for item in counts:
        if not isinstance(gear[item], Body | Computer | Card | Battery | Link):
            yield from _chain(gear, counts, ties, Chain(lead=(item,), what="thing", label="", followers=(), mass_g=0))


def _chain(gear: Mapping[str, Gear], counts: Mapping[str, int], ties: Ties, chain: Chain) -> Iterable[Chain]:
    followers = _without_safety(gear, ties.goes_with(*chain.lead))
    if len(followers) >= _LONG_CHAIN:
        grams = sum(gear[item].mass_g * counts[item] for item in followers)
        yield chain.model_copy(update={"followers": followers, "mass_g": grams})


__all__ = [
    "Broken",
    "Chain",
    "Clash",
    "Completeness",
    "Cures",
    "Hold",
    "Key",
    "Missing",
    "Need",
    "Offer",
    "Orphan",
    "Overlap",
    "Tie",
    "Ties",
    "Web",
    "complete",
    "packs_eaten",
    "weave",
]
