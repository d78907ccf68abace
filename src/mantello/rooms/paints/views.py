"""The Paints room: what the army takes, what is on the shelf, and what to buy."""

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.models import Job
from mantello.shelf.models import OwnedPaint, OwnPaint
from mantello.shell.download import download, file_of
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.formats.palette import write_palette
from mantello_core.formats.shelf import write_shelf, write_shopping
from mantello_core.formats.shelf_document import write_shelf_document
from mantello_core.numerals import whole_number
from mantello_core.paints.alike import alike
from mantello_core.paints.own import OWN
from mantello_core.paints.range import Range, ranges
from mantello_core.paints.range import paints as all_paints
from mantello_core.paints.shopping import RESERVE, shopping
from mantello_core.planning.consumable import consumables
from mantello_core.planning.shortage import shortages

from .forms import CountForm, ShelfFileForm, StockForm
from .taking import TAKING, paints_to_take

CSV = "text/csv; charset=utf-8"


@login_required
@require_safe
def paints(request, army_id):
    """Every paint by range with what is owned; a chosen pot, or the pots to count, as the address asks for."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, **forms):
    """The page; ``forms`` holds those that came back with errors."""
    reading = reading_of(army.head)
    owned = OwnedPaint.objects.of(request.user)
    used: dict[str, list[str]] = {}
    for role in reading.design.scheme.roles:
        for _, recipe in role.recipes:
            for step in recipe.steps:
                for pot in step.mix.paints:
                    names = used.setdefault(pot.id, [])
                    if role.name not in names:
                        names.append(role.name)
    catalogue = catalogue_for(army)
    mine = set(OwnPaint.objects.filter(owner=request.user).values_list("paint", flat=True))
    own = tuple(pot for pot in catalogue if pot.id in mine)
    counting = forms.get("count") or (CountForm(owned, catalogue) if request.GET.get("count") else None)
    chosen = catalogue.get(forms.get("pot") or request.GET.get("pot", ""))
    purchases = shopping(reading.needed, owned, catalogue)
    view = "all" if counting else _view(request.GET.get("view", ""), reading, owned, purchases)
    context = {
        "title": "Paints",
        "view": view,
        "views": VIEWS.items(),
        "shelves": [
            (
                shelf,
                [(pot, owned.get(pot.id), used.get(pot.id, []), _count_field(counting, pot)) for pot in shelf.paints],
            )
            for shelf in _shelves(view, reading, owned, catalogue, purchases, own)
        ],
        "shortages": shortages(reading.design.army, reading.needed_by_unit, owned, catalogue)
        if reading.design.army.figures
        else (),
        "consumables": consumables(reading.work.atoms) if reading.design.army.figures else (),
        "unit_names": {unit.id: reading.design.army.title(unit.id) for unit in reading.design.army.units},
        "purchases": purchases,
        "to_buy": sum(one.pots for one in purchases),
        "cost": sum(one.cost or 0.0 for one in purchases),
        "unpriced": sum(bool(one.pots) and one.cost is None for one in purchases),
        "reserve": RESERVE,
        "undercoat": reading.design.scheme.ground,
        "counting": counting,
        "owned": len([stock for stock in owned.values() if stock.pots]),
        "chosen": chosen,
        "file_form": forms.get("file") or ShelfFileForm(),
        "lines": forms.get("lines", ()),
        "taking": _taking(request),
    }
    if chosen:
        context |= _chosen(chosen, owned, forms.get("stock"), used, reading.needed)
        context["mistaken"] = alike(chosen, tuple(catalogue))[:8]
    return room_page(request, army, "paints", "paints/paints.html", context, status)


#: what of the paints is shown: name to words
VIEWS = {"used": "In use", "shelf": "Your shelf", "buy": "To buy", "all": "All ranges"}


def _view(asked: str, reading: Reading, owned, purchases) -> str:
    """What is shown: as asked, else what the army uses, else what is owned, else everything."""
    there = {
        "used": bool(reading.needed),
        "shelf": any(stock.pots for stock in owned.values()),
        "buy": any(one.pots for one in purchases),
        "all": True,
    }
    return asked if there.get(asked) else next(name for name, known in there.items() if known and name != "buy")


def _shelves(view: str, reading: Reading, owned, catalogue, purchases, own) -> list[Range]:
    """The paints of a view: what the army uses most first, what stands on the shelf, what is to buy, or all by range."""
    if view == "used":
        pots = sorted((catalogue.paint(id_) for id_ in reading.needed), key=lambda pot: -reading.needed[pot.id])
        return [Range("used", "What the army uses", "The most first", tuple(pots))]
    if view == "shelf":
        pots = tuple(pot for pot in catalogue if pot.id in owned and owned[pot.id].pots)
        return [Range("shelf", "On your shelf", f"{len(pots)} paints", pots)]
    if view == "buy":
        pots = tuple(one.paint for one in purchases if one.pots)
        return [Range("buy", "To buy", f"{len(pots)} paints, less what you own", pots)]
    mine = [Range("own", OWN, "Added by you; estimated from what you read off them", own)] if own else []
    return [*mine, *ranges()]


def _taking(request) -> Job | None:
    """The paints that are being taken in, as the address names them."""
    asked = whole_number(request.GET.get("taking", ""), 10**12)
    return Job.objects.visible_to(request.user).filter(pk=asked, kind=TAKING).first()


def _chosen(pot, owned, form, used, needed):
    stock = owned.get(pot.id)
    initial = (
        {"pots": f"{stock.pots:g}", **{name: getattr(stock, name) for name in ("price", "note", "discontinued")}}
        if stock
        else {}
    )
    return {
        "stock_form": form or StockForm(initial=initial),
        "roles": used.get(pot.id, []),
        "takes": needed.get(pot.id, 0.0),
        "replaceable": pot.covers or pot.transparent,
    }


def _count_field(counting, pot):
    return counting[f"pots-{pot.id}"] if counting else None


@login_required
@require_POST
def keep_stock(request, army_id, pot):
    """What is owned of one paint."""
    army = army_for(request, army_id)
    found = catalogue_for(army).paint(pot, "paint")
    form = StockForm(request.POST)
    if not form.is_valid():
        return _page(request, army, 422, stock=form, pot=found.id)
    stock = form.cleaned_data["stock"]
    OwnedPaint.objects.keep(request.user, {found.id: stock})
    messages.success(request, f"{found.name}: {stock.words} on the shelf")
    return redirect(f"{reverse('paints', args=[army.pk])}?pot={found.id}")


@login_required
@require_POST
def count_shelf(request, army_id):
    """Pots of every paint, counted at once."""
    army = army_for(request, army_id)
    form = CountForm(OwnedPaint.objects.of(request.user), catalogue_for(army), request.POST)
    if not form.is_valid():
        return _page(request, army, 422, count=form)
    shelf = form.cleaned_data["shelf"]
    OwnedPaint.objects.keep(request.user, shelf)
    messages.success(request, f"Shelf counted: {sum(bool(stock.pots) for stock in shelf.values())} paints on it")
    return redirect("paints", army.pk)


@login_required
@require_POST
def read_shelf_file(request, army_id):
    """A shelf from a file: all of it, or nothing and what is doubtful."""
    army = army_for(request, army_id)
    form = ShelfFileForm(request.POST, request.FILES, catalogue=catalogue_for(army))
    if not form.is_valid():
        return _page(request, army, 422, file=form)
    read = form.cleaned_data.get("read")
    if read:
        job = paints_to_take(request.user, army, read)
        return redirect(f"{reverse('paints', args=[army.pk])}?taking={job.pk}")
    lines = form.cleaned_data["lines"]
    doubtful = [line for line in lines if line.doubt]
    if doubtful:
        form.add_error("file", f"{len(doubtful)} of {len(lines)} lines cannot be taken, so none was; they are below.")
        return _page(request, army, 422, file=form, lines=doubtful)
    OwnedPaint.objects.keep(request.user, {line.paint: line.stock for line in lines})
    messages.success(request, f"Shelf read: {len(lines)} paints")
    return redirect("paints", army.pk)


@login_required
@require_safe
def shelf_file(request, army_id):
    """Everything that is owned, as separated values."""
    army = army_for(request, army_id)
    return download(
        write_shelf(OwnedPaint.objects.of(request.user), catalogue_for(army)), file_of(army.name, "shelf.csv"), CSV
    )


@login_required
@require_safe
def shelf_document(request, army_id):
    """Everything that is owned, own paints with all that is said of them, as JSON."""
    army = army_for(request, army_id)
    text = write_shelf_document(OwnedPaint.objects.of(request.user), OwnPaint.objects.of(request.user))
    return download(text, file_of(army.name, "shelf.json"), "application/json; charset=utf-8")


@login_required
@require_safe
def palette_file(request, army_id):
    """What is on the shelf as a palette for programs that draw; every paint if nothing is."""
    army = army_for(request, army_id)
    stocked = OwnedPaint.objects.stocked(request.user)
    every = (*all_paints().values(), *OwnPaint.objects.of(request.user))
    owned = [pot for pot in every if pot.id in stocked]
    text = write_palette(f"{army.name}, shelf", owned or all_paints().values())
    return download(text, file_of(army.name, "shelf.gpl"), "text/plain; charset=utf-8")


@login_required
@require_safe
def shopping_file(request, army_id):
    """What must be bought for the army, as separated values."""
    army = army_for(request, army_id)
    purchases = shopping(reading_of(army.head).needed, OwnedPaint.objects.of(request.user), catalogue_for(army))
    return download(write_shopping(purchases), file_of(army.name, "shopping.csv"), CSV)
