"""Requests take turns, and nobody is held up by one that takes its time."""

import threading
from unittest.mock import patch

from django.http import HttpResponse
from django.test import RequestFactory, SimpleTestCase

from mantello.shell import turns

ASKED = RequestFactory()


class TurnsTests(SimpleTestCase):
    def setUp(self):
        self.inside, self.most, self.count = threading.Event(), 0, 0
        self.lock, self.go = threading.Lock(), threading.Event()

    def work(self, request):
        with self.lock:
            self.count += 1
            self.most = max(self.most, self.count)
        self.inside.set()
        self.go.wait(20)
        with self.lock:
            self.count -= 1
        return HttpResponse("done")

    def ask(self, middleware, count):
        threads = [threading.Thread(target=middleware, args=(ASKED.get("/"),)) for _ in range(count)]
        for one in threads:
            one.start()
        return threads

    def test_a_few_work_at_once(self):
        with patch.object(turns, "PATIENCE", 20.0):
            middleware = turns.Turns(self.work)
            threads = self.ask(middleware, 6)
            self.assertTrue(self.inside.wait(20))
            self.go.set()
            for one in threads:
                one.join(20)
        self.assertLessEqual(self.most, turns.AT_ONCE)
        self.assertEqual(self.count, 0)

    def test_one_that_takes_its_time_holds_nobody_up(self):
        every = threading.Barrier(turns.AT_ONCE + 2, timeout=20)
        with patch.object(turns, "PATIENCE", 0.01):
            threads = self.ask(turns.Turns(lambda request: every.wait()), turns.AT_ONCE + 1)
            every.wait()  # passes once all of them work, though there are places for fewer
            for one in threads:
                one.join(20)
        self.assertFalse(every.broken)

    def test_a_place_is_given_back_whatever_comes_of_it(self):
        def broken(request):
            raise RuntimeError("broken")

        middleware = turns.Turns(broken)
        for _ in range(turns.AT_ONCE + 2):
            with self.assertRaises(RuntimeError), patch.object(turns, "PATIENCE", 0.0):
                middleware(ASKED.get("/"))
        self.assertTrue(all(middleware._places.acquire(blocking=False) for _ in range(turns.AT_ONCE)))

    def test_a_body_is_read_before_a_place_is_taken(self):
        middleware, held = turns.Turns(lambda request: HttpResponse("done")), []
        request = ASKED.post("/", {"name": "a"})

        class Slow(type(request)):
            @property
            def POST(self):
                held.append(middleware._places.acquire(blocking=False))
                middleware._places.release()
                return {}

        request.__class__ = Slow
        middleware(request)
        self.assertEqual(held, [True])
