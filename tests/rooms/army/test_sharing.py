"""Secret links to look at an army and copy it, and painters invited to units of it."""

from dataclasses import replace

from django.urls import reverse

from mantello.rooms.army.inviting import MOST_LINKS
from mantello.rooms.plan.painters import painter_in_hand
from mantello.workspace.editing import edit
from mantello.workspace.guests import GUESTS_MAY
from mantello.workspace.models import Army, Link, Member
from mantello_core.calendar.evenings import Painter
from tests.rooms.case import RoomCase

UNIT = "1st-harbour-line"


class Looking(RoomCase):
    def link(self) -> Link:
        self.post("make-link")
        return self.army.links.get(kind=Link.Kind.LOOK)

    def test_whoever_has_the_link_sees_figures_colours_and_progress(self):
        link = self.link()
        self.assertGreaterEqual(len(link.secret), 32)
        self.assertContains(self.see("sharing"), reverse("shared", args=[link.secret]))
        self.client.logout()
        page = self.client.get(reverse("shared", args=[link.secret]))
        self.assertContains(page, self.army.name)
        self.assertContains(page, "0 of ")
        self.assertContains(page, "Brine Green")
        self.assertNotContains(page, f"/armies/{self.army.pk}/")
        self.assertEqual(page["X-Robots-Tag"], "noindex, nofollow")
        picture = page.context["sections"][0].blocks[0].ranks[0][0].src
        self.assertTrue(picture.startswith(f"/shared/{link.secret}/"))
        self.assertEqual(self.client.get(picture)["Content-Type"], "image/svg+xml")
        self.assertContains(self.client.get(reverse("shared", args=[link.secret]), {"as": "painted"}), "bare")

    def test_no_older_state_is_seen_by_the_link(self):
        link = self.link()
        unit = self.now().army.units[0]
        asked = {"unit": unit.id, "rank": unit.ranks[0].id, "figure": 1}
        address = reverse("shared-figure", args=[link.secret, "front"])
        before = self.client.get(address, asked).content
        self.post("set-undercoat", undercoat="undercoat-gull")
        for role in ("field", "leather", "blacking"):
            self.post("stop-here", role, "rank", self.now().scheme.role(role).recipe().steps[0].id)
        old = self.client.get(address, asked | {"edition": 1}).content
        self.assertEqual(old, self.client.get(address, asked).content)
        self.assertNotEqual(old, before)

    def test_the_guide_of_a_unit_is_shown(self):
        link = self.link()
        self.client.logout()
        page = self.client.get(reverse("shared-unit", args=[link.secret, UNIT]))
        self.assertContains(page, "Sergeant")
        self.assertContains(page, "Brine Green 3, water 1")
        self.assertEqual(self.client.get(reverse("shared-unit", args=[link.secret, "nowhere"])).status_code, 404)

    def test_a_link_taken_back_leads_nowhere(self):
        link = self.link()
        self.post("take-back-link", link=link.pk)
        for name, *more in (("shared",), ("shared-unit", UNIT), ("shared-figure", "front")):
            self.assertEqual(self.client.get(reverse(name, args=[link.secret, *more])).status_code, 404, name)
        self.assertEqual(self.client.get(reverse("shared", args=["guessed"])).status_code, 404)

    def test_a_friend_copies_the_design_and_not_the_log(self):
        link = self.link()
        self.client.force_login(self.other)
        answer = self.client.post(reverse("copy-shared", args=[link.secret]))
        copy = Army.objects.get(owner=self.other)
        self.assertRedirects(answer, reverse("army", args=[copy.pk]), fetch_redirect_response=False)
        self.assertEqual((copy.name, copy.entries.count()), (self.army.name, 0))
        self.assertEqual(self.client.get(reverse("army", args=[self.army.pk])).status_code, 404)
        self.client.logout()
        self.assertIn(reverse("sign-in"), self.client.post(reverse("copy-shared", args=[link.secret])).url)

    def test_links_are_the_owners_to_make_and_bounded(self):
        for name in ("make-link", "take-back-link"):
            self.assert_hidden(name, post=True)
        self.assert_hidden("sharing")
        for _ in range(MOST_LINKS + 1):
            self.post("make-link")
        self.assertEqual(self.army.links.count(), MOST_LINKS)
        self.assertContains(self.see("sharing"), f"There are {MOST_LINKS} such links already")
        self.post("make-link", painter="nobody", status=404)
        self.post("take-back-link", link="x", status=404)


class Inviting(RoomCase):
    def setUp(self):
        super().setUp()

        def with_nils(design):
            painter = Painter("nils", "Nils", ((0, 1200, 90),), (UNIT,))
            return replace(design, evenings=replace(design.evenings, painters=(painter,)))

        edit(self.army, self.army.head.number, with_nils, "Who paints what changed")
        self.army = Army.objects.with_head().get(pk=self.army.pk)
        self.post("make-link", painter="nils")
        self.invitation = reverse("join", args=[self.army.links.get(kind=Link.Kind.JOIN).secret])

    def come(self):
        self.client.force_login(self.other)
        self.assertRedirects(
            self.client.post(self.invitation), reverse("plan", args=[self.army.pk]), fetch_redirect_response=False
        )

    def test_an_invitation_says_who_and_what_and_is_taken_by_a_press(self):
        self.client.logout()
        self.assertIn(reverse("sign-in"), self.client.get(self.invitation).url)
        self.client.force_login(self.other)
        self.assertContains(self.client.get(self.invitation), "1st, the Harbour")
        self.assertFalse(Member.objects.exists())
        self.come()
        self.assertContains(self.client.get(reverse("armies")), "you paint at it")
        self.client.force_login(self.owner)
        self.assertRedirects(self.client.get(self.invitation), reverse("sharing", args=[self.army.pk]))
        self.assertContains(self.see("sharing"), "here as nils since")

    def test_a_guest_paints_as_who_they_are_and_changes_nothing_else(self):
        self.come()
        for name in ("army", "scheme", "recipes", "log"):
            self.assertEqual(self.client.get(reverse(name, args=[self.army.pk])).status_code, 200, name)
        request = self.client.get(reverse("log", args=[self.army.pk])).wsgi_request
        self.assertEqual(painter_in_hand(request, self.army), "nils")
        refused = self.client.post(reverse("new-role", args=[self.army.pk]), {"base": self.base(), "name": "Mine"})
        self.assertContains(refused, "Only rosa changes this army", status_code=403)
        removed = self.client.post(reverse("remove-army", args=[self.army.pk]), {"base": self.base()})
        self.assertEqual(removed.status_code, 403)
        self.assertTrue(Army.objects.filter(pk=self.army.pk).exists())
        self.assertEqual(self.client.get(reverse("sharing", args=[self.army.pk])).status_code, 404)

    def test_what_a_guest_may_press_is_there(self):
        from mantello.urls import urlpatterns

        names = set()

        def gather(patterns):
            for one in patterns:
                if hasattr(one, "url_patterns"):
                    gather(one.url_patterns)
                else:
                    names.add(one.name)

        gather(urlpatterns)
        self.assertFalse(GUESTS_MAY - names)

    def test_a_place_that_is_ended_is_gone(self):
        self.come()
        self.client.force_login(self.owner)
        self.post("take-back-link", member=Member.objects.get().pk)
        self.client.force_login(self.other)
        self.assertEqual(self.client.get(reverse("army", args=[self.army.pk])).status_code, 404)
        self.client.force_login(self.owner)
        self.post("take-back-link", link=self.army.links.get().pk)
        self.client.force_login(self.other)
        self.assertEqual(self.client.get(self.invitation).status_code, 404)
