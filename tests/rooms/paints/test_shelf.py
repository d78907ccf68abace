"""What is owned: kept one by one, counted, read from a file, and bought."""

from django.core.files.uploadedfile import SimpleUploadedFile
from django.core.management import call_command

from mantello.shelf.models import OwnedPaint
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.formats.sample import sample_shelf
from mantello_core.paints.range import paints
from mantello_core.paints.stock import Stock
from tests.rooms.case import RoomCase


class Shelf(RoomCase):
    def shelf(self, user=None):
        return OwnedPaint.objects.of(user or self.owner)

    def test_the_page_lists_what_to_buy_until_it_is_owned(self):
        page = self.see("paints")
        self.assertEqual(page.context["to_buy"], len(page.context["purchases"]))
        self.post("keep-stock", "lantern-yellow", pots="2", price="2.5", note="new lot")
        after = self.see("paints").context
        self.assertEqual(after["to_buy"], page.context["to_buy"] - 1)
        self.assertContains(self.see("paints"), "1 on your shelf")

    def shown(self, **query) -> list[str]:
        """The paints that a view shows, in its order."""
        return [pot.id for _, pots in self.see("paints", **query).context["shelves"] for pot, *_ in pots]

    def test_paints_are_seen_as_in_use_on_the_shelf_to_buy_and_by_range(self):
        needed = reading_of(self.army.head).needed
        used = self.shown()
        self.assertEqual(set(used), set(needed))
        self.assertEqual([needed[pot] for pot in used], sorted(needed.values(), reverse=True))
        # there is no shelf yet: what is asked for and not there is what is usual
        self.assertEqual(self.shown(view="shelf"), used)
        self.post("keep-stock", "lantern-yellow", pots="2", price="", note="")
        self.assertEqual(self.shown(view="shelf"), ["lantern-yellow"])
        self.assertNotIn("lantern-yellow", self.shown(view="buy"))
        self.assertEqual(len(self.shown(view="all")), len(paints()))
        self.assertEqual(len(self.shown(count="yes")), len(paints()))

    def test_a_pot_shows_what_is_kept_about_it(self):
        self.post("keep-stock", "salt-linen", pots="0.5", price="2.5", note="nearly dry")
        self.assertEqual(self.shelf(), {"salt-linen": Stock(0.5, 2.5, "nearly dry")})
        page = self.see("paints", pot="salt-linen")
        for said in ('value="0.5"', 'value="2.5"', "nearly dry", "What can stand in for it?", "0.5 pots"):
            self.assertContains(page, said)
        self.post("keep-stock", "salt-linen", pots="", price="", note="")
        self.assertEqual(self.shelf(), {})

    def test_a_wrong_number_is_told_at_its_field_and_stays(self):
        page = self.post("keep-stock", "salt-linen", pots="120", price="dear", note="keep me", status=422)
        for said in ("Write 0 to 99 pots", "Write 0 to 1000", 'value="120"', "keep me"):
            self.assertContains(page, said, status_code=422)
        self.assertEqual(self.shelf(), {})
        self.post("keep-stock", "no-such-paint", pots="1", status=422)

    def test_the_shelf_is_counted_at_once_and_prices_stay(self):
        self.post("keep-stock", "salt-linen", pots="1", price="2.5", note="")
        self.assertContains(self.see("paints", count="yes"), 'name="pots-', len(paints()))
        self.post("count-shelf", **{"pots-salt-linen": "", "pots-gull-white": "3"})
        self.assertEqual(self.shelf(), {"salt-linen": Stock(0, 2.5), "gull-white": Stock(3)})

    def test_one_wrong_count_saves_nothing_and_keeps_what_was_typed(self):
        page = self.post("count-shelf", **{"pots-salt-linen": "-1", "pots-gull-white": "7"}, status=422)
        self.assertContains(page, "1 number cannot be taken; nothing is saved yet", status_code=422)
        self.assertContains(page, 'value="7"', status_code=422)
        self.assertEqual(self.shelf(), {})

    def test_a_shelf_is_read_from_a_file_and_written_again(self):
        self.post("read-shelf", file=SimpleUploadedFile("shelf.csv", b"name;pots\nSalt Linen;1,5\n"))
        self.assertEqual(self.shelf(), {"salt-linen": Stock(1.5)})
        answer = self.see("shelf-file")
        self.assertEqual(answer.content.decode().splitlines()[1], "salt-linen,Salt Linen,Fornace,1.5,,,")
        self.assertIn("attachment", answer["Content-Disposition"])

    def test_a_file_in_doubt_changes_nothing_and_shows_the_lines(self):
        for data, said in (
            (b"name,pots\nSalt Linen,1\nSalt Linnen,1\n", "1 of 2 lines cannot be taken"),
            (b"\x00\x01\x02\xff", "The file is not text"),
            (b"", "empty"),
            (b"one,two\n1,2", "The first line must name the columns"),
        ):
            page = self.post("read-shelf", file=SimpleUploadedFile("shelf.csv", data), status=422)
            self.assertContains(page, said, status_code=422)
        self.assertEqual(self.shelf(), {})

    def test_the_palette_holds_the_shelf_or_all_paints_if_it_is_empty(self):
        self.assertEqual(len(self.see("palette-file").content.decode().splitlines()), 4 + len(paints()))
        self.post("keep-stock", "salt-linen", pots="1", price="", note="")
        answer = self.see("palette-file")
        self.assertTrue(answer.content.decode().endswith("\tSalt Linen\n"))
        self.assertEqual(len(answer.content.decode().splitlines()), 5)
        self.assertIn(".gpl", answer["Content-Disposition"])

    def test_the_shopping_list_names_what_is_missing(self):
        text = self.see("shopping-file").content.decode()
        self.assertIn("Lantern Yellow,Fornace,1,17", text)
        self.post("keep-stock", "lantern-yellow", pots="1", price="", note="")
        self.assertNotIn("Lantern Yellow", self.see("shopping-file").content.decode())

    def test_a_colour_is_matched_from_what_is_owned_alone(self):
        page = self.see("match", status=422, wanted="role:lantern", shelves="owned")
        self.assertContains(page, "count your shelf", status_code=422)
        self.post("count-shelf", **{"pots-salt-linen": "1", "pots-ochre-sail": "1"})
        rows = self.see("match", wanted="role:lantern", shelves="owned").context["rows"]
        self.assertTrue(rows)
        self.assertTrue({pot.id for row in rows for pot, _, _ in row.shares} <= {"salt-linen", "ochre-sail"})

    def test_a_shelf_is_the_painters_own(self):
        self.post("keep-stock", "salt-linen", pots="2", price="", note="")
        self.assertEqual(self.shelf(self.other), {})
        for name, arguments, post in (
            ("paints", (), False), ("shelf-file", (), False), ("palette-file", (), False), ("shopping-file", (), False),
            ("keep-stock", ("salt-linen",), True), ("count-shelf", (), True), ("read-shelf", (), True),
        ):  # fmt: skip
            self.assert_hidden(name, *arguments, post=post)
        self.assertEqual(self.shelf()["salt-linen"].pots, 2)

    def test_the_demo_comes_with_a_shelf_and_reset_puts_it_back(self):
        call_command("demo")
        demo = Army.objects.get(owner__is_demo=True).owner
        self.assertEqual(self.shelf(demo), sample_shelf())
        OwnedPaint.objects.keep(demo, {"salt-linen": Stock(9)})
        call_command("demo")
        self.assertEqual(self.shelf(demo)["salt-linen"].pots, 9)
        call_command("demo", reset=True)
        self.assertEqual(self.shelf(demo), sample_shelf())


class Picking(RoomCase):
    def test_paints_are_found_by_letters_with_the_own_shelf_told(self):
        OwnedPaint.objects.keep(self.owner, {"salt-linen": Stock(1.0)})
        page = self.see("pick-paint", q="sal", now="brine-green")
        self.assertContains(page, 'data-paint="salt-linen"')
        self.assertContains(page, "on your shelf", count=1)
        self.assertContains(self.see("pick-paint", now="brine-green"), "chosen now")
        self.assertContains(self.see("pick-paint", q="<i>"), "&lt;i&gt;")
        self.assert_hidden("pick-paint")
