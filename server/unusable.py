"""The one error for a database that cannot be used."""


class Unusable(Exception):
    """The database cannot be used. ``cure``: what whoever runs the site does about it."""

    def __init__(self, said: str, cure: str) -> None:
        self.said, self.cure = said, cure
        super().__init__(f"{said} What to do: {cure}.")
