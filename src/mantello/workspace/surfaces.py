"""What surfaces of a figure type have in common, kept in the database so that no request works it out."""

from mantello_core.camouflage.bare_file import bare_digest, read_bare, write_bare
from mantello_core.camouflage.preparing import BarePlate, bare_plate
from mantello_core.camouflage.surface import COARSE, PITCH
from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.figures.plate import Plate

from .models import BareSurface

#: surfaces that are kept, the newest: about 150 MB
MOST_KEPT = 600


def worn_types() -> list[str]:
    """The shipped figure types that are made for camouflage."""
    return [type_id for type_id in plate_types() if any("camo" in tags for tags in plate(type_id).tags.values())]


def keep_surfaces(shape: Plate) -> int:
    """Work out what is not kept yet of a plate, fine and for a glance; how many were kept."""
    wanted = {bare_digest(shape, pitch): pitch for pitch in (PITCH, COARSE)}
    for known in BareSurface.objects.filter(pk__in=wanted).values_list("pk", flat=True):
        del wanted[known]
    for digest, pitch in wanted.items():
        made = BareSurface(pk=digest, data=write_bare(bare_plate(shape, pitch)))
        BareSurface.objects.bulk_create([made], ignore_conflicts=True)
    old = BareSurface.objects.values_list("pk", flat=True)[MOST_KEPT:]
    BareSurface.objects.filter(pk__in=list(old)).delete()
    return len(wanted)


def kept_surface(question: tuple[Plate, float]) -> BarePlate | None:
    """What is kept of a plate on a raster of a pitch; None if nothing is, or nothing that can be read."""
    shape, pitch = question
    data = BareSurface.objects.filter(pk=bare_digest(shape, pitch)).values_list("data", flat=True).first()
    return read_bare(bytes(data), shape) if data else None


def read_kept_surfaces() -> None:
    """From now on this process looks for a surface in the database before it works one out."""
    bare_plate.memory.behind = kept_surface
