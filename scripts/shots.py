"""Refreshes docs/screenshots: one current picture of each main view, from the demo data, on a desk or on a phone."""

import sys
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
sys.path.insert(0, str(ROOT))

from playwright.sync_api import Page  # noqa: E402

from tests.site import PHONE, WINDOW, Traffic, chromium, served  # noqa: E402  the root is on the path first

TARGET = ROOT / "docs" / "screenshots"

# Name of the picture, path of the screen, theme, and what to click before it is taken.
SHOTS: tuple[tuple[str, str, str, tuple[str, ...]], ...] = (
    ("trips", "/trips", "day", ()),
    ("brief", "/trips/lofoten/b/brief", "day", ()),
    ("bench", "/trips/lofoten/b/bench", "day", ()),
    ("bench-gap", "/trips/lofoten/c/bench", "day", ()),
    ("bench-red", "/trips/lofoten/b/bench", "red", ()),
    ("compare", "/trips/lofoten/b/compare", "day", ()),
    ("suggest", "/trips/lofoten/b/suggest", "day", ("role=status >> text=all proved",)),
    ("stamina", "/trips/lofoten/b/stamina", "day", ()),
    ("stamina-losses", "/trips/lofoten/b/stamina", "night", ("text=losses, approaches",)),
    ("stow", "/trips/lofoten/b/stow", "day", ("text=Everything has a place",)),
    (
        "days",
        "/trips/lofoten/b/days",
        "day",
        (
            ".columns button >> text=Tue 23",
            "button >> text=Propose the lightest",
            "button >> text=Two bodies",
            # Once all of the curve is here.
            ':has(button:has-text("for 75 %")) >> text=For Tue 23 Feb',
        ),
    ),
    ("bags", "/trips/lofoten/b/bags", "day", ("text=sets tried",)),
    ("gate", "/trips/lofoten/b/gate", "night", ("text=if they take your bag",)),
    ("locker", "/locker", "day", ()),
    ("rules", "/rules", "day", ("text=Little Auk",)),
    ("pack-out", "/trips/lofoten/b/pack-out", "day", ()),
    ("trail", "/trips/lofoten/b/trail", "red", ("text=batteries, cards",)),
    ("look-back", "/trips/karst/a/look-back", "day", ()),
)
# Used standing, in gloves.
ON_THE_PHONE = {"trail"}


def _prefer(page: Page, theme: str) -> None:
    page.goto("/settings")
    page.get_by_label({"day": "Day", "night": "Night", "red": "Red light"}[theme], exact=False).first.check()
    page.wait_for_function("theme => document.documentElement.dataset.theme === theme", arg=theme)


def main() -> None:
    """Takes every picture."""
    with served() as site, chromium() as browser:
        page = browser.new_context(viewport=WINDOW, base_url=site).new_page()
        traffic = Traffic(page)
        page.goto("/welcome")
        traffic.settle()
        page.screenshot(path=TARGET / "welcome.png")
        page.get_by_role("button", name="Step into the demo").click()
        page.wait_for_url("**/bench")
        for name, path, theme, clicks in SHOTS:
            page.set_viewport_size(WINDOW)
            _prefer(page, theme)
            page.set_viewport_size(PHONE if name in ON_THE_PHONE else WINDOW)
            page.goto(path)
            traffic.settle()
            for click in clicks:
                page.locator(click).first.click()
            page.mouse.move(0, 0)
            page.wait_for_timeout(500)
            page.screenshot(path=TARGET / f"{name}.png")


if __name__ == "__main__":
    main()
