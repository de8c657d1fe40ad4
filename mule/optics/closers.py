"""What else from the locker would close a gap, and for how many grams."""

from collections.abc import Iterable, Sequence

import numpy as np

from mule.gear import Body, Gear, Lens, MountAdapter, Teleconverter
from mule.optics.answer import Closer, Gap
from mule.optics.cells import Columns, Vector
from mule.optics.gaps import GAP_SCORE
from mule.optics.score import score
from mule.optics.setups import SetUp, set_ups

MOST_CLOSERS = 3
# A thing that lifts a want by less than this is no cure.
_LEAST_LIFT = 0.01


def _lightest_adapters(adapters: Iterable[MountAdapter]) -> list[MountAdapter]:
    best: dict[tuple[str, str], MountAdapter] = {}
    for adapter in sorted(adapters, key=lambda a: a.mass_g):
        best.setdefault((adapter.lens_mount, adapter.body_mount), adapter)
    return list(best.values())


def _candidates(loaded: Sequence[Gear], left: Sequence[Gear]) -> list[SetUp]:
    """Set-ups with one left body or one left lens, or left links between what is loaded.

    Without chosen crop modes: a crop in post reaches as far and never pays more pixels.
    """
    bodies = [t for t in loaded if isinstance(t, Body)]
    lenses = [t for t in loaded if isinstance(t, Lens)]
    links: list[Gear] = [t for t in loaded if isinstance(t, MountAdapter | Teleconverter)]
    left_links: list[Gear] = [
        *_lightest_adapters(t for t in left if isinstance(t, MountAdapter)),
        *(t for t in left if isinstance(t, Teleconverter)),
    ]
    left_lenses = [t for t in left if isinstance(t, Lens)]
    left_bodies = [t for t in left if isinstance(t, Body)]
    new_links = frozenset(t.id for t in left_links)
    new_lenses = frozenset(t.id for t in left_lenses)
    new_bodies = frozenset(t.id for t in left_bodies)
    return [
        *set_ups([*bodies, *left_lenses, *links, *left_links], new_lenses, crop_modes=False),
        *set_ups([*left_bodies, *lenses, *links, *left_links], new_bodies, crop_modes=False),
        *set_ups([*bodies, *lenses, *links, *left_links], new_links, crop_modes=False),
    ]


class Closers:
    """Prices the gaps of some wants; built once per assessment, and only when there are gaps."""

    def __init__(
        self, loaded: Sequence[Gear], left: Sequence[Gear], cols: Columns, best: Vector, wants: Sequence[int]
    ) -> None:
        sets = _candidates(loaded, left)
        here = {t.id for t in loaded}
        self._mass = {t.id: t.mass_g for t in left}
        extras = [tuple(p for p in made.parts if p not in here) for made in sets]
        order = sorted(range(len(sets)), key=lambda i: extras[i])
        self._groups = sorted(set(extras))
        self._place = {want: i for i, want in enumerate(wants)}
        self._cols = cols.of(wants)
        self._best = np.concatenate([best[cols.spans[want]] for want in wants])
        if not sets:
            return
        totals = score([sets[i] for i in order], self._cols).total
        starts = [i for i, j in enumerate(order) if i == 0 or extras[j] != extras[order[i - 1]]]
        self._lifted = np.maximum(np.maximum.reduceat(totals, starts, axis=0), self._best)

    def close(self, want: int, gap: Gap) -> tuple[Closer, ...]:
        """The lightest ways that close a gap of want number ``want``; with none, what lifts the want most.

        ``want`` is one of those that the pricer was built for.
        """
        if not self._groups:
            return ()
        span = self._cols.spans[self._place[want]]
        focal = self._cols.focal_mm[span]
        within = (focal >= gap.from_mm * 0.999) & (focal <= gap.to_mm * 1.001)
        worst = self._lifted[:, span][:, within].min(axis=1)
        cells = span.stop - span.start
        after = self._lifted[:, span].sum(axis=1) / cells
        now = float(self._best[span].sum()) / cells
        able = np.flatnonzero((worst >= GAP_SCORE) & (after - now >= _LEAST_LIFT))
        if able.size:
            chosen = self._lightest(sorted((int(i) for i in able), key=self._grams))
            return tuple(self._closer(i, after, closes=True) for i in chosen)
        most = int(np.argmax(after))
        return (self._closer(most, after, closes=False),) if after[most] - now >= _LEAST_LIFT else ()

    def _lightest(self, groups: list[int]) -> list[int]:
        """The first few, without those that only add something to one already chosen."""
        chosen: list[int] = []
        for group in groups:
            if not any(set(self._groups[c]) <= set(self._groups[group]) for c in chosen):
                chosen.append(group)
            if len(chosen) == MOST_CLOSERS:
                break
        return chosen

    def _grams(self, group: int) -> float:
        return sum(self._mass[item] for item in self._groups[group])

    def _closer(self, group: int, after: Vector, *, closes: bool) -> Closer:
        return Closer(items=self._groups[group], mass_g=self._grams(group), after=float(after[group]), closes=closes)
