"""Selects and inputs written in one go are those that Django's templates write."""

import re

from django import forms
from django.forms.renderers import DjangoTemplates
from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from mantello.shelf.choices import PaintField, PaintSelect
from mantello.shell.rendering import FieldRenderer

WORDS = st.text(st.characters(codec="utf-8", exclude_categories=("Cs", "Cc", "Zs", "Zl", "Zp")), max_size=8)
OPTIONS = st.lists(st.tuples(WORDS, WORDS), max_size=5)
CHOICES = st.lists(st.one_of(st.tuples(WORDS, WORDS), st.tuples(WORDS.filter(bool), OPTIONS)), max_size=5)


def written(widget: forms.Select, value, renderer) -> str:
    """The HTML without the space between tags, which shows nothing in a select."""
    return re.sub(r"\s*(<|>)\s*", r"\1", widget.render("pot", value, {"id": "id_pot"}, renderer))


def fixed(choices: list) -> tuple:
    """Choices as they are given to a field of paints: nothing in them can be changed."""
    return tuple((one, words if isinstance(words, str) else tuple(words)) for one, words in choices)


class RenderingTests(SimpleTestCase):
    @given(CHOICES, WORDS, st.booleans(), st.sampled_from((forms.Select, forms.SelectMultiple)))
    def test_a_select_is_as_its_templates_have_it(self, choices, value, required, kind):
        widget = kind({"required": required, "title": 'A "pot" & <more>'}, choices)
        given_ = [value] if kind is forms.SelectMultiple else value
        self.assertEqual(written(widget, given_, FieldRenderer()), written(widget, given_, DjangoTemplates()))

    @given(CHOICES, st.one_of(st.none(), WORDS), st.booleans())
    def test_a_list_of_paints_is_as_any_select(self, choices, value, required):
        given_ = fixed(choices)
        attributes = {"required": required, "title": 'A "pot" & <more>'}
        usual = forms.Select({"data-behaviour": "paint-picker"} | attributes, choices)
        self.assertEqual(written(PaintSelect(attributes, given_), value, None), written(usual, value, FieldRenderer()))

    @given(CHOICES, WORDS)
    def test_a_field_of_paints_takes_what_any_choice_takes(self, choices, value):
        given_ = fixed(choices)

        class Form(forms.Form):
            pot = PaintField(choices=given_, required=False)
            usual = forms.ChoiceField(choices=choices, required=False)

        one, other = Form({"pot": value, "usual": value}), Form()
        self.assertEqual("pot" in one.errors, "usual" in one.errors)
        other.fields["pot"].choices = (("only", "Only"),)
        self.assertEqual(one.fields["pot"].choices, given_, "each form has its own")

    @given(
        st.sampled_from(
            (
                forms.TextInput,
                forms.NumberInput,
                forms.EmailInput,
                forms.HiddenInput,
                forms.SearchInput,
                forms.DateInput,
            )
        ),
        st.one_of(st.none(), WORDS, st.integers(), st.floats(allow_nan=False)),
        st.dictionaries(st.sampled_from(("id", "size", "required", "placeholder")), st.one_of(WORDS, st.booleans())),
    )
    def test_a_plain_input_is_as_its_templates_have_it(self, kind, value, attributes):
        ours, theirs = (
            kind(attributes).render("a pot", value, renderer=one()).strip() for one in (FieldRenderer, DjangoTemplates)
        )
        self.assertEqual(ours, theirs)

    def test_other_fields_are_left_to_their_templates(self):
        for widget in (forms.Textarea({"rows": 4}), forms.CheckboxInput(), forms.ClearableFileInput()):
            ours, theirs = (widget.render("a", "<b>", renderer=one()) for one in (FieldRenderer, DjangoTemplates))
            self.assertEqual(ours, theirs)
