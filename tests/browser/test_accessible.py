"""Every page against the rules of accessibility, by a checker in the browser, with figures in the army and without."""

from django.contrib.auth import get_user_model
from django.urls import reverse

from launch.scripts import FOLDER
from mantello.workspace.editing import keep_design
from mantello.workspace.models import Army, Link
from tests.samples import calvessa, pared

from .case import PATIENCE, BrowserCase

AXE = FOLDER / "node_modules" / "axe-core" / "axe.min.js"
#: the rules of WCAG 2.2 AA and of good practice
RULES = ("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice")
#: what is broken, with the first place of each
ASKED = """async (tags) => (await axe.run(document, {runOnly: tags, resultTypes: ['violations']})).violations
  .map((one) => [one.id, one.nodes[0].html])"""
#: come once the page was laid out and what waits for that has run
DRAWN = "() => document.fonts.ready.then(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))))"
#: the checker takes a thousandth of a second for every element: of drawings that have a name of their own, or none for a reader,
#: the shapes go, and of long lists all but the first choices
PARED = """() => {
  for (const one of document.querySelectorAll('svg[role=img], svg[aria-hidden=true]'))
    for (const shape of one.querySelectorAll('g:not(:has(text)), path, rect, circle, use')) shape.remove();
  for (const one of document.querySelectorAll('option:nth-of-type(n + 4):not(:checked)')) one.remove();
}"""
#: whether a page that has its own scrolling parts is longer or wider than the window beside
WHOLE = """() => innerWidth > 1100 && !!document.querySelector('main .col .scroll')
  && (document.documentElement.scrollHeight > innerHeight + 1 || document.documentElement.scrollWidth > innerWidth)"""
#: pages of an army: what is designed, and what is done at the desk
DESIGNED = (
    "", "roster/", "types/", "types/make/", "types/models/", "scheme/", "scheme/table/", "scheme/rules/", "scheme/checks/", "scheme/variants/",
    "scheme/camouflage/", "scheme/variety/", "insignia/", "insignia/emblems/", "insignia/codes/", "insignia/map/", "insignia/transfers/", "insignia/bearers/",
    "insignia/cloth/", "scheme/rules/?edit=new", "scheme/checks/?check=unmapped&card=Ranger, Saltmarsh Rangers: no colour yet",
)  # fmt: skip
WORKED = (
    "recipes/", "recipes/across/passes/", "recipes/across/finish/", "recipes/across/metals/", "recipes/field/livelier/", "recipes/field/routes/", "recipes/field/test/",
    "recipes/undercoats/", "paints/", "paints/add/", "paints/match/", "paints/?view=all", "paints/cost/", "units/1st-harbour-line/equipment/", "plan/", "plan/order/",
    "plan/calendar/", "plan/what-if/", "plan/painters/", "desk/", "log/", "log/figures/", "log/bench/", "thread/", "sharing/",
)  # fmt: skip


class AccessibleCase(BrowserCase):
    def setUp(self):
        super().setUp()
        self.work()
        self.sign_up()
        owner = get_user_model().objects.get()
        # a rank of each kind: the checker takes a thousandth of a second for every element
        design = pared(
            calvessa(), {"1st-harbour-line": "fusilier", "rangers-skirmish-line": "ranger", "3rd-gull-line": "sergeant"}
        )
        self.army = reverse("army", args=[keep_design(owner, design, "Imported").pk])
        # the checker is put into the page, which the pages' own policy forbids to everybody
        self.context = self.browser.new_context(
            viewport={"width": 1280, "height": 800}, bypass_csp=True, storage_state=self.context.storage_state()
        )
        self.addCleanup(self.context.close)
        self.context.set_default_timeout(PATIENCE)
        self.page = self.new_page()

    def broken(self, path: str) -> list[str]:
        self.go(path)
        self.page.wait_for_function("() => !document.querySelector('[data-behaviour=poll]')")
        self.page.evaluate(DRAWN)
        self.page.evaluate(PARED)
        self.page.evaluate(AXE.read_text(encoding="utf-8"))
        beyond = [f"{path}: scrolls as a whole"] if self.page.evaluate(WHOLE) else []
        return beyond + [f"{path}: {id_} at {html[:90]}" for id_, html in self.page.evaluate(ASKED, list(RULES))]

    def assert_none_broken(self, paths: tuple[str, ...]) -> None:
        self.assertEqual([said for path in paths for said in self.broken(path)], [])


class Designed(AccessibleCase):
    def test_no_page_breaks_a_rule(self):
        link = Link.objects.create(army=Army.objects.get(), kind=Link.Kind.LOOK, secret="looked-at")
        shared = reverse("shared", args=[link.secret])
        self.assert_none_broken(
            (
                "/", "/brief/", "/archives/", "/account/", "/words/", shared, f"{shared}units/1st-harbour-line/",
                *(f"{self.army}{path}" for path in DESIGNED),
            )
        )  # fmt: skip


class Worked(AccessibleCase):
    def test_no_page_breaks_a_rule(self):
        self.assert_none_broken(tuple(f"{self.army}{path}" for path in WORKED))


class InTheDark(AccessibleCase):
    def test_no_page_breaks_a_rule_on_a_phone(self):
        self.page.emulate_media(color_scheme="dark", reduced_motion="reduce")
        self.page.set_viewport_size({"width": 390, "height": 844})
        rooms = ("", "scheme/", "scheme/checks/", "recipes/", "paints/", "plan/", "desk/", "log/")
        self.assert_none_broken(tuple(f"{self.army}{path}" for path in rooms))
