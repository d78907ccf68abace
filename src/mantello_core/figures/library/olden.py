"""Robes, bare chests, scale, kilts, bones and big bellies: what is worn where no regiment was ever clothed."""

from ..part import Z, part
from ..stroke import bar, dots, lens, line, tube
from .arms import fist

A, H, L, T, C, S = Z['arm'], Z['hand'], Z['leg'], Z['torso'], Z['coat'], Z['strap']


@part('torso.robe', 'torso', attach='neck', origin=(0, -240), note='robe to the ground with a long stole and a rope belt')
def robe(d):
    body = '-24,-244 24,-244 42,-238~ 52,-226/6 46,-196~ 38,-168~ 46,-110~ 60,-16/4 30,-6~ 0,-4~ -30,-6~ -60,-16/4 -46,-110~ -38,-168~ -46,-196~ -52,-226/6 -42,-238~'
    d.area('torso.robe.body', body, C, form='robe', shade='cyl', lift=2.2)
    d.area('torso.robe.hem', '-58.6,-28/1 -30,-18~ 0,-16~ 30,-18~ 58.6,-28/1 60,-16/4 30,-6~ 0,-4~ -30,-6~ -60,-16/4', C + 1, form='hem', shade='flat', lift=.7)
    for x0, x1 in ((10, 14), (24, 36), (34, 50)):
        d.dark('torso.robe.body', lens((x0, -150), ((x0 + x1) / 2, -90), (x1, -20), w=6), .17, sym=True)
        d.lite('torso.robe.body', lens((x0 + 6, -146), ((x0 + x1) / 2 + 7, -90), (x1 + 6, -26), w=4), .12, sym=True)
    d.area('gear.rope.belt', '-38,-172/2 0,-168~ 38,-172/2 39,-163/2 0,-158~ -39,-163/2', S, mat='rope', form='rope', shade='cyl', lift=1.2)
    if d.front:
        d.area('torso.robe.neck', '-14,-246 14,-246 8,-232/3 0,-228~ -8,-232/3', C + 2, form='neck', shade='flat', lift=.3)
        d.both('torso.stole.{s}', '12,-246/1 24,-244/1 18,-170~ 21,-60/1 8,-58/1 6,-170~', C + 3, form='stole.{s}', shade='flat', lift=1.2)
        d.both('torso.stole.{s}.end', '8.2,-72/1 20.6,-74/1 21,-60/1 8,-58/1', C + 4, form='send.{s}', shade='flat', lift=.5)
        d.both('torso.stole.{s}.device', '14,-104/1 18,-97/1 14,-90/1 10,-97/1', C + 4, form='sdev.{s}', shade='none', lift=.4)
        d.area('gear.rope.tail', '26,-162/2 32,-162/2 34,-110~ 32,-92/1 27,-92/1 29,-110~', S + 1, mat='rope', form='tail', shade='cyl', lift=1.2)
        d.area('gear.rope.knot', 'e:29,-162,6,6 e:30,-114,4.4,4', S + 2, mat='rope', form='knot', shade='ball', lift=1)
        d.area('gear.charm', 'o:0,-200,6.4', S + 3, mat='metal', form='charm', shade='ball', lift=1)
        d.area('gear.charm.cord', '-11,-236/1 -4,-206/1 -1.6,-206/1 -9,-236/1 | 11,-236/1 4,-206/1 1.6,-206/1 9,-236/1', S + 2.5, mat='rope', form='cord', shade='none', lift=.5)
        d.site('stole.device', 'torso.stole.left', 14, -128, 1.1, 2, 'lozenge', 'flat')
    else:
        d.site('robe.back', 'torso.robe.body', 0, -196, 4, 4, 'disc', 'drape')


@part('torso.bare', 'torso', attach='neck', origin=(0, -240), note='bare chest, baldric, broad belt and loincloth')
def bare(d):
    body = '-20,-245 20,-245 42,-239~ 53,-226/6 49,-206~ 38,-182~ 34,-166/3 36,-148/4 -36,-148/4 -34,-166/3 -38,-182~ -49,-206~ -53,-226/6 -42,-239~'
    d.area('torso.skin', body, C, mat='skin', form='chest', shade='ball', lift=2)
    if d.front:
        d.dark('torso.skin', lens((4, -206), (22, -200), (40, -208), w=4), .2, sym=True)
        d.dark('torso.skin', lens((0, -232), (1, -210), (0, -168), w=3), .16)
        for y in (-190, -178):
            d.dark('torso.skin', lens((3, y), (12, y + 2), (20, y), w=2.4), .14, sym=True)
        d.area('torso.skin.mark', '14,-228/1 24,-226/1 30,-216/1 22,-212/1 18,-219/1', C + 1, mat='paint', form='tattoo', shade='none', lift=0)
        d.area('gear.baldric', '-30,-242/1 -40,-239/2 36,-160/1 34,-176/1', S, mat='leather', form='bald', shade='flat', lift=1.2)
        d.area('gear.baldric.boss', 'o:-6,-208,6', S + 1, mat='metal', form='bboss', shade='ball', lift=1)
        d.area('gear.charm', ' | '.join(f'{x - 2.6},{-231 + abs(x) * -.2}/1 {x + 2.6},{-231 + abs(x) * -.2}/1 {x},{-220 + abs(x) * -.2}/0' for x in (-14, -7, 0, 7, 14)), S + 1, mat='leather', form='teeth', shade='none', lift=.8)
        d.site('chest', 'torso.skin', 24, -214, 2, 2, 'disc', 'dome:6')
    else:
        d.dark('torso.skin', lens((0, -236), (1, -200), (0, -160), w=4), .2)
        d.dark('torso.skin', lens((12, -222), (24, -206), (30, -190), w=4), .16, sym=True)
        d.area('gear.baldric', bar(30, -238, -34, -164, 10, r=1), S, mat='leather', form='bald', shade='flat', lift=1.2)
        d.site('back', 'torso.skin', 20, -210, 3, 3, 'disc', 'dome:8')
    d.area('gear.belt', '-38,-170/2 0,-166~ 38,-170/2 40,-150/2 0,-146~ -40,-150/2', S + 2, mat='leather', form='belt', shade='flat', lift=1.4)
    d.area('torso.loincloth', '-18,-152/1 18,-152/1 22,-104/2 12,-98/1 4,-106/1 -6,-96/1 -16,-104/1 -21,-102/1', S + 1, form='loin', shade='flat', lift=1.4)
    if d.front:
        d.area('gear.belt.buckle', 'o:0,-158,9', S + 3, mat='metal', shade='ball', lift=1.1)


@part('torso.scale', 'torso', attach='neck', origin=(0, -240), note='knee-length shirt of scales, leather edging, belt')
def scale(d):
    body = '-20,-245 20,-245 40,-239~ 51,-227/6 47,-204~ 38,-180~ 36,-166~ 42,-138~ 48,-92/3 0,-84~ -48,-92/3 -42,-138~ -36,-166~ -38,-180~ -47,-204~ -51,-227/6 -40,-239~'
    d.area('torso.scale.body', body, C, mat='mail', form='scale', shade='cyl', lift=2.2)
    scales = []
    for row, y in enumerate(range(-232, -92, 9)):
        wide = 46 if y < -200 else 36 if y > -186 and y < -150 else 40
        scales += [lens((x, y + 4), (x + 4.5, y + 9), (x + 9, y + 4), w=1.3) for x in range(-wide + (4 if row % 2 else 0), wide - 8, 9)]
    d.ink('torso.scale.body', ' | '.join(scales), .45)
    d.area('torso.scale.edge', '-46.4,-102/1 0,-94~ 46.4,-102/1 48,-92/3 0,-84~ -48,-92/3', C + 1, mat='leather', form='edge', shade='flat', lift=.8)
    d.area('torso.scale.collar', '-21,-247/2 0,-250~ 21,-247/2 25,-235/2 0,-228~ -25,-235/2', C + 2, mat='leather', form='collar', shade='flat', lift=1)
    d.area('gear.belt', '-37,-174/1 0,-170~ 37,-174/1 38,-160/1 0,-156~ -38,-160/1', S, mat='leather', form='belt', shade='flat', lift=1.3)
    if d.front:
        d.area('gear.belt.buckle', '-8,-174/2 8,-174/2 8,-156/2 -8,-156/2', S + 1, mat='metal', shade='flat', lift=1)
        d.area('gear.pouch.left', '14,-164/3 33,-166/3 35,-142/5 15,-138/5', S + 2, mat='leather', shade='ball', lift=1.8)
    d.both('torso.scale.strap.{s}', '24,-244/1 36,-242/1 38,-214/2 27,-212/2', C + 3, mat='leather', form='ss.{s}', shade='flat', lift=1)


@part('torso.bones', 'torso', attach='neck', origin=(0, -240), note='ribs, spine and hips in a torn sash of rags')
def ribs_bare(d):
    z = C
    d.area('torso.bones.hollow', '-34,-238/6 34,-238/6 38,-206~ 26,-176/4 -26,-176/4 -38,-206~', z - 2, mat='paint', form='hollow', shade='none', lift=0)
    d.area('torso.bones.spine', ' | '.join(f'-6,{y}/2 6,{y}/2 5,{y + 8}/2 -5,{y + 8}/2' for y in range(-246, -146, 10)), z + (0 if d.front else 4), mat='paint', form='spine', shade='cyl', lift=1)
    ribs = []
    for n, y in enumerate((-232, -219, -206, -193)):
        w = (38, 42, 40, 32)[n]
        ribs.append(f'3,{y}/1 {w * .6},{y - 5}~ {w},{y + 4}~ {w - 4},{y + 13}/2 {w - 7},{y + 9}~ {w * .6},{y + 2}~ 3,{y + 6}/1')
    d.both('torso.bones.ribs.{s}', ' | '.join(ribs), z + 1, mat='paint', form='ribs.{s}', shade='flat', lift=1.4)
    if d.front:
        d.area('torso.bones.breast', '-4,-236/2 4,-236/2 5,-196/2 0,-188/1 -5,-196/2', z + 2, mat='paint', form='breast', shade='cyl', lift=1)
    d.both('torso.bones.collar.{s}', '4,-240/2 30,-244~ 46,-234/3 44,-228/2 28,-237~ 4,-233/2', z + 3, mat='paint', form='collar.{s}', shade='cyl', lift=1.2)
    d.area('torso.bones.hips', '-34,-164/6 -18,-158~ 0,-152~ 18,-158~ 34,-164/6 30,-142/6 12,-136/3 0,-140~ -12,-136/3 -30,-142/6', z + 3, mat='paint', form='hips', shade='ball', lift=1.4)
    d.area('torso.rags', '-36,-172/2 36,-168/2 38,-150/2 30,-112/0 22,-128/0 14,-98/0 4,-122/0 -8,-104/0 -18,-126/0 -28,-108/0 -38,-152/2', S, form='rags', shade='flat', lift=1.6)
    d.dark('torso.rags', lens((-20, -160), (-16, -138), (-18, -116), w=4), .2)
    d.dark('torso.rags', lens((16, -160), (14, -136), (14, -106), w=4), .2)
    d.area('gear.belt', '-37,-174/1 0,-170~ 37,-172/1 38,-163/1 0,-160~ -38,-164/1', S + 1, mat='rope', form='belt', shade='cyl', lift=1)


@part('torso.belly', 'torso', attach='neck', origin=(0, -240), note='great bare belly, crossed straps, plated belt, hide apron')
def belly(d):
    body = '-22,-246 22,-246 48,-240~ 60,-224/8 56,-200~ 58,-176~ 52,-152/6 -52,-152/6 -58,-176~ -56,-200~ -60,-224/8 -48,-240~'
    d.area('torso.skin', body, C, mat='skin', form='belly', shade='ball', lift=2.6)
    if d.front:
        d.dark('torso.skin', lens((6, -212), (28, -206), (48, -214), w=4.4), .2, sym=True)
        d.ink('torso.skin', 'e:0,-178,2,3', .5)
        d.area('gear.strap.cross.left', '30,-244/1 42,-242/1 -40,-160/1 -46,-170/1', S, mat='leather', form='sl', shade='flat', lift=1.2)
        d.area('gear.strap.cross.right', '-30,-244/1 -42,-242/1 40,-160/1 46,-170/1', S + .5, mat='leather', form='sr', shade='flat', lift=1.2)
        d.area('gear.strap.ring', 'o:0,-205,10', S + 1, mat='metal', form='ring', shade='flat', lift=1.2, cut='o:0,-205,5.4')
        d.site('belly', 'torso.skin', 0, -190, 3.2, 2.4, 'disc', 'dome:8')
    else:
        d.dark('torso.skin', lens((0, -240), (1, -200), (0, -164), w=4.4), .2)
        d.area('gear.strap.cross.left', bar(34, -240, -44, -164, 11, r=1), S, mat='leather', form='sl', shade='flat', lift=1.2)
        d.area('gear.strap.cross.right', bar(-34, -240, 44, -164, 11, r=1), S + .5, mat='leather', form='sr', shade='flat', lift=1.2)
    d.area('gear.belt', '-56,-166/3 0,-158~ 56,-166/3 58,-142/3 0,-134~ -58,-142/3', S + 2, mat='leather', form='belt', shade='flat', lift=1.6)
    d.area('gear.belt.plates', ' | '.join(f'{x - 8},{-164 + (18 - abs(x) * .32) * .4:.1f}/2 {x + 8},{-164 + (18 - abs(x) * .32) * .4:.1f}/2 {x + 8},{-142 + (18 - abs(x) * .32) * .4:.1f}/2 {x - 8},{-142 + (18 - abs(x) * .32) * .4:.1f}/2' for x in (-42, -21, 0, 21, 42)), S + 3, mat='metal', form='plates', shade='flat', lift=1)
    d.area('torso.apron.hide', '-30,-146/2 30,-146/2 34,-92/4 18,-84/2 8,-92/2 -4,-80/2 -16,-90/2 -32,-88/4', S + 1, mat='fur', form='hide', shade='flat', lift=1.6, tex='fur')


@part('legs.kilt', 'legs', attach='hip', origin=(0, -150), note='pleated kilt, bare knees, hose with garters, brogues')
def kilt(d):
    d.both('leg.{s}.knee', '6,-90 38,-90 38,-62 8,-62', L, mat='skin', form='knee.{s}', shade='cyl', lift=.4)
    d.both('leg.{s}.hose', '7,-70/2 39,-70/2 41,-50~ 37,-28~ 38,-14 8,-14 9,-28~ 5,-50~', L + 1, form='hose.{s}', lift=1)
    d.both('leg.{s}.hose.top', '5,-72/2 40,-72/2 41,-60/2 5,-60/2', L + 2, form='ht.{s}', shade='flat', lift=.9)
    d.both('leg.{s}.garter', '34,-62/1 42,-62/1 44,-44/0 38,-49/0 35,-44/0', L + 3, mat='cloth', form='flash.{s}', shade='none', lift=.6)
    d.both('leg.{s}.shoe', '6,-15 38,-16 49,-7/4 50,1/3 46,4/2 9,4/3 5,-4/3', L + 1.5, mat='leather', form='shoe.{s}', shade='ball', lift=1.8)
    if d.front:
        d.both('leg.{s}.shoe.buckle', '18,-10/1 29,-11/1 29,-3/1 18,-2/1', L + 2.5, mat='metal', form='buckle.{s}', shade='flat', lift=.7)
    k = C - 20
    full = '-37,-168 37,-168 46,-130~ 56,-84/3 28,-78~ 0,-76~ -28,-78~ -56,-84/3 -46,-130~'
    d.area('leg.left.kilt', full, k, form='kilt', shade='cyl', lift=2, clip='0,-300 200,-300 200,0 0,0')
    d.area('leg.right.kilt', full, k, form='kilt', shade='cyl', lift=2, clip='-200,-300 0,-300 0,0 -200,0')
    if d.front:
        d.area('leg.left.kilt.apron', '-20,-166 30,-166 34,-79/1 -26,-78/1', k + 1, form='apron', shade='flat', lift=.8)
        d.area('gear.pouch.fur', '-13,-146/4 13,-146/4 15,-116~ 8,-100/5 -8,-100/5 -15,-116~', S + 5, mat='fur', form='pouch', shade='ball', lift=2, tex='fur')
        d.area('gear.pouch.top', '-13,-148/3 13,-148/3 13,-138/2 -13,-138/2', S + 6, mat='metal', form='ptop', shade='flat', lift=1)
        d.area('gear.pouch.tassel', dots([(-6, -124), (0, -120), (6, -124)], 3), S + 6, mat='hair', form='ptas', shade='ball', lift=.8)
    else:
        for x in range(-34, 40, 11):
            d.dark('leg.*.kilt', lens((x * .8, -160), (x, -120), (x * 1.35, -80), w=3), .2)
    for x in (30, 38):
        d.dark('leg.*.kilt', lens((x * .9, -160), (x, -124), (x * 1.3, -84), w=3), .18, sym=True)


@part('legs.sandals', 'legs', attach='hip', origin=(0, -150), note='bare legs, thonged sandals')
def sandals(d):
    d.both('leg.{s}.skin', '0,-164 34,-164 40,-138~ 40,-106~ 37,-84 40,-58~ 36,-26~ 36,-8 47,-4/4 48,2/3 9,2/3 9,-26~ 5,-58~ 9,-84 6,-106~ 0,-136/2', L, mat='skin', form='leg.{s}', lift=.6)
    d.both('leg.{s}.sandal.sole', '6,-2/2 50,-3/3 50,5/2 7,5/2', L + 1, mat='leather', form='sole.{s}', shade='flat', lift=1)
    d.both('leg.{s}.sandal.thong', ' | '.join((bar(8, -20, 38, -24, 4.4, r=1), bar(6, -42, 40, -36, 4.4, r=1), bar(5, -52, 41, -60, 4.4, r=1), bar(7, -74, 40, -68, 4.4, r=1), bar(18, -6, 40, -9, 5, r=1))), L + 2, mat='leather', form='thong.{s}', shade='none', lift=.9)
    if d.front:
        d.dark('leg.*.skin', lens((12, -92), (23, -86), (34, -92), w=3.4), .18, sym=True)
        d.ink('leg.*.skin', ' | '.join(line((x, -3), (x + 1, 2), w=1) for x in (30, 35, 40, 44)), .4, sym=True)
    else:
        d.dark('leg.*.skin', lens((16, -70), (22, -52), (20, -34), w=5), .18, sym=True)


@part('legs.bones', 'legs', attach='hip', origin=(0, -150), note='leg bones in rotten boots')
def bones(d):
    d.both('leg.{s}.bone.thigh', tube((18, -154, 15), (22, -128, 9), (23, -96, 12), r0=6, r1=5), L, mat='paint', form='th.{s}', lift=1.2)
    d.both('leg.{s}.bone.knee', 'e:23,-88,9,8', L + 2, mat='paint', form='kn.{s}', shade='ball', lift=1)
    d.both('leg.{s}.bone.shin', tube((19, -84, 8), (18, -60, 6), (20, -34, 8), r0=3, r1=3) + ' | ' + tube((28, -82, 6), (30, -60, 4.6), (27, -34, 6), r0=3, r1=3), L, mat='paint', form='sh.{s}', lift=1)
    d.both('leg.{s}.boot', '8,-46/3 20,-40/1 30,-48/1 38,-42/3 36,-20 47,-9/5 49,0/3 45,3/2 9,3/3 7,-6/3 9,-22', L + 3, mat='leather', form='boot.{s}', shade='cyl', lift=1.6)
    d.both('leg.{s}.boot.wrap', bar(8, -24, 37, -28, 5, r=1) + ' | ' + bar(8, -34, 37, -37, 4, r=1), L + 4, mat='rope', form='wrap.{s}', shade='none', lift=.8)


@part('legs.baggy', 'legs', attach='hip', origin=(0, -150), note='baggy patched trousers in iron-capped boots')
def baggy(d):
    d.both('leg.{s}.trousers', '0,-164 38,-164 48,-134~ 52,-100~ 48,-66~ 40,-52/5 8,-52/5 2,-70~ -2,-104~ 0,-136/2', L, form='trs.{s}', lift=1)
    d.both('leg.{s}.trousers.patch', '26,-118/2 42,-116/2 41,-94/2 25,-97/2', L + 1, form='patch.{s}', shade='none', lift=.5)
    d.both('leg.{s}.boot', '6,-60/3 42,-60/3 42,-36~ 43,-20 54,-9/6 56,1/3 50,4/2 6,4/3 2,-6/4 5,-22', L + 2, mat='leather', form='boot.{s}', shade='cyl', lift=1.6)
    d.both('leg.{s}.boot.cap', '36,-16/3 46,-14~ 55,-6/5 56,1/3 50,4/2 35,4/2', L + 3, mat='metal', form='cap.{s}', shade='ball', lift=1)
    d.both('leg.{s}.boot.strap', bar(5, -46, 43, -46, 7, r=1) + ' | ' + bar(5, -28, 43, -30, 7, r=1), L + 3, mat='leather', form='strap.{s}', shade='flat', lift=.9)
    d.both('leg.{s}.boot.buckle', 'o:34,-46,4 o:34,-29,4', L + 4, mat='metal', form='bk.{s}', shade='ball', lift=.7)
    d.dark('leg.*.trousers', lens((8, -76), (24, -68), (44, -76), w=5), .2, sym=True)
    d.dark('leg.*.trousers', lens((10, -140), (20, -116), (18, -92), w=5), .16, sym=True)


@part('arm.bare', 'arm', attach='shoulder.{s}', origin=(46, -226), note='bare arm with an armband and a wrapped wrist, hangs')
def arm(d):
    d.area('arm.{s}.skin', tube((44, -226, 30), (57, -206, 30), (63, -184, 24), (66, -162, 26), (68, -140, 18), r0=13, r1=4), A, mat='skin', form='arm', lift=2.2)
    d.area('arm.{s}.band', bar(46, -201, 71, -208, 8, r=2), A + 2, mat='metal', form='band', shade='cyl', lift=1)
    d.area('arm.{s}.wrap', bar(66, -158, 68.4, -140, 25, 20, r=2), A + 2, mat='leather', form='wrap', shade='cyl', lift=1)
    d.ink('arm.{s}.wrap', ' | '.join(line((55, y), (79, y - 3), w=1) for y in (-153, -147)), .4)
    d.area('hand.{s}', '57,-142/2 78,-143/2 80,-128~ 78,-117/5 68,-111/5 60,-115/4 55,-126/3', A + .5, mat='skin', shade='ball', lift=1.2)
    d.ink('hand.{s}', line((65, -126), (64, -114), w=1.1) + ' | ' + line((71, -126), (71, -113), w=1.1), .55)
    d.dark('arm.{s}.skin', lens((50, -190), (60, -184), (72, -190), w=3), .2)
    d.site('arm.{s}', 'arm.{s}.skin', 58, -218, 1.4, 1.2, 'rect', 'cyl:2')
    d.anchor('hand.{s}', 68, -126)
    d.anchor('shield.{s}', 70, -164)


@part('arm.bare.grip', 'arm', attach='shoulder.{s}', origin=(46, -226), note='as arm.bare, bent, fist round something upright')
def arm_grip(d):
    d.area('arm.{s}.skin', tube((44, -226, 30), (58, -206, 30), (68, -185, 25), (82, -167, 22), r0=13, r1=4), A, mat='skin', form='arm', lift=2.2)
    d.area('arm.{s}.band', bar(46, -200, 72, -209, 8, r=2), A + 2, mat='metal', form='band', shade='cyl', lift=1)
    d.area('arm.{s}.wrap', bar(72, -180, 84, -164, 25, 22, r=2), A + 2, mat='leather', form='wrap', shade='cyl', lift=1)
    fist(d, 90, -155, -14, w=25, h=28)
    d.ink('hand.{s}', line((80, -158), (100, -164), w=1.1) + ' | ' + line((80.5, -152), (101, -158), w=1.1), .5)
    d.dark('arm.{s}.skin', lens((52, -192), (62, -186), (76, -193), w=4), .2)
    d.site('arm.{s}', 'arm.{s}.skin', 58, -218, 1.4, 1.2, 'rect', 'cyl:2')
    d.anchor('hand.{s}', 90, -154)


@part('arm.robe', 'arm', attach='shoulder.{s}', origin=(46, -226), note='wide hanging sleeve with a turned edge, fist round something upright')
def arm_robe(d):
    d.area('arm.{s}.sleeve', '30,-238/4 48,-240~ 62,-222~ 74,-196~ 98,-166/3 96,-136~ 84,-104/3 70,-110~ 58,-146~ 44,-188~ 36,-208~', A, form='sleeve', shade='cyl', lift=2.4)
    d.area('arm.{s}.sleeve.edge', '98,-166/2 96,-136~ 84,-104/2 77,-107/1 88,-137~ 90,-166/2', A + 1, form='edge', shade='flat', lift=.8)
    fist(d, 92, -155, -14, w=22, h=25)
    d.ink('hand.{s}', line((82, -158), (102, -164), w=1.1) + ' | ' + line((82.5, -152), (102, -158), w=1.1), .5)
    d.dark('arm.{s}.sleeve', lens((50, -206), (62, -170), (74, -122), w=6), .18)
    d.dark('arm.{s}.sleeve', lens((60, -206), (76, -176), (86, -140), w=4), .14)
    d.anchor('hand.{s}', 92, -154)


@part('arm.bones', 'arm', attach='shoulder.{s}', origin=(46, -226), note='arm bones, hand round something upright')
def arm_bones(d):
    d.area('arm.{s}.bone.upper', tube((46, -228, 14), (56, -208, 8), (66, -188, 11), r0=6, r1=5), A, mat='paint', form='upper', lift=1.4)
    d.area('arm.{s}.bone.lower', tube((66, -188, 7), (76, -174, 5), (85, -162, 7), r0=3, r1=3) + ' | ' + tube((72, -192, 6), (82, -179, 4.6), (89, -167, 6), r0=3, r1=3), A + 1, mat='paint', form='lower', lift=1)
    d.area('arm.{s}.bone.elbow', 'e:68,-189,7.4,7', A + 2, mat='paint', form='elbow', shade='ball', lift=1)
    d.area('hand.{s}', ' | '.join(bar(80, y, 101, y - 6, 5.4, r=2) for y in (-161, -154.6, -148.2, -142)), H, mat='paint', form='fingers', shade='cyl', lift=1.2)
    d.area('arm.{s}.rag', '34,-238/2 52,-240~ 62,-226/2 60,-206/0 54,-216/0 48,-202/0 42,-214/0 36,-206/0', A + 3, form='rag', shade='flat', lift=1.4)
    d.anchor('hand.{s}', 90, -154)


@part('cloak.cape', 'cloak', attach='neck', origin=(0, -240), note='short cape to the hips, lined, with a rolled collar')
def cape(d):
    if d.front:
        b = Z['behind'] + 10
        d.area('cloak.lining', '-44,-236 44,-236 62,-200~ 70,-130/4 0,-120~ -70,-130/4 -62,-200~', b, form='clin', shade='none', lift=2)
        d.both('cloak.body', '30,-244/2 46,-240~ 64,-216~ 74,-128/3 60,-124/2 54,-190~ 38,-226~', Z['over'] + 1, form='cb.{s}', shade='cyl', lift=2)
        d.area('cloak.clasp', 'o:-22,-238,6 o:22,-238,6', Z['over'] + 4, mat='metal', form='cl', shade='ball', lift=1.2)
        d.area('cloak.clasp.chain', '-20,-236/1 0,-224~ 20,-236/1 20,-233/1 0,-220~ -20,-233/1', Z['over'] + 3, mat='metal', form='chain', shade='none', lift=.8)
    else:
        m = Z['over'] + 20
        d.area('cloak.body', '-30,-246 30,-246 50,-240~ 66,-214~ 76,-128/3 38,-116~ 0,-112~ -38,-116~ -76,-128/3 -66,-214~ -50,-240~', m, form='cb', shade='cyl', lift=2.6)
        d.area('cloak.trim', '75,-138/1 76,-128/3 38,-116~ 0,-112~ -38,-116~ -76,-128/3 -75,-138/1 -38,-126~ 0,-122~ 38,-126~', m + 1, form='ctr', shade='flat', lift=.6)
        for x0, x1 in ((-34, -46), (-8, -10), (20, 26), (42, 58)):
            d.dark('cloak.body', lens((x0, -216), ((x0 + x1) / 2, -170), (x1, -122), w=6), .15)
        d.site('cape.back', 'cloak.body', 0, -180, 5, 5, 'shield', 'drape')
    d.area('cloak.collar', '-30,-252/4 0,-258~ 30,-252/4 34,-236/4 0,-228~ -34,-236/4', Z['over'] + (2 if d.front else 32), mat='fur', form='ccol', shade='ball', lift=1.6, tex='fur', cut='-14,-256 14,-256 10,-236 -10,-236' if d.front else '')


@part('cloak.wings', 'cloak', attach='neck', origin=(0, -240), note='a pair of feathered wings, folded out')
def wings(d):
    z = Z['behind'] + 8 if d.front else Z['over'] + 20
    d.both('cloak.wing.{s}.long', ' | '.join(f'{30 + i * 12},{-232 - i * 6}/3 {44 + i * 13},{-240 - i * 6}/3 {62 + i * 14},{-120 + i * 8}~ {56 + i * 13},{-92 + i * 9}/4 {46 + i * 12},{-118 + i * 6}~' for i in range(6)), z, mat='feather', form='long.{s}', shade='flat', lift=1.6)
    d.both('cloak.wing.{s}.short', ' | '.join(f'{28 + i * 13},{-240 - i * 7}/3 {44 + i * 13},{-248 - i * 7}/3 {52 + i * 14},{-180 - i * 3}~ {46 + i * 13},{-164 - i * 3}/4 {36 + i * 12},{-186 - i * 3}~' for i in range(6)), z + 1, mat='feather', form='short.{s}', shade='flat', lift=1.4)
    d.both('cloak.wing.{s}.arm', tube((20, -228, 17), (46, -254, 18), (84, -284, 15), (118, -278, 10), r0=6, r1=5), z + 2, mat='feather', form='warm.{s}', shade='cyl', lift=2)
