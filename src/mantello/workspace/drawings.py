"""Drawings of painters' own figure types, kept once each beside the editions that name them."""

from mantello_core.design.design import Design
from mantello_core.figures.plate import plate_mapping
from mantello_core.formats.document.design import write_design

from .models import Drawing


def stored(design: Design) -> dict:
    """A design's document as editions keep it, after keeping the drawings it names."""
    wanted = {one.digest: one for one in design.army.types}
    if wanted:
        from .tasks import surface

        known = set(Drawing.objects.filter(pk__in=wanted).values_list("pk", flat=True))
        new = [
            Drawing(pk=digest, data=plate_mapping(one.plate)) for digest, one in wanted.items() if digest not in known
        ]
        Drawing.objects.bulk_create(new, ignore_conflicts=True)
        for one in new:
            surface.defer(named=one.pk)
    return write_design(design, drawings=False)


def drawing_of(digest: str) -> dict | None:
    """A kept drawing, which was checked when it came; None if there is none of that digest."""
    return Drawing.objects.filter(pk=digest).values_list("data", flat=True).first()
