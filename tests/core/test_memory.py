"""The one cache: bounded, locked, counted, and never a place where one changes another's answer."""

import re
import threading
from pathlib import Path
from unittest import TestCase

import numpy as np

from mantello_core.checks.inspect import inspect
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.formats.sample import levy
from mantello_core.memory import Memory, memories, remembered, size_of
from mantello_core.scheme.cascade import resolve

SOURCES = Path(__file__).resolve().parents[2] / "src"


def levy_checked():
    """The demo's checks, which ask most of what is kept."""
    design = levy()
    inspect(design, resolve(design.army, design.scheme))


class MemoryTests(TestCase):
    def test_the_same_question_is_worked_out_once(self):
        asked = []

        @remembered(10)
        def doubled(number):
            asked.append(number)
            return number * 2

        self.assertEqual([doubled(2), doubled(2), doubled(3)], [4, 4, 6])
        self.assertEqual(asked, [2, 3])
        counts = doubled.memory.counts
        self.assertEqual((counts.hits, counts.misses, counts.entries, counts.dropped), (1, 2, 2, 0))

    def test_arguments_by_name_are_another_question(self):
        @remembered(10)
        def power(base, exponent=2):
            return base**exponent

        self.assertEqual([power(3), power(3, exponent=3), power(3, exponent=2)], [9, 27, 9])

    def test_it_never_holds_more_than_its_bytes_and_drops_the_longest_unasked(self):
        memory = Memory("test", 12_000)
        for number in range(10):
            memory.answer(number, lambda: "x" * 3_000)
            memory.answer(0, lambda: "worked out again")
        counts = memory.counts
        self.assertLessEqual(counts.held, 12_000)
        self.assertEqual((counts.entries, counts.dropped), (3, 7))
        self.assertEqual(memory.answer(0, lambda: "worked out again"), "x" * 3_000, "what is asked for stays")
        self.assertEqual(memory.answer(1, lambda: "worked out again"), "worked out again")

    def test_what_is_larger_than_the_store_is_given_and_not_kept(self):
        memory = Memory("test", 1_000)
        self.assertEqual(len(memory.answer("key", lambda: "x" * 5_000)), 5_000)
        self.assertEqual((memory.counts.entries, memory.counts.held), (0, 0))

    def test_an_answer_that_could_be_changed_is_refused(self):
        memory = Memory("test", 10_000)
        for made in ([1], {1}, {1: 2}, bytearray(b"1")):
            with self.assertRaisesRegex(TypeError, f"test answers with a {type(made).__name__}"):
                memory.answer("key", lambda made=made: made)

    def test_answers_whose_bytes_are_known_are_counted_by_them_and_bounded(self):
        @remembered(10, each=1_600)
        def named(number):
            return str(number)

        for number in range(20):
            named(number)
        counts = named.memory.counts
        self.assertEqual((counts.entries, counts.held), (5, 10_000))
        with self.assertRaises(TypeError):
            remembered(10, each=8)(list)()

    def test_sizes_that_are_said_are_no_less_than_those_of_the_answers(self):
        levy_checked()
        for memory in memories():
            if memory.name.partition(".")[0] == "mantello_core" and memory.counts.entries:
                said = memory.counts.held / memory.counts.entries - 400
                found = [size_of(one) for one in memory.answers()]
                self.assertLess(sum(found) / len(found), 2.5 * said + 100, memory.name)

    def test_a_kept_array_cannot_be_written_to(self):
        memory = Memory("test", 10_000)
        kept = memory.answer("key", lambda: np.zeros(3))
        with self.assertRaises(ValueError):
            kept[0] = 1

    def test_threads_that_ask_at_once_are_given_the_same_object(self):
        memory, start, given = Memory("test", 100_000), threading.Barrier(8), []

        def ask():
            start.wait()
            given.append(memory.answer("key", lambda: (object(),)))

        threads = [threading.Thread(target=ask) for _ in range(8)]
        for one in threads:
            one.start()
        for one in threads:
            one.join()
        self.assertEqual(len({id(one) for one in given}), 1)
        self.assertEqual(memory.counts.hits + memory.counts.misses, 8)

    def test_what_is_renewed_takes_the_place_of_what_was_kept(self):
        memory = Memory("test", 10_000)
        self.assertEqual([memory.put("key", 1, 100), memory.put("key", 2, 100)], [1, 1])
        self.assertEqual((memory.renew("key", 3, 500), memory.get("key")), (3, 3))
        self.assertEqual((memory.counts.entries, memory.counts.held), (1, 900))

    def test_threads_that_ask_while_others_keep_and_drop_are_given_what_belongs_to_their_question(self):
        memory, start, wrong = Memory("test", 8_000), threading.Barrier(6), []

        def ask(seed):
            start.wait()
            for at in range(3_000):
                key = (at * seed) % 97
                if memory.answer(key, lambda key=key: (key, "x" * 200))[0] != key:
                    wrong.append(key)

        threads = [threading.Thread(target=ask, args=(seed,)) for seed in (1, 3, 5, 7, 11, 13)]
        for one in threads:
            one.start()
        for one in threads:
            one.join()
        counts = memory.counts
        self.assertEqual(wrong, [])
        self.assertEqual(counts.hits + counts.misses, 18_000)
        self.assertLessEqual(counts.held, 8_000)
        self.assertGreater(counts.dropped, 0)

    def test_emptied_it_forgets_its_counts_too(self):
        memory = Memory("test", 10_000)
        memory.answer("key", lambda: 1)
        memory.empty()
        counts = memory.counts
        self.assertEqual((counts.hits, counts.misses, counts.entries, counts.held), (0, 0, 0, 0))

    def test_a_size_counts_parts_once_and_estimates_the_very_many(self):
        text = "x" * 1_000
        self.assertLess(size_of((text, text)), 2 * size_of(text))
        self.assertGreater(size_of(("y" * 1_000, text)), 2_000)
        self.assertGreaterEqual(size_of(np.zeros(1_000)), 8_000)
        many = tuple(f"{number:050d}" for number in range(10_000))
        self.assertGreater(size_of(many), 10_000 * 50)

    def test_a_store_of_its_own_is_listed_too(self):
        memory = Memory("of this test", 2048)
        self.assertIn(memory, memories())

    def test_every_store_is_listed_by_the_function_it_serves(self):
        difference(Lab(50, 1, 1), Lab(40, 2, 2))
        limits = {one.name: one.limit for one in memories()}
        self.assertEqual(limits["mantello_core.colour.difference.difference"], 16_000 * 1024)
        held = {one.name: one.counts for one in memories()}["mantello_core.colour.difference.difference"]
        self.assertGreater(held.entries, 0)
        self.assertLess(sum(one.limit for one in memories()), 960 * 2**20)


class NoOtherCacheTests(TestCase):
    def test_nothing_else_keeps_answers_to_questions(self):
        """``functools.cache`` stays for shipped data, read once, of which there is never more than ships."""
        shipped = {
            "plate(type_id: str)", "schema(name: str)", "_validator(name: str)", "_profile(kind: Kind)", "_face(kind: Kind)"
        }  # fmt: skip
        modules = [one for one in SOURCES.rglob("*.py") if "migrations" not in one.parts]
        self.assertGreater(len(modules), 300)
        for module in modules:
            text = module.read_text(encoding="utf-8")
            self.assertNotIn("lru_cache", text, module)
            for found in re.finditer(r"^@cache\ndef \w+\((.*?)\)", text, re.MULTILINE | re.DOTALL):
                asked = found[0].partition("def ")[2]
                self.assertTrue(found[1] == "" or asked in shipped, f"{module}: {asked}")
