"""What a method does over the whole figure."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.brief import Brief
from mantello_core.design.method_work import with_method_work
from mantello_core.order.figure_order import order_of
from mantello_core.order.phases import phase_list
from mantello_core.recipes.method import METHODS
from mantello_core.scheme.cascade import resolve
from tests.samples import calvessa


def worked(method: str, **brief):
    """The sample army painted by a method."""
    return with_method_work(replace(calvessa(), brief=Brief(method=method, **brief)))


def names(design) -> list[str]:
    """Names of the steps of a line fusilier, in order."""
    resolution = resolve(design.army, design.scheme)
    classes = [one for one in resolution.of_unit("1st-harbour-line") if one.rank == "fusilier"]
    return [node.name for node in order_of(design, classes).line]


class MethodWork(TestCase):
    def test_every_method_has_its_last_coat_and_may_be_set_up_twice_without_harm(self):
        for method in METHODS:
            design = worked(method)
            self.assertEqual(design.scheme.finishing.varnish, "satin" if method == "airbrush" else "matt")
            self.assertEqual(with_method_work(design), design)

    def test_one_wash_takes_the_place_of_every_roles_own_and_lies_after_all_bases(self):
        for method in ("stipple", "overbrush", "speed"):
            design = worked(method)
            line = names(design)
            late = METHODS[method].slots
            own = {"Ground", "Rim"} | ({"Flesh"} if late.skin == "late" else set())
            shaded = {name.removesuffix(" shade") for name in line if name.endswith(" shade")}
            metals = {name for name in shaded if "metal" in name}
            self.assertEqual(bool(metals), late.metals == "last", method)
            self.assertLessEqual(shaded - metals, own, method)
            at = line.index("One wash over all")
            # what has a phase of its own after the wash is laid on it; all else is blocked in before
            late = {"Rim base", "Flesh base", "Arms metal base", "Trim metal base", "Ground base"}
            self.assertTrue(
                all(line.index(name) < at for name in line if name.endswith(" base") and name not in late), method
            )

    def test_oil_lies_on_its_barrier_and_dries_before_the_matt_coat(self):
        line = names(worked("oil"))
        self.assertLess(line.index("Barrier varnish"), line.index("Oil laid and wiped"))
        self.assertLess(line.index("Oil laid and wiped"), line.index("Matt varnish"))
        self.assertEqual(worked("oil").scheme.finishing.barrier, "gloss")

    def test_army_speed_lays_mud_where_the_brief_is_dirty(self):
        self.assertEqual([one.id for one in worked("speed", dirt=3).scheme.finishing.dirt], ["mud"])
        self.assertEqual(worked("speed", dirt=0).scheme.finishing.dirt, ())

    def test_the_phases_are_the_methods_own(self):
        self.assertEqual(len({tuple(one.id for one in phase_list(worked(method)).phases) for method in METHODS}), 7)
