"""The examples in the core's docstrings are true."""

import doctest
import importlib
import pkgutil
from unittest import TestSuite

import mantello_core


def load_tests(loader, tests: TestSuite, pattern) -> TestSuite:
    """Every module's doctests."""
    for module in pkgutil.walk_packages(mantello_core.__path__, "mantello_core."):
        if not module.name.endswith("__main__"):
            tests.addTests(doctest.DocTestSuite(importlib.import_module(module.name)))
    return tests
