"""Which typical thing a row of a table is most like: by its kind, its words, and what a lens's name says."""

import re
from collections.abc import Mapping
from functools import cache
from math import log2

from mule.gear import Gear, Lens, words_of
from server.locker.convert import typical


@cache
def kinds() -> tuple[str, ...]:
    """Kinds that a table may name."""
    return tuple(sorted({thing.kind for thing in typical().values()} | {"other"}))


@cache
def _typical_words() -> tuple[tuple[frozenset[str], Gear], ...]:
    return tuple((words_of(thing.name), thing) for thing in typical().values())


# "24-70 f/2.8", "40mm F2", "100–400 f/4.5–5.6".
_LENS = re.compile(
    r"(\d{1,4})(?:\s*[-–]\s*(\d{1,4}))?\s*(?:mm)?\s*f/?\s*(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?", re.IGNORECASE
)


def glass_of(name: str) -> dict[str, float]:
    """Focal lengths and f-numbers that a lens's name says; empty when it says none."""
    found = _LENS.search(name)
    if found is None:
        return {}
    low, fast = float(found[1]), float(found[3])
    return {
        "focal_min_mm": low,
        "focal_max_mm": float(found[2] or low),
        "f_at_min": fast,
        "f_at_max": float(found[4] or fast),
    }


def _unlike(lens: Lens, glass: Mapping[str, float]) -> float:
    """How far a typical lens is from what a name says, in octaves and stops."""
    return sum(abs(log2(getattr(lens, field) / value)) for field, value in glass.items() if value > 0)


def kind_of(told: str) -> str:
    """ "Lenses" is lens, "Power bank" is power-bank."""
    plain = re.sub(r"[^a-z]+", "-", told.lower()).strip("-")
    return next(
        (
            k
            for k in (plain, plain.removesuffix("s"), plain.removesuffix("es"), f"{plain.removesuffix('ies')}y")
            if k in kinds()
        ),
        plain,
    )


def like_of(name: str, kind: str) -> Gear | None:
    """The typical thing of that kind with most words in common; without a kind, one with two words at least."""
    wanted = kind_of(kind)
    mine = words_of(name)
    able = [(len(words & mine), thing) for words, thing in _typical_words() if not wanted or thing.kind == wanted]
    if not able:
        return None
    glass = glass_of(name)
    if wanted == "lens" and glass:
        return min((t for _, t in able if isinstance(t, Lens)), key=lambda lens: _unlike(lens, glass))
    common, best = max(able, key=lambda pair: pair[0])
    return best if wanted or common >= 2 else None
