"""``load_demo``."""
