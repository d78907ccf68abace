"""What tests of the core share."""

import re
import unittest


class RefusalCase(unittest.TestCase):
    """A case that also tells what a refusal must say."""

    def assertRaisesMessage(self, kind: type[Exception], said: str):
        """A context in which an error of a kind is raised, in whose words ``said`` occurs."""
        return self.assertRaisesRegex(kind, re.escape(said))
