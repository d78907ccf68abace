"""Forms of the Army room."""

from django import forms

from mantello.shell.fields import CoreField
from mantello_core.errors import OutOfRange, Unreadable
from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.formats.document import MOST_BYTES, read_design_bytes
from mantello_core.formats.roster import MOST_CHARACTERS, decoded, read_roster
from mantello_core.schemes.army import MOST_FIGURES, TIERS, Node
from mantello_core.schemes.edit import named


def type_choices() -> list[tuple[str, str]]:
    """Figure types to choose from."""
    return [(type_id, plate(type_id).title) for type_id in plate_types()]


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
        except (Unreadable, OutOfRange) as error:
            raise forms.ValidationError(error.message) from error


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

    def clean(self):
        """The roster's lines, under ``lines``."""
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
                given["lines"] = read_roster(text)
            except (Unreadable, OutOfRange) as error:
                self.add_error(field, error.message)
        return given


class UnitForm(forms.Form):
    """One rank of a unit, typed in."""

    unit = CoreField(lambda text: named(text, "unit"), label="Unit", max_length=80)
    type = forms.ChoiceField(choices=type_choices, label="Figure type")
    rank = CoreField(lambda text: named(text, "rank"), label="Rank", max_length=80, initial="Figure")
    figures = count_field(label="Figures", initial=5)
    formation = forms.CharField(
        required=False,
        label="Formation",
        max_length=300,
        help_text="From the outermost in, such as: 2nd Regiment / 1st Company. Empty for straight under the army.",
    )
    tier = forms.ChoiceField(choices=list(TIERS.items()), label="Painted as", initial="rank")


class RankForm(forms.Form):
    """A rank of a unit, changed."""

    rank = CoreField(lambda text: named(text, "rank"), label="Rank", max_length=80)
    type = forms.ChoiceField(choices=type_choices, label="Figure type")
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
    all_type = forms.ChoiceField(
        required=False, label="Figure type", choices=lambda: [("", "as it is"), *type_choices()]
    )
    all_tier = forms.ChoiceField(required=False, label="Painted as", choices=[("", "as it is"), *TIERS.items()])
    add_tag = forms.CharField(required=False, label="Add a tag", max_length=40)
    drop_tag = forms.ChoiceField(required=False, label="Take a tag away")

    def __init__(self, *arguments, node: Node, **options):
        super().__init__(*arguments, **options)
        units = [one for one in node.walk() if one.is_unit]
        ranks = dict.fromkeys(rank.name for unit in units for rank in unit.ranks)
        tags = dict.fromkeys(tag for unit in units for tag in unit.tags)
        self.fields["only"].choices = [("", "every rank"), *((name, name) for name in ranks)]
        self.fields["drop_tag"].choices = [("", "none"), *((tag, tag) for tag in tags)]
