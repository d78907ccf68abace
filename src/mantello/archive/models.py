"""Archives that were given to be read: kept in pieces until a worker has read them."""

from datetime import timedelta
from functools import partial

from django.conf import settings
from django.core.files.uploadedfile import UploadedFile
from django.db import models, transaction
from django.utils import timezone

#: bytes of a piece: what a process holds of a file at once while it comes
_PIECE = 2_000_000
#: files kept of one painter, the newest
MOST_KEPT = 4
#: how long one is kept that was not read
_FORGOTTEN = timedelta(days=1)


class GivenArchiveManager(models.Manager):
    """Keeps what is given."""

    def keep(self, owner, upload: UploadedFile) -> "GivenArchive":
        """Keep a file, piece by piece; the painter's older ones go when there are too many, and what nobody asked to be read
        again for a day."""
        with transaction.atomic():
            given = self.create(owner=owner, name=upload.name[:120])
            upload.seek(0)
            for at, piece in enumerate(iter(partial(upload.read, _PIECE), b"")):
                ArchivePiece.objects.create(given=given, at=at, data=piece)
            newest = self.filter(owner=owner).values_list("pk", flat=True)[:MOST_KEPT]
            self.filter(owner=owner).exclude(pk__in=list(newest)).delete()
            self.filter(made_at__lt=timezone.now() - _FORGOTTEN).delete()
        return given


class GivenArchive(models.Model):
    """A file that should be an archive."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="given_archives")
    name = models.CharField(max_length=120)
    made_at = models.DateTimeField(auto_now_add=True)

    objects = GivenArchiveManager()

    class Meta:
        ordering = ["-pk"]

    def __str__(self) -> str:
        return self.name

    @property
    def data(self) -> bytes:
        """The whole file."""
        return b"".join(bytes(piece) for piece in self.pieces.order_by("at").values_list("data", flat=True).iterator(1))


class ArchivePiece(models.Model):
    """A piece of a file."""

    given = models.ForeignKey(GivenArchive, on_delete=models.CASCADE, related_name="pieces")
    at = models.PositiveIntegerField()
    data = models.BinaryField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["given", "at"], name="archive_piece_once")]

    def __str__(self) -> str:
        return f"{self.given}, {self.at}"
