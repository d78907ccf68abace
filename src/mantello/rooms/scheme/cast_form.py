"""What a garment may be and how often, as a form."""

from dataclasses import dataclass, replace

from django import forms

from mantello_core.design.cast_words import with_option
from mantello_core.design.design import Design
from mantello_core.scheme.unit_cast import CastGarment, CastOption, UnitCast

_MOST_SHARE = 100
_WORDS = f"Write 0 to {_MOST_SHARE}."


@dataclass(frozen=True)
class OptionRow:
    """One option of a garment as the form shows it."""

    option: CastOption
    name: str
    share: forms.BoundField
    accent: forms.BoundField


class CastForm(forms.Form):
    """Garments with their options and shares, and how the unit stands. With a share of 0 an option goes."""

    seed = forms.IntegerField(label="Seed", min_value=0, max_value=999_999)
    stand = forms.IntegerField(label="On a stand", min_value=1, max_value=100)
    abreast = forms.IntegerField(label="Abreast", min_value=1, max_value=100)
    accents = forms.IntegerField(label="Bright things at most", min_value=0, max_value=16)
    least = forms.IntegerField(label="A pot serves at least", min_value=1, max_value=600)

    def __init__(self, design: Design, cast: UnitCast, data=None):
        plain = {name: getattr(cast, name) for name in ("seed", "stand", "abreast", "accents", "least")}
        super().__init__(data, initial=plain)
        self.design, self.cast = design, cast
        unit = design.army.nodes[cast.unit]
        roles = [("", "no other"), *((role.id, role.name) for role in design.scheme.roles)]
        for garment in cast.garments:
            for option in garment.options:
                self.fields[f"{garment.id}-{option.id}"] = forms.FloatField(
                    min_value=0, max_value=_MOST_SHARE, required=False, initial=option.share,
                    error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), _WORDS),
                )  # fmt: skip
                self.fields[f"{garment.id}-{option.id}-accent"] = forms.BooleanField(
                    required=False, initial=option.accent
                )
            self.fields[f"{garment.id}-add"] = forms.ChoiceField(required=False, choices=roles, label="Or")
            self.fields[f"{garment.id}-with"] = forms.ChoiceField(
                required=False,
                choices=[("", "plain"), *((id_, f"striped {name}") for id_, name in roles[1:])],
                label="as",
            )
            self.fields[f"{garment.id}-off"] = forms.BooleanField(required=False)
        self.fields["leaders"] = forms.MultipleChoiceField(
            required=False, label="Who leads", widget=forms.CheckboxSelectMultiple, choices=[(rank.id, rank.name) for rank in unit.ranks],
            initial=list(cast.leaders),
        )  # fmt: skip

    def rows(self) -> list[tuple[CastGarment, list[OptionRow], dict]]:
        """Garments with the rows of their options, and the fields beside them."""
        return [
            (
                garment,
                [
                    OptionRow(option, self.named(option), self[f"{garment.id}-{option.id}"], self[f"{garment.id}-{option.id}-accent"])
                    for option in garment.options
                ],
                {name: self[f"{garment.id}-{name}"] for name in ("add", "with", "off")},
            )
            for garment in self.cast.garments
        ]  # fmt: skip

    def named(self, option: CastOption) -> str:
        """What an option is called."""
        scheme = self.design.scheme
        return scheme.pattern(option.pattern).name if option.pattern else scheme.role(option.role).name

    def clean(self):
        """The shares: something has to be left of every garment that stays."""
        given = super().clean()
        for garment in self.cast.garments:
            if given.get(f"{garment.id}-off") or given.get(f"{garment.id}-add"):
                continue
            shares = [given.get(f"{garment.id}-{option.id}") or 0 for option in garment.options]
            if not any(shares) and not any(f"{garment.id}-{option.id}" in self.errors for option in garment.options):
                self.add_error(
                    f"{garment.id}-{garment.options[0].id}", f"Nothing is left that the {garment.name.lower()} may be."
                )
        if given.get("abreast") and given.get("stand") and given["abreast"] > given["stand"]:
            self.add_error("abreast", f"{given['abreast']} abreast do not fit on a stand of {given['stand']}.")
        return given

    def changed(self, design: Design) -> tuple[Design, UnitCast]:
        """The design, with a striped cloth it may need, and the cast that was asked for.

        Raises: what ``with_option`` refuses.
        """
        given, cast = self.cleaned_data, self.cast
        garments = []
        for garment in cast.garments:
            if given.get(f"{garment.id}-off"):
                continue
            options = tuple(
                replace(option, share=share, accent=bool(given.get(f"{garment.id}-{option.id}-accent")))
                for option in garment.options
                if (share := given.get(f"{garment.id}-{option.id}") or 0.0)
            )
            garments.append(replace(garment, options=options))
        plain = {name: given[name] for name in ("seed", "stand", "abreast", "accents", "least")}
        made = replace(cast, garments=tuple(garments), leaders=tuple(given["leaders"]), **plain)
        for garment in garments:
            if role := given.get(f"{garment.id}-add"):
                design, made = with_option(design, made, garment.id, role, given.get(f"{garment.id}-with", ""))
        kept = {(garment.id, option.id) for garment in made.garments for option in garment.options}
        return design, replace(made, pins=tuple(pin for pin in made.pins if (pin[2], pin[3]) in kept))
