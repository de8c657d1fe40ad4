"""What the things left at home would add: gaps closed, points gained, losses made up for."""

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np

from mule.analysis.optics.answer import Closer, Gain, Gap
from mule.analysis.optics.cells import Columns, Vector
from mule.analysis.optics.gaps import GAP_SCORE
from mule.analysis.optics.score import score
from mule.analysis.optics.setups import SetUp, set_ups
from mule.analysis.optics.table import Table
from mule.plan.gear import Body, Gear, Lens, MountAdapter, Teleconverter

MOST_CLOSERS = 3
# A thing that lifts a want by less than this is no cure.
_LEAST_LIFT = 0.01
# Points (0 to 100) under which a thing adds nothing worth a line.
LEAST_GAIN = 0.05


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


@dataclass(frozen=True)
class Additions:
    """Set-ups that need something left at home, put together by what they need.

    items: ids of each addition, one or two; grams: of each. totals: scores of the set-ups, a row each, those of one
    addition side by side; starts: the first row of each addition; rows: the rows that rest on a thing.
    """

    items: Sequence[tuple[str, ...]]
    grams: Sequence[float]
    totals: Vector
    starts: Sequence[int]
    rows: Mapping[str, Sequence[int]] = field(repr=False)

    @classmethod
    def of(cls, loaded: Sequence[Gear], left: Sequence[Gear], cols: Columns) -> "Additions":
        """Everything that one thing left at home, or one with its adapter or converter, makes possible."""
        sets = _candidates(loaded, left)
        here = {t.id for t in loaded}
        mass = {t.id: t.mass_g for t in left}
        added = [tuple(p for p in made.parts if p not in here) for made in sets]
        order = sorted(range(len(sets)), key=lambda i: added[i])
        rows: dict[str, list[int]] = {}
        for row, i in enumerate(order):
            for item in sets[i].parts:
                rows.setdefault(item, []).append(row)
        items = sorted(set(added))
        return cls(
            items=items,
            grams=[sum(mass[item] for item in one) for one in items],
            totals=score([sets[i] for i in order], cols).total,
            starts=[i for i, j in enumerate(order) if i == 0 or added[j] != added[order[i - 1]]],
            rows=rows,
        )

    def lifted(self, best: Vector, gone: Collection[str] = ()) -> Vector:
        """Scores with each addition loaded, by addition and column. best: without any; gone: things that are lost."""
        totals = self.totals
        if falls := [row for item in gone for row in self.rows.get(item, ())]:
            totals = totals.copy()
            totals[falls] = 0
        return np.maximum(np.maximum.reduceat(totals, self.starts, axis=0), best)


class Unselected:
    """What the things left behind would add; built once per assessment."""

    def __init__(self, loaded: Sequence[Gear], left: Sequence[Gear], table: Table) -> None:
        """loaded, left: optical things. table: of what is loaded."""
        self._table, self._cols, self._best = table, table.cols, table.cells()
        self._additions = Additions.of(loaded, left, table.cols)
        if self._additions.items:
            self._lifted = self._additions.lifted(self._best)

    def close(self, want: int, gap: Gap) -> tuple[Closer, ...]:
        """The lightest ways that close a gap of want number ``want``; with none, what lifts the want most."""
        if not self._additions.items:
            return ()
        span = self._cols.spans[want]
        focal = self._cols.focal_mm[span]
        within = (focal >= gap.from_mm * 0.999) & (focal <= gap.to_mm * 1.001)
        worst = self._lifted[:, span][:, within].min(axis=1)
        after = self._lifted[:, span].mean(axis=1)
        now = float(self._best[span].mean())
        able = np.flatnonzero((worst >= GAP_SCORE) & (after - now >= _LEAST_LIFT))
        if able.size:
            chosen = self._lightest(sorted((int(i) for i in able), key=self._additions.grams.__getitem__))
            return tuple(self._closer(i, after, closes=True) for i in chosen)
        most = int(np.argmax(after))
        return (self._closer(most, after, closes=False),) if after[most] - now >= _LEAST_LIFT else ()

    def covers(self, items: Sequence[str]) -> list[float]:
        """Cover of each want with one of the ``gains`` loaded, 0 to 1. items: as the gain names them."""
        lifted = self._lifted[self._additions.items.index(tuple(items))]
        met = self._table.aids.met()
        return [float(lifted[span].mean()) * met[number] for number, span in enumerate(self._cols.spans)]

    def gains(self) -> tuple[Gain, ...]:
        """Points that each thing or pair of things would add, most per gram first; nothing that adds nothing."""
        if not self._additions.items:
            return ()
        points = (self._lifted - self._best) @ (100 * self._table.weight())
        order = sorted(range(len(self._additions.items)), key=lambda i: -points[i] / max(1.0, self._additions.grams[i]))
        found = [
            Gain(items=self._additions.items[i], mass_g=self._additions.grams[i], points=float(points[i]))
            for i in order
            if points[i] >= LEAST_GAIN
        ]
        singles = {gain.items[0]: gain.points for gain in found if len(gain.items) == 1}
        return tuple(g for g in found if len(g.items) == 1 or g.points > max(singles.get(i, 0.0) for i in g.items))

    def rescue(self, gone: Collection[str], cells: Vector) -> tuple[Gain, ...]:
        """Ways to make up for a loss, lightest first, with the points they would bring back.

        cells: scores per column after the loss of the things in ``gone``.
        """
        if not self._additions.items:
            return ()
        lifted = self._additions.lifted(cells, gone)
        points = (lifted - cells) @ (100 * self._table.weight(gone))
        found = [
            Gain(items=self._additions.items[i], mass_g=self._additions.grams[i], points=float(points[i]))
            for i in np.flatnonzero(points >= LEAST_GAIN).tolist()
        ]
        return tuple(sorted(found, key=lambda gain: gain.mass_g))

    def _lightest(self, groups: list[int]) -> list[int]:
        """The first few, without those that only add something to one already chosen."""
        chosen: list[int] = []
        for group in groups:
            if not any(set(self._additions.items[c]) <= set(self._additions.items[group]) for c in chosen):
                chosen.append(group)
            if len(chosen) == MOST_CLOSERS:
                break
        return chosen

    def _closer(self, group: int, after: Vector, *, closes: bool) -> Closer:
        return Closer(
            items=self._additions.items[group],
            mass_g=self._additions.grams[group],
            after=float(after[group]),
            closes=closes,
        )
