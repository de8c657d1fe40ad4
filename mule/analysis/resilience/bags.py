"""A piece of luggage lost on the first day, with all that rides in it by pieces: what power and cards are left.

See docs/domain/resilience.md.
"""

from collections.abc import Iterator, Mapping, Sequence

from mule.analysis.load import roots
from mule.analysis.optics import Table
from mule.analysis.power import PowerCase, days_without
from mule.base.units import Frozen
from mule.plan import Plan
from mule.plan.gear import Card
from mule.plan.places import PieceKind

# All checked bags are lost together.
HOLD = "hold"


class BagLoss(Frozen):
    """What is left without a bag, or without all that is checked in. bags: those that are gone.

    power_days: days that packs carry then, of whole_days now. charges: whether anything still charges, of what charged.
    cards, all_cards: cards left, of those loaded. items: what was lost of power and cards, with pieces.
    """

    what: str
    bags: tuple[str, ...]
    power_days: int
    whole_days: int
    days: int
    charges: bool
    charged: bool
    cards: int
    all_cards: int
    items: Mapping[str, int]

    @property
    def strands(self) -> bool:
        """Whether who loses it stands there with cameras and without what feeds them: less than half of the days, no
        charge, or a quarter of the cards."""
        halved = self.power_days * 2 < self.whole_days
        return (
            halved or (self.charged and not self.charges) or (self.all_cards > 1 and self.cards * 4 <= self.all_cards)
        )


def bag_losses(plan: Plan, table: Table, power: PowerCase) -> Iterator[BagLoss]:
    """Each piece of luggage, and all checked ones together, lost on the first day; those that leave no camera to feed
    are left out: they are the loss of the pictures. table: scores of the kit. power: its days, compiled.

    Raises nothing; a kit in one bag, or without any day, has no such loss.
    """
    days = len(plan.trip.days)
    sets = dict(_sets(plan))
    if not days or len(sets) < 2:
        return
    where = roots(plan.kit)
    now = days_without(power, power.counts)
    cards = {i: n for i, n in plan.loaded.items() if isinstance(plan.items[i], Card)}
    for what, bags in sets.items():
        gone = {item: sum(n for bag, n in places if bag in bags) for item, places in where.bags.items()}
        gone = {item: n for item, n in gone.items() if n}
        left = {i: rest for i, n in plan.loaded.items() if i not in bags and (rest := n - gone.get(i, 0)) > 0}
        if not table.score([i for i in plan.loaded if i not in left]):
            continue
        lived = days_without(power, left)
        yield BagLoss(
            what=what,
            bags=tuple(bags),
            power_days=lived.days,
            whole_days=now.days,
            days=days,
            charges=lived.charges,
            charged=now.charges,
            cards=sum(left.get(i, 0) for i in cards),
            all_cards=sum(cards.values()),
            items={i: n for i, n in gone.items() if i in cards or i in lived.missed},
        )


def _sets(plan: Plan) -> Iterator[tuple[str, Sequence[str]]]:
    """Each bag by itself; what is checked in goes together."""
    pieces = {bag: at.piece for bag, at in plan.kit.luggage().items()}
    held = [bag for bag, piece in pieces.items() if piece == PieceKind.HOLD]
    yield from ((bag, (bag,)) for bag in pieces if bag not in held)
    if held:
        yield (held[0] if len(held) == 1 else HOLD), held
