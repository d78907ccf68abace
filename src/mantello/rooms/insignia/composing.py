"""Arms put together from choices instead of typed: the same tree, the same blazon."""

from django import forms

from mantello_core.errors import MantelloError
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.charge import CHARGES
from mantello_core.insignia.arms.tincture import TINCTURES
from mantello_core.insignia.arms.vocabulary import ARRANGEMENTS, LINES, NUMBERS, ORDINARIES
from mantello_core.insignia.arms.writing import write_blazon

TINCTURE_CHOICES = [(id_, id_.capitalize()) for id_ in TINCTURES]
#: fields as the words before and between their tinctures
FIELDS = {
    "": "Plain", "per pale": "Per pale", "per fess": "Per fess", "per bend": "Per bend", "per bend sinister": "Per bend sinister",
    "per chevron": "Per chevron", "per saltire": "Per saltire", "quarterly": "Quarterly", "gyronny of eight": "Gyronny of eight",
    "barry of six": "Barry of six", "paly of six": "Paly of six", "bendy of six": "Bendy of six", "checky": "Checky", "lozengy": "Lozengy",
}  # fmt: skip
_BORDERS = {
    "": "None",
    "chief": "A chief",
    "bordure": "A bordure",
    "label": "A label of three points",
    "canton": "A canton",
}


def _charges() -> list[tuple[str, list[tuple[str, str]]]]:
    """Charges by what they are among, for a list."""
    groups: dict[str, list[tuple[str, str]]] = {
        name: [] for name in ("Beasts", "Birds", "Heads", "Crosses", "Other things")
    }
    for id_, one in sorted(CHARGES.items()):
        groups[one.group].append((id_, one.name.capitalize()))
    return list(groups.items())


class ComposeForm(forms.Form):
    """A field, an ordinary, charges, and something over all of it."""

    field = forms.ChoiceField(choices=list(FIELDS.items()), required=False, label="Field")
    first = forms.ChoiceField(choices=TINCTURE_CHOICES, label="Tincture", initial="azure")
    second = forms.ChoiceField(choices=TINCTURE_CHOICES, required=False, label="And", initial="or")
    ordinary = forms.ChoiceField(
        choices=[("", "None"), *((one, one.capitalize()) for one in ORDINARIES if one not in ("gyron", "quarter"))],
        required=False,
        label="Ordinary",
    )
    line = forms.ChoiceField(
        choices=[("", "straight"), *((one, one) for one in LINES)], required=False, label="Its line"
    )
    ordinary_tincture = forms.ChoiceField(choices=TINCTURE_CHOICES, required=False, label="In", initial="or")
    charge = forms.ChoiceField(
        choices=[("", "None"), *_charges()],
        required=False,
        label="Charge",
    )
    attitude = forms.ChoiceField(
        choices=[("", "as usual"), *sorted({(one, one) for charge in CHARGES.values() for one in charge.attitudes})],
        required=False,
        label="Attitude",
    )
    count = forms.TypedChoiceField(
        choices=[(str(at), name if at > 1 else "one") for at, name in enumerate(NUMBERS, 1)],
        coerce=int,
        required=False,
        label="How many",
        initial="1",
        empty_value=1,
    )
    charge_tincture = forms.ChoiceField(
        choices=[*TINCTURE_CHOICES, ("counterchanged", "Counterchanged")], required=False, label="In", initial="argent"
    )
    where = forms.ChoiceField(
        choices=[
            ("", "on the field"),
            ("between", "about the ordinary"),
            ("on", "on the ordinary"),
            *((one, one) for one in ARRANGEMENTS),
        ],
        required=False,
        label="Where",
    )
    over = forms.ChoiceField(choices=list(_BORDERS.items()), required=False, label="And over it")
    over_tincture = forms.ChoiceField(choices=TINCTURE_CHOICES, required=False, label="In", initial="gules")

    def clean(self):
        """The canonical blazon, under ``blazon``."""
        given = super().clean()
        if not self.errors:
            try:
                given["blazon"] = write_blazon(read_blazon(_worded(given)))
            except MantelloError as error:
                self.add_error(None, error.message)
        return given


def _worded(given: dict) -> str:
    """The choices as a blazon."""
    field = (
        f"{given['field']} {given['first']} and {given['second'] or given['first']}"
        if given["field"]
        else given["first"]
    )
    parts = [field]
    charge = CHARGES.get(given["charge"])
    group = ""
    if charge:
        count = given["count"] or 1
        name = charge.name if count == 1 else charge.plural
        attitude = f" {given['attitude']}" if given["attitude"] else ""
        where = f" {given['where']}" if given["where"] not in ("", "between", "on") else ""
        group = f"{NUMBERS[count - 1]} {name}{attitude}{where} {given['charge_tincture']}"
    ordinary = f"a {given['line']} {given['ordinary']} {given['ordinary_tincture']}" if given["ordinary"] else ""
    if ordinary and group and given["where"] == "between":
        parts.append(f"{ordinary} between {group}")
    elif ordinary and group and given["where"] == "on":
        parts.append(f"on {ordinary}, {group}")
    else:
        parts += [one for one in (ordinary, group) if one]
    if given["over"]:
        over = "label of three points" if given["over"] == "label" else given["over"]
        parts.append(f"a {over} {given['over_tincture']}")
    return ", ".join(parts)
