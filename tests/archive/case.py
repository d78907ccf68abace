"""An army with something of everything that its archive holds."""

import io
import uuid

from django.utils import timezone
from PIL import Image

from mantello.record import logging as log
from mantello.rooms.plan.evening import Evening
from mantello.trials.models import Photo, TestPiece
from mantello.trials.trial import begun
from mantello.workspace.readings import reading_of
from tests.rooms.case import RoomCase


def jpeg():
    out = io.BytesIO()
    Image.new("RGB", (40, 30), "#806040").save(out, "JPEG")
    return out.getvalue()


class RecordCase(RoomCase):
    """Tests of what is kept beside the design."""

    def keep_record(self, note: str):
        """An entry of the log, an accepted test piece with its photograph, and a variant."""
        batch = Evening(self.army, timezone.now()).current
        log.record(self.army, batch.atoms, set(batch.block.figures), 4, timezone.now(), uuid.uuid4(), note)
        test = begun(self.army, reading_of(self.army.head), "field", "rank")
        test.verdict = TestPiece.Verdict.ACCEPTED
        test.save()
        Photo.objects.create(
            test=test, moment="before", jpeg=jpeg(), width=40, height=30, patches={"card": [0.5, 0.5, "#808080"]}
        )
        self.post("new-variant", name="Summer dress")
