"""One question each about one kit."""
