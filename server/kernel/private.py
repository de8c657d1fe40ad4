"""Files that are nobody else's."""

import os
from pathlib import Path

_OTHERS = 0o077


def make_private(folder: Path) -> None:
    """Makes a folder, and keeps all others out of it and of what this process writes from now on.

    Files that were there already are closed, too.
    """
    os.umask(_OTHERS)
    folder.mkdir(parents=True, exist_ok=True)
    for path in (folder, *folder.iterdir()):
        mode = path.stat().st_mode
        if path.is_file() or path == folder:
            path.chmod(mode & ~_OTHERS)
