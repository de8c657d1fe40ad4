"""Draws the floors and the core's packages into docs/architecture.md, from the import contracts of pyproject.toml.

python -m scripts.architecture
"""

import re
import tomllib
from pathlib import Path

ROOT = Path(__file__).parents[1]
PAGE = ROOT / "docs/architecture.md"
BEGIN, END = "<!-- drawn by scripts/architecture.py -->", "<!-- end of the drawing -->"


def layers() -> list[list[str]]:
    """Packages of the core, from the one that knows all others to the ones that know none."""
    contracts = tomllib.loads((ROOT / "pyproject.toml").read_text())["tool"]["importlinter"]["contracts"]
    of_core = next(c for c in contracts if c["type"] == "layers")
    return [[name.strip().removeprefix("mule.") for name in layer.split("|")] for layer in of_core["layers"]]


def picture() -> str:
    """The floors as a Mermaid flow chart: arrows point to what is imported."""
    lines = ["```mermaid", "flowchart TD", "  web[web: screens, wording, what is asked when] --> server"]
    lines.append("  server[server: accounts, storage, streams, files] --> L0")
    lines.append("  subgraph core [mule: the core, without interface, network or database]")
    rows = layers()
    lines += [f"    L{n}[{', '.join(row)}]" for n, row in enumerate(rows)]
    lines += [f"    L{n} --> L{n + 1}" for n in range(len(rows) - 1)]
    return "\n".join([*lines, "  end", "```"])


def with_picture(page: str) -> str:
    """A page with the drawing as it has to be."""
    return re.sub(f"{BEGIN}.*?{END}", f"{BEGIN}\n{picture()}\n{END}", page, flags=re.DOTALL)


if __name__ == "__main__":
    PAGE.write_text(with_picture(PAGE.read_text()))
