"""Guns on wheels, and what a working boat carries. Drawn as for the view 'left', bow or muzzle to the viewer's left."""
import math

from ..part import part
from ..stroke import bar, dots, lens, line, tube
from .vehicles import CAMO, box


def _wheel(d, x, y, r, z, name):
    spokes = ' | '.join(bar(x + 8 * math.cos(a), y + 8 * math.sin(a), x + (r - 10) * math.cos(a), y + (r - 10) * math.sin(a), 9, 6.4)
                        for a in [math.pi * (i + .5) / 6 for i in range(12)])
    d.area(f'vehicle.wheel.{name}.spokes', spokes, z, mat='wood', form='sp' + name, shade='flat', lift=2, merge=True)
    d.area(f'vehicle.wheel.{name}.felloe', f'o:{x},{y},{r - 5}', z + 1, mat='wood', form='fe' + name, shade='flat', lift=1.6, cut=f'o:{x},{y},{r - 18}')
    d.area(f'vehicle.wheel.{name}.tyre', f'o:{x},{y},{r}', z + 2, mat='metal', form='ty' + name, shade='flat', lift=1, cut=f'o:{x},{y},{r - 6}')
    d.area(f'vehicle.wheel.{name}.hub', f'o:{x},{y},19', z + 3, mat='wood', form='hub' + name, shade='ball', lift=2.4)
    d.area(f'vehicle.wheel.{name}.cap', f'o:{x},{y},9.6', z + 4, mat='metal', form='cap' + name, shade='ball', lift=1.2)


@part('gun.wheels', 'running', note='two twelve-spoked wheels on an axle')
def gun_wheels(d, r=104, x=-40):
    if d.view != 'top':
        _wheel(d, x, -r, r, 300, 'near')
    else:
        d.area('vehicle.axle', box(x - 9, -118, x + 9, 118, 2), 90, mat='wood', form='axle', shade='flat', lift=1)
        for s in (1, -1):
            d.area('vehicle.wheel.near.tyre' if s > 0 else 'vehicle.wheel.far.tyre', box(x - r, s * 130 - 11, x + r, s * 130 + 11, 6), 100, mat='metal', form=f'ty{s}', shade='flat', lift=2)
            d.area('vehicle.wheel.near.hub' if s > 0 else 'vehicle.wheel.far.hub', box(x - 15, s * 130 - 22, x + 15, s * 130 + 22, 6), 103, mat='wood', form=f'hub{s}', shade='flat', lift=2)
            d.area('vehicle.wheel.near.cap' if s > 0 else 'vehicle.wheel.far.cap', box(x - 9, min(s * 150, s * 158), x + 9, max(s * 150, s * 158), 3), 104, mat='metal', form=f'cap{s}', shade='flat', lift=1)


@part('gun.carriage', 'carriage', note='split cheeks, long trail with a shoe, elevating screw, ammunition chest')
def gun_carriage(d):
    if d.view != 'top':
        d.area('vehicle.trail', '-96,-150/4 -20,-158/6 60,-132~ 300,-34/3 330,-6/4 282,-4/3 60,-84~ -30,-92/4 -98,-108/6', 120, mat='wood', form='trail', shade='flat', lift=1.6, tags=CAMO)
        d.area('vehicle.trail.shoe', '292,-37/3 304,-33/2 334,-4/3 330,2/2 268,2/2 268,-8/1 286,-8/1', 122, mat='metal', form='shoe', shade='flat', lift=1.2)
        d.area('vehicle.trail.straps', bar(40, -143, 34, -88, 9, r=1) + ' | ' + bar(140, -102, 128, -50, 9, r=1) + ' | ' + bar(230, -66, 218, -18, 9, r=1), 123, mat='metal', shade='flat', lift=.8)
        d.area('vehicle.trail.ring', 'o:334,-22,12', 119, mat='metal', shade='none', lift=1, cut='o:334,-22,7')
        d.area('vehicle.carriage.bolts', dots([(-78, -130), (-78, -114), (-4, -142), (-4, -112), (20, -136)], 3.4), 124, mat='metal', shade='none', lift=.6)
        d.area('vehicle.carriage.screw', bar(70, -186, 76, -116, 9, r=2), 118, mat='metal', form='screw', shade='cyl', lift=1)
        d.area('vehicle.carriage.handle', bar(56, -150, 92, -146, 6, r=2), 125, mat='metal', shade='flat', lift=1.2)
        d.area('vehicle.carriage.cap', '-64,-166/3 -50,-178~ -34,-176~ -20,-162/3 -24,-152/1 -62,-150/1', 132, mat='metal', form='cap', shade='flat', lift=1.4)
        d.area('vehicle.stowage.chest', '150,-152/3 244,-114/3 236,-74/2 142,-110/2', 117, mat='wood', form='chest', shade='flat', lift=1.8, tags=CAMO)
        d.area('vehicle.stowage.lid', '147,-160/4 250,-120/4 246,-108/2 143,-148/2', 118, mat='wood', form='lid', shade='flat', lift=1)
        d.area('vehicle.stowage.hasp', '186,-137/1 198,-132/1 194,-116/1 182,-121/1', 119, mat='metal', shade='flat', lift=.8)
        d.area('vehicle.poles', bar(-20, -176, 252, -70, 6, r=2), 140, mat='wood', form='rammer', shade='none', lift=1.6)
        d.area('vehicle.poles.head', bar(-34, -181.5, -12, -173, 15, r=4), 141, mat='fur', form='sponge', shade='cyl', lift=1.2)
        d.ink('vehicle.trail', ' | '.join(line((20 + k, -120 + k * .4), (90 + k, -92 + k * .4), w=1.1) for k in (0, 90, 170)), .35)
        d.site('trail.side', 'vehicle.trail', 90, -92, 3.2, 2, 'rect', 'flat')
        d.site('chest.side', 'vehicle.stowage.chest', 194, -112, 3, 2.4, 'rect', 'flat')
    else:
        for s in (1, -1):
            d.area('vehicle.trail', f'-100,{s * 22}/2 -100,{s * 36}/3 30,{s * 36}/3 290,{s * 15}/2 290,{s * 4}/2 30,{s * 20}/2', 120, mat='wood', form=f'tr{s}', shade='flat', lift=1.6, tags=CAMO)
        d.area('vehicle.trail.shoe', '282,-18/3 330,-10/4 330,10/4 282,18/3', 122, mat='metal', form='shoe', shade='flat', lift=1.2)
        d.area('vehicle.trail.ring', 'o:342,0,13', 119, mat='metal', shade='none', lift=1, cut='o:342,0,7.4')
        d.area('vehicle.trail.straps', ' | '.join(box(x - 5, -w, x + 5, w, 1) for x, w in ((30, 38), (130, 30), (226, 22))), 121.5, mat='metal', shade='flat', lift=.8)
        d.area('vehicle.carriage.screw', 'o:72,0,8', 125, mat='metal', form='screw', shade='ball', lift=1)
        d.area('vehicle.carriage.handle', box(69, -26, 75, 26, 2), 124, mat='metal', shade='flat', lift=1.2)
        d.area('vehicle.carriage.cap', box(-64, 22, -20, 40, 4) + ' | ' + box(-64, -40, -20, -22, 4), 132, mat='metal', form='cap', shade='flat', lift=1.4)
        d.area('vehicle.carriage.bolts', dots([(x, s * 30) for x in (-82, -4, 14) for s in (1, -1)], 3.4), 124, mat='metal', shade='none', lift=.6)
        d.area('vehicle.stowage.lid', box(148, -34, 236, 34, 4), 128, mat='wood', form='lid', shade='flat', lift=2)
        d.area('vehicle.stowage.chest', box(154, -29, 230, 29, 3), 129, mat='wood', form='chest', shade='flat', lift=1, tags=CAMO)
        d.area('vehicle.stowage.hasp', box(186, 20, 198, 36, 1), 130, mat='metal', shade='flat', lift=.8)
        d.area('vehicle.poles', bar(-10, 46, 262, 26, 6, r=2), 126, mat='wood', form='rammer', shade='none', lift=1.6)
        d.area('vehicle.poles.head', bar(-28, 47.3, -6, 45.7, 15, r=4), 127, mat='fur', form='sponge', shade='cyl', lift=1.2)


@part('gun.barrel', 'gun', note='bronze muzzle-loader with rings, dolphins and a shell-shaped button')
def gun_barrel(d):
    if d.view != 'top':
        d.area('vehicle.gun.barrel', '-262,-214/1 -120,-206~ 60,-196/2 96,-190/4 100,-160/4 64,-154/2 -118,-170~ -264,-186/1', 130, mat='metal', form='gun', shade='cyl', lift=2)
        d.area('vehicle.gun.muzzle', '-258,-220/2 -258,-180/2 -280,-178/3 -290,-186/3 -292,-214/3 -282,-223/3', 131, mat='metal', form='muzzle', shade='flat', lift=1.2)
        d.area('vehicle.gun.rings', bar(-176, -213.5, -177, -174, 8, r=1) + ' | ' + bar(-96, -208, -98, -166, 8, r=1) + ' | ' + bar(56, -200, 55, -151, 10, r=1), 133, mat='metal', form='rings', shade='flat', lift=.9)
        d.area('vehicle.gun.button', 'o:110,-175,10 | 96,-182/1 106,-180/1 106,-170/1 96,-168/1', 129, mat='metal', form='button', shade='ball', lift=1.2, merge=True)
        d.area('vehicle.gun.dolphins', '-70,-203/1 -62,-216~ -44,-220~ -30,-213~ -24,-200/1 -31,-200/1 -37,-210~ -47,-212~ -58,-209~ -63,-202/1', 129.5, mat='metal', form='dolphin', shade='none', lift=1)
        d.area('vehicle.gun.vent', bar(38, -206, 40, -196, 6, r=1), 134, mat='metal', shade='flat', lift=.8)
        d.area('vehicle.gun.trunnion', 'o:-42,-168,11', 133.5, mat='metal', form='trunnion', shade='ball', lift=1)
        d.site('gun.arms', 'vehicle.gun.barrel', -14, -182, 2.2, 2.2, 'shield', 'cyl:20')
    else:
        d.area('vehicle.gun.barrel', '-262,-14/1 -120,-18~ 60,-21/2 96,-16/4 96,16/4 60,21/2 -120,18~ -262,14/1', 140, mat='metal', form='gun', shade='cyl', lift=2.4)
        d.area('vehicle.gun.muzzle', '-258,-20/2 -258,20/2 -280,22/3 -291,14/3 -291,-14/3 -280,-22/3', 141, mat='metal', form='muzzle', shade='flat', lift=1.2)
        d.area('vehicle.gun.rings', box(-180, -19, -172, 19, 1) + ' | ' + box(-101, -21, -93, 21, 1) + ' | ' + box(51, -24, 61, 24, 1), 143, mat='metal', form='rings', shade='flat', lift=.9)
        d.area('vehicle.gun.button', 'o:108,0,10', 139, mat='metal', form='button', shade='ball', lift=1.2)
        d.area('vehicle.gun.dolphins', bar(-70, -9, -26, -9, 6, r=2) + ' | ' + bar(-70, 9, -26, 9, 6, r=2), 142, mat='metal', form='dolphin', shade='none', lift=1.4)
        d.area('vehicle.gun.trunnion', box(-52, -44, -32, -16, 2) + ' | ' + box(-52, 16, -32, 44, 2), 131, mat='metal', form='trunnion', shade='flat', lift=1)
        d.area('vehicle.gun.vent', 'o:38,0,4', 144, mat='metal', shade='none', lift=.6)
        d.site('gun.arms', 'vehicle.gun.barrel', 4, 0, 2.2, 2.2, 'shield', 'cyl:20')


@part('boat.mast', 'rig', note='short mast with a furling lug sail, shrouds and a masthead flag')
def boat_mast(d):
    if d.view != 'top':
        d.area('vehicle.mast', bar(-60, -214, -60, -640, 14, 9, r=2), 96, mat='wood', form='mast', shade='cyl', lift=1.4)
        d.area('vehicle.mast.band', box(-69, -520, -51, -510, 2) + ' | ' + box(-70, -300, -50, -288, 2), 98, mat='metal', form='mband', shade='flat', lift=.8)
        d.area('vehicle.mast.truck', 'o:-60,-643,9', 97, mat='metal', form='truck', shade='ball', lift=1)
        d.area('vehicle.sail.yard', bar(-172, -452, 128, -612, 11, 8, r=3), 101, mat='wood', form='yard', shade='cyl', lift=1.6)
        d.area('vehicle.sail.upper', '-166,-450/2 126,-606/2 160,-470~ 176,-420/1 -28,-386~ -150,-372/1 -156,-410~', 99, mat='cloth', form='sail', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.sail.lower', '-150,-374/1 -28,-388~ 176,-422/1 196,-330~ 188,-282/3 40,-262~ -126,-276/3 -136,-324~', 99.2, mat='cloth', form='sail2', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.sail.edge', '188,-282/2 40,-262~ -126,-276/2 -127,-287/1 40,-273~ 190,-293/1', 99.6, mat='rope', form='edge', shade='none', lift=.6)
        d.area('vehicle.sail.reef', ' | '.join(bar(x, -388 - (x + 28) * .17, x + 2, -366 - (x + 28) * .17, 3.4, r=1) for x in (-110, -70, -28, 20, 70, 120)), 99.8, mat='rope', shade='none', lift=.5)
        d.area('vehicle.rigging', line((-60, -632), (300, -228), w=3.2) + ' | ' + line((-60, -632), (-370, -300), w=3.2), 95, mat='rope', form='rig', shade='none', lift=.8)
        d.area('vehicle.mast.pennant', '-58,-634/1 -20,-642~ 20,-632~ 66,-640/1 44,-628/1 62,-614/1 18,-612~ -20,-620~ -58,-614/1', 96.5, mat='cloth', form='pennant', shade='flat', lift=1.2)
        for x0, y0, x1, y1, x2, y2 in ((-90, -478, -80, -390, -76, -290), (0, -530, 20, -420, 24, -280), (86, -576, 120, -440, 130, -290)):
            d.dark('vehicle.sail', lens((x0, y0), (x1, y1), (x2, y2), w=10), .13)
            d.lite('vehicle.sail', lens((x0 + 16, y0), (x1 + 18, y1), (x2 + 18, y2), w=8), .12)
        d.site('sail.device', 'vehicle.sail.lower', 24, -326, 9, 7, 'disc', 'drape')
    else:
        d.area('vehicle.mast', 'o:-60,0,8', 224, mat='wood', form='mast', shade='ball', lift=2)
        d.area('vehicle.mast.band', 'o:-60,0,11', 223, mat='metal', form='mband', shade='flat', lift=.8)
        d.area('vehicle.sail.yard', bar(-172, 20, 128, -16, 11, 8, r=3), 220, mat='wood', form='yard', shade='cyl', lift=2)
        d.area('vehicle.sail.upper', '-170,26/2 130,-10/2 140,10~ 120,26~ 0,44~ -120,42~ -168,36/2', 210, mat='cloth', form='sail', shade='flat', lift=3, tags=CAMO)
        d.dark('vehicle.sail', lens((-120, 28), (-70, 36), (-30, 36), w=6) + ' | ' + lens((0, 20), (50, 28), (100, 18), w=6), .16)


@part('boat.cargo', 'cargo', note='barrels, a crate under a net, a coiled line and a tiller')
def boat_cargo(d):
    if d.view != 'top':
        for x in (150, 206):
            d.area('vehicle.cargo.cask', f'{x - 22},-224/2 {x - 27},-258~ {x - 22},-290/2 {x + 22},-290/2 {x + 27},-258~ {x + 22},-224/2', 94, mat='wood', form=f'cask{x}', shade='cyl', lift=2)
            d.area('vehicle.cargo.hoops', ' | '.join(box(x - w, y - 4, x + w, y + 4, 1) for y, w in ((-282, 24), (-258, 28), (-234, 25))), 94.5, mat='metal', form=f'hoop{x}', shade='cyl', lift=.8)
        d.area('vehicle.cargo.crate', box(-222, -286, -128, -222, 2), 94, mat='wood', form='crate', shade='flat', lift=2)
        d.area('vehicle.cargo.boards', box(-226, -290, -214, -222, 1) + ' | ' + box(-136, -290, -124, -222, 1) + ' | ' + box(-226, -290, -124, -280, 1), 94.4, mat='wood', form='boards', shade='flat', lift=.8)
        d.area('vehicle.cargo.line', tube((-214, -276, 3.4), (-176, -250, 3.4), (-138, -276, 3.4)) + ' | ' + tube((-214, -250, 3.4), (-176, -226, 3.4), (-138, -250, 3.4)), 94.8, mat='rope', shade='none', lift=.7)
        d.area('vehicle.tiller', bar(270, -282, 344, -252, 8, r=2), 107, mat='wood', form='tiller', shade='cyl', lift=1)
        d.site('crate.side', 'vehicle.cargo.crate', -176, -254, 4, 3, 'rect', 'flat')
    else:
        for x, y in ((150, 30), (206, 26), (178, -34)):
            d.area('vehicle.cargo.cask', f'o:{x},{y},24', 204, mat='wood', form=f'cask{x}', shade='flat', lift=3)
            d.area('vehicle.cargo.hoops', f'o:{x},{y},27', 203, mat='metal', form=f'hoop{x}', shade='flat', lift=2, cut=f'o:{x},{y},23')
        d.area('vehicle.cargo.crate', box(-222, -40, -128, 40, 2), 204, mat='wood', form='crate', shade='flat', lift=3)
        d.area('vehicle.cargo.boards', box(-226, -44, -214, 44, 1) + ' | ' + box(-136, -44, -124, 44, 1), 205, mat='wood', form='boards', shade='flat', lift=.8)
        d.area('vehicle.cargo.line', bar(-216, -34, -134, 34, 4) + ' | ' + bar(-216, 34, -134, -34, 4), 206, mat='rope', shade='none', lift=.7, merge=True)
        d.area('vehicle.tiller', bar(232, 0, 330, 0, 8, r=2), 207, mat='wood', form='tiller', shade='cyl', lift=1.6)
