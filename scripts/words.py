"""Every visible string with its place, in ``.build/words.txt``, and how far they are from the words of the house."""

import ast
import json
import re
import subprocess
from collections.abc import Iterable, Iterator
from pathlib import Path
from typing import NamedTuple

from scripts.terms import ROOT, given_up, glossary

# Longer sentences are read twice.
MOST_WORDS = 22
# A pattern or a question to the database: nothing that is read.
_CODE = r"[\\^]|::|SELECT|PRAGMA"


class Said(NamedTuple):
    """A string that is read. at: file and line. part: it goes on from what stands before it on the screen."""

    at: str
    text: str
    part: bool = False


def said() -> list[Said]:
    """All of the web, the server and the core, in the order of their places. Raises CalledProcessError."""
    told = subprocess.run(["node", "scripts/said.mjs"], cwd=ROOT, check=True, capture_output=True, text=True).stdout
    web = [Said(line["at"], line["said"], line["part"]) for line in map(json.loads, told.splitlines())]
    files = sorted(path for floor in ("mule", "server") for path in (ROOT / floor).rglob("*.py"))
    return [*web, *(one for path in files if "migrations" not in path.parts for one in _of_python(path))]


def _of_python(path: Path) -> Iterator[Said]:
    tree = ast.parse(path.read_text())
    apart = {id(node) for found in ast.walk(tree) for node in _unread(found)}
    inside = {id(part) for node in ast.walk(tree) if isinstance(node, ast.JoinedStr) for part in node.values}
    for node in ast.walk(tree):
        if id(node) in apart or id(node) in inside:
            continue
        text = _text(node)
        if text is None or re.search(_CODE, text):
            continue
        for line in text.splitlines():
            if re.search(r"[^\W\d_]{2,} \S*[^\W\d_]", line):
                yield Said(f"{path.relative_to(ROOT)}:{node.lineno}", line.strip())  # type: ignore[attr-defined]


def _unread(node: ast.AST) -> Iterator[ast.AST]:
    """Parts of a node that no user reads: its docstring, patterns, names of types."""
    if isinstance(node, ast.Module | ast.ClassDef | ast.FunctionDef | ast.AsyncFunctionDef):
        first = node.body[0] if node.body else None
        if isinstance(first, ast.Expr):
            yield first.value
    if isinstance(node, ast.Call) and ast.unparse(node.func).endswith(("TypeVar", "compile", "execute", "getLogger")):
        yield from node.args


def _text(node: ast.AST) -> str | None:
    if isinstance(node, ast.Constant) and isinstance(node.value, str):
        return node.value
    if isinstance(node, ast.JoinedStr):
        return "".join(str(part.value) if isinstance(part, ast.Constant) else "…" for part in node.values)
    return None


def sentences(texts: Iterable[str]) -> list[list[str]]:
    """The words of each sentence."""
    found = (re.findall(r"[\w’'–-]+", part) for text in texts for part in re.split(r"(?<=[.!?:;])\s+", text))
    return [words for words in found if words]


def old_words(every: Iterable[Said]) -> dict[str, list[Said]]:
    """Strings with a word that is not used any more, by the word that is."""
    found: dict[str, list[Said]] = {}
    instead = given_up()
    for one in every:
        for term, better in instead.items():
            if re.search(term, one.text, re.IGNORECASE):
                found.setdefault(better, []).append(one)
    return found


def faults(one: Said) -> list[str]:
    """Rules that a string breaks, whatever its words: heads that only say "what", small letters, double spaces."""
    found = []
    if not one.part and re.match(r"(what|which|that) [^?]*$", one.text, re.IGNORECASE) and len(one.text.split()) < 8:
        found.append("a head that only says what or which")
    if not one.part and re.match(r"[a-z][^…]* [^…]*[.!]$", one.text):
        found.append("a sentence that starts small")
    if re.search(r"\S  \S", one.text):
        found.append("two spaces")
    if any(len(words) > MOST_WORDS for words in sentences([one.text])):
        found.append(f"more than {MOST_WORDS} words")
    return found


def main() -> None:
    """Writes the glossary and the list of all that is said, and prints what breaks a rule."""
    (ROOT / "docs" / "glossary.md").write_text(glossary())
    every = said()
    out = ROOT / ".build" / "words.txt"
    out.parent.mkdir(exist_ok=True)
    out.write_text("".join(f"{one.at}\t{one.text}\n" for one in every))
    parts = sentences(one.text for one in every)
    total = sum(map(len, parts))
    print(f"{len(every):,} strings, {total:,} words, {total / len(parts):.1f} a sentence")
    for one in every:
        for fault in faults(one):
            print(f"{fault}: “{one.text}” ({one.at})")
    for better, some in sorted(old_words(every).items(), key=lambda item: -len(item[1])):
        for one in some:
            print(f"{better}: “{one.text}” ({one.at})")


if __name__ == "__main__":
    main()
