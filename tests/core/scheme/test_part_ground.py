"""Parts of an army on another ground: what lies on it, what is sprayed for it, and what that costs."""

from unittest import TestCase

from mantello_core.design.edit import with_part_ground
from mantello_core.design.muster import with_duplicate, without_node
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.film.ground import Ground
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.paints.range import paint
from mantello_core.planning.compiling import compiled
from mantello_core.planning.painted_with import painted_with
from mantello_core.planning.undercoating import assembly_advice, undercoat_advice
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.part_ground import PartGround, checked_part_grounds, grounds_here
from mantello_core.scheme.share import paint_needed
from tests.samples import calvessa

SOOT, LINEN, OXIDE = (Ground(paint(f"undercoat-{name}")) for name in ("soot", "linen", "oxide"))


class Parts(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.design = calvessa()
        cls.resolution = resolve(cls.design.army, cls.design.scheme)

    def on(self, *grounds):
        design = self.design
        for unit, assembly, ground in grounds:
            design = with_part_ground(design, unit, assembly, ground)
        return design, resolve(design.army, design.scheme)

    def test_what_is_nearest_counts_and_a_part_before_whole_figures(self):
        parts = (PartGround(SOOT, "", "Cloak"), PartGround(LINEN, "company"), PartGround(OXIDE, "force", ""))
        self.assertEqual(grounds_here(parts, ("force", "company")), {"Cloak": SOOT, "": LINEN})
        self.assertEqual(grounds_here(parts, ("force", "others")), {"Cloak": SOOT, "": OXIDE})
        self.assertEqual(grounds_here(parts, ("elsewhere",)), {"Cloak": SOOT})

    def test_only_what_lies_on_it_changes(self):
        unit = self.design.army.units[0]
        design, resolution = self.on((unit.id, "", SOOT))
        for one in resolution.classes:
            grounds = {one.ground_of(area) for area in one.cells}
            self.assertEqual(grounds, {SOOT} if one.unit == unit.id else {None})
        before, after = (
            {(atom.unit, atom.id): atom.seconds for atom in compiled(each, one).atoms}
            for each, one in ((self.design, self.resolution), (design, resolution))
        )
        changed = {unit_id for (unit_id, id_), seconds in after.items() if before.get((unit_id, id_)) != seconds}
        self.assertEqual(changed, {unit.id})

    def test_what_is_kept_apart_is_sprayed_apart(self):
        design, resolution = self.on(("", "Weapon", SOOT))
        ground = [atom for atom in compiled(design, resolution).atoms if atom.subject.is_ground]
        whole = [atom for atom in compiled(self.design, self.resolution).atoms if atom.subject.is_ground]
        apart = [atom for atom in ground if atom.step == "undercoat-weapon"]
        self.assertTrue(apart)
        self.assertEqual({painted_with(design, resolution, atom).words for atom in apart}, {SOOT.words})
        one = apart[0]
        rest = next(atom for atom in ground if (atom.unit, atom.rank, atom.step) == (one.unit, one.rank, "undercoat"))
        all_of_it = next(atom for atom in whole if (atom.unit, atom.rank) == (one.unit, one.rank))
        self.assertAlmostEqual(one.surface + rest.surface, all_of_it.surface, delta=0.05)
        self.assertEqual(painted_with(design, resolution, rest).words, self.design.scheme.ground.words)

    def test_a_colour_over_two_grounds_is_predicted_on_the_one_most_of_it_lies_on(self):
        _, resolution = self.on(("", "Weapon", SOOT))
        key, on = next((key, on) for key, on in resolution.grounds_worn.items() if len(on) > 1)
        self.assertEqual(resolution.ground_under(*key), max(on, key=on.get))
        self.assertIsNone(resolution.ground_under("nobody", "rank"))

    def test_darker_beneath_takes_more_paint(self):
        design, resolution = self.on((self.design.army.root.id, "", SOOT))
        needed = [
            paint_needed(each.scheme, one) for each, one in ((self.design, self.resolution), (design, resolution))
        ]
        self.assertGreater(sum(needed[1].values()), sum(needed[0].values()))

    def test_what_would_be_spared_counts_what_is_spared_by_now(self):
        before = {one.name: one for one in assembly_advice(self.design, self.resolution)}
        apart = next(one for one in before.values() if one.then < one.now)
        after = {one.name: one for one in assembly_advice(*self.on(("", apart.name, apart.best)))}
        self.assertEqual(
            (after[apart.name].now, after[apart.name].then, after[apart.name].best),
            (apart.then, apart.then, apart.best),
        )
        self.assertEqual(
            {name: one for name, one in after.items() if name != apart.name},
            {name: one for name, one in before.items() if name != apart.name},
        )

    def test_other_undercoats_leave_parts_as_they_are(self):
        design, resolution = self.on((self.design.army.root.id, "", SOOT))
        self.assertEqual(len({round(one.cost.minutes, 3) for one in undercoat_advice(design, resolution)}), 1)

    def test_it_is_written_and_read_and_goes_with_its_unit(self):
        unit = self.design.army.units[0]
        design, _ = self.on((unit.id, "", SOOT), ("", "Cloak", LINEN))
        self.assertEqual(read_design_bytes(design_bytes(design)), design)
        copied = with_duplicate(design, unit.id, "Second Line").scheme.grounds
        self.assertEqual([(one.unit, one.ground) for one in copied[2:]], [("second-line", SOOT)])
        self.assertEqual([one.assembly for one in without_node(design, unit.id).scheme.grounds], ["Cloak"])

    def test_what_is_no_part_is_refused(self):
        for part, error in (
            (PartGround(SOOT), Contradiction),
            (PartGround(SOOT, "nowhere"), UnknownName),
            (PartGround(SOOT, "", "Nose"), UnknownName),
            (PartGround(Ground(SOOT.undercoat, SOOT.undercoat), "", "Cloak"), OutOfRange),
        ):
            with self.subTest(part=part), self.assertRaises(error):
                checked_part_grounds((part,), ["company"])
        with self.assertRaises(Contradiction):
            checked_part_grounds((PartGround(SOOT, "", "Cloak"), PartGround(LINEN, "", "Cloak")), [])
        with self.assertRaises(OutOfRange):
            checked_part_grounds(tuple(PartGround(SOOT, str(at)) for at in range(25)), map(str, range(25)))
