"""Cubic curves: four control points."""

from .vector import between, length_of, minus


def point_at(s, t):
    p0, p1, p2, p3 = s
    u = 1 - t
    return (
        u**3 * p0[0] + 3 * u * u * t * p1[0] + 3 * u * t * t * p2[0] + t**3 * p3[0],
        u**3 * p0[1] + 3 * u * u * t * p1[1] + 3 * u * t * t * p2[1] + t**3 * p3[1],
    )


def split_at(s, t):
    p0, p1, p2, p3 = s
    a, b, c = between(p0, p1, t), between(p1, p2, t), between(p2, p3, t)
    d, e = between(a, b, t), between(b, c, t)
    f = between(d, e, t)
    return (p0, a, d, f), (f, e, c, p3)


def arc_length(s, n=10):
    pts = [point_at(s, i / n) for i in range(n + 1)]
    return sum(length_of(minus(pts[i + 1], pts[i])) for i in range(n))


def parameter_at(s, dist, n=24):
    """Parameter at which the arc from the start is `dist` long."""
    acc, prev = 0.0, s[0]
    for i in range(1, n + 1):
        q = point_at(s, i / n)
        step = length_of(minus(q, prev))
        if acc + step >= dist and step:
            return (i - 1 + (dist - acc) / step) / n
        acc, prev = acc + step, q
    return 1.0
