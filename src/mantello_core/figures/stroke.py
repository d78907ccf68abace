"""Writers of outline strings for shapes that come up again and again: limbs, straps, folds."""

from ..geometry.vector import between, unit


def _f(v):
    return f"{v:.2f}"


def _normals(pts):
    n = len(pts)
    res = []
    for i in range(n):
        a = pts[max(0, i - 1)]
        b = pts[min(n - 1, i + 1)]
        t = unit((b[0] - a[0], b[1] - a[1]))
        res.append((-t[1], t[0]))
    return res


def tube(*pts, r0=None, r1=None, sharp=()):
    """A limb: spine points (x, y, width), smooth sides, ends cut square.

    r0/r1 = corner trim at start/end; `sharp` = indices of spine nodes whose sides are corners.
    """
    nor = _normals([(p[0], p[1]) for p in pts])
    L, R = [], []
    last = len(pts) - 1
    for i, (p, nn) in enumerate(zip(pts, nor, strict=True)):
        h = p[2] / 2
        end = i in (0, last)
        tag = ""
        if end:
            rr = r0 if i == 0 else r1
            tag = "" if rr is None else f"/{rr}"
        elif i in sharp:
            tag = "/3"
        else:
            tag = "~"
        L.append(f"{_f(p[0] + nn[0] * h)},{_f(p[1] + nn[1] * h)}{tag}")
        R.append(f"{_f(p[0] - nn[0] * h)},{_f(p[1] - nn[1] * h)}{tag}")
    return " ".join(L + R[::-1])


def bar(x0, y0, x1, y1, w0, w1=None, r=None):
    """A straight strap, blade or cuff from one point to another."""
    w1 = w0 if w1 is None else w1
    return tube((x0, y0, w0), (x1, y1, w1), r0=r, r1=r)


def dots(pts, r):
    return " ".join(f"o:{x},{y},{r}" for x, y in pts)


def lens(*pts, w=3.0):
    """A tapered crescent along 2-4 points: for folds."""
    nor = _normals(pts)
    n = len(pts)
    if n == 2:
        pts = (pts[0], between(pts[0], pts[1], 0.5), pts[1])
        nor = _normals(pts)
        n = 3
    A, B = [], []
    for i in range(1, n - 1):
        h = w / 2
        A.append(f"{_f(pts[i][0] + nor[i][0] * h)},{_f(pts[i][1] + nor[i][1] * h)}~")
        B.append(f"{_f(pts[i][0] - nor[i][0] * h)},{_f(pts[i][1] - nor[i][1] * h)}~")
    s = f"{_f(pts[0][0])},{_f(pts[0][1])}/0"
    e = f"{_f(pts[-1][0])},{_f(pts[-1][1])}/0"
    return " ".join([s, *A, e, *B[::-1]])


def line(*pts, w=1.0):
    """An ink line of even width (drawn as an area, so that it can be clipped)."""
    return tube(*[(p[0], p[1], w) for p in pts], r0=w * 0.4, r1=w * 0.4)
