"""Trips, their kits, and the steps of editing a kit."""
