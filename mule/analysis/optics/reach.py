"""The reach chart: what each lens sees on the bodies at hand, natively, by crop mode and through a converter."""

from collections.abc import Mapping, Sequence
from math import log, sqrt

from mule.analysis.optics.answer import Headroom, ReachBar, ReachRow, SetUpName
from mule.analysis.optics.setups import SetUp
from mule.plan.gear import Body, Gear
from mule.plan.trip import Want


def name_of(made: SetUp) -> SetUpName:
    """The parts of a set-up by id."""
    return SetUpName(body=made.body, lens=made.lens, adapter=made.adapter, converter=made.converter, crop=made.crop)


def autofocus_lost_from(made: SetUp) -> float | None:
    """Focal length from which the set-up has no autofocus; None when it keeps it throughout."""
    if max(made.f_low, made.f_high) <= made.autofocus_to:
        return None
    if made.f_low > made.autofocus_to or made.high_mm == made.low_mm:
        return made.low_mm
    # Inverse of the log-log interpolation of the f-number (docs/domain/optics.md).
    share = log(made.autofocus_to / made.f_low) / log(made.f_high / made.f_low)
    return float(made.low_mm * (made.high_mm / made.low_mm) ** share)


def _unsealed(made: SetUp, gear: Mapping[str, Gear]) -> tuple[str, ...]:
    """Parts that are open to water; a fixed lens counts with its body."""
    if made.sealed:
        return ()
    return tuple(p for p in made.parts if not _keeps_dry(gear[p]))


def _keeps_dry(thing: Gear) -> bool:
    if isinstance(thing, Body):
        return thing.sealed and (thing.fixed_lens is None or thing.fixed_lens.sealed)
    return bool(getattr(thing, "sealed", False))


def headroom(sets: Sequence[SetUp], wants: Sequence[Want]) -> tuple[Headroom, ...]:
    """Per body, how far its longest native reach may be cropped for the most pixels that a want asks and it has."""
    longest: dict[str, SetUp] = {}
    for made in sets:
        if (
            made.native
            and not made.converter
            and (made.body not in longest or made.high_mm > longest[made.body].high_mm)
        ):
            longest[made.body] = made
    found = []
    for body, made in longest.items():
        need = max((w.megapixels for w in wants if w.megapixels < made.megapixels), default=None)
        if need is not None:
            to_mm = made.high_mm * sqrt(made.megapixels / need)
            found.append(Headroom(body=body, lens=made.lens, from_mm=made.high_mm, to_mm=to_mm, megapixels=need))
    return tuple(found)


def _bar(made: SetUp, gear: Mapping[str, Gear]) -> ReachBar:
    how = "crop-mode" if not made.native else "converter" if made.converter else "native"
    return ReachBar(
        how=how,
        set_up=name_of(made),
        from_mm=made.low_mm,
        to_mm=made.high_mm,
        f_from=made.f_low,
        f_to=made.f_high,
        megapixels=made.megapixels,
        autofocus_lost_from_mm=autofocus_lost_from(made),
        unsealed=_unsealed(made, gear),
    )


def _look(bar: ReachBar) -> tuple[object, ...]:
    """Everything about a bar but which body it is on: twins look the same."""
    return (
        *(getattr(bar, name) for name in ReachBar.model_fields if name not in ("set_up", "unsealed")),
        len(bar.unsealed),
        bar.set_up.converter,
        bar.set_up.crop,
    )


def reach_rows(sets: Sequence[SetUp], gear: Mapping[str, Gear]) -> tuple[ReachRow, ...]:
    """One row per lens and sort of body, widest first. Converter bars show the native crop only."""
    by_pair: dict[tuple[str | None, str], list[ReachBar]] = {}
    for made in sets:
        if made.converter is None or made.native:
            by_pair.setdefault((made.lens, made.body), []).append(_bar(made, gear))
    merged: dict[tuple[object, ...], ReachRow] = {}
    for (lens, body), bars in by_pair.items():
        key = (lens, *(_look(bar) for bar in bars))
        row = merged.get(key)
        merged[key] = ReachRow(
            lens=lens, bodies=(*(row.bodies if row else ()), body), bars=row.bars if row else tuple(bars)
        )
    return tuple(sorted(merged.values(), key=lambda row: min((b.from_mm, b.to_mm) for b in row.bars)))
