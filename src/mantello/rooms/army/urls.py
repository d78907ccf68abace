"""Addresses of the Army room."""

from django.urls import path

from . import briefing, figure_types, guide, keeping, maker, modelled, photographs, pictures, rostering, sites, views

urlpatterns = [
    path("", views.armies, name="armies"),
    path("brief/", briefing.new_brief, name="new-brief"),
    path("picked/", briefing.picked, name="picked"),
    path("armies/<int:army_id>/brief/", briefing.army_brief, name="army-brief"),
    path("armies/new/", views.new_army, name="new-army"),
    path("armies/import/", views.import_army, name="import-army"),
    path("armies/<int:army_id>/", views.army, name="army"),
    path("armies/<int:army_id>/faces/<int:number>/<int:at>.svg", pictures.face, name="face"),
    path("armies/<int:army_id>/remove/", views.remove_army, name="remove-army"),
    path("armies/<int:army_id>/roster/", rostering.roster, name="roster"),
    path("armies/<int:army_id>/units/add/", views.add_unit, name="add-unit"),
    path("armies/<int:army_id>/nodes/<str:node_id>/change/", views.change_node, name="change-node"),
    path("armies/<int:army_id>/nodes/<str:node_id>/units/", views.change_units, name="change-units"),
    path("armies/<int:army_id>/nodes/<str:node_id>/move/", views.move_node, name="move-node"),
    path("armies/<int:army_id>/nodes/<str:node_id>/remove/", views.remove_node, name="remove-node"),
    path("armies/<int:army_id>/nodes/<str:node_id>/duplicate/", views.duplicate_node, name="duplicate-node"),
    path("armies/<int:army_id>/nodes/<str:node_id>/rank/", views.change_rank, name="change-rank"),
    path("armies/<int:army_id>/undo/", views.undo, name="undo"),
    path("armies/<int:army_id>/redo/", views.redo, name="redo"),
    path("armies/<int:army_id>/design.json", rostering.export_design, name="export-design"),
    path("armies/<int:army_id>/roster.csv", rostering.export_roster, name="export-roster"),
    path("armies/<int:army_id>/roster.json", rostering.export_roster_json, name="export-roster-json"),
    path("armies/<int:army_id>/muster.pdf", guide.muster_pdf, name="muster-pdf"),
    path("armies/<int:army_id>/muster.svg", guide.muster_svg, name="muster-svg"),
    path("armies/<int:army_id>/units/<str:unit>/guide.pdf", guide.unit_guide, name="guide"),
    path("armies/<int:army_id>/types/", figure_types.figure_types, name="figure-types"),
    path("armies/<int:army_id>/types/make/", figure_types.make_type, name="make-type"),
    path("armies/<int:army_id>/types/drawing/", figure_types.take_drawing, name="take-drawing"),
    path("armies/<int:army_id>/types/photographs/", photographs.photographs, name="photographs"),
    path("armies/<int:army_id>/types/models/", modelled.models, name="models"),
    path("armies/<int:army_id>/types/models/<int:work_id>/turn/", modelled.turn_model, name="turn-model"),
    path("armies/<int:army_id>/types/models/<int:work_id>/surface/", modelled.model_surface, name="model-surface"),
    path("armies/<int:army_id>/types/photographs/area/", photographs.name_area, name="name-area"),
    path("armies/<int:army_id>/types/photographs/<int:work_id>/", photographs.photographed, name="photographed"),
    path(
        "armies/<int:army_id>/types/photographs/<int:work_id>/change/",
        keeping.change_workpiece,
        name="change-workpiece",
    ),
    path(
        "armies/<int:army_id>/types/photographs/<int:work_id>/more/", photographs.add_photograph, name="add-photograph"
    ),
    path(
        "armies/<int:army_id>/types/photographs/<int:work_id>/keep/",
        keeping.keep_photographed,
        name="keep-photographed",
    ),
    path(
        "armies/<int:army_id>/types/photographs/<int:work_id>/<str:view>.jpg",
        photographs.figure_photograph,
        name="figure-photograph",
    ),
    path(
        "armies/<int:army_id>/types/photographs/<int:work_id>/<str:view>.png",
        photographs.figure_pieces,
        name="figure-pieces",
    ),
    path(
        "armies/<int:army_id>/types/photographs/<int:work_id>/<str:view>.json",
        photographs.figure_graph,
        name="figure-graph",
    ),
    path(
        "armies/<int:army_id>/types/photographs/<int:work_id>/<str:view>/give/",
        photographs.give_pieces,
        name="give-pieces",
    ),
    path(
        "armies/<int:army_id>/types/photographs/<int:work_id>/<str:view>/mend/",
        photographs.mend_outline,
        name="mend-outline",
    ),
    path("armies/<int:army_id>/types/<str:type_id>/sites/", sites.type_sites, name="type-sites"),
    path("armies/<int:army_id>/types/<str:type_id>/sites/place/", sites.place_site, name="place-site"),
    path("armies/<int:army_id>/types/<str:type_id>/change/", figure_types.change_type, name="change-type"),
    path("armies/<int:army_id>/types/<str:type_id>.svg", figure_types.type_picture, name="type-picture"),
    path("parts/<str:part_id>.svg", maker.part_picture, name="part-picture"),
    path("drawing-template.svg", figure_types.drawing_template, name="drawing-template"),
    path("plates/<str:type_id>.svg", pictures.grey_plate, name="grey-plate"),
    path("armies/<int:army_id>/figures/<str:view>.svg", pictures.figure, name="figure"),
]
