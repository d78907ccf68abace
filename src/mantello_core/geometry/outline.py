"""The outline mini-language of the plates.

An outline is a string of nodes separated by blanks; '|' starts another sub-path.

    x,y        corner, trimmed by the default corner radius
    x,y/r      corner trimmed by r units (0 = sharp)
    x,y~       smooth node: the curve passes through it
    o:cx,cy,r            circle
    e:cx,cy,rx,ry[,deg]  ellipse, turned by deg

Outlines are always closed. `outline()` turns a string into a command list
[('M', p), ('L', p), ('C', c1, c2, p), ('Q', c, p), ('Z',)].
"""

import math

from ..memory import remembered
from .cubic import arc_length, parameter_at, point_at, split_at
from .vector import between, length_of, minus, plus, times, unit

#: default corner trim, units (10 units = 1 mm)
CORNER = 1.4
#: a circle by four cubics
K = 0.5522847498


def _ellipse(cx, cy, rx, ry, deg=0.0):
    c, s = math.cos(math.radians(deg)), math.sin(math.radians(deg))

    def w(x, y):
        return (cx + x * c - y * s, cy + x * s + y * c)

    return [
        ("M", w(rx, 0)),
        ("C", w(rx, ry * K), w(rx * K, ry), w(0, ry)),
        ("C", w(-rx * K, ry), w(-rx, ry * K), w(-rx, 0)),
        ("C", w(-rx, -ry * K), w(-rx * K, -ry), w(0, -ry)),
        ("C", w(rx * K, -ry), w(rx, -ry * K), w(rx, 0)),
        ("Z",),
    ]


def _node(tok, corner):
    smooth = tok.endswith("~")
    tok = tok.rstrip("~")
    r = corner
    if "/" in tok:
        tok, rr = tok.split("/")
        r = float(rr)
    x, y = tok.split(",")
    return ((float(x), float(y)), 0.0 if smooth else r, smooth)


def _closed(nodes):
    """Closed run of nodes -> commands, with every corner trimmed and rounded."""
    n = len(nodes)
    P = [nd[0] for nd in nodes]
    S = [nd[2] for nd in nodes]
    tan = [unit(minus(P[(i + 1) % n], P[i - 1])) if S[i] else None for i in range(n)]
    segs = []  # (is_line, cubic)
    for i in range(n):
        j = (i + 1) % n
        d = length_of(minus(P[j], P[i]))
        if not S[i] and not S[j]:
            segs.append((True, (P[i], between(P[i], P[j], 1 / 3), between(P[i], P[j], 2 / 3), P[j])))
            continue
        c1 = plus(P[i], times(tan[i], d * 0.36)) if S[i] else None
        c2 = minus(P[j], times(tan[j], d * 0.36)) if S[j] else None
        if c1 is None:
            c1 = between(P[i], c2, 0.5)
        if c2 is None:
            c2 = between(P[j], c1, 0.5)
        segs.append((False, (P[i], c1, c2, P[j])))
    # trim both ends of every segment where its end node is a corner
    out = []
    for i in range(n):
        j = (i + 1) % n
        line, s = segs[i]
        length = arc_length(s)
        a = min(nodes[i][1], length * 0.47)
        b = min(nodes[j][1], length * 0.47)
        if b > 1e-6:
            t = parameter_at(tuple(reversed(s)), b)
            s = split_at(s, 1 - t)[0]
        if a > 1e-6:
            t = parameter_at(s, a)
            s = split_at(s, t)[1]
        out.append((line, s))
    cmds = [("M", out[0][1][0])]
    for i in range(n):
        j = (i + 1) % n
        line, s = out[i]
        cmds.append(("L", s[3]) if line else ("C", s[1], s[2], s[3]))
        if nodes[j][1] > 1e-6:
            nxt = out[j][1][0]
            cmds.append(("Q", P[j], nxt))
    cmds.append(("Z",))
    return cmds


@remembered(16_000)
def outline(spec: str, corner: float = CORNER) -> tuple:
    """The commands of an outline; parts are drawn again and again, so they are kept."""
    cmds = []
    for sub in spec.split("|"):
        toks = sub.split()
        run = []
        for t in toks:
            if t.startswith("o:"):
                cx, cy, r = map(float, t[2:].split(","))
                cmds += _ellipse(cx, cy, r, r)
            elif t.startswith("e:"):
                cmds += _ellipse(*map(float, t[2:].split(",")))
            else:
                run.append(_node(t, corner))
        if run:
            if len(run) < 3:
                raise ValueError(f"sub-path with fewer than 3 nodes: {sub!r}")
            cmds += _closed(run)
    return tuple(cmds)


def number(v):
    s = f"{v:.1f}"
    s = s[:-2] if s.endswith(".0") else s
    return "0" if s == "-0" else s


def to_d(cmds):
    out = []
    for cm in cmds:
        out.append(cm[0] + " ".join(f"{number(p[0])},{number(p[1])}" for p in cm[1:]))
    return "".join(out)


def to_rings(cmds, steps=9):
    """Flatten to a list of (closed ring, is_hole). A ring closed by a small 'z' is a hole."""
    rings, ring, cur = [], [], None
    for cm in cmds:
        k = cm[0]
        if k == "M":
            ring, cur = [cm[1]], cm[1]
        elif k == "L":
            ring.append(cm[1])
            cur = cm[1]
        elif k == "Q":
            c, p = cm[1], cm[2]
            for i in range(1, 5):
                t = i / 4
                ring.append(between(between(cur, c, t), between(c, p, t), t))
            cur = p
        elif k == "C":
            s = (cur, cm[1], cm[2], cm[3])
            for i in range(1, steps + 1):
                ring.append(point_at(s, i / steps))
            cur = cm[3]
        elif k in "Zz":
            if len(ring) > 2:
                rings.append((ring, k == "z"))
            ring = []
    return rings
