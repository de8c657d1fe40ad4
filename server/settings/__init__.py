"""Settings: base, and one file per way of running."""
