import math

from ..part import Z, part

B = Z['base']


def tuft(x, y, k=1.0, lean=0):
    """A clump of reeds standing at x, y."""
    s = []
    for dx, h, t in ((-8, 17, -7), (-3.4, 27, -4), (1, 34, 1), (5, 25, 5), (9, 16, 9)):
        s.append(f'{x + dx * k - 3 * k},{y} {x + dx * k + 3 * k},{y} '
                 f'{x + dx * k + (t + lean) * k},{y - h * k}/0')
    return ' | '.join(s)


def drum(y_top, rx, ry, y_bot, rxb, ryb):
    """The side of a round base: between the front halves of two ellipses."""
    bot = ' '.join(f'{rxb * math.cos(math.radians(t)):.1f},{y_bot + ryb * math.sin(math.radians(t)):.1f}~'
                   for t in (12, 35, 62, 90, 118, 145, 168))
    return f'{-rx},{y_top}/0 {rx},{y_top}/0 {rxb},{y_bot}/2 {bot} {-rxb},{y_bot}/2'


@part('base.round25', 'base', note='25 mm round base, bevelled, seen a little from above')
def round25(d, rx=119, ry=21, deep=24):
    y = 6
    d.area('base.rim', drum(y, rx, ry, y + deep, rx + 6, ry + 1), B, mat='paint', lift=0, shade='cyl')
    d.area('base.ground', f'e:0,{y},{rx},{ry}', B + 1, mat='ground', lift=2.2, shade='none', tex='turf')
    d.area('base.pool', '30,17~ 56,13~ 88,11~ 84,18~ 60,22.5~ 38,21.5~', B + 2, mat='water', shade='none', lift=0)
    d.lite('base.pool', '46,17/0 60,15~ 74,14.5/0 60,16.6~', .4)
    d.area('base.stone', '-62,18/2 -56,10/4 -42,8/4 -33,13/4 -34,20/3 -50,23/3', B + 3, mat='ground', shade='ball', lift=2)
    d.area('base.tuft', tuft(100, 4, .9), B + 2, mat='ground', shade='none', lift=.8)
    d.site('base.rim.name', 'base.rim', 0, y + deep + 8, 12, 2.2, 'rect', 'cyl:12.5')


@part('base.paved25', 'base', note='25 mm round base, quay paving with a mooring ring')
def paved25(d, rx=119, ry=21, deep=24):
    y = 6
    el = f'e:0,{y},{rx},{ry}'
    d.area('base.rim', drum(y, rx, ry, y + deep, rx + 6, ry + 1), B, mat='paint', lift=0, shade='cyl')
    d.area('base.ground', el, B + 1, mat='ground', lift=2.2, shade='none')
    inner = f'e:0,{y},{rx - 4},{ry - 2.4}'
    rows = ((-14.6, -5, (-96, -38, 30, 88)), (-4, 8, (-118, -62, 4, 70, 124)), (9, 17, (-100, -30, 34, 92)), (18, 26, (-70, 0, 60)))
    for k, (y0, y1, xs) in enumerate(rows):
        for i in range(len(xs) - 1):
            a, b = xs[i] + 1, xs[i + 1] - 1
            d.area('base.slab' if (i + k) % 2 else 'base.slab.worn', f'{a},{y0} {b},{y0} {b * 1.02},{y1} {a * 1.02},{y1}', B + 2, mat='ground', form='slab', shade='none',
                   lift=.4, clip=inner, corner=1)
    d.area('base.ring', 'e:72,13,13,6', B + 3, mat='metal', shade='none', lift=1.2, cut='e:72,13,9,3.2')
    d.area('base.ring.bolt', 'e:60,11.5,4.4,3.4', B + 4, mat='metal', shade='ball', lift=.8)
    d.area('base.weed', '-92,10/2 -76,5~ -66,9/2 -72,14~ -88,15/2 | -52,22/2 -40,19~ -30,22/2 -40,25/2', B + 4, mat='ground', shade='none', lift=.8)
    d.site('base.rim.name', 'base.rim', 0, y + deep + 8, 12, 2.2, 'rect', 'cyl:12.5')
