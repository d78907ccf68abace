"""A plate with its sites framed and numbered, and what they bear."""

from xml.sax.saxutils import escape

from ..figures.plate import Plate
from .drawing import Bearing, plate_group

#: what the figure itself is drawn in, so that the marks stand out; the frames' colour
PALE, FRAME = "#e6e0d6", "#8a1f4d"


def site_map_svg(plate: Plate, view_name: str, bearing: Bearing, numbers: dict[str, int], prefix: str) -> str:
    """One view of a plate in a pale colour with a numbered frame about every site. numbers: site id to its number."""
    view = plate.view(view_name)
    box = " ".join(f"{value:g}" for value in view.view_box)
    unit = max(view.view_box[2], view.view_box[3]) / 30
    parts = [plate_group(plate, view_name, lambda area: PALE, detail="small", prefix=prefix, bearing=bearing)]
    for site in view.sites:
        left, top = site.x - site.width * 5, site.y - site.height * 5
        parts.append(
            f'<rect x="{left:.1f}" y="{top:.1f}" width="{site.width * 10:g}" height="{site.height * 10:g}" fill="none"'
            f' stroke="{FRAME}" stroke-width="{unit / 8:.1f}" stroke-dasharray="{unit / 3:.1f} {unit / 4:.1f}"/>'
            f'<circle cx="{left:.1f}" cy="{top:.1f}" r="{unit * 0.62:.1f}" fill="{FRAME}"/>'
            f'<text x="{left:.1f}" y="{top + unit * 0.3:.1f}" font-size="{unit * 0.85:.1f}" text-anchor="middle" fill="#fff"'
            f' font-family="sans-serif">{numbers[site.id]}</text>'
        )
    title = escape(f"{plate.title}, {view_name}: sites for marks")
    return f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{box}" role="img"><title>{title}</title>{"".join(parts)}</svg>'
