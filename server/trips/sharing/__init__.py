"""Trips opened to others by a link."""
