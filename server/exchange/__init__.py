"""Plans in and out as open files."""
