"""Figures from photographs: outline and light found, cut into pieces, pieces given to areas, areas made to a plate."""
