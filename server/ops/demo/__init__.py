"""The made-up world that the app can be tried in."""
