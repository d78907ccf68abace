"""Test pieces: recorded, photographed, compared, learned from; and the gate before a batch."""

import io
from datetime import timedelta
from unittest.mock import patch

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from django.utils import timezone
from PIL import Image

from mantello.rooms.recipes.testing import SHOWN
from mantello.shell.photograph import LONGEST, MOST_BYTES
from mantello.trials.models import Photo, TestPiece
from mantello.trials.sample import sample_test
from mantello.trials.trial import light_of, planned_minutes, tried_before
from mantello.workspace.editing import create_army
from mantello.workspace.readings import reading_of
from mantello_core.film.calibration import Calibration
from mantello_core.record.pace import pace_of
from tests.rooms.case import RoomCase


def picture(colour="#808080", size=(900, 600), kind="PNG", mode="RGB") -> SimpleUploadedFile:
    out = io.BytesIO()
    Image.new(mode, size, colour).save(out, kind)
    return SimpleUploadedFile(f"a.{kind.lower()}", out.getvalue(), f"image/{kind.lower()}")


class Recording(RoomCase):
    def record(self, status=302, **given):
        return self.post("record-test", "lantern", status=status, tier="rank", **given)

    def test_what_was_done_is_kept_and_what_was_left_empty_is_unknown(self):
        steps = self.now().scheme.role("lantern").recipe().steps
        answer = self.record(
            **{f"coats-{steps[0].id}": "9", f"drying-{steps[0].id}": "16", "lamp": "lamp", "note": "Too thin."}
        )
        kept = self.army.tests.first()
        self.assertEqual(answer.url, reverse("test", args=[self.army.pk, kept.pk]))
        self.assertEqual(kept.done[steps[0].id], {"coats": 9, "minutes": None, "drying": 16.0})
        page = self.client.get(answer.url)
        for said in ("unknown", "Too thin.", "warm lamp", "What it says of the paints", "No photograph yet"):
            self.assertContains(page, said)

    def test_nonsense_is_told_and_the_rest_stays(self):
        step = self.now().scheme.role("lantern").recipe().steps[0]
        page = self.record(status=422, **{f"coats-{step.id}": "40", "note": "Keep me"})
        self.assertContains(page, "Keep me", status_code=422)
        self.assertIn(f"coats-{step.id}", page.context["form"].errors)
        self.assertFalse(self.army.tests.exclude(steps=None).exists())

    def test_a_later_change_of_the_recipe_leaves_what_was_tried(self):
        self.record()
        kept = self.army.tests.first()
        self.post("set-undercoat", undercoat="undercoat-gull")
        page = self.see("test", kept.pk)
        self.assertContains(page, "on Undercoat Slate")

    def test_a_role_without_a_recipe_or_an_unknown_tier(self):
        self.post("new-role", name="Nothing yet", paint="")
        role = self.now().scheme.roles[-1].id
        self.assertEqual(self.see("record-test", role, status=302).url, reverse("recipe", args=[self.army.pk, role]))
        self.see("record-test", "lantern", status=422, tier="king")

    def test_nobody_else_sees_any_of_it(self):
        self.record(after=picture())
        kept = self.army.tests.first()
        for name, arguments, post in (
            ("tests", (), False), ("record-test", ("lantern",), False), ("test", (kept.pk,), False),
            ("test-photo", (kept.pk, "after"), False), ("sample", (kept.pk, "after"), True),
            ("waive-tests", (), True), ("learn", (), True),
        ):  # fmt: skip
            self.assert_hidden(name, *arguments, post=post)


class Photographs(RoomCase):
    def setUp(self):
        super().setUp()
        self.post("record-test", "field", tier="rank", after=picture("#8a8070", (640, 320)))
        self.test = self.army.tests.first()

    def test_it_is_scaled_re_encoded_and_served_with_care(self):
        self.post("test", self.test.pk, after=picture("#8a8070", (3200, 1600)), note="")
        photo = self.test.photos.get()
        self.assertEqual((photo.width, photo.height), (LONGEST, LONGEST // 2))
        answer = self.see("test-photo", self.test.pk, "after")
        self.assertEqual(answer["Content-Type"], "image/jpeg")
        self.assertEqual(answer["Content-Security-Policy"], "default-src 'none'")
        with Image.open(io.BytesIO(answer.content)) as served:
            self.assertEqual((served.format, served.size), ("JPEG", (LONGEST, LONGEST // 2)))
        self.see("test-photo", self.test.pk, "before", status=404)

    def test_what_is_no_picture_is_refused_at_its_field(self):
        good = picture().read()
        for data, said in (
            (b"GIF89a nothing", "no picture"), (good[: len(good) // 2], "no picture"),
            (b"<svg xmlns='http://www.w3.org/2000/svg'/>", "no picture"),
            (b"x" * (MOST_BYTES + 1), "MB"),
        ):  # fmt: skip
            page = self.post(
                "test", self.test.pk, status=422, before=SimpleUploadedFile("a.png", data, "image/png"), note="Stay"
            )
            self.assertIn(said, page.context["form"].errors["before"][0], data[:20])
            self.assertContains(page, "Stay", status_code=422)
        self.assertEqual(Photo.objects.count(), 1)

    def test_a_bomb_of_pixels_is_refused(self):
        page = self.post("test", self.test.pk, status=422, before=picture(1, (9000, 9000), mode="1"))
        self.assertIn("before", page.context["form"].errors)

    def point(self, name: str, x: int, y: int, status=302):
        return self.post("sample", self.test.pk, "after", status=status, point=name, **{"at.x": x, "at.y": y})

    def test_without_a_card_nothing_is_compared_and_with_one_the_lamp_is_taken_out(self):
        self.point("flat", 100, 100)
        self.assertContains(self.see("test", self.test.pk), "grey card first")
        self.point("card", 20, 20)
        page = self.see("test", self.test.pk)
        (row,) = page.context["photos"][0]["rows"]
        self.assertEqual(row.patch, "flat")
        self.assertLess(row.seen.chroma, 1)
        self.assertAlmostEqual(row.seen.lightness, 49.5, delta=1)

    def test_places_pointed_at_in_the_same_moment_are_both_kept(self):
        """While the colour of one place is taken another one is written: neither is lost."""

        def meanwhile(*given):
            with patch("mantello.rooms.recipes.testing.light_of", light_of):
                self.point("card", 20, 20)
            return light_of(*given)

        with patch("mantello.rooms.recipes.testing.light_of", meanwhile):
            self.point("flat", 100, 100)
        kept = self.test.photos.get()
        self.assertEqual((set(kept.patches), set(kept.light["patches"])), ({"card", "flat"}, {"card", "flat"}))

    def test_a_place_that_is_no_one_colour_has_a_reason_instead_of_a_number(self):
        half = Image.new("RGB", (900, 600), "#808080")
        half.paste("#303030", (450, 0, 900, 600))
        out = io.BytesIO()
        half.save(out, "PNG")
        self.post("test", self.test.pk, after=SimpleUploadedFile("a.png", out.getvalue(), "image/png"), note="")
        self.point("card", 20, 20)
        self.point("card 2", 60, 200)
        self.point("raised", SHOWN // 2, 100)
        page = self.see("test", self.test.pk)
        self.assertContains(page, "no number")
        self.assertEqual(page.context["photos"][0]["rows"], ())

    def test_a_photograph_of_before_is_read_when_it_is_looked_at(self):
        self.point("card", 20, 20)
        self.point("flat", 100, 100)
        Photo.objects.update(light=None)
        (row,) = self.see("test", self.test.pk).context["photos"][0]["rows"]
        self.assertAlmostEqual(row.seen.lightness, 49.5, delta=1)

    def test_a_test_piece_is_kept_with_all_that_came_with_it_or_not_at_all(self):
        self.client.raise_request_exception = False
        broken = patch.object(Photo.objects, "update_or_create", side_effect=RuntimeError)
        with broken, self.assertLogs("django.request", "ERROR"):
            answer = self.client.post(
                reverse("record-test", args=[self.army.pk, "field"]), {"tier": "rank", "after": picture()}
            )
        self.assertEqual(answer.status_code, 500)
        self.assertEqual(
            TestPiece.objects.filter(role="field", steps__isnull=False).exclude(pk=self.test.pk).count(), 0
        )

    def test_a_place_outside_or_an_unknown_one_is_refused(self):
        self.point("flat", SHOWN + 1, 0, status=422)
        self.point("flat", -1, 0, status=422)
        self.point("sky", 1, 1, status=422)
        self.assertEqual(self.test.photos.get().patches, {})

    def test_a_new_photograph_forgets_the_old_places(self):
        self.point("card", 20, 20)
        self.post("test", self.test.pk, after=picture(), note="")
        self.assertEqual(self.test.photos.get().patches, {})

    def test_the_demos_photograph_agrees_with_its_prediction(self):
        found = sample_test(self.army)
        rows = self.see("test", found.pk).context["photos"][0]["rows"]
        self.assertEqual([row.patch for row in rows], ["recess", "flat", "raised"])
        self.assertTrue(all(row.agrees for row in rows), [row.apart for row in rows])


class Learning(RoomCase):
    def test_what_was_learned_is_used_and_can_be_undone_and_taken_back(self):
        step = self.now().scheme.role("lantern").recipe().steps[0]
        self.post("record-test", "lantern", tier="rank", **{f"coats-{step.id}": "5"})
        page = self.see("test", self.army.tests.first().pk)
        ((pot, lesson, used),) = page.context["lessons"]
        self.assertFalse(used)
        before = self.now().scheme.coats(self.now().scheme.role("lantern").recipe())[0]
        self.post("learn", paint=pot.id, hiding=lesson.calibration.hiding, drying=lesson.calibration.drying)
        self.assertEqual(self.now().scheme.calibrations, (lesson.calibration,))
        self.assertGreater(self.now().scheme.coats(self.now().scheme.role("lantern").recipe())[0], before)
        self.assertContains(self.see("tests"), "times as predicted")
        self.assertContains(self.see("test", self.army.tests.first().pk), "in use")
        self.post("undo")
        self.assertEqual(self.now().scheme.calibrations, ())
        self.post("learn", paint=pot.id, hiding="2")
        self.post("learn", paint=pot.id)
        self.assertEqual(self.now().scheme.calibrations, ())

    def test_nonsense_is_refused(self):
        for given in (
            {"paint": "nothing"},
            {"paint": "gull-white", "hiding": "much"},
            {"paint": "gull-white", "hiding": "9"},
            {"paint": "gull-white", "drying": "nan"},
        ):
            self.post("learn", status=422, **given)
        self.assertEqual(self.now().scheme.calibrations, ())

    def test_the_plan_waits_as_long_as_it_was_found_to_dry(self):
        self.post("learn", paint="brine-green", drying="2")
        self.assertEqual(self.now().scheme.calibrations, (Calibration("brine-green", 1.0, 2.0),))
        scheme = self.now().scheme
        step = scheme.role("field").recipe().steps[0]
        self.assertEqual(scheme.drying(step), 2 * step.drying)


class Gate(RoomCase):
    def setUp(self):
        super().setUp()
        self.army.tests.all().delete()
        page = self.see("desk")
        for _ in range(40):  # the undercoat wants no test piece
            batch = page.context["batch"]
            if any(not atom.subject.is_ground for atom in batch.atoms):
                break
            figures = [f"{rank}|{ordinal}" for rank, ordinal in batch.left]
            self.post("desk-done", batch=batch.id, figure=figures, minutes="1", note="")
            page = self.see("desk")
        self.page = page
        self.logged = self.army.entries.count()

    def start(self):
        batch = self.page.context["batch"]
        figures = [f"{rank}|{ordinal}" for rank, ordinal in batch.left]
        return self.post("desk-done", batch=batch.id, figure=figures, minutes="1", note="")

    def test_a_batch_waits_for_its_test_piece(self):
        self.assertContains(self.page, "No test piece yet")
        self.start()
        self.assertEqual(self.army.entries.count(), self.logged)
        self.assertContains(self.see("desk"), "waits for a test piece")

    def test_one_click_starts_it_without(self):
        roles = [role.id for role in self.page.context["untested"]]
        answer = self.post("waive-tests", role=roles, next=reverse("desk", args=[self.army.pk]))
        self.assertEqual(answer.url, reverse("desk", args=[self.army.pk]))
        self.start()
        self.assertGreater(self.army.entries.count(), self.logged)

    def test_one_that_is_accepted_starts_it_and_one_to_be_tried_again_does_not(self):
        roles = [role.id for role in self.page.context["untested"]]
        for role in roles:
            self.post("record-test", role, tier="rank")
            self.post("test", self.army.tests.first().pk, verdict="again", note="")
        self.assertEqual(len(self.see("desk").context["untested"]), len(roles))
        for test in self.army.tests.all():
            self.post("test", test.pk, verdict="accepted", note="")
        self.assertEqual(self.see("desk").context["untested"], [])

    def test_all_at_once(self):
        self.assertGreater(self.see("tests").context["open"], 3)
        self.post("waive-tests", all="yes")
        self.assertEqual(self.see("tests").context["open"], 0)
        self.assertFalse(self.army.tests.exclude(verdict=TestPiece.Verdict.WAIVED).exists())

    def test_an_empty_army_has_nothing_to_try(self):
        empty = create_army(self.owner, "Empty")
        self.assertContains(self.client.get(reverse("tests", args=[empty.pk])), "Nothing to try yet")


class Timing(RoomCase):
    def test_an_accepted_test_piece_teaches_minutes_by_kind_and_another_does_not(self):
        role = self.now().scheme.role("field")
        step = role.recipe().steps[0]
        planned = planned_minutes(reading_of(self.army.head), "field", "rank", step, 1)
        self.assertGreater(planned, 0)
        self.post(
            "record-test", "field", tier="rank", **{f"coats-{step.id}": "1", f"minutes-{step.id}": f"{2 * planned:.2f}"}
        )
        test = self.army.tests.get(role="field", verdict=TestPiece.Verdict.OPEN)
        later = timezone.now() + timedelta(days=1)
        self.assertEqual(tried_before(self.army, reading_of(self.army.head), later), ())
        TestPiece.objects.filter(pk=test.pk).update(verdict=TestPiece.Verdict.ACCEPTED)
        found = tried_before(self.army, reading_of(self.army.head), later)
        self.assertEqual([kind for kind, _, _ in found], ["base"] * 3)
        ((_, factor),) = pace_of(found)
        self.assertAlmostEqual(factor, 2 ** (3 / 8), places=2)
        self.assertEqual(tried_before(self.army, reading_of(self.army.head), test.made_at), ())


class Lights(RoomCase):
    """A piece that was photographed in more than one light."""

    def setUp(self):
        super().setUp()
        self.test = sample_test(self.army)
        self.test.photos.all().delete()

    def photographed(self, **pictures):
        self.post("test", self.test.pk, status=302, note="", **pictures)
        for photo in self.test.photos.all():
            self.post("sample", self.test.pk, photo.moment, status=302, point="card", **{"at.x": 20, "at.y": 20})
            self.post("sample", self.test.pk, photo.moment, status=302, point="flat", **{"at.x": 280, "at.y": 187})
        return self.see("test", self.test.pk)

    @staticmethod
    def piece(colour: str) -> SimpleUploadedFile:
        both = Image.new("RGB", (900, 600), "#767676")
        both.paste(colour, (350, 200, 550, 400))
        out = io.BytesIO()
        both.save(out, "PNG")
        return SimpleUploadedFile("a.png", out.getvalue(), "image/png")

    def test_a_colour_that_turns_under_the_lamp_is_told(self):
        page = self.photographed(under_window=self.piece("#33605a"), under_lamp=self.piece("#60503a"))
        self.assertEqual(sorted(self.test.photos.values_list("moment", flat=True)), ["lamp", "window"])
        ((row, lamp),) = page.context["turned"]
        self.assertEqual((row.patch, row.light, lamp), ("flat", "lamp", "warm lamp"))
        self.assertGreater(row.apart, 10)
        for said in (
            "How it turns with the light",
            "judge it in the light it is shown in",
            "2856 K",
            "photographed in this light",
        ):
            self.assertContains(page, said)

    def test_what_is_no_picture_is_told_where_it_was_chosen(self):
        bad = SimpleUploadedFile("a.png", b"nothing", "image/png")
        page = self.post("test", self.test.pk, status=422, note="Stay", under_lamp=bad)
        self.assertIn("no picture", page.context["form"].errors["under_lamp"][0])
        self.assertContains(page, "<details open>", status_code=422)
        bad.seek(0)
        page = self.post("record-test", "field", status=422, tier="rank", under_window=bad, note="Stay")
        self.assertContains(page, "<details open>", status_code=422)
        self.assertContains(page, "Stay", status_code=422)

    def test_one_that_stays_holds(self):
        page = self.photographed(under_window=self.piece("#33605a"), under_tube=self.piece("#33605a"))
        ((row, _),) = page.context["turned"]
        self.assertTrue(row.holds)
        self.assertContains(page, "holds")

    def test_one_light_alone_or_none_by_day_tells_nothing(self):
        self.assertEqual(self.photographed(under_lamp=self.piece("#33605a")).context["turned"], [])
        self.assertEqual(self.photographed(under_tube=self.piece("#33605a")).context["turned"], [])

    def test_the_photograph_after_counts_in_the_light_it_was_judged_in(self):
        TestPiece.objects.filter(pk=self.test.pk).update(lamp="lamp")
        page = self.photographed(after=self.piece("#60503a"), under_booth=self.piece("#33605a"))
        self.assertEqual([row.light for row, _ in page.context["turned"]], ["lamp"])
