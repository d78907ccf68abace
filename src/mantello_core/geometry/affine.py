"""Affine maps (a, b, c, d, e, f), written as in SVG's matrix()."""

import math


def transform(cmds, m):
    """m = (a, b, c, d, e, f), as in SVG's matrix()."""
    a, b, c, d, e, f = m

    def moved(point):
        return (a * point[0] + c * point[1] + e, b * point[0] + d * point[1] + f)

    return [(command[0], *(moved(point) for point in command[1:])) for command in cmds]


MIRROR = (-1, 0, 0, 1, 0, 0)


def rotation(deg, cx=0.0, cy=0.0):
    c, s = math.cos(math.radians(deg)), math.sin(math.radians(deg))
    return (c, s, -s, c, cx - c * cx + s * cy, cy - s * cx - c * cy)


def multiply(m, n):
    """The matrix that applies n first, then m."""
    a, b, c, d, e, f = m
    g, h, i, j, x, y = n
    return (a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j, a * x + c * y + e, b * x + d * y + f)
