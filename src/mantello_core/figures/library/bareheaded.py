"""Bare heads and hair, crowns, hoods, helms of older days, and the heads of those who are no longer quite people."""

from ..part import Z, part
from ..stroke import dots, lens, line
from .heads import face

N = Z['head']


def _without_hair(d):
    d.areas = [one for one in d.areas if one.name != 'head.hair']


@part('head.bare', 'head', attach='neck', origin=(0, -240), note='bare head, short hair')
def bare(d, beard=False):
    face(d, moustache=False, beard=beard)
    _without_hair(d)
    z = N + 8
    if d.front:
        d.area('head.hair', '-27,-268/1 -29,-290~ -20,-312~ 2,-319~ 22,-311~ 29,-290~ 27,-268/1 24,-274~ 22,-288/2 8,-292~ -2,-288/1 -12,-293~ -22,-286/2 -24,-274~', z, mat='hair', form='hair', shade='ball', lift=1.4)
        for x0, x1 in ((-14, -18), (2, 4), (14, 19)):
            d.dark('head.hair', lens((x0, -312), ((x0 + x1) / 2, -302), (x1, -290), w=2.4), .2)
    else:
        d.area('head.hair', '-27,-262/3 -29,-290~ -20,-312~ 0,-319~ 20,-312~ 29,-290~ 27,-262/3 14,-252~ 0,-250~ -14,-252~', z, mat='hair', form='hair', shade='ball', lift=1.4)
        for x in (-14, 0, 14):
            d.dark('head.hair', lens((x * .8, -308), (x, -282), (x * 1.1, -256), w=2.4), .18)


@part('head.bearded', 'head', attach='neck', origin=(0, -240), note='bald head, full beard')
def bearded(d):
    face(d, moustache=True, beard=True)
    _without_hair(d)
    z = N + 1.2
    d.area('head.face.crown', '-24,-296 -25,-304~ -14,-316~ 0,-319~ 14,-316~ 25,-304~ 24,-296/1 0,-300~', z, mat='skin', form='face', shade='ball', lift=0)
    if d.front:
        d.area('head.beard.plait', '-8,-240/3 8,-240/3 6,-212~ 2,-198/1 -2,-198/1 -6,-212~', Z['over'] + 4, mat='hair', form='plait', shade='cyl', lift=1.2)
        d.area('head.beard.ring', '-7,-222/2 7,-222/2 6.4,-215/2 -6.4,-215/2', Z['over'] + 5, mat='metal', form='ring', shade='cyl', lift=.8)
    else:
        d.area('head.hair', '-25,-268/2 -14,-262~ 0,-260~ 14,-262~ 25,-268/2 23,-256/3 8,-250/2 -8,-250/2 -23,-256/3', N + 6, mat='hair', form='fringe', shade='flat', lift=.8)


@part('head.braids', 'head', attach='neck', origin=(0, -240), note='long hair parted and plaited over the shoulders')
def braids(d):
    face(d, moustache=False)
    _without_hair(d)
    z = N + 8
    if d.front:
        d.area('head.hair', '-27,-262/1 -30,-288~ -21,-312~ 0,-320~ 21,-312~ 30,-288~ 27,-262/1 24,-270~ 22,-284~ 10,-296~ 0,-302/1 -10,-296~ -22,-284~ -24,-270~', z, mat='hair', form='hair', shade='ball', lift=1.4)
        d.both('head.hair.plait.{s}', '22,-264/2 30,-262/2 36,-236~ 36,-204~ 32,-176/1 26,-176/1 25,-204~ 26,-236~', Z['over'] + 9, mat='hair', form='plait.{s}', shade='cyl', lift=1.6)
        d.ink('head.hair.plait', ' | '.join(line((25, y), (36, y + 7), w=1.2) for y in (-248, -236, -224, -212, -200, -190)), .4, sym=True)
        d.both('head.hair.tie.{s}', '24,-186/2 34,-186/2 33.4,-179/2 25,-179/2', Z['over'] + 10, mat='cloth', form='tie.{s}', shade='flat', lift=.8)
    else:
        d.area('head.hair', '-28,-262/3 -30,-288~ -21,-312~ 0,-320~ 21,-312~ 30,-288~ 28,-262/3 22,-244/3 0,-238~ -22,-244/3', z, mat='hair', form='hair', shade='ball', lift=1.6)
        d.ink('head.hair', line((0, -318), (0, -246), w=1.2), .45)


@part('head.topknot', 'head', attach='neck', origin=(0, -240), note='shaved sides, hair drawn up in a knot, scar')
def topknot(d):
    face(d, moustache=True)
    _without_hair(d)
    z = N + 8
    d.area('head.face.crown', '-24,-296 -25,-304~ -14,-316~ 0,-319~ 14,-316~ 25,-304~ 24,-296/1 0,-300~', N + 1.2, mat='skin', form='face', shade='ball', lift=0)
    d.area('head.hair', '-14,-306/2 -8,-320~ 0,-326~ 8,-320~ 14,-306/2 0,-312~' if d.front else '-14,-270/3 -16,-300~ -8,-320~ 0,-326~ 8,-320~ 16,-300~ 14,-270/3 0,-262~', z, mat='hair', form='hair', shade='ball', lift=1.2)
    d.area('head.hair.knot', 'e:0,-331,9,8', z + 1, mat='hair', form='knot', shade='ball', lift=1.4)
    d.area('head.hair.tie', '-7,-326/2 7,-326/2 7,-320/2 -7,-320/2', z + 2, mat='cloth', form='tie', shade='flat', lift=.8)
    if d.front:
        d.ink('head.face', line((14, -284), (18, -262), (15, -252), w=1.4), .5)


@part('head.circlet', 'head', attach='neck', origin=(0, -240), note='long loose hair under a crown of five points')
def circlet(d):
    face(d, moustache=False)
    _without_hair(d)
    z = N + 8
    if d.front:
        d.both('head.hair', '20,-300/2 29,-288~ 33,-258~ 32,-226/5 22,-222/4 22,-250~ 25,-270~', N + .6, mat='hair', form='lock.{s}', shade='cyl', lift=1.2)
        d.area('head.hair', '-26,-286/1 -22,-308~ 0,-320~ 22,-308~ 26,-286/1 12,-296~ 0,-299~ -12,-296~', z - 1, mat='hair', form='hair', shade='ball', lift=1)
    else:
        d.area('head.hair', '-28,-290~ -20,-312~ 0,-320~ 20,-312~ 28,-290~ 34,-256~ 32,-222/6 14,-212/4 0,-216~ -14,-212/4 -32,-222/6 -34,-256~', Z['over'] + 12, mat='hair', form='hair', shade='ball', lift=1.8)
        for x in (-16, -2, 14):
            d.dark('head.hair', lens((x * .6, -300), (x, -262), (x * 1.3, -222), w=3), .2)
    c = Z['over'] + 13
    d.area('head.crown', '-28,-294/1 -30,-318/1 -20,-308/1 -14,-322/1 -7,-309/1 0,-328/1 7,-309/1 14,-322/1 20,-308/1 30,-318/1 28,-294/1 0,-289~', c, mat='metal', form='crown', shade='cyl', lift=1.6)
    d.area('head.crown.stone', dots([(-16, -301), (0, -299), (16, -301)], 3), c + 1, mat='glass', form='stone', shade='ball', lift=.6)
    d.area('head.crown.band', '-28,-295/1 0,-290~ 28,-295/1 28,-289/1 0,-284~ -28,-289/1', c + 2, mat='metal', form='cband', shade='flat', lift=.7)


@part('head.cowl', 'head', attach='neck', origin=(0, -240), note='pointed cowl, face in its shade, chain at the throat')
def cowl(d):
    z = Z['over'] + 10
    d.area('head.hood.body', '-46,-226/4 -42,-262~ -34,-294~ -18,-320~ 4,-344/3 20,-318~ 34,-294~ 42,-262~ 46,-226/4 24,-216~ 0,-212~ -24,-216~', z, form='cowl', shade='ball', lift=2.4)
    if d.front:
        d.area('head.hood.lining', '-24,-236/3 -27,-264~ -20,-288~ 0,-302~ 20,-288~ 27,-264~ 24,-236/3 0,-228~', z + 2, form='lining', shade='none', lift=0)
        d.area('head.hood.trim', '-30,-232/2 -32,-264~ -24,-292~ 0,-308~ 24,-292~ 32,-264~ 30,-232/2 16,-222~ 0,-220~ -16,-222~', z + 1, form='trim', shade='flat', lift=.8)
        d.area('head.face', '-17,-280/8 17,-280/8 19,-262~ 14,-244/4 0,-236~ -14,-244/4 -19,-262~', z + 3, mat='skin', form='face', shade='none', lift=.4)
        d.area('head.eyes', 'e:-7.6,-264,2.1,2.4 e:7.6,-264,2.1,2.4', z + 4, mat='paint', shade='none', lift=0)
        d.ink('head.face', line((-4, -247), (4, -247), w=1.4), .5)
        d.dark(('head.face', 'head.hood.lining'), '-34,-310/0 34,-310/0 34,-272~ 0,-264~ -34,-272~', .34)
        d.area('head.hood.clasp', 'o:-14,-222,4 o:14,-222,4', z + 5, mat='metal', form='clasp', shade='ball', lift=1)
        d.area('head.hood.chain', '-13,-220/1 0,-212~ 13,-220/1 13,-217/1 0,-208~ -13,-217/1', z + 4, mat='metal', form='chain', shade='none', lift=.8)
    else:
        d.dark('head.hood.body', lens((0, -336), (4, -290), (2, -230), w=5), .14)
        d.lite('head.hood.body', lens((-14, -314), (-24, -276), (-26, -234), w=4), .14)


@part('head.nasalhelm', 'head', attach='neck', origin=(0, -240), note='conical helm with a nose guard, mail over neck and shoulders')
def nasalhelm(d):
    face(d, moustache=True, beard=d.front)
    d.area('head.coif', '-26,-280/2 -32,-262~ -40,-238~ -46,-226/4 -20,-214~ 0,-211~ 20,-214~ 46,-226/4 40,-238~ 32,-262~ 26,-280/2' if not d.front else '-27,-280/1 -33,-262~ -42,-238~ -46,-226/4 -20,-214~ 0,-211~ 20,-214~ 46,-226/4 42,-238~ 33,-262~ 27,-280/1 23,-262~ 20,-248~ 12,-238~ 0,-234~ -12,-238~ -20,-248~ -23,-262~', Z['over'] + 4, mat='mail', form='coif', shade='ball', lift=1.8, tex='mail')
    h = Z['over'] + 8
    d.area('head.helm.skull', '-31,-278/2 -30,-300~ -18,-324~ 0,-346/2 18,-324~ 30,-300~ 31,-278/2 0,-273~', h, mat='plate', form='helm', shade='ball', lift=2)
    d.area('head.helm.brow', '-32,-284/2 0,-279~ 32,-284/2 32,-274/2 0,-269~ -32,-274/2', h + 2, mat='metal', form='brow', shade='flat', lift=1)
    d.area('head.helm.rib', '-3.4,-344/1 3.4,-344/1 4.4,-310 4,-280/1 -4,-280/1 -4.4,-310', h + 1, mat='metal', form='rib', shade='cyl', lift=.8)
    if d.front:
        d.area('head.helm.nasal', '-4,-280/1 4,-280/1 5,-256/2 0,-252/2 -5,-256/2', h + 3, mat='metal', form='nasal', shade='flat', lift=1.2)
    d.area('head.helm.rivet', dots([(-22, -278), (-11, -276), (11, -276), (22, -278)], 1.7), h + 3, mat='metal', shade='none', lift=.5)


@part('head.hornedhelm', 'head', attach='neck', origin=(0, -240), note='bowl helm with two swept horns and cheek plates')
def hornedhelm(d):
    face(d, moustache=True, beard=True)
    h = Z['over'] + 8
    d.both('head.horns.{s}', '26,-302/4 44,-312~ 58,-334~ 60,-362/0 52,-344~ 40,-330~ 22,-320/4', h - 1, mat='paint', form='horn.{s}', shade='cyl', lift=1.8)
    d.both('head.horns.{s}.ring', '25,-304/2 34,-308/2 31,-324/2 22,-319/2', h + 1, mat='metal', form='hring.{s}', shade='flat', lift=.8)
    d.area('head.helm.skull', '-31,-280/3 -32,-300~ -20,-320~ 0,-326~ 20,-320~ 32,-300~ 31,-280/3 0,-275~', h, mat='plate', form='helm', shade='ball', lift=2)
    d.area('head.helm.brow', '-32,-288/2 0,-283~ 32,-288/2 32,-277/2 0,-272~ -32,-277/2', h + 2, mat='metal', form='brow', shade='flat', lift=1)
    d.both('head.helm.cheek.{s}', '18,-278/2 31,-280/2 29,-256~ 20,-246/3 15,-258~' if d.front else '14,-278/2 31,-280/2 29,-256~ 16,-250/3', h - .5, mat='plate', form='cheek.{s}', shade='flat', lift=1.2)


@part('head.skull', 'head', attach='neck', origin=(0, -240), note='bare skull under a dented kettle helm')
def skull(d):
    z = N + 2
    if d.front:
        d.area('head.skull.bone', '-24,-292 24,-292 26,-272~ 21,-260~ 14,-256/3 13,-242/4 -13,-242/4 -14,-256/3 -21,-260~ -26,-272~', z, mat='paint', form='bone', shade='ball', lift=1.6)
        d.area('head.skull.socket', '-17,-274/4 -5,-273/4 -6,-262/4 -15,-261/4 | 17,-274/4 5,-273/4 6,-262/4 15,-261/4 | 0,-262/1 3.4,-255/1 -3.4,-255/1', z + 1, mat='paint', form='socket', shade='none', lift=0)
        d.area('head.skull.teeth', '-10,-251/1 10,-251/1 9,-244/1 -9,-244/1', z + 1, mat='paint', form='teeth', shade='none', lift=.3)
        d.ink('head.skull.teeth', ' | '.join(line((x, -251), (x, -244), w=.9) for x in (-6, -3, 0, 3, 6)), .6)
    else:
        d.area('head.skull.bone', '-24,-292 24,-292 26,-268~ 18,-250/4 -18,-250/4 -26,-268~', z, mat='paint', form='bone', shade='ball', lift=1.6)
        d.area('head.skull.neck', ' | '.join(f'-5,{y}/2 5,{y}/2 5,{y + 6}/2 -5,{y + 6}/2' for y in (-250, -243)), z - 1, mat='paint', form='vert', shade='cyl', lift=1)
    h = N + 10
    d.area('head.helm.skull', '-28,-288/2 -27,-304~ -14,-320~ 4,-322/4 18,-316~ 27,-302~ 28,-288/2 0,-284~', h, mat='metal', form='helm', shade='ball', lift=1.8)
    d.area('head.helm.brim', '-46,-284/4 -28,-291~ 0,-294~ 28,-291~ 46,-284/4 28,-277~ 0,-275~ -28,-277~', h + 1, mat='metal', form='brim', shade='flat', lift=2.2)
    d.ink('head.helm.skull', line((8, -312), (14, -304), (11, -298), w=1.4), .5)


@part('head.brute', 'head', attach='neck', origin=(0, -240), note='heavy-jawed head with tusks, small iron cap')
def brute(d):
    z = N + 2
    d.area('head.ears', '26,-272/1 44,-286/1 40,-266/2 28,-258/2 | -26,-272/1 -44,-286/1 -40,-266/2 -28,-258/2', z - 1, mat='skin', form='ears', shade='flat', lift=1)
    d.area('head.face', '-24,-302 24,-302 28,-276~ 34,-256~ 26,-234/8 -26,-234/8 -34,-256~ -28,-276~', z, mat='skin', form='face', shade='ball', lift=2)
    if d.front:
        d.area('head.brow', '-26,-284/4 0,-279~ 26,-284/4 24,-274/3 0,-271~ -24,-274/3', z + 2, mat='skin', form='brow', shade='flat', lift=1.4)
        d.area('head.eyes', 'e:-11,-267,3.2,2.6 e:11,-267,3.2,2.6', z + 3, mat='paint', shade='none', lift=0)
        d.ink('head.face', line((-19, -250), (-8, -247), (8, -247), (19, -250), w=2) + ' | e:-4,-262,2,1.6 e:4,-262,2,1.6', .6)
        d.area('head.tusks', '-18,-249/1 -12,-248/1 -15,-266/0 | 18,-249/1 12,-248/1 15,-266/0', z + 4, mat='paint', form='tusks', shade='cyl', lift=1)
    else:
        d.dark('head.face', lens((-22, -262), (0, -256), (22, -262), w=5), .16)
    h = N + 10
    d.area('head.helm.skull', '-25,-294/2 -22,-312~ 0,-322~ 22,-312~ 25,-294/2 0,-290~', h, mat='metal', form='helm', shade='ball', lift=1.8)
    d.area('head.helm.brow', '-26,-299/2 0,-294~ 26,-299/2 26,-290/2 0,-286~ -26,-290/2', h + 1, mat='metal', form='hb', shade='flat', lift=1)
    d.area('head.helm.spike', '-4,-320/1 4,-320/1 0,-340/0', h - 1, mat='metal', form='spike', shade='cyl', lift=1)


@part('head.mask', 'head', attach='neck', origin=(0, -240), note='smooth mask under a veil')
def mask(d):
    z = N + 4
    d.area('head.veil', '-32,-262~ -30,-298~ -16,-318~ 0,-322~ 16,-318~ 30,-298~ 32,-262~ 40,-224/4 0,-214~ -40,-224/4', z - 2 if d.front else Z['over'] + 12, form='veil', shade='ball', lift=1.6)
    if d.front:
        d.area('head.mask.face', '-20,-300/6 20,-300/6 23,-274~ 16,-248/5 0,-238~ -16,-248/5 -23,-274~', z, mat='metal', form='mask', shade='ball', lift=1.6)
        d.area('head.mask.slit', '-15,-275/2 -5,-273/2 -5,-270/2 -14,-270/2 | 15,-275/2 5,-273/2 5,-270/2 14,-270/2', z + 1, mat='paint', shade='none', lift=0)
        d.area('head.mask.line', '-1.6,-298/1 1.6,-298/1 1.6,-262/1 -1.6,-262/1', z + 1, mat='paint', form='mline', shade='none', lift=.3)
        d.ink('head.mask.face', line((-6, -252), (0, -250), (6, -252), w=1.4), .5)
        d.site('mask.brow', 'head.mask.face', 0, -290, 1.4, 1.2, 'disc', 'dome:3')
    else:
        for x in (-18, -2, 16):
            d.dark('head.veil', lens((x * .6, -304), (x, -262), (x * 1.4, -224), w=4), .16)
    d.area('head.veil.band', '-30,-298/1 0,-293~ 30,-298/1 30,-289/1 0,-284~ -30,-289/1', (z + 3) if d.front else Z['over'] + 13, mat='cloth', form='vband', shade='cyl', lift=.8)
