"""Places by geometry: their shares, how they nest, what they refuse, and what zones a recipe is followed on."""

from dataclasses import replace

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import MantelloError, OutOfRange, UnknownName
from mantello_core.figures.catalogue import plate
from mantello_core.figures.drafting import RELIEF
from mantello_core.figures.extent import Extent, united
from mantello_core.figures.figure import FIGURES
from mantello_core.figures.measured import Measured
from mantello_core.figures.sample import LIGHTS, joined, sample_from, thinned, usual_sample
from mantello_core.figures.sampling import sampled
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.film.zones import MOST, grouped, zones_of
from mantello_core.formats.document.recipes import read_step, write_step
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.range import paint
from mantello_core.recipes.handwork import Circumstances, seconds_of
from mantello_core.recipes.quantity import millilitres
from mantello_core.recipes.step import Manner, Mix, Recipe, Step, checked
from mantello_core.recipes.where import PLACES, Where, check_there, checked_where, reach, share_of, share_on
from tests.core.case import RefusalCase

BY_SHARE = tuple(name for name, usual in PLACES.items() if usual.share is not None and name not in ("recesses", "off recesses", "dots"))  # fmt: skip
SOOT, SALT = Ground(paint("undercoat-soot")), Mix(((paint("salt-linen"), 1.0),))


def drawn(name: str):
    from mantello_core.figures.assembly import Assembly
    from mantello_core.figures.overlap import Layers

    figure = next(one for one in FIGURES if one.id == name)
    assembly = Assembly(figure, "front")
    return Layers("front", assembly.areas, assembly.marks, assembly.sites)


class Places(RefusalCase):
    @given(st.sampled_from(BY_SHARE), st.floats(0.05, 0.95), st.floats(0.01, 0.5), st.sampled_from(("", *LIGHTS)))
    def test_shares_hold_and_places_of_one_kind_nest(self, name, share, less, plan):
        sample = usual_sample()
        wide, narrow = (reach(Where(name, share=one, plan=plan), sample) for one in (share, max(0.02, share - less)))
        covered = float((wide * sample.mm2).sum() / sample.mm2.sum())
        shut = 0.16 if name == "raised" else 0.03  # what lies deep is not raised, however much is asked for
        self.assertLess(abs(covered - share), max(shut, 0.09 if share < 0.1 or share > 0.9 else 0.03))
        self.assertTrue((narrow <= wide + 1e-9).all())

    def test_places_lie_where_they_say(self):
        sample = usual_sample()

        def mean(where: Where, values) -> float:
            weight = reach(where, sample) * sample.mm2
            return float((values * weight).sum() / weight.sum())

        self.assertGreater(mean(Where("recesses"), sample.depth), 3 * mean(Where("off recesses"), sample.depth))
        self.assertGreater(
            mean(Where("raised", share=0.2), sample.light[:, 0]), mean(Where("away"), sample.light[:, 0]) + 0.3
        )
        self.assertLess(mean(Where("edges", which="all"), sample.proud), 0.15)
        self.assertLess(mean(Where("points"), sample.corner), 0.22)
        self.assertLess(mean(Where("lines"), np.where(sample.ink > 0, 0, sample.under)), 0.14)
        self.assertGreater(mean(Where("upper"), sample.height), mean(Where("lower"), sample.height) + 0.3)
        self.assertGreater(mean(Where("sprayed"), sample.up), mean(Where("all"), sample.up) + 0.1)
        self.assertGreater(mean(Where("middle"), sample.middle), mean(Where("all"), sample.middle))

    def test_single_marks_take_what_their_number_length_and_width_take(self):
        sample = usual_sample()
        for name, count, length, width in (
            ("scratches", 20, 2.0, 0.1),
            ("runs", 10, 3.0, 0.2),
            ("lips", 40, 0.5, 0.1),
            ("dots", 30, None, 0.3),
        ):
            where = checked_where(Where(name, width=width, count=count, length=length))
            taken = count * (length or width) * width / 100
            covered = float((reach(where, sample) * sample.mm2).sum() / sample.mm2.sum())
            self.assertAlmostEqual(covered, taken, delta=0.1 * taken, msg=name)
        stripes = share_of(Where("stripes", width=0.5, count=6))
        self.assertTrue(0.2 < stripes <= 0.3, stripes)

    def test_they_lie_where_they_belong(self):
        sample = usual_sample()

        def mean(where: Where, values) -> float:
            weight = reach(where, sample) * sample.mm2
            return float((values * weight).sum() / weight.sum())

        self.assertLess(mean(Where("scratches"), sample.depth), mean(Where("all"), sample.depth))
        self.assertLess(mean(Where("runs"), np.abs(sample.up)), mean(Where("all"), np.abs(sample.up)))
        self.assertLess(mean(Where("border"), np.minimum(sample.under, sample.proud)), 0.45)
        self.assertLess(mean(Where("beside"), np.minimum(sample.under, sample.proud)), 0.3)
        self.assertLess(share_of(Where("beside", beside="lace")), share_of(Where("beside")))
        sides = np.abs(sample.light[:, list(LIGHTS).index("left")] - sample.light[:, list(LIGHTS).index("right")])
        lamps, left = (mean(Where("raised", share=0.2, plan=plan), sides) for plan in ("lamps", "left"))
        self.assertLess(lamps, left)  # four lamps favour no side

    def test_a_spray_that_fades_softly_reaches_farther_round(self):
        hard, soft = (reach(Where("sprayed", spread=spread), usual_sample()) for spread in (0.1, 1.5))
        self.assertGreater((soft > 0).sum(), (hard > 0).sum())

    def test_what_belongs_to_another_place_is_refused(self):
        for where, at in (
            (Where("all", angle=45.0), "/angle"), (Where("raised", spread=0.5), "/spread"), (Where("edges", count=3.0), "/count"),
            (Where("all", beside="lace"), "/beside"), (Where("lips", which="sharp"), "/which"), (Where("edges", which="lower"), "/which"),
            (Where("scratches", count=900.0), "/count"), (Where("runs", length=0.0), "/length"), (Where("sprayed", spread=2.0), "/spread"),
        ):  # fmt: skip
            with self.subTest(where=where), self.assertRaises(MantelloError) as caught:
                checked_where(where)
            self.assertEqual(caught.exception.where, at)

    def test_a_place_that_no_area_has_is_refused(self):
        flat = Extent(40.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0, 1, 3.0)
        drawn, level = replace(flat, line_mm=4.0), replace(flat, free_mm=9.0, exposed_mm=0.0, sharp_mm=0.0, corners=2)
        for where, extent, there in (
            (Where("edges"), flat, False), (Where("edges"), level, True), (Where("edges", which="sharp"), level, False), (Where("points"), flat, False),
            (Where("points"), level, True), (Where("lines"), flat, False), (Where("lines"), drawn, True), (Where("dots"), flat, False),
            (Where("raised"), flat, True), (Where("all"), flat, True),
        ):  # fmt: skip
            with self.subTest(where=where):
                if there:
                    check_there(where, extent)
                else:
                    with self.assertRaises(OutOfRange) as caught:
                        check_there(where, extent, "/spot")
                    self.assertEqual(caught.exception.where, "/spot/place")

    def test_sharp_edges_are_fewer_than_exposed_ones_and_those_fewer_than_all(self):
        shares = [share_of(Where("edges", which=which)) for which in ("sharp", "exposed", "all")]
        self.assertEqual(shares, sorted(set(shares)))

    def test_a_spray_from_the_side_reaches_what_one_from_above_does_not(self):
        self.assertGreater(share_of(Where("sprayed", angle=30)), share_of(Where("sprayed")))

    def test_what_is_not_allowed_is_refused_at_its_place(self):
        good = Step("a", "layer", SALT)
        for where, at, kind in (
            (Where("everywhere"), "/s/place/place", UnknownName), (Where("raised", share=1.4), "/s/place/share", OutOfRange),
            (Where("raised", share=0.01), "/s/place/share", OutOfRange), (Where("edges", width=9), "/s/place/width", OutOfRange),
            (Where("edges", share=0.5), "/s/place/share", OutOfRange), (Where("all", width=1), "/s/place/width", OutOfRange),
            (Where("edges", which="round"), "/s/place/which", UnknownName), (Where("raised", plan="moon"), "/s/place/plan", UnknownName),
            (Where("sprayed", angle=120), "/s/place/angle", OutOfRange),
        ):  # fmt: skip
            with self.assertRaises(kind) as refusal:
                checked(replace(good, spot=where), "/s")
            self.assertEqual(refusal.exception.where, at)
        self.assertEqual(checked_where(Where("raised", share=0.02)).share, 0.02)

    def test_said_in_words(self):
        self.assertEqual(Where("raised", share=0.3).words, "raised, towards the light, 30 %")
        self.assertEqual(Where("edges", which="exposed", width=0.2).words, "exposed edges, 0.2 mm")
        self.assertEqual(Where("sprayed", angle=45).words, "what faces the spray from 45 degrees")


class Steps(RefusalCase):
    def test_a_step_goes_where_its_kind_goes_where_it_is_told_or_where_it_lays_the_panel_again(self):
        self.assertEqual(Step("a", "layer", SALT).goes, Where("raised", share=0.55))
        self.assertEqual(Step("a", "layer", SALT, manner=Manner(share=0.3)).goes, Where("raised", share=0.3))
        again = Step("a", "layer", SALT, manner=Manner(share=0.8))
        self.assertEqual((again.goes, again.relays), (Where("off recesses", share=0.8), True))
        self.assertEqual(Step("a", "layer", SALT, spot=Where("upper")).goes, Where("upper"))

    def test_a_place_reads_back_as_it_was_written_and_older_steps_have_none(self):
        step = Step("a", "layer", SALT, spot=Where("edges", width=0.2, which="all"))
        self.assertEqual(read_step(write_step(step), "/s", SHIPPED), step)
        self.assertNotIn("place", write_step(Step("a", "layer", SALT)))

    def test_a_place_by_geometry_takes_the_hand_where_it_is(self):
        knight = plate("knight").extent
        every, upper = (seconds_of(Step("a", "layer", SALT, spot=one), knight, 1) for one in (Where("off recesses", share=0.9), Where("upper", share=0.3)))  # fmt: skip
        self.assertGreater(every, upper)
        one, other = (seconds_of(Step("a", "edge", SALT, spot=Where("edges", which=which)), knight, 1, Circumstances("centrepiece")) for which in ("sharp", "all"))  # fmt: skip
        self.assertLess(one, other)


class Followed(RefusalCase):
    def test_zones_are_few_and_share_the_whole_surface(self):
        steps = tuple(
            Step(kind, kind, SALT)
            for kind in ("base", "shade", "layer", "highlight", "edge", "drybrush", "line", "dot")
        )
        zones = zones_of(steps, True)
        self.assertLessEqual(len(zones.share), MOST)
        self.assertAlmostEqual(float(zones.share.sum()), 1.0)
        self.assertEqual(float(zones.share[0]), 0.0)
        self.assertEqual(zones.cover.shape, (len(steps), len(zones.share)))
        bare = grouped(usual_sample(), (), False, False)
        self.assertEqual(len(bare.share), 2)

    def test_a_panel_laid_again_shows_its_pot_and_keeps_the_recess_dark(self):
        bone = Mix(((paint("parchment-toll"), 1.0),))
        recipe = Recipe((Step("base", "base", bone), Step("shade", "shade", Mix(((paint("umber-wash"), 1.0),))),
                         Step("again", "layer", bone, 2, manner=Manner(share=0.82))))  # fmt: skip
        tones = predicted(recipe, SOOT).tones
        pot = bone.film.masstone
        self.assertLess(abs(tones.flats.lightness - pot.lightness), 5)
        self.assertLess(tones.recess.lightness, 50)

    def test_what_a_step_is_worth_is_told_of_the_places_it_touches(self):
        dark, light = Mix(((paint("pitch-barrel"), 1.0),)), SALT
        recipe = Recipe((Step("base", "base", dark), Step("edge", "edge", light)))
        outcome = predicted(recipe, SOOT).outcomes[1]
        self.assertLess(outcome.before.lightness, 15)
        self.assertGreater(outcome.after.lightness, 55)
        self.assertLess(predicted(recipe, SOOT).apparent.lightness, 40)


class Sampled(RefusalCase):
    def test_points_stand_for_the_painted_surface_of_each_area(self):
        stack = drawn("knight")
        samples = sampled(stack, 120)
        self.assertEqual(set(samples), set(stack.names()))
        for name, sample in samples.items():
            form = next(area.shade for area in stack.areas if area.name == name)
            self.assertAlmostEqual(float(sample.mm2.sum()), stack.mm2(name) * RELIEF[form], places=6)
            for field in (sample.light, sample.depth, sample.middle, sample.height):
                self.assertTrue(((field >= -1e-9) & (field <= 1 + 1e-9)).all(), name)

    def test_flat_quarters_are_level_and_round_forms_turn_away(self):
        samples = sampled(drawn("knight"), 120)
        self.assertLess(samples["shield.face.q1"].up.std(), samples["head.helm.skull"].up.std())
        self.assertGreater(samples["head.helm.skull"].up.max(), 0.5)

    def test_a_sample_is_kept_and_read_and_thinned_without_losing_surface(self):
        samples = list(sampled(drawn("fusilier"), 40).values())
        whole = joined(samples)
        again = sample_from(whole.mapping())
        self.assertEqual(again.mm2.shape, whole.mm2.shape)
        self.assertLess(np.abs(again.depth - whole.depth).max(), 1e-3)
        few = thinned(whole, 200)
        self.assertAlmostEqual(float(few.mm2.sum()), float(whole.mm2.sum()))
        self.assertLess(abs(np.average(few.depth, weights=few.mm2) - np.average(whole.depth, weights=whole.mm2)), 0.03)


class MeasuredPlaces(RefusalCase):
    def extent(self, recess, upward):
        return Measured(200, 0, recess, upward, 0.7, 20, 10, 5, 5, 3).extent(3.0)

    def test_what_was_measured_changes_what_a_place_takes(self):
        smooth, deep, roof = self.extent(0.05, 0.05), self.extent(0.6, 0.05), self.extent(0.1, 0.9)
        recesses, off, sprayed = Where("recesses"), Where("off recesses"), Where("sprayed")
        self.assertLess(share_on(recesses, smooth), 0.05)
        self.assertAlmostEqual(share_on(recesses, deep), 0.6 * 0.18 / 0.2917, 3)
        self.assertAlmostEqual(share_on(recesses, deep) + share_on(off, deep), 1)
        self.assertGreater(share_on(sprayed, roof), 0.9)
        self.assertLess(share_on(sprayed, smooth), share_of(sprayed))
        # from the level it does not matter what faces up
        level = Where("sprayed", angle=0.0)
        self.assertAlmostEqual(share_on(level, roof), share_of(level), 6)

    def test_a_share_that_is_said_is_taken_up_to_what_is_there(self):
        self.assertEqual(share_on(Where("recesses", share=0.1), self.extent(0.6, 0)), 0.1)
        self.assertEqual(share_on(Where("recesses", share=0.3), self.extent(0.2, 0)), 0.2)
        self.assertAlmostEqual(share_on(Where("off recesses", share=0.7), self.extent(0.2, 0)), 0.8)

    def test_drawings_and_other_places_are_as_usual_and_a_half_measured_role_lies_between(self):
        drawn = replace(self.extent(0.6, 0), measured_mm2=0.0, recess_mm2=0.0)
        for place in ("recesses", "sprayed", "raised"):
            self.assertEqual(share_on(Where(place), drawn), share_of(Where(place)))
        self.assertEqual(share_on(Where("raised"), self.extent(0.6, 0.5)), share_of(Where("raised")))
        half = united((drawn, self.extent(0.6, 0)))
        whole = share_on(Where("recesses"), self.extent(0.6, 0))
        self.assertAlmostEqual(share_on(Where("recesses"), half), (whole + 0.18) / 2, 3)

    def test_minutes_and_millilitres_follow(self):
        shade = Step("s", "line", Mix(((paint("gull-white"), 1.0),)), spot=Where("recesses"))
        smooth, deep = self.extent(0.05, 0.05), self.extent(0.6, 0.05)
        self.assertLess(
            sum(millilitres(shade, 200, 1, smooth).values()), sum(millilitres(shade, 200, 1, deep).values()) / 5
        )
        layer = Step("l", "layer", Mix(((paint("gull-white"), 1.0),)), spot=Where("off recesses"))
        self.assertGreater(seconds_of(layer, smooth, 1), seconds_of(layer, deep, 1))
