"""Beasts, seen from the side like horses: drawn as for 'left', flipped by the assembly for 'right'."""
from ..part import part
from ..stroke import bar, dots, lens, line, tube

BODY, SHELL, TACK = 240, 300, 400


def _leg(d, name, x, far):
    z = BODY - 20 if far else SHELL + 60
    d.area(f'beast.leg.{name}', f'{x - 40},-160/10 {x + 44},-150/10 {x + 46},-96~ {x + 36},-40~ {x + 42},-6/5 {x - 46},-4/6 {x - 40},-40~ {x - 46},-96~', z, mat='leather', form='leg' + name, shade='cyl', lift=2)
    d.area(f'beast.claw.{name}', ' | '.join(f'{x + k - 11},-12/4 {x + k + 9},-12/4 {x + k + 10},2/3 {x + k - 15},3/3' for k in (-32, -6, 20)), z + 2, mat='wood', form='claw' + name, shade='flat', lift=1)
    for k, y in ((-20, -120), (10, -104), (-14, -84), (18, -72), (-6, -56)):
        d.ink(f'beast.leg.{name}', f'{x + k},{y}/3 {x + k + 14},{y - 6}/3 {x + k + 22},{y + 4}/3 {x + k + 12},{y + 12}/3', .22)
    if far:
        d.dark(f'beast.leg.{name}', f'{x - 60},-180 {x + 60},-180 {x + 60},10 {x - 60},10', .24)


@part('beast.tortoise', 'beast', note='giant tortoise: domed shell of three rows of plates, beaked head')
def tortoise(d):
    near, far = ('left', 'right') if d.view == 'left' else ('right', 'left')
    _leg(d, f'{far}.fore', -92, True)
    _leg(d, f'{far}.hind', 84, True)
    d.area('beast.tail', '176,-124/4 214,-100~ 236,-60/2 214,-76~ 172,-94/4', BODY - 4, mat='leather', form='tail', shade='cyl', lift=1.4)
    d.area('beast.body', '-196,-150/8 -150,-176~ 150,-176~ 196,-140/8 170,-92~ 0,-74~ -160,-92~', BODY, mat='leather', form='belly', shade='ball', lift=1)
    d.area('beast.neck', '-150,-176/8 -196,-204~ -244,-226/8 -258,-176/8 -216,-148~ -160,-112/8', BODY + 6, mat='leather', form='neck', shade='cyl', lift=1.6)
    for x in (-178, -196, -214, -230):
        d.dark('beast.neck', lens((x - 4, -210), (x + 4, -176), (x - 2, -140), w=4), .2)
    d.area('beast.head', '-226,-226/8 -250,-252~ -290,-254~ -322,-228~ -330,-198/4 -318,-186/3 -296,-178~ -262,-168~ -236,-172/8', BODY + 10, mat='leather', form='head', shade='ball', lift=2)
    d.area('beast.head.beak', '-312,-238/3 -322,-228~ -332,-198/2 -326,-180/1 -317,-189/2 -300,-192~ -298,-214~', BODY + 11, mat='wood', form='beak', shade='flat', lift=1)
    d.area('beast.head.jaw', '-318,-186/2 -296,-190~ -262,-186~ -240,-178/3 -250,-166~ -290,-168/4', BODY + 10.5, mat='leather', form='jaw', shade='flat', lift=.8)
    d.area('beast.head.brow', '-246,-244/3 -268,-258~ -294,-250/3 -284,-242~ -262,-238/3', BODY + 12, mat='leather', form='brow', shade='flat', lift=1.4)
    d.area('beast.head.eye', 'e:-276,-231,7.6,6.4', BODY + 11.5, mat='paint', shade='none', lift=0)
    d.area('beast.head.pupil', 'e:-278,-231,2.6,5', BODY + 11.6, mat='paint', shade='none', lift=0)
    d.ink('beast.head', 'e:-316,-220,2,3', .7)
    dome = '-190,-142/8 -186,-190~ -150,-252~ -84,-298~ 0,-314~ 84,-302~ 150,-258~ 188,-194~ 194,-138/8'
    d.area('beast.shell.seam', f'{dome} 0,-126~', SHELL, mat='leather', form='dome', shade='ball', lift=3)
    xs = (-190, -116, -40, 40, 116, 194)
    for row, (top, low, shrink_top, shrink_low) in {'crown': (-330, -254, .62, .86), 'upper': (-250, -196, .88, .97), 'lower': (-192, -150, .985, 1.0)}.items():
        for i in range(5):
            a, b = xs[i], xs[i + 1]
            name = f'beast.shell.{row}.even' if i % 2 else f'beast.shell.{row}'
            d.area(name, f'{a * shrink_low + 3},{low}/3 {a * shrink_top + 3},{top}/3 {b * shrink_top - 3},{top}/3 {b * shrink_low - 3},{low}/3', SHELL + 2, mat='plate', form=f'{row}{i}', shade='flat', lift=1.2,
                   clip='-184,-146 -178,-194 -144,-247 -82,-291 0,-307 82,-295 144,-253 180,-196 186,-143')
            cx = (a + b) / 2 * (shrink_top + shrink_low) / 2
            d.ink(f'beast.shell.{row}', line((cx - 18, (top + low) / 2 + 8), (cx + 18, (top + low) / 2 + 8), w=1.2) + ' | ' + line((cx - 11, (top + low) / 2 - 4), (cx + 11, (top + low) / 2 - 4), w=1.2), .28)
    d.area('beast.shell.rim', ' | '.join(f'{x - 17},-152/3 {x + 17},-152/3 {x + 19},-130/5 {x},-121~ {x - 19},-130/5' for x in range(-172, 190, 38)), SHELL + 6, mat='plate', form='rim', shade='flat', lift=1.6)
    d.site('shell.flank', 'beast.shell.upper', 0, -222, 6, 4.4, 'shield', 'dome:40')
    _leg(d, f'{near}.fore', -128, False)
    _leg(d, f'{near}.hind', 122, False)


@part('beast.harness', 'beast', note='girths, flank shields and a walled fighting platform with a pennon')
def harness(d):
    z = TACK
    d.area('beast.harness.girth', tube((-70, -304, 15), (-84, -220, 15), (-74, -128, 15)) + ' | ' + tube((74, -306, 15), (88, -220, 15), (78, -128, 15)), z, mat='leather', form='girth', shade='flat', lift=1.2)
    d.area('beast.harness.buckle', '-94,-186/2 -70,-188/2 -70,-166/2 -94,-164/2 | 76,-186/2 100,-186/2 100,-164/2 76,-164/2', z + 1, mat='metal', shade='flat', lift=1, cut='-88,-181 -76,-182 -76,-172 -88,-171')
    d.area('beast.harness.cloth', '-62,-312/2 62,-312/2 70,-236~ 66,-200/1 44,-214/1 22,-200/1 0,-214/1 -22,-200/1 -44,-214/1 -66,-200/1 -70,-236~', z - 1, mat='cloth', form='cloth', shade='flat', lift=2)
    d.area('beast.harness.cloth.edge', '-68,-222/1 -66,-200/1 -44,-214/1 -22,-200/1 0,-214/1 22,-200/1 44,-214/1 66,-200/1 68,-222/1 44,-228/1 22,-214/1 0,-228/1 -22,-214/1 -44,-228/1', z - .5, mat='cloth', form='cedge', shade='none', lift=0)
    d.dark('beast.harness.cloth', lens((-40, -304), (-44, -260), (-42, -222), w=5) + ' | ' + lens((24, -304), (28, -260), (24, -222), w=5), .15)
    d.area('beast.howdah.floor', '-92,-316/3 92,-316/3 86,-300/3 -86,-300/3', z + 4, mat='wood', form='floor', shade='flat', lift=1.4)
    d.area('beast.howdah.wall', '-88,-366/2 88,-366/2 84,-314/1 -84,-314/1', z + 5, mat='wood', form='wall', shade='flat', lift=1.4, tex='wood')
    d.area('beast.howdah.shields', ' | '.join(f'{x - 17},-360/4 {x + 17},-360/4 {x + 16},-334~ {x},-318/3 {x - 16},-334~' for x in (-60, -20, 20, 60)), z + 7, mat='paint', form='shields', shade='flat', lift=1.4)
    d.area('beast.howdah.bosses', dots([(x, -343) for x in (-60, -20, 20, 60)], 4.4), z + 8, mat='metal', shade='ball', lift=.9)
    d.area('beast.howdah.rail', bar(-94, -370, 94, -370, 9, r=3), z + 8, mat='wood', form='rail', shade='flat', lift=1.2)
    d.area('beast.howdah.pole', bar(78, -360, 78, -486, 6, r=1), z + 3, mat='wood', form='pole', shade='cyl', lift=1)
    d.area('beast.howdah.pennon', '80,-482/1 108,-488~ 136,-480~ 166,-486/0 150,-468/1 164,-450/0 134,-454~ 108,-448~ 80,-452/1', z + 2, mat='cloth', form='pennon', shade='flat', lift=1.3)
    d.area('beast.howdah.finial', 'o:78,-489,6', z + 4, mat='metal', shade='ball', lift=.9)
    d.dark('beast.howdah.pennon', lens((104, -486), (108, -468), (104, -450), w=6), .16)
    d.area('beast.harness.bridle', tube((-252, -252, 6), (-248, -214, 6), (-256, -170, 6)), z, mat='leather', form='bridle', shade='none', lift=.9)
    d.area('beast.harness.ring', 'o:-249,-210,7', z + 1, mat='metal', shade='none', lift=.9, cut='o:-249,-210,3.6')
    d.site('howdah.wall', 'beast.howdah.wall', 0, -340, 3, 3, 'disc', 'flat')
