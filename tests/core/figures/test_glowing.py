"""What a light on a figure lights around it, and the glow as work and colour."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.colour.difference import difference
from mantello_core.design.edit import without_role
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.figures.catalogue import plate
from mantello_core.figures.glowing import glow_on
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.formats.sample import levy
from mantello_core.paints.range import paint
from mantello_core.passes.pieces import pieces_of
from mantello_core.passes.soiled import soiled
from mantello_core.planning.compiling import compiled
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import PLAIN_FINISHING, checked_finishing, glowing
from tests.core.order.case import pairs_before

RANGER = plate("ranger")
GLASS = frozenset(name for name in RANGER.areas if "lantern.glass" in name or RANGER.areas[name].material == "glass")


class Reach(TestCase):
    def test_the_nearest_glow_most_and_farther_reach_lights_more(self):
        near, far = (glow_on(RANGER, GLASS, reach) for reach in (2.0, 8.0))
        self.assertTrue(set(near) < set(far))
        self.assertTrue(all(0 < share <= 1 for share in far.values()))
        frame = max(share for name, share in far.items() if "lantern" in name)
        self.assertEqual(frame, max(far.values()))
        self.assertTrue(all(far[name] >= share - 1e-9 for name, share in near.items()))

    def test_nothing_shines_on_itself_and_what_shines_nowhere_lights_nothing(self):
        self.assertFalse(set(glow_on(RANGER, GLASS, 5.0)) & GLASS)
        self.assertEqual(glow_on(RANGER, frozenset(), 5.0), {})


class Glowing(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        design = levy()
        glow = glowing("lampglass", paint("candle-yellow"), 6.0)
        finishing = replace(design.scheme.finishing, glow=glow, dirt=())
        cls.dark = replace(design, scheme=replace(design.scheme, finishing=replace(finishing, glow=None)))
        cls.design = replace(design, scheme=replace(design.scheme, finishing=finishing))
        cls.resolution = resolve(cls.design.army, cls.design.scheme)
        cls.one = next(
            one for one in cls.resolution.classes if any(cell.role == "lampglass" for cell in one.cells.values())
        )

    def test_those_that_wear_it_get_its_work_after_all_colours_and_before_the_varnish(self):
        (piece,) = [each for each in pieces_of(self.design, self.one) if each.id == "glow"]
        self.assertGreater(piece.seconds, 10)
        without = next(
            one for one in self.resolution.classes if all(cell.role != "lampglass" for cell in one.cells.values())
        )
        self.assertNotIn("glow", {each.id for each in pieces_of(self.design, without)})
        work = compiled(self.design, self.resolution, units=(self.one.unit,))
        glow = next(atom for atom in work.atoms if atom.step == "glow")
        known = pairs_before(work, glow.unit, glow.rank)
        before = {name for name, after in known if after == glow.name}
        self.assertTrue(any("layer" in name for name in before) and any("base" in name for name in before))
        self.assertTrue(any("varnish" in after for name, after in known if name == glow.name))

    def test_what_is_near_takes_its_colour_and_what_is_far_does_not(self):
        colours = soiled(self.design, self.one, 0)
        changed = {area: difference(*pair) for area, pair in colours.items()}
        reached = glow_on(
            self.one.plate, frozenset(area for area, cell in self.one.cells.items() if cell.role == "lampglass"), 6.0
        )
        self.assertGreater(max(changed.values()), 8)
        self.assertTrue(all(changed[area] == 0 for area in changed if area not in reached))

    def test_it_is_written_and_read_and_its_role_cannot_go(self):
        self.assertEqual(read_design_bytes(design_bytes(self.design)), self.design)
        with self.assertRaises(Contradiction):
            without_role(self.design, "lampglass")

    def test_what_cannot_glow_is_refused_at_its_place(self):
        roles = tuple(self.design.scheme.role_by_id)
        for glow, error, where in (
            (glowing("nobody", paint("candle-yellow"), 4.0), UnknownName, "finishing/glow/role"),
            (glowing("lampglass", paint("candle-yellow"), 40.0), OutOfRange, "finishing/glow/reach"),
        ):
            with self.assertRaises(error) as caught:
                checked_finishing(replace(PLAIN_FINISHING, glow=glow), roles)
            self.assertEqual(caught.exception.where, where)
