"""Rules as a board, and areas chosen on a figure."""

import html
from unittest.mock import patch
from urllib.parse import parse_qs, urlsplit

from mantello.rooms.scheme import board, ruling
from mantello.rooms.scheme.board import board_of, chooser_of, kinds_of
from mantello.workspace.readings import reading_of
from tests.rooms.case import RoomCase


class Board(RoomCase):
    def test_every_rule_stands_once_under_its_formation(self):
        reading = reading_of(self.army.head)
        formations = board_of(self.army, reading)
        ids = [card.rule.id for formation in formations for card in formation.cards]
        self.assertEqual(sorted(ids), sorted(rule.id for rule in reading.design.scheme.rules))
        self.assertEqual(formations[0].name, reading.design.army.root.name)
        self.assertEqual(formations[0].depth, 0)
        self.assertEqual(len({one.title for one in formations}), len(formations), "titles tell formations apart")
        for formation in formations:
            for card in formation.cards:
                self.assertFalse(card.words.startswith(formation.name), card.words)

    def test_of_very_many_rules_those_of_some_formations_are_shown_and_the_others_can_be(self):
        rules = reading_of(self.army.head).design.scheme.rules
        root = self.now().army.root.id
        other = next(rule for rule in rules if rule.scope != root)
        with patch.object(board, "MOST_CARDS", 3), patch.object(ruling, "MOST_CARDS", 3):
            page = self.see("rules")
            shown = [one.node for one in page.context["board"] if one.cards]
            self.assertEqual(shown, [root])
            self.assertEqual(sum(one.count for one in page.context["board"]), len(rules))
            self.assertContains(page, f"?of={other.scope}")
            for query in ({"of": other.scope}, {"edit": other.id}):
                opened = self.see("rules", **query).context["board"]
                self.assertEqual([one.node for one in opened if one.cards], [other.scope])
            self.assertEqual(
                [one.node for one in self.see("rules", of="nowhere").context["board"] if one.cards], [root]
            )
            back = self.post("change-rule", other.id, do="off")
            self.assertTrue(back.url.endswith(f"?of={other.scope}"), back.url)
        self.assertTrue(all(one.cards for one in self.see("rules").context["board"]))

    def test_a_rule_lights_what_it_decides_and_says_on_how_many(self):
        reading = reading_of(self.army.head)
        cards = [card for formation in board_of(self.army, reading) for card in formation.cards]
        dead = {rule.id for rule in reading.resolution.dead_rules(reading.design.scheme, reading.design.army)}
        for card in cards:
            self.assertEqual(bool(card.picture), card.rule.id not in dead, card.words)
            self.assertEqual(bool(card.figures), bool(card.picture))
        lit = next(card for card in cards if card.picture)
        areas = parse_qs(urlsplit(lit.picture).query)["area"]
        drawn = self.client.get(lit.picture).content.decode()
        self.assertIn(f'data-area="{areas[0]}"', drawn)
        self.assertContains(self.see("rules"), html.escape(lit.picture))

    def test_areas_are_chosen_on_any_kind_of_figure(self):
        reading = reading_of(self.army.head)
        kinds = kinds_of(reading)
        self.assertGreater(len(kinds), 2)
        first, other = (chooser_of(reading, id_) for id_, _ in kinds[:2])
        self.assertNotEqual(first, other)
        self.assertEqual(chooser_of(reading, "nothing"), chooser_of(reading, reading.resolution.classes[0].type))
        page = self.see("rules", edit="new", on=kinds[1][0]).content.decode()
        self.assertIn(other[0], page)
        self.assertIn('data-select="@metal"', page)
        self.assertNotIn("data-plates", self.see("rules").content.decode())
