"""Weapons are drawn upright with the grip at 0,0 and hang on a hand anchor."""
from ..part import Z, part
from ..stroke import bar, lens, line

W = Z['weapon']


@part('weapon.springlock', 'weapon', attach='hand.right', note='long musket with a clockwork wheel lock, bayonet fixed', plant=159)
def springlock(d):
    d.area('weapon.bayonet', '-2.6,-104/1 2.6,-104/1 2.8,-150 0,-176/0 -2.8,-150', W, mat='metal', shade='cyl', lift=1)
    d.area('weapon.bayonet.socket', '-5,-118/1 5,-118/1 5,-101/1 -5,-101/1', W + .5, mat='metal', shade='flat', lift=.8)
    d.area('weapon.barrel', '-4,-106/1 4,-106/1 4,62/1 -4,62/1', W + 1, mat='metal', form='barrel', lift=1.4)
    d.area('weapon.stock', '-7,-84/2 -2.5,-84/1 -2.5,46 4.5,50 6,78~ 7,92 10,146 8,157/2 -16,159/3 -19,150/2 -14,112~ -9,84~ -8,50~', W + 2, mat='wood', form='stock', lift=1.4)
    d.area('weapon.butt', '9.4,140/1 10,146 8,158/2 -16,160/3 -19,150/1 -18.4,143/1', W + 3, mat='metal', form='butt', shade='flat', lift=.7)
    d.area('weapon.bands', bar(-8, -70, 5.4, -70, 6) + ' | ' + bar(-8, -34, 5.4, -34, 6) + ' | ' + bar(-8.4, 22, 5.4, 22, 6), W + 4, mat='metal', shade='flat', lift=.9)
    d.area('weapon.lock', '-5,46/2 5,46/2 6,76/3 -6,78/3', W + 5, mat='metal', shade='flat', lift=.9)
    d.area('weapon.lock.wheel', 'o:0,60,8.4', W + 6, mat='metal', shade='ball', lift=1.2)
    d.area('weapon.lock.key', '-12,57/1 -9,60/1 -12,63/1 -15,60/1 | -10,58.8/0 0,58.8/0 0,61.2/0 -10,61.2/0 | o:0,60,3', W + 7, mat='metal', shade='none', lift=.6)
    d.area('weapon.guard', '5,80/2 13,84~ 14,98~ 7,106/2 7,102/1 10.5,96~ 10,87~ 5,84/1', W + 1.5, mat='metal', shade='none', lift=.8)
    d.area('weapon.sling', '3,-72/1 12,-62/2 17,-20~ 17,40~ 12,104~ 6,120/1 2,116/1 8,100~ 12.6,40~ 12.6,-20~ 9,-60~ 0,-67/1',
           W + .3, mat='leather', shade='none', lift=1.2)


@part('weapon.boathook', 'weapon', attach='hand.right', note='marsh pole with a bronze hook and spike', plant=159)
def boathook(d):
    d.area('weapon.pole', '-3.6,-150 3.6,-150 3.8,0 3.8,146 -3.8,146 -3.8,0', W, mat='wood', form='pole', lift=1.4)
    d.area('weapon.pole.shoe', '-4.6,138/1 4.6,138/1 3.4,158/1 0,162/1 -3.4,158/1', W + 2, mat='metal', shade='flat', lift=.8)
    d.area('weapon.pole.binding', bar(0, -142, 0, -120, 10, r=1) + ' | ' + bar(0, 20, 0, 44, 10, r=1), W + 3, mat='rope', form='bind', shade='cyl', lift=.9)
    d.ink('weapon.pole.binding', ' | '.join(line((-6, y), (6, y - 3), w=1) for y in (-137, -131, -125, 26, 32, 38)), .4)
    d.area('weapon.head', '-6,-140/2 6,-140/2 6,-156 5,-168 8,-186~ 0,-214/0 -8,-186~ -5,-168 -6,-160/1 -16,-158~ -26,-164~ -31,-176/0 '
           '-34,-160~ -26,-149~ -14,-147~ -6,-148/1', W + 4, mat='metal', form='hook', shade='flat', lift=1.2)
    d.area('weapon.head.collar', '-8,-160/1.5 8,-160/1.5 8,-153/1.5 -8,-153/1.5 | -7.4,-146/1.5 7.4,-146/1.5 7.4,-139/1.5 -7.4,-139/1.5', W + 5, mat='metal', shade='flat', lift=.8)
    d.lite('weapon.head', lens((-1, -166), (-4, -186), (-.4, -210), w=3.4), .4)
    d.area('weapon.pennon', '3,-134/1 20,-128~ 34,-131/0 26,-122/1 33,-112/0 18,-113~ 3,-118/1', W - 1, mat='cloth', form='pennon', shade='flat', lift=1.2)


@part('gear.lantern', 'gear', attach='hand.left', note='hand lantern on a bail')
def lantern(d):
    z = W
    d.area('gear.lantern.bail', '-13,30/1 -15,10~ 0,-2~ 15,10~ 13,30/1 10.4,30/1 11.6,12~ 0,1.8~ -11.6,12~ -10.4,30/1', z, mat='metal', shade='none', lift=.8)
    d.area('gear.lantern.glass', '-12,36 12,36 14,66 -14,66', z + 1, mat='glass', shade='none', lift=.6)
    d.area('gear.lantern.frame', '-14.6,34/1 -11,34/1 -13,68/1 -17,68/1 | 14.6,34/1 11,34/1 13,68/1 17,68/1 | -2,34/0 2,34/0 2,68/0 -2,68/0 | -19,64/2 19,64/2 19,73/2 -19,73/2', z + 2, mat='metal', form='frame', shade='none', lift=.9, merge=True)
    d.area('gear.lantern.roof', '-20,36/2 -8,24~ -4,20/2 4,20/2 8,24~ 20,36/2 17,40/2 -17,40/2', z + 3, mat='metal', shade='ball', lift=1.2)
    d.lite('gear.lantern.glass', 'e:0,53,7,11', .35)
    d.lite('gear.lantern.glass', 'e:0,54,3.6,7', .5)


def _longgun(d, z):
    d.area('weapon.barrel', '-4,-112/1 4,-112/1 4.4,30/1 -4.4,30/1', z, mat='metal', form='barrel', lift=2.2)
    d.area('weapon.barrel.muzzle', '-6,-116/1.5 6,-116/1.5 6,-104/1.5 -6,-104/1.5', z + 3, mat='metal', shade='flat', lift=.8)
    d.area('weapon.stock', '-6.6,-40/2 6.6,-40/2 7,20 8,40~ 9,52 16,96 12,104/2 -12,106/3 -17,98/2 -13,70~ -9,48~ -7,24', z + 1, mat='wood', form='stock', lift=2.2)
    d.area('weapon.bands', bar(-7.6, -34, 7.6, -34, 6) + ' | ' + bar(-8, 4, 8, 4, 6), z + 4, mat='metal', shade='flat', lift=.9)
    d.area('weapon.lock', '-7,16/2 7,16/2 8,42/3 -8,44/3', z + 5, mat='metal', shade='flat', lift=.9)
    d.area('weapon.lock.wheel', 'o:0,29,8.6', z + 6, mat='metal', shade='ball', lift=1.2)
    d.area('weapon.butt', '15.4,92/1 16,97 12,104/2 -12,106/3 -17,98/1 -16.2,94/1', z + 3, mat='metal', form='butt', shade='flat', lift=.7)


@part('gear.slunggun', 'gear', attach='back', origin=(0, 0), note='long gun slung across the back, muzzle over the right shoulder')
def slunggun(d):
    if d.front:
        _longgun(d, Z['behind'] + 2)
        d.area('weapon.sling', bar(0, -40, 0, 52, 8, r=0), Z['strap'] - 1, mat='leather', form='sling', shade='flat', lift=1.2)
    else:
        z = Z['over'] + 80
        d.area('weapon.sling', '-4,-44/1 -16,-36~ -22,6~ -19,52~ -10,80/1 -4,78/1 -12,50~ -14,6~ -9,-30~ -2,-37/1', z, mat='leather', form='sling', shade='flat', lift=1.6)
        _longgun(d, z + 1)


@part('weapon.sword', 'weapon', attach='hand.right', note='straight broad sword held upright')
def sword(d):
    d.area('weapon.blade', '-6,-16/1 6,-16/1 5.2,-128 0,-152/0 -5.2,-128', W, mat='metal', shade='cyl', lift=1.2)
    d.area('weapon.blade.fuller', '-1.5,-22/1 1.5,-22/1 1.1,-98/.5 -1.1,-98/.5', W + 1, mat='metal', shade='none', lift=0)
    d.area('weapon.sword.grip', '-4,-14 4,-14 4.4,18 -4.4,18', W + 1, mat='leather', shade='cyl', lift=1)
    d.area('weapon.sword.guard', '-22,-13/2 -20,-18/2 0,-20~ 20,-18/2 22,-13/2 18,-11/2 0,-14~ -18,-11/2', W + 2, mat='metal', shade='flat', lift=1)
    d.area('weapon.sword.pommel', 'o:0,21,6.6', W + 2, mat='metal', shade='ball', lift=1)


@part('gear.swordscabbard', 'gear', attach='hip.left', origin=(40, -150), note='long scabbard at the left hip')
def swordscabbard(d):
    z = Z['behind'] + 4 if d.front else Z['strap'] + 8
    d.area('gear.scabbard', bar(38, -162, 68, -62, 11, 7, r=1.5), z, mat='leather', shade='cyl', lift=1.6)
    d.area('gear.scabbard.tip', bar(64.6, -73, 68.6, -59, 9, 6.4, r=2), z + 1, mat='metal', shade='flat', lift=.8)
    d.area('gear.scabbard.throat', bar(37, -165, 41, -152, 12.6, 11.6, r=1.5), z + 1, mat='metal', shade='flat', lift=.8)


@part('gear.hilt', 'gear', attach='hip.left', origin=(40, -150), note='sheathed hilt above the left hip')
def hilt(d):
    z = Z['strap'] + 12
    d.area('weapon.sword.grip', bar(30, -188, 36.4, -168, 8, r=2), z, mat='leather', shade='cyl', lift=1.2)
    d.area('weapon.sword.pommel', 'o:29,-191,5.6', z + 1, mat='metal', shade='ball', lift=1)
    d.area('weapon.sword.guard', bar(27, -164.5, 47, -171, 5.4, r=2), z + 1, mat='metal', shade='flat', lift=1)
