from ..part import Z, part
from ..stroke import bar, lens, line

S = Z['strap']


@part('gear.crossbelts', 'gear', attach='neck', origin=(0, -240), note='two shoulder belts, cartridge box and bayonet scabbard')
def crossbelts(d):
    # cartridge belt: left shoulder to right hip; blade belt: right shoulder to left hip
    if d.front:
        # the lower ends are cut along the side of the coat, not square
        d.area('gear.strap.cross.right', '-28,-242 -38,-240 37.4,-152/1 35.6,-168/1', S, mat='leather', form='sb', shade='flat', lift=1.2)
        d.area('gear.strap.cross.left', '28,-242 38,-240 -37.4,-152/1 -35.6,-168/1', S + 1, mat='leather', form='sa', shade='flat', lift=1.2)
        d.area('gear.strap.plate', 'e:0,-201,8.4,10.4', S + 2, mat='metal', shade='ball', lift=1.3)
        d.area('gear.scabbard', bar(46, -150, 62, -84, 9, 6, r=1), Z['behind'] + 4, mat='leather', shade='cyl', lift=1.4)
        d.area('gear.scabbard.tip', bar(60.2, -92, 62.5, -82, 7, 5.5, r=1.5), Z['behind'] + 5, mat='metal', shade='flat', lift=.8)
        d.site('belt.plate', 'gear.strap.plate', 0, -201, 1.3, 1.7, 'oval', 'dome:3')
    else:
        d.area('gear.strap.cross.right', bar(-29.5, -236, 36, -158, 10.5, r=1), S, mat='leather', form='sb', shade='flat', lift=1.2)
        d.area('gear.strap.cross.left', bar(29.5, -236, -36, -158, 10.5, r=1), S + 1, mat='leather', form='sa', shade='flat', lift=1.2)
        d.area('gear.scabbard', bar(40, -160, 58, -86, 10, 6.4, r=1), S + 4, mat='leather', shade='cyl', lift=1.6)
        d.area('gear.scabbard.tip', bar(55.8, -95, 58.6, -83, 7.4, 5.8, r=1.5), S + 5, mat='metal', shade='flat', lift=.8)
        d.area('gear.box.body', '-56,-164/3 -18,-160/3 -20,-130/4 -56,-134/4', S + 4, mat='leather', shade='flat', lift=2.4)
        d.area('gear.box.flap', '-58,-167/3 -16,-163/3 -19,-140~ -37,-134~ -57,-143~', S + 5, mat='leather', form='flap', shade='ball', lift=1.2)
        d.area('gear.box.badge', 'o:-37,-151,6.2', S + 6, mat='metal', shade='ball', lift=.9)
        d.site('box.flap', 'gear.box.flap', -37, -151, 2.2, 1.8, 'rect', 'flat')


@part('gear.pack', 'gear', attach='neck', origin=(0, -240), note='hide knapsack with a rolled blanket on top')
def pack(d):
    P = Z['over'] + 40
    if d.front:
        d.both('gear.pack.strap.{s}', '29,-238/1 36,-238/1 44,-216~ 43,-200/1 37,-200/1 37,-216~', S + 3, mat='leather', form='ps', shade='flat', lift=1)
        return
    d.area('gear.pack.body', '-33,-224/4 33,-224/4 35,-174/5 -35,-174/5', P, mat='fur', shade='cyl', lift=3.4, tex='fur')
    d.area('gear.pack.flap', '-34,-226/4 34,-226/4 35,-198/3 0,-193~ -35,-198/3', P + 1, mat='fur', form='pf', shade='flat', lift=1.6, tex='fur')
    d.area('gear.pack.strap.mid', ' | '.join(bar(x, -226, x * 1.05, -184, 5, r=1) for x in (-19, 0.01, 19)), P + 2, mat='leather', shade='none', lift=.9)
    d.area('gear.pack.buckle', ' | '.join(f'{x - 4},-190/1 {x + 4},-190/1 {x + 4},-183/1 {x - 4},-183/1' for x in (-19.6, 0, 19.6)), P + 3, mat='metal', shade='none', lift=.6)
    d.area('gear.blanket', '-38,-240/7 38,-240/7 38,-223/7 -38,-223/7', P + 4, mat='cloth', shade='none', lift=2)
    d.area('gear.blanket.end', 'e:-37.5,-231.5,4.6,8.4 e:37.5,-231.5,4.6,8.4', P + 5, mat='cloth', shade='none', lift=.6)
    d.area('gear.blanket.strap', bar(-19, -241, -19, -222, 5, r=1) + ' | ' + bar(19, -241, 19, -222, 5, r=1), P + 6, mat='leather', shade='none', lift=.8)
    d.dark('gear.blanket', '-40,-230 40,-230 40,-222 -40,-222', .2)
    d.lite('gear.blanket', '-32,-237.6 32,-237.6 32,-235 -32,-235', .22)
    d.ink('gear.blanket.end', 'e:-37.5,-231.5,2.2,4.6 e:37.5,-231.5,2.2,4.6', .3)
    d.site('pack.flap', 'gear.pack.flap', 0, -210, 3.0, 2.4, 'rect', 'flat')


@part('gear.sash', 'gear', attach='neck', origin=(0, -240), note='broad shoulder sash and a knotted waist sash with fringed ends')
def sash(d):
    d.area('gear.sash.shoulder', '-22,-243/1 -40,-239/2 37.4,-150/0 35.4,-174/0', S, form='ss', shade='flat', lift=1.3)
    d.area('gear.sash.shoulder.edge', '-22,-243/0 -25.4,-242/0 35.8,-169/0 35.4,-174/0 | -40,-239/0 -36.6,-240/0 37,-155/0 37.4,-150/0', S + 1, shade='none', lift=0)
    d.area('gear.sash.waist', '-36.4,-174/1 0,-171~ 36.4,-174/1 38.4,-155/1 0,-151~ -38.4,-155/1', S + 2, form='sw', shade='flat', lift=1.4)
    d.dark('gear.sash.waist', lens((-34, -168), (-4, -163), (30, -167), w=2.6), .22)
    d.dark('gear.sash.waist', lens((-30, -160), (4, -157), (34, -161), w=2.4), .18)
    if d.front:
        d.area('gear.sash.tail', '16,-156/1 28,-156/1 27,-128~ 30,-106/1 19,-103/1 17,-128~ | 22,-156/1 31,-158/1 40,-132~ 44,-116/1 34,-112/1 28,-130~', S + 3, form='tail', shade='flat', lift=1.6)
        d.area('gear.sash.fringe', '19,-104/1 30,-107/1 32,-95/1 20,-92/1 | 34,-113/1 44,-117/1 48,-106/1 37,-101/1', S + 4, mat='rope', shade='none', lift=1)
        d.ink('gear.sash.fringe', ' | '.join(line((x, -104), (x + 1, -93), w=.9) for x in (22.5, 25.5, 28.5)) + ' | ' + ' | '.join(line((x, -115), (x + 4, -103), w=.9) for x in (37, 40, 42.6)), .5)
        d.area('gear.sash.knot', '15,-173/5 33,-175/5 34,-152/5 16,-151/5', S + 5, form='knot', shade='ball', lift=1.6)
        d.ink('gear.sash.knot', lens((18, -166), (24, -162), (31, -168), w=1.6), .4)


@part('gear.gorget', 'gear', attach='neck', origin=(0, -240), note='crescent gorget at the throat')
def gorget(d):
    if not d.front:
        return
    d.area('gear.gorget', '-17,-238/1 -9,-232~ 0,-230~ 9,-232~ 17,-238/1 16,-222~ 0,-208/4 -16,-222~', S + 3, mat='metal', shade='ball', lift=1.6)
    d.area('gear.gorget.badge', 'o:0,-221,4.4', S + 4, mat='metal', shade='ball', lift=.8)
    d.site('gorget', 'gear.gorget', 0, -221, 1.4, 1.0, 'oval', 'cyl:4')
