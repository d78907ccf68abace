"""Plane vectors as pairs of numbers."""

import math


def minus(a, b):
    return (a[0] - b[0], a[1] - b[1])


def plus(a, b):
    return (a[0] + b[0], a[1] + b[1])


def times(a, k):
    return (a[0] * k, a[1] * k)


def length_of(a):
    return math.hypot(a[0], a[1])


def between(a, b, t):
    return (a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t)


def unit(a):
    n = length_of(a)
    return (a[0] / n, a[1] / n) if n else (0.0, 0.0)
