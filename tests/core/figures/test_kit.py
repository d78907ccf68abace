"""Figure types of a painter's own: parts put together, areas described, synonyms understood."""

from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.design.figure_types import with_type, with_type_titled, without_type
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.figures.catalogue import materials_of_areas, plate, plate_types
from mantello_core.figures.drafting import drafted, sketched, sketched_part
from mantello_core.figures.figure import FIGURES
from mantello_core.figures.kit import KITS, Making, kit_of, made_figure, part_title, usual_making
from mantello_core.figures.own import digest_of, made_type, own_type
from mantello_core.figures.part import PARTS
from mantello_core.figures.plate import plate_from, plate_mapping
from mantello_core.figures.synonym import areas_called, synonyms
from tests.core.case import RefusalCase
from tests.samples import small_design


def with_part(making: Making, slot: str, *parts: str) -> Making:
    """The making with a slot's parts replaced."""
    kept = tuple(one for one in making.parts if one[0] != slot)
    return replace(making, parts=(*kept, *((slot, part) for part in parts)))


@st.composite
def makings(draw):
    """Any choice on foot that has what it needs; a shield only on an arm that carries one."""
    kit = kit_of("foot")
    parts = []
    for slot in kit.slots:
        if slot.several:
            parts += [(slot.id, part) for part in draw(st.sets(st.sampled_from(slot.parts), max_size=4))]
        elif slot.id != "shield" and (slot.needed or draw(st.booleans())):
            parts.append((slot.id, draw(st.sampled_from(slot.parts))))
    details = tuple(sorted(draw(st.sets(st.sampled_from([one for one, _ in kit.details])))))
    return Making("foot", draw(st.sampled_from(kit.bodies)), tuple(parts), details)


class Makings(RefusalCase):
    def test_every_kit_starts_with_a_figure_that_can_be(self):
        for kit_id, kit in KITS.items():
            shape = plate_from(sketched(made_figure("own-x", "figure", usual_making(kit_id))))
            self.assertEqual([view.name for view in shape.views], list(kit.views))
            self.assertGreaterEqual(len(shape.areas), 9 if kit_id == "strip" else 20, kit_id)

    def test_every_part_of_the_library_can_be_chosen_and_is_drawn_alone(self):
        offered = {part for kit in KITS.values() for slot in kit.slots for part in slot.parts}
        self.assertEqual(offered, set(PARTS))
        for part in PARTS:
            self.assertTrue(sketched_part(part)["layers"], part)
            self.assertTrue(part_title(part)[0].isupper())

    @given(makings())
    @settings(deadline=None, max_examples=25)
    def test_any_choice_can_be_drawn_and_has_the_areas_of_its_parts(self, making):
        shape = plate_from(sketched(made_figure("own-x", "figure", making)))
        heads = {name.split(".")[0] for name in shape.areas}
        self.assertLessEqual({"head", "torso", "leg", "base"}, heads)
        self.assertEqual("cloak" in heads, bool(making.part("cloak")))

    def test_a_sketch_has_the_areas_of_what_is_drafted_from_it(self):
        figure = made_figure("own-x", "figure", usual_making("foot"))
        sketch, made = plate_from(sketched(figure)), plate_from(drafted(figure))
        self.assertLessEqual(set(made.areas), set(sketch.areas))
        self.assertLess(len(set(sketch.areas) - set(made.areas)), 4)
        self.assertTrue(all(area.mm2 > 0 for area in made.areas.values()))

    def test_what_cannot_go_together_is_refused_at_its_place(self):
        usual = usual_making("foot")
        for making, kind, where in (
            (with_part(usual, "shield", "shield.tide"), Contradiction, "shield"),
            (with_part(usual, "head"), OutOfRange, "head"),
            (with_part(usual, "head", "head.hood", "head.goggles"), OutOfRange, "head"),
            (with_part(usual, "gear", "gear.pack", "gear.pack"), OutOfRange, "gear"),
            (with_part(usual, "head", "legs.gaiters"), UnknownName, "head"),
            (with_part(usual, "wings", "flier.wings"), UnknownName, "parts"),
            (replace(usual, body="vehicle"), UnknownName, "body"),
            (replace(usual, details=("hat",)), UnknownName, "details"),
            (replace(usual, kit="train"), UnknownName, "kit"),
        ):
            with self.assertRaises(kind) as caught:
                made_figure("own-x", "figure", making)
            self.assertEqual(caught.exception.where, where)
        carried = with_part(with_part(usual, "shield", "shield.tide"), "arm.left", "arm.plate")
        self.assertIn("shield.tide", [use.part for use in made_figure("own-x", "figure", carried).uses])

    def test_details_change_the_parts_that_have_them(self):
        bare = sketched(made_figure("own-x", "F", replace(usual_making("foot"), details=())))
        plumed = sketched(made_figure("own-x", "F", replace(usual_making("foot"), details=("plume",))))
        names = [{area["area"] for area in one["views"][0]["areas"]} for one in (bare, plumed)]
        self.assertEqual(names[1] - names[0], {"head.hat.plume", "head.hat.plume.tip"})


class OwnTypes(RefusalCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.own, cls.drawing = made_type("own-guard", "Guard", usual_making("gun"))

    def test_a_plate_is_written_and_read_back_the_same(self):
        for type_id in ("fusilier", "puntcar"):
            shape = plate(type_id)
            again = plate_from({**plate_mapping(shape), "id": shape.id, "title": shape.title})
            self.assertEqual((again.views[0].layers, again.areas), (shape.views[0].layers, shape.areas))

    def test_one_drawing_is_one_plate_and_another_is_another(self):
        again = own_type("own-guard", "Guard", self.drawing)
        self.assertIs(again.plate, self.own.plate)
        self.assertEqual(self.own.digest, digest_of(self.drawing))
        moved = {**self.drawing, "kind": "figure"}
        self.assertNotEqual(own_type("own-guard", "Guard", moved).digest, self.own.digest)

    def test_a_type_that_is_worn_cannot_go(self):
        design = with_type(small_design(), self.own)
        unit = next(iter(design.army.units))
        rank = replace(unit.ranks[0], type="own-guard")
        root = replace(design.army.root, children=(replace(unit, ranks=(rank,)),))
        worn = replace(design, army=replace(design.army, root=root))
        with self.assertRaisesMessage(Contradiction, "still drawn for Line"):
            without_type(worn, "own-guard")
        self.assertEqual(without_type(design, "own-guard").army.types, ())
        with self.assertRaises(UnknownName):
            without_type(design, "fusilier")

    def test_titles_are_once(self):
        design = with_type(small_design(), self.own)
        with self.assertRaisesMessage(Contradiction, "called 'Tidewall fusilier' already"):
            with_type_titled(design, "own-guard", "tidewall Fusilier")
        self.assertEqual(with_type_titled(design, "own-guard", "Guard").army.types[0].plate.title, "Guard")


class Descriptions(RefusalCase):
    def test_a_waistcoat_lies_back_and_a_button_stands_proud(self):
        areas = plate("fusilier").areas
        self.assertGreater(areas["torso.vest"].depth, 0.7)
        self.assertEqual(areas["head.moustache"].depth, 0)
        self.assertLess(areas["leg.left.breeches"].visibility, 0.3)
        self.assertGreater(areas["head.face"].visibility, 0.9)
        self.assertGreater(areas["weapon.bayonet"].edge_exposure, areas["torso.coat.lapel.left"].edge_exposure)

    def test_shares_are_shares_on_every_plate(self):
        for type_id in plate_types():
            for area in plate(type_id).areas.values():
                for share in (area.visibility, area.depth, area.edge_exposure):
                    self.assertTrue(0 <= share <= 1, (type_id, area))

    def test_own_edge_and_covered_edge_make_up_the_outline(self):
        for view in plate("knight").views:
            for area in view.areas:
                self.assertLessEqual(area.covered_mm + area.rim_mm, area.outline_mm * 1.02 + 0.2, area.area)

    def test_painters_words_find_areas(self):
        names = list(materials_of_areas())
        self.assertEqual(areas_called("left trousers", names)[:2], ["leg.left.trousers", "leg.left.breeches"])
        self.assertEqual(areas_called("left shoulder rim", names)[0], "arm.left.pad.rim")
        self.assertEqual(areas_called("tracks", names)[:2], ["vehicle.track.left", "vehicle.track.right"])
        self.assertEqual(areas_called("backpack", names)[0].split(".")[:2], ["gear", "pack"])
        self.assertEqual(areas_called("visor", names)[0], "head.hat.peak")
        self.assertEqual(areas_called("", names), [])
        self.assertEqual(areas_called("zeppelin", names), [])
        self.assertIn("facing", synonyms("arm.*.cuff"))

    def test_every_figure_type_says_what_it_is_made_of(self):
        self.assertTrue(all(figure.uses for figure in FIGURES))
        self.assertEqual(materials_of_areas()["weapon.blade"], "metal")
