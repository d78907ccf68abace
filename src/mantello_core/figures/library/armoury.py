"""More weapons and shields, drawn upright with the grip at 0,0."""

import math

from ..part import Z, part
from ..stroke import bar, dots, lens, line

W = Z['weapon']


@part('weapon.rifle', 'weapon', attach='hand.right', note='bolt rifle with a sling', plant=150)
def rifle(d):
    d.area('weapon.barrel', '-2.8,-150/1 2.8,-150/1 3.4,20/1 -3.4,20/1', W, mat='metal', form='barrel', lift=1.2)
    d.area('weapon.stock', '-6,-112/2 5,-112/2 6,30 8,44~ 9,60 14,138/2 12,148/2 -14,150/3 -18,142/2 -12,84~ -8,56~ -7,30', W + 1, mat='wood', form='stock', lift=1.6)
    d.area('weapon.butt', '13,134/1 14,138/1 12,149/2 -14,151/3 -18,142/1 -17.4,138/1', W + 2, mat='metal', form='butt', shade='flat', lift=.7)
    d.area('weapon.bands', bar(-7, -104, 6, -104, 6) + ' | ' + bar(-7, -58, 6.4, -58, 6), W + 3, mat='metal', form='bands', shade='flat', lift=.9)
    d.area('weapon.lock', '-6,18/2 5,18/2 6,50/2 -7,50/2', W + 3, mat='metal', form='lock', shade='cyl', lift=1)
    d.area('weapon.lock.bolt', bar(4, 36, 18, 44, 4.6, r=2) + ' | o:18,45,4', W + 4, mat='metal', form='bolt', shade='ball', lift=1, merge=True)
    d.area('weapon.guard', '4,52/2 13,56~ 14,70~ 7,76/2 7,72/1 10,68~ 9.6,60~ 4,57/1', W + .5, mat='metal', form='guard', shade='none', lift=.8)
    d.area('weapon.sling', '-7,-100/1 -18,-60~ -20,40~ -16,112/1 -12,112/1 -15,40~ -14,-58~ -6,-92/1', W - .5, mat='leather', form='sling', shade='none', lift=1)
    d.area('weapon.sight', '-2,-150/0 2,-150/0 1,-158/0 -1,-158/0', W + 1, mat='metal', form='sight', shade='none', lift=.6)


@part('weapon.coilgun', 'weapon', attach='hand.right', note='heavy spring-coil gun with a drum and a carrying handle')
def coilgun(d):
    d.area('weapon.barrel', '-7,-128/2 7,-128/2 7,-30/2 -7,-30/2', W, mat='metal', form='barrel', lift=1.6)
    d.area('weapon.coil', ' | '.join(f'-12,{y}/3 12,{y}/3 12,{y + 8}/3 -12,{y + 8}/3' for y in range(-116, -40, 13)), W + 1, mat='metal', form='coil', shade='cyl', lift=1.4)
    d.area('weapon.muzzle', '-14,-138/3 14,-138/3 11,-124/3 -11,-124/3', W + 2, mat='metal', form='muzzle', shade='cyl', lift=1.4)
    d.area('weapon.body', '-15,-36/4 15,-36/4 17,34/4 12,52/5 -12,52/5 -17,34/4', W + 2, mat='plate', form='body', shade='flat', lift=2)
    d.area('weapon.body.plate', '-10,-28/2 10,-28/2 11,-4/2 -11,-4/2', W + 3, mat='metal', form='bplate', shade='flat', lift=.8)
    d.area('weapon.cell', 'o:18,22,15', W + 3, mat='metal', form='drum', shade='ball', lift=2)
    d.area('weapon.cell.face', 'o:18,22,9', W + 4, mat='glass', form='dface', shade='ball', lift=.6)
    d.area('weapon.grip', bar(-2, 4, -6, 34, 11, r=3), W + 1.5, mat='leather', form='grip', shade='cyl', lift=1)
    d.area('weapon.stock', '-11,50/3 11,50/3 15,86/5 -15,86/5', W + 1, mat='leather', form='stock', shade='flat', lift=1.4)
    d.area('weapon.sight', '-5,-46/2 5,-46/2 5,-32/2 -5,-32/2 | -20,-24/2 -14,-24/2 -14,8/2 -20,8/2', W + 3, mat='metal', form='sight', shade='flat', lift=1)
    d.site('gun.body', 'weapon.body.plate', 0, -16, 1.6, 1.8, 'rect', 'flat')


@part('weapon.carbine', 'weapon', attach='hand.right', note='short automatic carbine with a curved magazine')
def carbine(d):
    d.area('weapon.barrel', '-3,-96/1 3,-96/1 3,-40/1 -3,-40/1', W, mat='metal', form='barrel', lift=1.2)
    d.area('weapon.muzzle', '-5,-104/2 5,-104/2 4.4,-90/1 -4.4,-90/1', W + 1, mat='metal', form='muzzle', shade='cyl', lift=.9)
    d.area('weapon.bands', '-7,-66/2 7,-66/2 7,-34/2 -7,-34/2', W + 1, mat='wood', form='fore', shade='cyl', lift=1.2)
    d.area('weapon.body', '-8,-38/2 8,-38/2 9,30/3 -9,30/3', W + 2, mat='metal', form='body', shade='flat', lift=1.6)
    d.area('weapon.magazine', '6,-14/2 20,-18~ 32,-30/2 36,-22/2 26,-6~ 8,0/2', W + 1.5, mat='metal', form='mag', shade='flat', lift=1.4)
    d.area('weapon.grip', '2,12/2 10,10/2 20,28/3 11,32/3', W + 1.6, mat='leather', form='grip', shade='cyl', lift=1)
    d.area('weapon.stock', '-7,28/2 7,28/2 10,76/3 -12,78/3', W + 1, mat='wood', form='stock', shade='flat', lift=1.4)
    d.area('weapon.sight', '-14,-40/1 -8,-40/1 -8,-26/1 -14,-26/1', W + 3, mat='metal', form='sight', shade='flat', lift=.8)
    d.area('weapon.sling', '8,-60/1 20,-30~ 22,24~ 9,70/1 6,66/1 16,22~ 15,-28~ 6,-54/1', W - .5, mat='leather', form='sling', shade='none', lift=1)


@part('weapon.pistol', 'weapon', attach='hand.right', note='long pistol held up')
def pistol(d):
    d.area('weapon.barrel', '-4,-70/1 4,-70/1 4.6,-14/1 -4.6,-14/1', W, mat='metal', form='barrel', lift=1.4)
    d.area('weapon.muzzle', '-5.6,-74/2 5.6,-74/2 5,-66/1 -5,-66/1', W + 1, mat='metal', form='muzzle', shade='flat', lift=.8)
    d.area('weapon.stock', '-6,-44/2 5,-44/2 7,-10~ 12,10~ 16,26/5 2,30/5 -6,10~ -8,-10~', W + 1, mat='wood', form='stock', shade='cyl', lift=1.4)
    d.area('weapon.lock', '-6,-22/2 6,-22/2 6,-6/2 -7,-6/2', W + 2, mat='metal', form='lock', shade='flat', lift=1)
    d.area('weapon.butt', 'o:9,27,7', W + 2, mat='metal', form='butt', shade='ball', lift=1)


@part('weapon.greatsword', 'weapon', attach='hand.right', note='two-handed sword with a long grip')
def greatsword(d):
    d.area('weapon.blade', '-8,-34/1 8,-34/1 7,-166 0,-196/0 -7,-166', W, mat='metal', form='blade', shade='cyl', lift=1.4)
    d.area('weapon.blade.fuller', '-2,-40/1 2,-40/1 1.4,-120/1 -1.4,-120/1', W + 1, mat='metal', form='fuller', shade='none', lift=0)
    d.area('weapon.blade.hooks', '-8,-46/1 -17,-54/0 -8,-58/1 | 8,-46/1 17,-54/0 8,-58/1', W - .5, mat='metal', form='hooks', shade='flat', lift=1)
    d.area('weapon.sword.grip', '-4.4,-30 4.4,-30 4.8,44 -4.8,44', W + 1, mat='leather', form='grip', shade='cyl', lift=1)
    d.area('weapon.sword.wire', ' | '.join(bar(-5, y, 5, y - 3, 2.2) for y in (-20, 8, 20, 32)), W + 2, mat='metal', form='wire', shade='none', lift=.5)
    d.area('weapon.sword.guard', '-30,-32/3 0,-37~ 30,-32/3 30,-25/3 0,-29~ -30,-25/3', W + 2, mat='metal', form='guard', shade='cyl', lift=1.2)
    d.area('weapon.sword.pommel', 'o:0,50,8', W + 2, mat='metal', form='pommel', shade='ball', lift=1.2)


@part('weapon.greataxe', 'weapon', attach='hand.right', note='long axe with a bearded head', plant=150)
def greataxe(d):
    d.area('weapon.haft', '-4,-148 4,-148 4.4,0 4,140/2 -4,140/2 -4.4,0', W, mat='wood', form='haft', lift=1.4)
    d.area('weapon.haft.shoe', '-5,130/1 5,130/1 3,150/1 -3,150/1', W + 1, mat='metal', form='shoe', shade='flat', lift=.8)
    d.area('weapon.haft.binding', bar(0, -18, 0, 24, 10.4, r=1), W + 1, mat='leather', form='bind', shade='cyl', lift=.8)
    d.area('weapon.head', '-6,-150/2 -6,-100/2 -20,-96~ -44,-78/0 -56,-114~ -44,-156/0 -22,-142~', W + 2, mat='metal', form='axe', shade='flat', lift=1.6)
    d.area('weapon.head.edge', '-44,-78/0 -56,-114~ -44,-156/0 -40,-146/1 -47,-114~ -40,-88/1', W + 3, mat='metal', form='edge', shade='flat', lift=.4)
    d.area('weapon.head.spike', '5,-134/1 26,-126/0 5,-116/1', W + 2, mat='metal', form='spike', shade='flat', lift=1.2)
    d.area('weapon.head.collar', '-7.4,-152/2 7.4,-152/2 7.4,-98/2 -7.4,-98/2', W + 2.5, mat='metal', form='collar', shade='cyl', lift=1.2)
    d.site('axe.face', 'weapon.head', -28, -116, 1.4, 1.6, 'disc', 'flat')


@part('weapon.warhammer', 'weapon', attach='hand.right', note='two-handed hammer, its head banded', plant=140)
def warhammer(d):
    d.area('weapon.haft', '-4,-110 4,-110 4.4,0 4,130/2 -4,130/2 -4.4,0', W, mat='wood', form='haft', lift=1.4)
    d.area('weapon.haft.shoe', '-6,122/2 6,122/2 6,140/4 -6,140/4', W + 1, mat='metal', form='shoe', shade='ball', lift=1)
    d.area('weapon.haft.binding', bar(0, -18, 0, 30, 10.4, r=1), W + 1, mat='leather', form='bind', shade='cyl', lift=.8)
    d.area('weapon.head', '-38,-152/4 38,-152/4 38,-112/4 -38,-112/4', W + 2, mat='metal', form='head', shade='cyl', lift=2)
    d.area('weapon.head.bands', '-40,-155/3 -28,-155/3 -28,-109/3 -40,-109/3 | 40,-155/3 28,-155/3 28,-109/3 40,-109/3', W + 3, mat='metal', form='bands', shade='cyl', lift=1)
    d.area('weapon.head.device', 'o:0,-132,11', W + 3, mat='metal', form='device', shade='ball', lift=1)
    d.area('weapon.head.collar', '-8,-114/2 8,-114/2 6,-100/2 -6,-100/2', W + 1.5, mat='metal', form='collar', shade='flat', lift=.8)
    d.site('hammer.face', 'weapon.head.device', 0, -132, 1.6, 1.6, 'disc', 'dome:4')


@part('weapon.spear', 'weapon', attach='hand.right', note='long spear with a leaf head', plant=159)
def spear(d):
    d.area('weapon.pole', '-3,-190 3,-190 3.2,0 3.2,150 -3.2,150 -3.2,0', W, mat='wood', form='pole', lift=1.2)
    d.area('weapon.pole.shoe', '-3.8,144/1 3.8,144/1 0,162/0', W + 1, mat='metal', form='shoe', shade='flat', lift=.8)
    d.area('weapon.pole.binding', bar(0, -12, 0, 22, 8, r=1), W + 1, mat='leather', form='bind', shade='cyl', lift=.8)
    d.area('weapon.head', '-3.6,-184/1 3.6,-184/1 4,-198 11,-214~ 8,-238~ 0,-258/0 -8,-238~ -11,-214~ -4,-198', W + 2, mat='metal', form='leaf', shade='flat', lift=1.2)
    d.area('weapon.head.collar', '-5,-192/1.5 5,-192/1.5 5,-182/1.5 -5,-182/1.5', W + 3, mat='metal', form='collar', shade='flat', lift=.8)
    d.lite('weapon.head', lens((0, -200), (-2, -226), (0, -252), w=3), .4)


@part('weapon.trident', 'weapon', attach='hand.right', note='three-pronged fishing spear with a cord', plant=159)
def trident(d):
    d.area('weapon.pole', '-3.2,-164 3.2,-164 3.4,0 3.4,150 -3.4,150 -3.4,0', W, mat='wood', form='pole', lift=1.2)
    d.area('weapon.pole.binding', bar(0, -158, 0, -140, 9, r=1), W + 1, mat='rope', form='bind', shade='cyl', lift=.8)
    d.area('weapon.head', '-4,-162/1 4,-162/1 4,-176 18,-182~ 22,-200 20,-236/0 16,-202 6,-190~ 3,-190 2,-250/0 -2,-250/0 -3,-190 -6,-190~ -16,-202 -20,-236/0 -22,-200 -18,-182~ -4,-176', W + 2, mat='metal', form='prongs', shade='flat', lift=1.2)
    d.area('weapon.head.barbs', '20,-236/0 28,-222/0 20,-220/0 | -20,-236/0 -28,-222/0 -20,-220/0 | 0,-254/0 7,-238/0 -7,-238/0', W + 1.5, mat='metal', form='barbs', shade='flat', lift=.8)
    d.area('weapon.cord', '4,-150/1 22,-110~ 12,-60~ 24,-10/1 20,-8/1 7,-60~ 17,-108~ 3,-144/1', W - .5, mat='rope', form='cord', shade='none', lift=.8)


@part('weapon.mace', 'weapon', attach='hand.right', note='flanged mace')
def mace(d):
    d.area('weapon.haft', '-3.4,-84 3.4,-84 4,30/2 -4,30/2', W, mat='metal', form='haft', lift=1.2)
    d.area('weapon.haft.binding', bar(0, -10, 0, 24, 9, r=1), W + 1, mat='leather', form='bind', shade='cyl', lift=.8)
    d.area('weapon.head', '-5,-78/1 5,-78/1 20,-88/1 20,-106/1 6,-118/2 -6,-118/2 -20,-106/1 -20,-88/1', W + 1, mat='metal', form='flange', shade='flat', lift=1.4)
    d.area('weapon.head.rib', '-4,-80/1 4,-80/1 5,-116/2 -5,-116/2', W + 2, mat='metal', form='rib', shade='cyl', lift=1)
    d.area('weapon.head.knob', 'o:0,-120,5.6', W + 3, mat='metal', form='knob', shade='ball', lift=1)
    d.area('weapon.haft.pommel', 'o:0,33,6', W + 2, mat='metal', form='pommel', shade='ball', lift=1)


@part('weapon.club', 'weapon', attach='hand.right', note='heavy club studded with iron')
def club(d):
    d.area('weapon.club', '-6,30/4 6,30/4 8,-20~ 14,-70~ 20,-112~ 10,-136/8 -10,-136/8 -19,-112~ -13,-70~ -8,-20~', W, mat='wood', form='club', shade='cyl', lift=2)
    d.area('weapon.club.band', '-14,-84/2 14,-84/2 16,-74/2 -14,-74/2 | -19,-120/2 19,-120/2 19,-110/2 -20,-110/2', W + 1, mat='metal', form='band', shade='cyl', lift=1)
    d.area('weapon.club.studs', dots([(-8, -98), (8, -98), (0, -104), (-10, -128), (10, -128), (0, -130)], 3.4), W + 2, mat='metal', form='studs', shade='ball', lift=1.2)
    d.area('weapon.club.binding', bar(0, -10, 0, 20, 14, 13, r=1), W + 1, mat='leather', form='bind', shade='cyl', lift=.8)


@part('weapon.bow', 'weapon', attach='hand.left', note='tall bow, strung')
def bow(d):
    d.area('weapon.limb', '-6,-14/2 2,-14/2 -8,-70~ -26,-118~ -22,-138/2 -30,-134~ -36,-114~ -18,-66~ | -6,14/2 2,14/2 -8,70~ -26,118~ -22,138/2 -30,134~ -36,114~ -18,66~', W, mat='wood', form='limb', shade='cyl', lift=1.4)
    d.area('weapon.grip', '-8,-18/2 4,-18/2 4,18/2 -8,18/2', W + 1, mat='leather', form='grip', shade='cyl', lift=1)
    d.area('weapon.string', '-25,-134/0 -23.6,-134/0 -23.6,134/0 -25,134/0', W - 1, mat='rope', form='string', shade='none', lift=.4)
    d.area('weapon.limb.binding', bar(-20, -96, -32, -102, 8, r=1) + ' | ' + bar(-20, 96, -32, 102, 8, r=1), W + 1, mat='cloth', form='bind', shade='none', lift=.6)


@part('weapon.crossbow', 'weapon', attach='hand.right', note='crossbow, its stirrup up')
def crossbow(d):
    d.area('weapon.stock', '-6,-84/2 6,-84/2 7,40/2 10,78/4 -10,80/4 -7,40/2', W, mat='wood', form='stock', shade='cyl', lift=1.4)
    d.area('weapon.limb', '-56,-62/3 -30,-80~ 0,-86~ 30,-80~ 56,-62/3 52,-58/2 28,-71~ 0,-75~ -28,-71~ -52,-58/2', W + 1, mat='metal', form='limb', shade='cyl', lift=1.4)
    d.area('weapon.string', '-55,-60/0 0,-8/0 55,-60/0 55,-58/0 0,-5.6/0 -55,-58/0', W + .5, mat='rope', form='string', shade='none', lift=.4)
    d.area('weapon.lock', '-8,-14/2 8,-14/2 8,4/3 -8,4/3', W + 2, mat='metal', form='lock', shade='flat', lift=1)
    d.area('weapon.stirrup', '-10,-86/2 -11,-106~ 0,-114~ 11,-106~ 10,-86/2 6,-86/1 7,-102~ 0,-108~ -7,-102~ -6,-86/1', W - .5, mat='metal', form='stirrup', shade='none', lift=.9)
    d.area('weapon.bolt', '-1.4,-96/0 1.4,-96/0 1.4,-10/0 -1.4,-10/0 | 0,-108/0 4,-94/0 -4,-94/0', W + 3, mat='wood', form='bolt', shade='none', lift=.6)


@part('weapon.staff', 'weapon', attach='hand.right', note='staff with a caged lamp', plant=159)
def staff(d):
    d.area('weapon.pole', '-3.4,-150 3.4,-150 3.6,0 3.6,158/2 -3.6,158/2 -3.6,0', W, mat='wood', form='pole', lift=1.2)
    d.area('weapon.pole.binding', bar(0, -150, 0, -134, 9, r=1) + ' | ' + bar(0, 30, 0, 48, 9, r=1), W + 1, mat='metal', form='bind', shade='cyl', lift=.8)
    d.area('weapon.cage', '-6,-150/2 -18,-168~ -16,-198~ 0,-214/2 16,-198~ 18,-168~ 6,-150/2 2,-152/1 13,-170~ 12,-194~ 0,-206/1 -12,-194~ -13,-170~ -2,-152/1', W + 3, mat='metal', form='cage', shade='flat', lift=1.2)
    d.area('weapon.cage.bar', '-2,-152/1 2,-152/1 2,-210/1 -2,-210/1', W + 3.5, mat='metal', form='cbar', shade='none', lift=.6)
    d.area('weapon.lamp', 'e:0,-180,12,16', W + 2, mat='glass', form='lamp', shade='ball', lift=.8)
    d.lite('weapon.lamp', 'e:-3,-186,5,6', .5)
    d.area('weapon.cage.charms', dots([(-18, -150), (18, -150)], 3.6) + ' | ' + bar(-18, -166, -18, -152, 1.4) + ' | ' + bar(18, -166, 18, -152, 1.4), W + 3, mat='metal', form='charms', shade='none', lift=.6)


@part('shield.round', 'shield', attach='shield.left', note='round boarded shield with a boss, halved')
def round_(d):
    if not d.front:
        z = Z['behind'] - 20
        d.area('shield.rim', 'o:0,0,46', z, mat='metal', form='rim', shade='flat', lift=2)
        d.area('shield.back', 'o:0,0,41', z + 1, mat='wood', form='back', shade='flat', lift=.5, tex='wood')
        d.area('shield.strap', bar(-34, 0, 34, 0, 8, r=1), z + 2, mat='leather', shade='none', lift=1)
        return
    z = Z['shield']
    d.area('shield.rim', 'o:0,0,46', z, mat='metal', form='rim', shade='flat', lift=3)
    d.area('shield.face.left', 'o:0,0,41', z + 1, mat='paint', form='face', shade='flat', lift=.5, clip='0,-60 60,-60 60,60 0,60')
    d.area('shield.face.right', 'o:0,0,41', z + 1, mat='paint', form='face', shade='flat', lift=.5, clip='-60,-60 0,-60 0,60 -60,60')
    d.ink('shield.face', ' | '.join(line((x, -44), (x, 44), w=1) for x in (-27, -13.5, 13.5, 27)), .3)
    d.area('shield.boss.flange', 'o:0,0,16', z + 3, mat='metal', form='flange', shade='flat', lift=1)
    d.area('shield.boss', 'o:0,0,11', z + 4, mat='metal', form='boss', shade='ball', lift=2)
    d.area('shield.rivets', dots([(43.4 * math.cos(math.radians(a)), 43.4 * math.sin(math.radians(a))) for a in range(22, 360, 45)], 1.9), z + 4, mat='metal', shade='none', lift=.5)
    d.site('shield.face', 'shield.face', 0, -26, 3.4, 2.6, 'disc', 'cyl:20')
    d.site('shield.low', 'shield.face', 0, 27, 3.4, 2.4, 'disc', 'cyl:20')


@part('shield.tower', 'shield', attach='shield.left', note='tall curved shield with a spine boss')
def tower(d):
    full = '-38,-84/8 0,-90~ 38,-84/8 40,0 38,74/8 0,80~ -38,74/8 -40,0'
    if not d.front:
        z = Z['behind'] - 20
        d.area('shield.rim', full, z, mat='metal', form='rim', shade='flat', lift=2)
        d.area('shield.back', '-33,-80/6 0,-85~ 33,-80/6 35,0 33,69/6 0,75~ -33,69/6 -35,0', z + 1, mat='wood', form='back', shade='cyl', lift=.5, tex='wood')
        d.area('shield.strap', bar(-30, -20, 30, -20, 9, r=1) + ' | ' + bar(-30, 18, 30, 18, 9, r=1), z + 2, mat='leather', shade='none', lift=1)
        return
    z = Z['shield']
    d.area('shield.rim', full, z, mat='metal', form='rim', shade='flat', lift=3)
    d.area('shield.face', '-33,-80/6 0,-85~ 33,-80/6 35,0 33,69/6 0,75~ -33,69/6 -35,0', z + 1, mat='paint', form='face', shade='cyl', lift=.5)
    d.area('shield.face.border', '-33,-80/6 0,-85~ 33,-80/6 35,0 33,69/6 0,75~ -33,69/6 -35,0', z + 2, mat='paint', form='border', shade='none', lift=.3, cut='-26,-72/4 0,-77~ 26,-72/4 28,0 26,61/4 0,67~ -26,61/4 -28,0')
    d.area('shield.boss.spine', '-4,-60/3 4,-60/3 5,-16/2 5,16/2 4,54/3 -4,54/3 -5,16/2 -5,-16/2', z + 3, mat='metal', form='spine', shade='cyl', lift=1.2)
    d.area('shield.boss', '-17,-14/4 17,-14/4 17,12/4 -17,12/4', z + 4, mat='metal', form='plate', shade='flat', lift=1)
    d.area('shield.boss.knob', 'e:0,-1,9,10', z + 5, mat='metal', form='knob', shade='ball', lift=1.4)
    d.site('shield.face', 'shield.face', 0, -44, 5, 4, 'shield', 'cyl:14')
    d.site('shield.low', 'shield.face', 0, 38, 5, 3.4, 'rect', 'cyl:14')


@part('shield.buckler', 'shield', attach='shield.left', note='small steel buckler')
def buckler(d):
    z = Z['shield'] if d.front else Z['behind'] - 20
    d.area('shield.rim', 'o:0,0,28', z, mat='metal', form='rim', shade='flat', lift=2)
    d.area('shield.face' if d.front else 'shield.back', 'o:0,0,24', z + 1, mat='metal', form='face', shade='ball', lift=.6)
    if d.front:
        d.area('shield.boss', 'o:0,0,9', z + 2, mat='metal', form='boss', shade='ball', lift=1.6)
        d.area('shield.rivets', dots([(18 * math.cos(math.radians(a)), 18 * math.sin(math.radians(a))) for a in range(0, 360, 60)], 1.8), z + 2, mat='metal', shade='none', lift=.5)
        d.site('shield.face', 'shield.face', 0, -16, 1.8, 1.2, 'disc', 'dome:6')
