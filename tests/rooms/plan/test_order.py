"""The page of the order of work."""

from django.urls import reverse

from tests.rooms.case import RoomCase

UNIT, RANK = "1st-harbour-line", "fusilier"


class Order(RoomCase):
    def names(self, page) -> list[str]:
        """Names of steps in order."""
        return [row.node.name for band in page.context["order"].bands for row in band.rows]

    def shown(self, **query):
        return self.see("order", unit=UNIT, rank=RANK, **query)

    def test_every_step_stands_in_its_phase_with_its_evening_and_its_reason(self):
        page = self.shown()
        names = self.names(page)
        self.assertLess(names.index("Field base"), names.index("Belting base"))
        for words in ("Block in", "what lies on another after it", "3 coats", "Waits for", "Must come before"):
            self.assertContains(page, words)
        rows = [row for band in page.context["order"].bands for row in band.rows]
        self.assertTrue(all(row.session for row in rows))

    def test_a_step_is_put_into_another_phase_and_back(self):
        self.post("order-move", what="role:flesh", phase="lights", because="skin late", scope="", unit=UNIT, rank=RANK)
        page = self.shown()
        self.assertContains(page, "because skin late")
        band = next(band for band in page.context["order"].bands if band.phase.id == "lights")
        self.assertIn("Flesh base", [row.node.name for row in band.rows])
        self.post("order-move", what="role:flesh", phase="", scope="", unit=UNIT, rank=RANK)
        self.assertEqual(self.now().scheme.order.moved, ())

    def test_a_rule_of_ones_own_is_kept_told_and_given_up(self):
        self.post(
            "order-rule", before="role:belting", after="role:field", because="I like it", scope="", unit=UNIT, rank=RANK
        )
        page = self.shown()
        names = self.names(page)
        self.assertLess(names.index("Belting base"), names.index("Field base"))
        self.assertContains(page, "because I like it")
        (rule,) = self.now().scheme.order.rules
        self.post("order-give-up", own=rule.id, unit=UNIT, rank=RANK)
        self.assertEqual(self.now().scheme.order.rules, ())

    def test_what_cannot_be_is_told_beside_the_choice(self):
        self.post(
            "order-rule",
            before="role:arms/highlight",
            after="role:arms/base",
            because="",
            scope="",
            unit=UNIT,
            rank=RANK,
        )
        self.assertContains(self.shown(), "Cannot be kept")
        page = self.post(
            "order-rule", status=422, before="role:arms/base", after="role:arms/highlight", unit=UNIT, rank=RANK
        )
        self.assertContains(page, "says the opposite", status_code=422)
        page = self.post(
            "order-rule", status=422, before="cheese", after="role:field", because="it was typed", unit=UNIT, rank=RANK
        )
        self.assertContains(page, "names no work", status_code=422)
        self.assertContains(page, 'value="it was typed"', status_code=422)
        page = self.post("order-move", status=422, what="role:field", phase="nowhere", unit=UNIT, rank=RANK)
        self.assertContains(page, "nowhere", status_code=422)

    def test_phases_are_moved_named_added_removed_and_as_the_method_has_them_again(self):
        self.post("order-phase", do="down", phase="shade", unit=UNIT, rank=RANK)
        ids = [phase.id for phase in self.now().scheme.order.phases]
        self.assertEqual(ids.index("shade"), ids.index("re-light") + 1)
        self.post("order-phase", do="rename", phase="shade", name="The wash")
        self.post("order-phase", do="add", phase="shade", name="Wash again", like="shade")
        self.assertContains(self.shown(), "Wash again")
        added = next(phase.id for phase in self.now().scheme.order.phases if phase.name == "Wash again")
        self.post("order-phase", do="remove", phase=added)
        self.assertNotContains(self.shown(), "Wash again")
        self.post("order-phase", do="usual")
        self.assertEqual(self.now().scheme.order.phases, ())
        self.assertContains(
            self.post("order-phase", status=422, do="rename", phase="shade", name=" "), "needs a name", status_code=422
        )

    def test_a_rule_of_the_method_is_switched_and_one_of_the_order_given_up(self):
        self.post("order-give-up", switch="skin-late", on="yes")
        self.assertEqual(self.now().scheme.order.switches, (("skin-late", True),))
        self.post("order-give-up", rule="D-14")
        self.assertContains(self.shown(), "Given up: what lies on another after it")
        self.post("order-give-up", rule="D-14", again="yes")
        self.assertEqual(self.now().scheme.order.given_up, ())

    def test_the_figure_is_drawn_as_it_looks_after_a_phase(self):
        address = reverse("order-so-far", args=[self.army.pk, "front", 5])
        pictures = [
            self.client.get(
                reverse("order-so-far", args=[self.army.pk, "front", place]), {"unit": UNIT, "rank": RANK}
            ).content
            for place in (1, 5, 8)
        ]
        self.assertEqual(len(set(pictures)), 3)
        self.assertEqual(self.client.get(address, {"unit": "moon", "rank": ""}).status_code, 404)
        self.assertEqual(
            self.client.get(
                reverse("order-so-far", args=[self.army.pk, "below", 5]), {"unit": UNIT, "rank": RANK}
            ).status_code,
            404,
        )

    def test_another_painter_finds_nothing_here(self):
        self.assert_hidden("order")
        for name in ("order-move", "order-rule", "order-give-up", "order-phase"):
            self.assert_hidden(name, post=True)


class OfTheArmy(RoomCase):
    def test_every_step_of_every_unit_is_there_by_phase_with_who_gets_it(self):
        page = self.see("army-order")
        for words in ("The whole army", "Block in", "Field base", "Brine Green", "Undercoat"):
            self.assertContains(page, words)
        text = page.content.decode()
        self.assertLess(text.index("Field base"), text.index("Field shade"))
        figures = self.now().army.figures
        self.assertContains(page, f'<td class="num">{figures}</td>')

    def test_it_is_reached_from_the_order_of_one_rank(self):
        self.assertContains(self.see("order"), "The whole army")
        moved = self.client.get(reverse("order", args=[self.army.pk]), {"of": "army"})
        self.assertEqual(moved.url, reverse("army-order", args=[self.army.pk]))

    def test_another_painters_army_is_not_there(self):
        self.client.force_login(self.other)
        self.assertEqual(self.client.get(reverse("army-order", args=[self.army.pk])).status_code, 404)
