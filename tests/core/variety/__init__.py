"""Tests. Variety: bands of irregulars cast from few pots."""
