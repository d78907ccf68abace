"""What a worker does with photographs and 3D files of figures: cut them up, and make the drawing of a type from what was given."""

import gzip
import io
from collections.abc import Iterator

import numpy as np
from django.db import transaction
from PIL import Image, ImageDraw

from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.workpieces.models import FigureModel, FigurePhotograph, Workpiece
from mantello_core.figures.modelled.model import Model, modelled, modelled_type, unseen
from mantello_core.figures.modelled.packing import handing_out as handing_out_model
from mantello_core.figures.modelled.packing import packed as packed_model
from mantello_core.figures.modelled.packing import unpacked as unpacked_model
from mantello_core.figures.modelled.patches import patch_map
from mantello_core.figures.modelled.solid import set_upright, upright_side
from mantello_core.figures.modelled.triangles import triangles
from mantello_core.figures.modelled.turning import turned_surface
from mantello_core.figures.own import digest_of
from mantello_core.figures.photographed.cutting import cut_off, cut_up
from mantello_core.figures.photographed.figure import Photographed, photographed_type
from mantello_core.figures.photographed.hand_drawn import carried_over
from mantello_core.figures.photographed.packing import handing_out, packed, unpacked
from mantello_core.figures.piecework.telling import label_picture
from mantello_core.formats.figure_drawing import usual_material

from .cutting import BORDER, FIGURE, TABLE

#: pixels along the longer side that a photograph is worked on at; a stroke's width in them
WORK, _STROKE = 900, 9
#: how bright a model is drawn where the light is its median, and the table about it
_GREY, _TABLE = 0.55, 0.86


def photograph_cut(job: Job) -> Iterator[Step]:
    """Cut a photograph up and keep the pieces; what was given before is given to the pieces that lie there now."""
    yield Step(0, 1)
    one = FigurePhotograph.objects.get(pk=job.asked["photograph"])
    picture = Image.open(io.BytesIO(bytes(one.jpeg))).convert("RGB")
    picture.thumbnail((WORK, WORK), Image.Resampling.LANCZOS)
    masks = {mark: _stroked(picture.size, one.strokes, mark) for mark in (FIGURE, TABLE)}
    lines = [np.array(points) * picture.size for mark, points in one.strokes if mark == BORDER and len(points) > 1]
    cut = cut_up(np.asarray(picture, np.float32) / 255, masks[FIGURE], masks[TABLE], lines)
    before = {int(piece): area for piece, area in one.given.items()}
    old = unpacked(bytes(one.cut)).labels if one.cut else None
    fits = old is not None and old.shape == cut.labels.shape
    carried = carried_over(before, old, cut.labels) if fits else {}
    pieces = _saved(Image.fromarray(label_picture(cut.labels)), "PNG")
    one.cut, one.pieces, one.graph = packed(cut), pieces, handing_out(cut)
    one.given = {str(piece): area for piece, area in carried.items()}
    one.cut_off = list(cut_off(cut.mask))
    one.save(update_fields=["cut", "pieces", "graph", "given", "cut_off"])
    yield Step(1, 1, {"pieces": len(cut.graph.size)})


def _stroked(size: tuple[int, int], strokes: list, mark: str) -> np.ndarray | None:
    """Where the strokes of a mark are; None for none."""
    lines = [points for kind, points in strokes if kind == mark]
    if not lines:
        return None
    sheet = Image.new("1", size)
    draw = ImageDraw.Draw(sheet)
    wide, tall = size
    for points in lines:
        at = [(x * wide, y * tall) for x, y in points]
        draw.line(at if len(at) > 1 else at * 2, fill=1, width=_STROKE, joint="curve")
        for x, y in (at[0], at[-1]):
            draw.ellipse((x - _STROKE / 2, y - _STROKE / 2, x + _STROKE / 2, y + _STROKE / 2), fill=1)
    return np.asarray(sheet, bool)


def figure_drawn(job: Job) -> Iterator[Step]:
    """Make the drawing. The result: the drawing, and its digest."""
    work = Workpiece.objects.get(pk=job.asked["workpiece"])
    if work.solid is not None:
        yield from _modelled(work)
        return
    taken = [one for one in work.photographs.exclude(cut=b"") if one.given]
    yield Step(0, 2)
    views = tuple(
        Photographed(one.view, unpacked(bytes(one.cut)), {int(piece): area for piece, area in one.given.items()})
        for one in taken
    )
    areas = {area for one in taken for area in one.given.values()}
    materials = {area: work.materials.get(area) or usual_material(area) for area in areas}
    yield Step(1, 2)
    drawing = photographed_type(views, materials, base_mm=work.base_mm, height_mm=work.height_mm)
    yield Step(2, 2, {"drawing": drawing, "digest": digest_of(drawing)})


def _modelled(work: Workpiece) -> Iterator[Step]:
    """The same of a 3D file, with what could not be seen of it."""
    yield Step(0, 2)
    model = unpacked_model(bytes(work.solid.cut))
    given = {int(piece): area for piece, area in work.photographs.first().given.items()}
    materials = {area: work.materials.get(area) or usual_material(area) for area in given.values()}
    yield Step(1, 2)
    drawing = modelled_type(model, given, materials)
    names, by_patch = model.areas(given)
    work.solid.surface = gzip.compress(turned_surface(model, by_patch), 5)
    work.solid.save(update_fields=["surface"])
    told = {"names": names, "unseen": unseen(model, given)}
    yield Step(2, 2, {"drawing": drawing, "digest": digest_of(drawing)} | told)


def model_cut(job: Job) -> Iterator[Step]:
    """Read a 3D file, set it upright, cut it up, look at it from all sides and keep that; nothing is given any more."""
    yield Step(0, 100)
    one = FigureModel.objects.get(pk=job.asked["model"])
    corners = triangles(bytes(one.data), one.name)
    one.up = one.up or upright_side(corners)
    corners = set_upright(corners, one.up, one.quarters, one.height_mm)
    for share, _, found in modelled(corners):
        model = found
        yield Step(min(99, round(100 * share)), 100)
    one.cut = packed_model(model)
    fresh = [_side(one.workpiece, model, view) for view in model.views]
    with transaction.atomic():
        one.save(update_fields=["up", "cut"])
        one.workpiece.photographs.all().delete()
        FigurePhotograph.objects.bulk_create(fresh)
    yield Step(100, 100, {"pieces": len(model.graph.size)})


def _side(work: Workpiece, model: Model, view: str) -> FigurePhotograph:
    """One view of a model as a picture of it in grey, with its pieces."""
    tone = np.clip(_GREY * model.light(view) ** (1 / 2.2), 0, 1)
    picture = np.where(model.views[view].mask, tone, _TABLE)
    grey = Image.fromarray(np.round(picture * 255).astype(np.uint8))
    labels = patch_map(model.views[view], model.patch)
    return FigurePhotograph(
        workpiece=work, view=view, jpeg=_saved(grey, "JPEG"), graph=handing_out_model(model, view),
        pieces=_saved(Image.fromarray(label_picture(labels)), "PNG"),
    )  # fmt: skip


def _saved(picture: Image.Image, kind: str) -> bytes:
    out = io.BytesIO()
    picture.save(out, kind, optimize=True)
    return out.getvalue()
