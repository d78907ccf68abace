"""Regiments that would be mistaken for each other, and marks seen many at once, held against working them out one by one."""

import random
from itertools import combinations
from unittest import TestCase
from unittest.mock import patch

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.acuity import seen_difference, seen_on
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.uniforms import distinction
from mantello_core.uniforms.distinction import mistaken
from mantello_core.uniforms.dye import target
from mantello_core.uniforms.garments import garments
from mantello_core.uniforms.visible import READS, model_width, sighted, sights
from mantello_core.uniforms.worn import DISTINCTIVE, worn
from tests.core.uniforms.samples import almanac

WORDS = (
    "red",
    "scarlet",
    "white",
    "yellow",
    "blue, piped red",
    "blue, piped white",
    "red, edged white",
    "none",
    "as the facing",
)
MARKS = ("coat", "facing", "turnback", "plume", "lace", "buttons")
LABS = st.builds(Lab, st.floats(5, 95), st.floats(-60, 60), st.floats(-60, 60))


def told(seed: int, regiments: int = 7):
    """An almanac of regiments of two arms, of which some marks are told."""
    draw = random.Random(seed)
    return almanac(
        "".join(
            f'{"FG"[number % 2]},{number},T{number},,,{garment},"{draw.choice(WORDS)}",,,order,documented\n'
            for number in range(1, regiments + 1)
            for garment in MARKS
            if draw.random() < 0.8
        )
    )


def kept_of(book, one, other, garment: str, height: float, metres: float) -> float | None:
    """What is left of one mark's difference, by the definition; None where one of the two does not tell of it."""
    both = [worn(book, who, garment, 212).value for who in (one, other)]
    if not all(phrase and phrase.kind in ("colour", "none") for phrase in both):
        return None
    width = model_width(garment, height)
    if (both[0].kind == "none") != (both[1].kind == "none"):
        return 30.0 if width > 1 else READS

    def cloth(word, *, metal=False):
        return target(word, metal=metal).lab if word and not word.refers_to else None

    def apart(marks, grounds, wide):
        seen = [seen_on(mark, ground, wide, metres) for mark, ground in zip(marks, grounds, strict=True) if mark]
        return difference(*seen) if len(seen) == 2 else 0.0

    coats = [worn(book, who, "coat", 212).value for who in (one, other)]
    coats = [(cloth(coat.ground) if coat else None) or Lab(45.0, 2.0, 4.0) for coat in coats]
    own = [cloth(phrase.ground, metal=garments()[garment].metal) for phrase in both]
    most = apart(own, coats, width)
    seconds = [[(part.relation, part.colour) for part in phrase.parts if part.relation != "ground"] for phrase in both]
    if seconds[0] != seconds[1]:
        joined = [cloth(some[0][1]) if some else lab for some, lab in zip(seconds, own, strict=True)]
        under = [lab or coat for lab, coat in zip(own, coats, strict=True)]
        most = max(most, apart(joined, under, width / 3))
    return most


class Pairs(TestCase):
    def test_all_pairs_at_once_are_as_each_by_itself(self):
        found = 0
        for seed in range(6):
            book = told(seed)
            for height, metres in ((28.0, 1.2), (8.0, 1.2), (54.0, 0.3)):
                pairs = {(one.first, one.second): one for one in mistaken(book, 212, height, metres)}
                for one, other in combinations(book.regiments, 2):
                    if one.arm != other.arm:
                        self.assertNotIn((one, other), pairs)
                        continue
                    kept = {name: kept_of(book, one, other, name, height, metres) for name in DISTINCTIVE}
                    kept = {name: left for name, left in kept.items() if left is not None}
                    best = max(kept, key=kept.__getitem__, default="")
                    pair = pairs.get((one, other))
                    if best and kept[best] >= READS:
                        self.assertIsNone(pair)
                        continue
                    self.assertEqual(pair.best, best)
                    self.assertAlmostEqual(pair.left, kept.get(best, 0.0), places=9)
                    found += 1
        self.assertGreater(found, 10)

    def test_the_worst_come_first(self):
        left = [one.left for one in mistaken(told(1, 12), 212, 8.0, 1.2)]
        self.assertEqual(left, sorted(left))

    def test_of_very_many_regiments_the_first_are_compared(self):
        book = almanac("".join(f"F,{n},T{n},,,facing,red,,,order,documented\n" for n in range(1, 7)))
        self.assertEqual(len(mistaken(book, 212)), 15)
        with patch.object(distinction, "MOST_COMPARED", 4):
            pairs = mistaken(book, 212)
        self.assertEqual({one.second.number for one in pairs}, {2, 3, 4})
        self.assertEqual(len(pairs), 6)

    def test_nobody_is_mistaken_where_nobody_is_told_of(self):
        self.assertEqual(mistaken(almanac(""), 212), ())


class Marks(TestCase):
    @settings(max_examples=40, deadline=None)
    @given(st.lists(st.tuples(st.sampled_from(("cuff", "piping", "plume")), LABS, LABS), max_size=5), st.floats(5, 60))
    def test_many_at_once_are_seen_as_each_by_itself(self, marks, height):
        together = sights(marks, height, 1.2)
        self.assertEqual(set(together), set(marks))
        for mark, one in together.items():
            alone = sighted(*mark, height, 1.2)
            self.assertAlmostEqual(one.left, alone.left, places=9)
            self.assertEqual(
                (one.verdict, one.advice, one.wider is None), (alone.verdict, alone.advice, alone.wider is None)
            )

    def test_a_mark_widened_as_it_says_just_reads(self):
        red, brown = Lab(45, 45, 30), Lab(30, 12, 14)
        sight = sighted("cuff", red, brown, 6, 1.2)
        self.assertEqual(sight.verdict, "tints")
        wide = sight.mm * sight.wider
        self.assertAlmostEqual(seen_difference(red, brown, wide, 1.2), READS, places=3)
        self.assertLess(seen_difference(red, brown, wide * 0.98, 1.2), READS)
