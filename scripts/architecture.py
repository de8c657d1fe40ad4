"""Draws the floors and the core's packages into docs/architecture.md, from the import contracts of pyproject.toml.

python -m scripts.architecture
"""

import re
import tomllib
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parents[1]
PAGE = ROOT / "docs/architecture.md"
BEGIN, END = "<!-- drawn by scripts/architecture.py -->", "<!-- end of the drawing -->"


def contracts() -> list[dict[str, Any]]:
    """The import contracts."""
    found: list[dict[str, Any]] = tomllib.loads((ROOT / "pyproject.toml").read_text())["tool"]["importlinter"][
        "contracts"
    ]
    return found


def layers() -> list[list[str]]:
    """Wings of the core with what is in each, from those that know all others to the one that knows none."""
    whole = next(c for c in contracts() if c["type"] == "layers" and "containers" not in c)
    return [[described(name.strip().removeprefix("mule.")) for name in layer.split("|")] for layer in whole["layers"]]


def described(wing: str) -> str:
    """A wing and what is in it; packing is one package."""
    if wing == "packing":
        return f"<b>{wing}</b>"
    inside = sorted(
        f.stem
        for f in (ROOT / "mule" / wing).glob("*")
        if not f.stem.startswith("_") and (f.is_dir() or f.suffix == ".py")
    )
    return f"<b>{wing}</b>: {', '.join(inside)}" if inside else wing


def picture() -> str:
    """The floors as a Mermaid flow chart: arrows point to what is imported."""
    lines = ["```mermaid", "flowchart TD", "  web[web: screens, wording, what is asked when] --> server"]
    lines.append("  server[server: accounts, storage, streams, files] --> L0")
    lines.append("  subgraph core [mule: the core, without interface, network or database]")
    rows = layers()
    lines += [f'    L{n}["{"<br/>".join(row)}"]' for n, row in enumerate(rows)]
    lines += [f"    L{n} --> L{n + 1}" for n in range(len(rows) - 1)]
    return "\n".join([*lines, "  end", "```"])


def with_picture(page: str) -> str:
    """A page with the drawing as it has to be."""
    return re.sub(f"{BEGIN}.*?{END}", f"{BEGIN}\n{picture()}\n{END}", page, flags=re.DOTALL)


if __name__ == "__main__":
    PAGE.write_text(with_picture(PAGE.read_text()))
