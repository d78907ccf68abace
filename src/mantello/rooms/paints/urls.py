"""Addresses of the Paints room."""

from django.urls import path

from . import adding, costing, fewest, matching, picking, views

urlpatterns = [
    path("", views.paints, name="paints"),
    path("pick/", picking.pick_paint, name="pick-paint"),
    path("match/", matching.match, name="match"),
    path("match/take/", matching.take_match, name="take-match"),
    path("fewest/", fewest.fewest, name="fewest"),
    path("fewest/take/", fewest.take_fewest, name="take-fewest"),
    path("add/", adding.add_paint, name="add-paint"),
    path("forget/<str:pot>/", adding.forget_paint, name="forget-paint"),
    path("cost/", costing.costs, name="costs"),
    path("cost/currency/", costing.set_currency, name="set-currency"),
    path("count/", views.count_shelf, name="count-shelf"),
    path("shelf/", views.read_shelf_file, name="read-shelf"),
    path("shelf.csv", views.shelf_file, name="shelf-file"),
    path("shelf.json", views.shelf_document, name="shelf-document"),
    path("shelf.gpl", views.palette_file, name="palette-file"),
    path("shopping.csv", views.shopping_file, name="shopping-file"),
    path("own/<str:pot>/", views.keep_stock, name="keep-stock"),
]
