"""An own trip, as somebody who begins with nothing makes it: over the screens."""

import re
from typing import Any

from playwright.sync_api import APIResponse, Page, expect

from tests.journeys import labels


def add_gear(page: Page, typed: str) -> None:
    """The button, the letters, Enter; the field stays for the next, until it is done with."""
    page.get_by_role("button", name=labels.ADD_GEAR).click()
    expect(page.get_by_label("Search (24-70")).to_be_focused()
    page.keyboard.type(typed)
    page.keyboard.press("Enter")
    dialog = page.get_by_role("dialog", name=labels.ADD_GEAR)
    expect(dialog).to_contain_text(re.compile("is in the locker|came into the locker"))
    dialog.get_by_role("button", name=labels.DONE).click()
    expect(dialog).to_be_hidden()


def add_small_plane(page: Page, kilograms: str) -> None:
    """A carrier of one's own, from a pattern, with the mass it takes in the cabin."""
    page.goto("/rules")
    page.get_by_role("button", name=re.compile("^Small propeller plane")).click()
    page.get_by_label(labels.NAME).fill("Gannet Hopper")
    page.get_by_label(labels.MASS_EACH).first.fill(kilograms)
    page.get_by_role("button", name=labels.ADD_CARRIER).click()
    expect(page.locator(".list")).to_contain_text("Gannet Hopper")


def plan_trip(page: Page, name: str) -> None:
    page.goto("/trips")
    page.get_by_role("button", name=labels.PLAN_A_TRIP).click()
    page.get_by_label(labels.NAME).fill(name)
    page.get_by_label(labels.WHERE).fill("West coast")
    page.get_by_label(labels.FIRST_DAY).fill("2027-04-01")
    page.get_by_label(labels.DAYS, exact=True).fill("3")
    page.get_by_label("People (Ines").fill("Ines + Marit")
    page.get_by_label("Load the whole locker").uncheck()
    page.get_by_role("button", name=labels.ON_TO_THE_BRIEF).click()
    page.wait_for_url("**/brief")


def add_want(page: Page, name: str, low: str, high: str) -> None:
    page.get_by_role("button", name=labels.ADD_A_SHOT).click()
    form = page.locator(".edit")
    form.get_by_label(labels.NAME).fill(name)
    form.get_by_label(labels.FROM).fill(low)
    form.get_by_label("To", exact=True).fill(high)


def saved(page: Page) -> None:
    expect(page.locator(".state")).to_have_text("Saved")


def load(page: Page, *names: str) -> None:
    """Clicks things on the mat until they are loaded."""
    for name in names:
        thing = page.locator(".mat").get_by_role("button", name=re.compile(f"^{name}"))
        thing.click()
        expect(thing).to_have_attribute("aria-pressed", "true")


# --- over the API: for journeys whose subject is not the set-up -----------------------------------------------------

BODY, ZOOM, BAG = "body-ff-45", "lens-24-70-f2-8", "backpack-25"
HUT_NIGHT = {"mains_h": 2, "outlets": 1}


def headers(page: Page) -> dict[str, str]:
    return {"X-CSRFToken": next(c["value"] for c in page.context.cookies() if c["name"] == "csrftoken")}


def send(page: Page, path: str, body: dict[str, Any]) -> APIResponse:
    """Asks as the app does."""
    made = page.request.post(path, data=body, headers=headers(page))
    assert made.ok, made.text()
    return made


def own_gear(page: Page, *typical: str) -> None:
    """Things of the typical table come into the locker, by their ids."""
    for thing in typical:
        send(page, "/api/locker/from-typical", {"typical": thing, "count": 1})


def own_trip(page: Page, name: str, **changes: Any) -> str:
    """Three days on the west coast for Ines and Marit; gives the id of the trip."""
    trip = {
        "id": "new",
        "name": name,
        "place": "West coast",
        "people": [{"id": "ines", "name": "Ines"}, {"id": "marit", "name": "Marit"}],
        "days": [{"title": f"Day {n}", "date": f"2027-04-0{n}"} for n in (1, 2, 3)],
    }
    made: str = send(page, "/api/trips", {"trip": trip | changes}).json()["trip"]["id"]
    return made


def own_want(name: str, low: int, high: int) -> dict[str, Any]:
    return {"id": "want", "name": name, "focal_min_mm": low, "focal_max_mm": high}


def lay_out_trip(page: Page, name: str, *gear: str, **changes: Any) -> None:
    """Gear in the locker, a trip, and onto its bench, where nothing is loaded yet."""
    own_gear(page, *gear)
    page.goto(f"/trips/{own_trip(page, name, **changes)}/a/bench")
