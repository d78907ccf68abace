"""How tall the figures of a painter's own may be."""

#: mm, from the lowest point to the highest; a base may be so wide
LEAST_MM, MOST_MM = 2.0, 400.0
