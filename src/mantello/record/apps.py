"""The app's label is that of its tables, which were made when they lay in the room of that name."""

from django.apps import AppConfig


class Record(AppConfig):
    """What was really painted: versions, entries, figures with photographs, decisions."""

    name = "mantello.record"
    label = "log"

    def ready(self):
        """Quote what was decided whenever an edit leaves it."""
        from mantello.workspace.signals import edited

        from .quoting import quote_left

        edited.connect(quote_left, dispatch_uid="record.quote_left")
