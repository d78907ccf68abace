"""The form of a camouflage pattern and of where it lies."""

from dataclasses import replace

from django import forms

from mantello.shell.fields import CoreField
from mantello_core.army.figure_filter import Filter
from mantello_core.camouflage.pattern import (
    FAMILIES,
    MOST_INKS,
    MOST_MONTHS,
    MOST_NAME,
    MOST_SEED,
    TOOLS,
    Ink,
    Overlay,
    Pattern,
)
from mantello_core.design.design import Design
from mantello_core.naming import named
from mantello_core.scheme.rule import Rule


def _number(label: str, least: float, most: float, unit: str, **options) -> forms.FloatField:
    words = f"Write {least:g} to {most:g} {unit}.".replace(" .", ".")
    told = dict.fromkeys(("required", "invalid"), words) | dict.fromkeys(
        ("min_value", "max_value"), words.replace("%", "%%")
    )
    return forms.FloatField(min_value=least, max_value=most, label=label, error_messages=told, **options)


class CamouflageForm(forms.Form):
    """A pattern: what shapes, in which roles, how large, made with what; and on whom it lies."""

    name = CoreField(named, label="Called", max_length=MOST_NAME)
    family = forms.ChoiceField(label="Shapes", choices=[(id_, words.capitalize()) for id_, words in FAMILIES.items()])
    tool = forms.ChoiceField(label="Made with", choices=list(TOOLS.items()))
    size = _number("A patch, cm on the real thing", 2, 1000, "cm")
    feather = _number("Edge fades over, mm", 0, 5, "mm, or nothing for what the tool makes", required=False)
    turn = _number("Direction, degrees", -180, 180, "degrees")
    stretch = _number("Long", 1, 6, "times as long as wide")
    rough = _number("Unruly, %", 0, 100, "%")
    clear = _number("Kept clear round marks, mm", 0, 10, "mm")
    seed = forms.IntegerField(
        min_value=0, max_value=MOST_SEED, label="Seed of the layouts",
        error_messages=dict.fromkeys(("required", "invalid", "min_value", "max_value"), f"Write 0 to {MOST_SEED}."),
    )  # fmt: skip
    lighten = forms.BooleanField(required=False, label="Lightened for the scale")
    over = forms.ChoiceField(required=False, label="Over it")
    cover = _number("Covers, %", 2, 98, "%", required=False)
    months = _number("Worn for, months", 0, MOST_MONTHS, "months", required=False)
    late = forms.BooleanField(required=False, label="Laid after the varnish")
    scope = forms.ChoiceField(label="On")
    type = forms.ChoiceField(required=False, label="Figure type")
    select = forms.CharField(
        required=False, max_length=900, label="Areas", help_text="#camo is all that a vehicle has for it; or names with commas between.",
    )  # fmt: skip

    def __init__(self, design: Design, *arguments, **options):
        super().__init__(*arguments, **options)
        army = design.army
        self.fields["scope"].choices = [(node.id, node.name) for node in army.root.walk()]
        worn = dict.fromkeys(rank.type for unit in army.units for rank in unit.ranks)
        self.fields["type"].choices = [("", "any"), *((one, army.plate(one).title) for one in worn)]
        roles = [("", "no further ink"), *((role.id, role.name) for role in design.scheme.roles)]
        self.fields["over"].choices = [("", "nothing"), *roles[1:]]
        for at in range(MOST_INKS):
            self.fields[f"ink-{at}"] = forms.ChoiceField(
                required=at < 2,
                label="Ground" if not at else f"Ink {at}",
                choices=roles if at > 1 else roles[1:],
            )
            self.fields[f"share-{at}"] = _number(
                f"Share of ink {at}, %" if at else "Share of the ground, %", 1, 98, "%", required=at < 2
            )

    @classmethod
    def showing(cls, design: Design, pattern: Pattern, rule: Rule | None) -> "CamouflageForm":
        """The form filled with a pattern and where it lies."""
        initial = {
            "name": pattern.name, "family": pattern.family, "tool": pattern.tool, "size": f"{pattern.size_m * 100:g}",
            "feather": "" if pattern.feather is None else f"{pattern.feather:g}", "turn": f"{pattern.turn:g}",
            "stretch": f"{pattern.stretch:g}", "rough": f"{pattern.rough * 100:g}", "clear": f"{pattern.clear:g}", "seed": pattern.seed,
            "lighten": pattern.lighten, "scope": rule.scope if rule else design.army.root.id,
            "type": rule.filter.type if rule else "", "select": ", ".join(rule.select) if rule else "#camo",
        }  # fmt: skip
        for layer in pattern.overlays[:1]:
            initial |= {
                "over": layer.role,
                "cover": f"{layer.cover * 100:g}",
                "months": f"{layer.months:g}",
                "late": layer.late,
            }
        for at, ink in enumerate(pattern.inks):
            initial |= {f"ink-{at}": ink.role, f"share-{at}": f"{ink.share * 100:g}"}
        return cls(design, initial=initial)

    @property
    def inks(self):
        """Every ink's fields: role and share."""
        return [(self[f"ink-{at}"], self[f"share-{at}"]) for at in range(MOST_INKS)]

    @property
    def shapes(self):
        """Fields of size and form."""
        return [self[name] for name in ("size", "feather", "turn", "stretch", "rough", "clear", "seed")]

    @property
    def layer(self):
        """Fields of what lies over it."""
        return [self[name] for name in ("over", "cover", "months")]

    @property
    def placing(self):
        """Fields of where it lies."""
        return [self[name] for name in ("scope", "type", "select")]

    def clean(self):
        """Every ink has a role and a share, and the shares make a whole."""
        given = super().clean()
        for at in range(MOST_INKS):
            role, share = given.get(f"ink-{at}"), given.get(f"share-{at}")
            if role and share is None and f"share-{at}" not in self.errors:
                self.add_error(f"share-{at}", "How much of it? Write 1 to 98 %.")
            if share is not None and not role and f"ink-{at}" not in self.errors:
                self.add_error(f"ink-{at}", "In which colour?")
        whole = sum(share for _, share in self._said())
        if not self.errors and abs(whole - 100) > 0.05:
            self.add_error("share-0", f"The shares add up to {whole:g} %; they must make 100.")
        return given

    def _said(self):
        """Roles with their shares in per cent, as far as they are told."""
        pairs = ((self.cleaned_data.get(f"ink-{at}"), self.cleaned_data.get(f"share-{at}")) for at in range(MOST_INKS))
        return [(role, share) for role, share in pairs if role and share is not None]

    def pattern(self, known: Pattern | None) -> Pattern:
        """The pattern the form tells. known: the one it changes, whose pins and other layers stay; None for a new one."""
        given, said = self.cleaned_data, self._said()
        whole = sum(share for _, share in said)
        inks = tuple(Ink(role, share / whole) for role, share in said)
        layers = known.overlays if known else ()
        overlays = layers[1:]
        if given["over"]:
            first = layers[0] if layers else Overlay(given["over"])
            share = first.cover if given["cover"] is None else given["cover"] / 100
            months = first.months if given["months"] is None else given["months"]
            overlays = (replace(first, role=given["over"], cover=share, months=months, late=given["late"]), *overlays)
        return Pattern(
            known.id if known else "", given["name"], given["family"], inks, given["size"] / 100, given["tool"], given["feather"], given["turn"],
            given["stretch"], given["rough"] / 100, given["seed"], given["clear"], 0, given["lighten"], overlays,
            known.layouts if known else (),
        )  # fmt: skip

    def rule(self) -> Rule:
        """The rule that places it."""
        given = self.cleaned_data
        select = tuple(one.strip() for one in given["select"].split(",") if one.strip()) or ("#camo",)
        return Rule("", given["scope"], select, "", Filter(type=given["type"]))
