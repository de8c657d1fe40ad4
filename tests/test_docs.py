"""What the documents and the comments point to is there, and examples in docstrings do what they say."""

import doctest
import importlib
import pkgutil
import re
from pathlib import Path
from typing import get_args

import pytest

import mule
from mule.findings.rules import OF_LOSSES
from mule.findings.said import ChainOfLinks
from mule.findings.said.gets import ToGet
from scripts.architecture import with_picture
from server.exchange.words import GET_WORDS

ROOT = Path(__file__).parents[1]
CODE = [p for floor in ("mule", "server", "tests", "benchmarks", "scripts") for p in (ROOT / floor).rglob("*.py")]
WEB = [p for end in ("ts", "vue") for p in (ROOT / "web/src").rglob(f"*.{end}")]
PAGES = [*(ROOT / "docs").rglob("*.md"), *ROOT.glob("*.md")]
CITED = re.compile(r"docs/[\w/-]+\.(?:md|json)(?:#[\w-]+)?")
MODULES = sorted({m.name for m in pkgutil.walk_packages(mule.__path__, "mule.") if not m.name.endswith("__main__")})


def anchors(page: Path) -> set[str]:
    """What a page's headings are called in links."""
    heads = re.findall(r"^#+ (.+)$", page.read_text(), re.MULTILINE)
    return {re.sub(r"[^\w -]", "", head).strip().lower().replace(" ", "-") for head in heads}


def lost(target: str, base: Path) -> bool:
    path, _, anchor = target.partition("#")
    page = (base / path).resolve() if path else base
    return not page.exists() or bool(anchor and page.suffix == ".md" and anchor not in anchors(page))


def test_every_page_that_the_code_cites_is_there() -> None:
    missing = [
        f"{file.relative_to(ROOT)}: {cited}"
        for file in [*CODE, *WEB]
        for cited in CITED.findall(file.read_text())
        if lost(cited, ROOT)
    ]
    assert missing == []


def test_no_code_cites_a_document_by_number() -> None:
    """A number of a section that a newcomer cannot open explains nothing."""
    by_number = [str(f) for f in [*CODE, *WEB] if re.search(r"\bdomain \d", f.read_text()) and f != Path(__file__)]
    assert by_number == []


def test_every_link_between_pages_leads_somewhere() -> None:
    missing = [
        f"{page.relative_to(ROOT)}: {target}"
        for page in PAGES
        for target in re.findall(r"\]\(([^)\s]+)\)", page.read_text())
        if "://" not in target and lost(target, page.parent if not target.startswith("#") else page)
    ]
    assert missing == []


def test_the_picture_of_the_architecture_is_that_of_the_import_contracts() -> None:
    page = ROOT / "docs/architecture.md"
    assert page.read_text() == with_picture(page.read_text()), "python -m scripts.architecture"


def defined(module: Path) -> set[str]:
    """Types and aliases of types that a module of the core makes."""
    made = r"^(?:class ([A-Z][a-z]\w*)|([A-Z][a-z]\w*) = (?:Literal|Annotated))\b"
    return {one or other for one, other in re.findall(made, module.read_text(), re.MULTILINE)}


def test_one_name_is_one_thing_in_the_core() -> None:
    homes: dict[str, list[str]] = {}
    for module in sorted((ROOT / "mule").rglob("*.py")):
        for name in defined(module):
            homes.setdefault(name, []).append(str(module.relative_to(ROOT)))
    assert {name: where for name, where in homes.items() if len(where) > 1} == {}


def test_names_in_the_glossary_are_in_the_code() -> None:
    """The third column says how the core spells a word; a stranger who looks for it finds it."""
    rows = re.findall(r"^\| (.+?) \| .+ \| (.*?) \|$", (ROOT / "docs/glossary.md").read_text(), re.MULTILINE)
    code = "\n".join(module.read_text() for module in (ROOT / "mule").rglob("*.py"))
    spelt = [(word, name) for word, names in rows for name in re.findall(r"`([\w.]+)`", names)]
    assert len(spelt) >= 60
    assert [(word, name) for word, name in spelt if not re.search(rf"\b{name.split('.')[-1]}\b", code)] == []


def test_every_front_door_shows_how_it_is_used() -> None:
    doors = {p: p.read_text(encoding="utf-8") for p in (ROOT / "mule").rglob("__init__.py")}
    mute = [p.parent.name for p, code in doors.items() if re.search(r"^def [a-z]", code, re.M) and ">>>" not in code]
    assert len(doors) > 15
    assert mute == []


@pytest.mark.parametrize("name", MODULES)
def test_examples_in_docstrings_do_what_they_say(name: str) -> None:
    assert doctest.testmod(importlib.import_module(name)).failed == 0


def test_the_web_knows_which_findings_come_with_the_advice() -> None:
    text = (ROOT / "web/src/wording/advice.ts").read_text()
    (line,) = (line for line in text.splitlines() if line.startswith("const OF_OTHER_KITS"))
    later = {type_.model_fields["code"].default for type_ in (*OF_LOSSES, ChainOfLinks)}
    assert set(re.findall("'([a-z-]+)'", line)) == later


def test_everything_a_cure_can_get_has_a_name_on_screen_and_on_paper() -> None:
    screen = (ROOT / "web/src/wording/cures.ts").read_text()
    block = screen[screen.index("const GET") : screen.index("const NAMED")]
    named = set(re.findall(r"^  '?([a-z-]+)'?: ", block, re.MULTILINE))
    able = {what for type_ in get_args(get_args(ToGet)[0]) for what in get_args(type_.model_fields["what"].annotation)}
    assert named == set(GET_WORDS) == able - {"same"}
