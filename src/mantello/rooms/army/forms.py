"""Forms of the Army room."""

import base64
import binascii

from django import forms

from mantello.shell.fields import CoreField
from mantello_core.army.tree import MOST_FIGURES, TIERS, Army, Node
from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.figures.height import LEAST_MM, MOST_MM
from mantello_core.formats.document.design import MOST_BYTES, read_design_bytes
from mantello_core.formats.figure_drawing import read_drawing
from mantello_core.formats.roster.reading import MOST_CHARACTERS, read_roster
from mantello_core.formats.text_file import decoded
from mantello_core.formats.vector.tree import MOST_BYTES as MOST_SVG_BYTES
from mantello_core.naming import named


class TypedForm(forms.Form):
    """A form whose ``type`` is one of an army's figure types."""

    def __init__(self, *arguments, army: Army, **options):
        super().__init__(*arguments, **options)
        self.fields["type"].choices = list(army.type_titles.items())


def count_field(**options) -> forms.IntegerField:
    """A count of figures."""
    wrong = f"Write a whole number from 1 to {MOST_FIGURES}."
    return forms.IntegerField(
        min_value=1,
        max_value=MOST_FIGURES,
        error_messages={
            "invalid": wrong,
            "min_value": wrong,
            "max_value": wrong,
            "required": f"No count is given. {wrong}",
        },
        widget=forms.NumberInput(attrs={"inputmode": "numeric"}),
        **options,
    )


class ArmyForm(forms.Form):
    """A new army."""

    name = CoreField(
        named,
        label="Name of the army",
        max_length=80,
        widget=forms.TextInput(attrs={"placeholder": "Such as: River Watch"}),
    )


class ImportForm(forms.Form):
    """A design document from a file."""

    file = forms.FileField(
        label="Design file (.json)", help_text="As exported by Mantello; see its format in the documentation."
    )

    def clean_file(self):
        """The design in the file."""
        upload = self.cleaned_data["file"]
        if upload.size > MOST_BYTES:
            raise forms.ValidationError(f"The file has {upload.size} bytes; allowed is up to {MOST_BYTES}.")
        try:
            return read_design_bytes(upload.read())
        except MantelloError as error:
            raise forms.ValidationError(error.message) from error


class TitleForm(forms.Form):
    """What a figure type is called."""

    title = CoreField(
        lambda text: named(text, "title"),
        label="Name of the figure type",
        max_length=80,
        widget=forms.TextInput(attrs={"placeholder": "Such as: Quay master", "data-keep-typed": ""}),
    )


class DrawingForm(TitleForm):
    """A painter's own SVG as a figure type. The file goes along hidden while its shapes are being named."""

    height_mm = forms.FloatField(
        label="Height of the figure, mm",
        min_value=LEAST_MM,
        max_value=MOST_MM,
        initial=32,
        help_text="From the lowest to the highest point of its first view: it sets every square millimetre.",
        error_messages={
            "min_value": f"Write {LEAST_MM:g} to {MOST_MM:g} mm.",
            "max_value": f"Write {LEAST_MM:g} to {MOST_MM:g} mm.",
            "invalid": f"Write a number of millimetres, {LEAST_MM:g} to {MOST_MM:g}.",
        },
    )
    file = forms.FileField(required=False, label="Drawing (.svg)")
    kept = forms.CharField(required=False, widget=forms.HiddenInput)

    def clean(self):
        """The drawing, under ``drawing``, and the file's bytes to go along."""
        given = super().clean()
        upload = given.get("file")
        try:
            data = upload.read(MOST_SVG_BYTES + 1) if upload else base64.b64decode(given.get("kept", ""), validate=True)
        except (binascii.Error, ValueError):
            data = b""
        if not data:
            self.add_error("file", "No file came; choose an SVG file.")
            return given
        try:
            given["drawing"] = read_drawing(data)
            given["kept"] = base64.b64encode(data).decode()
        except MantelloError as error:
            self.add_error("file", error.message)
        return given


class RosterForm(forms.Form):
    """A roster, pasted or from a file."""

    text = forms.CharField(
        required=False,
        label="Paste the roster",
        max_length=MOST_CHARACTERS,
        strip=False,
        widget=forms.Textarea(attrs={"rows": 12, "spellcheck": "false", "class": "mono"}),
        help_text="One line for each rank of a unit: unit, type, rank, figures, formation. Commas, semicolons or tabs; a header line is optional.",
    )
    file = forms.FileField(required=False, label="Or choose a file (CSV, JSON or text)")

    def __init__(self, *arguments, army: Army, **options):
        super().__init__(*arguments, **options)
        self.army = army

    def clean(self):
        """The roster as it was read, under ``roster``, and its text under ``source``."""
        given = super().clean()
        upload, text, field = given.get("file"), given.get("text", ""), "text"
        if upload:
            field = "file"
            try:
                text = decoded(upload.read(MOST_CHARACTERS * 4))
            except Unreadable as error:
                self.add_error("file", error.message)
                return given
        if not self.errors:
            try:
                given["roster"] = read_roster(text, self.army.type_titles)
                given["source"] = text
            except (Unreadable, OutOfRange) as error:
                self.add_error(field, error.message)
        return given


class UnitForm(TypedForm):
    """One rank of a unit, typed in."""

    unit = CoreField(lambda text: named(text, "unit"), label="Unit", max_length=80)
    type = forms.ChoiceField(label="Figure type")
    rank = CoreField(lambda text: named(text, "rank"), label="Rank", max_length=80, initial="Figure")
    figures = count_field(label="Figures", initial=5)
    formation = forms.CharField(
        required=False,
        label="Formation",
        max_length=300,
        help_text="From the outermost in, such as: 2nd Regiment / 1st Company. Empty for straight under the army.",
    )
    tier = forms.ChoiceField(choices=list(TIERS.items()), label="Painted as", initial="rank")


class RankForm(TypedForm):
    """A rank of a unit, changed."""

    rank = CoreField(lambda text: named(text, "rank"), label="Rank", max_length=80)
    type = forms.ChoiceField(label="Figure type")
    figures = count_field(label="Figures")
    tier = forms.ChoiceField(choices=list(TIERS.items()), label="Painted as")


class NodeForm(forms.Form):
    """A formation or unit, renamed."""

    name = CoreField(named, label="Name", max_length=80)
    kind = forms.CharField(
        required=False, label="Kind", max_length=40, help_text="Your own word: regiment, house, troop ..."
    )
    tags = forms.CharField(
        required=False,
        label="Tags",
        max_length=400,
        help_text="Commas between them: veteran, flank ... Rules can speak of them.",
    )


class UnitsForm(forms.Form):
    """All units of a formation, changed at once; what is left open stays as it is."""

    only = forms.ChoiceField(required=False, label="Ranks")
    all_type = forms.ChoiceField(required=False, label="Figure type")
    all_tier = forms.ChoiceField(required=False, label="Painted as", choices=[("", "as it is"), *TIERS.items()])
    add_tag = forms.CharField(required=False, label="Add a tag", max_length=40)
    drop_tag = forms.ChoiceField(required=False, label="Take a tag away")

    def __init__(self, *arguments, army: Army, node: Node, **options):
        super().__init__(*arguments, **options)
        self.fields["all_type"].choices = [("", "as it is"), *army.type_titles.items()]
        units = [one for one in node.walk() if one.is_unit]
        ids = dict.fromkeys(rank.id for unit in units for rank in unit.ranks)
        tags = dict.fromkeys(tag for unit in units for tag in unit.tags)
        self.fields["only"].choices = [("", "every rank"), *((id_, army.rank_names[id_]) for id_ in ids)]
        self.fields["drop_tag"].choices = [("", "none"), *((tag, tag) for tag in tags)]
