"""Names of things, as people and cameras write them."""

import re


def words_of(name: str) -> frozenset[str]:
    """Words and numbers of a name, small: "Corrie 24–70 f/2.8" is corrie, 24, 70, f, 2.8."""
    return frozenset(re.findall(r"[a-z]+|\d+(?:\.\d+)?", name.lower()))
