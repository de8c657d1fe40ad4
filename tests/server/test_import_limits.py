"""What is far larger inside than out is refused before it is read: at once, and without filling memory."""

import io
import json
import os
import subprocess
import sys
import zipfile
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]
_MEASURE = """
import json, resource, sys, time
import django; django.setup()
from mule.base.errors import InvalidInput
from server.exchange.gear_import import preview
raw = open(sys.argv[1], "rb").read() if sys.argv[1] != "-" else b""
rest = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
begun = time.process_time()
try:
    preview("gear.xlsx", raw)
    said = "taken"
except InvalidInput as error:
    said = error.problems[0].rule
grown = (resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - rest) / 1024
print(json.dumps([said, time.process_time() - begun, grown]))
"""


def bomb(part: str, megabytes: int) -> bytes:
    """A spreadsheet with one part of so many megabytes of the same letter, packed small."""
    held = io.BytesIO()
    with zipfile.ZipFile(held, "w", zipfile.ZIP_DEFLATED, compresslevel=1) as out:
        out.writestr("[Content_Types].xml", "<Types/>")
        with out.open(part, "w", force_zip64=True) as file:
            file.write(b"<t>")
            for _ in range(megabytes):
                file.write(b"x" * 1_000_000)
    return held.getvalue()


@pytest.mark.parametrize(
    ("part", "megabytes"), [("xl/worksheets/sheet1.xml", 300), ("xl/sharedStrings.xml", 300), ("xl/workbook.xml", 100)]
)
def test_a_spreadsheet_that_blows_up_is_refused_at_once(tmp_path: Path, part: str, megabytes: int) -> None:
    path = tmp_path / "bomb.xlsx"
    path.write_bytes(bomb(part, megabytes))
    env = {**os.environ, "DJANGO_SETTINGS_MODULE": "server.settings.test"}
    made = subprocess.run(
        [sys.executable, "-c", _MEASURE, str(path)], cwd=ROOT, env=env, capture_output=True, text=True, check=False
    )
    said, seconds, grown = json.loads(made.stdout)
    assert "unpacks" in said
    assert seconds < 2
    assert grown < 200
