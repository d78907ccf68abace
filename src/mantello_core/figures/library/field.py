"""Field dress of the later wars: helmets and caps, tunics and greatcoats with webbing, trousers, bedroll and tools."""

from ..part import Z, part
from ..stroke import bar, dots, lens, line, tube
from .arms import fist
from .heads import face

A, L, T, C, S, N = Z['arm'], Z['leg'], Z['torso'], Z['coat'], Z['strap'], Z['head']


@part('head.fieldhelm', 'head', attach='neck', origin=(0, -240), note='deep steel helmet with a band of netting, chin strap')
def fieldhelm(d):
    face(d, moustache=False)
    z = N + 10
    d.area('head.helm.skull', '-38,-283/5 -34,-304~ -20,-324~ 0,-330~ 20,-324~ 34,-304~ 38,-283/5 26,-280~ 0,-279~ -26,-280~' if d.front else '-38,-276/6 -34,-304~ -20,-324~ 0,-330~ 20,-324~ 34,-304~ 38,-276/6 22,-265~ 0,-263~ -22,-265~', z, mat='paint', form='helm', shade='ball', lift=2.4, tags=('camo',))
    d.area('head.helm.rim', '-40,-284/2 -26,-281~ 0,-280~ 26,-281~ 40,-284/2 39,-278/2 26,-274~ 0,-273~ -26,-274~ -39,-278/2' if d.front else '-39,-277/2 -22,-266~ 0,-264~ 22,-266~ 39,-277/2 38,-271/2 22,-259~ 0,-257~ -22,-259~ -38,-271/2', z + 1, mat='paint', form='rim', shade='flat', lift=.8)
    d.area('head.helm.band', '-35,-302/1 -18,-296~ 0,-294~ 18,-296~ 35,-302/1 36.6,-294/1 18,-288~ 0,-286~ -18,-288~ -36.6,-294/1', z + 2, mat='cloth', form='band', shade='cyl', lift=.8)
    if d.front:
        d.area('head.helm.chinstrap', '-28,-270/1 -25,-256~ -12,-239~ 0,-236~ 12,-239~ 25,-256~ 28,-270/1 25,-270/1 22,-257~ 11,-242~ 0,-239.6~ -11,-242~ -22,-257~ -25,-270/1', N + 6, mat='leather', shade='none', lift=.9)
        d.site('helm.front', 'head.helm.skull', 0, -310, 2, 2, 'disc', 'dome:4')
    d.site('helm.side', 'head.helm.skull', 24, -300, 1.6, 1.6, 'disc', 'dome:4')


@part('head.coveredcap', 'head', attach='neck', origin=(0, -240), note='cap under an oilcloth cover with a neck flap')
def coveredcap(d):
    face(d, beard=True)
    z = N + 10
    d.area('head.cap.cover', '-30,-282/2 -33,-304~ -38,-320/7 0,-336~ 38,-320/7 33,-304~ 30,-282/2', z + 1, form='cover', shade='cyl', lift=1.8)
    d.area('head.cap.top', '-37,-320/6 0,-336~ 37,-320/6 32,-312~ 0,-318~ -32,-312~', z + 2, form='top', shade='flat', lift=1)
    d.area('head.cap.band', '-31,-290/1 0,-286~ 31,-290/1 30,-279/1 0,-275~ -30,-279/1', z + 3, form='band', shade='cyl', lift=.8)
    if d.front:
        d.area('head.cap.peak', '-29,-282/3 0,-279~ 29,-282/3 24,-273~ 0,-268~ -24,-273~', z + 5, mat='leather', form='peak', shade='none', lift=2)
        d.area('head.cap.badge', '-5,-305/1 0,-311/1 5,-305/1 0,-297/1', z + 4, mat='metal', form='badge', shade='flat', lift=.8)
        d.site('cap.front', 'head.cap.cover', 0, -303, 1.8, 2, 'lozenge', 'cyl:3')
    else:
        d.area('head.cap.flap', '-29,-284/2 29,-284/2 33,-252~ 34,-228/4 0,-222~ -34,-228/4 -33,-252~', z + 4, form='flap', shade='flat', lift=1.6)
        d.dark('head.cap.flap', lens((-12, -276), (-14, -252), (-16, -230), w=4), .16, sym=True)
    d.dark('head.cap.cover', lens((20, -316), (22, -302), (20, -288), w=4), .16)


@part('head.crewcap', 'head', attach='neck', origin=(0, -240), note='padded crew cap, ear pieces on a bow, goggles pushed up')
def crewcap(d):
    face(d, moustache=False)
    z = N + 10
    d.area('head.cap.body', '-29,-276/3 -31,-298~ -20,-318~ 0,-323~ 20,-318~ 31,-298~ 29,-276/3 0,-284~' if d.front else '-29,-266/5 -31,-298~ -20,-318~ 0,-323~ 20,-318~ 31,-298~ 29,-266/5 0,-258~', z, mat='leather', form='cap', shade='ball', lift=1.8)
    d.area('head.cap.ridge', ' | '.join(bar(x, -320 + abs(x) * .25, x * 1.4, -286, 5, r=2) for x in (-14, .01, 14)), z + 1, mat='leather', form='ridge', shade='none', lift=1)
    d.area('head.phones.bow', '-33,-276/1 -35,-302~ -22,-322~ 0,-328~ 22,-322~ 35,-302~ 33,-276/1 29,-276/1 30.6,-300~ 19,-317~ 0,-323~ -19,-317~ -30.6,-300~ -29,-276/1', z + 4, mat='metal', form='bow', shade='none', lift=1)
    d.area('head.phones.ear', 'e:31,-267,7.4,11 e:-31,-267,7.4,11', z + 5, mat='leather', form='ear', shade='ball', lift=1.6)
    if d.front:
        d.area('head.goggles.strap', '-30,-298/1 0,-293~ 30,-298/1 30,-289/1 0,-284~ -30,-289/1', z + 2, mat='leather', form='gs', shade='cyl', lift=.7)
        d.area('head.goggles.frame', 'e:-10,-291,10.4,8.4 e:10,-291,10.4,8.4', z + 3, mat='metal', form='gf', shade='flat', lift=1.2, merge=True)
        d.area('head.goggles.lens', 'e:-10,-291,7,5.4 e:10,-291,7,5.4', z + 4, mat='glass', form='gl', shade='none', lift=.3)
        d.lite('head.goggles.lens', 'e:-12,-293,2.4,1.4 e:8,-293,2.4,1.4', .6)


@part('head.beret', 'head', attach='neck', origin=(0, -240), note='soft cap pulled to one side, band and badge')
def beret(d):
    face(d, moustache=True)
    z = N + 10
    d.area('head.cap.crown', '-30,-288/4 -36,-306~ -22,-324~ 6,-328~ 34,-316~ 46,-296~ 40,-282/6 28,-286~ 0,-288~', z, form='crown', shade='ball', lift=2)
    d.area('head.cap.band', '-28.6,-291/1 0,-287~ 28.6,-290/1 28.6,-282/1 0,-279~ -28.6,-283/1', z + 2, mat='leather', form='band', shade='cyl', lift=.7)
    if d.front:
        d.area('head.cap.badge', '-20,-303/1 -12,-303/1 -12,-293/2 -16,-289/1 -20,-293/2', z + 3, mat='metal', form='badge', shade='flat', lift=.8)
    d.dark('head.cap.crown', lens((8, -318), (28, -308), (38, -292), w=4), .18)
    d.site('cap.badge', 'head.cap.crown', -16, -304, 1.2, 1.4, 'shield', 'flat')


def _pocket(d, x, y, name='torso.field.pocket'):
    d.both(f'{name}.{{s}}', f'{x - 10},{y}/2 {x + 10},{y}/2 {x + 10},{y + 20}/3 {x - 10},{y + 20}/3', C + 2, form='pk.{s}', shade='flat', lift=.9)
    d.both(f'{name}.{{s}}.flap', f'{x - 11},{y - 2}/2 {x + 11},{y - 2}/2 {x + 11},{y + 6}/3 {x},{y + 9}/2 {x - 11},{y + 6}/3', C + 3, form='pf.{s}', shade='flat', lift=.7)


@part('torso.field', 'torso', attach='neck', origin=(0, -240), note='field tunic with four pockets, belt and braces of webbing')
def field(d):
    body = '-22,-245 22,-245 40,-239~ 51,-228/6 48,-204~ 39,-180~ 37,-166~ 43,-138~ 47,-112/3 0,-106~ -47,-112/3 -43,-138~ -37,-166~ -39,-180~ -48,-204~ -51,-228/6 -40,-239~'
    d.area('torso.field.body', body, C, form='tunic', shade='cyl', lift=2, tags=('camo',))
    if d.front:
        d.area('torso.shirt', '-9,-246 9,-246 0,-228/2', C + 1, form='shirt', shade='flat', lift=.2)
        d.both('torso.field.collar.{s}', '3,-250/2 21,-252/3 26,-238/2 12,-228/2', C + 6, form='col.{s}', shade='flat', lift=1.2)
        d.area('torso.field.placket', '-4,-228/1 4,-228/1 4,-110/1 -4,-110/1', C + 1, form='placket', shade='flat', lift=.6)
        d.area('torso.field.buttons', dots([(0, y) for y in (-220, -204, -188, -142, -126)], 2), C + 2, mat='metal', shade='none', lift=.6)
        _pocket(d, 23, -216)
        _pocket(d, 27, -146, 'torso.field.pocket.low')
        d.site('field.breast', 'torso.field.pocket.left', 23, -206, 1.4, 1.2, 'rect', 'flat')
    else:
        d.area('torso.field.collar', '-22,-253/3 22,-253/3 26,-237/3 0,-233~ -26,-237/3', C + 6, form='col', shade='flat', lift=1.2)
        d.ink('torso.field.body', line((0, -232), (0, -112), w=1.1), .4)
    d.both('gear.webbing.brace.{s}', '24,-242/1 31,-241/1 22,-168/1 15,-168/1' if d.front else '22,-242/1 30,-241/1 10,-168/1 3,-168/1', S, mat='cloth', form='brace.{s}', shade='flat', lift=1)
    d.area('gear.webbing.belt', '-38,-174/1 0,-170~ 38,-174/1 39,-160/1 0,-156~ -39,-160/1', S + 1, mat='cloth', form='belt', shade='flat', lift=1.2)
    if d.front:
        d.area('gear.webbing.buckle', '-7,-173/2 7,-173/2 7,-155/2 -7,-155/2', S + 2, mat='metal', shade='flat', lift=.8)
        d.both('gear.webbing.pouch.{s}', '12,-176/3 35,-178/3 36,-150/4 13,-147/4', S + 2, mat='cloth', form='pch.{s}', shade='flat', lift=2)
        d.both('gear.webbing.pouch.{s}.flap', '11,-178/2 36,-180/2 36.6,-166/3 24,-162~ 12,-164/3', S + 3, mat='cloth', form='pfl.{s}', shade='flat', lift=.9)
        d.area('gear.webbing.stud', dots([(24, -164), (-24, -164)], 2), S + 4, mat='metal', shade='none', lift=.5)
    else:
        d.area('gear.bottle', '20,-172/5 38,-170/6 39,-140/7 21,-140/7', S + 2, mat='cloth', form='bottle', shade='cyl', lift=2)
        d.area('gear.bottle.neck', '25,-180/2 33,-180/2 34,-170/1 24,-170/1', S + 1.6, mat='metal', form='neck', shade='cyl', lift=1)
        d.area('gear.tool.haft', bar(-26, -170, -34, -108, 6, r=2), S + 2, mat='wood', form='haft', lift=1.4)
        d.area('gear.tool.blade', '-38,-184/3 -16,-184/3 -18,-162/6 -27,-156~ -36,-162/6', S + 3, mat='metal', form='blade', shade='flat', lift=1.2)
    d.dark('torso.field.body', lens((44, -206), (39, -194), (33, -176), w=5), .18, sym=True)
    d.dark('torso.field.body', lens((14, -132), (18, -120), (20, -110), w=4), .16, sym=True)


@part('torso.greatcoat', 'torso', attach='neck', origin=(0, -240), note='double-breasted greatcoat to the shins, shoulder cape, half belt')
def greatcoat(d):
    skirt = '51,-228/6 48,-204~ 40,-180~ 37,-164~ 46,-120~ 60,-54/3 30,-46~'
    if d.front:
        d.both('torso.greatcoat.body.{s}', f'0,-244/0 22,-245~ 38,-240~ {skirt} 3,-50/2 0,-150/0', C, form='gc.{s}', lift=2.2)
        d.area('torso.greatcoat.front', '-22,-240/2 20,-244/2 26,-196~ 20,-164/2 22,-140/2 -6,-50/2 -12,-140/2 -16,-196~', C + 1, form='lap', shade='flat', lift=1.2)
        d.area('torso.greatcoat.buttons', dots([(x + s, y) for y, s in ((-226, 0), (-208, 0), (-190, -1), (-172, -2)) for x in (-11, 16)], 2.6), C + 2, mat='metal', shade='none', lift=.7)
        d.both('torso.greatcoat.collar.{s}', '2,-258/3 22,-260/3 30,-240/3 14,-228/3', Z['over'] + 8, form='gcol.{s}', shade='flat', lift=1.6)
        d.both('torso.greatcoat.pocket.{s}', '26,-144/2 42,-146/2 44,-134/2 27,-132/2', C + 2, form='gp.{s}', shade='flat', lift=.9)
    else:
        d.both('torso.greatcoat.body.{s}', f'0,-244/0 22,-245~ 38,-240~ {skirt} 3,-48/2 0,-120/0', C, form='gc.{s}', lift=2.2)
        d.area('torso.greatcoat.halfbelt', '-30,-172/2 30,-172/2 30,-160/2 -30,-160/2', C + 2, form='half', shade='flat', lift=1)
        d.area('torso.greatcoat.buttons', dots([(-24, -166), (24, -166)], 3), C + 3, mat='metal', shade='none', lift=.7)
        d.area('torso.greatcoat.collar', '-24,-260/3 24,-260/3 30,-238/3 0,-232~ -30,-238/3', Z['over'] + 8, form='gcol', shade='flat', lift=1.6)
        d.site('greatcoat.back', 'torso.greatcoat.body.left', 22, -130, 3, 3, 'disc', 'drape')
    m = Z['over'] + 1
    d.both('torso.greatcoat.cape.{s}', '0,-246/0 22,-246 46,-240~ 66,-222~ 70,-196/3 44,-186~ 0,-184/0' if not d.front else '10,-244/2 24,-246 46,-240~ 66,-222~ 70,-196/3 46,-188~ 22,-196/3', m, form='cape.{s}', shade='ball', lift=2)
    d.both('torso.greatcoat.cape.{s}.edge', '69,-204/1 70,-196/3 46,-188~ 22,-196/2 21,-202/1 46,-195~' if d.front else '69,-204/1 70,-196/3 44,-186~ 0,-184/0 0,-191/0 44,-193~', m + 1, form='cedge.{s}', shade='none', lift=.3)
    for x, y in ((16, -70), (32, -66), (46, -70)):
        d.dark('torso.greatcoat.body', lens((x * .7, -150), (x * .86, -110), (x, y), w=5), .16, sym=True)


@part('torso.flakvest', 'torso', attach='neck', origin=(0, -240), note='plated vest over a field shirt, pockets, collar')
def flakvest(d):
    d.area('torso.field.body', '-36,-170 36,-170 43,-138~ 46,-118/3 0,-112~ -46,-118/3 -43,-138~', C, form='shirt', lift=1, tags=('camo',))
    d.area('torso.vest.body', '-20,-246 20,-246 36,-242~ 46,-232/4 44,-206~ 41,-180~ 42,-158/4 0,-152~ -42,-158/4 -41,-180~ -44,-206~ -46,-232/4 -36,-242~', C + 2, form='vest', shade='cyl', lift=2.4, tags=('camo',))
    for name, y0, y1, w in (('high', -236, -208, 28), ('low', -202, -172, 30)):
        d.area(f'torso.vest.plate.{name}', f'{-w},{y0}/4 {w},{y0}/4 {w + 2},{y1}/4 0,{y1 + 3}~ {-w - 2},{y1}/4', C + 3, mat='plate', form='vp' + name, shade='flat', lift=1.2)
    d.area('torso.vest.collar', '-24,-256/4 0,-260~ 24,-256/4 28,-240/3 0,-234~ -28,-240/3', C + 6, form='vcol', shade='flat', lift=1.6)
    d.area('gear.webbing.belt', '-40,-166/1 0,-162~ 40,-166/1 41,-152/1 0,-148~ -41,-152/1', S + 1, mat='cloth', form='belt', shade='flat', lift=1.2)
    if d.front:
        d.area('torso.vest.clasp', ' | '.join(f'-4,{y}/1 4,{y}/1 4,{y + 7}/1 -4,{y + 7}/1' for y in (-205, -170)), C + 5, mat='metal', shade='none', lift=.7)
        d.both('gear.webbing.pouch.{s}', '13,-168/3 36,-170/3 37,-142/4 14,-138/4', S + 2, mat='cloth', form='pch.{s}', shade='flat', lift=2)
        d.both('gear.webbing.pouch.{s}.flap', '12,-170/2 37,-172/2 37,-158/3 25,-154~ 13,-156/3', S + 3, mat='cloth', form='pfl.{s}', shade='flat', lift=.9)
        d.site('vest.plate', 'torso.vest.plate.high', 0, -222, 3, 2, 'rect', 'flat')
    else:
        d.area('gear.bottle', '-38,-162/5 -20,-164/6 -20,-134/7 -38,-134/7', S + 2, mat='cloth', form='bottle', shade='cyl', lift=2)
        d.site('vest.back', 'torso.vest.plate.high', 0, -222, 4, 2.2, 'rect', 'flat')


@part('legs.field', 'legs', attach='hip', origin=(0, -150), note='field trousers with a thigh pocket, ankle gaiters, boots')
def legs(d):
    d.both('leg.{s}.trousers', '0,-164 34,-164 41,-138~ 42,-106~ 41,-70~ 42,-32/4 6,-32/4 6,-70~ 5,-106~ 0,-136/2', L, form='trs.{s}', lift=.4, tags=('camo',))
    d.both('leg.{s}.boot', '8,-26 38,-26 49,-9/5 51,0/3 47,3/2 9,3/3 6,-6/3', L + 1, mat='leather', form='boot.{s}', shade='ball', lift=1.6)
    d.both('leg.{s}.boot.sole', '7,-3/1 51,-3/2 51,4/2 8,4/2', L + 1.6, mat='leather', form='sole.{s}', shade='flat', lift=.4)
    d.both('leg.{s}.anklet', '6,-40/3 41,-40/3 40,-18/3 23,-15~ 8,-18/3', L + 2, mat='cloth', form='ank.{s}', shade='cyl', lift=1.2)
    if d.front:
        d.both('leg.{s}.anklet.strap', '30,-37/1 40.6,-36/1 40,-31/1 30,-32/1 | 30,-27/1 40,-26/1 39.4,-21/1 30,-22/1', L + 3, mat='leather', form='as.{s}', shade='none', lift=.6)
    d.both('leg.{s}.pocket', '22,-120/2 42,-122/2 43,-96/3 23,-94/3', L + 2, form='pkt.{s}', shade='flat', lift=1, tags=('camo',))
    d.both('leg.{s}.pocket.flap', '21,-122/2 43,-124/2 43.4,-112/3 32,-108~ 22,-110/3', L + 3, form='pkf.{s}', shade='flat', lift=.7)
    d.dark('leg.*.trousers', lens((8, -84), (20, -78), (38, -84), w=4), .18, sym=True)
    d.dark('leg.*.trousers', lens((8, -60), (22, -52), (40, -58), w=4), .16, sym=True)
    d.dark('leg.*.trousers', lens((10, -46), (24, -42), (40, -46), w=3), .16, sym=True)


@part('arm.field', 'arm', attach='shoulder.{s}', origin=(46, -226), note='plain sleeve with a shoulder patch, hangs')
def arm(d, hand='skin'):
    d.area('arm.{s}.sleeve', tube((44, -228, 28), (56, -208, 28), (62, -184, 25), (67, -146, 22), r0=11, r1=2), A, form='arm', lift=2.2, tags=('camo',))
    d.area('arm.{s}.sleeve.cuff', bar(66, -156, 68, -142, 24, 23, r=2), A + 1, form='cuff', shade='flat', lift=.8)
    d.area('arm.{s}.patch', '52,-219/2 66,-215/2 64,-199/3 56,-196/3 50,-203/3', A + 2, mat='cloth', form='patch', shade='none', lift=.5)
    d.area('hand.{s}', '57,-142/2 78,-143/2 80,-128~ 78,-117/5 68,-111/5 60,-115/4 55,-126/3', A + .5, mat=hand, shade='ball', lift=1.2)
    d.ink('hand.{s}', line((65, -126), (64, -114), w=1.1) + ' | ' + line((71, -126), (71, -113), w=1.1), .55)
    d.dark('arm.{s}.sleeve', lens((48, -192), (58, -186), (72, -190), w=4), .18)
    d.dark('arm.{s}.sleeve', lens((54, -176), (62, -172), (74, -176), w=3), .15)
    d.site('patch.{s}', 'arm.{s}.patch', 58, -208, 1.3, 1.7, 'shield', 'cyl:2')
    d.anchor('hand.{s}', 68, -126)
    d.anchor('shield.{s}', 70, -164)


@part('arm.field.grip', 'arm', attach='shoulder.{s}', origin=(46, -226), note='as arm.field, bent, fist round something upright')
def grip(d, hand='skin'):
    d.area('arm.{s}.sleeve', tube((44, -228, 28), (57, -207, 28), (67, -186, 26), (84, -164, 22), r0=11, r1=2), A, form='arm', lift=2.2, tags=('camo',))
    d.area('arm.{s}.sleeve.cuff', bar(77, -172, 85, -162, 25, 24, r=2), A + 1, form='cuff', shade='flat', lift=.8)
    d.area('arm.{s}.patch', '52,-219/2 66,-215/2 65,-199/3 57,-196/3 50,-203/3', A + 2, mat='cloth', form='patch', shade='none', lift=.5)
    fist(d, 90, -155, -14, w=24, h=27, mat=hand)
    d.ink('hand.{s}', line((80, -158), (100, -164), w=1.1) + ' | ' + line((80.5, -152), (101, -158), w=1.1), .5)
    d.dark('arm.{s}.sleeve', lens((50, -192), (60, -188), (76, -196), w=4), .18)
    d.site('patch.{s}', 'arm.{s}.patch', 58, -208, 1.3, 1.7, 'shield', 'cyl:2')
    d.anchor('hand.{s}', 90, -154)


@part('gear.bedroll', 'gear', attach='neck', origin=(0, -240), note='bedroll over the shoulder and a satchel at the hip')
def bedroll(d):
    if d.front:
        d.area('gear.roll.body', tube((-34, -238, 17), (-8, -206, 18), (22, -178, 18), (44, -152, 16), r0=5, r1=5), S + 4, mat='cloth', form='roll', lift=2.4)
        d.area('gear.roll.tie', bar(-26, -216, -12, -228, 5, r=1) + ' | ' + bar(20, -166, 34, -180, 5, r=1), S + 5, mat='leather', form='tie', shade='none', lift=.8)
        d.dark('gear.roll.body', lens((-24, -222), (0, -196), (34, -162), w=4), .18)
    else:
        d.area('gear.roll.body', tube((34, -240, 17), (6, -208, 18), (-24, -178, 18), (-44, -152, 16), r0=5, r1=5), S + 4, mat='cloth', form='roll', lift=2.4)
        d.area('gear.satchel.body', '-52,-156/4 -16,-152/4 -18,-118/5 -50,-122/5', S + 6, mat='cloth', form='satchel', shade='flat', lift=2.2)
        d.area('gear.satchel.flap', '-54,-159/4 -14,-155/4 -16,-136~ -34,-130~ -53,-139~', S + 7, mat='cloth', form='sflap', shade='flat', lift=1)
        d.area('gear.satchel.buckle', '-38,-139/1 -30,-138/1 -30,-130/1 -38,-131/1', S + 8, mat='metal', shade='none', lift=.6)
        d.site('satchel.flap', 'gear.satchel.flap', -34, -146, 1.6, 1.2, 'rect', 'flat')


@part('gear.radio', 'gear', attach='neck', origin=(0, -240), note='box of a far-speaker on the back, whip and horn')
def radio(d):
    if d.front:
        d.area('gear.radio.whip', bar(-24, -250, -30, -372, 3, 1.6, r=1), Z['behind'] + 2, mat='metal', form='whip', shade='none', lift=1)
        d.both('gear.radio.strap.{s}', '29,-240/1 36,-240/1 40,-196/1 33,-196/1', S + 2, mat='cloth', form='rs.{s}', shade='flat', lift=1)
        return
    P = Z['over'] + 40
    d.area('gear.radio.whip', bar(24, -236, 30, -372, 3, 1.6, r=1), P - 1, mat='metal', form='whip', shade='none', lift=1)
    d.area('gear.radio.box', '-34,-250/4 34,-250/4 34,-186/4 -34,-186/4', P, mat='paint', form='box', shade='flat', lift=3.2)
    d.area('gear.radio.lid', '-34,-250/4 34,-250/4 34,-234/2 -34,-234/2', P + 1, mat='paint', form='lid', shade='flat', lift=1)
    d.area('gear.radio.dials', dots([(-18, -224), (0, -224), (18, -224)], 4.6), P + 1, mat='metal', form='dials', shade='ball', lift=1)
    d.area('gear.radio.cloth', '-24,-214/3 24,-214/3 24,-192/3 -24,-192/3', P + 1, mat='cloth', form='mesh', shade='none', lift=.3)
    d.ink('gear.radio.cloth', ' | '.join(line((-22, y), (22, y), w=.9) for y in (-209, -205, -201, -197)), .45)
    d.area('gear.radio.horn', '36,-240/2 44,-234~ 45,-206~ 38,-194/2 33,-198/2 38,-208~ 37,-230~ 33,-235/2', P + 2, mat='leather', form='horn', shade='cyl', lift=1.4)
    d.site('radio.lid', 'gear.radio.lid', 0, -242, 3, 1, 'rect', 'flat')
