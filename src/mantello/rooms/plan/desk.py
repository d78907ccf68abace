"""The desk: one batch large, with the picture of what to paint."""

from html import escape

from mantello.workspace.reading import Reading
from mantello_core.army.tree import Figure
from mantello_core.colour.spaces import hex_of
from mantello_core.figures.vocabulary import group_of, sideless, spoken
from mantello_core.formats.drawing import plate_group
from mantello_core.order.subject import GROUND
from mantello_core.passes.camouflaging import ink_of
from mantello_core.passes.pieces import piece_of
from mantello_core.recipes.step import Step

from .batch import Batch

_GAP, _FOOT = 30, 24
#: stitches round what is painted, as attributes: in print no style sheet reaches into a drawing
_CASE = 'fill="none" stroke="#111" stroke-width="4.4" stroke-linejoin="round"'
_STITCH = 'fill="none" stroke="#f0c14b" stroke-width="2" stroke-dasharray="8 3"'


def areas_to_paint(reading: Reading, batch: Batch, figure: tuple[str, int]) -> tuple[str, ...]:
    """Areas of one figure that a batch paints; for the undercoat all that it is sprayed on."""
    one = reading.resolution.of(Figure(batch.block.task.unit, *figure))
    subjects = {atom.subject for atom in batch.atoms if atom.rank == figure[0] and figure[1] in atom.ordinals}
    marked = {
        name
        for atom in batch.atoms
        if atom.subject.site and atom.rank == figure[0]
        for _, site in one.plate.named_sites(atom.subject.site)
        for name in one.plate.areas_within(site.area)
    }
    design = reading.design
    for atom in batch.atoms:
        if atom.subject.piece and atom.rank == figure[0]:
            piece = piece_of(design, reading.resolution, batch.block.task.unit, figure[0], atom.subject.piece)
            marked |= set(piece.areas or (one.cells if piece.step else parts_of(atom.subject.piece, one)))
    if GROUND in subjects:
        steps = {atom.step for atom in batch.atoms}
        return tuple(area for laid in reading.laid_grounds(one) if laid.step in steps for area in laid.areas)
    roles = {subject.role for subject in subjects if subject.role}
    return tuple(name for name, cell in one.cells.items() if cell.role in roles or name in marked)


def parts_of(piece_id: str, one) -> set[str]:
    """Areas that handwork is about: the part that is joined, the base that gets plants or a magnet."""
    work, _, about = piece_id.partition("-")
    if work in ("mask", "unmask"):
        return {name for name, cell in one.cells.items() if cell.role != about}
    group = about.capitalize() if work == "join" else "Base"
    return {name for name in one.cells if group_of(name) == group}


def areas_words(areas: tuple[str, ...], limit: int = 9) -> str:
    """Areas in words, both sides of one piece said once."""
    words = list(dict.fromkeys(spoken(sideless(area)).lower() for area in areas))
    if not words:
        return ""
    shown = ", ".join(words[:limit]) + (f" and {len(words) - limit} more" if len(words) > limit else "")
    return shown[0].upper() + shown[1:]


def desk_svg(
    reading: Reading,
    batch: Batch,
    figure: tuple[str, int],
    done: frozenset[tuple[str, str]],
    detail: str = "large",
) -> str:
    """Both views of a figure as it stands, the areas to paint in the colour they get, stitched round. detail: as of plates."""
    one = reading.resolution.of(Figure(batch.block.task.unit, *figure))
    shape, wanted = one.plate, set(areas_to_paint(reading, batch, figure))
    coming = _coming(reading, batch, one)

    def fill(area: str) -> str:
        return (
            coming[one.cells[area].role]
            if area in wanted and one.cells[area].role in coming
            else reading.painted_fill(one, area, done)
        )

    if batch.atoms[0].subject.is_ground:

        def fill(area: str) -> str:
            if area not in wanted:
                return reading.painted_fill(one, area, done)
            return hex_of((one.ground_of(area) or reading.design.scheme.ground).colour)

    inks = reading.inks_done(one, done)
    if laid := ink_of(batch.atoms[0].subject.piece):  # what is laid now shows, on this very figure's layout
        inks[laid[0]] = max(inks.get(laid[0], 0), laid[1])
    # marks show once they are there, and at the step that puts them on
    subjects = [*(atom.subject for atom in batch.atoms), *(subject for subject, _ in done)]
    sites = {subject.site for subject in subjects if subject.site}
    bearing = tuple(pair for pair in reading.bearing(one) if pair[0] in sites)
    parts, x, tall = [], 0.0, max(view.view_box[3] for view in shape.views)
    for number, view in enumerate(shape.views):
        left, top, width, height = view.view_box
        parts.append(
            f'<g transform="translate({x - left:.1f} {tall - height - top:.1f})">{plate_group(shape, view.name, fill, detail=detail, prefix=f"desk{number}-", bearing=bearing, camouflage=reading.camouflage(one, view.name, figure[1], laid_to=inks) if inks else ())}'
        )
        if not batch.atoms[0].subject.is_ground:
            parts += [
                f'<path class="sel-case" {_CASE} d="{seen.visible}"/><path class="sel-stitch" {_STITCH} d="{seen.visible}"/>'
                for seen in view.areas
                if seen.area in wanted
            ]
        parts.append("</g>")
        parts.append(
            f'<text x="{x + width / 2:.0f}" y="{tall + 16:.0f}" text-anchor="middle" font-size="17" class="cap">{view.name}</text>'
        )
        x += width + _GAP
    said = escape(f"{shape.title}: {areas_words(tuple(wanted))} to paint")
    return f'<svg viewBox="0 0 {x - _GAP:.0f} {tall + _FOOT:.0f}" role="img" aria-label="{said}" preserveAspectRatio="xMidYMid meet">{"".join(parts)}</svg>'


def _coming(reading: Reading, batch: Batch, one) -> dict[str, str]:
    found = {}
    for atom in batch.atoms:
        role = atom.subject.role
        if role and atom.rank == one.rank:
            found[role] = hex_of(reading.prediction(role, one.tier).outcome(atom.step).after)
    return found


def lap_of(reading: Reading, batch: Batch):
    """Colours before and after the batch, of the step's first role."""
    atom = batch.atoms[0]
    if not atom.subject.role:
        return None
    tier = reading.design.army.rank(atom.unit, atom.rank).tier
    outcome = reading.prediction(atom.subject.role, tier).outcome(atom.step)
    return outcome.before, outcome.after


def pot_of(reading: Reading, batch: Batch, step: Step | None):
    """The colour of what is opened where no lap tells more: the undercoat, or what all figures get; None for handwork."""
    atom = batch.atoms[0]
    if atom.subject.piece:
        return step.mix.film.masstone if step and step.kind != "varnish" else None
    return None if atom.subject.site else reading.undercoat
