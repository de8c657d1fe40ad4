"""compare(plan, kits) -> Comparison: two to four kits side by side, every figure from ``assess`` and ``advise``."""

from collections import Counter
from collections.abc import Sequence

from mule.analysis.optics import ReachRow
from mule.analysis.storage.stamina import Uncounted
from mule.base.errors import InvalidInput, Problem
from mule.base.units import Frozen
from mule.findings.advise import review
from mule.findings.codes import Severity
from mule.plan import Plan

MOST_KITS = 4


class WantSide(Frozen):
    """How much of one want a kit meets, 0 to 1."""

    want: str
    cover: float


class Weakness(Frozen):
    """The single loss that costs a kit most."""

    item: str
    points: float
    stops: bool


class Side(Frozen):
    """One kit of the comparison.

    carried_g: in carried bags and worn, base load left out; total_g: everything loaded. volume_l of bag_l: the fullest
    carried bag. legs_refused: ids. only: things that no other kit here has; lacks: things that all others have.
    changes: most lens changes on one day.
    """

    kit: str
    name: str
    score: float
    steady: float
    carried_g: float
    total_g: float
    volume_l: float
    bag_l: float
    legs_refused: tuple[str, ...]
    wants: tuple[WantSide, ...]
    reach: tuple[ReachRow, ...]
    only: tuple[str, ...]
    lacks: tuple[str, ...]
    weakest_want: str | None
    weakness: Weakness | None
    changes: int
    blockers: int
    cautions: int


class Comparison(Frozen):
    """The kits in the order asked for."""

    sides: tuple[Side, ...]


class Glance(Frozen):
    """A kit in a line: how it stands. power_days, card_days: of ``days``, or why they are not counted.

    blockers: findings that stop the trip. stopped_by: legs that refuse it.
    """

    kit: str
    name: str
    things: int
    carried_g: float
    score: float
    days: int
    power_days: int | Uncounted
    card_days: int | Uncounted
    stopped_by: tuple[str, ...]
    blockers: int


def glance(plan: Plan) -> Glance:
    """The open kit of a plan in a line."""
    made, findings, _ = review(plan)
    return Glance(
        kit=plan.kit.id,
        name=plan.kit.name,
        things=sum(plan.loaded.values()),
        carried_g=made.loads.carried_g,
        score=made.coverage.score,
        days=made.lasts.days,
        power_days=made.lasts.power_days,
        card_days=made.lasts.card_days,
        stopped_by=tuple(leg.leg for leg in made.legs if not leg.passes),
        blockers=sum(finding.severity == Severity.BLOCKER for finding in findings),
    )


def compare(plan: Plan, kits: Sequence[str]) -> Comparison:
    """Compares kits of a plan by id. Raises InvalidInput for an unknown kit, or not two to four different ones.

    >>> from tests import cast
    >>> plan = cast.plan([cast.body()], cast.entry("body", cast.ON_INES))
    >>> plan = plan.model_copy(update={"kits": (*plan.kits, cast.kit(id_="b"))})
    >>> [(side.kit, side.total_g) for side in compare(plan, ["a", "b"]).sides]
    [('a', 720.0), ('b', 0.0)]
    """
    known = {kit.id: kit for kit in plan.kits}
    for kit in kits:
        if kit not in known:
            raise InvalidInput([Problem("kits", kit, "must be one of the trip’s kits")])
    if len(set(kits)) != len(kits) or not 2 <= len(kits) <= MOST_KITS:
        raise InvalidInput([Problem("kits", ", ".join(kits), f"two to {MOST_KITS} different kits")])
    order = [thing.id for thing in plan.gear]
    loaded = {kit: set(known[kit].loaded()) for kit in kits}
    sides = []
    for kit in kits:
        others = [loaded[other] for other in kits if other != kit]
        only = loaded[kit] - set().union(*others)
        lacks = set.intersection(*others) - loaded[kit]
        sides.append(
            _side(
                plan.with_kit(known[kit]),
                tuple(item for item in order if item in only),
                tuple(item for item in order if item in lacks),
            )
        )
    return Comparison(sides=tuple(sides))


def _side(plan: Plan, only: tuple[str, ...], lacks: tuple[str, ...]) -> Side:
    made, findings, resilience = review(plan)
    severities = Counter(finding.severity for finding in findings)
    roots = {piece.bag for piece in made.loads.pieces}
    fullest = max(
        (b for b in made.loads.bags if b.bag in roots and b.volume_l), key=lambda b: b.litres / b.volume_l, default=None
    )
    worst = next((loss for loss in resilience.losses if loss.what == "thing"), None)
    covers = made.coverage.wants
    return Side(
        kit=plan.kit.id,
        name=plan.kit.name,
        score=made.coverage.score,
        steady=resilience.share,
        carried_g=made.loads.carried_g,
        total_g=made.loads.total_g,
        volume_l=fullest.litres if fullest else 0.0,
        bag_l=fullest.volume_l if fullest else 0.0,
        legs_refused=tuple(leg.leg for leg in made.legs if not leg.passes),
        wants=tuple(WantSide(want=c.want, cover=c.cover) for c in covers),
        reach=made.coverage.reach,
        only=only,
        lacks=lacks,
        weakest_want=min(covers, key=lambda c: c.cover).want if covers else None,
        weakness=Weakness(item=worst.item, points=worst.points, stops=worst.stops) if worst else None,
        changes=max((day.changes for day in made.lens_changes), default=0),
        blockers=severities[Severity.BLOCKER],
        cautions=severities[Severity.CAUTION],
    )
