"""Sealed plate of the tide-wardens: suit, plates with rims, lensed helm, a device with vents on the back."""

from ..part import Z, part
from ..stroke import bar, dots, line, tube

A, H, L, C, S, N = Z['arm'], Z['hand'], Z['leg'], Z['coat'], Z['strap'], Z['head']


@part('legs.sealed', 'legs', attach='hip', origin=(0, -150), note='suit, thigh plates, knee cops, greaves with rims, heavy boots')
def legs(d):
    d.both('leg.{s}.suit', '0,-164 34,-164 40,-138~ 41,-106~ 39,-60 7,-60 5,-106~ 0,-136/2', L, form='suit.{s}', lift=0)
    d.both('leg.{s}.boot', '5,-26 42,-26 53,-10/6 55,1/3 50,4/2 7,4/3 2,-6/4', L + 1, mat='plate', form='boot.{s}', shade='ball', lift=2)
    d.both('leg.{s}.boot.sole', '3,-4/2 55,-4/2 55,5/2 4,5/2', L + 1.6, mat='leather', form='sole.{s}', shade='flat', lift=.6)
    d.both('leg.{s}.cuisse', '3,-152/5 35,-154/6 44,-130~ 42,-106/5 24,-100~ 7,-106/5 2,-130~', L + 2, mat='plate', form='cuisse.{s}', lift=1.6)
    d.both('leg.{s}.cuisse.rim', '6.6,-114/1 24,-108~ 42.6,-114/1 42,-105/3 24,-99~ 7,-105/3', L + 2.5, mat='metal', form='crim.{s}', shade='flat', lift=.7)
    greave = '2,-82/3 43,-82/3 48,-56~ 43,-26/4 23,-20~ 7,-26/4 0,-56~'
    d.both('leg.{s}.greave', greave, L + 3, mat='plate', form='shin.{s}', lift=1.6)
    d.both('leg.{s}.greave.rim', '5.8,-34/1 23,-28~ 44.6,-34/1 43,-25/3 23,-19~ 7,-25/3', L + 4, mat='metal', form='grim.{s}', shade='flat', lift=.8)
    if d.front:
        knee = '3,-100/6 23,-108~ 43,-100/6 48,-86~ 41,-71/6 23,-65~ 6,-71/6 -1,-86~'
        d.both('leg.{s}.knee.rim', knee, L + 5, mat='metal', form='kr.{s}', shade='flat', lift=1.6)
        d.both('leg.{s}.knee', '8,-97/5 23,-103~ 39,-97/5 43,-86~ 38,-75/5 23,-70~ 9,-75/5 4,-86~', L + 6, mat='plate', form='knee.{s}', shade='ball', lift=.8)
        d.both('leg.{s}.greave.keel', '20,-64/1 26,-64/1 26,-24/1 20,-24/1', L + 4.5, mat='plate', form='keel.{s}', shade='flat', lift=.8)
        for side, x in (('left', 23), ('right', -23)):
            d.site(f'knee.{side}', f'leg.{side}.knee', x, -86, 1.8, 1.8, 'disc', 'dome:3')
    else:
        d.both('leg.{s}.suit.fold', '5,-92/2 40,-92/2 41,-84/2 4,-84/2', L + 4, form='fold.{s}', shade='flat', lift=.6)
        d.ink('leg.*.greave', line((23, -72), (23, -30), w=1.1), .45, sym=True)
        d.both('leg.{s}.greave.clasp', '17,-58/2 30,-58/2 30,-46/2 17,-46/2', L + 5, mat='metal', form='clasp.{s}', shade='flat', lift=.8)


@part('torso.cuirass', 'torso', attach='neck', origin=(0, -240), note='sealed cuirass over a suit: collar ring, chest, belly lames, belt, tassets')
def cuirass(d):
    d.area('torso.suit', '-30,-200 30,-200 36,-164 39,-146 -39,-146 -36,-164', Z['torso'], form='suit', shade='flat', lift=0)
    for low, (y0, y1, w0, w1) in (('low', (-178, -160, 35, 36)), ('mid', (-192, -174, 37, 36))):
        d.area(f'torso.cuirass.lame.{low}', f'{-w0},{y0}/2 0,{y0 - 3}~ {w0},{y0}/2 {w1},{y1}/3 0,{y1 + 4}~ {-w1},{y1}/3', C + (1 if low == 'low' else 2), mat='plate', form='lame' + low, shade='cyl', lift=1.4)
    chest = '-20,-244 20,-244 44,-238~ 54,-224/6 50,-204~ 42,-186/4 20,-180~ 0,-177~ -20,-180~ -42,-186/4 -50,-204~ -54,-224/6 -44,-238~'
    d.area('torso.cuirass.chest' if d.front else 'torso.cuirass.back', chest, C + 4, mat='plate', form='chest', shade='ball', lift=2.2)
    d.area('torso.cuirass.rim', '-45,-192/1 -20,-187~ 0,-184~ 20,-187~ 45,-192/1 42,-185/3 20,-179~ 0,-176~ -20,-179~ -42,-185/3', C + 5, mat='metal', form='crim', shade='flat', lift=.8)
    d.area('torso.cuirass.collar', '-26,-254/4 0,-260~ 26,-254/4 30,-238/4 0,-228~ -30,-238/4', C + 8, mat='metal', form='collar', shade='ball', lift=2)
    d.area('torso.cuirass.collar.seal', '-19,-252/3 0,-256~ 19,-252/3 20,-243/3 0,-237~ -20,-243/3', C + 9, mat='leather', form='seal', shade='none', lift=.4)
    d.area('gear.belt', '-38,-164/2 0,-160~ 38,-164/2 40,-148/2 0,-143~ -40,-148/2', S, mat='leather', form='belt', shade='flat', lift=1.4)
    if d.front:
        d.area('torso.cuirass.keel', '-4,-236/2 4,-236/2 5,-206 3,-182/1 -3,-182/1 -5,-206', C + 6, mat='plate', form='keel', shade='cyl', lift=1)
        d.area('torso.cuirass.badge', 'o:0,-212,9', C + 7, mat='metal', form='badge', shade='ball', lift=1.2)
        d.area('gear.belt.buckle', '-11,-164/3 11,-164/3 11,-145/3 -11,-145/3', S + 1, mat='metal', shade='flat', lift=1)
        d.both('torso.tasset.{s}', '12,-150/3 38,-152/3 46,-120/5 30,-112~ 14,-118/4', C + .5, mat='plate', form='tas.{s}', lift=1.6)
        d.both('torso.tasset.{s}.rim', '13.4,-124/1 30,-118~ 45.4,-126/1 46,-119/4 30,-111~ 14,-117/3', C + .8, mat='metal', form='trim.{s}', shade='flat', lift=.7)
        d.site('chest.left', 'torso.cuirass.chest', 28, -216, 2.6, 2.6, 'disc', 'dome:8')
        d.site('chest.badge', 'torso.cuirass.badge', 0, -212, 1.3, 1.3, 'disc', 'dome:3')
    else:
        d.area('torso.cuirass.spine', '-6,-236/2 6,-236/2 5,-182/2 -5,-182/2', C + 6, mat='metal', form='spine', shade='cyl', lift=1)
        d.area('torso.tasset.back', '-30,-150/3 30,-150/3 36,-118/6 0,-110~ -36,-118/6', C + .5, mat='plate', form='tas', lift=1.6)
        d.site('back.plate', 'torso.cuirass.back', 26, -214, 2.4, 2.4, 'disc', 'dome:8')
    d.area('torso.cuirass.rivet', dots([(-40, -226), (40, -226), (-42, -200), (42, -200)], 2.2), C + 7, mat='metal', shade='none', lift=.6)


def _pad(d):
    """A deep shoulder plate with a raised rim, keeled like a hull."""
    o = Z['over'] + 2
    full = '26,-240/4 44,-254~ 64,-250~ 80,-232~ 84,-206/5 70,-198~ 50,-198~ 34,-208/5'
    d.area('arm.{s}.pad.rim', full, o, mat='metal', form='padrim', shade='flat', lift=2.6)
    d.area('arm.{s}.pad', '31,-239/4 46,-249~ 62,-245~ 75,-230~ 78.6,-210/4 68,-205~ 51,-204.4~ 38,-212/4', o + 1, mat='plate', form='pad', shade='ball', lift=.9)
    d.area('arm.{s}.pad.keel', '60,-250/1 66,-248/1 74,-206/1 68,-206/1', o + 2, mat='metal', form='padkeel', shade='flat', lift=.8)
    d.area('arm.{s}.pad.rivet', dots([(40, -230), (46, -214)], 2.2), o + 2, mat='metal', shade='none', lift=.6)
    d.site('pad.{s}', 'arm.{s}.pad', 52, -226, 2.6, 2.8, 'shield', 'dome:5')


@part('arm.sealed', 'arm', attach='shoulder.{s}', origin=(46, -226), note='suit, elbow cop, forearm shell, gauntlet, deep shoulder plate; hangs')
def sealed(d):
    d.area('arm.{s}.suit', tube((44, -226, 28), (57, -206, 28), (64, -182, 25), (68, -160, 24), r0=11, r1=2), A, form='arm', lift=2.2)
    d.area('arm.{s}.forearm', bar(62, -178, 69, -142, 32, 30, r=5), A + 2, mat='plate', form='fore', lift=1.6)
    d.area('arm.{s}.forearm.rim', bar(67.6, -150, 69.4, -140, 32, 31, r=3), A + 3, mat='metal', form='frim', shade='flat', lift=.8)
    d.area('arm.{s}.elbow', '48,-192/4 63,-201~ 79,-191/4 82,-180/2 75,-170/4 62,-166~ 50,-174/4', A + 4, mat='plate', form='elbow', shade='ball', lift=1.6)
    d.area('hand.{s}', '56,-142/3 82,-143/3 84,-128~ 81,-116/5 69,-110/5 60,-114/5 54,-126/3', A + 1.5, mat='plate', form='gaunt', shade='ball', lift=1.4)
    d.ink('hand.{s}', line((65, -126), (64, -113), w=1.1) + ' | ' + line((72, -126), (72, -112), w=1.1), .5)
    _pad(d)
    d.anchor('hand.{s}', 69, -126)
    d.anchor('shield.{s}', 72, -160)


@part('arm.sealed.grip', 'arm', attach='shoulder.{s}', origin=(46, -226), note='as arm.sealed, bent, fist round something upright')
def sealed_grip(d):
    d.area('arm.{s}.suit', tube((44, -226, 28), (58, -206, 28), (68, -184, 26), (82, -168, 24), r0=11, r1=2), A, form='arm', lift=2.2)
    d.area('arm.{s}.forearm', bar(65, -184, 86, -158, 33, 29, r=5), A + 2, mat='plate', form='fore', lift=1.6)
    d.area('arm.{s}.forearm.rim', bar(81, -164, 87, -156, 31, 30, r=3), A + 3, mat='metal', form='frim', shade='flat', lift=.8)
    d.area('arm.{s}.elbow', '46,-186/4 56,-199~ 73,-196/4 80,-184/2 74,-170/4 60,-166~ 48,-174/4', A + 4, mat='plate', form='elbow', shade='ball', lift=1.6)
    d.area('hand.{s}', '78,-166/5 98,-172/5 104,-160/4 102,-142/6 84,-138/6 77,-150~', H, mat='plate', form='gaunt', shade='ball', lift=1.6)
    d.ink('hand.{s}', line((80, -158), (102, -164), w=1.1) + ' | ' + line((81, -151), (102, -157), w=1.1), .5)
    _pad(d)
    d.anchor('hand.{s}', 90, -154)


@part('head.lenshelm', 'head', attach='neck', origin=(0, -240), note='sealed helm with two lenses under a brow, a breather and hoses')
def lenshelm(d):
    z = N + 10
    d.area('head.helm.seal', '-20,-252/3 20,-252/3 22,-236/4 0,-230~ -22,-236/4', z - 3, mat='leather', form='seal', shade='cyl', lift=.6)
    skull = '-27,-258/5 -33,-280~ -30,-306~ -16,-322~ 0,-326~ 16,-322~ 30,-306~ 33,-280~ 27,-258/5'
    d.area('head.helm.skull', skull, z, mat='plate', form='helm', shade='ball', lift=2)
    d.area('head.helm.ridge', '-5,-326/3 5,-326/3 6,-300 4,-284/1 -4,-284/1 -6,-300' if d.front else '-5,-326/3 5,-326/3 6,-290 5,-250/1 -5,-250/1 -6,-290', z + 3, mat='metal', form='ridge', shade='cyl', lift=1)
    if d.front:
        d.area('head.helm.brow', '-33,-291/2 -14,-287~ 0,-282/2 14,-287~ 33,-291/2 33,-280/2 14,-277~ 0,-273/2 -14,-277~ -33,-280/2', z + 4, mat='metal', form='brow', shade='flat', lift=1.4)
        d.area('head.helm.socket', '-28,-280/3 -6,-276/3 -6,-264/3 -26,-265/4 | 28,-280/3 6,-276/3 6,-264/3 26,-265/4', z + 1, mat='paint', form='socket', shade='none', lift=0)
        d.area('head.helm.lens.left', '25,-278/3 9,-275/3 9,-267/3 23,-267.5/3', z + 2, mat='glass', form='lensl', shade='none', lift=.5)
        d.area('head.helm.lens.right', '-25,-278/3 -9,-275/3 -9,-267/3 -23,-267.5/3', z + 2, mat='glass', form='lensr', shade='none', lift=.5)
        d.lite('head.helm.lens', 'e:14,-275,3.4,1.5 e:-19,-275.6,3.4,1.5', .6)
        d.area('head.helm.breather', '-12,-264/3 12,-264/3 16,-246/4 8,-236/4 -8,-236/4 -16,-246/4', z + 5, mat='metal', form='breather', shade='ball', lift=1.6)
        d.ink('head.helm.breather', ' | '.join(line((x, -258), (x * .9, -242), w=1.7) for x in (-8, -2.7, 2.7, 8)), .75)
        d.both('head.helm.hose.{s}', '13,-250/2 21,-252~ 29,-246~ 31,-236/2 24,-234/2 22,-242~ 14,-242/2', z + 4, mat='leather', form='hose.{s}', shade='cyl', lift=1.2)
        d.ink('head.helm.hose', ' | '.join(line((x, -253), (x - 1, -243), w=1) for x in (17, 21, 25)), .5, sym=True)
    else:
        d.area('head.helm.nape', '-32,-272/3 0,-268~ 32,-272/3 28,-250/5 0,-244~ -28,-250/5', z + 2, mat='plate', form='nape', shade='cyl', lift=1.2)
        d.area('head.helm.vent', '-20,-262/2 -9,-260/2 -9,-252/2 -18,-254/2 | 20,-262/2 9,-260/2 9,-252/2 18,-254/2', z + 4, mat='metal', form='vent', shade='none', lift=.6)
    d.area('head.helm.ear', 'o:32,-276,8 o:-32,-276,8', z - 1, mat='metal', form='ear', shade='ball', lift=1.2)
    d.site('helm.brow', 'head.helm.skull', 14, -306, 1.6, 1.6, 'disc', 'dome:4')


@part('gear.ventpack', 'gear', attach='neck', origin=(0, -240), note='back device: bellows housing, two vents, a lamp')
def ventpack(d):
    P = Z['over'] + 40
    if d.front:
        z = Z['behind'] + 6
        d.area('gear.device.housing', '-38,-266/8 38,-266/8 40,-200/6 -40,-200/6', z, mat='plate', form='housing', shade='cyl', lift=2)
        d.both('gear.device.vent.{s}', '24,-276/4 48,-290/5 58,-276/5 38,-258/4', z + 1, mat='metal', form='vent.{s}', shade='cyl', lift=1.6)
        return
    d.area('gear.device.housing', '-38,-262/8 38,-262/8 42,-190/8 24,-176/5 -24,-176/5 -42,-190/8', P, mat='plate', form='housing', shade='cyl', lift=3.4)
    d.area('gear.device.bellows', '-18,-246/3 18,-246/3 18,-196/3 -18,-196/3', P + 1, mat='leather', form='bellows', shade='flat', lift=1)
    d.ink('gear.device.bellows', ' | '.join(line((-18, y), (18, y), w=1.4) for y in (-238, -229, -220, -211, -202)), .6)
    d.area('gear.device.frame', '-22,-250/3 22,-250/3 22,-192/3 -22,-192/3', P + 1.4, mat='metal', form='frame', shade='flat', lift=1, cut='-17,-245 17,-245 17,-197 -17,-197')
    d.both('gear.device.vent.{s}', '20,-266/4 44,-290/5 62,-276/5 42,-250/4', P + 2, mat='metal', form='vent.{s}', shade='cyl', lift=2)
    d.both('gear.device.vent.{s}.mouth', 'e:53,-283,11,6,40', P + 3, mat='paint', form='mouth.{s}', shade='none', lift=0)
    d.area('gear.device.lamp', 'o:0,-184,5', P + 2, mat='glass', form='lamp', shade='ball', lift=1)
    d.area('gear.device.hose', '-36,-212/2 -46,-206~ -46,-186~ -36,-178/2 -32,-182/2 -39,-190~ -39,-202~ -32,-207/2', P - .5, mat='leather', form='hose', shade='cyl', lift=1.4)
    d.site('device.side', 'gear.device.housing', 31, -214, 1.4, 2.6, 'rect', 'flat')
