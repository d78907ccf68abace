"""The punt-car: an armoured lagoon punt on paddle wheels, driven by a mainspring.

Sides are drawn as 'left', with the bow to the viewer's left; 'right' is flipped by the assembly. In 'top' the
bow points to the left too, so that left and top line up.
In the top view the vehicle's left side lies at the bottom.
"""
import math

from ..part import part
from ..stroke import bar, dots, lens, line, tube

CAMO = ('camo',)


def box(x0, y0, x1, y1, r=0):
    return f'{x0},{y0}/{r} {x1},{y0}/{r} {x1},{y1}/{r} {x0},{y1}/{r}'


# ------------------------------------------------------------------ side
HULL = ('-398,-318/3 -330,-262~ -200,-222~ 0,-212~ 200,-214~ 340,-224/6 352,-196/6 296,-152/8 -236,-152/14 -312,-190~ -372,-262~')


@part('punt.hull', 'hull', note='hull, rails, prow, oar')
def hull(d):
    if d.view != 'top':
        for name, x0, x1 in (('fore', -420, -196), ('mid', -196, 116), ('aft', 116, 380)):
            d.area(f'vehicle.hull.side.{name}', HULL, 100, mat='metal', form='hull', shade='flat', lift=0, tags=CAMO, clip=box(x0, -400, x1, -100))
        d.area('vehicle.hull.bilge', HULL, 104, mat='metal', form='bilge', shade='flat', lift=.6, tags=CAMO, clip=box(-420, -177, 380, -100))
        d.area('vehicle.hull.rail', tube((344, -222, 13), (200, -213, 13), (0, -211, 13), (-200, -221, 13), (-328, -260, 13), (-390, -311, 11), r0=3, r1=2), 110, mat='wood', form='rail', shade='none', lift=2.4)
        d.area('vehicle.hull.rivets', dots([(x, -188) for x in range(-300, 330, 26) if abs(x + 196) > 10 and abs(x - 84) > 34], 2.4), 106, mat='metal', shade='none', lift=.6)
        d.lite('vehicle.hull.rail', tube((340, -226, 3.4), (200, -217, 3.4), (0, -215, 3.4), (-200, -225, 3.4), (-328, -264, 3.4)), .28)
        d.dark('vehicle.hull', '-384,-256/0 -312,-186~ -236,-148/0 300,-148/0 352,-196/0 344,-198/0 292,-163/0 -232,-163/6 -310,-200~ -374,-262~', .18)
        d.lite('vehicle.hull.side', '-372,-288/0 -322,-248~ -200,-210~ 0,-200~ 200,-202~ 330,-210/0 330,-205/0 200,-196~ 0,-194~ -200,-203~ -318,-240~ -366,-276/0', .14)
        d.area('vehicle.prow', '-366,-282/2 -388,-314~ -386,-344/2 -376,-352/2 -386,-360/1 -376,-372/2 -388,-378/1 -382,-394/2 -404,-404~ -424,-388~ -428,-356~ -418,-316~ -392,-266/2',
               112, mat='metal', form='prow', shade='flat', lift=2)
        d.area('vehicle.prow.badge', 'o:-405,-352,9', 113, mat='metal', shade='ball', lift=1)
        d.area('vehicle.fender', ' '.join(f'e:{x},-180,8,19' for x in (-36, 4, 44)), 130, mat='rope', form='fender', shade='ball', lift=2)
        d.area('vehicle.fender.line', ' | '.join(bar(x, -214, x, -196, 3.4) for x in (-36, 4, 44)), 129, mat='rope', shade='none', lift=.8)
        d.ink('vehicle.fender', ' | '.join(line((x - 8, y + 2), (x + 8, y - 2), w=1.1) for x in (-36, 4, 44) for y in (-188, -180, -172)), .4)
        # steering oar
        d.area('vehicle.oar', bar(318, -262, 408, -120, 8, r=2), 90, mat='wood', form='oar', lift=1.4)
        d.area('vehicle.oar.blade', '396,-142/3 412,-150/4 444,-70/6 420,-58/6 404,-88~', 91, mat='wood', form='blade', shade='flat', lift=1.4)
        d.area('vehicle.oar.grip', bar(310, -275, 320, -259, 9.4, r=2), 92, mat='leather', shade='none', lift=.8)
        d.area('vehicle.oar.lock', '336,-246/2 352,-238/2 346,-220/2 332,-226/2', 109, mat='metal', shade='flat', lift=1.2)
        d.site('hull.number', 'vehicle.hull.side.mid', 84, -191, 5, 2.4, 'rect', 'flat')
        d.site('hull.bow', 'vehicle.hull.side.fore', -272, -218, 4, 3.4, 'shield', 'cyl:120')
    else:
        deck = '-396,0/4 -330,-44~ -200,-92~ 0,-108~ 200,-104~ 344,-78/8 356,0 344,78/8 200,104~ 0,108~ -200,92~ -330,44~'
        d.area('vehicle.hull.rail', deck, 100, mat='wood', form='rail', shade='flat', lift=0)
        inner = '-372,0/4 -322,-34~ -198,-80~ 0,-95~ 198,-91~ 332,-68/6 342,0 332,68/6 198,91~ 0,95~ -198,80~ -322,34~'
        d.area('vehicle.deck.fore', inner, 101, mat='wood', form='deck', shade='none', lift=0, clip=box(-420, -200, -60, 200), tex='wood')
        d.area('vehicle.deck.aft', inner, 101, mat='wood', form='deck', shade='none', lift=0, clip=box(-60, -200, 420, 200), tex='wood')
        d.ink('vehicle.deck', ' | '.join(bar(-390, y, 350, y, 1.1) for y in (-72, -48, -24, 0.01, 24, 48, 72)), .45)
        d.dark('vehicle.deck', '-372,0/0 -322,-34~ -198,-80~ 0,-95~ 198,-91~ 332,-68/0 332,-60/0 198,-80~ 0,-84~ -198,-68~ -322,-24~', .2)
        d.area('vehicle.prow', '-376,-6/2 -376,6/2 -420,4/2 -430,0/2 -420,-4/2', 112, mat='metal', form='prow', shade='flat', lift=2)
        d.area('vehicle.fender', ' '.join(f'e:{x},{s * 111},8,7' for x in (-36, 4, 44) for s in (1, -1)), 99, mat='rope', form='fender', shade='ball', lift=2)
        d.area('vehicle.oar', bar(306, 0, 412, 0, 8, r=2), 140, mat='wood', form='oar', shade='none', lift=1.6)
        d.area('vehicle.oar.blade', '402,-5/2 446,-7/4 446,7/4 402,5/2', 141, mat='wood', form='blade', shade='flat', lift=1.4)
        d.area('vehicle.oar.grip', bar(296, 0, 312, 0, 9.4, r=2), 141, mat='leather', shade='none', lift=.8)
        d.area('vehicle.oar.lock', box(332, -9, 346, 9, 3), 142, mat='metal', shade='flat', lift=1.2)
        d.area('vehicle.bitts', 'o:-296,-14,6.5 o:-296,14,6.5', 140, mat='metal', form='bitts', shade='ball', lift=1.6)


@part('punt.casemate', 'superstructure', note='sloped armoured cabin with one bronze gun, cupola, poles')
def casemate(d):
    if d.view != 'top':
        d.area('vehicle.gun.barrel', '-112,-284/2 -112,-246/2 -300,-252/1 -300,-278/1', 190, mat='metal', form='gun', lift=1.6)
        d.area('vehicle.gun.muzzle', '-296,-284/3 -296,-246/3 -318,-244/4 -322,-265~ -318,-286/4', 191, mat='metal', form='muzzle', shade='cyl', lift=1)
        d.area('vehicle.gun.rings', box(-286, -281, -276, -249, 2) + ' | ' + box(-212, -283, -202, -247, 2), 192, mat='metal', form='rings', shade='flat', lift=.9)
        d.lite('vehicle.gun', '-322,-277/0 -112,-278/0 -112,-271/0 -322,-271/0', .3)
        d.dark('vehicle.gun', '-322,-256/0 -112,-254/0 -112,-244/0 -322,-244/0', .26)
        d.area('vehicle.casemate.front', '-178,-216/2 -132,-312/4 -100,-322/2 -104,-212/1', 200, mat='metal', form='cf', shade='flat', lift=1.6, tags=CAMO)
        d.area('vehicle.casemate.side', '-108,-212/1 -104,-320/3 88,-320/3 100,-212/1', 201, mat='metal', form='cs', shade='flat', lift=.8, tags=CAMO)
        d.area('vehicle.casemate.rear', '96,-212/1 84,-321/2 112,-314/4 148,-214/2', 202, mat='metal', form='cr', shade='flat', lift=.8, tags=CAMO)
        d.area('vehicle.gun.mantlet', '-166,-292/6 -134,-298/6 -128,-236/6 -166,-240/6 -172,-266~', 204, mat='metal', form='mantlet', shade='ball', lift=2.2)
        d.area('vehicle.casemate.roof', '-140,-314/3 -118,-332/5 102,-332/5 120,-314/3', 206, mat='metal', form='roof', shade='flat', lift=2.4, tags=CAMO)
        d.area('vehicle.casemate.ports', box(-84, -292, -46, -276, 3) + ' | ' + box(-20, -292, 18, -276, 3) + ' | ' + box(44, -292, 74, -276, 3), 207, mat='paint', shade='none', lift=0)
        d.area('vehicle.casemate.shutter', ' | '.join(f'{a - 3},-297/2 {b + 3},-297/2 {b + 5},-287/2 {a - 5},-287/2' for a, b in ((-84, -46), (-20, 18), (44, 74))), 208, mat='metal', form='shut', shade='flat', lift=2)
        d.area('vehicle.casemate.rivets', dots([(x, -311) for x in range(-94, 84, 22)] + [(x, -222) for x in (-92, -69, 69, 92)], 2.4), 207, mat='metal', shade='none', lift=.6)
        d.area('vehicle.cupola', '-34,-330/2 -30,-352/6 -14,-364~ 2,-368~ 18,-364~ 34,-352/6 38,-330/2', 205, mat='metal', form='cupola', shade='ball', lift=1.6, tags=CAMO)
        d.area('vehicle.cupola.band', '-36,-338/1 40,-338/1 42,-328/1 -38,-328/1', 205.5, mat='metal', form='cband', shade='flat', lift=.8)
        d.area('vehicle.cupola.scope', box(-4, -392, 8, -362, 3) + ' | ' + box(-18, -396, 8, -384, 3), 204, mat='metal', form='scope', shade='flat', lift=1, merge=True)
        d.dark('vehicle.casemate.front', '-178,-216/0 -104,-212/0 -103,-232/0 -170,-234/0', .16)
        d.dark(('vehicle.casemate.side', 'vehicle.casemate.rear'), '-108,-212/0 148,-212/0 142,-232/0 -108,-232/0', .14)
        d.lite('vehicle.casemate.front', '-178,-216/0 -132,-312/0 -118,-317/0 -156,-216/0', .16)
        d.dark('vehicle.casemate.rear', '104,-321/0 150,-321/0 150,-212/0 124,-212/0', .16)
        # quant poles strapped to the side
        d.area('vehicle.poles', bar(-120, -250, 132, -256, 6, r=2) + ' | ' + bar(-128, -241, 124, -246, 6, r=2), 214, mat='wood', form='poles', shade='none', lift=2)
        d.area('vehicle.poles.strap', box(-70, -260, -61, -236, 2) + ' | ' + box(56, -263, 65, -239, 2), 216, mat='leather', shade='none', lift=1)
        d.site('casemate.side', 'vehicle.casemate.side', -4, -226, 10, 1.6, 'rect', 'flat')
        d.site('casemate.device', 'vehicle.casemate.front', -122, -300, 1.8, 1.8, 'disc', 'flat')
    else:
        d.area('vehicle.gun.barrel', '-112,-19/2 -112,19/2 -300,13/1 -300,-13/1', 190, mat='metal', form='gun', shade='none', lift=3)
        d.area('vehicle.gun.muzzle', '-296,-19/3 -296,19/3 -318,21/4 -322,0~ -318,-21/4', 191, mat='metal', form='muzzle', shade='none', lift=2)
        d.area('vehicle.gun.rings', box(-286, -16, -276, 16, 2) + ' | ' + box(-212, -18, -202, 18, 2), 192, mat='metal', form='rings', shade='none', lift=.9)
        d.lite('vehicle.gun', '-322,-10/0 -112,-12/0 -112,-4/0 -322,-4/0', .3)
        d.dark('vehicle.gun', '-322,8/0 -112,9/0 -112,22/0 -322,22/0', .26)
        d.area('vehicle.casemate.front', '-178,-48/2 -138,-40 -138,40 -178,48/2', 200, mat='metal', form='cf', shade='none', lift=4, tags=CAMO)
        d.area('vehicle.casemate.side', '-180,48/1 -140,38/1 120,38/1 150,48/1 104,84/2 -112,84/2', 200, mat='metal', form='csl', shade='none', lift=4, tags=CAMO)
        d.area('vehicle.casemate.side', '-180,-48/1 -140,-38/1 120,-38/1 150,-48/1 104,-84/2 -112,-84/2', 200, mat='metal', form='csr', shade='none', lift=4, tags=CAMO)
        d.area('vehicle.casemate.rear', '118,-40 150,-48/2 150,48/2 118,40', 200, mat='metal', form='cr', shade='none', lift=4, tags=CAMO)
        d.area('vehicle.casemate.shutter', ' | '.join(box(a - 4, s * 64 - 5, b + 4, s * 64 + 5, 2) for a, b in ((-84, -46), (-20, 18), (44, 74)) for s in (1, -1)), 208, mat='metal', form='shut', shade='none', lift=1.6)
        d.area('vehicle.gun.mantlet', '-172,-26/6 -134,-30/6 -134,30/6 -172,26/6', 204, mat='metal', form='mantlet', shade='flat', lift=2.2)
        d.area('vehicle.casemate.roof', '-142,-44/5 -118,-56/4 104,-56/4 122,-44/5 122,44/5 104,56/4 -118,56/4 -142,44/5', 206, mat='metal', form='roof', shade='flat', lift=2.8, tags=CAMO)
        d.area('vehicle.casemate.rivets', dots([(x, y) for x in range(-112, 104, 24) for y in (-50, 50)], 2.4), 207, mat='metal', shade='none', lift=.6)
        d.area('vehicle.cupola.band', 'o:2,0,40', 210, mat='metal', form='cband', shade='flat', lift=2)
        d.area('vehicle.cupola', 'o:2,0,34', 211, mat='metal', form='cupola', shade='ball', lift=1.2, tags=CAMO)
        d.area('vehicle.cupola.scope', box(-18, -6, 8, 6, 3), 212, mat='metal', form='scope', shade='flat', lift=2.4)
        d.area('vehicle.hatch', box(54, -22, 98, 22, 5), 210, mat='metal', form='hatch', shade='flat', lift=1.4, tags=CAMO)
        d.area('vehicle.hatch.hinge', box(50, -16, 58, -8, 2) + ' | ' + box(50, 8, 58, 16, 2), 211, mat='metal', shade='none', lift=.8)
        d.area('vehicle.hatch.ring', 'o:86,0,6.5', 211, mat='metal', shade='none', lift=.8, cut='o:86,0,3.6')
        d.dark('vehicle.casemate.side', '-180,48/0 150,48/0 104,86/0 -112,86/0 -112,66/0 104,66/0', .16)
        d.dark(('vehicle.casemate.rear',), box(130, -50, 152, 50), .14)
        d.lite('vehicle.casemate.side', '-180,-48/0 -112,-84/0 104,-84/0 112,-78/0 -110,-76/0 -166,-48/0', .2)
        d.area('vehicle.poles', bar(-124, 90, 130, 90, 6, r=2) + ' | ' + bar(-128, 98, 124, 98, 6, r=2), 214, mat='wood', form='poles', shade='none', lift=1.6)
        d.area('vehicle.poles.strap', box(-70, 84, -61, 103, 2) + ' | ' + box(56, 84, 65, 103, 2), 216, mat='leather', shade='none', lift=1)
        d.site('casemate.roof', 'vehicle.casemate.roof', -80, 0, 6, 8, 'rect', 'flat')


@part('punt.mainspring', 'engine', note='mainspring drum with winding key, stowage, lantern post')
def mainspring(d):
    if d.view != 'top':
        d.area('vehicle.lantern.post', bar(300, -220, 300, -392, 6, r=1), 118, mat='metal', form='post', lift=1)
        d.area('vehicle.lantern.pennant', '298,-386/1 262,-380~ 232,-388~ 196,-378/1 214,-368/1 198,-354/1 236,-360~ 264,-354~ 298,-358/1', 117, mat='cloth', form='pennant', shade='flat', lift=1.2)
        d.dark('vehicle.lantern.pennant', lens((284, -388), (282, -372), (286, -354), w=8) + ' | ' + lens((244, -388), (242, -374), (246, -356), w=8), .16)
        d.area('vehicle.lantern.glass', box(289, -422, 311, -396, 2), 119, mat='glass', shade='none', lift=.8)
        d.area('vehicle.lantern.frame', '284,-398/2 316,-398/2 316,-390/2 284,-390/2 | 286,-424/1 291,-424/1 291,-394/1 286,-394/1 | 309,-424/1 314,-424/1 314,-394/1 309,-394/1', 120, mat='metal', shade='none', lift=.9, merge=True)
        d.area('vehicle.lantern.roof', '282,-421/2 296,-436~ 300,-444/1 304,-436~ 318,-421/2', 121, mat='metal', form='lroof', shade='flat', lift=1)
        d.lite('vehicle.lantern.glass', 'e:300,-409,6,9', .5)
        d.area('vehicle.spring.key', 'e:226,-352,18,15 e:262,-352,18,15 | ' + box(239, -363, 249, -300), 122, mat='metal', form='key', shade='flat', lift=1.6, merge=True, cut='e:225,-352,9,7 e:263,-352,9,7')
        d.area('vehicle.spring.drum', box(176, -300, 300, -216, 10), 124, mat='metal', form='drum', shade='none', lift=1.8, tags=CAMO)
        d.area('vehicle.spring.band', box(190, -303, 202, -213, 2) + ' | ' + box(274, -303, 286, -213, 2), 125, mat='metal', form='dband', shade='none', lift=1)
        d.area('vehicle.spring.cap', 'o:238,-258,31', 126, mat='metal', form='cap', shade='ball', lift=1.6)
        d.area('vehicle.spring.cap.gear', gear(238, -258, 22, 17, 10), 127, mat='metal', shade='none', lift=.9, cut='o:238,-258,6')
        d.lite('vehicle.spring', box(176, -290, 300, -278), .18)
        d.dark('vehicle.spring', box(176, -240, 300, -212), .2)
        d.area('vehicle.stowage.tarp', '-262,-232/4 -196,-226/4 -190,-238/8 -204,-252/8 -250,-256/8 -268,-246/6', 108, mat='cloth', form='tarp', shade='ball', lift=1.4)
        d.area('vehicle.stowage.strap', bar(-244, -260, -242, -228, 5, r=1) + ' | ' + bar(-214, -256, -211, -226, 5, r=1), 109, mat='leather', shade='none', lift=.8)
    else:
        d.area('vehicle.lantern.post', box(296, -46, 304, -38, 2), 140, mat='metal', shade='none', lift=1)
        d.area('vehicle.lantern.roof', 'o:300,-42,17', 145, mat='metal', form='lroof', shade='ball', lift=3)
        d.area('vehicle.lantern.pennant', '298,-47/1 250,-50~ 196,-45/1 206,-42/1 196,-39/1 250,-36~ 298,-38/1', 144, mat='cloth', form='pennant', shade='flat', lift=3)
        d.area('vehicle.spring.drum', box(176, -56, 286, 56, 8), 124, mat='metal', form='drum', shade='none', lift=4, tags=CAMO)
        d.area('vehicle.spring.band', box(188, -59, 200, 59, 2) + ' | ' + box(262, -59, 274, 59, 2), 125, mat='metal', form='dband', shade='none', lift=1)
        d.area('vehicle.spring.cap', '206,58/2 270,58/2 266,68/3 210,68/3 | 206,-58/2 270,-58/2 266,-68/3 210,-68/3', 123, mat='metal', form='cap', shade='flat', lift=2)
        d.area('vehicle.spring.key', box(208, -7, 258, 7, 6), 127, mat='metal', form='key', shade='flat', lift=4)
        d.lite('vehicle.spring', box(170, -46, 292, -30), .2)
        d.dark('vehicle.spring', box(170, 20, 292, 70), .2)
        d.area('vehicle.stowage.tarp', box(-262, -52, -196, 52, 10), 130, mat='cloth', form='tarp', shade='flat', lift=2.6)
        d.dark('vehicle.stowage.tarp', lens((-250, -46), (-246, 0), (-250, 46), w=6) + ' | ' + lens((-228, -48), (-232, 0), (-226, 48), w=6), .14)
        d.area('vehicle.stowage.strap', box(-264, -32, -194, -26, 1) + ' | ' + box(-264, 26, -194, 32, 1), 131, mat='leather', shade='none', lift=.8)


def gear(cx, cy, r1, r0, n):
    pts = []
    for i in range(n):
        for f, r in ((-.32, r0), (-.2, r1), (.2, r1), (.32, r0)):
            a = 2 * math.pi * (i + f) / n
            pts.append(f'{cx + r * math.cos(a):.2f},{cy + r * math.sin(a):.2f}/1')
    return ' '.join(pts)


@part('punt.wheels', 'running', note='four paddle wheels on outrigger struts, with guards')
def wheels(d, xs=(-178, 196), r=90):
    for nm, x in zip(('fore', 'aft'), xs):
        if d.view != 'top':
            cy = -r - 4
            blades = ' | '.join(f'{x + (r + 3) * math.cos(a - .10):.1f},{cy + (r + 3) * math.sin(a - .10):.1f}/1 {x + (r + 3) * math.cos(a + .10):.1f},{cy + (r + 3) * math.sin(a + .10):.1f}/1 '
                                f'{x + (r - 10) * math.cos(a + .10):.1f},{cy + (r - 10) * math.sin(a + .10):.1f}/1 {x + (r - 10) * math.cos(a - .10):.1f},{cy + (r - 10) * math.sin(a - .10):.1f}/1'
                                for a in [math.pi * (i + .5) / 8 for i in range(16)])
            sp = ' | '.join(bar(x + 10 * math.cos(a), cy + 10 * math.sin(a), x + (r - 14) * math.cos(a), cy + (r - 14) * math.sin(a), 10, 7.5) for a in [math.pi * i / 4 for i in range(8)])
            d.area('vehicle.undercarriage', f'{x - 44},-176 {x + 44},-176 {x + 20},{cy + 8} {x - 20},{cy + 8}', 90, mat='metal', form='uc' + nm, shade='flat', lift=0)
            d.area(f'vehicle.wheel.{nm}.spokes', sp, 300, mat='wood', form='sp' + nm, shade='flat', lift=2, merge=True)
            d.area(f'vehicle.wheel.{nm}.blades', blades, 301, mat='wood', form='bl' + nm, shade='flat', lift=1.4)
            d.area(f'vehicle.wheel.{nm}.rim', f'o:{x},{cy},{r - 4}', 302, mat='metal', form='rim' + nm, shade='flat', lift=1.6, cut=f'o:{x},{cy},{r - 17}')
            d.area(f'vehicle.strut.{nm}', bar(x - 66, -200, x - 3, cy, 14, 11, r=3) + ' | ' + bar(x + 66, -200, x + 3, cy, 14, 11, r=3), 310, mat='metal', form='st' + nm, shade='flat', lift=2.6, merge=True)
            d.area(f'vehicle.wheel.{nm}.hub', f'o:{x},{cy},22', 312, mat='metal', form='hub' + nm, shade='ball', lift=2)
            d.area(f'vehicle.wheel.{nm}.cap', f'o:{x},{cy},11', 313, mat='metal', form='cap' + nm, shade='ball', lift=1)
            g = r + 16
            arc = [math.radians(t) for t in (202, 225, 250, 270, 290, 315, 338)]
            outer = ' '.join(f'{x + g * math.cos(t):.1f},{cy + g * math.sin(t):.1f}' + ('/3' if i in (0, 6) else '~') for i, t in enumerate(arc))
            inn = ' '.join(f'{x + (g - 26) * math.cos(t):.1f},{cy + (g - 26) * math.sin(t):.1f}' + ('/3' if i in (0, 6) else '~') for i, t in reversed(list(enumerate(arc))))
            d.area(f'vehicle.guard.{nm}', outer + ' ' + inn, 320, mat='metal', form='gd' + nm, shade='flat', lift=3, tags=CAMO)
            d.lite(f'vehicle.guard.{nm}', ' '.join(f'{x + (g - 3) * math.cos(t):.1f},{cy + (g - 3) * math.sin(t):.1f}~' for t in arc) + ' ' + ' '.join(f'{x + (g - 8) * math.cos(t):.1f},{cy + (g - 8) * math.sin(t):.1f}~' for t in reversed(arc)), .2)
            d.dark(f'vehicle.guard.{nm}', ' '.join(f'{x + (g - 17) * math.cos(t):.1f},{cy + (g - 17) * math.sin(t):.1f}~' for t in arc) + ' ' + ' '.join(f'{x + (g - 28) * math.cos(t):.1f},{cy + (g - 28) * math.sin(t):.1f}~' for t in reversed(arc)), .16)
        else:
            for s in (1, -1):
                y0, y1 = s * 124, s * 164
                d.area(f'vehicle.strut.{nm}', bar(x, s * 90, x, s * 172, 12) + ' | ' + bar(x - 60, s * 62, x, s * 126, 9) + ' | ' + bar(x + 60, s * 62, x, s * 126, 9), 80, mat='metal', form=f'st{nm}{s}', shade='flat', lift=1, merge=True)
                d.area(f'vehicle.wheel.{nm}.blades', ' | '.join(box(x - r * math.cos(math.pi * (i + .5) / 8) - 4, min(y0, y1) - 3, x - r * math.cos(math.pi * (i + .5) / 8) + 4, max(y0, y1) + 3, 1) for i in range(8)), 84, mat='wood', form=f'bl{nm}{s}', shade='none', lift=1.2)
                d.area(f'vehicle.wheel.{nm}.rim', box(x - r + 4, s * 144 - 15, x + r - 4, s * 144 + 15, 8), 83, mat='metal', form=f'rim{nm}{s}', shade='flat', lift=1.6)
                d.area(f'vehicle.wheel.{nm}.hub', box(x - 12, min(s * 162, s * 174), x + 12, max(s * 162, s * 174), 3), 85, mat='metal', form=f'hub{nm}{s}', shade='flat', lift=1)
                d.area(f'vehicle.guard.{nm}', f'{x - 66},{s * 118}/4 {x + 66},{s * 118}/4 {x + 58},{s * 170}/6 {x - 58},{s * 170}/6', 90, mat='metal', form=f'gd{nm}{s}', shade='flat', lift=3, tags=CAMO)
                d.area('vehicle.guard.rivets', dots([(x + k, s * 144) for k in (-40, 0, 40)], 3), 91, mat='metal', shade='none', lift=.6)
