"""An account of one's own: another password, and gone for good once its name is typed."""

import re

from playwright.sync_api import Page, expect


def test_a_password_is_changed_and_an_account_deleted(newcomer: Page) -> None:
    page = newcomer
    page.goto("/settings")
    card = page.get_by_role("region", name="Your account")
    card.get_by_label("Password now").fill("not this one")
    card.get_by_label("New password").fill("another long password")
    card.get_by_role("button", name="Change it").click()
    expect(card).to_contain_text("The password that you have now")
    card.get_by_label("Password now").fill("a long password")
    card.get_by_role("button", name="Change it").click()
    expect(page.get_by_role("status")).to_contain_text("Every other device is signed out")
    name = page.get_by_text("Signed in as").locator("b").inner_text()
    card.get_by_role("button", name="Delete this account").click()
    sure = page.get_by_role("dialog", name="Delete this account")
    expect(sure.get_by_role("button", name="Delete it")).to_be_disabled()
    sure.get_by_label("Name of this account").fill(name)
    sure.get_by_role("button", name="Delete it").click()
    page.wait_for_url(re.compile("/welcome"))
    page.goto("/settings")
    page.wait_for_url(re.compile("/welcome"))


def test_the_demo_has_no_password(inside: Page) -> None:
    inside.goto("/settings")
    expect(inside.get_by_role("heading", name="Settings")).to_be_visible()
    expect(inside.get_by_role("region", name="Your account")).to_have_count(0)
    expect(inside).to_have_title("Settings · Narrow Mule")
