"""Addresses of the Scheme room."""

from django.urls import path

from . import camouflage, checking, comparing, laying, placing, ruling, sheets, trying, views

urlpatterns = [
    path("", views.scheme, name="scheme"),
    path("table/", views.table, name="table"),
    path("table.csv", views.table_csv, name="table-csv"),
    path("rules/", ruling.rules, name="rules"),
    path("checks/", checking.checks, name="checks"),
    path("checks/fix/", checking.fix, name="fix"),
    path("checks/accept/", checking.accept, name="accept"),
    path("checks/threshold/", checking.set_threshold, name="set-threshold"),
    path("roles/<str:role>/mark/", checking.mark_role, name="mark-role"),
    path("camouflage/", camouflage.camouflage, name="camouflage"),
    path("camouflage/keep/", camouflage.keep_pattern, name="keep-pattern"),
    path("camouflage/view/<str:view>.svg", camouflage.camouflage_view, name="camouflage-view"),
    path("camouflage/try/", laying.try_pattern, name="try-pattern"),
    path("camouflage/try/<str:view>.svg", laying.try_pattern_view, name="try-pattern-view"),
    path("camouflage/sheets.<str:form>", sheets.camouflage_sheets, name="camouflage-sheets"),
    path("camouflage/<str:pattern>/", camouflage.change_pattern, name="change-pattern"),
    path("variants/", comparing.variants, name="variants"),
    path("variants/new/", comparing.new_variant, name="new-variant"),
    path("variants/<int:variant_id>/", comparing.change_variant, name="change-variant"),
    path("preview/", views.preview, name="preview"),
    path("marks/place/", placing.place_device, name="place-device"),
    path("near/", trying.near, name="near"),
    path("roles/<str:role>/start/", trying.start_recipe, name="start-recipe"),
    path("set/", views.set_here, name="set-here"),
    path("clear/", views.clear_here, name="clear-here"),
    path("roles/new/", views.new_role, name="new-role"),
    path("roles/<str:role>/rename/", views.rename_role, name="rename-role"),
    path("roles/<str:role>/remove/", views.remove_role, name="remove-role"),
    path("tables/new/", ruling.new_table, name="new-table"),
    path("tables/<str:table>/cell/", ruling.set_cell, name="set-cell"),
    path("tables/<str:table>/column/", ruling.set_column, name="set-column"),
    path("rules/keep/", ruling.keep_rule, name="keep-rule"),
    path("rules/substitute/", ruling.substitute, name="substitute"),
    path("rules/tone/", ruling.tone, name="tone"),
    path("take-over/<int:other_id>/", ruling.take_over, name="take-over"),
    path("rules/<str:rule>/", ruling.change_rule, name="change-rule"),
]
