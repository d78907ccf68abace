"""The army's finish: the order of work, parts painted apart, varnish, dirt and bases, one object that all units share."""

from dataclasses import replace

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.rooms.army.page import apply_form, army_for, room_page
from mantello.rooms.army.reading import Reading, reading_of
from mantello.rooms.log.soiling import dirtied_otherwise, dirty_again
from mantello.shell.fields import QuickSelect
from mantello_core.colour.spaces import hex_of
from mantello_core.figures.loose import LOOSE, loose_advice
from mantello_core.figures.vocabulary import group_of, spoken
from mantello_core.formats.drawing import plate_svg
from mantello_core.paints.range import paint, paints
from mantello_core.planning.compiling import slots_of
from mantello_core.recipes.finish import VARNISHES
from mantello_core.recipes.hazard import DEFERENCE, cautions_for
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.slots import BASE, METALS, SKIN, Slots
from mantello_core.schemes.army_work import level_of
from mantello_core.schemes.basing import figures_on, off_ground, plant_counts, standing_on
from mantello_core.schemes.finishing import (
    MOST_LEVEL,
    USES,
    Basing,
    DirtPass,
    Finishing,
    checked_finishing,
    usual_dirt,
    usual_plants,
    with_paint,
)
from mantello_core.schemes.scheme import Design
from mantello_core.schemes.soiled import soiled, swallowed

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
    can = forms.ChoiceField(label="Laid with", choices=[("yes", "the can"), ("", "a brush")], required=False)
    use = forms.ChoiceField(label="The army is", choices=[(key, words) for key, (_, words) in USES.items()])
    varnish_last = forms.ChoiceField(
        required=False, label="Varnish", choices=[("", "before the plants: they stay bright"), ("yes", "after the plants: the glue's shine goes")],
    )  # fmt: skip
    barrier = forms.ChoiceField(required=False, label="Beneath solvents", choices=[("", "nothing: they may bite"), *((one, f"a {one} coat") for one in VARNISHES)])  # fmt: skip
    masks = forms.BooleanField(required=False, label="Mask figures for what is sprayed on parts of them")
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

    def __init__(self, design: Design, *arguments, **options):
        super().__init__(*arguments, **options)
        finishing, scheme = design.scheme.finishing, design.scheme
        usual = METHODS[design.brief.method if design.brief else "classic"]
        for name, (label, known) in _SLOTS.items():
            now = known[getattr(usual.slots, name)]
            self.fields[_field(name)] = forms.ChoiceField(
                required=False, label=label, choices=[("", f"as in {usual.title.lower()}: {now}"), *known.items()]
            )
        self.fields["shiny"].choices = [(role.id, role.name) for role in scheme.roles]
        self.fields["apart"].choices = [(group, group) for group in LOOSE]
        pots = [(pot.id, pot.name) for pot in paints().values() if pot.kind in _DIRTY and not pot.sprayed]
        self.dirt = _merged(finishing.dirt, usual_dirt())
        for one in self.dirt:
            self.fields[f"dirt-{one.id}"] = forms.BooleanField(required=False, label=one.name)
            own = one.step.mix.parts[0][0]
            named = pots if any(own == id_ for id_, _ in pots) else [(own, paint(own).name), *pots]
            self.fields[f"paint-{one.id}"] = forms.ChoiceField(
                label=f"{one.name}, paint", choices=named, widget=QuickSelect
            )
            if one.law == "ground":
                self.fields[f"height-{one.id}"] = _number(f"{one.name}, up to % of the height", 100)
        self.plants = _merged(finishing.basing.plants, usual_plants())
        for one in self.plants:
            self.fields[f"plant-{one.id}"] = _number(f"{one.name}, {one.size:g} mm", 10)

    @classmethod
    def showing(cls, design: Design) -> "FinishingForm":
        """The form filled with the army's finish."""
        finishing = design.scheme.finishing
        initial = {
            "varnish": finishing.varnish, "can": "yes" if finishing.can else "", "use": finishing.use,
            "varnish_last": "yes" if finishing.varnish_last else "", "barrier": finishing.barrier, "masks": finishing.masks,
            "shiny": finishing.shiny, "apart": finishing.apart, "level": "" if finishing.level is None else finishing.level,
            "magnets": finishing.basing.magnets, "seed": finishing.basing.seed,
            "width": finishing.basing.width or None, "depth": finishing.basing.depth or None,
        } | {_field(name): given for name, given in vars(finishing.slots).items()}  # fmt: skip
        form = cls(design, initial=initial)
        on = {one.id for one in finishing.dirt}
        for one in form.dirt:
            form.initial |= {
                f"dirt-{one.id}": one.id in on,
                f"paint-{one.id}": one.step.mix.parts[0][0],
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

    def finishing(self, design: Design) -> Finishing:
        """The finish that the form says.

        Raises: what ``checked_finishing`` refuses.
        """
        given = self.cleaned_data
        dirt = tuple(_said(one, given) for one in self.dirt if given[f"dirt-{one.id}"])
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
        made = Finishing(
            Slots(*(given[_field(name)] for name in _SLOTS)), given["varnish"], bool(given["can"]), given["use"], bool(given["varnish_last"]),
            given["barrier"], tuple(given["shiny"]), tuple(given["apart"]), given["masks"], given["level"], dirt, basing,
        )  # fmt: skip
        return checked_finishing(made, tuple(design.scheme.role_by_id))


def _said(one: DirtPass, given: dict) -> DirtPass:
    height = given.get(f"height-{one.id}")
    changed = with_paint(one, given[f"paint-{one.id}"]) if given[f"paint-{one.id}"] != one.step.mix.parts[0][0] else one
    return changed if height is None else replace(changed, height=height / 100)


def _merged(own: tuple, usual: tuple) -> list:
    """Usual ones in their order, own ones in place of those of their id, then the rest."""
    known = {one.id: one for one in own}
    found = [known.pop(one.id, one) for one in usual]
    return [*found, *known.values()]


@login_required
@require_safe
def finishing(request, army_id):
    """The form, what it costs, and what the bases want."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None):
    reading = reading_of(army.head)
    design = reading.design
    form = form or FinishingForm.showing(design)
    context = (
        {
            "title": "Finish and bases",
            "form": form,
            "parts": _apart_rows(form, reading),
            "slots": slots_of(design),
            "level": level_of(design),
            "most_level": MOST_LEVEL,
            "pieces": _pieces(reading),
            "cautions": _cautions(reading),
            "deference": DEFERENCE,
            "otherwise": dirtied_otherwise(army, reading),
        }
        | _base_facts(reading)
        | _soiled(reading)
    )
    return room_page(request, army, "recipes", "recipes/finishing.html", context, status)


def _apart_rows(form: FinishingForm, reading: Reading) -> list:
    """The tick of every group of parts that the army has, with figures that want it, and what it hides on them at most."""
    found: dict[str, list] = {}
    worst: dict[str, float] = {}
    for unit in reading.design.army.units:
        for rank in unit.ranks:
            plate = reading.design.army.plate(rank.type)
            for area in plate.areas:
                if group_of(area) in LOOSE:
                    found.setdefault(group_of(area), [0, ""])
            for one in loose_advice(plate):
                found[one.group][0] += rank.figures
                if one.hidden_mm2 > worst.get(one.group, 0.0):
                    worst[one.group] = one.hidden_mm2
                    found[one.group][1] = f"{one.words}; {one.joint}"
    ticks = {tick.data["value"]: tick for tick in form["apart"]}
    rows = [(tick, *found[group]) for group, tick in ticks.items() if group in found]
    return sorted(rows, key=lambda row: -row[1])


def _pieces(reading: Reading) -> list:
    """Every piece of work with the figures that get it, hands-on minutes of all, and minutes it dries."""
    rows: dict[str, list] = {}
    for atom in reading.work.atoms:
        if atom.piece:
            row = rows.setdefault(atom.piece, [atom.name, atom.pot.split("|", 1)[1], 0, 0.0, atom.drying / 60])
            row[2] += len(atom.ordinals)
            row[3] += atom.seconds * len(atom.ordinals) / 60
    return list(rows.values())


def _cautions(reading: Reading) -> list[str]:
    finishing = reading.design.scheme.finishing
    found = [
        caution
        for one in finishing.dirt
        for caution in cautions_for(one.step.kind, one.step.mix.paints, one.step.mix.diluent)
    ]
    if finishing.varnish:
        found += cautions_for("varnish", (paint(finishing.product(finishing.varnish)),))
    return list(dict.fromkeys(found))


def _soiled(reading: Reading) -> dict:
    """The army's commonest figure clean and dirty, and edges that dirt swallows on it."""
    design = reading.design
    if not reading.resolution.classes or not level_of(design) or not design.scheme.finishing.dirt:
        return {"dirty": None}
    one = max(reading.resolution.classes, key=lambda each: len(each.ordinals))
    colours = soiled(design, one)
    view = one.plate.views[0].name

    def drawn(which: int):
        def fill(area: str) -> str:
            return hex_of(colours[area][which]) if area in colours else reading.fill(one, area)

        return mark_safe(plate_svg(one.plate, view, fill, detail="small", bearing=reading.bearing(one)))

    lost = [
        (spoken(each.area), spoken(each.other).lower(), each.clean, each.dirty)
        for each in swallowed(design, one, colours)
    ]
    return {"dirty": (drawn(0), drawn(1)), "shown": one.rank, "lost": lost[:4]}


def _base_facts(reading: Reading) -> dict:
    design, basing = reading.design, reading.design.scheme.finishing.basing

    def colour_of(role: str, tier: str):
        tones = reading.tones(role, tier)
        return tones["base"] if tones else None

    ground = next(
        (
            one.cells["base.ground"].role
            for one in reading.resolution.classes
            if one.cells.get("base.ground") and one.cells["base.ground"].role
        ),
        "",
    )
    earth = colour_of(ground, "rank") if ground else None
    scale = design.brief.scale if design.brief else 1.0
    rooms = []
    if basing.width and basing.depth:
        types = dict.fromkeys(rank.type for unit in design.army.units for rank in unit.ranks)
        rooms = [
            (design.army.type_titles[one], figures_on(basing.width, basing.depth, design.army.plate(one), scale))
            for one in types
        ]
    counts = plant_counts(design)
    return {
        "ground": design.scheme.role(ground) if ground else None,
        "earth": earth,
        "mud": [(one, off) for one in design.scheme.finishing.dirt if (off := off_ground(one, earth)) is not None],
        "standing": [(design.scheme.role(one.role), one) for one in standing_on(design, reading.resolution, colour_of)][:6],
        "rooms": rooms,
        "counts": [(one, counts[one.id]) for one in basing.plants],
        "magnet_count": design.army.figures if basing.magnets else 0,
    }  # fmt: skip


@login_required
@require_POST
def keep_finishing(request, army_id):
    """The army's finish is changed."""
    army = army_for(request, army_id)
    form = FinishingForm(reading_of(army.head).design, request.POST)
    kept = form.is_valid() and apply_form(
        request, army, form,
        lambda design: replace(design, scheme=replace(design.scheme, finishing=form.finishing(design))), "Finish and bases changed",
    )  # fmt: skip
    return redirect("finishing", army.pk) if kept else _page(request, army, 422, form)


@login_required
@require_POST
def dirty_figures_again(request, army_id):
    """Figures that were dirtied at another level get the pass again."""
    army = army_for(request, army_id)
    count = dirty_again(army, reading_of(army.head), request.POST.get("piece", ""))
    messages.success(
        request,
        f"The plan asks for it again on {count} figure{'s' * (count != 1)}."
        if count
        else "No figure was dirtied otherwise.",
    )
    return redirect("finishing", army.pk)
