"""The form of one pass over the figure."""

from dataclasses import replace

from django import forms

from mantello.shelf.choices import PaintField, pot_choices
from mantello_core.army.figure_filter import Filter
from mantello_core.army.tree import MOST_FIGURES, TIERS
from mantello_core.figures.exposure import LAWS
from mantello_core.figures.vocabulary import GROUPS
from mantello_core.naming import slug
from mantello_core.numerals import whole_number
from mantello_core.order.phases import phase_list
from mantello_core.passes.piece import RESERVED
from mantello_core.recipes.step import DILUENTS, MOST_COATS, Manner, Mix, Step, checked
from mantello_core.recipes.technique import techniques
from mantello_core.scheme.whole_pass import WholePass, checked_passes

#: kinds of a pass, in the usual order of work
KINDS = (
    "base", "spray", "overbrush", "drybrush", "stipple", "stain", "shade", "glaze", "oil", "varnish", "sponge", "powder",
)  # fmt: skip
#: what a pass may cover or leave by name: materials first
MATERIALS = ("cloth", "leather", "metal", "skin", "hair", "wood", "plate", "mail", "fur", "feather", "glass")


def _places(roles) -> list:
    """Choices of places: materials, parts, colours."""
    return [
        ("Materials", [(f"@{one}", f"all {one}") for one in MATERIALS]),
        ("Parts", [(head, name) for head, name in _heads()]),
        ("Colours", [(f"role:{role.id}", role.name) for role in roles]),
    ]


def _heads() -> list[tuple[str, str]]:
    """Heads of area names by the group they belong to, each with its group's name."""
    return [(head, group if head.capitalize() == group else f"{group}: {head}") for head, group in GROUPS.items()]


class PassForm(forms.Form):
    """One pass over the figure."""

    name = forms.CharField(max_length=60, label="Name")
    kind = forms.ChoiceField(label="Kind of work", choices=[(kind, techniques()[kind].verb) for kind in KINDS])
    paint = PaintField(label="Paint")
    diluent = forms.ChoiceField(label="Thinned with", choices=[(one, one.capitalize()) for one in DILUENTS])
    diluent_parts = forms.FloatField(
        required=False, min_value=0, max_value=20, label="Parts of it to one",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write a number from 0 to 20."),
    )  # fmt: skip
    coats = forms.IntegerField(
        required=False, min_value=1, max_value=MOST_COATS, label="Coats",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), f"Write 1 to {MOST_COATS}, or nothing."),
    )  # fmt: skip
    covers = forms.MultipleChoiceField(required=False, label="Goes over", help_text="Nothing chosen: the whole figure.")
    leaves = forms.MultipleChoiceField(required=False, label="Leaves out")
    law = forms.ChoiceField(required=False, label="Reaches", choices=list(LAWS.items()))
    height = forms.FloatField(
        required=False, min_value=0, max_value=100, label="Up to, % of the height",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write a number from 0 to 100."),
    )  # fmt: skip
    phase = forms.ChoiceField(required=False, label="Phase")
    scope = forms.ChoiceField(
        required=False, label="For", help_text="One of the same name here takes the place of a higher one.",
    )  # fmt: skip
    rank = forms.ChoiceField(required=False, label="Of these, only the rank")
    figures = forms.CharField(
        required=False, max_length=200, label="and figures no.", help_text="Such as 1, 4. Empty: all.",
    )  # fmt: skip
    tiers = forms.MultipleChoiceField(
        required=False, label="Only on", choices=list(TIERS.items()), widget=forms.CheckboxSelectMultiple
    )
    note = forms.CharField(required=False, max_length=160, label="How, in your own words")
    because = forms.CharField(required=False, max_length=160, label="Because")
    off = forms.BooleanField(required=False, label="Left out here, where a higher rung has it")

    def __init__(self, design, own, *arguments, **options):
        super().__init__(*arguments, **options)
        scheme = design.scheme
        self.catalogue = design.catalogue.with_own(own)
        self.fields["paint"].choices = pot_choices(own)
        for name in ("covers", "leaves"):
            self.fields[name].choices = _places(scheme.roles)
            self.fields[name].widget.attrs["size"] = 8
        self.fields["rank"].choices = [
            ("", "all ranks"),
            *sorted(design.army.rank_names.items(), key=lambda pair: pair[1]),
        ]
        self.fields["phase"].choices = [
            ("", "the usual one"),
            *((one.id, one.name) for one in phase_list(design).phases),
        ]
        self.fields["scope"].choices = [
            ("", "the whole army"),
            *((node.id, ("\u2003" * (len(design.army.paths[node.id]) - 2)) + node.name) for node in design.army.root.walk() if node.id != design.army.root.id),
        ]  # fmt: skip

    @classmethod
    def showing(cls, design, own, one: WholePass) -> "PassForm":
        """The form with a pass in it."""
        mix = one.step.mix
        return cls(design, own, initial={
            "name": one.name, "kind": one.step.kind, "paint": mix.paints[0].id, "diluent": mix.diluent,
            "diluent_parts": mix.diluent_parts or None, "coats": one.step.coats,
            "covers": [*(each for each in one.select if each), *(f"role:{role}" for role in one.roles)],
            "leaves": [*one.leaves, *(f"role:{role}" for role in one.leaves_roles)], "law": one.law,
            "height": round(one.height * 100) if one.height else None, "phase": one.phase, "scope": one.scope,
            "tiers": one.tiers, "rank": one.filter.rank, "figures": ", ".join(map(str, one.filter.ordinals)), "note": one.step.manner.note, "because": one.because, "off": one.off,
        })  # fmt: skip

    def clean_figures(self) -> tuple[int, ...]:
        """Ordinals, counted from 1."""
        found = []
        for part in filter(None, (one.strip() for one in self.cleaned_data["figures"].split(","))):
            if not (number := whole_number(part, MOST_FIGURES)):
                raise forms.ValidationError(f"'{part[:20]}' is no figure; write numbers such as 1, 4.")
            found.append(number)
        return tuple(sorted(set(found)))

    def made(self, design, old: WholePass | None) -> WholePass:
        """The pass that the form says; of an old one, or one of the same name, the id; and a mix of several paints whose first was not changed.

        Raises: what ``checked_passes`` refuses.
        """
        given, scheme = self.cleaned_data, design.scheme
        taken = {*RESERVED, *(one.id for one in (*scheme.passes, *scheme.finishing.dirt))}
        said = given["name"].strip().casefold()
        like = old or next((one for one in scheme.passes if one.name.casefold() == said), None)
        id_ = like.id if like else slug(given["name"], taken)
        pot = self.catalogue.paint(given["paint"], "paint")
        parts = old.step.mix.parts if old and old.step.mix.paints[0] == pot else ((pot, 1.0),)
        thinned = given["diluent_parts"] or 0.0
        mix = Mix(parts, given["diluent"] if thinned else "neat", thinned)
        old_manner = old.step.manner if old else Manner()
        step = checked(
            Step(id_, given["kind"], mix, given["coats"], manner=replace(old_manner, note=given["note"])), ""
        )
        covers, leaves = given["covers"], given["leaves"]
        one = WholePass(
            id_, given["name"].strip(), step, given["scope"],
            replace(old.filter if old else Filter(), rank=given["rank"], ordinals=given["figures"]),
            tuple(each for each in covers if not each.startswith("role:")) or (() if covers else ("",)), _roles(covers),
            tuple(each for each in leaves if not each.startswith("role:")), _roles(leaves), given["law"] or "all",
            (given["height"] or 0.0) / 100, given["phase"], tuple(given["tiers"]), given["because"].strip(), given["off"],
        )  # fmt: skip
        checked_passes((one,), tuple(scheme.role_by_id), "")
        return one


def _roles(chosen) -> tuple[str, ...]:
    return tuple(each.removeprefix("role:") for each in chosen if each.startswith("role:"))
