"""Dress in its room: the almanac, lists as found, sources, on the army, in the field."""

import io
import json
from dataclasses import replace
from unittest.mock import patch

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from PIL import Image

from mantello.almanacs.models import Almanac, FoundList, KnownWord
from mantello.jobs.models import Job
from mantello.jobs.queue import stop
from mantello.jobs.work import carry_out
from mantello.rooms.scheme import almanac, bringing
from mantello.workspace.editing import edit
from mantello_core.army.tree import Army, Node
from mantello_core.colour.spaces import Lab, hex_of
from mantello_core.design.brief import Brief
from mantello_core.design.design import Design
from mantello_core.formats.almanac_document import almanac_bytes, read_almanac_bytes
from mantello_core.formats.sample import dress_almanac
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.scheme import Scheme
from tests.rooms.case import RoomCase

LIST = "Regt,Facing,Plume,How sure\n1st,red,-,sure\n2nd,moth,white,guess\n3rd,blue,white,sure\n"
FIELD = {"months": "9", "weather": "1", "dust": "20", "spread": "100", "seed": "212"}


def work():
    """Let a worker do what waits."""
    for job in Job.objects.going_on():
        carry_out(job)


class DressCase(RoomCase):
    def setUp(self):
        super().setUp()
        self.kept = Almanac.objects.keep(self.owner, dress_almanac())


class TheAlmanac(DressCase):
    def test_regiments_stand_by_garments_with_how_each_is_known(self):
        page = self.see("almanac")
        for words in (
            "Tidewall Fusiliers 5, Saltpan, facing: white, disputed",
            "Tidewall Fusiliers 6, Sluice, breeches: white, assumed",
        ):
            self.assertContains(page, words)
        self.assertContains(page, "Mistaken for each other")

    def test_another_year_tells_otherwise(self):
        self.assertContains(self.see("almanac", year="206"), "Tidewall Fusiliers 2, Lantern, facing: buff, documented")
        self.assertContains(
            self.see("almanac", year="212"), "Tidewall Fusiliers 2, Lantern, facing: yellow, documented"
        )
        self.assertContains(self.see("almanac", year="nonsense"), "as it stood in 212")

    def test_only_what_is_to_look_up_can_be_shown(self):
        self.assertNotContains(self.see("almanac", only="open"), "1, Harbour, coat")

    def test_a_cell_opens_its_ladder_and_is_settled_and_opened_again(self):
        page = self.see("almanac", of="4", garment="facing")
        self.assertContains(page, "Ledger of Bassa the tailor")
        fact = page.context["ladder"][1].rung.fact
        asked = {"almanac": self.kept.pk, "year": "212", "of": "4", "garment": "facing"}
        self.post("settle-dress", fact=fact.id, **asked)
        self.assertContains(self.see("almanac", of="4", garment="facing"), "You settled on this")
        self.post("settle-dress", fact="", **asked)
        self.assertContains(self.see("almanac", of="4", garment="facing"), "just as firmly")
        self.post("settle-dress", fact=fact.id, certainty="documented", **asked)
        self.assertEqual(self.see("almanac", of="4", garment="facing").context["cell"].words, fact.phrase.words)

    def test_what_an_address_names_wrongly_opens_nothing_or_is_not_found(self):
        self.assertNotContains(self.see("almanac", of="99", garment="facing"), "What speaks of it")
        asked = {"almanac": self.kept.pk, "year": "212", "of": "4", "garment": "facing"}
        for rank in ("king", "\x00", "x" * 5000):
            self.assertNotContains(self.see("almanac", rank=rank, **asked), "What speaks of it")
            self.post("settle-dress", rank=rank, fact="", status=404, **asked)
        self.see("almanac", almanac="999999", status=404)
        self.post("settle-dress", status=404, almanac=self.kept.pk, year="212", of="99", garment="facing", fact="f1")

    def test_another_painters_almanac_is_not_found(self):
        other = Almanac.objects.keep(self.other, dress_almanac())
        self.see("almanac", almanac=str(other.pk), status=404)
        self.post("bring-almanac", status=404, do="remove", almanac=other.pk)
        for name in ("almanac", "worn", "sources", "lists", "in-field"):
            self.assert_hidden(name)

    def test_without_an_almanac_a_painter_is_told_how_to_begin(self):
        self.kept.delete()
        self.assertContains(self.see("almanac"), "No almanac yet")
        self.see("worn", status=302)
        self.post("keep-sample-almanac")
        self.assertContains(self.see("almanac"), "Tidewall Fusiliers")

    def test_it_goes_out_and_comes_in_again_unchanged(self):
        saved = self.see("almanac-file", almanac=str(self.kept.pk))
        self.assertEqual(read_almanac_bytes(saved.content), dress_almanac())
        self.post("bring-almanac", file=SimpleUploadedFile("a.json", saved.content))
        self.assertEqual(Almanac.objects.filter(owner=self.owner).count(), 2)

    def test_a_file_that_is_none_is_refused_at_its_field(self):
        for data in (
            b"{}",
            b"not json",
            json.dumps(json.loads(almanac_bytes(dress_almanac())) | {"facts": [1]}).encode(),
        ):
            answer = self.post(
                "bring-almanac", status=422, almanac=self.kept.pk, file=SimpleUploadedFile("a.json", data)
            )
            self.assertContains(answer, 'role="alert"', status_code=422)


class Long(DressCase):
    """Almanacs that are too long to be read while their painter waits."""

    def setUp(self):
        super().setUp()
        short = patch.object(bringing, "_SHORT", 1000)
        short.start()
        self.addCleanup(short.stop)

    def bring(self, data: bytes) -> str:
        """The address of the page that tells how a file is read."""
        file = SimpleUploadedFile("a.json", data)
        return self.post("bring-almanac", almanac=self.kept.pk, file=file)["Location"]

    def test_a_worker_reads_it_and_the_page_leads_to_it(self):
        page = self.bring(almanac_bytes(dress_almanac()))
        self.assertContains(self.client.get(page), "The file waits for a free worker.")
        self.assertEqual(Almanac.objects.count(), 1)
        work()
        brought = Almanac.objects.exclude(pk=self.kept.pk).get()
        self.assertEqual(brought.as_core(), dress_almanac())
        self.assertRedirects(self.client.get(page), f"{reverse('almanac', args=[self.army.pk])}?almanac={brought.pk}")
        brought.delete()
        self.assertContains(self.client.get(page), "The file is read.")

    def test_the_first_one_is_waited_for_where_there_is_none_yet(self):
        self.kept.delete()
        file = SimpleUploadedFile("a.json", almanac_bytes(dress_almanac()))
        page = self.post("bring-almanac", file=file)["Location"]
        self.assertContains(self.client.get(page), "The file waits for a free worker.")
        work()
        self.assertContains(self.client.get(page, follow=True), "Tidewall Fusiliers")

    def test_one_that_is_none_is_told_on_the_page_it_was_sent_from(self):
        page = self.bring(b'{"format": "another"}' + b" " * 2000)
        self.carried_out()
        self.assertContains(self.client.get(page), "This is no almanac")
        self.assertEqual(Almanac.objects.count(), 1)

    def test_one_that_is_stopped_while_it_is_read_is_not_kept(self):
        page = self.bring(almanac_bytes(dress_almanac()))

        def stopped(data):
            self.assertTrue(stop(Job.objects.get()))
            return read_almanac_bytes(data)

        with patch.object(bringing, "read_almanac_bytes", stopped):
            work()
        self.assertContains(self.client.get(page), "Stopped; nothing of the file was taken.")
        self.assertEqual(Almanac.objects.count(), 1)

    def test_one_over_the_size_is_refused_at_its_field(self):
        file = SimpleUploadedFile("a.json", b" " * 6_000_001)
        page = self.post("bring-almanac", status=422, almanac=self.kept.pk, file=file)
        self.assertContains(page, "The file has 6000001 bytes; allowed is up to 6000000.", status_code=422)

    def test_a_reading_is_its_painters_own(self):
        page = self.bring(almanac_bytes(dress_almanac()))
        self.client.force_login(self.other)
        self.assertEqual(self.client.get(page).status_code, 404)

    def test_its_regiments_are_shown_page_by_page(self):
        with patch.object(almanac, "_ROWS", 3):
            page = self.see("almanac")
            self.assertContains(page, 'aria-current="page" title="Tidewall Fusiliers 1, Harbour to ')
            rows = [row[1].number for row in page.context["rows"]]
            self.assertEqual(rows, [1, 2, 3])
            later = self.see("almanac", **{"from": "3"})
            self.assertEqual([row[0] for row in later.context["rows"]], [3, 4, 5])
            self.assertEqual(
                [row[0] for row in self.see("almanac", of="4", garment="facing").context["rows"]], [3, 4, 5]
            )
            self.assertEqual(self.see("almanac", **{"from": "999"}).status_code, 200)
            # counts are of all regiments, whatever page is shown
            self.assertEqual(later.context["to_settle"], page.context["to_settle"])
            self.assertEqual(later.context["seen"], page.context["seen"])

    def test_what_is_changed_in_it_is_shown_at_once(self):
        self.assertContains(self.see("almanac"), "Tidewall Fusiliers 5, Saltpan, facing: white, disputed")
        fact = self.see("almanac", of="4", garment="facing").context["ladder"][1].rung.fact
        self.post("settle-dress", almanac=self.kept.pk, year="212", of="4", garment="facing", fact=fact.id)
        self.assertContains(self.see("almanac"), f"Saltpan, facing: {fact.phrase.words}, settled")


class Sources(DressCase):
    def test_a_source_is_told_of_and_an_entry_written_by_hand(self):
        self.assertContains(self.see("sources"), "General order of dress")
        self.post(
            "keep-source",
            almanac=self.kept.pk,
            id="",
            title="A painted board",
            kind="picture",
            year="212",
            note="Signed.",
        )
        said = Almanac.objects.get(pk=self.kept.pk).as_core()
        board = said.sources[-1]
        self.assertEqual((board.title, board.kind, board.year), ("A painted board", "picture", 212))
        note = {
            "of": "1",
            "rank": "",
            "garment": "plume",
            "said": "white over red",
            "since": "",
            "until": "",
            "source": board.id,
            "certainty": "documented",
        }
        self.post("keep-note", almanac=self.kept.pk, **note)
        self.assertContains(self.see("almanac", of="1", garment="plume"), "white, based red")

    def test_an_entry_may_have_a_picture_and_a_colour_picked_from_it(self):
        out = io.BytesIO()
        Image.new("RGB", (40, 30), (180, 60, 50)).save(out, "PNG")
        note = {
            "of": "1",
            "rank": "",
            "garment": "plume",
            "said": "red",
            "since": "",
            "until": "",
            "source": "order-205",
            "certainty": "documented",
        }
        picture = SimpleUploadedFile("plate.png", out.getvalue())
        self.post("keep-note", almanac=self.kept.pk, picked="#b43c32, #102030", picture=picture, **note)
        page = self.see("almanac", of="1", garment="plume")
        self.assertContains(page, "picked from a picture")
        fact = page.context["ladder"][0].rung.fact
        self.assertEqual(self.see("fact-picture", fact.id, almanac=str(self.kept.pk))["Content-Type"], "image/jpeg")
        self.see("fact-picture", "f99999", status=404)
        broken = SimpleUploadedFile("plate.png", b"no picture")
        answer = self.post("keep-note", status=422, almanac=self.kept.pk, picked="reddish", picture=broken, **note)
        self.assertContains(answer, "That is no picture that can be read", status_code=422)
        self.assertContains(answer, 'value="reddish"', status_code=422)

    def test_what_cannot_be_kept_is_told_and_stays(self):
        answer = self.post(
            "keep-source", status=422, almanac=self.kept.pk, id="", title="", kind="", year="", note="Long notes stay"
        )
        self.assertContains(answer, "Long notes stay", status_code=422)
        note = {
            "of": "1",
            "rank": "",
            "garment": "plume",
            "said": "red",
            "since": "212",
            "until": "209",
            "source": "order-205",
            "certainty": "guess",
        }
        answer = self.post("keep-note", status=422, almanac=self.kept.pk, **note)
        self.assertContains(answer, "Until 209 is before 212.", status_code=422)


class Lists(DressCase):
    def read(self, text=LIST, **more):
        answer = self.post("lists", name="A list", text=text, **more)
        return FoundList.objects.get(pk=int(answer.url.rstrip("/").split("/")[-1]))

    def test_a_pasted_list_is_shown_with_its_doubts_and_questions(self):
        found = self.read()
        page = self.see("list", found.pk)
        self.assertContains(page, "6 entries read")
        self.assertContains(page, "is no colour, cloth or garment that is known")
        self.assertContains(page, "asks")

    def test_an_answer_reads_the_list_again_and_a_words_meaning_is_kept_for_every_list(self):
        found = self.read()
        self.post("change-list", found.pk, doubt="word:moth", answer="olive")
        found.refresh_from_db()
        self.assertIn("olive", json.dumps(found.made["facts"]))
        self.assertEqual(KnownWord.objects.get(owner=self.owner).term, "olive")
        self.assertIn("olive", json.dumps(self.read().made["facts"]))
        self.post("change-list", found.pk, doubt="word:moth", answer="")
        self.assertFalse(KnownWord.objects.exists())
        self.post("change-list", found.pk, doubt="dash", answer="unknown")
        self.assertContains(self.see("list", found.pk), "Ask again")

    def test_its_facts_are_taken_into_an_almanac(self):
        found = self.read()
        before = len(self.kept.as_core().facts)
        self.post("change-list", found.pk, do="take", almanac=self.kept.pk)
        after = Almanac.objects.get(pk=self.kept.pk).as_core()
        self.assertEqual(len(after.facts), before + len(found.made["facts"]))
        self.post("change-list", found.pk, do="take", almanac="new")
        self.assertTrue(Almanac.objects.filter(owner=self.owner, title="A list").exists())
        self.assertContains(self.see("list", found.pk), "It was taken into A list once")

    def test_a_long_list_is_read_by_a_worker(self):
        text = "Regt,Facing\n" + "".join(f"{n},{'red' if n % 2 else 'dark blue piped white'}\n" for n in range(1, 900))
        found = self.read(text)
        self.assertIsNone(found.made)
        self.assertContains(self.see("list", found.pk), 'data-behaviour="poll"')
        work()
        self.assertContains(self.see("list", found.pk), "899 entries read")

    def test_what_is_no_list_is_refused_and_what_was_typed_stays(self):
        answer = self.post("lists", status=422, name="Mine", text="   ")
        self.assertContains(answer, "paste a list, or choose a file", status_code=422)
        self.assertContains(answer, 'value="Mine"', status_code=422)
        answer = self.post("lists", status=422, name="Mine", file=SimpleUploadedFile("a.csv", b"\x00\x01\x07" * 40))
        self.assertContains(answer, "is no text table", status_code=422)
        self.assertFalse(FoundList.objects.exists())

    def test_another_painters_list_and_a_question_that_is_not_asked_are_not_found(self):
        found = self.read()
        self.post("change-list", found.pk, status=404, doubt="word:none", answer="olive")
        self.post("change-list", found.pk, status=404, doubt="dash", answer="nonsense")
        FoundList.objects.filter(pk=found.pk).update(owner=self.other)
        self.see("list", found.pk, status=404)
        self.post("change-list", found.pk, status=404, do="remove")

    def test_it_is_taken_away(self):
        found = self.read()
        self.post("change-list", found.pk, do="remove")
        self.assertFalse(FoundList.objects.exists())


class WornCase(DressCase):
    def asked(self, **more):
        return {
            "almanac": self.kept.pk,
            "year": "212",
            "accuracy": "plausible",
            "node": "2nd-tidewall",
            "of": "1",
        } | more

    def put_on(self):
        self.see("worn")
        work()
        self.post("put-on-dress", **self.asked())
        return self.now().scheme.dress


class OnTheArmy(WornCase):
    def test_it_is_tried_on_before_anything_is_kept(self):
        page = self.see("worn")
        self.assertContains(page, "tried on; nothing is kept yet")
        self.assertContains(page, "would change")
        self.assertEqual([one["title"] for one in page.context["lost"]][:2], ["Coat", "Breeches"])
        _, row = page.context["figures"][0]
        told = self.client.get(row[0][1]).content
        plain = self.client.get(
            f"{reverse('worn-figure', args=[self.army.pk])}?unit=1st-harbour-line&rank=sergeant"
        ).content
        self.assertNotEqual(told, plain)
        self.assertIsNone(self.now().scheme.dress)

    def test_put_on_new_roles_are_mixed_by_a_worker(self):
        self.see("worn")
        refused = self.post("put-on-dress", status=422, **self.asked())
        self.assertContains(refused, "There is no mix for", status_code=422)
        dress = self.put_on()
        self.assertEqual([node for node, _ in dress.worn], ["2nd-tidewall"])
        self.post("put-on-dress", **self.asked(**{"why-yellow": "As the drummer's sketchbook has it."}))
        self.assertContains(self.see("worn"), "As the drummer&#x27;s sketchbook has it.")
        self.assertIn("Dark blue cloth", [role.name for role in self.now().scheme.roles])
        self.assertContains(self.see("worn"), "is worn")

    def test_cells_are_worn_first_or_left_with_a_reason(self):
        self.put_on()
        self.post("decide-cell", cell="2nd-tidewall//breeches", do="first")
        self.assertIn("2nd-tidewall//breeches", self.now().scheme.dress.first)
        self.post("decide-cell", cell="2nd-tidewall//coat", reason="The cloth was never delivered.")
        self.assertContains(self.see("worn"), "The cloth was never delivered.")
        self.post("decide-cell", cell="2nd-tidewall//coat", reason="")
        self.assertEqual(self.now().scheme.dress.departures, ())
        self.post("decide-cell", status=404, cell="nobody//coat", do="first")

    def test_a_point_is_aimed_at_within_the_words_reach_and_mixed_to(self):
        point = {"aim-dark-blue": "#2b3a5a"}
        page = self.see("worn", **self.asked(), **point)
        self.assertContains(page, 'value="#2b3a5a"')
        work()
        self.post("put-on-dress", **self.asked(), **point)
        (kept,) = self.now().scheme.dress.aims
        self.assertEqual((kept[0].words, hex_of(kept[2])), ("dark blue", "#2b3a5a"))
        for wrong, said in (("#ffffff", "off &#x27;dark blue&#x27;, which reaches"), ("bluish", "bluish")):
            page = self.post("put-on-dress", status=422, **self.asked(), **{"aim-dark-blue": wrong})
            self.assertContains(page, said, status_code=422)
            self.assertContains(page, f'value="{wrong}"', status_code=422)
        self.see("worn", **self.asked(), **{"aim-dark-blue": ""})
        work()
        self.post("put-on-dress", **self.asked(), **{"aim-dark-blue": ""})
        self.assertEqual(self.now().scheme.dress.aims, ())

    def test_a_colour_picked_from_a_plate_is_offered_as_the_point(self):
        seen = Lab(24.0, 1.0, -18.0)
        self.kept.change(
            lambda said: replace(
                said, facts=tuple(replace(one, picked=seen) if one.garment == "coat" else one for one in said.facts)
            )
        )
        self.assertContains(self.see("worn"), "picked from a picture")

    def test_what_nobody_would_see_is_offered_at_the_armys_size_and_left_out_with_one_click(self):
        self.put_on()
        self.assertNotContains(self.see("worn"), "Nobody would see")
        small = Brief(height_mm=6.0, metres=1.0)
        edit(self.army, self.base(), lambda design: replace(design, brief=small), "smaller")
        page = self.see("worn")
        self.assertContains(page, "At 6 mm from")
        self.assertContains(page, "Buttons, painted with the coat")
        self.post("leave-out", garment="buttons")
        self.assertEqual(self.now().scheme.dress.left_out, ("buttons",))
        page = self.see("worn")
        self.assertContains(page, "Buttons: painted with the coat")
        self.assertNotContains(page, "Buttons, painted with the coat")
        self.post("leave-out", garment="buttons", do="again")
        self.assertEqual(self.now().scheme.dress.left_out, ())
        self.post("leave-out", status=404, garment="belts")

    def test_the_ladder_of_an_area_tells_the_source(self):
        self.put_on()
        page = self.see("scheme", unit="1st-harbour-line", rank="fusilier", area="torso.coat.body.left")
        self.assertContains(page, "documented: General order of dress")

    def test_taken_off_it_is_gone(self):
        self.put_on()
        self.post("put-on-dress", do="off")
        self.assertIsNone(self.now().scheme.dress)

    def test_it_is_worn_on_when_its_almanac_is_taken_away(self):
        self.put_on()
        self.kept.delete()
        self.assertContains(self.see("worn"), "is worn")


class InTheField(WornCase):
    def test_it_is_seen_on_a_unit_then_worn_and_undone(self):
        self.put_on()
        page = self.see("in-field", **FIELD)
        self.assertContains(page, "tried on; nothing is kept yet")
        pictures = {self.client.get(src).content for *_, src in page.context["figures"]}
        self.assertGreater(len(pictures), 2)
        refused = self.post("take-field", status=422, **FIELD)
        self.assertContains(refused, "There is no mix for", status_code=422)
        work()
        self.post("take-field", **FIELD)
        self.assertEqual(self.now().scheme.dress.campaign.months, 9)
        self.assertContains(self.see("in-field"), "worn as the field left it")
        self.post("take-field", do="ordered")
        self.assertIsNone(self.now().scheme.dress.campaign)

    def test_greatcoats_are_told_or_painted_and_what_the_knife_does_stands_by_the_figure(self):
        self.put_on()
        foul = FIELD | {"weather": "3", "months": "9"}
        page = self.see("in-field", **foul)
        self.assertContains(page, "They are told here, not painted")
        self.assertContains(page, "<i>patched coat</i>")
        page = self.filled("in-field", **foul, over="on")
        self.assertContains(page, "They are painted: a greatcoat")
        self.assertNotContains(page, "<i>patched coat</i>")
        self.post("take-field", **foul, over="on")
        roles = {role.id: role.name for role in self.now().scheme.roles}
        one = resolve(self.now().army, self.now().scheme).of_rank("1st-harbour-line", "fusilier")[0]
        self.assertEqual(roles[one.cells["torso.coat.lapel.left"].role], "Grey greatcoat cloth")

    def test_nonsense_is_told_at_its_field(self):
        self.put_on()
        self.assertContains(
            self.see("in-field", status=422, **FIELD | {"months": "400"}), 'role="alert"', status_code=422
        )
        answer = self.post("take-field", status=422, **FIELD | {"dust": "many"})
        self.assertContains(answer, 'value="many"', status_code=422)

    def test_without_a_dress_there_is_no_field(self):
        self.see("in-field", status=302)
        self.post("take-field", status=404, **FIELD)


class AnEmptyArmy(DressCase):
    @staticmethod
    def design():
        return Design(Army(Node("army", "army", "Nobody yet")), Scheme("Nothing yet"))

    def test_every_page_says_what_to_do_next(self):
        self.assertContains(self.see("almanac"), "Tidewall Fusiliers 1, Harbour, coat")
        self.assertContains(self.see("worn"), "choose a formation and whose dress it wears")
        self.assertContains(self.see("variety"), "No figure to vary yet")
        answer = self.post("put-on-dress", almanac=self.kept.pk, year="212", accuracy="plausible")
        self.assertEqual(answer.status_code, 302)


class LongNamesAndManyDoubts(DressCase):
    def test_a_list_with_a_hundred_doubts_shows_the_first_and_counts_the_rest(self):
        words = [f"w{chr(97 + n // 26)}{chr(97 + n % 26)}zq" for n in range(120)]
        text = "Regt,Collar,Cuff\n" + "".join(f"{n},{word},red\n" for n, word in enumerate(words, 1))
        found = FoundList(owner=self.owner, name="x" * 120, data=text.encode())
        found.read()
        page = self.see("list", found.pk)
        self.assertEqual(len(page.context["doubts"]), 60)
        self.assertContains(page, "questions more, when these are answered")
