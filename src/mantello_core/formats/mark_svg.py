"""What one site bears, drawn on the colour of what it lies on."""

from dataclasses import replace
from xml.sax.saxutils import escape

from ..figures.plate import SeenArea, Site
from ..insignia.devices.worn import WornMark, worn


def mark_svg(site: Site, ground: str, mark: WornMark | None, *, css: str = "site-picture", title: str = "") -> str:
    """A site at its own proportions in its ground's colour, with its mark. ground: '#rrggbb'. title: '' hides it from readers."""
    wide, tall = site.width * 10, site.height * 10
    drawn = ""
    if mark:
        whole = SeenArea.plain(site.area, site.width, site.height)
        pieces = worn(mark, replace(site, x=0, y=0), (whole,), "front")
        drawn = "".join(f'<path fill="{fill}" d="{d}"/>' for fill, d in pieces)
    told = f'role="img"><title>{escape(title)}</title>' if title else 'aria-hidden="true">'
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" class="{css}" viewBox="{-wide / 2:.1f} {-tall / 2:.1f} {wide:.1f} {tall:.1f}"'
        f' fill-rule="evenodd" {told}'
        f'<rect x="{-wide / 2:.1f}" y="{-tall / 2:.1f}" width="{wide:.1f}" height="{tall:.1f}" fill="{ground}"/>{drawn}</svg>'
    )
