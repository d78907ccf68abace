"""The room as an app without tables; its name is taken by those it had at first."""

from django.apps import AppConfig


class Room(AppConfig):
    """The Paints room."""

    name = "mantello.rooms.paints"
    label = "paints_room"
