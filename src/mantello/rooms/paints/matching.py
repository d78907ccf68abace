"""What can stand in for a colour: mixes from the shelf that come near it, and one of them taken as a base."""

from dataclasses import dataclass

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_POST, require_safe

from mantello.shelf.choices import PaintField, paint_choices
from mantello.shelf.models import OwnedPaint, OwnPaint
from mantello.shell.fields import CoreField
from mantello.shell.soon import beside
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.design.base_mix import base_mix, with_base_mix
from mantello_core.design.design import Design
from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.film.coverage import coat_by_coat
from mantello_core.film.ground import Ground
from mantello_core.film.surface import solid
from mantello_core.mixing.matching import Match, apart_under_lamp, matches
from mantello_core.numerals import whole_number
from mantello_core.paints.catalogue import Catalogue
from mantello_core.paints.paint import Film, Paint
from mantello_core.paints.range import ranges
from mantello_core.scheme.scheme import Role
from mantello_core.uniforms.campaign import MOST_MONTHS
from mantello_core.uniforms.dye import GRADES, Target, target
from mantello_core.uniforms.phrase import colour_of

#: mixes shown, and coats drawn of each
MOST_SHOWN, MOST_COATS = 8, 8
#: the choice of what is owned, beside the ranges
OWNED = "owned"
#: so much farther apart under a lamp than by day (CIEDE2000) is told
PARTED = 1.0


@dataclass(frozen=True)
class Wanted:
    """The colour that is looked for, what it is the colour of, and the paints it is mixed from now."""

    colour: Lab
    name: str
    role: Role | None = None
    without: tuple[Paint, ...] = ()
    #: what the colour is of, if it is a paint's; a colour picked on a screen has none
    film: Film | None = None


@dataclass(frozen=True)
class MatchRow:
    """One mix with how it was come by: solids by volume, the way in L*, a* and b*, the coats one by one."""

    match: Match
    #: paint, drops, share of the dry film
    shares: tuple[tuple[Paint, float, float], ...]
    way: tuple[tuple[str, float, float, float], ...]
    coats: tuple[Lab, ...]
    #: CIEDE2000 under a lamp; None for a colour picked on a screen
    lamp: float | None

    #: what the wanted paint dries to, if it is one paint
    finish: str = ""

    @property
    def other_finish(self) -> bool:
        """Whether it dries otherwise than what is wanted."""
        return bool(self.finish) and self.finish != self.match.finish

    @property
    def parts_under_lamp(self) -> bool:
        """Whether the match by daylight is lost under a lamp."""
        return self.lamp is not None and self.lamp > self.match.apart + PARTED


class MatchForm(forms.Form):
    """What is wanted, and which ranges may be used."""

    wanted = PaintField(required=False, label="Wanted")
    colour = CoreField(
        lab_of_hex, required=False, label="Or a colour",
        widget=forms.TextInput(attrs={"type": "color"}),
    )  # fmt: skip
    word = CoreField(
        colour_of, required=False, label="Or a word of the trade", max_length=80,
        help_text="As old lists have it, in any of their languages: dark green, aurora, garance, hechtgrau.",
    )  # fmt: skip
    grade = forms.ChoiceField(
        required=False,
        label="Cloth of",
        choices=[(one, f"a {one}" if one != "officer" else "an officer") for one in GRADES.values()],
    )
    months = forms.FloatField(required=False, label="Months out", min_value=0, max_value=MOST_MONTHS)
    role = forms.ChoiceField(required=False, label="For the role")
    shelves = forms.MultipleChoiceField(
        required=False, label="Mixed from", widget=forms.CheckboxSelectMultiple,
        choices=lambda: [(OWNED, "What is on my shelf"), *((shelf.id, shelf.name) for shelf in ranges() if any(pot.covers for pot in shelf.paints))],
    )  # fmt: skip

    def __init__(self, design: Design, data, own=()):
        super().__init__(data)
        self.aim: Target | None = None
        self.design, self.catalogue = design, design.catalogue.with_own(own)
        made = tuple((f"role:{role.id}", role.name) for role in design.scheme.roles if base_mix(role))
        groups = ((name, tuple((f"paint:{id_}", words) for id_, words in pots)) for name, pots in paint_choices(own))
        self.fields["role"].choices = [("", "none yet"), *((role.id, role.name) for role in design.scheme.roles)]
        self.fields["wanted"].choices = [
            ("", "a colour picked below"),
            ("Roles, as they are mixed now", made),
            *groups,
        ]

    def clean(self):
        """What is wanted, under ``target``."""
        given = super().clean()
        if "wanted" in self.errors:
            return given
        kind, _, id_ = given["wanted"].partition(":")
        if kind == "role":
            role = self.design.scheme.role(id_)
            mix = base_mix(role)
            given["target"] = Wanted(mix.film.masstone, role.name, role, mix.paints, mix.film)
        elif kind == "paint":
            pot = self.catalogue.paint(id_)
            given["target"] = Wanted(solid(pot.film).colour, pot.name, None, (pot,), pot.film)
        elif given.get("word"):
            given["target"] = self._worded(given)
        elif given.get("colour") and "word" not in self.errors:
            given["target"] = Wanted(given["colour"], self.data["colour"])
        return given

    def _worded(self, given) -> Wanted:
        """What a colour word means for a grade of cloth."""
        grade, months = given.get("grade") or "private", given.get("months") or 0.0
        aim = target(given["word"], grade, months)
        role = self.design.scheme.role_by_id.get(given.get("role", ""))
        self.aim = aim
        said = f"{given['word'].words}, {grade}'s cloth{f', {months:g} months out' if months else ''}"
        return Wanted(aim.lab, said, role)


@login_required
@require_safe
def match(request, army_id):
    """The page: what is wanted on the left, the mixes that come near it beside it."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    design = reading.design
    first = next((f"role:{role.id}" for role in design.scheme.roles if base_mix(role)), "")
    asked = request.GET.copy()
    if "wanted" not in asked and "colour" not in asked:
        asked["wanted"] = first
    asked.setdefault("colour", "#5a6b7c")
    own = OwnPaint.objects.of(request.user)
    form = MatchForm(design, asked, own)
    wanted = form.cleaned_data.get("target") if form.is_valid() else None
    rows = []
    if wanted:
        try:
            owned = OwnedPaint.objects.stocked(request.user)
            # mixes of own paints are indexed where they were not asked for yet
            told = wanted, tuple(form.cleaned_data["shelves"]), owned, design.scheme.ground, own
            rows = beside(("match", told), lambda: _rows(*told))
        except MantelloError as error:
            form.add_error("shelves", f"{error.message} Tick less, or count your shelf in the Paints room.")
    context = {
        "title": "Match a colour",
        "form": form,
        "target": wanted,
        "rows": rows,
        "aim": form.aim,
        "far": bool(rows) and rows[0].match.apart > 10,
    }
    return room_page(request, army, "paints", "paints/match.html", context, 422 if form.errors else 200)


@login_required
@require_POST
def take_match(request, army_id):
    """A mix becomes the base of a role."""
    army = army_for(request, army_id)
    role = reading_of(army.head).design.scheme.role(request.POST.get("role", ""), "role")
    parts = _parts(request.POST.getlist("part"), catalogue_for(army))
    apply(
        request,
        army,
        lambda design: with_base_mix(design, role.id, parts),
        lambda before, after: f"{role.name}: its base is now {base_mix(after.scheme.role(role.id)).words}",
    )
    return redirect("recipe", army.pk, role.id)


def _parts(given: list[str], catalogue: Catalogue) -> tuple[tuple[Paint, float], ...]:
    if len(given) > 3:
        raise OutOfRange(f"{len(given)} paints in the mix; allowed is up to 3.", "part")
    found = []
    for text in given:
        id_, _, drops = text.rpartition(":")
        if (count := whole_number(drops, 99)) is None:
            raise Unreadable(f"'{text[:40]}' is no paint with its drops; it reads like 'salt-linen:2'.", "part")
        found.append((catalogue.paint(id_, "part"), float(count)))
    return tuple(found)


def _rows(
    target: Wanted, shelves: tuple[str, ...], owned: frozenset[str], ground: Ground, own: tuple[Paint, ...]
) -> list[MatchRow]:
    allowed = [name for name in shelves if name != OWNED]
    pots = [*own, *(pot for shelf in ranges() if not allowed or shelf.id in allowed for pot in shelf.paints)]
    if OWNED in shelves:
        pots = [pot for pot in pots if pot.id in owned]
    found = matches(target.colour, [pot for pot in pots if pot not in target.without], ground, MOST_SHOWN)
    glints = target.film is not None and target.film.flake is not None
    ranked = sorted(found, key=lambda one: glints and not one.metallic)  # a metal is stood in for by metals first
    return [_row(one, target, ground) for one in ranked]


def _row(one: Match, target: Wanted, ground: Ground) -> MatchRow:
    film, parts = one.mix.film, one.mix.parts
    solids = [drops * pot.solids for pot, drops in parts]
    shares = tuple((pot, drops, dry / sum(solids)) for (pot, drops), dry in zip(parts, solids, strict=True))
    way = tuple((name, a, b, b - a) for name, a, b in zip(("L*", "a*", "b*"), target.colour, one.colour, strict=True))
    seen = coat_by_coat(film, ground.flat, 0.0, min(one.coats or MOST_COATS, MOST_COATS))
    lamp = apart_under_lamp(target.film, film) if target.film else None
    finish = target.without[0].finish if len(target.without) == 1 else ""
    return MatchRow(one, shares, way, seen, lamp, finish)
