"""What the kit does not see of what is wanted."""

from collections.abc import Iterable

from mule.finding import Cure, Finding, Load, Severity
from mule.optics import Closer, NativeGap, WantCover
from mule.rules.case import Case

# A native gap narrower than this ratio is one step to the left or right, not worth a line (a third of an octave).
_WORTH_NAMING = 2 ** (1 / 3)


def _cure(closer: Closer) -> Cure:
    return Cure(
        code="load" if closer.closes else "load-partly",
        edits=tuple(Load(item=item) for item in closer.items),
        mass_change_g=closer.mass_g,
        numbers={"cover_after": closer.after},
    )


class WantUnmet:
    """A want that nothing loaded serves at all."""

    def find(self, case: Case) -> Iterable[Finding]:
        """Blocks only when the want is of the highest importance."""
        if not case.coverage.reach:
            return
        for want, cover in zip(case.plan.trip.wants, case.coverage.wants, strict=True):
            if cover.cover <= 0:
                gap = cover.gaps[0]
                yield Finding(
                    code="want-unmet",
                    severity=Severity.BLOCKER if want.importance == 5 else Severity.CAUTION,
                    station="bench",
                    numbers={"from_mm": want.focal_min_mm, "to_mm": want.focal_max_mm},
                    refs={"want": want.id, "because": gap.because},
                    cures=tuple(_cure(c) for c in case.prices[(want.id, gap)]),
                )


class Gaps:
    """Parts of a want that score under one half."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One finding per gap; a want that is not met at all has its own. Blocks where the trip allows no gaps."""
        if not case.coverage.reach:
            return
        refused = case.plan.trip.policies.gaps == "refused"
        for cover in case.coverage.wants:
            for gap in cover.gaps if cover.cover > 0 else ():
                yield Finding(
                    code="gap",
                    severity=Severity.BLOCKER if refused else Severity.CAUTION,
                    station="bench",
                    numbers={"from_mm": gap.from_mm, "to_mm": gap.to_mm, "score": gap.score},
                    refs={"want": cover.want, "because": gap.because},
                    cures=tuple(_cure(c) for c in case.prices[(cover.want, gap)]),
                )


class NativeGaps:
    """Stretches no lens sees by itself although the want is served: by a crop mode, a crop in post or a stitch."""

    def find(self, case: Case) -> Iterable[Finding]:
        """One note per stretch, naming the first want that crosses it and counting the others."""
        crossed: dict[NativeGap, list[str]] = {}
        for cover in case.coverage.wants:
            widest = _widest_bridged(cover)
            if widest:
                crossed.setdefault(widest, []).append(cover.want)
        for gap, wants in crossed.items():
            yield Finding(
                code="native-gap",
                severity=Severity.NOTE,
                station="bench",
                numbers={"from_mm": gap.from_mm, "to_mm": gap.to_mm, "wants": len(wants)},
                items=(gap.bridge.lens or gap.bridge.body,) if gap.bridge else (),
                refs={"want": wants[0]},
                cures=tuple(_ways(gap)),
            )


def _widest_bridged(cover: WantCover) -> NativeGap | None:
    """The widest bridged stretch of a want, when it is wide enough to name and not already a gap."""
    wide = [g for g in cover.native_gaps if g.to_mm / g.from_mm >= _WORTH_NAMING and (g.bridge or g.frames)]
    widest = max(wide, key=lambda g: g.to_mm / g.from_mm, default=None)
    if widest and any(g.from_mm < widest.to_mm and g.to_mm > widest.from_mm for g in cover.gaps):
        return None
    return widest


def _ways(gap: NativeGap) -> Iterable[Cure]:
    if gap.bridge and gap.bridged_to_mm and gap.megapixels:
        yield Cure(
            code="crop-mode",
            numbers={"crop": gap.bridge.crop, "to_mm": gap.bridged_to_mm, "megapixels": gap.megapixels},
        )
    if gap.frames:
        yield Cure(code="stitch", numbers={"frames": gap.frames, "to_mm": gap.from_mm})
