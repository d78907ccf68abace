"""Selects written in one go are those that Django's templates write."""

import re

from django import forms
from django.forms.renderers import DjangoTemplates
from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from mantello.shell.rendering import FieldRenderer

WORDS = st.text(st.characters(codec="utf-8", exclude_categories=("Cs", "Cc", "Zs", "Zl", "Zp")), max_size=8)
OPTIONS = st.lists(st.tuples(WORDS, WORDS), max_size=5)
CHOICES = st.lists(st.one_of(st.tuples(WORDS, WORDS), st.tuples(WORDS.filter(bool), OPTIONS)), max_size=5)


def written(widget: forms.Select, value, renderer) -> str:
    """The HTML without the space between tags, which shows nothing in a select."""
    return re.sub(r"\s*(<|>)\s*", r"\1", widget.render("pot", value, {"id": "id_pot"}, renderer))


class RenderingTests(SimpleTestCase):
    @given(CHOICES, WORDS, st.booleans(), st.sampled_from((forms.Select, forms.SelectMultiple)))
    def test_a_select_is_as_its_templates_have_it(self, choices, value, required, kind):
        widget = kind({"required": required, "title": 'A "pot" & <more>'}, choices)
        given_ = [value] if kind is forms.SelectMultiple else value
        self.assertEqual(written(widget, given_, FieldRenderer()), written(widget, given_, DjangoTemplates()))

    def test_other_fields_are_left_to_their_templates(self):
        widget = forms.TextInput({"size": 4})
        self.assertEqual(
            widget.render("a", "<b>", renderer=FieldRenderer()), widget.render("a", "<b>", renderer=DjangoTemplates())
        )
