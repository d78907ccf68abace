"""Forms of the Scheme room."""

import re

from django import forms

from mantello.shelf.choices import PaintField, paint_choices
from mantello.shell.fields import CoreField
from mantello_core.army.figure_filter import Filter
from mantello_core.naming import named
from mantello_core.numerals import whole_number
from mantello_core.paints.catalogue import Catalogue
from mantello_core.scheme.rule import Rule
from mantello_core.uniforms.phrase import colour_of

from .ink_swatch import PATTERN, role_or_pattern


class RoleForm(forms.Form):
    """A new colour role."""

    name = CoreField(
        named, label="Name of the role", max_length=80, widget=forms.TextInput(attrs={"placeholder": "Such as: Facing"})
    )
    paint = PaintField(required=False, label="First paint")
    word = CoreField(
        colour_of, required=False, label="Or a word of the trade", max_length=80,
        help_text="As old lists have it, in any of their languages: its mixes are shown next.",
        widget=forms.TextInput(attrs={"placeholder": "Such as: aurora, hechtgrau"}),
    )  # fmt: skip

    def __init__(self, catalogue: Catalogue, data=None):
        super().__init__(data)
        self.catalogue = catalogue
        self.fields["paint"].choices = (("", "Decide later"), *paint_choices(catalogue.own))

    def clean(self):
        """A paint or a word, not both."""
        given = super().clean()
        if given.get("paint") and given.get("word"):
            self.add_error("word", "A first paint is chosen too; choose one of them, or leave the word empty.")
        return given


class TableForm(forms.Form):
    """A new distinction table."""

    name = CoreField(named, label="Name of the table", max_length=80)
    key = forms.CharField(label="One row for each", max_length=40)


class ColumnForm(forms.Form):
    """A column of a distinction table: a mark, and the areas that carry it."""

    name = CoreField(named, label="Mark", max_length=80)
    select = forms.CharField(
        label="Areas that carry it",
        max_length=600,
        help_text="Names with commas between, such as: torso.coat.lapel, arm.*.cuff. * stands for left and right, @metal for a material.",
    )

    def clean_select(self):
        """The selectors."""
        return tuple(one.strip() for one in self.cleaned_data["select"].split(",") if one.strip())


class PastedForm(forms.Form):
    """A plain list for a table."""

    text = forms.CharField(
        label="A list, in any layout", widget=forms.Textarea(attrs={"rows": 6, "spellcheck": "false", "class": "mono"}), max_length=12_000,
        strip=False, help_text="One line for each row, with a header: Company, Facing, Plume. Colours are named by role or by word.",
    )  # fmt: skip


class RuleForm(forms.Form):
    """A written rule: who, where, what, and how firmly."""

    scope = forms.CharField(label="In", max_length=80)
    type = forms.CharField(required=False, label="Figure type", max_length=80)
    rank = forms.CharField(required=False, label="Rank", max_length=80)
    tag = forms.CharField(required=False, label="Tag", max_length=40)
    which = forms.CharField(
        required=False,
        label="Figures",
        max_length=120,
        help_text="Empty for all; 1, 4, 7 for single ones; 'every 3' or 'every 3 from 2' for a pattern.",
    )
    select = forms.CharField(
        required=False,
        label="Areas",
        max_length=900,
        help_text="Names with commas between; arm.*.cuff, =head.hat.band (that one only), @metal. Empty for everything.",
    )
    role = forms.CharField(required=False, label="Wear", max_length=80)
    binding = forms.BooleanField(required=False, label="Binding: no rule below may change it")

    @classmethod
    def showing(cls, rule: Rule, **options) -> "RuleForm":
        """The form filled with a rule."""
        given = rule.filter
        which = ", ".join(map(str, given.ordinals))
        if given.every:
            which = f"every {given.every}" + (f" from {given.first}" if given.first != 1 else "")
        initial = {
            "scope": rule.scope, "type": given.type, "rank": given.rank, "tag": given.tag, "which": which,
            "select": ", ".join(rule.select), "role": f"{PATTERN}{rule.pattern}" if rule.pattern else rule.role, "binding": rule.binding,
        }  # fmt: skip
        return cls(initial=initial, **options)

    def clean_which(self):
        """(ordinals, every, first)."""
        text = self.cleaned_data["which"].strip().lower()
        if not text:
            return (), 0, 1
        pattern = re.fullmatch(r"every (\d{1,4})(?: from (?:no\.? ?)?(\d{1,4}))?", text)
        if pattern:
            return (), int(pattern[1]), int(pattern[2] or 1)
        numbers = [whole_number(one, 10**4) for one in text.split(",") if one.strip()]
        if None in numbers:
            raise forms.ValidationError(
                f"'{text[:40]}' is not understood; write 1, 4, 7 or 'every 3 from 2', or nothing."
            )
        return tuple(numbers), 0, 1

    def rule(self, id_: str, *, on: bool) -> Rule:
        """The rule the form tells."""
        given = self.cleaned_data
        ordinals, every, first = given["which"]
        select = tuple(one.strip() for one in given["select"].split(",") if one.strip()) or ("",)
        filter_ = Filter(given["type"], given["rank"], given["tag"].strip().lower(), ordinals, every, first)
        role, pattern = role_or_pattern(given["role"])
        return Rule(id_, given["scope"], select, role, filter_, given["binding"], on, pattern=pattern)


class TonedForm(forms.Form):
    """A role made from another: 'as Field, but darker'."""

    like = forms.CharField(label="As", max_length=80)
    name = CoreField(named, label="Called", max_length=80)
    paint = PaintField(label="With")
    parts = forms.FloatField(label="Parts in every mix", min_value=0.1, max_value=12, initial=1)

    def __init__(self, catalogue: Catalogue, data=None):
        super().__init__(data, auto_id="tone_%s")
        self.catalogue = catalogue
        self.fields["paint"].choices = paint_choices(catalogue.own)
