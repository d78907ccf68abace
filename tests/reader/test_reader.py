"""The simulated colour reader: its protocol, noise and faults; and the painter's side of it."""

import json
import socket
import threading
from contextlib import contextmanager

from django.test import SimpleTestCase, override_settings

from mantello.shelf.reader import ReaderError, identify, read
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.paints.estimate import CardReading, estimated
from mantello_core.paints.paint import Film, mixed
from mantello_core.paints.range import paint
from mantello_reader.instrument import FAULTS, HELD, NOISE, Fault, Instrument, samples, true_colour
from mantello_reader.service import MOST_BYTES, ReaderService, answered


@contextmanager
def serving(instrument: Instrument):
    """The service on a free port, set as the reader."""
    with ReaderService(("127.0.0.1", 0), instrument) as service:
        thread = threading.Thread(target=service.serve_forever, kwargs={"poll_interval": 0.02}, daemon=True)
        thread.start()
        try:
            with override_settings(MANTELLO_READER=f"127.0.0.1:{service.server_address[1]}"):
                yield service.server_address
        finally:
            service.shutdown()
            thread.join()


class InstrumentTests(SimpleTestCase):
    def test_the_same_seed_reads_the_same_and_the_mean_is_true(self):
        first, second = (Instrument(3, faults=False) for _ in range(2))
        sample = "market-rose"
        self.assertEqual(
            [first.read(sample, "opaque") for _ in range(5)], [second.read(sample, "opaque") for _ in range(5)]
        )
        true = true_colour(samples()[sample].film, "opaque")
        many = [first.read(sample, "opaque") for _ in range(400)]
        for axis in range(3):
            self.assertAlmostEqual(sum(one[axis] for one in many) / 400, true[axis], delta=4 * NOISE / 20)

    def test_faults_come_about_as_often_as_told(self):
        instrument, failed = Instrument(7), 0
        for _ in range(1000):
            try:
                instrument.read("market-rose", "opaque")
            except Fault as fault:
                self.assertIn(fault.code, FAULTS)
                failed += 1
        self.assertTrue(40 < failed < 140, failed)

    def test_what_lies_over_black_is_darker_than_over_white(self):
        for sample in samples().values():
            black, white = (true_colour(sample.film, held) for held in ("black", "white"))
            self.assertLess(black.lightness, white.lightness, sample.name)
        self.assertEqual(set(HELD), {"opaque", "black", "white", "tint"})

    def test_a_paint_read_with_noise_mixes_nearly_as_it_should(self):
        instrument = Instrument(5, faults=False)
        for id_, sample in samples().items():
            if id_ == "sample-ink":
                continue
            readings = [CardReading(held, instrument.read(id_, held)) for held in ("opaque", "tint")]
            film = Film(*estimated(readings, paint("gull-white").film, sample.film.solids), sample.film.solids)
            told, true = (mixed([(one, 1), (paint("gull-white").film, 2)]).masstone for one in (film, sample.film))
            self.assertLess(difference(told, true), 3, id_)


class Protocol(SimpleTestCase):
    def test_a_painted_figure_reads_as_a_hand_painted_it_again_and_again(self):
        instrument = Instrument(1, noise=0.0, faults=False)
        expected = Lab(40.0, 10.0, -5.0)
        first, again, other = (instrument.read_figure(name, expected) for name in ("one", "one", "other"))
        self.assertEqual(first, again)
        self.assertNotEqual(first, other)
        mean = [
            sum(axis) / 400
            for axis in zip(*(instrument.read_figure(str(n), expected) for n in range(400)), strict=True)
        ]
        for value, true in zip(mean, expected, strict=True):
            self.assertAlmostEqual(value, true, delta=0.25)
        for nonsense in ("grey", [1, 2], [1, 2, "x"], [200, 0, 0], None):
            asked = json.dumps({"do": "read", "held": "figure", "sample": "x", "expected": nonsense}).encode()
            self.assertEqual(answered(asked, instrument)["fault"], "request", nonsense)

    def test_every_request_has_an_answer(self):
        quiet = Instrument(1, 0.0, False)
        for line, ok, fault in (
            (b'{"do": "identify"}', True, None),
            (b'{"do": "read", "held": "opaque", "sample": "market-rose"}', True, None),
            (b'{"do": "read", "held": "sideways", "sample": "market-rose"}', False, "sample"),
            (b'{"do": "read", "held": "opaque", "sample": "nothing"}', False, "sample"),
            (b'{"do": "sing"}', False, "request"),
            (b"[]", False, "request"),
            (b"\xff\xfe", False, "request"),
            (b"[" * 1900, False, "request"),
            (b'{"do": "' + b"x" * MOST_BYTES, False, "request"),
        ):
            said = answered(line, quiet)
            self.assertEqual((said["ok"], said.get("fault")), (ok, fault), line[:40])

    def test_one_conversation_may_ask_several_times(self):
        with serving(Instrument(1, 0.0, False)) as address, socket.create_connection(address, 3) as line:
            file = line.makefile("rwb")
            for _ in range(3):
                file.write(b'{"do": "identify"}\n')
                file.flush()
                self.assertEqual(json.loads(file.readline())["protocol"], "mantello-reader")


class Asking(SimpleTestCase):
    def test_it_says_who_it_is_and_reads(self):
        with serving(Instrument(1, 0.0, False)):
            said = identify()
            self.assertTrue(said.simulated)
            self.assertIn("market-rose", dict(said.samples))
            true = true_colour(samples()["market-rose"].film, "tint")
            self.assertLess(difference(read("tint", "market-rose"), true), 0.02)

    def test_its_faults_are_told_in_its_words(self):
        with serving(Instrument(1)) as _, self.assertRaises(ReaderError) as told:
            for _ in range(200):
                read("opaque", "market-rose")
        self.assertIn(str(told.exception), {said for _, said in FAULTS.values()})

    def test_none_or_a_silent_one_is_told(self):
        for address in ("", "127.0.0.1:1", "nonsense"):
            with override_settings(MANTELLO_READER=address):
                self.assertIsNone(identify())
                with self.assertRaises(ReaderError):
                    read("opaque")

    def test_nonsense_from_the_other_side_is_no_colour(self):
        for answer in (
            b"[]\n",
            b'{"ok": true}\n',
            b'{"ok": true, "lab": [1, 2]}\n',
            b'{"ok": true, "lab": [1, 2, NaN]}\n',
            b'{"ok": true, "lab": [500, 0, 0]}\n',
            b"\n",
            b"what\n",
        ):
            with (
                _answering(answer) as address,
                override_settings(MANTELLO_READER=address),
                self.assertRaises(ReaderError),
            ):
                read("opaque")


@contextmanager
def _answering(answer: bytes):
    """Something that listens and says always the same."""
    with socket.create_server(("127.0.0.1", 0)) as server:

        def once():
            connection, _ = server.accept()
            with connection:
                connection.recv(2000)
                connection.sendall(answer)

        thread = threading.Thread(target=once, daemon=True)
        thread.start()
        yield f"127.0.0.1:{server.getsockname()[1]}"
        thread.join(3)
