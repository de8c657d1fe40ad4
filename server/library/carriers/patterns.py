"""Generic carrier patterns to start from: common shapes of rules, no real carrier's."""

from mule.plan.carriers import Carrier, PieceRule, TogetherRule
from mule.plan.places import PieceKind

_SOURCE = "A common pattern, not a promise: check your carrier."


def _plane(
    id_: str, name: str, cabin: PieceRule, personal: PieceRule, hold: PieceRule, *together: TogetherRule
) -> Carrier:
    return Carrier(id=id_, name=name, pieces=(cabin, personal, hold), together=together, source=_SOURCE)


def _cabin(size: tuple[float, float, float], kg: float | None, count: int = 1) -> PieceRule:
    return PieceRule(piece=PieceKind.CABIN, count=count, size_mm=size, mass_g=kg * 1000 if kg else None)


def _personal(size: tuple[float, float, float] | None, kg: float | None = None) -> PieceRule:
    return PieceRule(piece=PieceKind.PERSONAL, count=1, size_mm=size, mass_g=kg * 1000 if kg else None)


def _hold(count: int | None, kg: float | None, sum_mm: float | None = 1580) -> PieceRule:
    return PieceRule(piece=PieceKind.HOLD, count=count, sum_mm=sum_mm, mass_g=kg * 1000 if kg else None)


PATTERNS: tuple[Carrier, ...] = (
    _plane(
        "pattern-seven-kg",
        "Plane, 7 kg cabin bag",
        _cabin((550, 400, 230), 7),
        _personal((400, 300, 100)),
        _hold(1, 20),
    ),
    _plane(
        "pattern-seven-together",
        "Plane, 7 kg cabin and personal together",
        _cabin((560, 360, 230), None),
        _personal((400, 300, 100)),
        _hold(1, 20),
        TogetherRule(pieces=(PieceKind.CABIN, PieceKind.PERSONAL), mass_g=7_000),
    ),
    _plane(
        "pattern-five-kg",
        "Plane, 5 kg cabin bag",
        _cabin((550, 400, 200), 5),
        _personal((350, 250, 120)),
        _hold(1, 20),
    ),
    _plane(
        "pattern-six-kg",
        "Plane, 6 kg cabin bag",
        _cabin((550, 400, 200), 6),
        _personal((400, 300, 100)),
        _hold(1, 23),
    ),
    _plane(
        "pattern-full-service",
        "Big plane, 8 kg cabin bag",
        _cabin((550, 400, 230), 8),
        _personal((400, 300, 100)),
        _hold(1, 23),
    ),
    _plane(
        "pattern-ten-kg",
        "Big plane, 10 kg cabin bag",
        _cabin((560, 450, 250), 10),
        _personal((400, 300, 150)),
        _hold(1, 23),
    ),
    _plane(
        "pattern-twelve-kg",
        "Big plane, 12 kg cabin bag",
        _cabin((550, 350, 250), 12),
        _personal((400, 300, 150)),
        _hold(1, 23),
    ),
    _plane(
        "pattern-no-weight",
        "Big plane, cabin bag by size alone",
        _cabin((560, 360, 230), None),
        _personal((430, 330, 200)),
        _hold(1, 23),
    ),
    _plane(
        "pattern-together",
        "Big plane, 12 kg cabin and personal together",
        _cabin((550, 400, 230), None),
        _personal((400, 300, 150)),
        _hold(1, 23),
        TogetherRule(pieces=(PieceKind.CABIN, PieceKind.PERSONAL), mass_g=12_000),
    ),
    _plane(
        "pattern-under-seat",
        "Cheap fare, one bag under the seat",
        PieceRule(piece=PieceKind.CABIN, count=0),
        _personal((400, 300, 200)),
        PieceRule(piece=PieceKind.HOLD, count=0),
    ),
    _plane(
        "pattern-paid-cabin",
        "Cheap fare with a paid 10 kg cabin bag",
        _cabin((550, 400, 200), 10),
        _personal((400, 300, 200)),
        PieceRule(piece=PieceKind.HOLD, count=0),
    ),
    _plane(
        "pattern-small-plane",
        "Small propeller plane, hard 8 kg",
        PieceRule(piece=PieceKind.CABIN, count=1, sum_mm=1150, mass_g=8_000),
        _personal((350, 250, 120), 3),
        _hold(1, 20),
    ),
    _plane(
        "pattern-bush-plane",
        "Bush plane, 15 kg in all",
        PieceRule(piece=PieceKind.CABIN, count=1),
        PieceRule(piece=PieceKind.PERSONAL, count=1),
        PieceRule(piece=PieceKind.HOLD, count=2),
        TogetherRule(pieces=(PieceKind.CABIN, PieceKind.PERSONAL, PieceKind.HOLD), mass_g=15_000),
    ),
    Carrier(
        id="pattern-train",
        name="Train, two bags you can lift",
        means="train",
        pieces=(
            PieceRule(piece=PieceKind.CABIN, count=2, size_mm=(900, 600, 400)),
            PieceRule(piece=PieceKind.PERSONAL, count=1),
        ),
        source=_SOURCE,
    ),
    Carrier(
        id="pattern-coach",
        name="Coach, one bag below and one at the seat",
        means="bus",
        pieces=(
            PieceRule(piece=PieceKind.CABIN, count=1, size_mm=(420, 300, 180), mass_g=7_000),
            PieceRule(piece=PieceKind.HOLD, count=1, sum_mm=1600, mass_g=20_000),
        ),
        source=_SOURCE,
    ),
    Carrier(id="pattern-ferry", name="Ferry, no limits", means="ferry", source=_SOURCE),
    Carrier(id="pattern-on-foot", name="On foot, your own back", means="on-foot", source="Your own limit."),
)
