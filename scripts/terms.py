"""One table of words, ``docs/terms.toml``: for the glossary, the names in the code and the words on screens."""

import tomllib
from pathlib import Path
from typing import NamedTuple

ROOT = Path(__file__).resolve().parent.parent
_HEAD = """# Glossary

Made from [terms.toml](terms.toml) by `make words`.

| word | meaning | in the code |
| --- | --- | --- |
"""


class Term(NamedTuple):
    """One word. code: its names in the core. never: words it replaces, as regular expressions. say: use instead."""

    word: str
    meaning: str
    code: tuple[str, ...]
    never: tuple[str, ...]
    say: str


def terms() -> list[Term]:
    """All words of the table, by the alphabet."""
    return sorted(_of(row) for row in _table()["term"])


def given_up() -> dict[str, str]:
    """Words that are not used any more, as regular expressions, with the word to use instead."""
    told = {pattern: term.say for term in terms() for pattern in term.never}
    return told | {pattern: row["say"] for row in _table()["phrase"] for pattern in row["never"]}


def glossary() -> str:
    """``docs/glossary.md``."""
    rows = (f"| {t.word} | {t.meaning} | {', '.join(f'`{name}`' for name in t.code)} |\n" for t in terms())
    return _HEAD + "".join(rows)


def _table() -> dict[str, list[dict[str, str]]]:
    return tomllib.loads((ROOT / "docs" / "terms.toml").read_text())


def _of(row: dict[str, str]) -> Term:
    return Term(
        row["word"],
        row["meaning"],
        tuple(row.get("code", ())),
        tuple(row.get("never", ())),
        row.get("say", row["word"][0].lower() + row["word"][1:]),
    )
