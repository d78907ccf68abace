"""A few figures to know an army by, drawn once for every edition and kept with it."""

from mantello.jobs.models import Job
from mantello.jobs.queue import asked_for, last_job
from mantello.workspace.models import Army, Edition
from mantello.workspace.readings import reading_of
from mantello_core.scheme.cascade import FigureClass

#: the kind of job that draws
FACES = "army.faces"
#: how many are drawn, and how tall they are shown, pixels
_MOST, _TALL = 6, 74


def faces_asked(army: Army) -> Job | None:
    """The job that draws the faces of the edition an army stands at; None where they are drawn, or cannot be."""
    edition = army.head
    if edition.face_sizes is not None or not edition.counts["figures"]:
        return None
    last = last_job(army.owner, FACES, _key(edition))
    if last and last.state == Job.State.FAILED:
        return None
    return asked_for(army.owner, FACES, _key(edition), army, edition=edition.pk)


def draw_faces(edition: Edition) -> None:
    """Draw the front of one figure of each of the first kinds, as designed, and keep them."""
    reading = reading_of(edition)
    kinds: dict[tuple[str, str], FigureClass] = {}
    for one in reading.resolution.classes:
        kinds.setdefault((one.rank, one.type), one)
    faces, sizes = [], []
    for one in list(kinds.values())[:_MOST]:
        front = one.plate.views[0]
        _, _, width, tall = front.view_box
        faces.append(reading.drawn(one, front.name, detail="small"))
        sizes.append([round(width * _TALL / tall), _TALL])
    Edition.objects.filter(pk=edition.pk).update(faces=faces, face_sizes=sizes)


def _key(edition: Edition) -> str:
    return str(edition.pk)
