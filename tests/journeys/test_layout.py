"""Every kind of gear in the locker shows its fields whole. The check itself finds cut and overlapping text."""

from playwright.sync_api import Page

from tests.journeys import labels
from tests.journeys.screens import UNFOLD, WRONG, resize


def test_whatever_is_chosen_in_the_locker_its_fields_can_be_read(inside: Page) -> None:
    resize(inside, (1024, 768))
    inside.goto("/locker")
    rows = inside.locator(".rows [data-kind]")
    rows.first.wait_for()
    kinds = list(dict.fromkeys(rows.evaluate_all("rows => rows.map(row => row.dataset.kind)")))
    assert len(kinds) > 12
    wrong = {}
    for kind in kinds:
        inside.locator(f'.rows [data-kind="{kind}"]').first.click()
        inside.get_by_role("complementary", name=labels.CHOSEN_ITEM).wait_for()
        inside.evaluate(UNFOLD)
        if found := inside.evaluate(WRONG):
            wrong[kind] = found
    assert wrong == {}


def test_what_lies_on_top_or_is_cut_off_is_noticed(inside: Page) -> None:
    inside.goto("/welcome")
    inside.evaluate(
        """() => {
          const put = (text, style) => {
            const made = document.createElement('p')
            made.textContent = text
            Object.assign(made.style, { position: 'absolute', left: '10px', ...style })
            document.body.append(made)
          }
          put('under it', { top: '200px' })
          put('over it', { top: '203px' })
          put('cut off here', { top: '260px', width: '20px', overflow: 'hidden', whiteSpace: 'nowrap' })
        }"""
    )
    found = " ".join(inside.evaluate(WRONG))
    assert "“under it” and" in found or "“over it” and" in found
    assert "“cut off here”" in found
