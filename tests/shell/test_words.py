"""Words that explain themselves, and the page of all of them."""

import re
from pathlib import Path
from xml.etree import ElementTree

from django.template import Context, Template
from django.test import TestCase
from django.urls import reverse
from django.utils.html import escape

import mantello
from mantello.shell.words import PICTURES, TERMS

TEMPLATES = sorted(Path(mantello.__file__).parent.rglob("templates/**/*.html"))


class Words(TestCase):
    def test_everyone_finds_pictures_words_and_keys(self):
        page = self.client.get(reverse("words"))
        self.assertEqual(len(PICTURES), 7)
        for one in (*TERMS, *PICTURES):
            self.assertContains(page, escape(one.line))
        self.assertContains(page, "<kbd>Alt</kbd>")

    def test_every_word_is_explained_once_in_a_line_with_a_drawing(self):
        self.assertEqual(len({one.id for one in TERMS}), len(TERMS))
        for one in TERMS:
            self.assertTrue(one.line.endswith("."), one.word)
            self.assertLess(len(one.line), 200, one.word)
            self.assertGreater(len(list(ElementTree.fromstring(f"<g>{one.drawing}</g>"))), 0, one.word)

    def test_words_that_pages_mark_are_explained(self):
        known = {one.id for one in TERMS}
        used = {id_ for path in TEMPLATES for id_ in re.findall(r'{% word "([^"]+)"', path.read_text(encoding="utf-8"))}
        self.assertGreater(len(used), 6)
        self.assertFalse(used - known)

    def test_a_marked_word_leads_to_its_place(self):
        made = Template('{% word "rung" "rungs" %}').render(Context())
        self.assertIn(f'href="{reverse("words")}#rung"', made)
        self.assertIn(">rungs<template>", made)
