"""Addresses of the Log room."""

from django.urls import path

from . import bench, views

urlpatterns = [
    path("", views.log, name="log"),
    path("bench/", bench.bench, name="bench"),
    path("differences/", views.settle_difference, name="settle-difference"),
    path("settled/<int:settlement_id>/", views.reopen_settlement, name="reopen-settlement"),
    path("<int:entry_id>/", views.change_entry, name="change-entry"),
]
