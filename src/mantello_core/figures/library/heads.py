import math

from ..part import Z, part
from ..stroke import lens, line

N = Z['head']
PLUME = ('33,-298/2 46,-306~ 49,-320/1 56,-328~ 51,-342/1 55,-354~ 44,-364/1 42,-376~ 28,-378/1 20,-386~ 8,-380/1 -4,-383~ '
         '-12,-374/1 -24,-366~ -24,-352/2 -8,-356~ 12,-353~ 26,-343~ 31,-324~ 25,-302/2')
PLUME_TIP = '8,-380/1 -4,-383~ -12,-374/1 -24,-366~ -24,-352/2 -8,-356~ 4,-355/1 -1,-362/1 7,-368/1 2,-374/1'


def face(d, moustache=True, beard=False, z=N):
    """A bare face from brow to chin, 48 wide; the headgear covers the rest."""
    if d.front:
        d.area('head.hair', '-26,-298 26,-298 28,-272~ 25,-252 18,-244 -18,-244 -25,-252 -28,-272~', z, mat='hair', form='hair', lift=.5)
        d.area('head.ears', 'e:26.5,-266,4.6,7 e:-26.5,-266,4.6,7', z + .5, mat='skin', shade='none', lift=.6)
        d.area('head.face', '-24,-300 24,-300 25.5,-272~ 22,-254~ 11,-240/6 -11,-240/6 -22,-254~ -25.5,-272~', z + 1,
               mat='skin', form='face', shade='ball', lift=1.6)
        d.area('head.eyes', 'e:-9.4,-265.5,2.3,3 e:9.4,-265.5,2.3,3', z + 2, mat='paint', shade='none', lift=0)
        d.dark('head.face', '-1.5,-270/1 1.5,-270/1 6,-257/2 2,-255/1 -4.6,-256/2', .16)
        d.ink('head.face', '-17,-273.4/1 -5,-271.4/1 -5,-268.8/1 -16,-270.6/1', .7, sym=True)
        d.ink('head.face', line((-5, -247.6), (5, -247.6), w=1.5), .5)
        if moustache:
            d.area('head.moustache', '0,-257.5/1 8,-257~ 17,-250/1 9,-250~ 0,-252.4/1 -9,-250~ -17,-250/1 -8,-257~', z + 2, mat='hair', shade='none', lift=.8)
        if beard:
            d.area('head.beard', '-25,-268/1 -20,-262~ -14,-252~ 0,-250~ 14,-252~ 20,-262~ 25,-268/1 24,-250~ 12,-233/5 -12,-233/5 -24,-250~', z + 1.5, mat='hair', shade='ball', lift=.8)
    else:
        d.area('head.face', '-24,-296 24,-296 25.5,-270~ 22,-254 15,-240/3 -15,-240/3 -22,-254 -25.5,-270~', z, mat='skin', form='face', shade='ball', lift=1)
        d.area('head.ears', 'e:26,-266,4.4,7 e:-26,-266,4.4,7', z - .5, mat='skin', shade='none', lift=.6)
        d.area('head.hair', '-25,-298 25,-298 26.5,-274~ 23,-257/4 8,-253/2 0,-255/1 -8,-253/2 -23,-257/4 -26.5,-274~', z + 1, mat='hair', form='hair', shade='ball', lift=.8)


@part('head.keelcap', 'head', attach='neck', origin=(0, -240), note='tall felt cap, gabled like an upturned keel, fan plate, plume')
def keelcap(d, plume=True):
    face(d)
    z = N + 10
    if plume:
        d.area('head.hat.plume', '-6,-350 -12,-376~ -11,-404~ 4,-432~ 20,-440/2 17,-416~ 15,-390~ 6,-350', z, mat='feather', form='plume', shade='cyl', lift=.5)
        d.area('head.hat.plume.tip', '-11.6,-398/1 -6,-420~ 4,-432~ 20,-440/2 17.6,-420~ 16.2,-404/1 9,-396/1 2,-402/1 -4,-394/1', z + .5, mat='feather', form='plumetip', shade='flat', lift=.6)
        d.ink('head.hat.plume', ' | '.join(lens((1 + dx * .4, -358), (2 + dx, -376), (2.6 + dx * 1.1, -390), w=1.4) for dx in (-6, 0.2, 6)), .3)
    d.area('head.hat.body', '-28,-281 -29,-304~ -34,-342/3 0,-366/6 34,-342/3 29,-304~ 28,-281', z + 1, form='hat', lift=1.5)
    d.area('head.hat.trim', '-34,-342/3 0,-366/6 34,-342/3 33,-331/1 0,-354/5 -33,-331/1', z + 2, form='hattrim', shade='flat', lift=.8)
    if d.front:
        d.area('head.hat.cord', '-31.6,-322/1 -18,-307~ 0,-301~ 18,-307~ 31.6,-322/1 30.8,-314/1 18,-299.6~ 0,-294.4~ -18,-299.6~ -30.8,-314/1', z + 3, mat='rope', shade='none', lift=.8)
        d.area('head.hat.plate', '-8,-292/2 8,-292/2 20,-316~ 18,-328/3 9,-334/3 0,-340/3 -9,-334/3 -18,-328/3 -20,-316~', z + 4, mat='metal', form='plate', shade='flat', lift=1.3)
        d.area('head.hat.badge', 'o:0,-305,6.6', z + 5, mat='metal', shade='ball', lift=.8)
        d.ink('head.hat.plate', ' | '.join(line((x * .55, -315), (x, -331 + abs(x) * .35), w=1.1) for x in (-13, -6.5, 0.01, 6.5, 13)), .45)
        d.area('head.hat.cockade', 'o:0,-352,8', z + 6, mat='cloth', shade='ball', lift=1.2)
        d.area('head.hat.cockade.eye', 'o:0,-352,3.2', z + 7, mat='metal', shade='none', lift=.5)
        d.area('head.hat.band', '-28.6,-294 0,-291~ 28.6,-294 28,-279 -28,-279', z + 3.5, mat='leather', form='band', shade='cyl', lift=.9)
        d.area('head.hat.peak', '-30,-284/3 0,-283~ 30,-284/3 25,-277~ 0,-273.5~ -25,-277~', z + 8, mat='leather', shade='none', lift=2.4)
        d.area('head.hat.chinstrap', '-28,-281/1 -26.5,-262~ -13,-240~ 0,-237~ 13,-240~ 26.5,-262~ 28,-281/1 24.4,-281/1 23,-262~ 11,-243~ 0,-240.6~ -11,-243~ -23,-262~ -24.4,-281/1',
               z - 5, mat='metal', shade='none', lift=.9)
        d.lite('head.hat.peak', lens((-22, -280.5), (-6, -278), (8, -278.2), w=2.4), .35)
        d.site('hat.plate', 'head.hat.plate', 0, -316, 3.2, 4.2, 'shield', 'cyl:3')
    else:
        d.area('head.hat.band', '-28.6,-294 0,-292~ 28.6,-294 28,-277 0,-275~ -28,-277', z + 3.5, mat='leather', form='band', lift=.9)
        d.area('head.hat.cord', '-31.6,-322/1 -18,-309~ 0,-304~ 18,-309~ 31.6,-322/1 30.8,-314/1 18,-301.6~ 0,-297.4~ -18,-301.6~ -30.8,-314/1', z + 3, mat='rope', shade='none', lift=.8)
        r = Z['top'] + 3
        d.both('head.hat.ribbon.{s}', '1,-284/1 8,-285/1 12,-258~ 14,-226/0 8.5,-232/0 3,-226/0 3,-258~', r, form='rib.{s}', shade='flat', lift=1.2)
        d.area('head.hat.rosette', 'o:0,-285,7', r + 1, shade='ball', lift=1.1)
        d.area('head.hat.rosette.eye', 'o:0,-285,2.8', r + 2, mat='metal', shade='none', lift=.5)
    d.dark('head.hat.body', lens((22, -332), (19, -314), (20, -296), w=4), .14)


@part('head.hood', 'head', attach='neck', origin=(0, -240), note='deep hood with a tail, scarf over mouth and nose')
def hood(d):
    z = N
    if d.front:
        d.area('head.hood.body', '-42,-232/3 -40,-266~ -33,-296~ -16,-317~ 6,-330/4 20,-315~ 34,-296~ 40,-266~ 42,-232/3 24,-222~ 0,-218~ -24,-222~', Z['over'] + 10, form='hood', shade='ball', lift=2.2)
        d.area('head.hood.trim', '-30,-236/2 -32,-266~ -25,-292~ 0,-307~ 25,-292~ 32,-266~ 30,-236/2 16,-226~ 0,-224~ -16,-226~', Z['over'] + 11, form='hoodtrim', shade='flat', lift=.9)
        d.area('head.hood.lining', '-25,-238/2 -27,-266~ -20,-288~ 0,-300~ 20,-288~ 27,-266~ 25,-238/2 0,-230~', Z['over'] + 12, form='hoodlin', shade='none', lift=0)
        f = Z['over'] + 13
        d.area('head.face', '-20,-286/6 20,-286/6 22.5,-266~ 18,-248 -18,-248 -22.5,-266~', f, mat='skin', form='face', shade='none', lift=.5)
        d.area('head.hair', '-21,-284 -8,-293~ 12,-292~ 21,-284 21.5,-272/1 12,-280~ 2,-283/1 -6,-277~ -21.5,-270/1', f + 1, mat='hair', shade='none', lift=.8)
        d.area('head.eyes', 'e:-8.6,-266.5,2.3,2.8 e:8.6,-266.5,2.3,2.8', f + 1, mat='paint', shade='none', lift=0)
        d.ink('head.face', '-15,-274/1 -4.6,-271.6/1 -4.6,-269/1 -14,-271/1', .7, sym=True)
        d.area('head.scarf', '-23,-260/1 -9,-261~ 0,-266/2 9,-261~ 23,-260/1 24,-246~ 19,-232/4 -19,-232/4 -24,-246~', f + 2, form='scarf', shade='ball', lift=1.2)
        d.area('head.scarf.wrap', '-28,-242/3 -14,-238~ 0,-236.5~ 14,-238~ 28,-242/3 30,-230/3 14,-222~ 0,-220~ -14,-222~ -30,-230/3', f + 3, form='wrap', shade='flat', lift=1.4)
        d.dark(('head.face', 'head.hood.lining', 'head.hair'), '-34,-310/0 34,-310/0 34,-281~ 0,-277~ -34,-281~', .3)
        d.dark(('head.hood.lining', 'head.face'), '-34,-300/0 -17,-286/0 -20,-266~ -19,-232/0 -34,-232/0', .2)
        d.dark(('head.scarf',), lens((-18, -250), (-6, -246), (4, -247), w=3), .2)
        d.dark(('head.scarf',), lens((20, -252), (8, -244), (-2, -240), w=3), .18)
        d.dark(('head.scarf.wrap',), lens((24, -236), (6, -230), (-12, -230), w=2.6), .2)
        d.dark('head.hood.body', lens((12, -322), (24, -308), (33, -286), w=4), .16)
        d.lite('head.hood.body', lens((-6, -322), (-22, -308), (-34, -282), w=3), .16)
    else:
        z = Z['over'] + 60
        d.area('head.hood.body', '-42,-232/3 -40,-266~ -33,-296~ -16,-317~ 6,-330/4 20,-315~ 34,-296~ 40,-266~ 42,-232/3 24,-221~ 0,-217~ -24,-221~', z, form='hood', shade='ball', lift=2.4)
        d.area('head.hood.tail', '-7,-292/3 7,-292/3 10,-262~ 8,-230~ 4,-196/2 -4,-196/2 -8,-230~ -10,-262~', z + 1, form='tail', lift=1.6)
        d.area('head.hood.tassel', '-3.6,-199/1 3.6,-199/1 6.4,-180/1 0,-183/1 -6.4,-180/1', z + 2, mat='rope', shade='flat', lift=1)
        d.area('head.hood.toggle', '-6.2,-204/2 6.2,-204/2 6.2,-196/2 -6.2,-196/2', z + 3, mat='wood', shade='flat', lift=1)
        d.dark('head.hood.body', lens((-34, -284), (-30, -262), (-34, -238), w=5), .12)
        d.dark('head.hood.body', lens((28, -296), (26, -268), (30, -236), w=5), .16)
        d.dark('head.hood.body', lens((14, -306), (17, -278), (18, -240), w=4), .14)
        d.lite('head.hood.body', lens((-14, -306), (-20, -278), (-20, -246), w=3.4), .14)


@part('head.tidehelm', 'head', attach='neck', origin=(0, -240), note='keeled great helm with a fan crest over a mail cape')
def tidehelm(d):
    z = Z['over'] + 10
    d.area('head.mail', '-27,-252 27,-252 36,-243~ 44,-230/3 32,-223~ 0,-212~ -32,-223~ -44,-230/3 -36,-243~',
           Z['over'] + 6, mat='mail', form='cape', shade='ball', lift=2, tex='mail')
    # crest: nine blades of a fan, odd ones and even ones are two areas
    cx, cy, n = 0, -300, 9
    odd, even = [], []
    for i in range(n):
        a0, a1 = math.radians(180 + 8 + 164 / n * i), math.radians(180 + 8 + 164 / n * (i + 1))
        am = (a0 + a1) / 2
        r0, r1 = 20, 58 + 8 * math.sin(math.pi * (i + .5) / n)
        p = lambda r, a: f'{cx + r * math.cos(a):.1f},{cy + r * math.sin(a):.1f}'
        (even if i % 2 else odd).append(f'{p(r0, a0)}/0 {p(r1 - 5, a0)}/1 {p(r1 + 2, am)}/3 {p(r1 - 5, a1)}/1 {p(r0, a1)}/0')
    d.area('head.helm.crest.odd', ' | '.join(odd), Z['over'] + 8, mat='leather', form='crest', shade='flat', lift=1)
    d.area('head.helm.crest.even', ' | '.join(even), Z['over'] + 8, mat='leather', form='crest', shade='flat', lift=1)
    d.area('head.helm.crest.mount', f'-31,-304/2 -24,-322~ 0,-331~ 24,-322~ 31,-304/2', Z['over'] + 9, mat='metal', form='mount', shade='flat', lift=1)
    if d.front:
        d.area('head.helm.skull', '-31,-266 -31,-296~ -20,-316~ 0,-322~ 20,-316~ 31,-296~ 31,-266', z, mat='plate', form='helm', shade='ball', lift=2)
        d.area('head.helm.face', '-32,-275/2 32,-275/2 30,-254~ 16,-236/3 0,-226/2 -16,-236/3 -30,-254~', z + 1, mat='plate', form='helmface', shade='ball', lift=1)
        d.area('head.helm.brow', '-33,-281/2 33,-281/2 33,-266/2 -33,-266/2', z + 2, mat='metal', form='brow', shade='flat', lift=1)
        d.area('head.helm.slit', '5,-276/1 27,-275.5/1.6 27,-271/1.6 5,-271.5/1 | -5,-276/1 -27,-275.5/1.6 -27,-271/1.6 -5,-271.5/1', z + 3, mat='paint', shade='none', lift=0)
        d.area('head.helm.keel', '-4,-320/2 4,-320/2 4.6,-282 5,-262 3,-230/1 0,-224/1 -3,-230/1 -5,-262 -4.6,-282', z + 4, mat='metal', form='keel', shade='cyl', lift=1.1)
        d.ink('head.helm.face', ' '.join(f'o:{sx * x},{y},1.5' for sx in (1, -1) for x, y in ((11, -259), (18, -259), (25, -259), (11, -251.5), (18, -251.5), (11, -244))), .85)
        d.site('helm.side', 'head.helm.skull', 18, -296, 1.6, 1.6, 'disc', 'dome:3')
    else:
        d.area('head.helm.skull', '-31,-262 -31,-296~ -20,-316~ 0,-322~ 20,-316~ 31,-296~ 31,-262', z, mat='plate', form='helm', shade='ball', lift=2)
        d.area('head.helm.nape', '-32,-276/2 32,-276/2 33,-256/3 20,-246~ 0,-243~ -20,-246~ -33,-256/3', z + 1, mat='plate', form='nape', shade='ball', lift=1.2)
        d.area('head.helm.brow', '-33,-281/2 33,-281/2 33,-270/2 -33,-270/2', z + 2, mat='metal', form='brow', shade='flat', lift=1)
        d.area('head.helm.keel', '-4,-320/2 4,-320/2 4.4,-282 4.4,-246/1 -4.4,-246/1 -4.4,-282', z + 4, mat='metal', form='keel', shade='cyl', lift=1.1)
        d.ink('head.helm.nape', 'o:14,-262,1.8 o:-14,-262,1.8 o:25,-262,1.8 o:-25,-262,1.8', .6)


@part('head.widehat', 'head', attach='neck', origin=(0, -240), note='broad felt hat, left brim pinned up under a curled plume; loose hair')
def widehat(d):
    face(d, moustache=False)
    z = N + 10
    d.areas = [a for a in d.areas if a.name != 'head.hair']
    if d.front:
        d.both('head.hair', '16,-292/2 29,-290/2 34,-262~ 32,-232/6 20,-228/4 18,-248~ 24.5,-266~ 20,-278~', N + 1.5, mat='hair', form='lock.{s}', shade='cyl', lift=1.2)
        d.area('head.hair', '-25,-296 25,-296 24,-276~ 10,-284~ -4,-286/2 -16,-280~ -24.6,-268~', N + 1.4, mat='hair', form='fringe', shade='none', lift=.8)
        d.area('head.hat.plume', PLUME, z + 8, mat='feather', form='plume', shade='ball', lift=1.4)
        d.area('head.hat.plume.tip', PLUME_TIP, z + 9, mat='feather', form='plumetip', shade='none', lift=.6)
        d.ink('head.hat.plume', lens((30, -302), (40, -330), (12, -366), w=2) + ' | ' + lens((38, -320), (49, -320), w=1.6) + ' | ' + lens((38, -336), (51, -342), w=1.6) + ' | ' + lens((33, -350), (44, -364), w=1.6) + ' | ' + lens((22, -361), (28, -378), w=1.6), .4)
        d.area('head.hat.crown', '-26,-286 -27,-306~ -20,-334/6 0,-338~ 20,-334/6 27,-306~ 26,-286', z + 1, form='crown', lift=1.2)
        d.area('head.hat.band', '-27,-303/1 0,-299~ 27,-303/1 27,-288/1 -27,-288/1', z + 2, form='band', shade='cyl', lift=.8)
        d.area('head.hat.brim', '-58,-293/4 -44,-280~ -14,-273~ 14,-274~ 30,-284/3 27,-294 0,-290~ -27,-294 -46,-298~', z + 3, form='brim', shade='flat', lift=3.4)
        d.area('head.hat.lace', '-58,-293/3 -44,-280~ -14,-273~ 14,-274~ 30,-284/2 28.6,-288/1 13,-279~ -14,-278~ -43,-285~ -56,-296/2', z + 4, mat='cloth', form='lace', shade='none', lift=.6)
        d.area('head.hat.turnup', '14,-276/2 30,-283~ 42,-304~ 43,-326/3 36,-324~ 27,-306~ 20,-290~', z + 5, form='turnup', shade='flat', lift=1.4)
        d.area('head.hat.rosette', 'o:33,-302,7.6', z + 10, shade='ball', lift=1.2)
        d.area('head.hat.rosette.eye', 'o:33,-302,3', z + 11, mat='metal', shade='none', lift=.5)
        d.dark('head.hat.crown', lens((-10, -332), (-2, -322), (2, -308), w=4), .2)
        d.site('hat.band', 'head.hat.band', -10, -295, 1.6, 1.0, 'rect', 'cyl:3')
    else:
        r = Z['top']
        d.area('head.hair', '-29,-292 29,-292 34,-260~ 30,-228/5 16,-220/3 8,-226/2 0,-218/3 -10,-226/2 -18,-220/3 -30,-228/5 -34,-260~', r, mat='hair', form='hair', shade='ball', lift=1.8)
        for x in (-18, -6, 8, 20):
            d.dark('head.hair', lens((x * .9, -274), (x * 1.1, -250), (x, -226), w=2.6), .22)
        d.area('head.hat.plume', PLUME, z, mat='feather', form='plume', shade='ball', lift=1.4)
        d.area('head.hat.plume.tip', PLUME_TIP, z + .5, mat='feather', form='plumetip', shade='none', lift=.6)
        d.area('head.hat.crown', '-26,-286 -27,-306~ -20,-334/6 0,-338~ 20,-334/6 27,-306~ 26,-286', r + 4, form='crown', lift=1.2)
        d.area('head.hat.band', '-27,-303/1 0,-300~ 27,-303/1 27,-288/1 -27,-288/1', r + 5, form='band', shade='cyl', lift=.8)
        d.area('head.hat.turnup', '14,-282/2 30,-287~ 42,-304~ 43,-326/3 36,-324~ 27,-306~ 20,-292~', r + 6, form='turnup', shade='flat', lift=1.4)
        d.area('head.hat.brim', '-58,-293/4 -44,-281~ -14,-275~ 14,-276~ 32,-287/3 27,-296 0,-294~ -27,-296 -46,-299~', r + 7, form='brim', shade='flat', lift=3)
        d.area('head.hat.lace', '-58,-293/3 -44,-281~ -14,-275~ 14,-276~ 32,-287/2 30,-291/1 13,-281~ -14,-280~ -43,-286~ -56,-296/2', r + 8, mat='cloth', form='lace', shade='none', lift=.6)
