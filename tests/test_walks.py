"""The walks of CONTRIBUTING.md are done, on a copy, and what they say of forgetting holds (docs/architecture.md)."""

import re
import shutil
import subprocess
import sys
from dataclasses import dataclass
from pathlib import Path

import pytest

ROOT = Path(__file__).parent.parent
GUIDE = (ROOT / "CONTRIBUTING.md").read_text()
# What a copy needs of the web: the types of the API, and what is typed by them.
CHECKED = [f"src/{at}.ts" for at in ("wording/findings", "wording/cures", "wording/scales", "testing/findings")]
CHECKED += ["src/screens/locker/fields.ts", "src/screens/rules/carrier-form.ts", "src/screens/brief/wants.ts"]
FORGETTING = ["tests/mule/test_nothing_forgotten.py"]


@dataclass(frozen=True)
class Step:
    """Lines of a file in place of others; without others, at its end."""

    walk: str
    file: str
    before: str
    after: str

    def done(self, at: Path) -> None:
        """Done once, where the guide says."""
        file = at / self.file
        text = file.read_text()
        if not self.before:
            file.write_text(text + self.after)
            return
        lines = f"\n{text}".split(f"\n{self.before}\n")
        assert len(lines) == 2, f"{self.walk}: {self.file} does not have these lines once:\n{self.before}"
        file.write_text(f"\n{self.after}\n".join(lines)[1:])


def steps_of(guide: str) -> list[Step]:
    found = []
    for walk in re.split(r"^### ", guide, flags=re.MULTILINE)[1:]:
        for file, block in re.findall(r"^```diff (\S+)\n(.*?)^```$", walk, re.MULTILINE | re.DOTALL):
            lines = block.splitlines(keepends=True)
            before, after = ("".join(line[1:] for line in lines if line[0] != not_in) for not_in in "+-")
            found.append(
                Step(walk.splitlines()[0], file, before.rstrip("\n"), after.rstrip("\n") + "\n" * (not before))
            )
    return found


STEPS = steps_of(GUIDE)
RULE = [s for s in STEPS if s.walk.startswith("A rule") and not re.search(r"^tests/|/testing/", s.file)]


def copied(to: Path) -> Path:
    """The files of the house, and what it was set up with."""
    listed = subprocess.run(
        ["git", "ls-files", "-co", "--exclude-standard"], cwd=ROOT, capture_output=True, text=True, check=True
    )
    for name in listed.stdout.splitlines():
        if (ROOT / name).is_file() and not name.startswith(("docs/screenshots/", "demo/pictures/")):
            (to / name).parent.mkdir(parents=True, exist_ok=True)
            shutil.copy(ROOT / name, to / name)
    (to / "web/node_modules").symlink_to(ROOT / "web/node_modules", target_is_directory=True)
    return to


def run(at: Path, *command: str) -> str:
    """Nothing where it succeeds, else what it said."""
    ended = subprocess.run(command, cwd=at, capture_output=True, text=True, check=False)
    return "" if ended.returncode == 0 else ended.stdout + ended.stderr


def pytest_of(at: Path, *tests: str) -> str:
    return run(at, sys.executable, "-m", "pytest", "-p", "no:cacheprovider", "-p", "no:xdist", *tests)


def generated(at: Path) -> str:
    """What the guide says to make again."""
    (at / "docs/plan.schema.json").write_text(
        subprocess.run(
            [sys.executable, "-m", "mule", "schema"], cwd=at, capture_output=True, text=True, check=True
        ).stdout
    )
    said = run(at, sys.executable, "scripts/openapi.py", ".build/openapi.json")
    return said + run(
        at / "web",
        "npx",
        "--no-install",
        "openapi-typescript",
        "../.build/openapi.json",
        "-o",
        "src/api/schema.gen.d.ts",
    )


def typed(at: Path) -> str:
    files = ", ".join(f'"{file}"' for file in CHECKED)
    (at / "web/tsconfig.walks.json").write_text(f'{{"extends": "./tsconfig.json", "include": [{files}]}}')
    return run(at / "web", "npx", "--no-install", "tsc", "--noEmit", "-p", "tsconfig.walks.json")


def test_a_rule_with_its_fix_touches_five_places_at_most() -> None:
    assert 4 <= len({step.file for step in RULE}) <= 5
    assert {step.walk.split()[-1] for step in STEPS} == {"sentence", "gear", "rule", "need"}


def test_the_walks_lead_where_they_say(tmp_path: Path) -> None:
    at = copied(tmp_path)
    for step in STEPS:
        step.done(at)
    assert generated(at) == ""
    ruff = Path(sys.executable).parent / "ruff"
    assert run(at, str(ruff), "check", "mule", "tests") == ""
    mine = [f"{step.file}::{name}" for step in STEPS for name in re.findall(r"def (test_\w+)", step.after)]
    assert len(mine) == 3
    assert pytest_of(at, *FORGETTING, *mine, "tests/server/test_typical.py") == ""
    assert typed(at) == ""
    units = ("src/screens/locker/fields.test.ts", "src/wording/findings.test.ts")
    assert run(at / "web", "npx", "--no-install", "vitest", "run", *units) == ""
    # A sentence that is forgotten does not compile.
    (sentence,) = (step for step in RULE if step.file.startswith("web/"))
    (at / sentence.file).write_text((ROOT / sentence.file).read_text())
    assert "cloth-left" in typed(at)


@pytest.mark.parametrize(
    ("forgotten", "named"),
    [
        ("mule/findings/said/holding.py", "ClothLeft"),
        ("mule/findings/rules/holding.py", "ClothLeftRule"),
        ("mule/findings/rules/__init__.py", "ClothLeftRule"),
        ("mule/findings/cures/aids.py", "ClothLeft"),
    ],
)
def test_what_is_forgotten_of_a_rule_fails_by_name(forgotten: str, named: str, tmp_path: Path) -> None:
    assert forgotten in {step.file for step in RULE}
    at = copied(tmp_path)
    for step in RULE:
        if step.file != forgotten:
            step.done(at)
    assert named in pytest_of(at, *FORGETTING)
