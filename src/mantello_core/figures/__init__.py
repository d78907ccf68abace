"""Figure drawings: parts, the areas they offer to the brush, and what geometry says of them."""
