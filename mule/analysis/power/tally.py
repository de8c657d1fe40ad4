"""Books over the days of one run: when each type of pack runs short first, and when it has the least to spare."""

from collections.abc import Sequence
from dataclasses import dataclass

from mule.analysis.power.answer import TypeDay, TypeSummary, Worst
from mule.analysis.power.case import DayCase
from mule.analysis.power.packs import Pack


@dataclass
class _OfType:
    """What is known of one type so far. short, least: the day and what happened on it."""

    short: tuple[DayCase, TypeDay] | None = None
    least: tuple[DayCase, TypeDay] | None = None
    margin: float = float("inf")
    short_days: int = 0
    lacking_wh: float = 0.0


class Tally:
    """Adds up one run, day by day."""

    def __init__(self) -> None:
        self._types: dict[str, _OfType] = {}
        self._days = 0
        self._carried: int | None = None
        # Types that are asked for and of which none is loaded, in the order in which they are.
        self._missing: dict[str, None] = {}

    def add(self, day: DayCase, uses: Sequence[TypeDay]) -> None:
        """One day more."""
        for use in uses:
            known = self._types.setdefault(use.type, _OfType())
            if use.bare and use.need_wh > 0:
                self._missing[use.type] = None
            if use.short and not use.bare:
                known.short = known.short or (day, use)
                known.short_days += 1
                known.lacking_wh += use.need_wh - use.got_wh
                if self._carried is None:
                    self._carried = self._days
            if (margin := use.margin) is not None and margin < known.margin:
                known.margin, known.least = margin, (day, use)
        self._days += 1

    @property
    def days_carried(self) -> int:
        """Days before the first short one; a type of which none is loaded is a missing link, not a short day."""
        return self._days if self._carried is None else self._carried

    @property
    def missing(self) -> tuple[str, ...]:
        """Types that something loaded asks for and of which no pack is."""
        return tuple(self._missing)

    def summaries(self, packs: Sequence[Pack]) -> tuple[TypeSummary, ...]:
        """Each type that is asked for or loaded, over all days. packs: all that are loaded."""
        counts: dict[str, int] = {}
        for pack in packs:
            counts[pack.store] = counts.get(pack.store, 0) + 1
        return tuple(
            TypeSummary(
                type=type_,
                packs=counts.get(type_, 0),
                short_on=known.short[0].date if known.short else None,
                short_days=known.short_days,
                lacking_wh=known.lacking_wh,
                worst_margin=known.margin if known.least else None,
                worst_on=known.least[0].date if known.least else None,
            )
            for type_ in dict.fromkeys((*self._types, *counts))
            for known in (self._types.get(type_, _OfType()),)
        )

    def worst(self) -> dict[str, Worst]:
        """The first short day of each type, or else the one with the least to spare."""
        told = {type_: known.short or known.least for type_, known in self._types.items()}
        return {
            type_: Worst(date=day.date, lowest_c=day.celsius, on=use)
            for type_, found in told.items()
            if found
            for day, use in (found,)
        }
