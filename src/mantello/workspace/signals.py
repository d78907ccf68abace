"""What others may want to know of the work."""

from django.dispatch import Signal

#: sent after an edit made a new edition, with ``army`` and the editions ``before`` and ``after``; a receiver answers
#: with the sentences it has for the painter
edited = Signal()
