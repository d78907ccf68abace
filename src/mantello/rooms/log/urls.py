"""Addresses of the Log room."""

from django.urls import path

from . import deciding, evening, figures, measuring, pictured, presenting, reinforcing, upkeep, views

urlpatterns = [
    path("", views.log, name="log"),
    path("reinforcements/", reinforcing.reinforcements, name="reinforcements"),
    path("reinforcements/muster/", reinforcing.muster_more, name="muster-more"),
    path("evening/", evening.evening, name="evening"),
    path("evening/right/", evening.put_right, name="put-right"),
    path("<int:entry_id>/mix/", evening.remake, name="remake"),
    path("lock/", views.lock_unit, name="lock-unit"),
    path("bench/", upkeep.upkeep, name="upkeep"),
    path("figures/", figures.figure_history, name="figure-history"),
    path("figures/photo/", figures.keep_photo, name="keep-photo"),
    path("figures/photo/<int:pk>.jpg", figures.figure_photo, name="figure-photo"),
    path("figures/photo/<int:pk>/remove/", figures.remove_photo, name="remove-photo"),
    path("figures/photo/<int:pk>/colours/", pictured.pictured, name="pictured"),
    path("figures/photo/<int:pk>/colours/point/", pictured.point_at, name="point-at"),
    path("figures/photo/<int:pk>/colours/keep/", pictured.keep_readings, name="keep-readings"),
    path("figures/photo/<int:pk>/evened.jpg", pictured.evened_photo, name="evened-photo"),
    path("figures/look/", figures.keep_look, name="keep-look"),
    path("figures/elsewhere/", figures.log_elsewhere, name="log-elsewhere"),
    path("figures/measure/", measuring.measure, name="measure"),
    path("figures/strip.pdf", presenting.strip, name="strip"),
    path("shooting.pdf", presenting.shooting, name="shooting"),
    path("decisions/", deciding.decisions, name="decisions"),
    path("decisions/decide/", deciding.decide, name="decide"),
    path("decisions/<int:pk>/", deciding.change_decision, name="change-decision"),
    path("dry/<uuid:batch>/", views.found_dry, name="found-dry"),
    path("differences/", views.settle_difference, name="settle-difference"),
    path("settled/<int:settlement_id>/", views.reopen_settlement, name="reopen-settlement"),
    path("<int:entry_id>/", views.change_entry, name="change-entry"),
]
