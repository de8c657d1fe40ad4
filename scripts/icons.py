"""Draws the app's icons for home screens from web/public/mule.svg, for phones that take no SVG."""

import re
import sys
from pathlib import Path

ROOT = Path(__file__).parents[1]
sys.path.insert(0, str(ROOT))

from tests.site import chromium  # noqa: E402

PUBLIC = ROOT / "web" / "public"


def main() -> None:
    """192 and 512 pixels as drawn, and 512 with room round it for masks (80 % of the side stays visible)."""
    drawn = (PUBLIC / "mule.svg").read_text(encoding="utf-8")
    roomy = re.sub(r'viewBox="0 0 32 32"', 'viewBox="-6 -6 44 44"', drawn)
    roomy = re.sub(r"<rect [^>]*/>", '<rect x="-6" y="-6" width="44" height="44" fill="#23302C"/>', roomy)
    with chromium() as browser:
        for name, svg, side in (("icon-192", drawn, 192), ("icon-512", drawn, 512), ("icon-mask-512", roomy, 512)):
            page = browser.new_page(viewport={"width": side, "height": side})
            page.set_content(f"<style>body{{margin:0}}svg{{display:block;width:{side}px}}</style>{svg}")
            page.screenshot(path=PUBLIC / f"{name}.png", omit_background=True)


if __name__ == "__main__":
    main()
