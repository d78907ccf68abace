"""Addresses of the Insignia room."""

from django.urls import path

from . import bearers, bought, cloth, differences, emblems, freehand, mapping, transfers, unit_codes, views

urlpatterns = [
    path("", views.insignia, name="insignia"),
    path("bearers/", bearers.bearers, name="bearers"),
    path("map/", mapping.mark_map, name="mark-map"),
    path("by-hand/", freehand.mark_guide, name="mark-by-hand"),
    path("by-hand.pdf", freehand.mark_sheet, name="mark-by-hand-sheet"),
    path("codes/", unit_codes.unit_codes, name="unit-codes"),
    path("codes/keep/", unit_codes.keep_system, name="keep-system"),
    path("codes/<str:system>/change/", unit_codes.change_codes, name="change-codes"),
    path("codes/<str:system>/list/", unit_codes.paste_codes, name="paste-codes"),
    path("codes/<str:system>/remove/", unit_codes.remove_system, name="remove-system"),
    path("bearers/method/", bearers.mark_method, name="mark-method"),
    path("bought/", bought.bought, name="bought"),
    path("bought/keep/", bought.keep_sheet, name="keep-sheet"),
    path("bought/<str:sheet>/remove/", bought.remove_sheet, name="remove-sheet"),
    path("emblems/", emblems.emblems, name="emblems"),
    path("emblems/keep/", emblems.keep_emblem, name="keep-emblem"),
    path("emblems/change/", emblems.change_emblem, name="change-emblem"),
    path("cloth/", cloth.cloth, name="cloth"),
    path("cloth/keep/", cloth.keep_cloth, name="keep-cloth"),
    path("transfers/", transfers.transfers, name="transfers"),
    path("transfers.pdf", transfers.transfers_pdf, name="transfers-pdf"),
    path("transfers/<int:sheet>.svg", transfers.transfers_svg, name="transfers-svg"),
    path("draw/", views.draw, name="draw-arms"),
    path("complete/", views.complete, name="complete-blazon"),
    path("compose/", views.compose, name="compose-arms"),
    path("keep/", views.keep_arms, name="keep-arms"),
    path("<str:arms>/differences/", differences.differences, name="differences"),
    path("<str:arms>/differences/keep/", differences.keep_difference, name="keep-difference"),
    path("<str:arms>/freehand/", freehand.freehand_guide, name="freehand"),
    path("<str:arms>/freehand.pdf", freehand.freehand_sheet, name="freehand-sheet"),
    path("<str:arms>/remove/", views.remove_arms, name="remove-arms"),
    path("<str:arms>/arms.svg", views.arms_file, name="arms-file"),
]
