"""Affine maps (a, b, c, d, e, f), written as in SVG's matrix()."""

import math


def transform(cmds, m):
    """m = (a, b, c, d, e, f), as in SVG's matrix()."""
    a, b, c, d, e, f = m

    def w(p):
        return (a * p[0] + c * p[1] + e, b * p[0] + d * p[1] + f)
    return [(cm[0],) + tuple(w(p) for p in cm[1:]) for cm in cmds]


MIRROR = (-1, 0, 0, 1, 0, 0)


def rotation(deg, cx=0.0, cy=0.0):
    c, s = math.cos(math.radians(deg)), math.sin(math.radians(deg))
    return (c, s, -s, c, cx - c * cx + s * cy, cy - s * cx - c * cy)


def multiply(m, n):
    """The matrix that applies n first, then m."""
    a, b, c, d, e, f = m
    g, h, i, j, k, l = n
    return (a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j,
            a * k + c * l + e, b * k + d * l + f)
