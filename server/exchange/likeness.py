"""Which typical thing a row of a table is most like: by its kind, its words, and what a lens's name says."""

import re
from functools import cache

from mule.intake.typed import glass_of, unlike
from mule.plan.gear import Gear, Lens, words_of
from server.library.locker.convert import typical


@cache
def kinds() -> tuple[str, ...]:
    """Kinds that a table may name."""
    return tuple(sorted({thing.kind for thing in typical().values()} | {"other"}))


@cache
def _typical_words() -> tuple[tuple[frozenset[str], Gear], ...]:
    return tuple((words_of(thing.name), thing) for thing in typical().values())


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
    glass = glass_of(name, lens=False)
    if wanted == "lens" and glass:
        return min((t for _, t in able if isinstance(t, Lens)), key=lambda lens: unlike(lens, glass))
    common, best = max(able, key=lambda pair: pair[0])
    return best if wanted or common >= 2 else None
