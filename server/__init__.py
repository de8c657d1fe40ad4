"""The server: stores what people plan, asks the core, answers the web."""
