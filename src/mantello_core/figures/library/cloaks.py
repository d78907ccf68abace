from ..part import Z, part
from ..stroke import lens


def zig(x0, x1, n, y_out, y_in, droop=0.0):
    """A dagged hem from x0 to x1: n points at y_out, notches at y_in, dropping by droop at the middle."""
    pts = []
    w = (x1 - x0) / n
    mid = (x0 + x1) / 2
    half = abs(x1 - x0) / 2

    def sag(x):
        return droop * (1 - ((x - mid) / half) ** 2)
    for i in range(n):
        xt = x0 + w * (i + .5)
        pts.append(f'{xt:.1f},{y_out + sag(xt):.1f}/2')
        if i < n - 1:
            xn = x0 + w * (i + 1)
            pts.append(f'{xn:.1f},{y_in + sag(xn):.1f}/1')
    return ' '.join(pts)


@part('cloak.marsh', 'cloak', attach='neck', origin=(0, -240), note='long cloak with a leaf-cut shoulder mantle')
def marsh(d):
    side = '60,-206~ 62,-150~ 66,-96~ 74,-46/2'
    side_r = '-74,-46/2 -66,-96~ -62,-150~ -60,-206~'
    if d.front:
        b = Z['behind']
        d.area('cloak.lining', f'-40,-238 40,-238 {side} {zig(74, -74, 7, -30, -44, 6)} {side_r}', b + 10, form='lining', shade='none', lift=2)
        d.dark('cloak.lining', '-64,-230/0 64,-230/0 64,-130/0 40,-96~ 0,-84~ -40,-96~ -64,-130/0', .24)
        d.both('cloak.body', '40,-238 52,-230~ 61,-206~ 63,-150~ 67,-96~ 75,-45/2 66,-37/2 57,-48/2 55,-100~ 53,-160~ 40,-210~', b + 12, form='cb.{s}', lift=1.4)
        d.both('cloak.trim', '75.6,-56/1 75,-45/2 66,-37/2 57,-48/2 56.4,-59/1 66,-47/2', b + 13, form='ctf.{s}', shade='flat', lift=.6)
        m = Z['over']
        edge = zig(70, 0, 4, -187, -202, 0)
        edge_in = zig(68, 0, 4, -194, -209, 0)
        d.both('cloak.mantle.trim', f'0,-246 20,-246 46,-240~ 65,-223~ 71,-202/2 {edge} 0,-198/0', m, form='mt.{s}', shade='flat', lift=2.4)
        d.both('cloak.mantle', f'0,-246 20,-246 46,-240~ 64,-223~ 69.5,-209/2 {edge_in} 0,-205/0', m + 1, form='m.{s}', shade='ball', lift=.7)
        d.dark('cloak.mantle', lens((30, -238), (42, -222), (46, -206), w=5), .17, sym=True)
        d.dark('cloak.mantle', lens((18, -234), (24, -220), (25, -206), w=4), .15, sym=True)
        d.area('cloak.clasp', 'o:0,-214,8.4', m + 20, mat='metal', shade='ball', lift=1.6)
        d.area('cloak.clasp.stone', 'o:0,-214,3.8', m + 21, mat='glass', shade='ball', lift=.4)
    else:
        m = Z['over'] + 20
        inner = side.replace('74,-46', '73,-56') + ' ' + zig(73, -73, 7, -39, -53, 6) + ' ' + side_r.replace('-74,-46', '-73,-56')
        d.area('cloak.trim', f'-44,-240 44,-240 {side} {zig(74, -74, 7, -30, -44, 6)} {side_r}', m, form='ct', shade='flat', lift=3)
        d.area('cloak.body', f'-44,-240 44,-240 {inner}', m + 1, form='cb', lift=.8)
        for x0, x1, x2, y1 in ((-22, -26, -30, -120), (8, 10, 11, -110), (34, 40, 46, -110), (-44, -50, -54, -120)):
            d.dark('cloak.body', lens((x0, -184), (x1, y1), (x2, -50), w=7), .15)
            d.lite('cloak.body', lens((x0 - 7, -176), (x1 - 8, y1), (x2 - 8, -60), w=4), .12)
        edge = zig(71, -71, 8, -184, -199, 4)
        edge_in = zig(69, -69, 8, -191, -206, 4)
        d.area('cloak.mantle.trim', f'-20,-246 20,-246 46,-240~ 65,-223~ 72,-201/2 {edge} -72,-201/2 -65,-223~ -46,-240~', m + 10, form='mt', shade='flat', lift=2.6)
        d.area('cloak.mantle', f'-20,-246 20,-246 46,-240~ 64,-223~ 70,-209/2 {edge_in} -70,-209/2 -64,-223~ -46,-240~', m + 11, form='m', shade='ball', lift=.7)
        d.dark('cloak.mantle', lens((30, -238), (42, -222), (46, -206), w=5), .17, sym=True)
        d.dark('cloak.mantle', lens((14, -226), (18, -212), (18, -200), w=4), .15, sym=True)
        d.site('cloak.back', 'cloak.body', 0, -120, 6, 6, 'disc', 'drape')
