"""Which wants a change of the kit touches: the reason behind points lost or won."""

from collections.abc import Sequence

from mule.analysis.optics.answer import WantChange

# Less than half a percent of a want is not worth a line.
_LEAST_CHANGE = 0.005


def changes(wants: Sequence[str], before: Sequence[float], after: Sequence[float]) -> tuple[WantChange, ...]:
    """The wants whose cover changes, most first. wants: ids; before, after: cover of each, 0 to 1.

    >>> [c.want for c in changes(["sea", "city"], [0.9, 0.5], [0.9, 0.1])]
    ['city']
    """
    found = [
        WantChange(want=want, before=was, after=is_)
        for want, was, is_ in zip(wants, before, after, strict=True)
        if abs(was - is_) >= _LEAST_CHANGE
    ]
    return tuple(sorted(found, key=lambda c: -abs(c.before - c.after)))
