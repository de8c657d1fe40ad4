"""Spans of focal lengths: what of one is left by others, and what several make together."""

from collections.abc import Iterable

Span = tuple[float, float]

# Ends nearer than this ratio are one: nobody sees a thousandth.
TOUCH = 1.001


def left_of(span: Span, taken: Iterable[Span]) -> list[Span]:
    """What the taken spans leave of a span, in order; a single focal length is taken or it is not.

    >>> left_of((16, 70), [(24, 35), (50, 200)])
    [(16, 24), (35, 50)]
    """
    spans, (low, high) = sorted(taken), span
    if low == high:
        return [] if any(a <= low * TOUCH and b * TOUCH >= low for a, b in spans) else [span]
    left, at = [], low
    for a, b in spans:
        if a > high:
            break
        if a > at * TOUCH:
            left.append((at, a))
        at = max(at, b)
    if at * TOUCH < high:
        left.append((at, high))
    return left


def united(spans: Iterable[Span]) -> list[Span]:
    """Spans that touch made one, in order.

    >>> united([(35, 70), (16, 24), (24, 28)])
    [(16, 28), (35, 70)]
    """
    found: list[Span] = []
    for low, high in sorted(spans):
        if found and low <= found[-1][1] * TOUCH:
            found[-1] = found[-1][0], max(high, found[-1][1])
        else:
            found.append((low, high))
    return found
