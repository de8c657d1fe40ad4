"""The one error for a database that cannot be used, and what it says of what SQLite says."""

from collections.abc import Mapping

# What SQLite says -> what people read, and what whoever runs the site does about it.
_DAMAGED = ("The server's data is damaged.", "stop the site and put a backup back: manage.py restore_site FILE")
_AILS: Mapping[str, tuple[str, str]] = {
    "disk is full": ("The server's disk is full: nothing can be kept.", "free some space where DATA_DIR is"),
    "no space left": ("The server's disk is full: nothing can be kept.", "free some space where the database is"),
    "read-only": ("The server may not write its data.", "see why the database only lets itself be read"),
    "readonly": ("The server may not write its data.", "let the user that runs the site write what is in DATA_DIR"),
    "unable to open": ("The server cannot open its data.", "see that DATA_DIR is there and belongs to that user"),
    "malformed": _DAMAGED,
    "not a database": _DAMAGED,
    "disk i/o": (
        "The server cannot read its data.",
        "see whether the disk is well; if not, put a backup back",
    ),
    "locked": ("The server is busy writing.", "see whether a backup or another program holds the database for long"),
    "no such table": ("The server's data is not ready.", "run manage.py migrate"),
}
_UNKNOWN = ("The server cannot reach its data.", "see whether the database runs and DATABASE_URL is right")


class Unusable(Exception):
    """The database cannot be used. ``cure``: what whoever runs the site does about it."""

    def __init__(self, said: str, cure: str) -> None:
        self.said, self.cure = said, cure
        super().__init__(f"{said} What to do: {cure}.")


def ails(error: BaseException) -> Unusable:
    """What is wrong with the database, in plain words."""
    told = str(error).lower()
    return Unusable(*next((what for mark, what in _AILS.items() if mark in told), _UNKNOWN))
