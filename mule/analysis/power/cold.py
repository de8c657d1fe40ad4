"""What cold leaves of a pack (docs/domain/power.md)."""

from bisect import bisect_right

# (deg C, usable share): an estimate; straight lines between, held at both ends (docs/domain/power.md#cold).
COLD = ((-20.0, 0.5), (-10.0, 0.65), (0.0, 0.8), (10.0, 0.9), (20.0, 1.0))
# A pack in an inner pocket loses this share of what it would lose outside (estimate, docs/domain/power.md#cold).
POCKET = 0.5


def cold_derating(temperature_c: float, *, warm: bool = False) -> float:
    """Share of a pack's energy that comes out at a temperature, 0 to 1. warm: it rides in an inner pocket.

    >>> cold_derating(-10.0), cold_derating(-10.0, warm=True)
    (0.65, 0.825)
    """
    low, high = COLD[0], COLD[-1]
    if temperature_c <= low[0]:
        share = low[1]
    elif temperature_c >= high[0]:
        share = high[1]
    else:
        at = bisect_right(COLD, (temperature_c, 2.0))
        (t0, s0), (t1, s1) = COLD[at - 1], COLD[at]
        share = s0 + (s1 - s0) * (temperature_c - t0) / (t1 - t0)
    return 1 - (1 - share) * POCKET if warm else share
