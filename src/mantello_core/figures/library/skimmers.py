"""What flies low or high without feathers: a skimmer on fans, a float plane; and a steam ship for small scales.

Sides are drawn as 'left', nose to the viewer's left. In 'top' the nose points to the left too, the left side at the bottom.
"""

from ..part import part
from ..stroke import bar, dots, line
from .vehicles import CAMO, box

BODY, TOP = 100, 200


def _stem(d):
    if d.view != 'top':
        d.area('base.stem', box(-5, -90, 5, -8, 2), 20, mat='glass', form='stem', shade='cyl', lift=1)
        d.area('base.rim', '-96,-8/4 96,-8/4 100,4/4 -100,4/4', 10, mat='paint', form='rim', shade='flat', lift=1)


@part('skim.hull', 'hull', note='long keeled hull with side pods, intakes and stabilisers, on a flying stem')
def hull(d):
    _stem(d)
    if d.view == 'top':
        d.area('vehicle.pod.left', '-120,64/10 120,60/8 156,84/10 130,112/10 -90,112/14 -130,90/8', BODY, mat='plate', form='podl', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.pod.right', '-120,-64/10 120,-60/8 156,-84/10 130,-112/10 -90,-112/14 -130,-90/8', BODY, mat='plate', form='podr', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.hull.top', '-300,0/6 -236,-40~ -120,-66~ 120,-62~ 220,-40/8 236,0 220,40/8 120,62~ -120,66~ -236,40~', BODY + 2, mat='plate', form='hull', shade='cyl', lift=3, tags=CAMO)
        d.area('vehicle.hull.keel', box(-296, -5, 226, 5, 3), BODY + 3, mat='metal', form='keel', shade='flat', lift=1)
        d.area('vehicle.intake', box(-146, 78, -124, 100, 5) + ' | ' + box(-146, -100, -124, -78, 5), BODY + 3, mat='metal', form='intake', shade='flat', lift=1)
        d.area('vehicle.tail', '178,-40/4 240,-78/4 252,-66/4 214,-22/4 | 178,40/4 240,78/4 252,66/4 214,22/4', BODY + 4, mat='plate', form='tail', shade='flat', lift=1.4, tags=CAMO)
        d.area('vehicle.hull.stripe', '-236,-40/2 -210,-47~ -190,-52/1 -190,52/1 -210,47~ -236,40/2', BODY + 2.5, mat='plate', form='stripe', shade='none', lift=.2, tags=CAMO)
        d.site('deck', 'vehicle.hull.top', 130, -26, 5, 3.4, 'rect', 'flat')
        return
    d.area('vehicle.hull.side', '-302,-132/6 -240,-158~ -120,-176~ 120,-174~ 226,-156/8 238,-128/6 200,-104~ 60,-92~ -140,-94~ -260,-116~', BODY, mat='plate', form='hull', shade='flat', lift=1.6, tags=CAMO)
    d.area('vehicle.hull.low', '-296,-126/3 -140,-118~ 60,-116~ 236,-126/3 200,-104~ 60,-92~ -140,-94~ -260,-116~', BODY + 1, mat='plate', form='low', shade='none', lift=.3, tags=CAMO)
    d.area('vehicle.pod.side', '-134,-112/10 -96,-136/14 124,-132/10 158,-106/10 120,-78/10 -104,-80/12', BODY + 4, mat='plate', form='pod', shade='cyl', lift=2.4, tags=CAMO)
    d.area('vehicle.intake', '-138,-118/4 -120,-128/4 -114,-94/4 -134,-98/4', BODY + 5, mat='metal', form='intake', shade='flat', lift=1)
    d.area('vehicle.exhaust', '150,-116/3 172,-112/3 172,-96/3 148,-94/3', BODY + 3, mat='metal', form='exhaust', shade='cyl', lift=1)
    d.area('vehicle.fan', ' '.join(f'e:{x},-74,30,7' for x in (-60, 30, 100)), BODY + 3, mat='metal', form='fan', shade='flat', lift=1)
    d.area('vehicle.tail', '172,-166/4 214,-214/6 240,-216/4 232,-148/4', BODY - 2, mat='plate', form='tail', shade='flat', lift=1.4, tags=CAMO)
    d.area('vehicle.tail.tip', '200,-198/2 214,-214/5 240,-216/4 238,-200/2', BODY - 1, mat='plate', form='tip', shade='none', lift=.3, tags=CAMO)
    d.area('vehicle.rib', ' | '.join(bar(x, -170, x - 4, -120, 3.4) for x in (-200, -40, 60, 150)), BODY + 2, mat='metal', form='rib', shade='none', lift=.6)
    d.area('vehicle.hull.stripe', '-236,-159/2 -190,-168/1 -190,-100/1 -236,-112/1', BODY + 1.5, mat='plate', form='stripe', shade='none', lift=.2, tags=CAMO)
    d.area('vehicle.hull.rivets', dots([(x, -128) for x in range(-170, 190, 30)], 2.2), BODY + 2, mat='metal', shade='none', lift=.5)
    d.area('vehicle.pod.hatch', '-60,-122/4 -10,-122/4 -10,-94/4 -60,-94/4', BODY + 5, mat='plate', form='phatch', shade='flat', lift=.8, tags=CAMO)
    d.area('vehicle.lamp', 'e:-288,-134,6,5', BODY + 6, mat='glass', form='lamp', shade='ball', lift=1)
    d.lite('vehicle.hull.side', '-240,-154/0 -120,-172~ 120,-170~ 216,-154/0 120,-163~ -120,-165~', .2)
    d.site('pod', 'vehicle.pod.side', 10, -106, 7, 3.4, 'shield', 'cyl:20')
    d.site('hull.bow', 'vehicle.hull.side', -196, -140, 5, 2.4, 'rect', 'cyl:30')
    d.site('tail', 'vehicle.tail', 216, -184, 2.4, 3, 'rect', 'flat')


@part('skim.canopy', 'superstructure', note='glazed canopy with frames')
def canopy(d):
    if d.view == 'top':
        d.area('vehicle.canopy', '-172,0/8 -148,-28~ -84,-34~ -34,-26/8 -34,26/8 -84,34~ -148,28~', TOP, mat='glass', form='canopy', shade='ball', lift=2)
        d.area('vehicle.canopy.frame', ' | '.join(bar(x, -34, x, 34, 4.4) for x in (-134, -96, -58)) + ' | ' + bar(-170, 0, -36, 0, 4), TOP + 1, mat='metal', form='frame', shade='none', lift=.8, clip='-172,0/8 -148,-28~ -84,-34~ -34,-26/8 -34,26/8 -84,34~ -148,28~', merge=True)
        return
    glass = '-178,-168/4 -150,-198~ -96,-210~ -52,-200/8 -30,-172/4 -100,-168~'
    d.area('vehicle.canopy', glass, TOP, mat='glass', form='canopy', shade='ball', lift=2)
    d.area('vehicle.canopy.frame', ' | '.join(bar(x, -214, x + dx, -166, 4.4) for x, dx in ((-134, -10), (-98, 0), (-62, 10))), TOP + 1, mat='metal', form='frame', shade='none', lift=.8, clip=glass, merge=True)
    d.lite('vehicle.canopy', '-160,-186/0 -140,-200~ -108,-206/0 -130,-190~', .5)


@part('skim.gun', 'superstructure', note='pair of long guns on a ring')
def gun(d):
    if d.view == 'top':
        d.area('vehicle.gun.barrel', box(-120, 8, 34, 15, 2) + ' | ' + box(-120, -15, 34, -8, 2), TOP + 4, mat='metal', form='gun', shade='cyl', lift=2)
        d.area('vehicle.gun.ring', 'o:54,0,34', TOP + 2, mat='metal', form='ring', shade='flat', lift=1.4)
        d.area('vehicle.gun.body', box(26, -22, 82, 22, 6), TOP + 5, mat='metal', form='body', shade='flat', lift=2)
        return
    d.area('vehicle.gun.ring', box(20, -186, 88, -170, 4), TOP, mat='metal', form='ring', shade='flat', lift=1.2)
    d.area('vehicle.gun.body', box(26, -212, 82, -186, 6), TOP + 2, mat='metal', form='body', shade='flat', lift=1.6)
    d.area('vehicle.gun.barrel', box(-120, -205, 30, -198, 2), TOP + 1, mat='metal', form='gun', shade='cyl', lift=1.4)
    d.area('vehicle.gun.muzzle', box(-132, -208, -116, -195, 3), TOP + 3, mat='metal', form='muzzle', shade='cyl', lift=1)


@part('plane.fuselage', 'hull', note='float plane: round nose, cockpit, tail; on a flying stem')
def fuselage(d):
    _stem(d)
    if d.view == 'top':
        d.area('vehicle.hull.top', '-190,-26/14 -120,-36~ 0,-32~ 150,-14~ 226,-6/4 226,6/4 150,14~ 0,32~ -120,36~ -190,26/14', BODY + 6, mat='paint', form='body', shade='cyl', lift=3, tags=CAMO)
        d.area('vehicle.engine.cowl', '-214,-28/8 -160,-38/4 -160,38/4 -214,28/8', BODY + 7, mat='metal', form='cowl', shade='cyl', lift=2)
        d.area('vehicle.nose', 'o:-218,0,13', BODY + 8, mat='metal', form='spinner', shade='ball', lift=1.6)
        d.area('vehicle.rotor', box(-222, -96, -214, 96, 4), BODY + 5, mat='wood', form='rotor', shade='none', lift=1)
        d.area('vehicle.cockpit', '-72,-18/8 -8,-17/8 -8,17/8 -72,18/8', BODY + 8, mat='glass', form='cockpit', shade='ball', lift=1.4)
        d.area('vehicle.tail.plane', '168,-12/3 196,-84/8 228,-82/6 226,82/6 196,84/8 168,12/3', BODY + 5, mat='paint', form='tailp', shade='flat', lift=1.4, tags=CAMO)
        d.area('vehicle.tail.fin', box(170, -4, 244, 4, 3), BODY + 9, mat='paint', form='fin', shade='flat', lift=1.4, tags=CAMO)
        return
    d.area('vehicle.hull.side', '-192,-176/12 -120,-190~ 0,-186~ 150,-164~ 232,-150/6 230,-138/4 150,-132~ 0,-126~ -120,-126~ -190,-140/10', BODY + 2, mat='paint', form='body', shade='cyl', lift=2, tags=CAMO)
    d.area('vehicle.hull.belly', '-190,-146/4 -120,-142~ 0,-142~ 150,-144~ 230,-142/3 150,-132~ 0,-126~ -120,-126~ -190,-140/6', BODY + 3, mat='paint', form='belly', shade='none', lift=.3, tags=CAMO)
    d.area('vehicle.engine.cowl', '-216,-180/8 -158,-194/4 -156,-124/4 -214,-134/8', BODY + 5, mat='metal', form='cowl', shade='cyl', lift=1.6)
    d.area('vehicle.nose', '-214,-170/6 -236,-160~ -214,-144/6', BODY + 6, mat='metal', form='spinner', shade='ball', lift=1.2)
    d.area('vehicle.rotor', '-224,-160/1 -232,-236/4 -222,-240/4 -216,-160/1 -222,-82/4 -232,-84/4', BODY + 5.5, mat='wood', form='rotor', shade='none', lift=1)
    d.area('vehicle.exhaust', ' | '.join(bar(x, -150, x + 16, -146, 6, r=2) for x in (-150, -128, -106)), BODY + 6, mat='metal', form='exhaust', shade='none', lift=.8)
    d.area('vehicle.cockpit', '-74,-186/3 -58,-208~ -28,-210/6 -6,-186/3', BODY + 1, mat='glass', form='cockpit', shade='ball', lift=1.4)
    d.area('vehicle.cockpit.frame', bar(-52, -210, -52, -184, 4) + ' | ' + bar(-30, -211, -28, -184, 4), BODY + 4, mat='metal', form='cframe', shade='none', lift=.6)
    d.area('vehicle.tail.fin', '168,-160/3 204,-222/8 238,-222/6 236,-146/3', BODY + 1, mat='paint', form='fin', shade='flat', lift=1.4, tags=CAMO)
    d.area('vehicle.tail.rudder', '222,-222/3 238,-222/6 246,-150/4 224,-148/2', BODY + 4, mat='paint', form='rudder', shade='flat', lift=.8, tags=CAMO)
    d.area('vehicle.tail.plane', '176,-160/3 240,-158/4 242,-151/3 178,-150/2', BODY + 7, mat='paint', form='tailp', shade='flat', lift=1.2, tags=CAMO)
    d.site('side', 'vehicle.hull.side', 76, -160, 5, 3.2, 'disc', 'cyl:16')
    d.site('letters', 'vehicle.hull.side', 24, -156, 4, 2.6, 'rect', 'cyl:16')
    d.site('fin', 'vehicle.tail.fin', 206, -188, 2.4, 3.4, 'rect', 'flat')


@part('plane.wings', 'wings', note='one straight wing with ailerons and struts')
def wings(d):
    if d.view == 'top':
        for side, s in (('left', 1), ('right', -1)):
            d.area(f'vehicle.wing.{side}', f'-104,{s * 20}/3 -112,{s * 300}/16 -88,{s * 322}/20 -22,{s * 318}/14 -2,{s * 20}/3', BODY + 4, mat='paint', form='wing' + side, shade='flat', lift=2, tags=CAMO)
            d.area(f'vehicle.wing.{side}.aileron', f'-30,{s * 170}/2 -34,{s * 300}/4 -20,{s * 306}/6 -10,{s * 170}/2', BODY + 4.5, mat='paint', form='ail' + side, shade='none', lift=.5, tags=CAMO)
            d.site(f'wing.{side}', f'vehicle.wing.{side}', -66, s * 220, 8, 8, 'disc', 'flat')
        return
    d.area('vehicle.wing.edge', '-112,-150/4 -92,-162~ -20,-156/3 2,-146/2 -20,-142~ -104,-142/4', BODY + 10, mat='paint', form='edge', shade='cyl', lift=2, tags=CAMO)
    d.area('vehicle.strut', bar(-84, -144, -96, -92, 5, r=1) + ' | ' + bar(-14, -144, -2, -92, 5, r=1), BODY - 2, mat='wood', form='strut', shade='none', lift=1)


@part('plane.floats', 'undercarriage', note='two floats on struts')
def floats(d):
    if d.view == 'top':
        d.area('vehicle.float.left', '-200,70/8 -170,54~ 40,54~ 80,66/6 40,82~ -170,84~', BODY - 4, mat='paint', form='fl', shade='cyl', lift=1, tags=CAMO)
        d.area('vehicle.float.right', '-200,-70/8 -170,-54~ 40,-54~ 80,-66/6 40,-82~ -170,-84~', BODY - 4, mat='paint', form='fr', shade='cyl', lift=1, tags=CAMO)
        return
    near = 'left' if d.view == 'left' else 'right'
    d.area('vehicle.float.strut', bar(-110, -128, -130, -86, 6, r=1) + ' | ' + bar(-30, -128, -10, -86, 6, r=1) + ' | ' + bar(-20, -128, -120, -90, 3.4), BODY - 3, mat='metal', form='fstrut', shade='none', lift=1)
    d.area(f'vehicle.float.{near}', '-206,-84/6 -180,-96~ 40,-94~ 84,-84/6 60,-70~ -20,-62/2 -24,-54/2 -150,-54~ -192,-66~', BODY + 12, mat='paint', form='float', shade='cyl', lift=2, tags=CAMO)
    d.area(f'vehicle.float.{near}.keel', '-190,-66/2 -150,-54~ -24,-54/2 -26,-48/2 -150,-48~ -186,-60/2', BODY + 11, mat='metal', form='keel', shade='none', lift=.5)


@part('ship.hull', 'hull', note='steam ship in small: hull with a boot line, deck, bridge, funnels')
def ship(d):
    if d.view == 'top':
        d.area('vehicle.hull.side', '-300,0/4 -220,-40~ 0,-54~ 220,-46~ 290,-20/12 290,20/12 220,46~ 0,54~ -220,40~', BODY, mat='metal', form='hull', shade='flat', lift=1)
        d.area('vehicle.deck.main', '-286,0/4 -216,-34~ 0,-47~ 218,-40~ 282,-16/10 282,16/10 218,40~ 0,47~ -216,34~', BODY + 1, mat='wood', form='deck', shade='none', lift=.4, tex='wood')
        d.area('vehicle.bridge', box(-110, -30, -40, 30, 6), BODY + 4, mat='metal', form='bridge', shade='flat', lift=3)
        d.area('vehicle.funnel', 'e:10,0,20,15 e:86,0,20,15', BODY + 5, mat='metal', form='funnel', shade='ball', lift=4)
        d.area('vehicle.funnel.top', 'e:10,0,12,9 e:86,0,12,9', BODY + 6, mat='paint', form='ftop', shade='none', lift=0)
        d.area('vehicle.gun.house', 'o:-180,0,22 o:190,0,22', BODY + 4, mat='metal', form='house', shade='ball', lift=2)
        d.area('vehicle.gun.barrel', ' | '.join(box(x0, y, x1, y + 5, 1) for x0, x1 in ((-250, -196), (206, 260)) for y in (-9, 4)), BODY + 3, mat='metal', form='gun', shade='cyl', lift=1.4)
        d.area('vehicle.box', ' | '.join(f'{x - 20},{y}/8 {x + 20},{y}/8 {x + 16},{y + 10}/5 {x - 16},{y + 10}/5' for x in (40, 120) for y in (-40, 30)), BODY + 5, mat='wood', form='boats', shade='flat', lift=2)
        return
    d.area('vehicle.hull.side', '-306,-84/4 -200,-66~ 0,-58~ 220,-62~ 296,-72/8 276,-6/4 -262,-6/4', BODY, mat='paint', form='hull', shade='flat', lift=1.4, tags=CAMO)
    d.area('vehicle.hull.boot', '-268,-24/1 282,-24/1 276,-6/4 -262,-6/4', BODY + 1, mat='metal', form='boot', shade='none', lift=.3)
    d.area('vehicle.hull.line', '-274,-30/1 284,-30/1 282,-24/1 -269,-24/1', BODY + 2, mat='metal', form='line', shade='none', lift=.3)
    d.area('base.rim', '-330,-8/4 330,-8/4 336,8/4 -336,8/4', 10, mat='paint', form='rim', shade='flat', lift=1)
    d.area('base.pool', '-320,-12/4 -240,-16~ -120,-10~ 0,-15~ 120,-10~ 240,-16~ 320,-12/4 324,-4/2 -324,-4/2', BODY + 8, mat='water', form='sea', shade='none', lift=.6)
    d.area('vehicle.bridge', '-112,-64/2 -108,-120/4 -44,-120/4 -40,-62/2', BODY - 1, mat='paint', form='bridge', shade='flat', lift=1.4, tags=CAMO)
    d.area('vehicle.bridge.window', ' | '.join(box(x, -112, x + 9, -102, 1) for x in (-102, -86, -70, -56)), BODY, mat='glass', form='bwin', shade='none', lift=0)
    d.area('vehicle.bridge.top', box(-116, -128, -36, -118, 3), BODY, mat='paint', form='btop', shade='flat', lift=1, tags=CAMO)
    d.area('vehicle.funnel', '-8,-60/2 -6,-146/3 28,-146/3 30,-60/2 | 68,-60/2 70,-146/3 104,-146/3 106,-60/2', BODY - 2, mat='paint', form='funnel', shade='cyl', lift=1.4, tags=CAMO)
    d.area('vehicle.funnel.band', box(-7, -128, 29, -114, 1) + ' | ' + box(69, -128, 105, -114, 1), BODY - 1, mat='metal', form='band', shade='cyl', lift=.5)
    d.area('vehicle.funnel.top', box(-7, -148, 29, -138, 2) + ' | ' + box(69, -148, 105, -138, 2), BODY - 1, mat='metal', form='ftop', shade='cyl', lift=.6)
    d.area('vehicle.mast', bar(-130, -64, -134, -226, 5, 3, r=1) + ' | ' + bar(150, -60, 154, -200, 5, 3, r=1) + ' | ' + bar(-160, -180, -108, -182, 3) + ' | ' + bar(130, -160, 176, -162, 3), BODY - 3, mat='wood', form='mast', shade='cyl', lift=1)
    d.area('vehicle.rigging', ' | '.join(line(a, b, w=1) for a, b in (((-134, -224), (-280, -82)), ((-134, -224), (-60, -128)), ((154, -198), (280, -74)), ((-134, -220), (154, -196)))), BODY - 4, mat='rope', form='rig', shade='none', lift=.4)
    d.area('vehicle.gun.house', '-204,-66/3 -200,-90/6 -164,-92/6 -158,-64/3 | 214,-62/3 210,-88/6 174,-90/6 168,-60/3', BODY - 1, mat='paint', form='house', shade='ball', lift=1.4, tags=CAMO)
    d.area('vehicle.gun.barrel', box(-254, -84, -198, -77, 1) + ' | ' + box(208, -82, 264, -75, 1), BODY - 2, mat='metal', form='gun', shade='cyl', lift=1)
    d.area('vehicle.hull.ports', dots([(x, -44) for x in range(-220, 250, 26)], 3), BODY + 3, mat='glass', form='ports', shade='none', lift=0)
    d.area('vehicle.box', ' | '.join(f'{x - 22},-76/8 {x + 22},-76/8 {x + 16},-64/5 {x - 16},-64/5' for x in (46, 128)), BODY + 1, mat='wood', form='boats', shade='flat', lift=1.6)
    d.area('vehicle.rail', ' | '.join([line((-290, -92), (-210, -76), (-120, -70), w=1.6), line((120, -70), (220, -74), (286, -82), w=1.6)] + [bar(x, -72 - abs(x) * .03, x, -58, 1.8) for x in (-250, -220, -190, 230, 260)]), BODY - 3, mat='metal', form='rail', shade='none', lift=.5)
    d.area('vehicle.hull.anchor', '-250,-58/1 -244,-58/1 -244,-44/1 -238,-48/1 -240,-38/2 -254,-38/2 -256,-48/1 -250,-44/1', BODY + 4, mat='metal', form='anchor', shade='flat', lift=1)
    d.area('vehicle.light', 'o:-76,-136,7', BODY, mat='glass', form='light', shade='ball', lift=1)
    d.site('bow', 'vehicle.hull.side', -226, -52, 5, 2.6, 'rect', 'flat')
    d.site('funnel', 'vehicle.funnel.band', 11, -121, 2.4, 1.2, 'rect', 'cyl:5')
