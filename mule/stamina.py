"""Will the power and the pictures last? ``last`` gives power and storage the open kit of a plan, and each the other's
answer where it needs it."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date

from mule.finding import AsPiece, PieceKind
from mule.gear import Body
from mule.load import roots
from mule.plan import Plan
from mule.power import Power, TypeSummary, demands, simulate
from mule.storage import CardsOf, Storage, Whereabouts, store
from mule.units import Frozen


@dataclass(frozen=True)
class Lasting:
    """Both answers, day by day."""

    power: Power
    pictures: Storage


class Lasts(Frozen):
    """The short of it, for the scales. power_days, card_days: days of ``days`` carried before the first short one.

    copies_short_on: first night after which some picture is in fewer places than asked.
    """

    days: int
    power_days: int
    card_days: int
    types: tuple[TypeSummary, ...]
    cards: tuple[CardsOf, ...]
    copies: int
    copies_short_on: date | None


def last(plan: Plan, counts: Mapping[str, int] | None = None) -> Lasting:
    """What each day of the trip asks of packs and cards, and what is left. counts: pieces loaded, else the open kit."""
    counts = plan.kit.loaded() if counts is None else counts
    return Lasting(power=simulate(plan.items, counts, plan.trip), pictures=keep(plan, counts))


def keep(plan: Plan, counts: Mapping[str, int]) -> Storage:
    """Cards, copies and losses of so many pieces loaded, in the bags of the open kit."""
    bodies = {i: n for i, n in counts.items() if isinstance(plan.items[i], Body)}
    asked = [demands(bodies, plan.trip, day) for day in plan.trip.days]
    return store(plan.items, counts, plan.trip, asked, whereabouts(plan))


def whereabouts(plan: Plan) -> Whereabouts:
    """In which piece of luggage each loaded piece travels."""
    found = {
        item: [root for root, count in places for _ in range(count)] for item, places in roots(plan.kit).bags.items()
    }
    held = [e for e in plan.kit.entries if isinstance(e.place, AsPiece) and e.place.piece == PieceKind.HOLD]
    return Whereabouts(found, frozenset(e.item for e in held))


def in_short(lasting: Lasting) -> Lasts:
    """What the scales show."""
    power, pictures = lasting.power, lasting.pictures
    return Lasts(
        days=len(power.days),
        power_days=power.days_carried,
        card_days=pictures.days_carried,
        types=power.types,
        cards=pictures.types,
        copies=pictures.asked_copies,
        copies_short_on=pictures.short_on,
    )
