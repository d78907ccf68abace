"""Addresses of the Log room."""

from django.urls import path

from . import archiving, bench, reinforcing, views

urlpatterns = [
    path("", views.log, name="log"),
    path("reinforcements/", reinforcing.reinforcements, name="reinforcements"),
    path("reinforcements/muster/", reinforcing.muster_more, name="muster-more"),
    path("archive.zip", archiving.archive_file, name="archive-file"),
    path("bench/", bench.bench, name="bench"),
    path("differences/", views.settle_difference, name="settle-difference"),
    path("settled/<int:settlement_id>/", views.reopen_settlement, name="reopen-settlement"),
    path("<int:entry_id>/", views.change_entry, name="change-entry"),
]
