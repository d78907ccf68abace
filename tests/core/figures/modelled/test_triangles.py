"""3D files are read as they are told, and what is none, lies or swells is refused in words."""

import io
import time
import zipfile
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.figures.modelled.three_mf import MOST_ENTRIES, MOST_UNPACKED, triangles_of_3mf
from mantello_core.figures.modelled.triangles import MOST_TRIANGLES, triangles

from .case import box, stl, three_mf

CORNERS = "".join(f'<vertex x="{x}" y="{y}" z="{z}"/>' for x, y, z in ((0, 0, 0), (1, 0, 0), (0, 2, 0)))
MODEL = (
    '<model unit="{unit}" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><resources><object id="1"><mesh><vertices>'
    + CORNERS
    + '</vertices><triangles><triangle v1="0" v2="1" v3="{last}"/></triangles></mesh></object></resources><build>{items}</build></model>'
)


class Read(TestCase):
    def test_a_model_of_nothing_has_no_triangle(self):
        self.assertEqual(triangles_of_3mf(three_mf("<model><resources/></model>")).shape, (0, 3, 3))

    def test_binary_and_written_stl_obj_and_3mf_say_the_same(self):
        corners = box(2, 3, 4)
        self.assertTrue(np.allclose(triangles(stl(corners), "a.STL"), corners))
        lines = ["solid x"]
        for one in corners:
            lines += [
                "facet normal 0 0 0",
                "outer loop",
                *(f"vertex {x} {y} {z}" for x, y, z in one),
                "endloop",
                "endfacet",
            ]
        self.assertTrue(np.allclose(triangles("\n".join(lines).encode(), "a.stl"), corners))
        quad = b"v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\nf 1/1/1 2/2/2 3 4\nf -4 -3 -2\n"
        found = triangles(quad, "a.obj")
        self.assertEqual(found.shape, (3, 3, 3))
        self.assertTrue((found[0] == found[2]).all())
        self.assertTrue((found[1] == [[0, 0, 0], [1, 1, 0], [0, 1, 0]]).all())

    def test_a_3mf_is_placed_and_scaled_to_mm(self):
        model = MODEL.format(unit="inch", last=2, items='<item objectid="1" transform="1 0 0 0 1 0 0 0 1 0 0 10"/>' * 2)
        found = triangles(three_mf(model), "a.3mf")
        self.assertEqual(len(found), 2)
        self.assertTrue(np.allclose(found[0], np.array([[0, 0, 10], [1, 0, 10], [0, 2, 10]]) * 25.4))
        alone = triangles(three_mf(MODEL.format(unit="millimeter", last=2, items="")), "a.3mf")
        self.assertTrue(np.allclose(alone[0, 2], (0, 2, 0)))


class Refused(TestCase):
    def refused(self, data: bytes, name: str, words: str, kind=Unreadable):
        began = time.process_time()
        with self.assertRaisesRegex(kind, words) as caught:
            triangles(data, name)
        self.assertEqual(caught.exception.where, "file")
        self.assertLess(time.process_time() - began, 1)

    def test_what_is_none_or_is_cut_short(self):
        whole = stl(box(1, 1, 1))
        self.refused(whole, "a.step", "ends with no kind that is read")
        self.refused(whole[:-7], "a.stl", "cut short")
        self.refused(b"\x89PNG....", "a.stl", "cut short")
        self.refused(b"solid x\nvertex 0 0 0\n", "a.stl", "middle of a triangle")
        self.refused(b"solid x\nendsolid", "a.stl", "no triangles")
        self.refused(stl(box(1, 1, np.nan)), "a.stl", "no numbers")
        self.refused(stl(box(1e9, 1, 1)), "a.stl", "too far out")
        self.refused(b"v 0 0\nf 1 1 1", "a.obj", "no three numbers")
        self.refused(b"v 0 0 0\nf 1 1 2", "a.obj", "not there")
        self.refused(b"v 0 0 0\nf a b c", "a.obj", "no list of numbers")
        self.refused(b"PK nothing", "a.3mf", "no archive")
        self.refused(three_mf("<model/>", "readme.txt"), "a.3mf", "no model")
        many = io.BytesIO()
        with zipfile.ZipFile(many, "w") as packed:
            for at in range(MOST_ENTRIES + 1):
                packed.writestr(f"{at}.model", "")
        self.refused(many.getvalue(), "a.3mf", f"holds {MOST_ENTRIES + 1} files; allowed are up to {MOST_ENTRIES}")
        self.refused(three_mf("<model><mesh>"), "a.3mf", "cannot be read, line 1")
        self.refused(three_mf(MODEL.format(unit="millimeter", last=3, items="")), "a.3mf", "not there")
        self.refused(three_mf('<!DOCTYPE m [<!ENTITY a "aa">]><model>&a;</model>'), "a.3mf", "document type")

    def test_what_is_too_large_or_swells(self):
        many = b"\0" * 80 + np.uint32(MOST_TRIANGLES + 1).tobytes() + b"\0" * (50 * (MOST_TRIANGLES + 1))
        self.refused(many, "a.stl", "up to 1000000 are taken", OutOfRange)
        self.refused(b"\0" * 60_000_001, "a.stl", "60 MB", OutOfRange)
        blanks = three_mf("<model>" + " " * 60_000_000 + "</model>")
        self.assertLess(len(blanks), MOST_UNPACKED / 1000)
        self.refused(blanks, "a.3mf", "80-fold", OutOfRange)

    @settings(max_examples=60, deadline=None)
    @given(data=st.binary(max_size=400), name=st.sampled_from(["a.stl", "a.obj", "a.3mf"]))
    def test_any_bytes_are_triangles_or_a_refusal(self, data, name):
        try:
            found = triangles(data, name)
        except MantelloError as error:
            self.assertTrue(error.message)
        else:
            self.assertEqual(found.shape[1:], (3, 3))
            self.assertTrue(np.isfinite(found).all())
