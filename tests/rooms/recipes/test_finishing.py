"""The army's finish in its room: kept whole, refused at its field, seen in the order and at the desk, dirtied again."""

import io
import uuid
from dataclasses import replace

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from django.utils import timezone
from PIL import Image

from mantello.record.logging import record
from mantello.record.queries import done_steps
from mantello.rooms.plan.evening import Evening
from mantello.shelf.models import OwnPaint
from mantello_core.scheme.assembly import Assembly
from mantello_core.scheme.finishing import Basing, Finishing, usual_dirt, usual_plants
from mantello_core.scheme.scheme import Scheme
from tests.rooms.case import RoomCase
from tests.samples import calvessa

FORM = {
    "metals_slot": "last", "skin_slot": "late", "base_slot": "", "varnish": "matt", "can": "yes", "use": "hard", "varnish_last": "", "barrier": "gloss",
    "apart": ["Cloak"], "shiny": ["trim"], "level": "3", "dirt-mud": "on", "paint-mud": "mudflat", "height-mud": "25",
    **{f"paint-{one.id}": one.step.mix.paints[0].id for one in usual_dirt() if one.id != "mud"},
    "height-dust": "35", "plant-tuft": "4", "seed": "7", "magnets": "on", "width": "40", "depth": "60",
}  # fmt: skip


class Keeping(RoomCase):
    def test_everything_that_is_said_is_kept(self):
        self.post("keep-finishing", **FORM)
        found = self.now().scheme.finishing
        self.assertEqual((found.slots.metals, found.slots.skin, found.slots.base), ("last", "late", ""))
        self.assertEqual((found.varnish, found.use, found.barrier, found.level), ("matt", "hard", "gloss", 3))
        self.assertEqual(
            [(one.id, one.step.mix.paints[0].id, one.height) for one in found.dirt], [("mud", "mudflat", 0.25)]
        )
        self.assertEqual([(one.id, one.in_ten) for one in found.basing.plants], [("tuft", 4.0)])
        self.assertEqual(
            (found.apart, found.shiny, found.basing.seed, found.basing.width), (("Cloak",), ("trim",), 7, 40.0)
        )
        page = self.see("finishing")
        for words in ("Matt varnish", "Join cloak", "Magnets", "Large tuft", "dirt 3 of 5", "Spray outdoors"):
            self.assertContains(page, words)
        again = self.post("keep-finishing", **FORM)
        self.assertEqual(again.url, reverse("finishing", args=[self.army.pk]))
        self.assertEqual(self.now().scheme.finishing, found)

    def test_work_at_the_bench_is_kept_planned_and_told(self):
        unit = self.now().army.units[0].id
        bench = {
            "planned": "on",
            "material": "resin",
            "base_material": "wood",
            "glue": "cement",
            "grit": "first",
            "temporary": "on",
        }
        more = {"tidy": "on", "look": "on", "photograph": "on", "apart_node": unit, "apart_group": "Weapon"}
        more |= {"mend": "on", "handled": ["Base"], "fragile": ["Weapon", "Flag"]}
        self.post("keep-finishing", **FORM | bench | more)
        found = self.now().scheme.finishing
        self.assertEqual(found.assembly, Assembly(True, "resin", "wood", "cement", "first", True))
        self.assertEqual(
            (found.tidy, found.look, found.photograph, found.apart_in), (True, True, True, ((unit, "Weapon"),))
        )
        self.assertEqual((found.mend, found.handled, found.fragile), (True, ("Base",), ("Weapon", "Flag")))
        page = self.see("finishing")
        self.assertContains(page, "it does not hold resin. Superglue does.")
        for words in ("Clean and glue", "Grit on the base", "Join weapon", "Photograph it"):
            self.assertContains(page, words)
        self.post("keep-finishing", **FORM | bench | {"apart_in": f"{unit}|Weapon"})
        found = self.now().scheme.finishing
        self.assertEqual((found.apart_in, found.tidy), (((unit, "Weapon"),), False))
        self.post("keep-finishing", **FORM)
        self.assertEqual(self.now().scheme.finishing.apart_in, ())

    def test_a_loose_part_wants_its_unit(self):
        unit = self.now().army.units[0].id
        for said, told in (
            ({"apart_node": unit}, "Which part stays loose?"),
            ({"apart_group": "Weapon"}, "In which unit?"),
            ({"apart_node": "nowhere", "apart_group": "Weapon"}, "is none of the choices"),
            ({"glue": "spit"}, "is none of the choices"),
        ):
            self.assertContains(self.post("keep-finishing", status=422, **FORM | said), told, status_code=422)

    def test_nothing_said_is_no_finish(self):
        plain = {"use": "play", "can": "yes", "seed": "1", "height-dust": "35", "height-mud": "18"}
        plain |= {f"paint-{one.id}": one.step.mix.paints[0].id for one in usual_dirt()}
        self.post("keep-finishing", **plain)
        self.assertEqual(self.now().scheme.finishing, Finishing())

    def test_nonsense_stays_typed_and_is_told_at_its_field(self):
        for name, value, told in (
            ("plant-tuft", "many", "Write 0 to 10."),
            ("height-mud", "140", "Write 0 to 100."),
            ("paint-mud", "gold", "is none of the choices"),
            ("seed", "-1", "Write 0 to 999999."),
        ):
            with self.subTest(name):
                page = self.post("keep-finishing", status=422, **FORM | {name: value})
                self.assertContains(page, told, status_code=422)
                self.assertContains(page, value, status_code=422)
        self.assertEqual(self.now().scheme.finishing, Finishing())

    def test_a_matt_coat_over_metals_is_told_with_the_ways_out(self):
        self.post("keep-finishing", **FORM)
        self.assertContains(self.see("finishing"), "A matt last coat takes the flash of")
        for change in ({"varnish": "satin"}, {"metals_slot": "after"}):
            self.post("keep-finishing", **FORM | change)
            self.assertNotContains(self.see("finishing"), "A matt last coat takes the flash of")

    def test_the_light_of_the_army_is_kept_and_lights_follow_it(self):
        before = self.now().scheme.predicted(self.now().scheme.role("field").recipe())
        self.post("keep-finishing", **FORM | {"light": "left", "varnish": ""})
        self.assertEqual(self.now().scheme.finishing.light, "left")
        after = self.now().scheme.predicted(self.now().scheme.role("field").recipe())
        self.assertNotEqual(before.apparent, after.apparent)
        self.assertContains(
            self.post("keep-finishing", status=422, **FORM | {"light": "moon"}),
            "is none of the choices",
            status_code=422,
        )

    def test_matt_and_gloss_mixed_are_kept_and_a_can_of_them_is_told(self):
        given = FORM | {"varnish": "satin", "can": "mixed", "bases": "on"}
        self.post("keep-finishing", **given)
        found = self.now().scheme.finishing
        self.assertEqual((found.mixed, found.can, found.bases), (True, False, True))
        page = self.see("finishing")
        self.assertContains(page, '<option value="mixed" selected>')
        self.assertContains(page, "Bases looked over")
        self.assertContains(page, "to spare")
        wrong = self.post("keep-finishing", status=422, **given | {"varnish": "gloss"})
        self.assertContains(wrong, "Mixed one to one it ends in satin", status_code=422)

    def test_what_shines_without_a_last_coat_is_told(self):
        streaks = {"dirt-streaks": "on", "paint-streaks": "fender-black-enamel", "level": "3", "apart": []}
        self.post("keep-finishing", **FORM | streaks | {"varnish": "", "touch_up": "on"})
        self.assertTrue(self.now().scheme.finishing.touch_up)
        self.assertContains(self.see("finishing"), "streaks will shine beside matt paint")
        self.post("keep-finishing", **FORM | streaks)
        self.assertNotContains(self.see("finishing"), "will shine beside matt paint")

    def test_dirt_may_be_of_a_paint_of_ones_own(self):
        said = {
            "name": "Backyard mud",
            "kind": "acrylic",
            "finish": "matt",
            "volume": "17",
            "swatch": "#5a4632",
            "opacity": "opaque",
        }
        self.post("add-paint", **said)
        (pot,) = OwnPaint.objects.of(self.owner)
        self.post("keep-finishing", **FORM | {"paint-mud": pot.id})
        self.assertEqual(self.now().scheme.finishing.dirt[0].step.mix.parts, ((pot, 1.0),))
        self.assertContains(self.see("finishing"), "Backyard mud")

    def test_another_painter_finds_none_of_it(self):
        self.assert_hidden("finishing")
        self.assert_hidden("order")
        self.assert_hidden("keep-finishing", post=True)
        self.assert_hidden("dirty-again", post=True)


class Finished(RoomCase):
    @staticmethod
    def design():
        design = calvessa()
        plants = (replace(usual_plants()[1], in_ten=5),)
        dirt = tuple(one for one in usual_dirt() if one.id == "mud")
        finishing = Finishing(varnish="matt", apart=("Cloak",), level=2, dirt=dirt, basing=Basing(plants, magnets=True))
        return replace(design, scheme=replace(design.scheme, finishing=finishing))

    def batch(self, piece):
        evening = Evening(self.army, timezone.now())
        return next(
            one
            for number in range(1, evening.count + 1)
            if (one := evening._batch(number)).atoms[0].subject.piece == piece
        )

    def test_the_desk_tells_how_and_what_to_mind(self):
        for piece, words in (
            ("varnish", "Aerosol"),
            ("join-cloak", "dry-fit"),
            ("plant-tuft", "over a tray"),
            ("magnet", "swallowed one is an emergency"),
            ("mud", "edges faded"),
        ):
            with self.subTest(piece):
                self.assertContains(self.see("desk", batch=self.batch(piece).id), words)

    def test_the_desk_tells_where_on_the_base_plants_go_and_which_brush(self):
        hints = {
            piece: str(self.see("desk", batch=self.batch(piece).id).context["hints"]) for piece in ("plant-tuft", "mud")
        }
        self.assertRegex(hints["plant-tuft"], "(Front|Rear|Left|Right)[a-z ]*: [0-9]")
        self.assertIn("Brush 4, stubby, an old one, which it spoils.", hints["mud"])

    def test_the_desk_tells_on_what_nothing_is_braced(self):
        self.assertNotContains(self.see("desk"), "Brace nothing on")
        self.post("keep-finishing", **FORM | {"fragile": ["Weapon", "Flag"]})
        evening = Evening(self.army, timezone.now())
        # the first batch that handles one of them tells it; all of them would be a long evening
        pages = (self.see("desk", batch=evening._batch(number).id) for number in range(1, evening.count + 1))
        self.assertTrue(any("Brace nothing on weapon" in str(page.context["hints"]) for page in pages))

    def test_the_order_names_its_rules_and_reasons(self):
        page = self.see("order")
        for words in (
            "magnets dry before paint: glue and hole marks stay visible",
            "Block in",
            "every colour laid once",
            "Classic layers",
        ):
            self.assertContains(page, words)

    def test_what_is_done_is_logged_with_its_paint_and_asked_for_again_at_another_level(self):
        mud = self.batch("mud")
        record(self.army, mud.atoms, set(mud.block.figures), 4.0, timezone.now(), uuid.uuid4())
        entry = self.army.entries.first()
        self.assertEqual((entry.role, entry.step, entry.paints[0]["paint"]), ("army:mud", "mud", "texture-wet-mud"))
        self.assertNotContains(self.see("finishing"), "Dirty them again")
        self.post("keep-finishing", **FORM | {"level": "4", "paint-mud": "texture-wet-mud"})
        self.assertContains(self.see("finishing"), f"{len(mud.block.figures)} figures had mud at dirt 2")
        self.post("dirty-again", piece="mud")
        self.army.refresh_from_db()
        self.assertEqual(done_steps(self.army), frozenset())
        self.assertNotContains(self.see("finishing"), "Dirty them again")

    def test_paint_for_dirt_and_varnish_is_counted(self):
        self.assertContains(self.see("paints"), "Varnish Matt")

    def test_joining_is_logged_without_paint(self):
        join = self.batch("join-cloak")
        record(self.army, join.atoms, set(join.block.figures), None, timezone.now(), uuid.uuid4())
        self.assertEqual(self.army.entries.first().paints, [])
        self.assertIsInstance(self.now().scheme, Scheme)


class Light(RoomCase):
    def photo(self, picture: Image.Image) -> SimpleUploadedFile:
        out = io.BytesIO()
        picture.save(out, "PNG")
        return SimpleUploadedFile("lit.png", out.getvalue(), "image/png")

    def test_the_army_is_lit_as_the_photograph_shows(self):
        down, across = np.mgrid[-1:1:300j, -1:1:220j]
        shade = np.where(across**2 + down**2 < 0.5, 60 + 120 * np.clip(-across - down, 0, 1), 250)
        self.post("light-by-photo", photo=self.photo(Image.fromarray(shade.astype("uint8"))))
        self.assertEqual(self.now().scheme.finishing.light, "left")
        self.assertContains(self.see("finishing"), "How it will shine")

    def test_no_picture_and_plain_paper_are_told_and_change_nothing(self):
        before = self.now()
        self.post("light-by-photo", photo=self.photo(Image.new("L", (200, 200), 240)))
        self.assertContains(self.see("finishing"), "No figure stands out")
        self.post("light-by-photo", photo=SimpleUploadedFile("x.png", b"no picture", "image/png"))
        self.assertContains(self.see("finishing"), "no picture that can be read")
        self.post("light-by-photo")
        self.assertContains(self.see("finishing"), "Choose a photograph")
        self.assertEqual(self.now(), before)
        self.assert_hidden("light-by-photo", post=True)


class Glow(RoomCase):
    def test_a_glow_is_kept_shown_and_taken_away_and_names_its_paint(self):
        form = self.see("finishing").context["form"]
        sent = {
            name: value
            for name, value in ((field.html_name, field.value()) for field in form)
            if value not in (None, False, "")
        }
        role = self.now().scheme.roles[0].id
        self.post("keep-finishing", **sent | {"glow_role": role, "glow_paint": "candle-yellow", "glow_reach": "5"})
        glow = self.now().scheme.finishing.glow
        self.assertEqual((glow.role, glow.reach, glow.step.mix.paints[0].id), (role, 5.0, "candle-yellow"))
        self.assertContains(self.see("finishing"), "Glow on what is near")
        page = self.post(
            "keep-finishing", status=422, **sent | {"glow_role": role, "glow_paint": "", "glow_reach": "5"}
        )
        self.assertContains(page, "In which paint does it glow?", status_code=422)
        page = self.post(
            "keep-finishing",
            status=422,
            **sent | {"glow_role": role, "glow_paint": "candle-yellow", "glow_reach": "50"},
        )
        self.assertContains(page, "0.5 to 20 mm", status_code=422)
        self.post("keep-finishing", **sent)
        self.assertIsNone(self.now().scheme.finishing.glow)
