"""The examples in the core's docstrings are true."""

import doctest
import importlib
import pkgutil
from unittest import TestCase

import mantello_core


class Examples(TestCase):
    def test_every_module_does_what_its_examples_say(self):
        tried = 0
        for module in pkgutil.walk_packages(mantello_core.__path__, "mantello_core."):
            if not module.name.endswith("__main__"):
                with self.subTest(module.name):
                    wrong, run = doctest.testmod(importlib.import_module(module.name))
                    self.assertEqual(wrong, 0)
                    tried += run
        self.assertGreater(tried, 20)
