"""Caps on what a kit is worth to a day: what is worth more cannot be carried out on it.

The model holds upper bounds on the score, which may be lower than what a kit is worth. A cap needs a bound from below:
whenever all that a row of the table takes comes along, each cell is worth at least what the row is. Rows are taken in
as kits are found that pass a cap.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from math import floor

import numpy as np
from ortools.sat.python import cp_model

from mule.base.solving import Var, total
from mule.search.choosing.by_days import DayCap
from mule.search.choosing.candidates import Candidates
from mule.search.choosing.demands import asks
from mule.search.choosing.draft import Draft
from mule.search.choosing.scoring import UNITS, Optics

# Steps of a share by which a want is scaled for what it asks beside glass.
_PARTS = 1_000_000


@dataclass(frozen=True)
class CapPassed:
    """A cap and a kit that passes it. rows: the best of its rows for the cells of the cap's wants. aids: for each want
    that asks for things beside glass, the pieces of each that the kit has, and what is left of its score by that."""

    cap: DayCap
    rows: tuple[int, ...]
    aids: Mapping[int, tuple[Mapping[str, int], float]]


def passed_by(case: Candidates, cap: DayCap, kit: Mapping[str, int]) -> CapPassed:
    """What of a kit passes a cap."""
    optics = case.optics
    able = np.flatnonzero(~(optics.takes & ~optics.has(kit)).any(axis=1))
    rows: set[int] = set()
    aids: dict[int, tuple[Mapping[str, int], float]] = {}
    met = case.met(kit)
    for number in _wants(case, cap):
        span = optics.spans[number]
        values = optics.value[able, span]
        if len(able):
            best = able[values.argmax(axis=0)]
            rows.update(best[values.max(axis=0) > 0].tolist())
        if case.aids:
            has = {aid: sum(kit.get(i, 0) for i in givers) for aid, givers in case.aids.items()}
            aids[number] = has, met[number]
    return CapPassed(cap, tuple(sorted(rows)), aids)


def _wants(case: Candidates, cap: DayCap) -> list[int]:
    return [number for number, want in enumerate(case.plan.trip.wants) if want.id in cap.wants]


class DayCaps:
    """The caps of one model."""

    def __init__(self, draft: Draft, optics: Optics) -> None:
        self._draft, self._case, self._optics = draft, draft.case, optics
        self._least: dict[int, Var] = {}
        self._rows: dict[int, Var] = {}
        self._told: set[tuple[int, int]] = set()
        self._wants: dict[int, Var] = {}

    def keep(self, known: CapPassed) -> cp_model.Constraint:
        """Takes in a cap, and what the kit that passed it tells of kits like it."""
        wants = _wants(self._case, known.cap)
        for number in wants:
            for row in known.rows:
                self._tell(row, number)
            self._scale(number, *known.aids.get(number, ({}, 1.0)))
        importance = [want.importance for want in self._case.plan.trip.wants]
        share = sum(importance[number] for number in wants) / sum(importance)
        most = floor(known.cap.points / 100 * share * UNITS)
        return self._draft.cp.add(total((self._want(number), 1) for number in wants) <= most)

    def _want(self, number: int) -> Var:
        """Units that a want is worth at the least."""
        if number not in self._wants:
            self._wants[number] = self._draft.cp.new_int_var(0, self._optics.most[number], "")
        return self._wants[number]

    def _tell(self, row: int, number: int) -> None:
        """A want's cells are worth what a row is, when all that it takes comes along."""
        if (row, number) in self._told:
            return
        self._told.add((row, number))
        cp, span = self._draft.cp, self._optics.spans[number]
        values = self._optics.value[row, span]
        for offset in np.flatnonzero(values > 0).tolist():
            column, worth = span.start + offset, floor(float(values[offset]))
            cell = self._least.get(column)
            if cell is None:
                cell = self._least[column] = cp.new_int_var(0, self._optics.most[number], "")
            cp.add(cell >= worth * self._row(row))

    def _row(self, row: int) -> Var:
        """True whenever all that a row takes comes along."""
        if row not in self._rows:
            draft, literal = self._draft, self._draft.cp.new_bool_var("")
            members = list(self._optics.members.values())
            there = [draft.at_least(members[n], 1) for n in np.flatnonzero(self._optics.takes[row]).tolist()]
            draft.cp.add_bool_or([literal, *(~one for one in there if not isinstance(one, bool))])
            self._rows[row] = literal
        return self._rows[row]

    def _scale(self, number: int, has: Mapping[str, int], met: float) -> None:
        """A want is worth its cells, less by what it asks beside glass, whenever as much of that comes along."""
        draft, span = self._draft, self._optics.spans[number]
        cells = total((self._least[c], 1) for c in range(span.start, span.stop) if c in self._least)
        when = []
        for aid, pieces, givers, there in asks(draft, number):
            more = draft.at_least(givers, min(pieces, there + has.get(aid, 0)) - there)
            when += [] if isinstance(more, bool) else [more]
        kept = draft.cp.add(_PARTS * self._want(number) >= floor(_PARTS * met) * cells)
        if when:
            kept.only_enforce_if(when)
