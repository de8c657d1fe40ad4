"""What the kit does not see of what is wanted."""

from collections.abc import Iterable
from math import radians

from mule.analysis.optics import NativeGap, WantCover
from mule.findings import said
from mule.findings.codes import Severity
from mule.findings.rules.case import Case
from mule.findings.said import Finding

# A native gap is worth a line from a third of an octave or from this much horizontal view, whichever comes first
# (docs/domain/coverage.md): on the wide side a few millimetres are many degrees.
_WORTH_NAMING = 2 ** (1 / 3)
_WORTH_NAMING_RAD = radians(8)


class WantUnmetRule:
    """A want that nothing loaded serves at all."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Blocks only when the want is of the highest importance."""
        if not case.view.coverage.reach:
            return
        for want, cover in zip(case.plan.trip.wants, case.view.coverage.wants, strict=True):
            if cover.glass <= 0:
                gap = cover.gaps[0]
                yield said.WantUnmet(
                    severity=Severity.BLOCKER if want.importance == 5 else Severity.CAUTION,
                    want=want.id,
                    from_mm=want.focal_min_mm,
                    to_mm=want.focal_max_mm,
                    because=gap.because,
                )


class GapsRule:
    """Parts of a want that score under one half."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per gap; a want that is not met at all has its own. Blocks where the trip allows no gaps."""
        if not case.view.coverage.reach:
            return
        refused = case.plan.trip.policies.gaps == "refused"
        for cover in case.view.coverage.wants:
            for gap in cover.gaps if cover.glass > 0 else ():
                yield said.WantGap(
                    severity=Severity.BLOCKER if refused else Severity.CAUTION,
                    want=cover.want,
                    from_mm=gap.from_mm,
                    to_mm=gap.to_mm,
                    because=gap.because,
                    score=gap.score,
                )


class NativeGapsRule:
    """Stretches no lens sees by itself although the want is served: by a crop mode, a crop in post or a stitch."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per stretch, naming the first want that crosses it and counting the others."""
        crossed: dict[NativeGap, list[str]] = {}
        for cover in case.view.coverage.wants:
            widest = _widest_bridged(cover)
            if widest:
                crossed.setdefault(widest, []).append(cover.want)
        for gap, wants in crossed.items():
            yield said.NativeGapOfWants(
                items=(gap.bridge.lens or gap.bridge.body,) if gap.bridge else (),
                want=wants[0],
                from_mm=gap.from_mm,
                to_mm=gap.to_mm,
                wants=len(wants),
            )


def _widest_bridged(cover: WantCover) -> NativeGap | None:
    """The widest stretch of a want that is served without being seen, when it is wide enough to name."""
    widest = max(filter(_worth_naming, cover.native_gaps), key=lambda g: g.to_mm / g.from_mm, default=None)
    if widest and any(g.from_mm < widest.to_mm and g.to_mm > widest.from_mm for g in cover.gaps):
        return None
    return widest


def _worth_naming(gap: NativeGap) -> bool:
    return gap.to_mm / gap.from_mm >= _WORTH_NAMING or gap.view_rad >= _WORTH_NAMING_RAD
