"""Every visible string with its place, in ``.build/words.txt``, and how far they are from the words of the house."""

import ast
import json
import re
import subprocess
from collections.abc import Iterable, Iterator
from pathlib import Path
from typing import NamedTuple

ROOT = Path(__file__).resolve().parent.parent
# Longer sentences are read twice.
MOST_WORDS = 22
# Words that are not used any more, as regular expressions, with the word of the craft.
TERMS = {
    r"\bpacks\b|\b(spare|each|no|last|lb-4|camera) pack\b|\bpack no\b": "battery",
    r"(?<!power )\bbanks?\b": "power bank",
    r"\bbags? of beans\b": "beanbag",
    r"\b(heavier|carbon|no|spare) legs\b|\blegs,": "tripod",
    r"\bwants?\b": "shot",
    r"\basks? for\b|\basked\b": "needs",
    r"\bschools?\b": "approach",
    r"\bsorts? of days?\b": "day type",
    r"\bmends?\b|\bmended\b": "fixes",
    r"\bcures?\b|\bways? out\b": "fix",
    r"\bpoints\b": "per cent of the brief",
    r"\bcarries well\b": "comfortable load",
    r"\bcarries too\b": "also carries",
    r"\bbase load\b": "other load",
    r"\beverybody has\b": "one per person",
    r"\bbring in\b|\btake away\b|\bput back\b|\bbrought in\b": "import, export, restore",
    r"\bmust (come|stay)\b": "always take, leave at home",
    r"\bmay be left\b": "could stay home",
    r"\bleave the bags open\b": "choose bags too",
    r"\bjudge by days\b": "check every day's carry",
    r"\benters\b|\bleaves\b": "add, leave",
    r"\bpixels left\b": "megapixels needed",
    r"\bno matter\b": "any",
    r"\bwished\b": "preferred",
    r"\bin the round\b": "3D",
    r"\brows and cells\b": "grid of dividers",
    r"\blies?\b": "is",
    r"\bcomes out first\b": "buried",
    r"\bgate drill\b": "if they take your bag",
    r"\blast hour\b|\bdoor check\b": "final check",
    r"\bour signs\b": "battery and card markings",
    r"\breckon\w*\b|\banew\b": "calculate, recalculate",
    r"\bruns? dry\b": "runs out",
    r"\bof which\b|\bthereof\b|\bwherever\b|\bat the most\b|\bas long as\b|\bnobody\b|\bamiss\b": "a plainer sentence",
}
# A pattern or a question to the database: nothing that is read.
_CODE = r"[\\^]|::|SELECT|PRAGMA"


class Said(NamedTuple):
    """A string that is read. at: file and line."""

    at: str
    text: str


def said() -> list[Said]:
    """All of the web, the server and the core, in the order of their places. Raises CalledProcessError."""
    told = subprocess.run(["node", "scripts/said.mjs"], cwd=ROOT, check=True, capture_output=True, text=True).stdout
    web = [Said(line["at"], line["said"]) for line in map(json.loads, told.splitlines())]
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
        if text is not None and re.search(r"[^\W\d_]{2,} \S*[^\W\d_]", text) and not re.search(_CODE, text):
            yield Said(f"{path.relative_to(ROOT)}:{node.lineno}", " ".join(text.split()))  # type: ignore[attr-defined]


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
    for one in every:
        for term, better in TERMS.items():
            if re.search(term, one.text, re.IGNORECASE):
                found.setdefault(better, []).append(one)
    return found


def main() -> None:
    """Writes the list, and says how long and how old its words are."""
    every = said()
    out = ROOT / ".build" / "words.txt"
    out.parent.mkdir(exist_ok=True)
    out.write_text("".join(f"{one.at}\t{one.text}\n" for one in every))
    parts = sentences(one.text for one in every)
    long = [words for words in parts if len(words) > MOST_WORDS]
    total = sum(map(len, parts))
    print(f"{len(every):,} strings, {total:,} words, {total / len(parts):.1f} a sentence")
    print(f"{len(long)} sentences of more than {MOST_WORDS} words")
    for better, some in sorted(old_words(every).items(), key=lambda item: -len(item[1])):
        print(f"{len(some):5}  {better}: “{some[0].text[:70]}” ({some[0].at})")


if __name__ == "__main__":
    main()
