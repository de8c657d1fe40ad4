"""Running a site: its database as a file, the demo world, what starts it."""
