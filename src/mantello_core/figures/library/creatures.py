"""A winged beast and a great serpent, seen from the side, nose to the viewer's left; and strips of small figures."""

from ..part import part
from ..stroke import bar, lens, line, tube

BODY, NEAR, FAR = 240, 400, 120
#: mm that every figure is drawn tall
DRAWN = 28


def _sides(d):
    return ('left', 'right') if d.view == 'left' else ('right', 'left')


def _wing(d, side, z, dx, dy):
    root, elbow = (10 + dx, -196 + dy), (60 + dx, -330 + dy)
    tips = [(-120 + dx, -392 + dy), (30 + dx, -428 + dy), (170 + dx, -398 + dy), (262 + dx, -306 + dy)]
    skin = f'{root[0]},{root[1]}/4 {elbow[0] - 20},{elbow[1] + 10} {tips[0][0]},{tips[0][1]}/2 {-30 + dx},{-372 + dy}~ {tips[1][0]},{tips[1][1]}/2 {94 + dx},{-372 + dy}~ {tips[2][0]},{tips[2][1]}/2 {186 + dx},{-320 + dy}~ {tips[3][0]},{tips[3][1]}/2 {190 + dx},{-256 + dy}~ {110 + dx},{-186 + dy}/4'
    d.area(f'beast.wing.{side}.skin', skin, z, mat='skin', form='wskin' + side, shade='flat', lift=2.4)
    d.area(f'beast.wing.{side}.bone', ' | '.join([tube((*root, 20), (34 + dx, -268 + dy, 15), (*elbow, 13), r0=6, r1=5)] + [tube((*elbow, 9), ((elbow[0] + x) / 2 + 4, (elbow[1] + y) / 2 - 8, 7), (x, y, 3), r0=3, r1=1) for x, y in tips]), z + 1, mat='skin', form='wbone' + side, shade='cyl', lift=1.4)
    d.area(f'beast.wing.{side}.claw', f'{elbow[0] - 5},{elbow[1] - 4}/1 {elbow[0] + 5},{elbow[1] - 4}/1 {elbow[0] - 6},{elbow[1] - 26}/0', z + 2, mat='paint', form='wclaw' + side, shade='cyl', lift=1)
    for x, y in tips[1:]:
        d.dark(f'beast.wing.{side}.skin', lens(elbow, ((elbow[0] + x) / 2 + 12, (elbow[1] + y) / 2 + 16), (x, y), w=7), .16)


@part('beast.drake', 'beast', note='two-legged winged beast, wings raised, tail curled round its stone')
def drake(d):
    near, far = _sides(d)
    _wing(d, far, FAR, -46, 14)
    d.area(f'beast.leg.{far}', tube((20, -120, 46), (2, -80, 34), (26, -46, 24), (10, -14, 22), r0=14, r1=4), FAR + 60, mat='skin', form='fleg', lift=1.6)
    d.area(f'beast.claw.{far}', '-14,-14/3 28,-16/4 30,4/3 4,4/2 -22,6/1 -30,2/0', FAR + 61, mat='skin', form='fclaw', shade='flat', lift=1)
    d.area('beast.tail', tube((104, -140, 62), (168, -112, 48), (216, -66, 34), (188, -24, 24), (110, -14, 18), (46, -26, 12), (18, -48, 6), r0=20, r1=2), BODY - 8, mat='skin', form='tail', lift=2.2)
    d.area('beast.tail.fin', '22,-46/1 2,-76/0 16,-62/1 14,-90/0 30,-62/1 42,-78/0 36,-48/1', BODY - 9, mat='skin', form='tfin', shade='flat', lift=1.2)
    d.area('beast.body', '-104,-150/14 -84,-196~ -30,-214~ 40,-206~ 104,-174~ 132,-136~ 116,-98~ 60,-78~ 0,-82~ -60,-104~', BODY, mat='skin', form='body', shade='ball', lift=2.6)
    d.area('beast.neck', tube((-70, -158, 74), (-118, -200, 56), (-138, -256, 44), (-124, -306, 36), (-148, -338, 34), r0=24, r1=12), BODY + 2, mat='skin', form='neck', lift=2.2)
    d.area('beast.belly', '-96,-132/6 -74,-120~ -10,-92~ 60,-84/4 40,-78~ -10,-84~ -66,-106~ | -108,-158/4 -146,-196~ -164,-250~ -150,-300/3 -158,-300/3 -174,-250~ -158,-186~ -112,-142/4', BODY + 3, mat='skin', form='belly', shade='flat', lift=.6)
    d.ink('beast.belly', ' | '.join(line((x, -130 + (x + 90) * .26), (x + 8, -98 + (x + 90) * .16), w=1.2) for x in range(-84, 40, 16)), .4)
    d.area('beast.head', '-124,-352/6 -150,-370~ -186,-362~ -226,-344/5 -246,-330/4 -240,-316/4 -208,-314~ -178,-306/4 -150,-310~ -128,-326~', BODY + 8, mat='skin', form='head', shade='ball', lift=2)
    d.area('beast.jaw', '-150,-312/3 -184,-302~ -222,-300/2 -234,-292/3 -206,-282~ -166,-284~ -142,-300/3', BODY + 6, mat='skin', form='jaw', shade='flat', lift=1.4)
    d.area('beast.teeth', ' | '.join(f'{x},-315/0 {x + 6},-315/0 {x + 3},-304/0' for x in range(-228, -176, 10)), BODY + 9, mat='paint', form='teeth', shade='none', lift=.6)
    d.area('beast.tongue', '-170,-302/2 -204,-300~ -236,-306/0 -206,-294~ -172,-294/2', BODY + 5, mat='skin', form='tongue', shade='none', lift=.6)
    d.area('beast.eye', 'e:-170,-342,5,4,-12', BODY + 9, mat='paint', form='eye', shade='none', lift=.3)
    d.area('beast.horn', '-134,-356/3 -108,-376~ -78,-384/0 -104,-362~ -126,-344/3 | -146,-366/3 -126,-388~ -98,-402/0 -122,-374~ -138,-358/3', BODY + 7, mat='paint', form='horn', shade='cyl', lift=1.4)
    d.area('beast.crest', ' | '.join(f'{x},{y}/1 {x + 18},{y + dy}/1 {x + 24},{y - 18}/0' for x, y, dy in ((-126, -330, 22), (-120, -296, 22), (-130, -262, 22), (-112, -230, 16), (-66, -208, 4), (-28, -214, 2), (8, -212, 4), (44, -204, 8), (78, -190, 12), (108, -170, 16))), BODY - 1, mat='skin', form='crest', shade='flat', lift=1.2)
    d.area(f'beast.leg.{near}', tube((62, -124, 66), (32, -82, 46), (64, -46, 28), (46, -14, 24), r0=20, r1=4), NEAR, mat='skin', form='nleg', lift=2)
    d.area(f'beast.claw.{near}', '20,-16/3 66,-18/4 68,4/3 44,4/2 14,8/1 2,4/0 | 60,2/1 76,-4/2 84,8/0', NEAR + 1, mat='skin', form='nclaw', shade='flat', lift=1.2)
    d.area(f'beast.claw.{near}.nail', '16,0/1 2,6/0 20,8/1 | 38,2/1 26,9/0 44,7/1', NEAR + 2, mat='paint', form='nail', shade='none', lift=.6)
    _wing(d, near, NEAR + 10, 30, 0)
    for x, y in ((-60, -180), (-10, -186), (40, -170), (80, -140), (20, -130)):
        d.dark('beast.body', lens((x, y), (x + 14, y + 6), (x + 28, y), w=3), .16)
    d.site('flank', 'beast.body', -30, -150, 4, 4, 'disc', 'dome:10')
    d.site('wing', f'beast.wing.{near}.skin', 110, -300, 7, 6, 'disc', 'drape')


@part('beast.serpent', 'beast', note='great serpent risen from its coils')
def serpent(d):
    d.area('beast.tail', tube((150, -26, 40), (196, -40, 30), (216, -74, 20), (200, -104, 11), (176, -112, 4), r0=12, r1=1), BODY - 8, mat='skin', form='tail', lift=1.8)
    d.area('beast.body.low', tube((-150, -30, 50), (-60, -18, 54), (60, -18, 54), (158, -34, 46), r0=22, r1=18), BODY, mat='skin', form='low', lift=2.4)
    d.area('beast.body.mid', tube((138, -64, 46), (60, -70, 54), (-40, -66, 54), (-120, -74, 46), r0=20, r1=20), BODY + 4, mat='skin', form='mid', lift=2.4)
    d.area('beast.neck', tube((-88, -102, 52), (0, -116, 52), (64, -146, 50), (70, -206, 46), (22, -262, 42), (-34, -306, 40), (-64, -344, 38), r0=22, r1=14), BODY + 8, mat='skin', form='neck', lift=2.4)
    d.area('beast.belly', tube((28, -104, 12), (84, -140, 15), (92, -206, 14), (44, -272, 13), (-18, -322, 12), r0=4, r1=4), BODY + 9, mat='skin', form='belly', shade='flat', lift=.6)
    d.ink('beast.belly', ' | '.join(line((x - 6, y), (x + 7, y + 4), w=1.2) for x, y in ((70, -124), (86, -146), (92, -168), (93, -190), (88, -212), (76, -234), (60, -254), (42, -274), (22, -292))), .45)
    d.area('beast.fin', '-30,-300/2 -4,-352~ 30,-384/0 28,-348/1 52,-356/0 44,-322/1 66,-318/0 44,-290/1 60,-276/0 30,-262/2', BODY + 6, mat='skin', form='frill', shade='flat', lift=1.4)
    d.ink('beast.fin', ' | '.join(line((-6, -306), at, w=1.3) for at in ((28, -380), (50, -352), (64, -316), (56, -278))), .45)
    d.area('beast.head', '-44,-366/8 -84,-382~ -124,-366~ -156,-344/6 -160,-328/4 -124,-320~ -92,-310/5 -58,-320~ -40,-340~', BODY + 12, mat='skin', form='head', shade='ball', lift=2)
    d.area('beast.jaw', '-70,-318/3 -110,-310~ -146,-308/4 -138,-296/4 -98,-292~ -64,-302/3', BODY + 11, mat='skin', form='jaw', shade='flat', lift=1.4)
    d.area('beast.teeth', '-148,-326/0 -142,-325/0 -146,-308/0 | -128,-322/0 -122,-321/0 -126,-308/0 | -140,-307/0 -134,-306/0 -136,-318/0', BODY + 13, mat='paint', form='teeth', shade='none', lift=.6)
    d.area('beast.tongue', '-140,-312/1 -172,-306~ -196,-314/0 -180,-304/1 -194,-296/0 -170,-300~ -138,-304/1', BODY + 10, mat='skin', form='tongue', shade='none', lift=.6)
    d.area('beast.eye', 'e:-96,-352,6,5,-10', BODY + 13, mat='paint', form='eye', shade='none', lift=.3)
    d.area('beast.horn', '-66,-374/3 -48,-400~ -22,-412/0 -40,-388~ -54,-364/3', BODY + 11, mat='paint', form='horn', shade='cyl', lift=1.2)
    d.area('beast.crest', ' | '.join(f'{x},{y}/1 {x + dx},{y + dy}/1 {x + dx / 2 - 14},{y + dy / 2 - 12}/0' for x, y, dx, dy in ((-10, -300, -20, -14), (20, -276, -16, -18), (44, -248, -12, -20), (50, -216, -4, -22), (46, -184, 2, -22))), BODY + 7, mat='skin', form='crest', shade='flat', lift=1)
    d.area('beast.spine', ' | '.join(f'{x},{y}/1 {x + 18},{y}/1 {x + 9},{y - 13}/0' for x, y in ((-110, -96), (-84, -98), (-34, -92), (-2, -96), (96, -90))), BODY + 3, mat='skin', form='spine', shade='flat', lift=1)
    for area, pts in (('beast.body.low', range(-120, 140, 30)), ('beast.body.mid', range(-90, 120, 30))):
        y = -20 if area.endswith('low') else -70
        for x in pts:
            d.dark(area, lens((x, y - 12), (x + 8, y), (x, y + 14), w=3), .16)
    d.area('beast.body.mark', ' | '.join(f'{x - 9},{y}/2 {x},{y - 9}/2 {x + 9},{y}/2 {x},{y + 9}/2' for x, y in ((-110, -30), (-60, -20), (-10, -17), (40, -18), (90, -20), (-70, -76), (-20, -72), (30, -72))), BODY + 5, mat='skin', form='mark', shade='none', lift=.2)
    d.area('beast.neck.mark', ' | '.join(f'{x - 8},{y}/2 {x},{y - 9}/2 {x + 8},{y}/2 {x},{y + 9}/2' for x, y in ((-40, -108), (44, -150), (56, -190), (40, -232), (6, -272))), BODY + 9, mat='skin', form='nmark', shade='none', lift=.2)
    d.site('coil', 'beast.body.low', 0, -16, 6, 3.4, 'rect', 'cyl:12')


def _man(x, k, lean=0):
    """A little man k times 100 units tall, soles at x, 0: outlines of his parts."""
    def p(dx, dy):
        return f'{x + dx * k:.1f},{dy * k:.1f}'
    return {
        'legs': f'{p(-9, -46)} {p(9, -46)} {p(13, 0)}/1 {p(3, 0)}/1 {p(0, -24)} {p(-3, 0)}/1 {p(-13, 0)}/1',
        'coat': f'{p(-13, -82)}/2 {p(13, -82)}/2 {p(15, -60)} {p(14, -36)}/1 {p(-14, -36)}/1 {p(-15, -60)}',
        'face': f'o:{x},{-90 * k:.1f},{8.4 * k:.1f}',
        'hat': f'{p(-10, -92)}/1 {p(-9, -102)}/2 {p(9, -102)}/2 {p(10, -92)}/1',
        'strap': f'{p(-12, -82)}/0 {p(-7, -82)}/0 {p(13, -44)}/0 {p(11, -38)}/0',
        'gun': f'{p(14, -112)}/0 {p(17, -112)}/0 {p(20, -34)}/1 {p(13, -30)}/1',
        'pack': f'{p(-13, -80)}/2 {p(13, -80)}/2 {p(13, -56)}/2 {p(-13, -56)}/2',
        'arms': f'{p(12, -80)} {p(19, -72)} {p(19, -52)}/1 {p(13, -52)}/1 | {p(-12, -80)} {p(-19, -72)} {p(-18, -48)}/1 {p(-12, -48)}/1',
    }


def _rank(d, places, k, z, form):
    men = [_man(x, k) for x in places]
    def all_of(name):
        return ' | '.join(man[name] for man in men)
    d.area('leg.left.trousers', all_of('legs'), z, form=form + 'legs', shade='flat', lift=.8)
    d.area('torso.coat.body', all_of('coat'), z + 1, form=form + 'coat', shade='flat', lift=.8)
    d.area('arm.left.sleeve', all_of('arms'), z + 2, form=form + 'arms', shade='none', lift=.8)
    if d.front:
        d.area('gear.strap.cross', all_of('strap'), z + 3, mat='leather', form=form + 'strap', shade='none', lift=.4)
    else:
        d.area('gear.pack.body', all_of('pack'), z + 3, mat='leather', form=form + 'pack', shade='none', lift=1)
    d.area('head.face', all_of('face'), z + 4, mat='skin', form=form + 'face', shade='none', lift=.8)
    d.area('head.hat.body', all_of('hat'), z + 5, form=form + 'hat', shade='none', lift=.8)
    d.area('weapon.stock', all_of('gun'), z + (6 if d.front else -1), mat='wood', form=form + 'gun', shade='none', lift=.8)


def _strip(d, half, deep):
    d.area('base.rim', f'{-half},2/3 {half},2/3 {half + 3},{deep}/3 {-half - 3},{deep}/3', 0, mat='paint', form='rim', shade='flat', lift=1)
    d.area('base.ground', f'{-half},-10/3 {half},-10/3 {half},4/3 {-half},4/3', 1, mat='ground', form='ground', shade='none', lift=1, tex='turf')
    d.area('base.tuft', ' | '.join(f'{x - 3},0 {x + 3},0 {x + t},{-h}/0' for x, t, h in ((-half + 14, -4, 12), (-half + 20, 2, 16), (half - 16, 4, 12))), 2, mat='ground', form='tuft', shade='none', lift=.8)
    d.site('base.rim.name', 'base.rim', 0, deep / 2 + 1, half / 14, deep / 14, 'rect', 'flat')


def _at_drawn_scale(d, mm):
    """Little men are drawn as tall as all figures are; the army's height makes them small."""
    k = DRAWN / mm
    d.apply((k, 0, 0, k, 0, 0))
    for site in d.sites:
        site.w, site.h = round(site.w * k, 1), round(site.h * k, 1)


@part('strip.six', 'torso', note='strip of eight foot with an ensign, for 6 mm')
def six(d):
    _strip(d, 200, 26)
    _rank(d, [x * 46 - 161 for x in range(8)], .6, 20, 'a')
    d.area('flag.pole', bar(23, 0, 23, -112, 2.4), 40, mat='wood', form='pole', shade='none', lift=.6)
    d.area('flag.field', '24,-110/1 66,-106~ 70,-78/1 24,-80/1' if d.front else '22,-110/1 -20,-106~ -24,-78/1 22,-80/1', 41, form='field', shade='flat', lift=1)
    d.site('flag.field', 'flag.field', 46 if d.front else 0, -94, 3, 2, 'rect', 'drape')
    _at_drawn_scale(d, 6)


@part('strip.ten', 'torso', note='stand of four foot, for 10 mm')
def ten(d):
    _strip(d, 150, 24)
    _rank(d, (-105, -35, 35, 105), 1.0, 20, 'a')
    _at_drawn_scale(d, 10)


@part('strip.fifteen', 'torso', note='stand of three foot, for 15 mm')
def fifteen(d):
    _strip(d, 150, 26)
    _rank(d, (-96, 0, 96), 1.5, 20, 'a')
    _at_drawn_scale(d, 15)
