"""Rosters: lists of what there is to paint, as people write them."""
