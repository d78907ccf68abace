"""Horses and riders, seen from the side. Drawn as from their left, nose to the viewer's left.

In the view 'right' the assembly flips the drawing, so what lies near the viewer is named for that side.
"""
from ..part import part
from ..stroke import bar, dots, lens, line, tube
from .torsos import winding_key

#: stacking in these plates: far limbs, body, tack, rider's far arm, rider, near limbs
FAR, BODY, TACK, RIDER, NEAR = 200, 240, 300, 400, 500


def _sides(d):
    return ('left', 'right') if d.view == 'left' else ('right', 'left')


@part('base.oval60', 'base', note='oval base 60 by 35 mm, turf and stones')
def oval60(d, rx=236, ry=30, deep=26):
    y = 8
    side = f'{-rx},{y}/0 {rx},{y}/0 {rx + 7},{y + deep}/3 {rx * .72},{y + deep + 21}~ 0,{y + deep + ry}~ {-rx * .72},{y + deep + 21}~ {-rx - 7},{y + deep}/3'
    d.area('base.rim', side, 0, mat='paint', lift=0, shade='cyl')
    d.area('base.ground', f'e:0,{y},{rx},{ry}', 1, mat='ground', lift=2.2, shade='none', tex='turf')
    d.area('base.stone', '-206,14/3 -196,4/5 -176,2/5 -160,10/4 -166,20/4 -192,22/4 | 176,24/3 184,17/4 200,17/4 206,24/3 192,29/3', 3, mat='ground', shade='ball', lift=2)
    d.area('base.tuft', ' | '.join(f'{x - 4},8 {x + 4},8 {x + t},{-h}/0' for x, t, h in ((196, -8, 12), (204, -2, 24), (212, 3, 30), (220, 9, 18), (-90, -7, 8), (-84, 1, 16), (-78, 8, 10))), 2, mat='ground', shade='none', lift=.8)
    d.site('base.rim.name', 'base.rim', 0, y + deep + 12, 20, 2.4, 'rect', 'cyl:30')


def _hoof(x, y=0):
    return f'{x - 13},{y - 24}/2 {x + 12},{y - 24}/2 {x + 18},{y + 2}/2 {x - 22},{y + 3}/2'


@part('mount.horse', 'mount', note='cob at the halt, one forefoot lifted')
def horse(d):
    near, far = _sides(d)
    # far legs
    d.area(f'mount.leg.{far}.fore', tube((-128, -196, 50), (-148, -150, 36), (-172, -114, 26), (-152, -84, 18), (-140, -60, 20), r0=10, r1=4), FAR, mat='fur', form='ff', lift=1.4)
    d.area(f'mount.hoof.{far}', '-150,-70/3 -130,-58/3 -138,-34/2 -166,-50/2', FAR + 2, mat='leather', form='fh', shade='flat', lift=1)
    d.area(f'mount.leg.{far}.hind', tube((92, -206, 74), (80, -150, 52), (88, -104, 32), (98, -84, 26), (92, -52, 18), (88, -20, 22), r0=12, r1=3), FAR, mat='fur', form='fhl', lift=1.4)
    d.area(f'mount.hoof.{far}', _hoof(86), FAR + 2, mat='leather', form='fhh', shade='flat', lift=1)
    for part_ in ('leg', 'hoof'):
        d.dark((f'mount.{part_}.{far}',), '-260,-260 200,-260 200,10 -260,10', .22)
    # tail behind the quarters
    d.area('mount.tail', '142,-240/4 164,-238~ 184,-210~ 192,-160~ 198,-104~ 186,-62/1 180,-84/1 172,-58/1 166,-86/1 156,-70/1 158,-120~ 156,-170~ 150,-206~', BODY - 6, mat='hair', form='tail', shade='cyl', lift=2)
    for x0, x1, x2 in ((164, 176, 180), (156, 166, 168)):
        d.dark('mount.tail', lens((x0, -222), (x1, -160), (x2, -84), w=4), .22)
    # body, neck and head
    d.area('mount.body', '-150,-196/16 -158,-226~ -138,-262~ -92,-274~ -50,-262~ 0,-254~ 50,-258~ 96,-270~ 138,-258~ 158,-224~ 158,-184~ 132,-158~ 84,-158~ 30,-144~ -30,-142~ -84,-152~ -124,-166~', BODY, mat='fur', form='barrel', shade='ball', lift=2.4)
    d.area('mount.neck', '-84,-276~ -112,-316~ -150,-364~ -178,-386/6 -206,-350~ -196,-324~ -176,-290~ -162,-240~ -150,-200/10 -108,-196~ -88,-232~', BODY + 2, mat='fur', form='neck', shade='cyl', lift=1.6)
    d.area('mount.head', '-176,-388/5 -196,-386~ -222,-364~ -252,-318~ -268,-296~ -266,-276/6 -252,-268/4 -240,-272~ -228,-288~ -206,-304~ -186,-318~ -172,-346~', BODY + 6, mat='fur', form='head', shade='flat', lift=2)
    d.area('mount.head.muzzle', '-252,-318/2 -268,-296~ -266,-276/6 -252,-268/4 -240,-272~ -234,-281/2 -238,-300~', BODY + 7, mat='fur', form='muzzle', shade='flat', lift=.6)
    d.area('mount.head.blaze', '-205,-380/1 -222,-364~ -252,-318/1 -246,-318/1 -222,-352~ -204,-370/1', BODY + 7, mat='fur', form='blaze', shade='none', lift=0)
    d.area('mount.head.ear', '-178,-384/2 -172,-400~ -178,-420/0 -190,-402~ -192,-386/2', BODY + 12, mat='fur', form='ear', shade='flat', lift=1.2)
    d.area('mount.head.eye', 'e:-212,-350,4.6,3.8,-30', BODY + 8, mat='paint', shade='none', lift=0)
    d.ink('mount.head', line((-222, -356), (-208, -358), (-202, -351), w=1.4) + ' | e:-260,-286,2.6,4,30 | ' + line((-262, -277), (-248, -280), w=1.3), .6)
    d.dark('mount.head', lens((-190, -330), (-204, -326), (-216, -310), w=5), .18)
    d.area('mount.mane', '-180,-400/2 -190,-386~ -178,-376~ -160,-352/1 -164,-338/1 -146,-336~ -142,-318/1 -126,-312~ -122,-292/1 -106,-288~ -100,-268/1 -84,-276~ -106,-322~ -146,-374~', BODY + 10, mat='hair', form='mane', shade='flat', lift=1.4)
    d.ink('mount.mane', ' | '.join(line(a, b, w=1.2) for a, b in (((-168, -384), (-166, -352)), ((-148, -364), (-148, -336)), ((-128, -340), (-128, -312)), ((-110, -314), (-110, -288)))), .35)
    # near legs
    d.area(f'mount.leg.{near}.fore', tube((-112, -206, 58), (-112, -150, 40), (-114, -112, 26), (-115, -97, 29), (-116, -58, 19), (-117, -20, 23), r0=18, r1=3), BODY + 14, mat='fur', form='nf', lift=1.6)
    d.area(f'mount.hoof.{near}', _hoof(-119), BODY + 16, mat='leather', form='nh', shade='flat', lift=1)
    d.area(f'mount.leg.{near}.hind', tube((112, -214, 88), (112, -160, 66), (126, -114, 36), (137, -90, 28), (131, -56, 19), (127, -20, 23), r0=30, r1=3), BODY + 14, mat='fur', form='nhl', lift=1.6)
    d.area(f'mount.hoof.{near}', _hoof(125), BODY + 16, mat='leather', form='nhh', shade='flat', lift=1)
    d.area(f'mount.leg.{near}.feather', '-129,-34/2 -104,-34/2 -100,-14/1 -110,-18/1 -117,-10/1 -124,-17/1 -134,-11/1 | 116,-34/2 140,-34/2 146,-12/1 136,-17/1 128,-9/1 120,-17/1 110,-11/1', BODY + 17, mat='hair', form='feather', shade='none', lift=.9)
    d.dark('mount.body', lens((-84, -160), (-20, -148), (60, -154), w=8), .2)
    d.dark('mount.body', lens((60, -240), (48, -200), (62, -166), w=6), .14)
    d.dark('mount.neck', lens((-170, -252), (-150, -222), (-140, -204), w=6), .16)
    d.dark(f'mount.leg.{near}.hind', lens((84, -196), (88, -160), (108, -126), w=6), .16)
    d.lite('mount.body', lens((-40, -246), (20, -244), (80, -256), w=7), .14)


@part('mount.bridle', 'tack', note='bridle, bit, reins and breast strap')
def bridle(d):
    d.area('mount.bridle', bar(-190, -384, -206, -306, 6) + ' | ' + bar(-238, -336, -218, -296, 6) + ' | ' + bar(-216, -372, -184, -360, 5.4), TACK, mat='leather', form='bridle', shade='none', lift=.9)
    d.area('mount.bridle.rein', tube((-246, -284, 4.4), (-170, -284, 4.4), (-110, -296, 4.4), (-74, -314, 4.4)), RIDER + 42, mat='leather', form='rein', shade='none', lift=1)
    d.area('mount.bridle.bit', 'o:-246,-284,6', TACK + 2, mat='metal', shade='none', lift=.8, cut='o:-246,-284,3')
    d.area('mount.bridle.boss', 'o:-212,-300,4.4 o:-198,-364,4', TACK + 2, mat='metal', shade='none', lift=.6)


@part('mount.saddlecloth', 'tack', note='saddle, pointed saddle cloth with a laced edge, girth, breast strap, valise')
def saddlecloth(d):
    d.area('mount.breaststrap', tube((-154, -222, 9), (-110, -232, 9), (-50, -240, 9)), TACK, mat='leather', form='bs', shade='flat', lift=1)
    d.area('mount.breaststrap.boss', 'o:-132,-229,8', TACK + 1, mat='metal', shade='ball', lift=1)
    d.area('mount.cloth.edge', '-60,-266/2 74,-262/3 128,-250~ 168,-170/1 96,-186~ 60,-150/3 -30,-146/3 -62,-172~', TACK + 2, mat='cloth', form='edge', shade='flat', lift=2)
    d.area('mount.cloth.field', '-52,-262/2 72,-258/3 120,-246~ 152,-184/1 92,-196~ 56,-160/3 -26,-156/3 -53,-178~', TACK + 3, mat='cloth', form='field', shade='none', lift=.6)
    d.dark('mount.cloth.field', lens((80, -248), (92, -222), (98, -204), w=5), .16)
    d.dark('mount.cloth.field', lens((-30, -200), (-24, -178), (-22, -160), w=4), .14)
    d.area('mount.girth', bar(-8, -180, -12, -144, 12), TACK + 4, mat='leather', shade='flat', lift=.8)
    d.area('mount.saddle', '-56,-282/4 -36,-272~ 0,-264~ 38,-270~ 60,-290/4 66,-262/4 44,-250~ 20,-220/6 -16,-220/6 -34,-246~ -56,-258/4', TACK + 6, mat='leather', form='saddle', shade='flat', lift=1.6)
    d.area('gear.valise', '58,-286/7 104,-282/7 106,-260/7 60,-262/7', TACK + 5, mat='cloth', form='valise', shade='cyl', lift=2)
    d.area('gear.valise.strap', bar(72, -286, 73, -261, 5) + ' | ' + bar(92, -284, 93, -260, 5), TACK + 5.5, mat='leather', shade='none', lift=.7)
    d.site('cloth.corner', 'mount.cloth.field', 110, -218, 3, 3, 'disc', 'drape')


@part('mount.trapper', 'tack', note='long quartered horse cloth with dagged hem, high saddle, chamfron')
def trapper(d):
    z = TACK
    fore = '-92,-280/2 -128,-332~ -172,-388/4 -206,-352~ -180,-296~ -170,-236~ -178,-140~ -180,-66/2 -156,-52/1 -132,-66/1 -108,-52/1 -84,-66/1 -60,-52/1 -40,-66/0 -38,-262/0'
    hind = '-38,-262/0 40,-262~ 98,-276~ 146,-260~ 170,-218~ 178,-140~ 184,-64/2 164,-52/1 140,-66/1 116,-52/1 92,-66/1 68,-52/1 44,-66/1 20,-52/1 -4,-66/1 -28,-52/1 -40,-66/0'
    for name, spec in (('fore', fore), ('hind', hind)):
        d.area(f'mount.trapper.{name}.upper', spec, z, form='tr' + name, shade='cyl', lift=2.6, clip='-300,-500 300,-500 300,-166 -300,-166')
        d.area(f'mount.trapper.{name}.lower', spec, z, form='tr' + name, shade='cyl', lift=2.6, clip='-300,-166 300,-166 300,0 -300,0')
    d.area('mount.trapper.hem', fore, z + 1, form='hem1', shade='none', lift=0, clip='-300,-84 300,-84 300,0 -300,0')
    d.area('mount.trapper.hem', hind, z + 1, form='hem2', shade='none', lift=0, clip='-300,-84 300,-84 300,0 -300,0')
    for x0, x1 in ((-150, -160), (-112, -116), (-74, -72), (4, 0), (52, 54), (96, 104), (136, 150)):
        d.dark('mount.trapper', lens((x0, -200), ((x0 + x1) / 2, -140), (x1, -74), w=7), .15)
        d.lite('mount.trapper', lens((x0 + 11, -190), ((x0 + x1) / 2 + 11, -136), (x1 + 11, -80), w=5), .1)
    key, eye = winding_key(100, -222, 1.3)
    d.area('mount.trapper.charge', key, z + 3, mat='cloth', shade='none', lift=.6, cut=eye)
    d.area('mount.chamfron', '-182,-390/3 -200,-388~ -226,-362~ -254,-318/3 -244,-306/3 -226,-326~ -208,-344~ -190,-366/2', z + 6, mat='plate', form='cham', shade='flat', lift=1.2)
    d.area('mount.chamfron.spike', '-214,-374/1 -222,-367/1 -246,-392/0', z + 5, mat='metal', shade='flat', lift=1)
    d.area('mount.saddle', '-56,-290/4 -38,-270~ 0,-262~ 44,-270~ 62,-306/4 72,-300/3 68,-256/4 20,-238/6 -30,-240/6 -58,-258/4', z + 7, mat='leather', form='saddle', shade='flat', lift=1.6)
    d.area('mount.saddle.trim', '-58,-292/3 -50,-292/3 -46,-266/1 -54,-256/1 | 60,-308/3 73,-304/3 71,-292/1 60,-294/1', z + 8, mat='metal', form='strim', shade='flat', lift=.8)
    d.site('trapper.hind', 'mount.trapper.hind.upper', 100, -222, 6, 6, 'shield', 'drape')
    d.site('trapper.fore', 'mount.trapper.fore.lower', -110, -120, 4, 4, 'disc', 'drape')


def _rider_leg(d, plate=False):
    near, _ = _sides(d)
    z = NEAR
    if plate:
        d.area(f'leg.{near}.mail', tube((2, -276, 44), (-30, -246, 40), (-52, -214, 32), r0=14, r1=8), z, mat='mail', form='thigh', lift=2, tex='mail')
        d.area(f'leg.{near}.greave', tube((-54, -212, 31), (-48, -170, 27), (-40, -138, 22), r0=6, r1=3), z + 1, mat='plate', form='shin', lift=1.6)
        d.area(f'leg.{near}.poleyn', '-76,-214/4 -62,-232~ -44,-234/4 -32,-218/3 -40,-200/3 -58,-196/3', z + 3, mat='plate', form='knee', shade='ball', lift=1.8)
        d.area(f'leg.{near}.sabaton', '-54,-142/3 -32,-144/3 -28,-122/4 -70,-114/4 -76,-122/3', z + 1.5, mat='plate', form='foot', shade='flat', lift=1.2)
    else:
        d.area(f'leg.{near}.breeches', tube((2, -276, 46), (-28, -248, 40), (-50, -216, 32), r0=14, r1=8), z, form='thigh', lift=2)
        d.area(f'leg.{near}.boot', '-72,-222/4 -50,-230~ -32,-214/4 -34,-180~ -32,-146/2 -28,-122/4 -70,-114/4 -78,-122/4 -60,-136~ -62,-176~', z + 1, mat='leather', form='shin', shade='cyl', lift=1.6)
        d.area(f'leg.{near}.boot.cuff', '-78,-226/3 -52,-240~ -28,-218/3 -32,-196/3 -52,-206~ -72,-200/3', z + 2, mat='leather', form='cuff', shade='flat', lift=1.4)
        d.dark(f'leg.{near}.boot', lens((-60, -160), (-48, -154), (-34, -160), w=4), .2)
        d.dark(f'leg.{near}.breeches', lens((-8, -276), (-24, -258), (-40, -248), w=4), .16)
    d.area('gear.stirrup.leather', bar(-16, -222, -44, -146, 6), z - 1, mat='leather', shade='none', lift=.8)
    d.area('gear.stirrup', '-58,-146/2 -40,-152~ -26,-142/2 -28,-110/2 -66,-106/2', z + 4, mat='metal', form='stirrup', shade='none', lift=1, cut='-54,-140/2 -40,-145~ -31,-138/2 -33,-118/1 -60,-115/1')
    d.area('gear.stirrup.spur', '-28,-130/1 -14,-130/1 -14,-126/1 -28,-126/1 | o:-11,-128,5', z + 2.5, mat='metal', shade='none', lift=.8, merge=True)


@part('rider.light', 'rider', note='light horseman in a tailed jacket, cap with a plume, carbine at the saddle, sabre drawn')
def rider_light(d):
    near, far = _sides(d)
    z = RIDER
    d.area(f'arm.{far}.sleeve', tube((-14, -346, 26), (-42, -326, 24), (-66, -318, 20), r0=10, r1=2), z - 4, form='fa', lift=1.4)
    d.area(f'hand.{far}', 'e:-72,-317,11,10', z - 3, mat='skin', form='fhand', shade='ball', lift=1)
    d.area('torso.coat.body', '-34,-356/5 -8,-366~ 22,-360/6 34,-334~ 30,-300~ 34,-282/2 62,-268~ 86,-230/2 56,-236~ 30,-252/2 -30,-256/3 -36,-290~ -42,-326~', z, form='coat', shade='cyl', lift=2.2)
    d.area('torso.coat.turnback', '34,-282/1 62,-268~ 86,-230/1 66,-234~ 48,-262~', z + 1, form='tb', shade='flat', lift=.8)
    d.area('torso.coat.lapel', '-34,-354/3 -20,-361~ -16,-330~ -22,-296/2 -37,-292/1 -42,-326~', z + 1, form='lapel', shade='flat', lift=1)
    d.area('torso.coat.buttons', dots([(-22, -348), (-21, -334), (-22, -320), (-25, -306)], 2.4), z + 2, mat='metal', shade='none', lift=.6)
    d.area('torso.coat.collar', '-28,-372/2 14,-372/3 16,-358/2 -6,-354~ -30,-358/2', z + 8, form='collar', shade='flat', lift=1.2)
    d.area('gear.strap.cross', '-20,-360/1 -10,-363/1 32,-296/1 30,-284/1', z + 3, mat='leather', form='strap', shade='flat', lift=1.1)
    d.area('gear.belt', '-37,-290/1 -2,-284~ 31,-288/1 33,-276/1 0,-272~ -35,-278/1', z + 4, mat='leather', form='belt', shade='flat', lift=1.2)
    d.area('gear.box.body', '24,-298/3 50,-290/3 46,-266/3 22,-274/3', z + 5, mat='leather', form='box', shade='flat', lift=1.8)
    d.area('gear.box.flap', '22,-301/3 53,-291/3 50,-276/3 36,-276~ 22,-284/3', z + 6, mat='leather', form='flap', shade='flat', lift=.8)
    _head(d, z + 10)
    d.area('head.hat.body', '-40,-404/3 -42,-424~ -40,-458/3 -10,-466/4 14,-452/4 16,-420~ 18,-402/3', z + 20, form='hat', shade='cyl', lift=1.6)
    d.area('head.hat.trim', '-41,-456/2 -10,-466/4 14,-452/3 15,-442/1 -10,-454~ -41,-446/1', z + 21, form='hattrim', shade='flat', lift=.8)
    d.area('head.hat.band', '-41,-414/1 -10,-408~ 18,-412/1 18,-401/1 -10,-397~ -41,-403/1', z + 22, mat='leather', form='band', shade='flat', lift=.9)
    d.area('head.hat.peak', '-40,-408/2 -58,-398~ -62,-392/2 -44,-395~ -30,-399/1 -30,-407/1', z + 23, mat='leather', shade='none', lift=1.6)
    d.area('head.hat.plate', '-40,-416/2 -30,-416/2 -27,-436~ -34,-448~ -41,-440~', z + 23, mat='metal', form='plate', shade='flat', lift=1)
    d.area('head.hat.plume', '-24,-458/2 -34,-480~ -26,-510~ -6,-524/2 -6,-500~ -8,-478~ -14,-458/2', z + 19, mat='feather', form='plume', shade='cyl', lift=.8)
    d.area('head.hat.plume.tip', '-31,-490/1 -26,-510~ -6,-524/2 -6,-500~ -7,-490/1 -14,-484/1 -20,-492/1', z + 19.5, mat='feather', form='tip', shade='flat', lift=.5)
    d.area('head.hat.chinstrap', '-38,-402/1 -34,-384~ -22,-374/1 -18,-378/1 -28,-388~ -32,-403/1', z + 18, mat='metal', shade='none', lift=.7)
    _rider_leg(d)
    # near arm, sabre carried at the shoulder
    d.area(f'arm.{near}.sleeve', tube((12, -346, 30), (30, -318, 28), (16, -290, 25), r0=12, r1=6), NEAR + 20, form='na', lift=2.2)
    d.area(f'arm.{near}.forearm', tube((20, -298, 25), (-8, -292, 23), (-24, -296, 21), r0=8, r1=2), NEAR + 21, form='nfa', lift=1.6)
    d.area(f'arm.{near}.cuff', bar(-6, -291, -26, -297, 28, 27, r=2), NEAR + 22, form='ncuff', shade='cyl', lift=1.3)
    d.area(f'hand.{near}', '-30,-310/4 -44,-306~ -48,-294/4 -42,-286/4 -28,-285/3', NEAR + 24, mat='skin', form='nhand', shade='ball', lift=1.2)
    d.area('torso.coat.epaulet', '-4,-362/3 20,-362/4 32,-350/4 26,-342/3 0,-352/2', NEAR + 26, form='ep', shade='flat', lift=1.4)
    d.area('weapon.blade', '-44,-313/1 -36,-318/1 8,-362~ 50,-410~ 98,-476/0 40,-414~ -2,-368~', NEAR + 18, mat='metal', form='blade', shade='flat', lift=1.2)
    d.area('weapon.sword.guard', '-56,-312/2 -26,-316/2 -26,-308/2 -48,-305~ -54,-288~ -42,-279/1 -44,-275/1 -58,-284~', NEAR + 25, mat='metal', form='guard', shade='none', lift=1)
    d.dark('torso.coat.body', lens((8, -330), (4, -306), (8, -288), w=4), .18)
    d.dark(f'arm.{near}.sleeve', lens((18, -316), (28, -308), (42, -312), w=4), .18)


def _head(d, z):
    d.area('head.hair', '-20,-408 14,-408 20,-392~ 14,-374/3 -4,-368/3 -8,-390~', z, mat='hair', form='hair', shade='ball', lift=1)
    d.area('head.face', '-40,-410 -8,-410 -2,-392~ -8,-372/4 -22,-364/5 -36,-368/4 -41,-380~ -47,-386/3 -41,-396~', z + 1, mat='skin', form='face', shade='flat', lift=1.2)
    d.area('head.ears', 'e:-7,-388,4.4,6.6', z + 2, mat='skin', shade='none', lift=.7)
    d.area('head.eyes', 'e:-32,-394,2.2,2.8', z + 2, mat='paint', shade='none', lift=0)
    d.area('head.moustache', '-42,-382/1 -30,-383~ -20,-374/1 -30,-376~ -40,-377/1', z + 2, mat='hair', shade='none', lift=.7)
    d.ink('head.face', line((-38, -401), (-28, -401), w=1.8), .7)


@part('rider.knight', 'rider', note='knight in surcoat and tide helm, lance upright, shield at the side')
def rider_knight(d):
    near, far = _sides(d)
    z = RIDER
    d.area(f'arm.{far}.vambrace', tube((-14, -344, 28), (-42, -326, 25), (-64, -318, 21), r0=10, r1=3), z - 4, mat='plate', form='fa', shade='cyl', lift=1.4)
    d.area(f'hand.{far}', 'e:-72,-317,12,11', z - 3, mat='plate', form='fhand', shade='ball', lift=1)
    d.area('torso.mail', '-34,-284/3 36,-284/3 46,-248/4 10,-240~ -40,-246/4', z, mat='mail', form='skirt', lift=2, tex='mail')
    d.area('torso.surcoat.body', '-34,-356/5 -8,-368~ 22,-362/6 34,-334~ 30,-300~ 34,-280/2 64,-258~ 74,-232/2 36,-240~ 18,-262/2 -30,-262/3 -36,-290~ -42,-326~', z + 1, form='surcoat', shade='cyl', lift=2.2)
    d.area('torso.surcoat.hem', '74,-232/2 36,-240~ 18,-262/1 20,-270/1 40,-249~ 70,-242/1', z + 2, form='hem', shade='flat', lift=.7)
    d.area('gear.belt', '-37,-294/1 -2,-288~ 31,-292/1 33,-280/1 0,-276~ -35,-282/1', z + 4, mat='leather', form='belt', shade='flat', lift=1.2)
    d.area('gear.scabbard', bar(26, -282, 96, -206, 12, 8, r=2), z + 5, mat='leather', form='scab', shade='cyl', lift=1.6)
    d.area('gear.scabbard.tip', bar(84, -219, 97, -205, 10, 7, r=2), z + 6, mat='metal', shade='flat', lift=.8)
    d.area('weapon.sword.grip', bar(20, -288, 4, -306, 7, r=2), z + 6, mat='leather', shade='cyl', lift=1)
    d.area('weapon.sword.guard', bar(12, -278, 30, -296, 5, r=2), z + 7, mat='metal', shade='flat', lift=.9)
    d.area('weapon.sword.pommel', 'o:0,-310,6', z + 7, mat='metal', shade='ball', lift=.9)
    h = z + 10
    d.area('head.mail', '-40,-386/3 14,-386/3 22,-366~ 26,-352/3 0,-344~ -34,-350/3 -42,-366~', h, mat='mail', form='cape', shade='ball', lift=1.8, tex='mail')
    blades = [('-22,-436/0 -48,-474/2 -30,-490/2 -10,-438/0', 'odd'), ('-12,-438/0 -26,-492/2 -6,-500/2 0,-439/0', 'even'), ('-2,-439/0 -2,-500/2 20,-494/2 10,-437/0', 'odd'), ('8,-438/0 24,-490/2 42,-474/2 18,-432/0', 'even')]
    for spec, name in blades:
        d.area(f'head.helm.crest.{name}', spec, h + 1, mat='leather', form='crest' + spec[:4], shade='flat', lift=1)
    d.area('head.helm.skull', '-44,-394/2 -44,-420~ -30,-440~ -6,-446~ 16,-438~ 26,-416~ 26,-378/3 6,-370~ -10,-374/1 -10,-394/1', h + 3, mat='plate', form='helm', shade='ball', lift=2)
    d.area('head.helm.face', '-46,-398/2 -8,-398/1 -8,-372/1 -20,-362/3 -40,-368/3 -50,-384/2', h + 4, mat='plate', form='helmface', shade='flat', lift=1.2)
    d.area('head.helm.brow', '-47,-406/2 -8,-406/1 26,-404/1 26,-394/1 -8,-396/1 -47,-396/2', h + 5, mat='metal', form='brow', shade='flat', lift=.9)
    d.area('head.helm.slit', '-42,-402/1 -20,-402/1 -20,-398.4/1 -42,-398.4/1', h + 6, mat='paint', shade='none', lift=0)
    d.ink('head.helm.face', 'o:-36,-388,1.6 o:-28,-388,1.6 o:-20,-388,1.6 o:-32,-380,1.6 o:-24,-380,1.6', .85)
    d.site('helm.side', 'head.helm.skull', 8, -416, 1.8, 1.8, 'disc', 'dome:3')
    _rider_leg(d, plate=True)
    lance = d.view == 'right'
    d.area('weapon.pole', bar(-44, -170, -44, -640, 10, 7, r=2), NEAR + 16 if lance else z - 6, mat='wood', form='lance', shade='cyl', lift=1.6)
    d.area('weapon.pole.binding', bar(-44, -318, -44, -276, 13, r=2), NEAR + 17 if lance else z - 5, mat='leather', form='bind', shade='cyl', lift=.8)
    d.area('weapon.head', '-50,-636/1 -38,-636/1 -34,-654~ -44,-690/0 -54,-654~', NEAR + 17 if lance else z - 5, mat='metal', form='point', shade='flat', lift=1.2)
    d.area('weapon.pennon', '-40,-628/1 0,-634~ 44,-626~ 84,-634/0 62,-612/1 82,-592/0 40,-596~ 0,-588~ -40,-592/1', NEAR + 15 if lance else z - 7, mat='cloth', form='pennon', shade='flat', lift=1.4)
    d.area('weapon.pennon.edge', '-40,-628/1 0,-634~ 44,-626~ 84,-634/0 78,-628/0 44,-619~ 0,-627~ -40,-621/1', NEAR + 15.5 if lance else z - 6.5, mat='cloth', form='pe', shade='none', lift=0)
    d.dark('weapon.pennon', lens((-6, -630), (-2, -612), (-6, -592), w=7) + ' | ' + lens((38, -626), (42, -612), (36, -598), w=6), .16)
    d.site('pennon', 'weapon.pennon', 10, -612, 4, 2.4, 'rect', 'drape')
    a = NEAR + 20
    d.area(f'arm.{near}.mail', tube((12, -346, 30), (28, -318, 28), (14, -294, 25), r0=12, r1=6), a, mat='mail', form='na', lift=2.2, tex='mail')
    d.area(f'arm.{near}.vambrace', tube((18, -300, 25), (-10, -296, 23), (-28, -298, 20), r0=8, r1=2), a + 1, mat='plate', form='vam', lift=1.6)
    d.area(f'arm.{near}.couter', 'e:22,-298,13,13', a + 2, mat='plate', form='cou', shade='ball', lift=1.4)
    d.area(f'arm.{near}.spaulder', '-6,-362/4 16,-368~ 34,-354/5 38,-330/3 20,-326~ -2,-334/3', a + 4, mat='plate', form='sp', shade='ball', lift=1.8)
    d.area(f'hand.{near}', '-30,-312/4 -46,-310~ -54,-298/4 -48,-286/4 -30,-286/3', a + 3, mat='plate', form='nhand', shade='ball', lift=1.2)
    d.ink(f'hand.{near}', line((-50, -304), (-34, -304), w=1.1) + ' | ' + line((-52, -297), (-34, -297), w=1.1) + ' | ' + line((-49, -291), (-34, -291), w=1.1), .5)
    if not lance:
        full = '-70,-356/4 -48,-362~ -34,-354/2 -20,-362~ 4,-356/4 5,-312~ -6,-262~ -33,-232/3 -60,-262~ -71,-312~'
        s = a + 10
        d.area('shield.rim', full, s, mat='metal', form='rim', shade='flat', lift=3)
        cells = {'q1': '-300,-500 -33,-500 -33,-306 -300,-306', 'q2': '-33,-500 300,-500 300,-306 -33,-306', 'q3': '-300,-306 -33,-306 -33,0 -300,0', 'q4': '-33,-306 300,-306 300,0 -33,0'}
        inner = '-65,-351/3 -48,-356~ -34,-348/2 -20,-356~ -1,-351/3 0,-312~ -10,-264~ -33,-240/3 -56,-264~ -66,-312~'
        for name, cell in cells.items():
            d.area(f'shield.face.{name}', inner, s + 1, mat='paint', form='face', shade='flat', lift=.5, clip=cell)
        key, eye = winding_key(-34, -304, 1.1)
        d.area('shield.charge', key, s + 4, mat='paint', shade='none', lift=.8, cut=eye)
        d.dark('shield.face', '-14,-352/0 -2,-350/0 0,-312~ -10,-264~ -33,-240/0 -33,-252/0 -18,-270~ -10,-312~', .15)
        d.site('shield.face', 'shield.face', -33, -304, 5.6, 8.6, 'shield', 'cyl:15')
    d.dark('torso.surcoat.body', lens((8, -330), (4, -306), (8, -292), w=4), .18)
