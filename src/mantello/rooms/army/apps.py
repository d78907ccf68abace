"""The room as an app without tables; its name is taken by those it had at first."""

from django.apps import AppConfig


class Room(AppConfig):
    """The Army room."""

    name = "mantello.rooms.army"
    label = "army_room"
