"""Names of accounts."""

from unicodedata import normalize


def plain_name(name: str) -> str:
    """A name as it is stored and compared: one space where there are many, one way of writing each letter.

    >>> plain_name("  Ines   Mar\\u0069\\u0301a ")
    'Ines María'
    """
    return normalize("NFKC", " ".join(name.split()))
