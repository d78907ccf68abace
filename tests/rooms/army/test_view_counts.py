"""Figure types with one view, three or five: every page that shows them opens, and the stage holds them all."""

import json
from dataclasses import replace
from itertools import combinations
from pathlib import Path

from django.urls import reverse

import mantello_core
from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.rooms.scheme.stage import HEIGHT, WIDTH, _places
from mantello_core.army.tree import Node, Rank
from mantello_core.design.figure_types import with_type
from mantello_core.figures.own import own_type
from tests.rooms.case import RoomCase
from tests.samples import rule, small_design

PLATES = Path(mantello_core.__file__).parent / "figures" / "data" / "plates"
VIEWS = {"one": ("front",), "three": ("front", "back", "left"), "five": ("front", "back", "left", "right", "top")}
PAGES = (
    "", "roster/", "types/", "scheme/table/", "scheme/rules/", "scheme/checks/", "scheme/camouflage/", "insignia/map/", "insignia/bearers/", "recipes/",
    "recipes/undercoats/", "recipes/across/finish/", "plan/", "plan/order/", "desk/", "log/", "log/figures/", "scheme/?massed=on", "scheme/?view=massed",
)  # fmt: skip


def figure(views: tuple[str, ...]):
    """A figure drawn from the front and the back, seen from so many sides."""
    drawn = json.loads((PLATES / "fusilier.json").read_text(encoding="utf-8"))["views"]
    return {"kind": "figure", "views": [drawn[at % 2] | {"name": name} for at, name in enumerate(views)]}


class ViewCounts(RoomCase):
    @staticmethod
    def design():
        design = small_design(rule("all", "army", "", "field"))
        units = []
        for name, views in VIEWS.items():
            design = with_type(design, own_type(f"own-{name}", f"Seen {name}", figure(views)))
            units.append(Node(f"unit-{name}", "unit", f"Unit {name}", (), (Rank("man", "Man", f"own-{name}", 2),)))
        return replace(
            design,
            army=replace(design.army, root=replace(design.army.root, children=(*design.army.root.children, *units))),
        )

    def test_every_page_opens(self):
        for path in PAGES:
            answer = self.client.get(reverse("army", args=[self.army.pk]) + path)
            self.assertIn(answer.status_code, (200, 202, 302), path)
        for name, views in VIEWS.items():
            (unit,) = (one for one in self.now().army.units if one.id == f"unit-{name}")
            where = {"unit": unit.id, "rank": unit.ranks[0].id}
            page = self.see("scheme", **where)
            for view in views:
                self.assertContains(page, f">{view}</text>")
                self.see("figure", view, figure="1", **where)
            self.see("figure-history", **where)

    def test_they_are_printed(self):
        for name in VIEWS:
            self.client.get(reverse("guide", args=[self.army.pk, f"unit-{name}"]))
        self.client.get(reverse("muster-pdf", args=[self.army.pk]))
        for job in Job.objects.going_on():
            carry_out(job)
        self.assertFalse(
            Job.objects.exclude(state=Job.State.DONE).exists(),
            [job.fault for job in Job.objects.exclude(state=Job.State.DONE)],
        )

    def test_views_stay_on_the_stage_and_apart(self):
        for name in VIEWS:
            shape = self.now().army.plate(f"own-{name}")
            boxes = []
            for view, (x, y, scale) in zip(shape.views, _places(shape.views, shape.kind), strict=True):
                left, top, width, height = view.view_box
                boxes.append(
                    (x + scale * left, y + scale * top, x + scale * (left + width), y + scale * (top + height))
                )
            self.assertGreaterEqual(min(min(box[:2]) for box in boxes), 0, name)
            self.assertLessEqual(max(box[2] for box in boxes), WIDTH, name)
            self.assertLessEqual(max(box[3] for box in boxes), HEIGHT, name)
            for one, other in combinations(boxes, 2):
                self.assertTrue(
                    one[2] <= other[0] or other[2] <= one[0] or one[3] <= other[1] or other[3] <= one[1], name
                )
