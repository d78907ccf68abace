"""Addresses of the Scheme room."""

from django.urls import path

from . import checking, views

urlpatterns = [
    path("", views.scheme, name="scheme"),
    path("table/", views.table, name="table"),
    path("rules/", views.rules, name="rules"),
    path("checks/", checking.checks, name="checks"),
    path("checks/fix/", checking.fix, name="fix"),
    path("checks/accept/", checking.accept, name="accept"),
    path("checks/threshold/", checking.set_threshold, name="set-threshold"),
    path("roles/<str:role>/mark/", checking.mark_role, name="mark-role"),
    path("preview/", views.preview, name="preview"),
    path("set/", views.set_here, name="set-here"),
    path("clear/", views.clear_here, name="clear-here"),
    path("roles/new/", views.new_role, name="new-role"),
    path("roles/<str:role>/rename/", views.rename_role, name="rename-role"),
    path("roles/<str:role>/remove/", views.remove_role, name="remove-role"),
    path("tables/new/", views.new_table, name="new-table"),
    path("tables/<str:table>/cell/", views.set_cell, name="set-cell"),
    path("tables/<str:table>/column/", views.set_column, name="set-column"),
    path("rules/<str:rule>/", views.change_rule, name="change-rule"),
]
