"""Rules as a board, and areas chosen on a figure."""

import html
from urllib.parse import parse_qs, urlsplit

from mantello.rooms.scheme.board import board_of, chooser_of, kinds_of
from mantello.workspace.readings import reading_of
from tests.rooms.case import RoomCase


class Board(RoomCase):
    def test_every_rule_stands_once_under_its_formation(self):
        reading = reading_of(self.army.head)
        board = board_of(self.army, reading)
        ids = [card.rule.id for formation in board for card in formation.cards]
        self.assertEqual(sorted(ids), sorted(rule.id for rule in reading.design.scheme.rules))
        self.assertEqual(board[0].name, reading.design.army.root.name)
        self.assertEqual(board[0].depth, 0)
        for formation in board:
            for card in formation.cards:
                self.assertFalse(card.words.startswith(formation.name), card.words)

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
