"""What pages make of an edition: as the core has it, also where another process wrote it."""

from dataclasses import replace

from mantello.workspace import readings
from mantello.workspace.models import Edition
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello.workspace.seeing import Seeing
from mantello_core.design.muster import with_rank
from mantello_core.recipes.step import Recipe
from tests.rooms.case import RoomCase
from tests.samples import calvessa


class WrittenElsewhere(RoomCase):
    """An edition is made; then the process knows the one before it only, as one that did not make the edit."""

    def after(self, address: str, *about, **posted):
        before = self.army.head_id
        self.post(address, *about, **posted)
        readings._kept.empty()
        was = reading_of(Edition.objects.get(pk=before))
        self.army.refresh_from_db()
        return was, reading_of(Edition.objects.get(pk=self.army.head_id))

    def test_what_the_edit_left_is_what_is_known_already(self):
        was, now = self.after("rename-role", "lantern", name="Beacon")
        self.assertEqual(now.design.scheme.role("lantern").name, "Beacon")
        self.assertIs(now.design.army, was.design.army)
        self.assertIs(now.resolution, was.resolution)

    def test_what_the_edit_changed_is_new(self):
        unit = self.now().army.units[0]
        was, now = self.after("change-node", unit.id, name="Elsewhere")
        self.assertIsNot(now.design.army, was.design.army)
        self.assertEqual(now.design.army.nodes[unit.id].name, "Elsewhere")
        self.assertIs(now.design.scheme, was.design.scheme)


class Pictured(RoomCase):
    def test_figures_alike_but_for_their_tier_are_drawn_by_their_own_recipes(self):
        design = calvessa()
        unit = next(one for one in design.army.units if any(rank.type == "fusilier" for rank in one.ranks))
        rank = next(rank for rank in unit.ranks if rank.type == "fusilier")
        design = with_rank(design, unit.id, replace(rank, id="", name="Chosen", tier="leader"))
        role = design.scheme.role("field")
        light = replace(design.scheme.role("facing").recipe("rank").steps[0], id="own")
        role = role.with_recipe("leader", Recipe((light,)))
        reading = Reading(replace(design, scheme=design.scheme.with_role(role)))
        plain, chosen = (
            reading.resolution.of_rank(unit.id, id_)[0] for id_ in (rank.id, design.army.nodes[unit.id].ranks[-1].id)
        )
        self.assertIs(plain.cells, chosen.cells)
        area = next(area for area, cell in plain.cells.items() if cell.role == "field")
        for one in (plain, chosen, plain):
            recipe, form = reading.stacks.laid_on(one, area)
            flats = reading.design.scheme.predicted(recipe, one.ground_of(area), form).tones.flats
            self.assertEqual(reading.fill(one, area), Seeing().hex(flats), one.tier)
        self.assertNotEqual(reading.fill(plain, area), reading.fill(chosen, area))
