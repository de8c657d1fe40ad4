"""The plain arithmetic of docs/domain/optics.md: crop factor, angle of view, stitching."""

from math import atan, ceil, hypot

from mule.base.units import FULL_FRAME_DIAGONAL_MM

# Overlap between neighbouring frames of a stitch, and the most frames worth shooting (docs/domain/optics.md and
# docs/domain/coverage.md).
STITCH_OVERLAP = 0.3
STITCH_MAX_FRAMES = 12


def crop_factor(width_mm: float, height_mm: float) -> float:
    """k = 43.27 / sensor diagonal.

    >>> round(crop_factor(23.5, 15.6), 2)
    1.53
    """
    return FULL_FRAME_DIAGONAL_MM / hypot(width_mm, height_mm)


def angle_of_view(side_mm: float, focal_mm: float) -> float:
    """Angle in radians that a sensor side sees: 2 atan(d / 2f)."""
    return 2 * atan(side_mm / (2 * focal_mm))


def frames_to_stitch(target_rad: float, frame_rad: float, overlap: float = STITCH_OVERLAP) -> int:
    """Frames of horizontal angle ``frame_rad`` that reach ``target_rad``: ceil((T - o h) / (h (1 - o)))."""
    return max(1, ceil((target_rad - overlap * frame_rad) / (frame_rad * (1 - overlap)) - 1e-9))
