"""The real interface in a real browser."""

import os
import re
import shutil
import tempfile
import threading
from functools import cache
from pathlib import Path

from django.conf import settings
from django.contrib.auth import get_user_model
from django.contrib.auth.hashers import make_password
from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from django.core.cache import caches
from django.core.signals import request_finished, request_started
from django.db import connection
from django.urls import reverse
from playwright.sync_api import expect, sync_playwright

from launch.packages import BROWSERS
from mantello.accounts.naming import free_name
from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.workspace.models import Army
from tests.emptied import Emptied

# Playwright's event loop runs in the test's thread, where the test also asks the database.
os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")
#: ms until a test gives up waiting for what it waits for: so many that only a fault takes them, also where four others are at work
PATIENCE = 120_000
expect.set_options(timeout=PATIENCE)
#: what a page on which pieces are given says once an area is in hand; before that it speaks of clicking too
IN_HAND = re.compile("Click the pieces of|a name of your own")

ROSA = {
    "name": "rosa", "email": "rosa@example.test", "password1": "tide-and-salt-9", "password2": "tide-and-salt-9",
}  # fmt: skip
ROSTER = """unit,type,rank,figures,formation
Line,fusilier,Fusilier,3,1st Weir / Blue
Line,sergeant,Sergeant,1,1st Weir / Blue
Line,fusilier,Fusilier,2,1st Weir / Grey
"""


@cache
def _hashed() -> str:
    """Rosa's password as it is kept, worked out once: that takes a third of a second on purpose."""
    return make_password(ROSA["password1"])


def browser_path() -> str | None:
    """The browser that is installed, the quickest first."""
    return next((found for name in BROWSERS if (found := shutil.which(name))), None)


class InFlight:
    """The requests the server is still answering, also those the browser no longer waits for: one in each of its threads. One
    that began before it was watched is none of them."""

    def __init__(self):
        self._answering: set[int] = set()
        self._changed = threading.Condition()
        request_started.connect(self._started)
        request_finished.connect(self._finished)

    def stop(self):
        request_started.disconnect(self._started)
        request_finished.disconnect(self._finished)

    def wait(self):
        """Return once nothing is being answered."""
        with self._changed:
            if not self._changed.wait_for(lambda: not self._answering, timeout=PATIENCE / 1000):
                raise AssertionError(f"{len(self._answering)} requests are still being answered.")

    def _started(self, **_):
        with self._changed:
            self._answering.add(threading.get_ident())

    def _finished(self, **_):
        with self._changed:
            self._answering.discard(threading.get_ident())
            self._changed.notify_all()


class Worker(threading.Thread):
    """Does the jobs that are asked for, as a worker beside the server would."""

    def __init__(self):
        super().__init__(daemon=True)
        self._ended, self._turn, self._rounds = threading.Event(), threading.Condition(), 0
        self.start()

    def run(self):
        try:
            while not self._ended.wait(0.05):
                for job in Job.objects.filter(state=Job.State.WAITING):
                    carry_out(job)
                with self._turn:
                    self._rounds += 1
                    self._turn.notify_all()
        finally:
            connection.close()

    def rest(self):
        """Wait until all that is asked for now is done: the round that is on, and a whole one after it."""
        with self._turn:
            wanted = self._rounds + 2
            if not self._turn.wait_for(lambda: self._rounds >= wanted, PATIENCE / 1000):
                raise AssertionError("The worker is not done.")

    def stop(self):
        self._ended.set()
        self.join(60)


class BrowserCase(Emptied, StaticLiveServerTestCase):
    """One browser for all tests of a class, a fresh context for each."""

    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.playwright = sync_playwright().start()
        cls.addClassCleanup(cls.playwright.stop)
        cls.browser = cls.playwright.chromium.launch(executable_path=browser_path(), args=["--no-sandbox"])
        cls.addClassCleanup(cls.browser.close)

    def setUp(self):
        caches["tries"].clear()  # no model's table, so it is not emptied with the others
        self.faults = []
        self.context = self.browser.new_context(viewport={"width": 1280, "height": 800}, accept_downloads=True)
        self.context.set_default_timeout(PATIENCE)
        in_flight = InFlight()
        # the tables are emptied after a test: whatever is still being answered would find nothing there
        self.addCleanup(in_flight.stop)
        self.addCleanup(in_flight.wait)
        self.addCleanup(self.context.close)
        self.page = self.new_page()

    def new_page(self):
        page = self.context.new_page()
        page.on("pageerror", lambda error: self.faults.append(str(error)))
        page.on(
            "console",
            lambda message: self.faults.append(message.text) if "Content Security Policy" in message.text else None,
        )
        return page

    def tearDown(self):
        self.assertEqual(self.faults, [])

    def go(self, path: str, page=None):
        (page or self.page).goto(self.live_server_url + path, wait_until="domcontentloaded")

    def sign_up_by_hand(self):
        self.go("/account/sign-up/")
        for name, text in ROSA.items():
            self.page.locator(f"#id_{name}").fill(text)
        self.page.get_by_role("button", name="Make the account").click()
        expect(self.page.get_by_text("Where would you like to begin?")).to_be_visible()

    def make_army_by_hand(self) -> str:
        """A signed-up painter's army from a pasted roster, all through the pages; its address."""
        self.sign_up_by_hand()
        self.page.get_by_label("Name of the army").fill("River Watch")
        self.page.get_by_role("button", name="Create an empty army").click()
        self.page.get_by_label("Paste the roster").fill(ROSTER)
        self.page.get_by_role("button", name="Read the roster").click()
        expect(self.page.get_by_role("heading", name="Muster")).to_be_visible()
        return self.page.url.removeprefix(self.live_server_url).split("?")[0]

    def sign_up(self):
        """A new painter, signed in without the pages of it."""
        users = get_user_model().objects
        name, password = free_name(ROSA["name"]), _hashed()
        self.client.force_login(
            users.create(username=name, first_name=ROSA["name"], email=ROSA["email"], password=password)
        )
        cookie = self.client.cookies[settings.SESSION_COOKIE_NAME]
        self.context.add_cookies([{"name": cookie.key, "value": cookie.value, "url": self.live_server_url}])

    def make_army(self) -> str:
        """A signed-up painter's army from a roster, made without the pages of it; its address, which is open."""
        self.sign_up()
        self.client.post(reverse("new-army"), {"name": "River Watch"})
        army = Army.objects.select_related("head").get()
        answer = self.client.post(reverse("roster", args=[army.pk]), {"text": ROSTER, "base": army.head.number})
        self.assertEqual(answer.status_code, 302)
        address = reverse("army", args=[army.pk])
        self.go(address)
        return address

    def work(self):
        """From here on jobs are done."""
        worker = Worker()
        self.addCleanup(worker.stop)
        return worker

    def paper(self, address: str) -> bytes:
        """The paper at an address, once it is printed."""
        worker = self.work()
        answer = self.context.request.get(self.live_server_url + address)
        if answer.status == 202:
            worker.rest()
            answer = self.context.request.get(self.live_server_url + address)
        self.assertEqual((answer.status, answer.body()[:5]), (200, b"%PDF-"))
        return answer.body()

    def note(self, text: str):
        expect(self.page.locator(".notice").get_by_text(text).first).to_be_visible()

    def folder(self) -> Path:
        made = tempfile.mkdtemp()
        self.addCleanup(shutil.rmtree, made)
        return Path(made)
