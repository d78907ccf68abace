"""What musicians, artificers and irregulars carry and wear."""
import math

from ..part import Z, part
from ..stroke import bar, dots, lens, line, tube
from .arms import fist
from .heads import face

S, T, C, L, A, W, N = Z['strap'], Z['torso'], Z['coat'], Z['leg'], Z['arm'], Z['weapon'], Z['head']


@part('gear.drum', 'gear', attach='neck', origin=(0, -240), note='rope-tensioned side drum on a shoulder belt')
def drum(d):
    if d.front:
        z = S + 40
        d.area('gear.strap.drum', '28,-242 38,-240 -8,-150/1 -24,-150/1', S, mat='leather', form='db', shade='flat', lift=1.2)
        d.area('gear.strap.plate', 'e:8,-201,7,8.4', S + 2, mat='metal', shade='ball', lift=1.1)
        d.area('gear.drum.shell', '-37,-146/1 37,-146/1 36,-92/1 0,-87~ -36,-92/1', z, mat='wood', form='shell', shade='cyl', lift=3.4)
        d.area('gear.drum.head', 'e:0,-149,36,7', z + 1, mat='leather', shade='none', lift=0)
        d.area('gear.drum.hoop', '-40,-151/2 0,-143~ 40,-151/2 40,-139/2 0,-131~ -40,-139/2 | -39,-101/2 0,-95~ 39,-101/2 39,-89/2 0,-83~ -39,-89/2', z + 3, mat='wood', form='hoop', shade='cyl', lift=1.4)
        tops = [-30, -15, 0.01, 15, 30]
        ropes = []
        for a, b in zip(tops, tops[1:]):
            m, sag = (a + b) / 2, 8 * (1 - (abs(a + b) / 80) ** 2)
            ropes += [bar(a, -140 + sag, m, -99 + sag * .6, 2.4), bar(m, -99 + sag * .6, b, -140 + sag, 2.4)]
        d.area('gear.drum.cord', ' | '.join(ropes), z + 2, mat='rope', shade='none', lift=.7, merge=True)
        d.area('gear.drum.ears', ' | '.join(f'{x - 3},{y}/1 {x + 3},{y}/1 {x + 2},{y + 8}/1 {x - 2},{y + 8}/1' for x, y in ((-22.5, -114), (-7.5, -110), (7.5, -110), (22.5, -114))), z + 2.5, mat='leather', shade='none', lift=.6)
        d.site('drum.shell', 'gear.drum.shell', 0, -118, 3.4, 3.2, 'shield', 'cyl:37')
    else:
        d.area('gear.strap.drum', bar(29.5, -236, -36, -158, 10.5, r=1), S + 1, mat='leather', form='db', shade='flat', lift=1.2)
        d.area('gear.strap.buckle', bar(0, -201, 6, -208, 15, r=1.5), S + 2, mat='metal', shade='flat', lift=.8)


@part('weapon.drumstick', 'weapon', attach='hand.{s}', note='a drumstick, tip toward the drum')
def drumstick(d):
    z = W if d.front else Z['behind'] + 8
    d.area('gear.drum.sticks', bar(8, 8, -36, -22, 4.6, 3, r=1) + ' | o:-38,-23.4,4', z, mat='wood', shade='none', lift=1.4, merge=True)


@part('torso.apron', 'torso', attach='neck', origin=(0, -240), note='work shirt, leather apron with pockets, tool belt')
def apron(d):
    d.area('torso.tunic', '-36,-164 36,-164 44,-136~ 50,-110/2 30,-104/2 4,-104/2 0,-112/1 -4,-104/2 -30,-104/2 -50,-110/2 -44,-136~', T + 1, form='tunic', lift=2)
    d.both('torso.shirt.{s}', '0,-244/0 20,-243~ 38,-238~ 51,-228/6 48,-204~ 38,-180~ 36,-164~ 39,-148/2 0,-146/0', C, form='shirt.{s}', lift=2)
    d.both('torso.shirt.collar.{s}', '1,-236/1 8,-252/2 22,-253/3 26,-238/2 12,-228/2', C + 10, form='collar', shade='flat', lift=1.2)
    if d.front:
        z = S + 4
        d.area('torso.apron.body', '-23,-222/3 23,-222/3 29,-176~ 41,-152~ 45,-74/5 0,-68~ -45,-74/5 -41,-152~ -29,-176~', z, mat='leather', form='apron', shade='cyl', lift=2.4)
        d.area('torso.apron.bib', '-24,-225/3 24,-225/3 25,-214/2 -25,-214/2', z + 1, mat='leather', form='bib', shade='flat', lift=.8)
        d.area('gear.strap.apron', bar(20, -219, 31, -242, 7, r=1) + ' | ' + bar(-20, -219, -31, -242, 7, r=1), S + 3, mat='leather', shade='none', lift=.8)
        d.area('torso.apron.studs', dots([(19, -219.5), (-19, -219.5)], 2.8), z + 2, mat='metal', shade='none', lift=.6)
        d.area('gear.belt', '-37.4,-173/1 0,-170~ 37.4,-173/1 39,-160/1 0,-157~ -39,-160/1', z + 3, mat='leather', form='belt', shade='flat', lift=1.3)
        d.area('gear.belt.buckle', '-8,-174/2 8,-174/2 8,-155/2 -8,-155/2', z + 4, mat='metal', shade='flat', lift=1)
        d.area('torso.apron.pocket', '-34,-134/2 -6,-134/2 -8,-104/4 -32,-106/4', z + 5, mat='leather', form='pocket', shade='flat', lift=1.2)
        d.area('gear.knife.grip', bar(-24, -150, -23, -132, 6, r=2) + ' | ' + bar(-14, -146, -14, -132, 5, r=2), z + 4.5, mat='wood', shade='none', lift=.9)
        d.area('gear.pouch', '12,-160/3 34,-161/3 36,-136/5 14,-134/5', z + 5, mat='leather', form='pouch', shade='ball', lift=1.7)
        d.area('gear.pouch.flap', '11,-162/2 35,-164/2 36,-149/4 24,-145~ 12,-148/4', z + 6, mat='leather', form='flap', shade='flat', lift=.9)
        d.area('gear.pouch.stud', 'o:24,-149,2.6', z + 7, mat='metal', shade='none', lift=.6)
        d.dark('torso.apron.body', lens((18, -132), (24, -108), (26, -80), w=5), .16)
        d.dark('torso.apron.body', lens((-24, -100), (-20, -88), (-22, -76), w=4), .16)
        d.lite('torso.apron.body', lens((2, -140), (4, -112), (3, -82), w=4), .12)
        d.site('apron.bib', 'torso.apron.body', 0, -196, 2.6, 2.6, 'disc', 'cyl:6')
    else:
        d.area('gear.strap.apron', bar(29, -240, -14, -160, 7, r=1) + ' | ' + bar(-29, -240, 14, -160, 7, r=1), S, mat='leather', shade='none', lift=.9, merge=True)
        d.area('gear.belt', '-37.4,-172/1 0,-169~ 37.4,-172/1 39,-159/1 0,-156~ -39,-159/1', S + 3, mat='leather', form='belt', shade='flat', lift=1.3)
        d.area('torso.apron.ties', '-3,-168/1 3,-168/1 8,-128/1 2,-124/1 | -2,-168/1 3,-168/1 -5,-118/1 -11,-121/1', S + 4, mat='leather', shade='none', lift=1)
        d.area('torso.apron.knot', 'e:0,-165,7,5', S + 5, mat='leather', shade='ball', lift=1.2)
        d.area('torso.apron.edge', '50,-110/2 44,-136~ 38,-158/1 33,-158/1 38,-134~ 42,-106/2 | -50,-110/2 -44,-136~ -38,-158/1 -33,-158/1 -38,-134~ -42,-106/2', T + 2, mat='leather', shade='none', lift=1)
        d.dark('torso.tunic', lens((10, -150), (16, -128), (18, -108), w=4), .18, sym=True)
    d.dark('torso.shirt', lens((46, -206), (40, -194), (34, -174), w=4.6), .18, sym=True)
    d.dark('torso.shirt', lens((34, -222), (30, -206), (30, -184), w=4), .13, sym=True)


@part('head.goggles', 'head', attach='neck', origin=(0, -240), note='leather coif with brass goggles pushed up')
def goggles(d):
    face(d, moustache=True)
    z = N + 10
    if d.front:
        d.area('head.hat.body', '-28,-268 -29,-292~ -20,-313~ 0,-319~ 20,-313~ 29,-292~ 28,-268 24,-272~ 20,-286~ 0,-290~ -20,-286~ -24,-272~', z, mat='leather', form='coif', shade='ball', lift=1.6)
        d.area('head.hat.seam', tube((0, -289, 4), (0.5, -304, 4), (0, -318, 4)), z + 1, mat='rope', shade='none', lift=.5)
        d.area('head.hat.flap', '25,-276/1 29,-274/2 31,-254~ 25,-238/3 20,-244~ 23,-258~ | -25,-276/1 -29,-274/2 -31,-254~ -25,-238/3 -20,-244~ -23,-258~', z + 1, mat='leather', form='flap', shade='flat', lift=1.2)
        d.area('head.hat.band', '-30,-305/1 0,-301~ 30,-305/1 30,-295/1 0,-291~ -30,-295/1', z + 2, mat='leather', form='band', shade='cyl', lift=1)
        d.area('head.goggles.rim', 'o:-12.5,-299,10.4 o:12.5,-299,10.4', z + 3, mat='metal', form='rim', shade='flat', lift=1.8)
        d.area('head.goggles.lens', 'o:-12.5,-299,6.6 o:12.5,-299,6.6', z + 4, mat='glass', shade='none', lift=0)
        d.area('head.goggles.bridge', '-4,-302/1 4,-302/1 4,-297/1 -4,-297/1', z + 3.5, mat='metal', shade='none', lift=.8)
        d.lite('head.goggles.lens', 'e:-14.5,-301.5,2,2.6 e:10.5,-301.5,2,2.6', .5)
        d.ink('head.hat.body', lens((-20, -306), (-12, -315), (-4, -317), w=1.4), .3)
    else:
        d.area('head.hat.body', '-29,-264/2 -30,-292~ -20,-313~ 0,-319~ 20,-313~ 30,-292~ 29,-264/2 20,-252/4 0,-249~ -20,-252/4', z, mat='leather', form='coif', shade='ball', lift=1.6)
        d.area('head.hat.seam', tube((0, -252, 4), (0.5, -284, 4), (0, -318, 4)), z + 1, mat='rope', shade='none', lift=.5)
        d.area('head.hat.flap', '25,-266/1 30,-266/2 31,-250~ 25,-238/3 18,-250/1 | -25,-266/1 -30,-266/2 -31,-250~ -25,-238/3 -18,-250/1', z - 1, mat='leather', form='flap', shade='flat', lift=1.2)
        d.area('head.hat.band', '-30.6,-304/1 0,-300~ 30.6,-304/1 30.6,-294/1 0,-290~ -30.6,-294/1', z + 2, mat='leather', form='band', shade='cyl', lift=1)
        d.area('head.hat.buckle', '-6,-304/1.5 6,-304/1.5 6,-288/1.5 -6,-288/1.5', z + 3, mat='metal', shade='flat', lift=.9, cut='-3,-300/1 3,-300/1 3,-292/1 -3,-292/1')


def _rolled(d):
    d.area('arm.{s}.forearm', tube((58, -206, 22), (67, -186, 21), (83, -166, 17), r0=4, r1=2), A, mat='skin', form='arm', lift=1.6)
    d.area('arm.{s}.sleeve', tube((44, -228, 28), (52, -215, 28), (59, -202, 26), r0=11, r1=2), A + 1, form='sleeve', lift=2.2)
    d.area('arm.{s}.roll', bar(55, -208, 61.5, -196, 29, 28, r=4), A + 2, form='roll', lift=1.4)
    d.dark('arm.{s}.roll', bar(54, -202, 66, -209, 2.4), .22)
    d.dark('arm.{s}.sleeve', lens((48, -212), (56, -210), (66, -216), w=3), .18)


@part('arm.rolled', 'arm', attach='shoulder.{s}', origin=(46, -226), note='sleeve rolled to the elbow, bare forearm, fist round something upright')
def rolled(d, hand='skin'):
    _rolled(d)
    fist(d, 90, -155, -14, w=24, h=27, mat=hand)
    d.area('arm.{s}.wristband', bar(78, -172, 83.5, -165.5, 20, 19, r=2), A + 3, mat='leather', form='band', shade='cyl', lift=.9)
    d.ink('hand.{s}', line((80, -158), (100, -164), w=1.1) + ' | ' + line((80.5, -152), (101, -158), w=1.1) + ' | ' + line((82, -146), (101, -151.5), w=1.1), .5)
    d.anchor('hand.{s}', 90, -154)
    d.anchor('shield.{s}', 86, -170)


@part('weapon.greatkey', 'weapon', attach='hand.right', note='winding key as tall as a man, for mainsprings', plant=159)
def greatkey(d):
    d.area('weapon.pole', '-4.4,-96 4.4,-96 4.4,150 -4.4,150', W, mat='wood', form='pole', lift=1.4)
    d.area('weapon.pole.shoe', '-6,138/1 6,138/1 5,158/1 -5,158/1', W + 2, mat='metal', shade='flat', lift=.8)
    d.area('weapon.pole.grip', bar(0, -18, 0, 26, 11, r=2), W + 2, mat='leather', form='grip', shade='cyl', lift=.8)
    bow = 'o:-19,-150,19 o:19,-150,19 | -8,-142/2 8,-142/2 7,-92/2 -7,-92/2'
    d.area('weapon.head', bow, W + 4, mat='metal', form='bow', shade='flat', lift=1.6, merge=True, cut='o:-19,-150,9 o:19,-150,9')
    d.area('weapon.head.collar', '-10,-118/2 10,-118/2 10,-110/2 -10,-110/2 | -9,-100/2 9,-100/2 9,-92/2 -9,-92/2', W + 5, mat='metal', shade='flat', lift=.9)
    d.area('weapon.head.teeth', '6,112/0 22,112/1 22,122/1 13,122/.6 13,128/.6 22,128/1 22,138/1 6,138/0', W + 1, mat='metal', form='teeth', shade='flat', lift=1)
    d.lite('weapon.head', lens((-32, -158), (-22, -167), (-10, -163), w=2.4), .35)


@part('head.headcloth', 'head', attach='neck', origin=(0, -240), note='knotted headcloth and a short beard')
def headcloth(d):
    face(d, moustache=True, beard=True)
    z = N + 10
    d.area('head.hat.body', '-27,-280 -29,-296~ -20,-314~ 0,-319~ 20,-314~ 29,-296~ 27,-280', z, form='cloth', shade='ball', lift=1.4)
    d.area('head.hat.band', '-29.5,-292/2 0,-297~ 29.5,-292/2 28.5,-279/2 0,-284~ -28.5,-279/2', z + 1, form='band', shade='flat', lift=.9)
    d.dark('head.hat.body', lens((-18, -309), (-6, -303), (8, -306), w=2.6), .18)
    d.dark('head.hat.body', lens((22, -304), (10, -300), (-4, -300), w=2.4), .16)
    if d.front:
        d.area('head.hat.earring', 'o:-28,-257,3.6', z + 2, mat='metal', shade='none', lift=.7, cut='o:-28,-257,1.7')
    r = z + 6
    d.area('head.hat.tail', '24,-288/2 36,-282~ 45,-262~ 43,-244/1 36,-250/1 32,-246/1 30,-264~ 23,-279/2' if d.front else
           '-3,-288/2 8,-288/2 14,-262~ 16,-236/1 9,-242/1 3,-236/1 0,-262~ | -2,-288/2 -10,-287/2 -14,-266~ -20,-246/1 -11,-248/1 -6,-244/1 -3,-266~', r if not d.front else N - 2, form='tail', shade='flat', lift=1.2)
    if not d.front:
        d.area('head.hat.knot', 'e:0,-287,8,6', r + 1, shade='ball', lift=1.3)


@part('legs.wraps', 'legs', attach='hip', origin=(0, -150), note='wide breeches, bare knees, bound shins, rope shoes')
def wraps(d):
    d.both('leg.{s}.breeches', '0,-164 33,-164 41,-138~ 44,-106~ 44,-84/3 6,-82/3 4,-106~ 0,-136/2', L + 2, form='thigh.{s}', lift=1.6)
    d.both('leg.{s}.knee', '10,-92 39,-92 38,-60 9,-60', L, mat='skin', form='knee.{s}', lift=0)
    d.both('leg.{s}.wrap', '8,-68/2 38,-68/2 39,-56~ 37,-32~ 35,-14/2 11,-14/2 10,-32~ 6,-56~', L + 1, mat='cloth', form='shin.{s}', lift=1.2)
    d.both('leg.{s}.wrap.cord', ' | '.join(bar(6.5, y, 39, y - 8, 2.8) for y in (-52, -38, -24)) + ' | ' + ' | '.join(bar(6.5, y - 8, 39, y, 2.8) for y in (-52, -38, -24)), L + 3, mat='rope', shade='none', lift=.6, merge=True, clip='8,-68 38,-68 39,-56 37,-32 35,-14 11,-14 10,-32 6,-56')
    d.both('leg.{s}.shoe', '8,-15/2 36,-16/3 48,-7/4 50,1/3 46,4/2 9,4/3 6,-3/3', L + 2, mat='rope', form='shoe.{s}', shade='flat', lift=1.6)
    d.both('leg.{s}.shoe.sole', '7,-2/1 50,-3/2 50,4/2 8,4/2', L + 3, mat='leather', form='sole.{s}', shade='flat', lift=.4)
    d.dark('leg.*.breeches', lens((10, -100), (24, -94), (40, -101), w=4), .16, sym=True)
    d.dark('leg.*.breeches', lens((8, -132), (18, -114), (20, -94), w=4), .15, sym=True)
    d.lite('leg.*.breeches', lens((30, -140), (36, -120), (38, -98), w=3.4), .12)


@part('weapon.sickle', 'weapon', attach='hand.right', note='reed sickle on a short haft')
def sickle(d):
    d.area('weapon.pole', '-4,-40 4,-40 4.4,34/2 -4.4,34/2', W, mat='wood', form='haft', shade='cyl', lift=1.2)
    d.area('weapon.pole.binding', bar(0, 16, 0, 32, 10, r=1), W + 1, mat='rope', form='bind', shade='cyl', lift=.8)
    d.area('weapon.blade', '-4,-38/1 5,-38/1 6,-58~ 22,-96~ 8,-132~ -24,-146/0 2,-120~ 8,-96~ -2,-64~', W + 2, mat='metal', form='blade', shade='flat', lift=1.2)
    d.area('weapon.blade.edge', '-2,-64~ 8,-96~ 2,-120~ -24,-146/0 -3,-119~ 2.6,-96~ -6,-62/0', W + 3, mat='metal', form='edge', shade='none', lift=0)
    d.area('weapon.head.collar', '-7,-46/1.5 7,-46/1.5 7,-36/1.5 -7,-36/1.5', W + 4, mat='metal', shade='flat', lift=.8)


@part('shield.wicker', 'shield', attach='shield.left', note='round shield of woven reed with an iron boss')
def wicker(d):
    z = Z['shield'] if d.front else Z['behind'] - 20
    rings = ((46, 38), (38, 30), (30, 22), (22, 0))
    d.area('shield.rim', 'o:0,0,50', z, mat='leather', form='rim', shade='flat', lift=3)
    if not d.front:
        d.area('shield.back', 'o:0,0,45', z + 1, mat='rope', form='back', shade='flat', lift=.5)
        d.area('shield.strap', bar(-30, -12, 30, -8, 8, r=1) + ' | ' + bar(-28, 18, 28, 15, 7, r=1), z + 2, mat='leather', shade='none', lift=1)
        return
    for index, (outer, inner) in enumerate(rings):
        name = 'shield.face.outer' if index % 2 == 0 else 'shield.face.inner'
        d.area(name, f'o:0,0,{outer}', z + 1, mat='rope', form=f'ring{index}', shade='none', lift=.3, cut=f'o:0,0,{inner}' if inner else '')
    spokes = [(50 * math.cos(a), 50 * math.sin(a)) for a in [math.pi * i / 12 for i in range(24)]]
    d.ink('shield.face', ' | '.join(line((x * .3, y * .3), (x * .9, y * .9), w=1.1) for x, y in spokes), .3)
    d.area('shield.boss', 'o:0,0,13', z + 4, mat='metal', form='boss', shade='ball', lift=2)
    d.area('shield.rivets', dots([(47.6 * math.cos(a), 47.6 * math.sin(a)) for a in [math.pi * (i + .5) / 4 for i in range(8)]], 2), z + 6, mat='metal', shade='none', lift=.5)
    d.dark('shield.face', '18,-43/0 34,-32~ 46,0~ 34,32~ 0,46~ -30,36/0 0,36~ 26,24~ 36,0~ 26,-26~', .15)
    d.site('shield.face', 'shield.face', 0, -28, 2.4, 2.0, 'disc', 'dome:40')
