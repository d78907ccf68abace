"""Workpieces: a figure's photographs or its 3D file cut up, what was given to which area, and the drawing made of it."""

from django.conf import settings
from django.db import models

#: workpieces that a painter may have at once
MOST_WORKPIECES = 24


class Workpiece(models.Model):
    """A figure on its way from photographs or a 3D file to a figure type; kept beside the type for later changes."""

    army = models.ForeignKey("army.Army", on_delete=models.CASCADE, related_name="workpieces")
    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="workpieces")
    title = models.CharField(max_length=80)
    #: width of the base, mm; 0 where it is scaled by the height
    base_mm = models.FloatField(default=0.0)
    height_mm = models.FloatField(default=0.0)
    #: area to material, where it is not the usual one
    materials = models.JSONField(default=dict)
    #: id of the figure type it was kept as; '' for none yet
    type_id = models.CharField(max_length=120, blank=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-pk"]

    def __str__(self) -> str:
        return self.title

    @property
    def solid(self) -> "FigureModel | None":
        """Its 3D file; None where it came from photographs."""
        return getattr(self, "model", None)


class FigureModel(models.Model):
    """The 3D file of a figure, how it is set upright, and what was worked out of it."""

    workpiece = models.OneToOneField(Workpiece, on_delete=models.CASCADE, related_name="model")
    #: of the file; its ending tells its kind
    name = models.CharField(max_length=80)
    data = models.BinaryField()
    #: the side of the file that is up, '' to guess it; quarters it is turned by; height, mm, 0 for the file's own
    up = models.CharField(max_length=2, blank=True)
    quarters = models.PositiveSmallIntegerField(default=0)
    height_mm = models.FloatField(default=0.0)
    #: as ``figures.modelled.packing`` packs it; empty until it is cut up
    cut = models.BinaryField(default=b"", blank=True)
    #: as ``figures.modelled.turning`` gives it, gzipped, with the areas of the newest drawing; empty until there is one
    surface = models.BinaryField(default=b"", blank=True)

    def __str__(self) -> str:
        return self.name


class FigurePhotograph(models.Model):
    """One view of a figure: a photograph, of which nothing is kept but its pixels, or a picture of its 3D file; and what was
    worked out of it."""

    workpiece = models.ForeignKey(Workpiece, on_delete=models.CASCADE, related_name="photographs")
    #: front, back, left, right or top
    view = models.CharField(max_length=8)
    jpeg = models.BinaryField()
    #: as ``figures.photographed.packing`` packs it; empty until it is cut up, and for a view of a 3D file
    cut = models.BinaryField(default=b"", blank=True)
    #: pieces as a PNG, and what a browser hands them out with
    pieces = models.BinaryField(default=b"", blank=True)
    graph = models.JSONField(default=dict)
    #: strokes of the painter, as [figure or table, [[x, y], ...]] in shares of width and height
    strokes = models.JSONField(default=list)
    #: piece to area
    given = models.JSONField(default=dict)
    #: edges of the picture that the figure runs into
    cut_off = models.JSONField(default=list)

    class Meta:
        ordering = ["pk"]
        constraints = [models.UniqueConstraint(fields=["workpiece", "view"], name="view_photographed_once")]

    def __str__(self) -> str:
        return f"{self.workpiece}: {self.view}"
