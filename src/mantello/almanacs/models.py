"""Almanacs of an account, lists that were pasted or uploaded, and what the painter said of words."""

from django.conf import settings
from django.db import models, transaction

from mantello.shell.soon import kept_beside
from mantello_core.errors import OutOfRange
from mantello_core.formats.almanac_document import read_kept_almanac, write_almanac
from mantello_core.formats.found_table import facts_of, write_reading
from mantello_core.memory import Memory
from mantello_core.uniforms.almanac import Almanac as Said
from mantello_core.uniforms.almanac import with_facts
from mantello_core.uniforms.reading.table import read_table

#: almanacs and lists that an account may keep
MOST_ALMANACS, MOST_LISTS = 40, 60
#: bytes of a list that is read at once, about 200 lines; a longer one is read by a worker
SHORT = 12_000
#: facts of an almanac that is read and laid out while its painter waits
LITTLE = 200
#: what a read almanac takes in memory for every fact of it: measured
_FACT_BYTES = 1_500
_read = Memory("almanacs", 16 * 2**20)


def _size_of(said: Said) -> int:
    return _FACT_BYTES * (len(said.facts) + 10)


class AlmanacQuerySet(models.QuerySet):
    """The almanacs of an account."""

    def visible_to(self, user) -> "AlmanacQuerySet":
        """Those of a user."""
        return self.filter(owner=user)

    def named_for(self, user) -> "AlmanacQuerySet":
        """Those of a user to choose from: without what they say, which may be megabytes of each."""
        return self.visible_to(user).defer("document")

    def keep(self, user, said: Said) -> "Almanac":
        """Keep a new almanac.

        Raises: OutOfRange for more than an account may keep.
        """
        if self.filter(owner=user).count() >= MOST_ALMANACS:
            raise OutOfRange(f"There are {MOST_ALMANACS} almanacs already; take one away first.", "title")
        return self.create(owner=user, title=said.title[:200], document=write_almanac(said))


class Almanac(models.Model):
    """A dress almanac."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="almanacs")
    title = models.CharField(max_length=200)
    document = models.JSONField()
    #: counts its changes, so that what was read of it is known for old
    number = models.PositiveIntegerField(default=1)
    changed_at = models.DateTimeField(auto_now=True)

    objects = AlmanacQuerySet.as_manager()

    class Meta:
        ordering = ["pk"]

    def __str__(self) -> str:
        return self.title

    @property
    def is_little(self) -> bool:
        """Whether it is read while its painter waits."""
        return len(self.document["facts"]) <= LITTLE

    def as_core(self) -> Said:
        """The almanac as the core has it.

        Raises: BeingWorkedOut while a page is asked for that can wait for it.
        """
        return kept_beside(
            _read, (self.pk, self.number), lambda: read_kept_almanac(self.document), _size_of, little=self.is_little
        )

    @transaction.atomic
    def change(self, change) -> "Almanac":
        """Change it by a function of what it says now; what others changed meanwhile stays.

        Raises: what the change refuses.
        """
        locked = Almanac.objects.select_for_update().get(pk=self.pk)
        said = change(locked.as_core())
        locked.document, locked.title, locked.number = write_almanac(said), said.title[:200], locked.number + 1
        locked.save()
        return locked


class FactPicture(models.Model):
    """A picture that an entry was read from: a plate the painter owns, photographed. Nothing of the file is kept but its pixels."""

    almanac = models.ForeignKey(Almanac, on_delete=models.CASCADE, related_name="pictures")
    #: id of the entry in the almanac
    fact = models.CharField(max_length=12)
    jpeg = models.BinaryField()
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["almanac", "fact"], name="fact_pictured_once")]

    def __str__(self) -> str:
        return f"{self.almanac}: {self.fact}"


class FoundList(models.Model):
    """A list as it was found, with the painter's answers to what is doubtful in it, and what was made of it."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="found_lists")
    name = models.CharField(max_length=120)
    data = models.BinaryField()
    #: doubt to answer
    answers = models.JSONField(default=dict)
    #: as ``formats.found_table`` writes it; None while it is being read
    made = models.JSONField(null=True)
    #: the almanac that its facts were taken into
    taken = models.ForeignKey(Almanac, on_delete=models.SET_NULL, null=True, related_name="lists")
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-pk"]

    def __str__(self) -> str:
        return self.name

    @property
    def short(self) -> bool:
        """Whether it is read while its painter waits."""
        return len(self.data) <= SHORT

    def read(self) -> None:
        """Make what can be made of it with the answers so far.

        Raises: what ``read_table`` refuses.
        """
        decisions = KnownWord.objects.of(self.owner) | self.answers
        self.made = write_reading(read_table(bytes(self.data), decisions))
        self.save()

    def take_into(self, almanac: Almanac) -> Almanac:
        """Add its facts to an almanac.

        Raises: OutOfRange for more than an almanac may hold.
        """
        facts = facts_of(self.made)
        changed = almanac.change(lambda said: with_facts(said, facts))
        self.taken = changed
        self.save(update_fields=["taken"])
        return changed


class KnownWordQuerySet(models.QuerySet):
    """What an account said of words."""

    def of(self, user) -> dict[str, str]:
        """Answers to doubts about words, as the reader takes them."""
        return {f"word:{row.word}": row.term for row in self.filter(owner=user)}


class KnownWord(models.Model):
    """What a painter said a word of lists means."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="known_words")
    word = models.CharField(max_length=200)
    #: id of a colour term
    term = models.CharField(max_length=60)

    objects = KnownWordQuerySet.as_manager()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "word"], name="word_known_once")]

    def __str__(self) -> str:
        return f"{self.word}: {self.term}"
