"""The product's own figures on their way: a diver photographed, a carrier as a 3D file."""

from django.db import transaction

from mantello_core.figures.modelled import sample as model
from mantello_core.figures.photographed import sample as photographs

from .models import FigureModel, FigurePhotograph, Workpiece


@transaction.atomic
def sample_workpieces(army) -> None:
    """Both as if they were sent to an army (``workspace.models.Army``) a moment ago; they are cut up when they are opened."""
    carrier = Workpiece.objects.create(army=army, owner=army.owner, title=model.TITLE)
    FigureModel.objects.create(workpiece=carrier, name=model.NAME, data=model.sample_model())
    diver = Workpiece.objects.create(army=army, owner=army.owner, title=photographs.TITLE, base_mm=photographs.BASE_MM)
    for view, data in photographs.sample_photographs().items():
        FigurePhotograph.objects.create(workpiece=diver, view=view, jpeg=data)
