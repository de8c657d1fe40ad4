"""Every screen of the app, on a trip of the demo that has something to show there."""

SCREENS = (
    "/trips",
    "/locker",
    "/rules",
    "/settings",
    *(f"/trips/lofoten/b/{s}" for s in ("brief", "bench", "stamina", "stow", "gate", "pack-out", "trail")),
    "/trips/karst/a/look-back",
    "/trips/lofoten/b/suggest",
    "/trips/lofoten/b/compare",
)
