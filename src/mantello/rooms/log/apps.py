"""The room as an app without tables; its name is taken by those it had at first."""

from django.apps import AppConfig


class Room(AppConfig):
    """The Log room."""

    name = "mantello.rooms.log"
    label = "log_room"
