"""Motor vehicles: tracked and half-tracked hulls, lorries, their turrets and beds; a motor cycle with its rider.

Sides are drawn as 'left', nose to the viewer's left; 'right' is flipped by the assembly. In 'top' the nose points to the left
too, and the vehicle's left side lies at the bottom.
"""
import math

from ..part import part
from ..stroke import bar, dots, lens, tube
from .vehicles import CAMO, box

FAR, BODY, NEAR, TOP = 80, 100, 140, 200


def _sides(d):
    return ('left', 'right') if d.view == 'left' else ('right', 'left')


def _wheel(d, name, places, r, z, hub=.42):
    d.area(f'vehicle.wheel.{name}tyre', ' '.join(f'o:{x},{y},{r}' for x, y in places), z, mat='leather', form='tyre' + name, shade='flat', lift=1.6)
    d.area(f'vehicle.wheel.{name}disc', ' '.join(f'o:{x},{y},{r * .68:.1f}' for x, y in places), z + 1, mat='paint', form='disc' + name, shade='flat', lift=.8, tags=CAMO)
    d.area(f'vehicle.wheel.{name}hub', ' '.join(f'o:{x},{y},{r * hub * .6:.1f}' for x, y in places), z + 2, mat='metal', form='hub' + name, shade='ball', lift=.8)


def _track(d, x0, x1, y0, y1, z):
    """A track round the box from x0 to x1: band, shoes, road wheels between."""
    near, _ = _sides(d)
    r = (y1 - y0) / 2
    outer = f'{x0 + r},{y0}/3 {x1 - r},{y0}/3 {x1 - 6},{y0 + r * .5}~ {x1},{y0 + r}~ {x1 - r * .8},{y1}/8 {x0 + r * .8},{y1}/8 {x0},{y0 + r}~ {x0 + 6},{y0 + r * .5}~'
    inner = f'{x0 + r},{y0 + 9}/3 {x1 - r},{y0 + 9}/3 {x1 - 14},{y0 + r * .6}~ {x1 - 9},{y0 + r}~ {x1 - r * .9},{y1 - 9}/6 {x0 + r * .9},{y1 - 9}/6 {x0 + 9},{y0 + r}~ {x0 + 14},{y0 + r * .6}~'
    d.area(f'vehicle.track.{near}.side', inner, z - 1, mat='metal', form='tside', shade='none', lift=0)
    d.area(f'vehicle.track.{near}', outer, z, mat='metal', form='track', shade='none', lift=1.4, cut=inner)
    shoes = [f'{x},{y1 - 3}/1 {x + 7},{y1 - 3}/1 {x + 7},{y1 + 4}/1 {x},{y1 + 4}/1' for x in range(int(x0 + r), int(x1 - r), 13)]
    d.area(f'vehicle.track.{near}.shoes', ' | '.join(shoes), z + .5, mat='metal', form='shoes', shade='none', lift=.8)
    n = max(3, int((x1 - x0) // 62))
    step = (x1 - x0 - 2 * r) / (n - 1)
    road = [(x0 + r + i * step, y1 - r * .62) for i in range(n)]
    _wheel(d, '', road, r * .5, z + 2)
    _wheel(d, 'drive.', [(x0 + r * .95, y0 + r * .9), (x1 - r * .95, y0 + r * .9)], r * .52, z + 3)


def _track_top(d, x0, x1, half, wide):
    for side, s in (('left', 1), ('right', -1)):
        y0, y1 = sorted((s * (half - wide), s * half))
        d.area(f'vehicle.track.{side}', box(x0, y0, x1, y1, 6), BODY - 2, mat='metal', form='track' + side, shade='none', lift=1)
        d.ink(f'vehicle.track.{side}', ' | '.join(bar(x, y0, x, y1, 1.4) for x in range(int(x0) + 10, int(x1), 12)), .5)


@part('motor.tracked', 'hull', note='tracked hull, sloped nose, side plates, engine deck, lamps, exhaust')
def tracked(d):
    if d.view == 'top':
        _track_top(d, -236, 240, 128, 46)
        d.area('vehicle.fender.left', box(-246, 78, 246, 134, 8), BODY, mat='paint', form='fl', shade='flat', lift=1.4, tags=CAMO)
        d.area('vehicle.fender.right', box(-246, -134, 246, -78, 8), BODY, mat='paint', form='fr', shade='flat', lift=1.4, tags=CAMO)
        d.area('vehicle.hull.nose', '-250,-72/6 -140,-92/3 -140,92/3 -250,72/6', BODY + 2, mat='paint', form='nose', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.deck.fore', box(-142, -92, 66, 92, 4), BODY + 3, mat='paint', form='deck', shade='none', lift=1.6, tags=CAMO)
        d.area('vehicle.engine.deck', box(64, -90, 244, 90, 6), BODY + 3, mat='paint', form='engine', shade='none', lift=1.4, tags=CAMO)
        d.area('vehicle.grille', box(92, -70, 150, 70, 3) + ' | ' + box(164, -70, 222, 70, 3), BODY + 4, mat='metal', form='grille', shade='none', lift=.6)
        d.ink('vehicle.grille', ' | '.join(bar(x, -68, x, 68, 1.6) for x in (*range(98, 148, 8), *range(170, 220, 8))), .6)
        d.area('vehicle.lamp.left', 'o:-232,104,11', BODY + 5, mat='glass', form='lampl', shade='ball', lift=1.4)
        d.area('vehicle.lamp.right', 'o:-232,-104,11', BODY + 5, mat='glass', form='lampr', shade='ball', lift=1.4)
        d.area('vehicle.hatch.driver', box(-130, 34, -92, 76, 5), BODY + 5, mat='paint', form='hd', shade='flat', lift=1, tags=CAMO)
        d.site('deck.air', 'vehicle.engine.deck', 156, 0, 6, 8, 'rect', 'flat')
        return
    near, _ = _sides(d)
    _track(d, -240, 244, -86, 0, BODY)
    d.area('vehicle.hull.side', '-250,-112/6 -238,-140/4 -150,-170/3 236,-168/4 250,-132/5 246,-80/3 -236,-80/3', BODY - 10, mat='paint', form='hull', shade='flat', lift=1, tags=CAMO)
    d.area('vehicle.hull.nose', '-252,-112/4 -238,-142/3 -150,-172/2 -150,-150/1 -224,-124/1 -234,-104/2', BODY - 8, mat='paint', form='nose', shade='flat', lift=1.2, tags=CAMO)
    d.area(f'vehicle.fender.{near}', '-254,-92/4 -244,-104/4 248,-104/4 258,-82/3 252,-76/2 -250,-80/2', NEAR, mat='paint', form='fender', shade='flat', lift=2.2, tags=CAMO)
    d.area(f'vehicle.skirt.{near}', ' | '.join(f'{x},-88/2 {x + 92},-88/2 {x + 92},-56/3 {x},-56/3' for x in (-190, -94, 2, 98)), NEAR + 1, mat='paint', form='skirt', shade='flat', lift=1.6, tags=CAMO)
    d.area('vehicle.number', box(-96, -158, -36, -124, 2), BODY - 7, mat='paint', form='number', shade='none', lift=.3, tags=CAMO)
    d.area('vehicle.rail', bar(-40, -114, 120, -114, 5, r=2), NEAR + 2, mat='wood', form='rail', shade='none', lift=1)
    d.area(f'vehicle.lamp.{near}', 'e:-240,-114,8,11', NEAR + 3, mat='glass', form='lamp', shade='ball', lift=1.4)
    d.area('vehicle.exhaust', '150,-142/3 226,-142/3 232,-124/3 150,-122/3', BODY - 6, mat='metal', form='exhaust', shade='cyl', lift=1.8)
    d.area('vehicle.exhaust.pipe', bar(226, -133, 262, -140, 11, r=3), BODY - 7, mat='metal', form='pipe', shade='cyl', lift=1.2)
    d.area('vehicle.hull.rivets', dots([(x, -160) for x in range(-120, 230, 35)], 2.4), BODY - 6, mat='metal', shade='none', lift=.6)
    d.dark('vehicle.hull.side', '-250,-108/0 250,-108/0 246,-80/0 -236,-80/0', .22)
    d.site('hull.number', 'vehicle.number', -66, -141, 5, 2.8, 'rect', 'flat')
    d.site('hull.side', 'vehicle.hull.side', 70, -140, 5, 3.2, 'shield', 'flat')
    d.site('skirt.mark', f'vehicle.skirt.{near}', -48, -72, 6, 2.4, 'rect', 'flat')


def _bonnet(d):
    """Bonnet, cab and front wheels of a lorry, from the side."""
    near, _ = _sides(d)
    d.area('vehicle.engine.bonnet', '-250,-150/8 -226,-162~ -128,-168/3 -128,-86/2 -248,-86/4', BODY, mat='paint', form='bonnet', shade='cyl', lift=1.6, tags=CAMO)
    d.area('vehicle.engine.louvres', ' | '.join(bar(x, -142, x, -106, 5, r=2) for x in range(-222, -150, 12)), BODY + 1, mat='metal', form='louvres', shade='none', lift=.6)
    d.area('vehicle.grille', box(-258, -152, -246, -88, 3), BODY + 1, mat='metal', form='grille', shade='flat', lift=1)
    d.area('vehicle.bumper', box(-274, -86, -256, -66, 3), BODY + 2, mat='metal', form='bumper', shade='flat', lift=1.4)
    d.area(f'vehicle.lamp.{near}', 'o:-246,-170,11', BODY + 4, mat='glass', form='lamp', shade='ball', lift=1.4)
    d.area('vehicle.fender.fore', '-266,-62/3 -258,-88~ -232,-106~ -196,-108~ -170,-90~ -150,-62/3 -164,-62/2 -184,-84~ -212,-92~ -240,-82~ -252,-62/2', NEAR, mat='paint', form='ff', shade='none', lift=2, tags=CAMO)


@part('motor.lorry', 'hull', note='lorry: bonnet, cab with a canvas roof, frame, six wheels')
def lorry(d):
    if d.view == 'top':
        d.area('vehicle.engine.bonnet', '-252,-46/8 -128,-58/3 -128,58/3 -252,46/8', BODY, mat='paint', form='bonnet', shade='flat', lift=1.6, tags=CAMO)
        d.area('vehicle.fender.fore', box(-262, 52, -150, 92, 12) + ' | ' + box(-262, -92, -150, -52, 12), BODY - 1, mat='paint', form='ff', shade='flat', lift=1.2, tags=CAMO)
        d.area('vehicle.cabin.roof', box(-126, -84, -30, 84, 6), BODY + 4, mat='cloth', form='roof', shade='flat', lift=2.4, tags=CAMO)
        d.area('vehicle.frame', box(-34, -60, 258, 60, 3), BODY - 4, mat='metal', form='frame', shade='none', lift=0)
        d.area('vehicle.lamp.left', 'o:-244,58,11', BODY + 5, mat='glass', form='lampl', shade='ball', lift=1.4)
        d.area('vehicle.lamp.right', 'o:-244,-58,11', BODY + 5, mat='glass', form='lampr', shade='ball', lift=1.4)
        return
    _bonnet(d)
    near, _ = _sides(d)
    d.area('vehicle.frame', box(-240, -86, 258, -70, 3), BODY - 4, mat='metal', form='frame', shade='flat', lift=.6)
    d.area('vehicle.cabin.side', '-128,-174/3 -124,-216/4 -34,-216/4 -32,-86/2 -128,-86/2', BODY + 2, mat='paint', form='cab', shade='flat', lift=1.8, tags=CAMO)
    d.area('vehicle.cabin.window', '-114,-206/3 -46,-206/3 -46,-162/3 -114,-162/3', BODY + 3, mat='glass', form='window', shade='none', lift=0)
    d.area('vehicle.door', '-112,-158/3 -46,-158/3 -46,-92/4 -112,-92/4', BODY + 3, mat='paint', form='door', shade='flat', lift=1, tags=CAMO)
    d.area('vehicle.door.handle', bar(-60, -138, -50, -138, 4, r=1), BODY + 4, mat='metal', form='handle', shade='none', lift=.6)
    d.area('vehicle.cabin.roof', '-134,-214/4 -126,-232/8 -34,-232/6 -28,-214/3', BODY + 4, mat='cloth', form='roof', shade='ball', lift=2, tags=CAMO)
    d.area('vehicle.step', box(-128, -76, -38, -66, 3), NEAR, mat='metal', form='step', shade='flat', lift=1.4)
    d.area('vehicle.tank', '-24,-92/5 34,-92/5 34,-56/6 -24,-56/6', NEAR - 2, mat='paint', form='tank', shade='cyl', lift=1.6, tags=CAMO)
    _wheel(d, '', [(-208, -36), (110, -36), (194, -36)], 36, NEAR + 2)
    d.area('vehicle.fender.aft', '66,-62/3 78,-84~ 110,-92~ 194,-92~ 226,-84~ 240,-62/3 228,-62/2 214,-78~ 190,-82~ 114,-82~ 88,-76~ 78,-62/2', NEAR, mat='paint', form='fa', shade='none', lift=2, tags=CAMO)
    d.lite('vehicle.cabin.window', '-108,-204/0 -92,-204/0 -108,-166/0 -114,-166/0', .4)
    d.site('door', 'vehicle.door', -79, -124, 4, 4, 'shield', 'flat')
    d.site('bonnet', 'vehicle.engine.bonnet', -188, -152, 5, 1.4, 'rect', 'flat')


@part('motor.halftrack', 'hull', note='half-track: armoured bonnet and cab, open body, front wheels and a short track')
def halftrack(d):
    if d.view == 'top':
        _track_top(d, 0, 236, 104, 40)
        d.area('vehicle.engine.bonnet', '-252,-50/8 -128,-66/3 -128,66/3 -252,50/8', BODY + 1, mat='paint', form='bonnet', shade='flat', lift=1.6, tags=CAMO)
        d.area('vehicle.fender.fore', box(-262, 54, -150, 98, 12) + ' | ' + box(-262, -98, -150, -54, 12), BODY - 1, mat='paint', form='ff', shade='flat', lift=1.2, tags=CAMO)
        d.area('vehicle.hull.side', box(-130, -98, 252, 98, 5), BODY + 2, mat='paint', form='rim', shade='none', lift=2, tags=CAMO)
        d.area('vehicle.bed.floor', box(-56, -84, 240, 84, 3), BODY + 3, mat='metal', form='floor', shade='none', lift=0)
        d.area('vehicle.cabin.roof', box(-124, -86, -62, 86, 4), BODY + 3, mat='paint', form='croof', shade='flat', lift=1.6, tags=CAMO)
        d.area('vehicle.seat', box(-40, 54, 220, 80, 3) + ' | ' + box(-40, -80, 220, -54, 3), BODY + 4, mat='leather', form='seat', shade='flat', lift=1.2)
        d.dark('vehicle.bed.floor', box(-56, -84, 240, -50), .2)
        return
    near, _ = _sides(d)
    _bonnet(d)
    _track(d, 2, 246, -80, 0, BODY + 4)
    _wheel(d, 'front.', [(-208, -36)], 36, NEAR + 2)
    d.area('vehicle.hull.side', '-128,-172/2 -112,-212/3 -52,-212/2 -46,-190/2 250,-186/3 262,-140/4 240,-84/3 -128,-84/2', BODY + 1, mat='paint', form='body', shade='flat', lift=1.8, tags=CAMO)
    d.area('vehicle.hull.low', '-128,-112/1 254,-112/1 240,-84/3 -128,-84/2', BODY + 2, mat='paint', form='low', shade='flat', lift=.4, tags=CAMO)
    d.area('vehicle.window', box(-102, -202, -66, -184, 3), BODY + 3, mat='paint', form='slit', shade='none', lift=0)
    d.area('vehicle.window.flap', '-106,-206/2 -62,-206/2 -60,-196/2 -108,-196/2', BODY + 4, mat='paint', form='flap', shade='flat', lift=1.4, tags=CAMO)
    d.area('vehicle.door', '-112,-178/2 -60,-178/2 -60,-92/2 -112,-92/2', BODY + 2.5, mat='paint', form='door', shade='flat', lift=.8, tags=CAMO)
    d.area('vehicle.box', box(20, -168, 84, -132, 3) + ' | ' + box(104, -168, 168, -132, 3), BODY + 3, mat='paint', form='boxes', shade='flat', lift=1.4, tags=CAMO)
    d.area('vehicle.frame', box(-250, -88, 40, -66, 3), BODY - 6, mat='metal', form='frame', shade='flat', lift=.6)
    d.area('vehicle.step', box(-128, -82, -6, -72, 3), NEAR, mat='metal', form='step', shade='flat', lift=1.4)
    d.area('vehicle.hull.rivets', dots([(x, -180) for x in range(-34, 240, 34)], 2.4), BODY + 3, mat='metal', shade='none', lift=.6)
    d.site('side', 'vehicle.hull.side', 206, -150, 5, 4, 'shield', 'flat')
    d.site('door', 'vehicle.door', -86, -140, 3.4, 3.4, 'disc', 'flat')


@part('motor.turret', 'superstructure', note='turret with a long gun, mantlet, cupola, bustle box and whip')
def turret(d):
    if d.view == 'top':
        d.area('vehicle.gun.barrel', '-92,-11/2 -92,11/2 -330,8/1 -330,-8/1', TOP, mat='metal', form='gun', shade='cyl', lift=3)
        d.area('vehicle.gun.muzzle', box(-352, -13, -326, 13, 4), TOP + 1, mat='metal', form='muzzle', shade='flat', lift=1.6)
        d.area('vehicle.turret.box', box(86, -52, 144, 52, 6), TOP + 1, mat='paint', form='bustle', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.turret.roof', '-96,-44/8 -60,-76~ 40,-80~ 92,-62/8 96,62/8 40,80~ -60,76~ -96,44/8', TOP + 2, mat='paint', form='roof', shade='flat', lift=3, tags=CAMO)
        d.area('vehicle.gun.mantlet', box(-112, -36, -84, 36, 8), TOP + 3, mat='paint', form='mantlet', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.cupola', 'o:34,-30,27', TOP + 4, mat='paint', form='cupola', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.cupola.hatch', 'o:34,-30,19', TOP + 5, mat='paint', form='ch', shade='ball', lift=1, tags=CAMO)
        d.area('vehicle.hatch.loader', 'o:30,36,21', TOP + 4, mat='paint', form='hl', shade='ball', lift=1.2, tags=CAMO)
        d.area('vehicle.antenna', 'o:74,-50,6', TOP + 6, mat='metal', form='antenna', shade='ball', lift=1)
        d.site('turret.roof', 'vehicle.turret.roof', -30, 0, 5, 5, 'disc', 'flat')
        return
    d.area('vehicle.gun.barrel', '-92,-220/2 -92,-198/2 -330,-201/1 -330,-217/1', TOP, mat='metal', form='gun', shade='cyl', lift=1.6)
    d.area('vehicle.gun.muzzle', box(-352, -222, -326, -196, 4), TOP + 1, mat='metal', form='muzzle', shade='cyl', lift=1.2)
    d.area('vehicle.turret.box', box(84, -236, 142, -186, 6), TOP + 1, mat='paint', form='bustle', shade='flat', lift=1.4, tags=CAMO)
    d.area('vehicle.turret.side', '-98,-180/4 -88,-238/8 -58,-252/6 62,-252/6 92,-232/8 98,-176/3 -94,-172/3', TOP + 2, mat='paint', form='turret', shade='flat', lift=2, tags=CAMO)
    d.area('vehicle.turret.roof', '-66,-250/2 -54,-258/3 58,-258/3 68,-250/2', TOP + 3, mat='paint', form='roof', shade='flat', lift=1.2, tags=CAMO)
    d.area('vehicle.gun.mantlet', '-114,-228/8 -88,-236/6 -84,-184/6 -114,-190/8', TOP + 4, mat='paint', form='mantlet', shade='ball', lift=2, tags=CAMO)
    d.area('vehicle.cupola', '14,-258/2 16,-276/6 58,-276/6 60,-258/2', TOP + 2.5, mat='paint', form='cupola', shade='cyl', lift=1.4, tags=CAMO)
    d.area('vehicle.cupola.hatch', '12,-276/3 20,-284~ 54,-284~ 62,-276/3', TOP + 2.6, mat='paint', form='ch', shade='ball', lift=1, tags=CAMO)
    d.area('vehicle.cupola.ports', ' | '.join(box(x, -271, x + 8, -264, 1) for x in (22, 34, 46)), TOP + 4, mat='glass', form='cports', shade='none', lift=0)
    d.area('vehicle.antenna', bar(78, -244, 94, -396, 3.4, 1.6, r=1) + ' | o:78,-246,5', TOP + 1, mat='metal', form='antenna', shade='none', lift=1, merge=True)
    d.area('vehicle.turret.rail', bar(-40, -226, 70, -226, 4, r=2), TOP + 5, mat='metal', form='trail', shade='none', lift=1)
    d.dark('vehicle.turret.side', '-98,-190/0 98,-188/0 98,-172/0 -98,-172/0', .16)
    d.lite('vehicle.gun', '-330,-215/0 -92,-217/0 -92,-213/0 -330,-212/0', .3)
    d.site('turret.number', 'vehicle.turret.side', 6, -206, 9, 4, 'rect', 'cyl:40')
    d.site('turret.badge', 'vehicle.turret.side', -60, -206, 3.4, 3.4, 'disc', 'cyl:40')


@part('motor.tilt', 'superstructure', note='load bed under a canvas tilt on hoops')
def tilt(d):
    if d.view == 'top':
        d.area('vehicle.tilt', box(-22, -88, 262, 88, 10), TOP, mat='cloth', form='tilt', shade='cyl', lift=3, tags=CAMO)
        for x in (40, 120, 200):
            d.lite('vehicle.tilt', bar(x, -86, x, 86, 7), .14)
            d.dark('vehicle.tilt', bar(x + 10, -86, x + 10, 86, 6), .14)
        d.site('tilt.roof', 'vehicle.tilt', 120, 0, 8, 8, 'disc', 'drape')
        return
    d.area('vehicle.bed.side', box(-24, -126, 264, -86, 3), TOP, mat='wood', form='bed', shade='flat', lift=1.6, tags=CAMO)
    d.area('vehicle.bed.slat', box(-24, -110, 264, -104, 1), TOP + 1, mat='wood', form='slat', shade='none', lift=.5, tags=CAMO)
    d.area('vehicle.bed.irons', ' | '.join(box(x, -130, x + 7, -84, 1) for x in (-14, 76, 166, 246)), TOP + 2, mat='metal', form='irons', shade='none', lift=.7)
    d.area('vehicle.tilt', '-22,-126/2 -20,-226/10 4,-246/14 240,-246/14 262,-226/10 264,-126/2', TOP + 3, mat='cloth', form='tilt', shade='flat', lift=2, tags=CAMO)
    d.area('vehicle.tilt.lace', ' | '.join(bar(x, -132, x + 7, -124, 2.4) for x in range(-14, 256, 18)), TOP + 4, mat='rope', form='lace', shade='none', lift=.6)
    for x in (50, 120, 190):
        d.dark('vehicle.tilt', lens((x, -240), (x + 4, -190), (x, -134), w=8), .16)
        d.lite('vehicle.tilt', lens((x - 10, -240), (x - 8, -190), (x - 10, -134), w=6), .14)
    d.site('tilt.side', 'vehicle.tilt', 120, -188, 9, 6, 'disc', 'drape')


@part('motor.stowage', 'superstructure', note='rolled tilt, cases and a spare wheel lashed on')
def stowage(d):
    if d.view == 'top':
        d.area('vehicle.stowage.roll', box(150, -78, 176, 78, 12), TOP + 8, mat='cloth', form='roll', shade='cyl', lift=3)
        d.area('vehicle.stowage.case', box(184, -60, 226, -10, 3) + ' | ' + box(184, 6, 226, 62, 3), TOP + 8, mat='wood', form='case', shade='flat', lift=3)
        d.area('vehicle.stowage.strap', ' | '.join(box(148, y, 178, y + 7, 1) for y in (-50, 0, 46)), TOP + 9, mat='leather', form='strap', shade='none', lift=.7)
        return
    d.area('vehicle.stowage.case', box(184, -204, 226, -170, 3), TOP + 6, mat='wood', form='case', shade='flat', lift=1.8)
    d.area('vehicle.stowage.roll', 'e:164,-186,14,14', TOP + 7, mat='cloth', form='roll', shade='ball', lift=2)
    d.area('vehicle.stowage.strap', bar(200, -206, 200, -168, 6, r=1) + ' | ' + bar(152, -196, 176, -176, 5, r=1), TOP + 8, mat='leather', form='strap', shade='none', lift=.7)


@part('bike.machine', 'hull', note='motor cycle: frame, engine, tank, wheels, mudguards, lamp, bags')
def machine(d):
    near, _ = _sides(d)
    def wheel(x, name):
        d.area(f'vehicle.wheel.{name}.tyre', f'o:{x},-52,54', BODY, mat='leather', form='tyre' + name, shade='flat', lift=1.6, cut=f'o:{x},-52,43')
        d.area(f'vehicle.wheel.{name}.rim', f'o:{x},-52,43', BODY + 1, mat='metal', form='rim' + name, shade='none', lift=.6, cut=f'o:{x},-52,37')
        d.area(f'vehicle.wheel.{name}.spokes', ' | '.join(bar(x + 9 * math.cos(a), -52 + 9 * math.sin(a), x + 38 * math.cos(a + .12), -52 + 38 * math.sin(a + .12), 2.2) for a in (i * math.pi / 6 for i in range(12))), BODY - 1, mat='metal', form='spokes' + name, shade='none', lift=.6)
        d.area(f'vehicle.wheel.{name}.hub', f'o:{x},-52,12', BODY + 2, mat='metal', form='hub' + name, shade='ball', lift=1.2)
    wheel(-128, 'fore')
    wheel(124, 'aft')
    d.area('vehicle.frame', tube((-96, -150, 9), (-30, -66, 9), (30, -48, 9), (124, -52, 9)) + ' | ' + tube((-96, -150, 8), (0, -138, 8), (60, -112, 8), (124, -56, 8)), BODY + 4, mat='metal', form='frame', shade='cyl', lift=1.2)
    d.area('vehicle.fork', bar(-92, -168, -128, -54, 9, 8, r=3), BODY + 5, mat='metal', form='fork', shade='cyl', lift=1.2)
    d.area('vehicle.fender.fore', '-190,-60/3 -186,-92~ -158,-116~ -124,-120~ -92,-106~ -96,-96/2 -122,-108~ -154,-104~ -176,-84~ -178,-60/2', BODY + 6, mat='paint', form='ff', shade='none', lift=1.6, tags=CAMO)
    d.area('vehicle.fender.aft', '62,-88/2 84,-110~ 122,-120~ 164,-104~ 188,-66/3 196,-40/3 186,-40/2 178,-64~ 158,-92~ 122,-108~ 90,-100~ 72,-82/2', BODY + 6, mat='paint', form='fa', shade='none', lift=1.6, tags=CAMO)
    d.area('vehicle.engine', '-34,-112/5 34,-112/5 42,-50/8 -20,-42/8 -38,-70/4', BODY + 7, mat='metal', form='engine', shade='flat', lift=2)
    d.area('vehicle.engine.fins', ' | '.join(bar(-32, y, 32, y, 4.4, r=1) for y in (-106, -97, -88, -79)), BODY + 8, mat='metal', form='fins', shade='none', lift=.7)
    d.area('vehicle.engine.cover', 'o:10,-60,17', BODY + 9, mat='metal', form='cover', shade='ball', lift=1.2)
    d.area('vehicle.exhaust', tube((-24, -92, 9), (-36, -58, 10), (0, -34, 11), (80, -32, 13), (176, -38, 15), r0=3, r1=4), BODY + 10, mat='metal', form='exhaust', shade='cyl', lift=1.6)
    d.area('vehicle.tank', '-86,-156/8 -66,-168~ -14,-160~ 8,-140/5 -8,-126~ -64,-128~ -84,-138/4', BODY + 11, mat='paint', form='tank', shade='ball', lift=2, tags=CAMO)
    d.area('vehicle.tank.cap', box(-56, -174, -42, -164, 3), BODY + 12, mat='metal', form='cap', shade='flat', lift=.8)
    d.area('vehicle.saddle', '2,-150/5 20,-158~ 62,-150~ 84,-158/5 88,-142/5 50,-132~ 8,-134/5', BODY + 12, mat='leather', form='saddle', shade='ball', lift=1.8)
    d.area('vehicle.bar', tube((-92, -166, 6), (-88, -186, 6), (-64, -192, 6), r0=2, r1=2), BODY + 13, mat='metal', form='bar', shade='cyl', lift=1)
    d.area('vehicle.bar.grip', bar(-76, -191, -54, -193, 9, r=3), BODY + 14, mat='leather', form='grip', shade='cyl', lift=.8)
    d.area('vehicle.lamp', '-122,-164/4 -98,-170/4 -98,-148/4 -122,-146/4', BODY + 13, mat='metal', form='lamp', shade='ball', lift=1.4)
    d.area('vehicle.lamp.glass', 'e:-122,-155,4,10', BODY + 14, mat='glass', form='lg', shade='none', lift=.4)
    d.area('vehicle.box', '96,-142/4 152,-138/4 152,-92/6 98,-96/6', BODY + 15, mat='leather', form='bag', shade='flat', lift=2.2)
    d.area('vehicle.box.flap', '94,-144/4 154,-140/4 154,-120/4 124,-114~ 96,-124/4', BODY + 16, mat='leather', form='flap', shade='flat', lift=1)
    d.site('tank.side', 'vehicle.tank', -42, -146, 3, 2.2, 'oval', 'dome:6')
    d.site('fender.fore', 'vehicle.fender.fore', -146, -112, 2.6, 1, 'rect', 'flat')
    d.anchor('seat', 40, -152)


@part('bike.rider', 'rider', note='rider in a long coat, cap and goggles, gloves on the bar')
def rider(d):
    near, far = _sides(d)
    z = 300
    d.area(f'leg.{near}.breeches', tube((44, -158, 40), (6, -138, 36), (-14, -112, 28), r0=12, r1=6), z + 2, form='thigh', lift=2, tags=CAMO)
    d.area(f'leg.{near}.boot', '-34,-118/4 -2,-124/4 4,-92~ 12,-56~ 10,-38/3 -32,-36/4 -38,-46/4 -16,-54~ -22,-86~', z + 3, mat='leather', form='boot', shade='cyl', lift=1.8)
    d.area(f'leg.{near}.boot.sole', '-38,-42/2 10,-42/2 10,-34/2 -38,-34/2', z + 4, mat='leather', form='sole', shade='none', lift=.4)
    d.area('torso.coat.body', '10,-252/6 34,-262~ 62,-252/6 74,-216~ 72,-170~ 88,-128/3 64,-122~ 42,-146/3 6,-160/3 8,-200~ 2,-230~', z, form='coat', shade='cyl', lift=2.2, tags=CAMO)
    d.area('gear.belt', '4,-186/1 40,-180~ 74,-184/1 74,-172/1 40,-168~ 5,-174/1', z + 4, mat='leather', form='belt', shade='flat', lift=1.2)
    d.area('gear.pouch.left', '22,-186/3 44,-184/3 44,-160/4 22,-162/4', z + 5, mat='leather', form='pouch', shade='ball', lift=1.8)
    d.area('torso.coat.collar', '8,-268/3 48,-270/3 52,-250/3 28,-246~ 6,-252/3', z + 8, form='collar', shade='flat', lift=1.4)
    d.area('head.face', '-2,-308 30,-310 36,-290~ 30,-268/4 10,-262/5 -4,-268/4 -8,-282/3 -6,-292~', z + 9, mat='skin', form='face', shade='flat', lift=1.2)
    d.area('head.eyes', 'e:4,-293,2.2,2.8', z + 10, mat='paint', shade='none', lift=0)
    d.area('head.ears', 'e:28,-288,4.4,6.6', z + 10, mat='skin', shade='none', lift=.7)
    d.area('head.cap.body', '-4,-302/3 -4,-324~ 14,-338~ 38,-330~ 46,-300~ 42,-276/4 32,-280~ 26,-300/2 2,-300/2', z + 11, mat='leather', form='cap', shade='ball', lift=1.8)
    d.area('head.goggles.strap', bar(-2, -313, 44, -308, 7, r=1), z + 12, mat='leather', form='gs', shade='none', lift=.7)
    d.area('head.goggles.frame', 'e:2,-314,10,9', z + 13, mat='metal', form='gf', shade='flat', lift=1.2)
    d.area('head.goggles.lens', 'e:0,-314,6,6', z + 14, mat='glass', form='gl', shade='none', lift=.3)
    d.area('head.scarf', '-2,-270/3 34,-274/3 40,-258/4 10,-248~ -4,-256/3', z + 12, form='scarf', shade='ball', lift=1.4)
    d.area('head.scarf.tail', '36,-268/2 66,-282~ 96,-276/0 84,-268/0 96,-258/0 64,-262~ 38,-256/2', z - 2, form='tail', shade='flat', lift=1.4)
    d.area(f'arm.{near}.sleeve', tube((46, -242, 28), (26, -214, 26), (-20, -204, 22), r0=12, r1=3), z + 16, form='arm', lift=2.2, tags=CAMO)
    d.area(f'arm.{near}.cuff', bar(-12, -206, -34, -201, 26, 24, r=2), z + 17, mat='leather', form='cuff', shade='cyl', lift=1.2)
    d.area(f'hand.{near}', '-32,-214/4 -56,-206/5 -62,-194/5 -54,-184/5 -34,-188/4', z + 18, mat='leather', form='hand', shade='ball', lift=1.4)
    d.dark('torso.coat.body', lens((24, -232), (20, -206), (24, -186), w=4), .18)
    d.dark(f'arm.{near}.sleeve', lens((30, -212), (18, -204), (0, -204), w=4), .18)
    d.site('shoulder', f'arm.{near}.sleeve', 40, -230, 1.6, 1.8, 'shield', 'cyl:2')


@part('bike.gun', 'superstructure', note='light gun on the bar and a box of belts')
def gun(d):
    d.area('vehicle.gun.barrel', '-104,-204/1 -104,-197/1 -186,-199/1 -186,-204/1', 260, mat='metal', form='gun', shade='cyl', lift=1.2)
    d.area('vehicle.gun.body', box(-108, -210, -72, -192, 3), 261, mat='metal', form='gbody', shade='flat', lift=1.4)
    d.area('vehicle.gun.post', bar(-90, -192, -90, -168, 6, r=1), 259, mat='metal', form='post', shade='cyl', lift=1)
    d.area('vehicle.gun.box', box(-100, -192, -76, -176, 2), 262, mat='metal', form='gbox', shade='flat', lift=1)
