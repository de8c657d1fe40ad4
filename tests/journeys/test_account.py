"""An account of one's own: another password, and gone for good once its name is typed."""

import re

from playwright.sync_api import Page, expect

from tests.journeys import labels


def test_a_password_is_changed_and_an_account_deleted(newcomer: Page) -> None:
    page = newcomer
    page.goto("/settings")
    card = page.get_by_role("region", name=labels.YOUR_ACCOUNT)
    card.get_by_label(labels.CURRENT_PASSWORD).fill("not this one")
    card.get_by_label(labels.NEW_PASSWORD).fill("another long password")
    card.get_by_role("button", name=labels.CHANGE_PASSWORD).click()
    expect(card).to_contain_text("This is not your current password")
    card.get_by_label(labels.CURRENT_PASSWORD).fill("a long password")
    card.get_by_role("button", name=labels.CHANGE_PASSWORD).click()
    expect(page.get_by_role("status")).to_contain_text("Every other device is signed out")
    name = page.get_by_text(labels.SIGNED_IN_AS).locator("b").inner_text()
    card.get_by_role("button", name=labels.DELETE_THIS_ACCOUNT).click()
    sure = page.get_by_role("dialog", name=labels.DELETE_THIS_ACCOUNT)
    expect(sure.get_by_role("button", name=labels.DELETE_IT)).to_be_disabled()
    sure.get_by_label(labels.ACCOUNT_NAME).fill(name)
    sure.get_by_role("button", name=labels.DELETE_IT).click()
    page.wait_for_url(re.compile("/welcome"))
    page.goto("/settings")
    page.wait_for_url(re.compile("/welcome"))


def test_the_demo_has_no_password(inside: Page) -> None:
    inside.goto("/settings")
    expect(inside.get_by_role("heading", name=labels.SETTINGS)).to_be_visible()
    expect(inside.get_by_role("region", name=labels.YOUR_ACCOUNT)).to_have_count(0)
    expect(inside).to_have_title("Settings · Narrow Mule")
