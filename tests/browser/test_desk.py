"""A unit painted at the desk with the server out of reach in the middle."""

from dataclasses import replace

from django.contrib.auth import get_user_model
from playwright.sync_api import expect

from mantello.record.queries import done_steps
from mantello.trials.trial import waive
from mantello.workspace.editing import keep_design
from mantello.workspace.readings import reading_of
from mantello_core.calendar.evenings import Evenings
from mantello_core.order.subject import subject_of
from tests.samples import rule, small_design

from .case import BrowserCase


class AtTheDesk(BrowserCase):
    def test_a_unit_is_painted_with_a_dropped_connection_in_the_middle(self):
        self.sign_up()
        owner = get_user_model().objects.get(first_name="rosa")
        every_day = Evenings(tuple((day, 0, 720) for day in range(7)) + tuple((day, 720, 719) for day in range(7)))
        design = replace(
            small_design(rule("a", "army", "", "field"), rule("b", "army", "torso", "metal")), evenings=every_day
        )
        army = keep_design(owner, design, "Imported")
        reading = reading_of(army.head)
        waive(army, reading, sorted(reading.shares))
        page = self.page
        self.go(f"/armies/{army.pk}/desk/")
        titles = []

        def finish():
            # what is still wet is never begun by the space bar
            wet = page.get_by_role("button", name="Done all the same")
            if wet.count():
                page.keyboard.press("Space")
                expect(wet).to_be_visible()
                wet.click()
            else:
                page.keyboard.press("Space")

        def press():
            titles.append((page.locator("h1").inner_text(), page.locator(".col-h .sub").first.inner_text()))
            finish()

        press()
        expect(page.locator("#notices")).to_contain_text("logged")
        expect(page.locator("[data-held]")).to_be_attached()
        before = army.entries.count()

        # out of reach: the work goes on, and is kept in the browser
        self.context.set_offline(True)
        for number in (1, 2, 3):
            press()
            expect(page.locator("#kept")).to_contain_text(f"{number} change")
            expect(page.locator(".col-h .sub").first).not_to_have_text(titles[-1][1])
        self.assertEqual(army.entries.count(), before)

        # in reach again: everything arrives once, at the minute it was pressed
        self.context.set_offline(False)
        page.get_by_role("button", name="Send again").click()
        expect(page.locator("#kept")).to_be_hidden()
        self.assertEqual(army.entries.values("batch").distinct().count(), 4)
        self.assertEqual(len({title for _, title in titles}), 4)

        # the rest of the army is painted to the end
        for _ in range(120):
            if page.get_by_role("heading", name="All done").count():
                break
            now = page.locator(".col-h .sub").first.inner_text()
            finish()
            expect(
                page.locator(".col-h .sub").first.or_(page.get_by_role("heading", name="All done"))
            ).not_to_have_text(now)
        expect(page.get_by_role("heading", name="All done")).to_be_visible()
        logged = [
            (one.unit, one.rank, ordinal, subject_of(one.role), one.step)
            for one in army.entries.standing()
            for ordinal in one.ordinals
        ]
        self.assertEqual(len(logged), len(set(logged)), "nothing twice")
        wanted = {
            (atom.unit, atom.rank, ordinal, atom.subject, atom.logged)
            for atom in reading.work.atoms
            for ordinal in atom.ordinals
        }
        self.assertEqual(set(logged), wanted, "nothing lost")
        army.refresh_from_db()
        self.assertEqual(done_steps(army), frozenset(wanted))

    def test_it_is_read_from_a_metre_and_the_screen_stays_on(self):
        self.sign_up()
        owner = get_user_model().objects.get(first_name="rosa")
        army = keep_design(owner, small_design(rule("a", "army", "", "field")), "Imported")
        waive(army, reading_of(army.head), sorted(reading_of(army.head).shares))
        page = self.page
        page.add_init_script(
            "window.held = 0; Object.defineProperty(navigator, 'wakeLock', { value: { request: async () => {"
            " window.held += 1; return { release: async () => { window.held -= 1; } }; } } });"
        )
        self.go(f"/armies/{army.pk}/desk/")
        self.assertEqual(page.evaluate("window.held"), 1)
        title = page.locator(".desk-main h1")
        near = title.evaluate("one => parseFloat(getComputedStyle(one).fontSize)")
        page.get_by_role("button", name="From a metre").click()
        self.assertGreater(title.evaluate("one => parseFloat(getComputedStyle(one).fontSize)"), 1.5 * near)
        expect(page.get_by_role("button", name="Near again")).to_have_attribute("aria-pressed", "true")
        page.reload()
        page.get_by_role("button", name="Near again").click()
        self.assertEqual(title.evaluate("one => parseFloat(getComputedStyle(one).fontSize)"), near)
        page.get_by_role("link", name="Back to the plan").click()
        expect(page.locator(".desk")).to_have_count(0)
        self.assertLessEqual(page.evaluate("window.held"), 0)
