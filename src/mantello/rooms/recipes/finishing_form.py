"""The form of the army's finish: order, loose parts, varnish, dirt, plants."""

from collections.abc import Sequence
from dataclasses import replace

from django import forms

from mantello_core.design.design import Design
from mantello_core.figures.loose import HELD, LOOSE
from mantello_core.film.finish import VARNISHES
from mantello_core.paints.catalogue import Catalogue
from mantello_core.paints.paint import Paint
from mantello_core.paints.range import paints
from mantello_core.recipes.slots import BASE, METALS, SKIN, Slots
from mantello_core.scheme.assembly import BASE_MATERIALS, GRIT, MATERIALS, Assembly, glue_for, glues
from mantello_core.scheme.finishing import (
    LEAST_REACH,
    MOST_REACH,
    USES,
    Basing,
    DirtPass,
    Finishing,
    checked_finishing,
    glowing,
    usual_dirt,
    usual_plants,
    with_paint,
)

from .forms import LIGHT_CHOICES

_SLOTS = {"metals": ("Metals", METALS), "skin": ("Skin", SKIN), "base": ("Bases", BASE)}
_DIRT_NAMES = ("clean", "a little dust", "used", "a campaign", "a long one", "buried in mud")
#: kinds of paint that make dirt
_DIRTY = ("acrylic", "wash", "enamel", "oil", "powder", "texture", "ink", "air")


def _number(label: str, most: float, **options) -> forms.FloatField:
    told = dict.fromkeys(("invalid", "min_value", "max_value"), f"Write 0 to {most:g}.")
    return forms.FloatField(required=False, min_value=0, max_value=most, label=label, error_messages=told, **options)


def _field(slot: str) -> str:
    """The field of a slot; 'base' alone is the edition that the page showed."""
    return f"{slot}_slot"


class FinishingForm(forms.Form):
    """Everything that every figure gets besides its colours."""

    varnish = forms.ChoiceField(required=False, label="Last coat", choices=[("", "none"), *((one, one) for one in ("matt", "satin", "gloss"))])  # fmt: skip
    can = forms.ChoiceField(
        label="Laid with",
        choices=[("yes", "the can"), ("", "a brush"), ("mixed", "a brush, matt and gloss mixed 1 : 1")],
        required=False,
    )
    use = forms.ChoiceField(label="The army is", choices=[(key, words) for key, (_, words) in USES.items()])
    varnish_last = forms.ChoiceField(
        required=False, label="Varnish", choices=[("", "before the plants: they stay bright"), ("yes", "after the plants: the glue's shine goes")],
    )  # fmt: skip
    light = forms.ChoiceField(
        required=False, label="Lit from",
        choices=LIGHT_CHOICES,
        help_text="Layers and highlights that name no light of their own follow it.",
    )  # fmt: skip
    glow_role = forms.ChoiceField(required=False, label="What glows")
    glow_paint = forms.ChoiceField(required=False, label="In")
    glow_reach = forms.FloatField(
        required=False, min_value=LEAST_REACH, max_value=MOST_REACH, label="Reaches, mm",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), f"Write {LEAST_REACH:g} to {MOST_REACH:g} mm."),
    )  # fmt: skip
    barrier = forms.ChoiceField(required=False, label="Beneath solvents", choices=[("", "nothing: they may bite"), *((one, f"a {one} coat") for one in VARNISHES)])  # fmt: skip
    masks = forms.BooleanField(required=False, label="Mask figures for what is sprayed on parts of them")
    touch_up = forms.BooleanField(required=False, label="Touch up what was held, before the varnish")
    mend = forms.BooleanField(required=False, label="The undercoat is mended by brush before any colour")
    handled = forms.MultipleChoiceField(required=False, label="Handled often", widget=forms.CheckboxSelectMultiple)
    fragile = forms.MultipleChoiceField(
        required=False, label="Nothing is braced on", widget=forms.CheckboxSelectMultiple
    )
    tidy = forms.BooleanField(required=False, label="Tidied figure by figure before a shade seals it")
    look = forms.BooleanField(required=False, label="A last look before the varnish")
    bases = forms.BooleanField(required=False, label="Bases looked over at the end: rim, feet, magnets, glue")
    photograph = forms.BooleanField(required=False, label="Photographed at the end")
    planned = forms.BooleanField(required=False, label="Choosing, cleaning and gluing are in the plan")
    material = forms.ChoiceField(label="Figures of", choices=[(one, one) for one in MATERIALS], required=False)
    base_material = forms.ChoiceField(label="Bases of", choices=[(one, one) for one in BASE_MATERIALS], required=False)
    glue = forms.ChoiceField(required=False, label="Joints held by")
    grit = forms.ChoiceField(required=False, label="Grit on the bases", choices=list(GRIT.items()))
    temporary = forms.BooleanField(required=False, label="Painted on corks or sticks, moved to the base at the end")
    apart_in = forms.MultipleChoiceField(required=False, label="Only in one unit", widget=forms.CheckboxSelectMultiple)
    apart_node = forms.ChoiceField(required=False, label="Also in")
    apart_group = forms.ChoiceField(required=False, label="loose")
    shiny = forms.MultipleChoiceField(required=False, label="Glossy at the end", widget=forms.CheckboxSelectMultiple)
    apart = forms.MultipleChoiceField(required=False, label="Painted apart", widget=forms.CheckboxSelectMultiple)
    level = forms.TypedChoiceField(
        required=False, label="Dirt of the army", coerce=int, empty_value=None,
        choices=[("", "as the brief says"), *((at, f"{at}: {name}") for at, name in enumerate(_DIRT_NAMES))],
    )  # fmt: skip
    magnets = forms.BooleanField(required=False, label="Magnets in the bases")
    seed = forms.IntegerField(
        required=False, min_value=0, max_value=999_999, label="Seed of the shuffle",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write 0 to 999999."),
    )  # fmt: skip
    width = _number("Shared base, mm wide", 400)
    depth = _number("and deep", 400)

    def __init__(self, design: Design, own: Sequence[Paint], *arguments, **options):
        """own: the painter's own paints, offered first."""
        super().__init__(*arguments, **options)
        finishing, scheme = design.scheme.finishing, design.scheme
        usual = design.method
        for name, (label, known) in _SLOTS.items():
            now = known[getattr(usual.slots, name)]
            self.fields[_field(name)] = forms.ChoiceField(
                required=False, label=label, choices=[("", f"as in {usual.title.lower()}: {now}"), *known.items()]
            )
        self.fields["shiny"].choices = [(role.id, role.name) for role in scheme.roles]
        self.fields["apart"].choices = [(group, group) for group in LOOSE]
        for name in ("handled", "fragile"):
            self.fields[name].choices = [(group, group) for group in HELD]
        army = design.army
        self.fields["apart_in"].choices = [
            (f"{node}|{group}", f"{group} in {army.nodes[node].name}")
            for node, group in finishing.apart_in
            if node in army.nodes
        ]
        self.fields["apart_node"].choices = [("", "no unit"), *((unit.id, army.title(unit.id)) for unit in army.units)]
        self.fields["apart_group"].choices = [("", "nothing more"), *((group, group) for group in LOOSE)]
        usual_glue = glue_for(finishing.assembly.material, finishing.assembly.material).name
        self.fields["glue"].choices = [
            ("", f"the usual: {usual_glue}"),
            *((one.id, one.name) for one in glues().values()),
        ]
        self.catalogue = design.catalogue.with_own(own)
        pots = [(pot.id, pot.name) for pot in (*own, *paints().values()) if pot.kind in _DIRTY and not pot.sprayed]
        glazes = [
            (pot.id, pot.name) for pot in (*own, *paints().values()) if pot.kind in ("ink", "stain", "acrylic", "air")
        ]
        self.fields["glow_role"].choices = [("", "nothing"), *((role.id, role.name) for role in scheme.roles)]
        self.fields["glow_paint"].choices = [("", "choose"), *glazes]
        self.dirt = _merged(finishing.dirt, usual_dirt())
        for one in self.dirt:
            self.fields[f"dirt-{one.id}"] = forms.BooleanField(required=False, label=one.name)
            pot = one.step.mix.paints[0]
            named = pots if any(pot.id == id_ for id_, _ in pots) else [(pot.id, pot.name), *pots]
            self.fields[f"paint-{one.id}"] = forms.ChoiceField(label=f"{one.name}, paint", choices=named)
            if one.law == "ground":
                self.fields[f"height-{one.id}"] = _number(f"{one.name}, up to % of the height", 100)
        self.plants = _merged(finishing.basing.plants, usual_plants())
        for one in self.plants:
            self.fields[f"plant-{one.id}"] = _number(f"{one.name}, {one.size:g} mm", 10)

    @classmethod
    def showing(cls, design: Design, own: Sequence[Paint]) -> "FinishingForm":
        """The form filled with the army's finish."""
        finishing, assembly = design.scheme.finishing, design.scheme.finishing.assembly
        initial = {
            "varnish": finishing.varnish, "can": "mixed" if finishing.mixed else "yes" if finishing.can else "", "use": finishing.use,
            "varnish_last": "yes" if finishing.varnish_last else "", "barrier": finishing.barrier, "masks": finishing.masks, "touch_up": finishing.touch_up,
            "shiny": finishing.shiny, "apart": finishing.apart, "level": "" if finishing.level is None else finishing.level, "light": finishing.light,
            "magnets": finishing.basing.magnets, "seed": finishing.basing.seed,
            "width": f"{finishing.basing.width:g}" if finishing.basing.width else None,
            "depth": f"{finishing.basing.depth:g}" if finishing.basing.depth else None,
            "tidy": finishing.tidy, "look": finishing.look, "photograph": finishing.photograph, "bases": finishing.bases, "mend": finishing.mend, "handled": finishing.handled, "fragile": finishing.fragile,
            "apart_in": ["|".join(one) for one in finishing.apart_in],
            "planned": assembly.planned, "material": assembly.material, "base_material": assembly.base, "glue": assembly.glue,
            "grit": assembly.grit, "temporary": assembly.temporary,
        } | {_field(name): given for name, given in vars(finishing.slots).items()}  # fmt: skip
        if finishing.glow:
            initial |= {
                "glow_role": finishing.glow.role, "glow_paint": finishing.glow.step.mix.paints[0].id,
                "glow_reach": f"{finishing.glow.reach:g}",
            }  # fmt: skip
        form = cls(design, own, initial=initial)
        on = {one.id for one in finishing.dirt}
        for one in form.dirt:
            form.initial |= {
                f"dirt-{one.id}": one.id in on,
                f"paint-{one.id}": one.step.mix.paints[0].id,
                f"height-{one.id}": round(one.height * 100),
            }
        for one in form.plants:
            form.initial[f"plant-{one.id}"] = f"{one.in_ten:g}" if one.in_ten else None
        return form

    @property
    def slots(self):
        """Fields of the order."""
        return [self[_field(name)] for name in _SLOTS]

    @property
    def glowing(self):
        """Fields of what glows."""
        return [self[name] for name in ("glow_role", "glow_paint", "glow_reach")]

    @property
    def materials(self):
        """Fields of what the figures are made of and held by."""
        return [self[name] for name in ("material", "base_material", "glue", "grit")]

    @property
    def bench(self):
        """Ticks of work at the bench, in the order of work."""
        return [
            self[name] for name in ("planned", "temporary", "mend", "tidy", "touch_up", "look", "bases", "photograph")
        ]

    @property
    def held(self):
        """Every group of parts with its ticks: handled often, and not braced on."""
        return list(zip(HELD, self["handled"], self["fragile"], strict=True))

    def clean(self):
        """A glow names its paint, and what is loose in one unit names unit and part."""
        given = super().clean()
        if bool(given.get("apart_node")) != bool(given.get("apart_group")):
            wanting = "apart_group" if given.get("apart_node") else "apart_node"
            if wanting not in self.errors:
                self.add_error(wanting, "Which part stays loose?" if wanting == "apart_group" else "In which unit?")
        if given.get("can") == "mixed" and given.get("varnish") != "satin" and "can" not in self.errors:
            self.add_error("can", "Mixed one to one it ends in satin: choose satin as the last coat, or one pot.")
        if given.get("glow_role") and not given.get("glow_paint") and "glow_paint" not in self.errors:
            self.add_error("glow_paint", "In which paint does it glow?")
        return given

    @property
    def varnishing(self):
        """Fields of varnish."""
        return [self[name] for name in ("varnish", "can", "use", "varnish_last", "barrier")]

    @property
    def passes(self):
        """Every pass of dirt with its fields: switch, paint, height or None."""
        return [
            (
                one,
                self[f"dirt-{one.id}"],
                self[f"paint-{one.id}"],
                self[f"height-{one.id}"] if one.law == "ground" else None,
            )
            for one in self.dirt
        ]

    @property
    def growing(self):
        """Every plant with its field."""
        return [(one, self[f"plant-{one.id}"]) for one in self.plants]

    def _glow(self, design: Design):
        given, old = self.cleaned_data, design.scheme.finishing.glow
        if not given["glow_role"]:
            return None
        made = glowing(
            given["glow_role"], self.catalogue.paint(given["glow_paint"], "glow_paint"), given["glow_reach"] or 4.0
        )
        # a step that was said otherwise in a document stays as it is
        same = old and old.step.mix.paints == made.step.mix.paints
        return replace(made, step=old.step) if same else made

    def finishing(self, design: Design) -> Finishing:
        """The finish that the form says.

        Raises: what ``checked_finishing`` refuses.
        """
        given = self.cleaned_data
        dirt = tuple(_said(one, given, self.catalogue) for one in self.dirt if given[f"dirt-{one.id}"])
        plants = tuple(
            replace(one, in_ten=given[f"plant-{one.id}"] or 0.0) for one in self.plants if given[f"plant-{one.id}"]
        )
        basing = Basing(
            plants,
            given["magnets"],
            1 if given["seed"] is None else given["seed"],
            given["width"] or 0.0,
            given["depth"] or 0.0,
        )
        apart_in = [tuple(one.split("|", 1)) for one in given["apart_in"]]
        if given["apart_node"] and given["apart_group"]:
            apart_in.append((given["apart_node"], given["apart_group"]))
        assembly = Assembly(
            given["planned"], given["material"] or "plastic", given["base_material"] or "plastic", given["glue"], given["grit"],
            given["temporary"],
        )  # fmt: skip
        made = Finishing(
            Slots(*(given[_field(name)] for name in _SLOTS)), given["varnish"], given["can"] == "yes", given["use"], bool(given["varnish_last"]),
            given["barrier"], tuple(given["shiny"]), tuple(given["apart"]), given["masks"], given["touch_up"], given["level"], dirt, basing, given["light"], self._glow(design),
            assembly, tuple(dict.fromkeys(apart_in)), given["tidy"], given["look"], given["photograph"],
            given["mend"], tuple(given["handled"]), tuple(given["fragile"]), given["can"] == "mixed", given["bases"],
        )  # fmt: skip
        return checked_finishing(made, tuple(design.scheme.role_by_id))


def _said(one: DirtPass, given: dict, catalogue: Catalogue) -> DirtPass:
    height = given.get(f"height-{one.id}")
    pot = catalogue.paint(given[f"paint-{one.id}"], "paint")
    changed = with_paint(one, pot) if pot != one.step.mix.paints[0] else one
    return changed if height is None else replace(changed, height=height / 100)


def _merged(own: tuple, usual: tuple) -> list:
    """Usual ones in their order, own ones in place of those of their id, then the rest."""
    known = {one.id: one for one in own}
    found = [known.pop(one.id, one) for one in usual]
    return [*found, *known.values()]
