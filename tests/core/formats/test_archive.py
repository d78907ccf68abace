"""Archives: what is written reads back, and nothing else is taken for one."""

import io
import json
import zipfile
from datetime import UTC, datetime
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import MantelloError, Unreadable
from mantello_core.formats.archive import read_archive, write_archive
from mantello_core.formats.archive_difference import archive_difference
from mantello_core.formats.document.design import design_bytes
from tests.samples import rule, small_design

NOW = datetime(2026, 11, 26, 8, 30, tzinfo=UTC)
NAMES = st.from_regex(r"[a-z0-9][a-z0-9._-]{0,10}(/[a-z0-9][a-z0-9._-]{0,10}){0,2}", fullmatch=True)


class Archives(TestCase):
    @given(st.dictionaries(NAMES.filter(lambda name: name != "manifest.json"), st.binary(max_size=200), max_size=6))
    def test_what_is_written_reads_back(self, files):
        data = write_archive("Levy", files, NOW)
        found = read_archive(data)
        self.assertEqual((found.name, dict(found.files)), ("Levy", files))
        self.assertEqual(write_archive("Levy", files, NOW), data)

    @given(st.binary(max_size=400))
    def test_other_bytes_are_refused(self, data):
        with self.assertRaises(MantelloError):
            read_archive(data)

    @given(st.integers(0, 10_000), st.integers(1, 255))
    def test_a_flipped_byte_is_found_or_changes_nothing(self, at, mask):
        data = bytearray(write_archive("Levy", {"a.json": b"{}" * 50, "b.txt": b"hello"}, NOW))
        data[at % len(data)] ^= mask
        try:
            found = read_archive(bytes(data))
        except MantelloError:
            return
        self.assertEqual(dict(found.files), {"a.json": b"{}" * 50, "b.txt": b"hello"})

    def packed(self, **members):
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w") as made:
            for name, text in members.items():
                made.writestr(name.replace("__", "."), text)
        return out.getvalue()

    def test_manifest_and_members_must_agree(self):
        manifest = {"format": "mantello-archive", "version": 1, "name": "x", "made_at": "2026-11-26", "files": []}
        for data, said in (
            (self.packed(a="1"), "no manifest"),
            (self.packed(manifest__json="{"), "not JSON"),
            (self.packed(manifest__json="{}"), "The file lacks"),
            (self.packed(manifest__json=json.dumps(manifest), stray="1"), "'stray'"),
            (
                self.packed(
                    manifest__json=json.dumps(manifest | {"files": [{"name": "a", "bytes": 1, "sha256": "0" * 64}]})
                ),
                "'a'",
            ),
            (
                self.packed(
                    manifest__json=json.dumps(manifest | {"files": [{"name": "a", "bytes": 1, "sha256": "0" * 64}]}),
                    a="1",
                ),
                "damaged",
            ),
        ):
            with self.assertRaises(Unreadable) as caught:
                read_archive(data)
            self.assertIn(said, str(caught.exception))

    def test_a_missing_member_is_told(self):
        found = read_archive(write_archive("x", {"a.json": b"["}, NOW))
        for name in ("b.json", "a.json"):
            with self.assertRaises(Unreadable):
                found.document(name)
        self.assertEqual(found.log["entries"], [])

    def test_differences_are_told_by_what_came_went_and_changed(self):
        designs = small_design(rule("a", "army", "", "field")), small_design(rule("b", "army", "torso", "metal"))
        one, two = (read_archive(write_archive("x", {"design.json": design_bytes(each)}, NOW)) for each in designs)
        said = archive_difference(one, two)
        self.assertEqual([where for where, _ in said], ["Rules", "Rules"])
        self.assertTrue(said[0][1].startswith("gone: ") and said[1][1].startswith("new: "))
        self.assertEqual(archive_difference(one, one), ())
