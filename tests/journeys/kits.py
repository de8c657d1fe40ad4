"""Kits of the demo for one journey, by the way that screens take: over the API, and without their time."""

from playwright.sync_api import APIResponse, Page


def own_kit(page: Page, letter: str) -> str:
    """Copies a kit of the demo, so that a journey changes nobody else's; gives the letter of the copy."""
    made = _send(page, "", {"name": f"{letter}, copy", "copy_of": letter})
    kit: str = made.json()["id"]
    return kit


def edit(page: Page, kit: str, edits: list[dict[str, object]]) -> None:
    """Edits a kit of the demo as a screen would."""
    _send(page, f"/{kit}/edits", {"version": version(page, kit), "edits": edits})


def version(page: Page, kit: str) -> int:
    """How often a kit of the demo was changed."""
    found: int = page.request.get(f"/api/trips/lofoten/kits/{kit}").json()["state"]["version"]
    return found


def remove_copies(page: Page) -> None:
    """Leaves the kits that the demo ships: journeys before have left copies on this site."""
    for kit in page.request.get("/api/trips/lofoten/kits/b").json()["kits"]:
        if kit["id"] not in ("a", "b", "c"):
            gone = page.request.delete(f"/api/trips/lofoten/kits/{kit['id']}", headers=_headers(page))
            assert gone.ok, gone.text()


def _headers(page: Page) -> dict[str, str]:
    return {"X-CSRFToken": next(c["value"] for c in page.context.cookies() if c["name"] == "csrftoken")}


def _send(page: Page, path: str, body: dict[str, object]) -> APIResponse:
    made = page.request.post(f"/api/trips/lofoten/kits{path}", data=body, headers=_headers(page))
    assert made.ok, made.text()
    return made
