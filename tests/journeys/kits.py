"""Kits of the demo for one journey, by the way that screens take: over the API, and without their time."""

from playwright.sync_api import Page

from tests.journeys.own import headers, send

KITS = "/api/trips/lofoten/kits"


def own_kit(page: Page, letter: str) -> str:
    """Copies a kit of the demo, so that a journey changes nobody else's; gives the letter of the copy."""
    made = send(page, KITS, {"name": f"{letter}, copy", "copy_of": letter})
    kit: str = made.json()["id"]
    return kit


def edit(page: Page, kit: str, edits: list[dict[str, object]]) -> None:
    """Edits a kit of the demo as a screen would."""
    send(page, f"{KITS}/{kit}/edits", {"version": version(page, kit), "edits": edits})


def version(page: Page, kit: str) -> int:
    """How often a kit of the demo was changed."""
    found: int = page.request.get(f"{KITS}/{kit}").json()["state"]["version"]
    return found


def remove_copies(page: Page) -> None:
    """Leaves the kits that the demo ships: journeys before have left copies on this site."""
    for kit in page.request.get(f"{KITS}/b").json()["kits"]:
        if kit["id"] not in ("a", "b", "c"):
            gone = page.request.delete(f"{KITS}/{kit['id']}", headers=headers(page))
            assert gone.ok, gone.text()
