"""Bars of the session moved by pointer and by key, a search that is watched to its end, and a break that is due."""

import threading
from unittest.mock import patch

from django.contrib.auth import get_user_model
from django.db import connections
from playwright.sync_api import expect
from procrastinate.contrib.django import app

from mantello.rooms.plan import searching
from mantello.workspace.editing import keep_design
from mantello_core.formats.sample import calvessa

from .case import BrowserCase


def work_off_the_queue():
    """What a worker does until the queue is empty, in a thread of its own: this one has the browser's event loop."""

    def work():
        with app.replace_connector(app.connector.get_worker_connector()) as working:
            working.run_worker(wait=False, listen_notify=False, install_signal_handlers=False)
        connections.close_all()

    thread = threading.Thread(target=work)
    thread.start()
    thread.join(120)


class Moving(BrowserCase):
    def setUp(self):
        super().setUp()
        self.sign_up()
        self.army = keep_design(get_user_model().objects.get(first_name="rosa"), calvessa(), "Imported")
        self.go(f"/armies/{self.army.pk}/plan/")
        self.page.wait_for_load_state("networkidle")

    def wishes(self):
        self.army.refresh_from_db()
        return self.army.head.document["evenings"].get("wishes", [])

    def wide_bar(self):
        """The widest bar of the lanes, which a pointer is sure to hit."""
        bars = self.page.locator(".lanes [data-batch]")
        widths = bars.evaluate_all("all => all.map(one => one.getBoundingClientRect().width)")
        return bars.nth(widths.index(max(widths)))

    def test_a_bar_is_dragged_and_put_back(self):
        bar = self.wide_bar()
        box = bar.bounding_box()
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        lanes = self.page.locator(".lanes svg").inner_html()
        self.page.mouse.move(x, y)
        self.page.mouse.down()
        for step in range(1, 9):
            self.page.mouse.move(x + 30 * step, y)
        expect(self.page.locator("[data-drag-words]")).to_contain_text(": to ")
        self.page.wait_for_function("before => document.querySelector('.lanes svg').innerHTML !== before", arg=lanes)
        self.page.mouse.up()
        expect(self.page.locator(".notice").first).to_contain_text("moved to")
        self.assertEqual(len(self.wishes()), 1)
        self.page.get_by_role("button", name="Put back what was moved (1)").click()
        expect(self.page.get_by_role("button", name="Put back what was moved")).to_have_count(0)
        self.assertEqual(self.wishes(), [])

    def test_a_bar_is_moved_by_keys_or_left_where_it_was(self):
        bar = self.wide_bar()
        bar.focus()
        for _ in range(4):
            self.page.keyboard.press("ArrowRight")
        expect(self.page.locator("[data-drag-words]")).to_contain_text(": to ")
        self.page.keyboard.press("Escape")
        expect(self.page.locator("[data-drag-words]")).to_contain_text("Drag a bar")
        self.assertEqual(self.wishes(), [])
        self.wide_bar().focus()
        for _ in range(6):
            self.page.keyboard.press("ArrowRight")
        self.page.keyboard.press("Enter")
        expect(self.page.locator(".notice").first).to_contain_text("moved to")
        self.assertEqual(len(self.wishes()), 1)

    def test_a_search_is_watched_to_its_end(self):
        with patch.object(searching, "TRIES", 40):
            self.page.get_by_role("button", name="Look longer for a better one").click()
            expect(self.page.locator(".search")).to_contain_text("waiting for a free worker")
        work_off_the_queue()
        expect(self.page.locator(".search")).to_contain_text("done after 40 ways")

    def test_a_break_is_due_after_half_an_hour_of_fine_work(self):
        self.go(f"/armies/{self.army.pk}/desk/")
        expect(self.page.locator("[data-rest]")).to_be_hidden()
        self.page.evaluate(
            "localStorage.setItem('mantello-rest', JSON.stringify({ fine: 1801, any: 1801, at: Date.now() / 1000 }))"
        )
        expect(self.page.locator("[data-rest]")).to_contain_text("Half an hour of fine work.")
        self.page.get_by_role("button", name="Rested").click()
        expect(self.page.locator("[data-rest]")).to_be_hidden()
