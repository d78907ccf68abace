"""Addresses of the Recipes room."""

from django.urls import path

from . import across, finishing, grounding, testing, views, whole

urlpatterns = [
    path("", views.recipes, name="recipes"),
    path("undercoat/", grounding.set_undercoat, name="set-undercoat"),
    path("undercoats/", grounding.undercoat_choice, name="undercoats"),
    path("undercoats/part/", grounding.set_part_ground, name="set-part-ground"),
    path("across/materials/", across.material_list, name="materials"),
    path("across/materials/use/", across.use_material, name="use-material"),
    path("across/shades/", across.shades, name="shades"),
    path("across/shades/share/", across.share_shade, name="share-shade"),
    path("across/finish/", finishing.finishing, name="finishing"),
    path("across/finish/keep/", finishing.keep_finishing, name="keep-finishing"),
    path("across/finish/dirty/", finishing.dirty_figures_again, name="dirty-again"),
    path("across/tests/", testing.tests, name="tests"),
    path("across/tests/waive/", testing.waive_tests, name="waive-tests"),
    path("across/tests/learn/", testing.learn, name="learn"),
    path("across/tests/<int:pk>/", testing.test, name="test"),
    path("across/tests/<int:pk>/<str:moment>.jpg", testing.photo, name="test-photo"),
    path("across/tests/<int:pk>/<str:moment>-light.png", testing.light, name="test-light"),
    path("across/tests/<int:pk>/<str:moment>/sample/", testing.sample, name="sample"),
    path("<str:role>/test/", testing.record_test, name="record-test"),
    path("<str:role>/", views.recipes, name="recipe"),
    path("<str:role>/draft/", whole.draft, name="draft-recipe"),
    path("<str:role>/draft/take/", whole.take_draft, name="take-draft"),
    path("<str:role>/routes/", whole.route_choice, name="routes"),
    path("<str:role>/routes/take/", whole.take_route, name="take-route"),
    path("<str:role>/<str:tier>/bridge/", views.lay_bridge, name="lay-bridge"),
    path("<str:role>/<str:tier>/wash/", views.lay_wash, name="lay-wash"),
    path("<str:role>/<str:tier>/shade/", views.lay_shade, name="lay-shade"),
    path("<str:role>/<str:tier>/step/", views.keep_step, name="keep-step"),
    path("<str:role>/<str:tier>/<str:step>/move/", views.move_step, name="move-step"),
    path("<str:role>/<str:tier>/<str:step>/stop/", views.stop_here, name="stop-here"),
]
