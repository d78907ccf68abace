from ..part import Z, part
from ..stroke import dots, lens, line

L = Z['leg']


@part('legs.gaiters', 'legs', attach='hip', origin=(0, -150), note='breeches, knee-high gaiters, shoes')
def gaiters(d):
    d.both('leg.{s}.breeches', '0,-164 33,-164 39,-138~ 39,-106~ 37,-78 9,-78 7,-106~ 0,-136/2', L,
           form='thigh.{s}', lift=0)
    d.both('leg.{s}.shoe', '7,-12 38,-14 49,-6/4 50,1/3 46,4/2 9,4/3 6,-3/3', L + 1, mat='leather',
           shade='flat', lift=2)
    d.both('leg.{s}.gaiter', '7,-88/2 38,-88/2 40,-70~ 41,-56~ 37,-32~ 36,-18 43,-7/4 41,-3/2 11,-3/2 9,-16 '
           '10,-32~ 5,-56~ 6,-72~', L + 3, form='shin.{s}', lift=1.2)
    d.both('leg.{s}.garter', '5,-74/1 40.5,-74/1 41.5,-65/1 4.5,-65/1', L + 4, mat='leather', form='garter.{s}',
           shade='flat', lift=.8)
    if d.front:
        d.both('leg.{s}.gaiter.buttons', dots([(35, -56), (34, -45), (32.5, -34), (31, -23)], 2.3),
               L + 5, mat='metal', shade='none', lift=.7)
        d.both('leg.{s}.garter.buckle', '18,-76/1 28,-76/1 28,-63/1 18,-63/1', L + 5, mat='metal', shade='flat', lift=.8)
        d.dark('leg.*.breeches', lens((10, -96), (22, -92), (36, -98), w=4), .16, sym=True)
        d.dark('leg.*.breeches', lens((6, -128), (16, -112), (18, -92), w=4), .14, sym=True)
    else:
        d.both('leg.{s}.shoe.heel', '12,-9/2 33,-9/2 34,4/2 11,4/2', L + 2, mat='leather', shade='flat', lift=.6)
        d.ink('leg.*.gaiter', line((22.5, -63), (22.5, -8), w=1.1), .5, sym=True)
        d.dark('leg.*.breeches', lens((12, -92), (22, -95), (34, -91), w=4), .16, sym=True)
    d.dark('leg.*.gaiter', lens((10, -18), (22, -14), (36, -19), w=3.6), .16, sym=True)
    d.dark('leg.*.gaiter', lens((12, -26), (22, -23), (33, -27), w=2.6), .13, sym=True)


@part('legs.waders', 'legs', attach='hip', origin=(0, -150), note='breeches and thigh-high oiled waders')
def waders(d):
    d.both('leg.{s}.breeches', '0,-164 33,-164 39,-138~ 40,-106~ 38,-84 8,-84 6,-106~ 0,-136/2', L, form='thigh.{s}', lift=0)
    d.both('leg.{s}.boot', '6,-104 41,-106 40,-78~ 41,-58~ 37,-34~ 38,-20 48,-9/5 50,-2/3 47,2/3 9,2/3 7,-6/3 9,-22 10,-34~ 5,-58~ 7,-80~',
           L + 2, mat='leather', form='shin.{s}', lift=1.4)
    d.both('leg.{s}.boot.sole', '7,-5/2 50,-5/2 51,4/2 7,4/2', L + 3, mat='leather', form='sole.{s}', shade='flat', lift=1.4)
    d.both('leg.{s}.boot.cuff', '3,-112/2 22,-115~ 44,-113/2 43,-92/2 23,-88~ 4,-91/2', L + 4, mat='leather', form='bc.{s}', lift=1.4)
    d.both('leg.{s}.strap.knee', '5,-76/1 41,-78/1 41.5,-70/1 4.5,-68/1', L + 4, mat='leather', form='kn.{s}', shade='flat', lift=.8)
    d.both('leg.{s}.strap.ankle', '8,-28/1 38.5,-30/1 39,-22/1 8,-20/1', L + 4, mat='leather', form='an.{s}', shade='flat', lift=.8)
    if d.front:
        d.both('leg.{s}.buckle', '27,-80/1 36,-80.5/1 36,-68/1 27,-67.5/1 | 26,-31.5/1 34,-32/1 34,-19/1 26,-18.5/1', L + 5, mat='metal', shade='flat', lift=.7)
    else:
        d.ink('leg.*.boot', line((23, -88), (23, -8), w=1.1), .5, sym=True)
        d.both('leg.{s}.boot.heel', '12,-14/2 33,-14/2 34,4/2 11,4/2', L + 3.5, mat='leather', form='heel.{s}', shade='flat', lift=.6)
    d.dark('leg.*.boot', lens((8, -44), (20, -38), (36, -44), w=4), .2, sym=True)
    d.dark('leg.*.boot', lens((12, -52), (24, -47), (38, -53), w=3), .16, sym=True)
    d.dark('leg.*.boot', lens((10, -14), (24, -10), (40, -14), w=3.4), .18, sym=True)
    d.lite('leg.*.boot', lens((12, -66), (11, -56), (14, -44), w=2.6), .22)
    d.lite('leg.*.boot', lens((-36, -66), (-37, -56), (-33, -44), w=2.6), .22)


@part('legs.plate', 'legs', attach='hip', origin=(0, -150), note='mail chausses, knee cops, greaves, sabatons')
def plate(d):
    d.both('leg.{s}.mail', '0,-164 33,-164 39,-138~ 40,-106~ 38,-70 8,-70 6,-106~ 0,-136/2', L, mat='mail', form='thigh.{s}', lift=0, tex='mail')
    d.both('leg.{s}.sabaton', '7,-16 37,-16 49,-7/5 51,1/3 47,4/2 9,4/2 6,-4/3', L + 1, mat='plate', form='sab.{s}', shade='ball', lift=2)
    d.both('leg.{s}.greave', '6,-78/2 40,-78/2 42,-58~ 38,-32~ 38,-11/3 23,-8~ 9,-11/3 9,-32~ 4.5,-58~', L + 3, mat='plate', form='shin.{s}', lift=1.4)
    d.both('leg.{s}.greave.trim', '8.6,-19/1 23,-16~ 38,-19/1 38,-11/2 23,-8~ 9,-11/2', L + 4, mat='metal', form='gt.{s}', shade='flat', lift=.7)
    if d.front:
        d.both('leg.{s}.poleyn', '6,-98/4 23,-104~ 40,-98/4 45,-84/2 39,-72/4 23,-64/3 8,-72/4 2,-84/2', L + 5, mat='plate', form='knee.{s}', shade='ball', lift=1.8)
        d.both('leg.{s}.poleyn.stud', 'o:23,-84,4.4', L + 6, mat='metal', shade='ball', lift=.8)
        d.ink('leg.*.greave', line((23, -62), (23, -20), w=1.1), .45, sym=True)
    else:
        d.both('leg.{s}.strap.knee', '5,-90/1 41,-90/1 41,-82/1 5,-82/1', L + 5, mat='leather', form='kn.{s}', shade='flat', lift=.8)
        d.both('leg.{s}.strap.calf', '4.6,-64/1 42,-64/1 42,-56/1 4.4,-56/1', L + 5, mat='leather', form='cf.{s}', shade='flat', lift=.8)
        d.both('leg.{s}.buckle', '17,-66.5/1 26,-66.5/1 26,-53.5/1 17,-53.5/1', L + 6, mat='metal', form='bk.{s}', shade='flat', lift=.7)
        d.ink('leg.*.greave', line((23, -52), (23, -20), w=1.1), .45, sym=True)
    d.ink('leg.*.sabaton', line((12, -3), (24, -1), (42, -6), w=1) + ' | ' + line((11, 1), (26, 2), (46, -1), w=1), .45, sym=True)


@part('legs.jackboots', 'legs', attach='hip', origin=(0, -150), note='breeches and heavy riding boots with turned tops')
def jackboots(d):
    d.both('leg.{s}.breeches', '0,-164 33,-164 39,-138~ 40,-106~ 38,-70 8,-70 6,-106~ 0,-136/2', L, form='thigh.{s}', lift=0)
    d.both('leg.{s}.boot', '8,-80 38,-80 38,-60~ 39,-48~ 36,-30~ 37,-18 48,-8/5 50,-1/3 47,4/3 9,4/3 7,-5/3 10,-20 10,-32~ 7,-50~', L + 2, mat='leather', form='shin.{s}', lift=1.4)
    d.both('leg.{s}.boot.sole', '8,-2/1 50,-3/2 50,4/2 8,4/2', L + 3, mat='leather', form='sole.{s}', shade='flat', lift=.4)
    d.both('leg.{s}.boot.cuff', '2,-98/3 23,-101~ 45,-98/3 42,-66/3 23,-60~ 5,-66/3', L + 4, mat='leather', form='bc.{s}', lift=1.8)
    d.both('leg.{s}.boot.strap', '9,-26/2 24,-30~ 38,-26/2 38,-16/2 24,-12~ 9,-17/2', L + 4, mat='leather', form='sp.{s}', shade='flat', lift=1)
    if d.front:
        d.both('leg.{s}.buckle', 'o:24,-21,4', L + 5, mat='metal', shade='ball', lift=.8)
    else:
        d.both('leg.{s}.spur', '21,-24/1 25,-24/1 25,-14/1 21,-14/1 | o:23,-11,4.6', L + 5, mat='metal', form='spur.{s}', shade='flat', lift=1, merge=True)
    d.dark('leg.*.boot', lens((9, -38), (22, -33), (36, -38), w=4), .2, sym=True)
    d.lite('leg.*.boot', lens((13, -60), (12, -50), (14, -38), w=2.6), .25)
    d.lite('leg.*.boot', lens((-35, -60), (-36, -50), (-33, -38), w=2.6), .25)
    d.dark('leg.*.breeches', lens((6, -128), (16, -114), (20, -98), w=4), .14, sym=True)
