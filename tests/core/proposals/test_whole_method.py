"""A scheme in the whole manner of its method: what a painter of that school would expect to find."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.brief import Brief
from mantello_core.order.figure_order import order_of
from mantello_core.planning.compiling import rank_sheets
from mantello_core.proposals.proposal import army_for_brief, proposals
from mantello_core.proposals.whole_method import with_whole_method
from mantello_core.recipes.method import METHODS
from mantello_core.scheme.cascade import resolve
from tests.samples import base


class WholeMethod(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.plain, cls.made = {}, {}
        for method in METHODS:
            brief = Brief(method=method, genre="guard", dirt=3)
            army = army_for_brief("Watch", brief, ("First watch", "Second watch"))
            cls.plain[method] = proposals(army, brief, (), 1)[0].design
            cls.made[method] = with_whole_method(cls.plain[method])

    def kinds(self, method: str, role: str, tier: str = "rank") -> list[str]:
        return [step.kind for step in self.made[method].scheme.role(role).recipe(tier).steps]

    def line(self, method: str) -> list[str]:
        design = self.made[method]
        resolution = resolve(design.army, design.scheme)
        return [node.name for node in order_of(design, resolution.of_rank("first-watch-line", "guard")).line]

    def minutes(self, method: str) -> float:
        design = self.made[method]
        for sheet in rank_sheets(design, resolve(design.army, design.scheme), ("first-watch-line",)):
            if sheet.rank == "guard":
                return sum(row.atom.seconds for row in sheet.rows) / 60
        raise AssertionError("no guards")

    def test_every_school_lays_its_own_recipe(self):
        self.assertEqual(self.kinds("classic", "field"), ["base", "shade", "layer", "layer"])
        self.assertEqual(self.kinds("stains", "field"), ["stain", "drybrush"])
        self.assertEqual(self.kinds("airbrush", "field"), ["base", "overbrush", "line"])
        self.assertEqual(self.kinds("stipple", "field"), ["base", "stipple", "drybrush"])
        self.assertEqual(self.kinds("oil", "field"), ["base", "highlight"])
        self.assertEqual(self.kinds("overbrush", "field"), ["base", "overbrush", "dot"])
        self.assertEqual(self.kinds("glaze", "field"), ["base", "layer", "glaze", "highlight"])
        self.assertEqual(self.kinds("speed", "field"), ["base", "highlight"])

    def test_leaders_get_more(self):
        for method in METHODS:
            own, more = self.kinds(method, "field"), self.kinds(method, "field", "leader")
            self.assertGreater(len(more), len(own), method)

    def test_mud_oil_and_chips_lie_on_the_figure_and_not_in_faces(self):
        for method in METHODS:
            for role in self.made[method].scheme.roles:
                for tier, _ in role.recipes:
                    found = set(self.kinds(method, role.id, tier)) & {"powder", "oil", "sponge", "varnish"}
                    self.assertFalse(found, f"{method}: {role.id}")
        self.assertEqual([one.id for one in self.made["speed"].scheme.finishing.dirt], ["mud"])
        self.assertEqual([one.name for one in self.made["oil"].scheme.passes], ["Oil laid and wiped"])
        for method in ("airbrush", "stipple", "overbrush"):
            rough = set(self.kinds(method, "flesh")) & {"overbrush", "stipple", "drybrush", "line"}
            self.assertFalse(rough, method)

    def test_chips_stand_on_the_satin_coat(self):
        line = self.line("airbrush")
        self.assertLess(line.index("Satin varnish"), line.index("Chips"))
        self.assertLess(line.index("Satin varnish"), line.index("Arms metal base"))

    def test_what_comes_after_the_wash_has_its_own_shade(self):
        line = self.line("overbrush")
        for name in ("Flesh", "Arms metal"):
            self.assertLess(line.index("One wash over all"), line.index(f"{name} base"))
            self.assertIn(f"{name} shade", line)
        self.assertNotIn("Field shade", line)

    def test_stains_start_on_a_pale_ground(self):
        self.assertGreater(self.made["stains"].scheme.ground.colour.lightness, 68)
        self.assertFalse([name for name in self.line("stains") if name in ("Field base", "Flesh base", "Leather base")])

    def test_minutes_are_those_of_the_school(self):
        self.assertTrue(15 <= self.minutes("stains") <= 32, self.minutes("stains"))
        self.assertTrue(50 <= self.minutes("classic") <= 120, self.minutes("classic"))
        self.assertLess(self.minutes("stains"), self.minutes("speed"))
        self.assertLess(self.minutes("speed"), self.minutes("classic"))

    def test_a_recipe_that_was_changed_stays_and_so_does_a_scheme_that_is_set_up(self):
        plain = self.plain["classic"]
        field = plain.scheme.role("field").with_recipe("rank", base("tar-wash"))
        changed = replace(plain, scheme=plain.scheme.with_role(field))
        made = with_whole_method(changed).scheme.role("field")
        self.assertEqual(made.recipe("rank").steps, field.recipe("rank").steps)
        self.assertNotEqual(made.recipe("leader").steps, field.recipe("leader").steps)
        for method, design in self.made.items():
            self.assertEqual(with_whole_method(design), design, method)
        self.assertIs(with_whole_method(replace(plain, brief=None)).scheme, plain.scheme)
