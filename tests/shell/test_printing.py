"""Pages printed: in the application's own type, which is unpacked once."""

import subprocess
from unittest import TestCase

from mantello.shell import printing
from mantello.shell.printing import pdf_bytes


class PrintingTests(TestCase):
    def test_it_is_set_in_our_own_type_also_the_second_time(self):
        for _ in range(2):
            pdf = pdf_bytes("<html lang='en'><body><h1>Plates</h1><p>Blacking</p></body></html>")
            asked = ["pdffonts", "-"]
            told = subprocess.run(asked, input=pdf, capture_output=True, check=True).stdout.decode()
            self.assertIn("Alegreya-Sans", told.replace("AlegreyaSans", "Alegreya-Sans"))
            self.assertNotIn("DejaVu", told)
        counts = printing._unpacked.memory.counts
        self.assertGreater(counts.hits, 0)
        self.assertLessEqual(counts.misses, len(list(printing._STATIC.rglob("*.woff2"))))

    def test_nothing_is_fetched_from_elsewhere(self):
        for url in ("https://example.test/a.woff2", "file:///etc/passwd"):
            with self.assertRaises(ValueError):
                printing._own_files(url)
