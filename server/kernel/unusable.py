"""The one error for a database that cannot be used, and what it says of what SQLite says."""

from collections.abc import Mapping

# What SQLite says -> what people read, and what whoever runs the site does about it.
_DAMAGED = ("The server's data is damaged.", "stop the site and restore a backup: manage.py restore_site FILE")
_AILS: Mapping[str, tuple[str, str]] = {
    "disk is full": ("The server's disk is full: nothing can be saved.", "free some space where DATA_DIR is"),
    "no space left": ("The server's disk is full: nothing can be saved.", "free some space where the database is"),
    "read-only": ("The server may not write its data.", "find out why the database is read-only"),
    "readonly": ("The server may not write its data.", "give the site’s user write access to DATA_DIR"),
    "unable to open": ("The server cannot open its data.", "check that DATA_DIR exists and belongs to the site’s user"),
    "malformed": _DAMAGED,
    "not a database": _DAMAGED,
    "disk i/o": (
        "The server cannot read its data.",
        "check the disk; if it is broken, restore a backup",
    ),
    "locked": ("The server is busy writing.", "check whether a backup or another program holds the database"),
    "no such table": ("The server's data is not ready.", "run manage.py migrate"),
}
_UNKNOWN = ("The server cannot reach its data.", "check that the database runs and DATABASE_URL is right")


class Unusable(Exception):
    """The database cannot be used. ``cure``: what whoever runs the site does about it."""

    def __init__(self, said: str, cure: str) -> None:
        self.said, self.cure = said, cure
        super().__init__(f"{said} What to do: {cure}.")


def ails(error: BaseException) -> Unusable:
    """What is wrong with the database, in plain words."""
    told = str(error).lower()
    return Unusable(*next((what for mark, what in _AILS.items() if mark in told), _UNKNOWN))
