"""Addresses of archives."""

from django.urls import path

from . import views

urlpatterns = [
    path("archives/", views.archives, name="archives"),
    path("armies/<int:army_id>/log/archive.zip", views.archive_file, name="archive-file"),
]
