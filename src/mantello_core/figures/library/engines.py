"""Engines that walk and fly by clockwork. Sides drawn as for 'left', nose to the viewer's left; and from the top."""
from ..part import part
from ..stroke import bar, dots, lens, line, tube
from .vehicles import CAMO, box, gear


@part('walker.legs', 'running', note='two jointed stilt legs with splayed reed-shoes')
def walker_legs(d):
    if d.view == 'top':
        for s, x in ((1, -34), (-1, 40)):
            side = 'near' if s > 0 else 'far'
            d.area(f'vehicle.foot.{side}', f'{x - 74},{s * 92}/6 {x - 20},{s * 66}/5 {x + 66},{s * 74}/6 {x + 66},{s * 112}/6 {x - 20},{s * 120}/5', 60, mat='wood', form='ft' + side, shade='flat', lift=1.4)
            d.area(f'vehicle.foot.{side}.straps', bar(x - 14, s * 66, x - 14, s * 120, 7) + ' | ' + bar(x + 26, s * 70, x + 26, s * 116, 7), 61, mat='leather', shade='none', lift=.7)
            d.area(f'vehicle.leg.{side}.hip', box(-26, min(s * 58, s * 104), 30, max(s * 58, s * 104), 8), 120, mat='metal', form='hip' + side, shade='flat', lift=2)
            d.area(f'vehicle.leg.{side}.cap', f'o:2,{s * 90},12', 121, mat='metal', form='cap' + side, shade='ball', lift=1)
        return
    for side, dx, z in (('far', 74, 60), ('near', 0, 260)):
        fx, ky = -34 + dx, -204
        d.area(f'vehicle.leg.{side}.shin', tube((44 + dx, ky, 24), (18 + dx, -112, 19), (fx + 4, -20, 17), r0=8, r1=3), z, mat='wood', form='sh' + side, shade='cyl', lift=1.8)
        d.area(f'vehicle.leg.{side}.bands', bar(26 + dx, -150, 40 + dx, -146, 9) + ' | ' + bar(2 + dx, -80, 17 + dx, -76, 8), z + 1, mat='metal', shade='flat', lift=.8)
        d.area(f'vehicle.leg.{side}.thigh', tube((2 + dx * .4, -322, 40), (22 + dx * .7, -262, 32), (44 + dx, ky, 27), r0=14, r1=8), z + 2, mat='metal', form='th' + side, shade='cyl', lift=2, tags=CAMO)
        d.area(f'vehicle.leg.{side}.piston', bar(-22 + dx * .5, -290, 26 + dx, -190, 8, r=2), z + 1.5, mat='metal', form='pi' + side, shade='cyl', lift=1.2)
        d.area(f'vehicle.leg.{side}.knee', f'o:{44 + dx},{ky},19', z + 4, mat='metal', form='kn' + side, shade='ball', lift=1.6)
        d.area(f'vehicle.leg.{side}.knee.gear', gear(44 + dx, ky, 13, 10, 8), z + 5, mat='metal', shade='none', lift=.7, cut=f'o:{44 + dx},{ky},4')
        d.area(f'vehicle.foot.{side}', f'{fx - 78},-6/4 {fx - 30},-18~ {fx + 4},-26/4 {fx + 40},-18~ {fx + 66},-6/4 {fx + 60},3/3 {fx - 74},3/3', z + 3, mat='wood', form='ft' + side, shade='flat', lift=1.4)
        d.area(f'vehicle.foot.{side}.straps', bar(fx - 20, -24, fx - 16, 2, 8) + ' | ' + bar(fx + 24, -24, fx + 22, 2, 8), z + 4, mat='leather', shade='none', lift=.8)
        if side == 'far':
            for name in ('shin', 'thigh', 'piston', 'knee', 'bands'):
                d.dark(f'vehicle.leg.far.{name}', box(-60, -340, 220, 0), .2)
        else:
            d.area('vehicle.leg.near.hip', 'o:4,-326,29', z + 6, mat='metal', form='hip', shade='ball', lift=2)
            d.area('vehicle.leg.near.cap', 'o:4,-326,13', z + 7, mat='metal', form='cap', shade='ball', lift=1)


@part('walker.cabin', 'superstructure', note='riveted cabin, lookout hatch, mainspring at the rear, mast lamp')
def walker_cabin(d):
    if d.view == 'top':
        d.area('vehicle.cabin.side', '-110,-34/3 -80,-66/6 90,-66/4 90,66/4 -80,66/6 -110,34/3', 130, mat='metal', form='cab', shade='flat', lift=3, tags=CAMO)
        d.area('vehicle.cabin.front', '-128,-22/4 -96,-44/3 -96,44/3 -128,22/4', 131, mat='metal', form='cabf', shade='flat', lift=1.4, tags=CAMO)
        d.area('vehicle.cabin.roof', '-86,-46/5 76,-48/4 76,48/4 -86,46/5', 132, mat='metal', form='roof', shade='flat', lift=2, tags=CAMO)
        d.area('vehicle.cabin.rivets', dots([(x, y) for x in range(-76, 76, 28) for y in (-41, 41)], 2.6), 133, mat='metal', shade='none', lift=.6)
        d.area('vehicle.hatch', 'o:6,0,28', 135, mat='metal', form='hatch', shade='flat', lift=1.6, tags=CAMO)
        d.area('vehicle.hatch.hinge', box(28, -12, 42, 12, 2), 136, mat='metal', shade='none', lift=.8)
        d.area('vehicle.hatch.ring', 'o:-8,0,7', 136, mat='metal', shade='none', lift=.8, cut='o:-8,0,4')
        d.area('vehicle.spring.drum', box(88, -50, 150, 50, 8), 128, mat='metal', form='drum', shade='cyl', lift=2.4)
        d.area('vehicle.spring.band', box(100, -53, 110, 53, 2) + ' | ' + box(130, -53, 140, 53, 2), 129, mat='metal', form='dband', shade='none', lift=.9)
        d.area('vehicle.spring.key', box(146, -9, 184, 9, 4), 127, mat='metal', form='key', shade='flat', lift=1.4)
        d.area('vehicle.lantern.roof', 'o:-62,24,13', 138, mat='metal', form='lroof', shade='ball', lift=2)
        d.site('cabin.roof', 'vehicle.cabin.roof', 52, 0, 3, 6, 'rect', 'flat')
        return
    d.area('vehicle.spring.key', 'e:176,-402,14,18 e:176,-366,14,18 | ' + box(140, -391, 172, -377), 138, mat='metal', form='key', shade='flat', lift=1.6, merge=True, cut='e:177,-403,6,9 e:177,-365,6,9')
    d.area('vehicle.spring.drum', 'o:112,-384,46', 139, mat='metal', form='drum', shade='ball', lift=2)
    d.area('vehicle.spring.cap', 'o:112,-384,31', 140, mat='metal', form='cap', shade='flat', lift=1.2)
    d.area('vehicle.spring.cap.gear', gear(112, -384, 22, 17, 10), 141, mat='metal', shade='none', lift=.9, cut='o:112,-384,6')
    d.area('vehicle.cabin.belly', '-92,-336/5 92,-336/4 72,-304/8 -60,-304/8', 148, mat='metal', form='belly', shade='flat', lift=1.4)
    d.area('vehicle.cabin.side', '-70,-452/6 84,-452/6 94,-332/4 -92,-332/4 -96,-372/2', 150, mat='metal', form='cab', shade='flat', lift=2, tags=CAMO)
    d.area('vehicle.cabin.front', '-66,-454/4 -88,-440/3 -124,-376/3 -116,-338/4 -88,-332/2 -94,-372/1', 151, mat='metal', form='cabf', shade='flat', lift=1.4, tags=CAMO)
    d.area('vehicle.cabin.ports', box(-44, -432, -4, -406, 5) + ' | ' + box(22, -432, 54, -406, 5) + ' | -94,-424/3 -84,-430/3 -102,-388/3 -110,-386/3', 153, mat='glass', shade='none', lift=0)
    d.area('vehicle.cabin.frames', box(-49, -437, 1, -401, 6) + ' | ' + box(17, -437, 59, -401, 6), 152, mat='metal', form='frames', shade='flat', lift=1)
    d.area('vehicle.cabin.rivets', dots([(x, -345) for x in range(-78, 90, 21)] + [(x, -445) for x in (-58, -20, 10, 70)], 2.6), 153, mat='metal', shade='none', lift=.6)
    d.area('vehicle.cabin.door', '-40,-392/3 14,-392/3 16,-336/2 -42,-336/2', 152, mat='metal', form='door', shade='flat', lift=1.2, tags=CAMO)
    d.area('vehicle.cabin.roof', '-84,-452/4 -66,-468/6 80,-468/6 98,-450/4', 156, mat='metal', form='roof', shade='flat', lift=2.2, tags=CAMO)
    d.area('vehicle.hatch', '-24,-468/2 -20,-484/5 32,-484/5 36,-468/2', 155, mat='metal', form='hatch', shade='ball', lift=1.4, tags=CAMO)
    d.area('vehicle.lantern.post', bar(-62, -466, -62, -500, 5), 154, mat='metal', shade='none', lift=.8)
    d.area('vehicle.lantern.glass', box(-72, -524, -52, -500, 3), 157, mat='glass', shade='none', lift=.8)
    d.area('vehicle.lantern.frame', box(-76, -503, -48, -496, 2) + ' | ' + box(-75, -527, -71, -498) + ' | ' + box(-53, -527, -49, -498), 158, mat='metal', shade='none', lift=.8, merge=True)
    d.area('vehicle.lantern.roof', '-78,-523/2 -62,-540~ -46,-523/2', 159, mat='metal', form='lroof', shade='flat', lift=1)
    d.lite('vehicle.lantern.glass', 'e:-62,-512,5,8', .5)
    d.dark('vehicle.cabin.side', '-92,-350/0 96,-350/0 94,-330/0 -94,-330/0', .16)
    d.lite('vehicle.cabin.side', '-66,-450/0 84,-450/0 86,-440/0 -70,-440/0', .2)
    d.site('cabin.door', 'vehicle.cabin.door', -13, -364, 3.6, 3.6, 'shield', 'flat')
    d.site('cabin.number', 'vehicle.cabin.side', 58, -366, 4, 3, 'rect', 'flat')


@part('walker.arm', 'arm', note='reed-scythe on a jointed arm under the nose')
def walker_arm(d):
    if d.view == 'top':
        d.area('vehicle.arm.beam', bar(-110, 30, -186, 44, 15, 11, r=3), 126, mat='wood', form='beam', shade='cyl', lift=1.8)
        d.area('vehicle.arm.joint', 'o:-112,30,14', 127, mat='metal', form='joint', shade='ball', lift=1.2)
        d.area('vehicle.arm.blade', '-180,40/2 -206,20~ -226,-24~ -222,-70/0 -208,-30~ -188,4~ -172,30/2', 125, mat='metal', form='blade', shade='flat', lift=1.2)
        return
    d.area('vehicle.arm.beam', tube((-92, -352, 18), (-150, -330, 15), (-196, -262, 13), r0=6, r1=3), 160, mat='wood', form='beam', shade='cyl', lift=1.8)
    d.area('vehicle.arm.joint', 'o:-94,-352,15', 162, mat='metal', form='joint', shade='ball', lift=1.4)
    d.area('vehicle.arm.elbow', 'o:-154,-326,11', 162, mat='metal', form='elbow', shade='ball', lift=1.2)
    d.area('vehicle.arm.collar', bar(-190, -272, -198, -258, 20, r=2), 163, mat='metal', shade='flat', lift=1)
    d.area('vehicle.arm.blade', '-190,-262/2 -206,-266/2 -222,-222~ -212,-160~ -166,-108/0 -194,-164~ -200,-220~', 159, mat='metal', form='blade', shade='flat', lift=1.2)
    d.area('vehicle.arm.blade.edge', '-200,-220~ -194,-164~ -166,-108/0 -203,-160~ -208,-222/0', 159.5, mat='metal', form='bedge', shade='none', lift=0)


@part('flier.wings', 'wings', note='ribbed canvas wings, two panels each, feathered tips')
def flier_wings(d):
    if d.view == 'top':
        for s, side in ((1, 'left'), (-1, 'right')):
            d.area(f'vehicle.wing.{side}.inner', f'-90,{s * 24}/2 -112,{s * 120}~ -100,{s * 200}/2 64,{s * 200}/2 50,{s * 110}~ 60,{s * 24}/2', 100, mat='cloth', form='wi' + side, shade='flat', lift=2, tags=CAMO)
            d.area(f'vehicle.wing.{side}.outer', f'-100,{s * 200}/1 -72,{s * 300}~ -10,{s * 396}/3 44,{s * 380}/2 40,{s * 350}/1 66,{s * 330}/2 56,{s * 300}/1 76,{s * 272}/2 64,{s * 244}/1 76,{s * 216}/2 64,{s * 200}/1', 101, mat='cloth', form='wo' + side, shade='flat', lift=2, tags=CAMO)
            d.area(f'vehicle.wing.{side}.tip', f'-30,{s * 370}~ -10,{s * 396}/3 44,{s * 380}/2 40,{s * 350}/1 4,{s * 356}/2', 102, mat='cloth', form='wt' + side, shade='none', lift=0)
            d.area(f'vehicle.wing.{side}.spar', tube((-80, s * 20, 11), (-100, s * 120, 10), (-88, s * 210, 9), (-58, s * 310, 8), (-8, s * 392, 6)), 106, mat='wood', form='sp' + side, shade='none', lift=1.6)
            d.area(f'vehicle.wing.{side}.ribs', ' | '.join(bar(-94 + k * 5, s * y, 56 + k * 3, s * (y + 4), 5) for k, y in enumerate((60, 104, 148, 196))) + ' | ' + ' | '.join(bar(a, s * b, x, s * y, 4.4) for a, b, x, y in ((-76, 244, 62, 244), (-62, 296, 56, 300), (-38, 342, 40, 350))), 105, mat='wood', form='ri' + side, shade='none', lift=1)
            d.area(f'vehicle.wing.{side}.joint', f'o:-88,{s * 206},11', 108, mat='metal', form='jo' + side, shade='ball', lift=1.2)
        d.site('wing.left', 'vehicle.wing.left.inner', -20, 126, 6, 6, 'disc', 'drape')
        d.site('wing.right', 'vehicle.wing.right.inner', -20, -126, 6, 6, 'disc', 'drape')
        return
    near, far = ('left', 'right') if d.view == 'left' else ('right', 'left')
    for side, dx, dy, z in ((far, 34, -14, 40), (near, 0, 0, 300)):
        def m(spec):
            return ' '.join(f'{float(t.split(",")[0]) + dx:.1f},{float(t.split(",")[1].rstrip("~").split("/")[0]) + dy:.1f}' + t[len(t.split("/")[0]) if '/' in t else len(t.rstrip("~")):] for t in spec.split())
        d.area(f'vehicle.wing.{side}.inner', m('-80,-196/2 -104,-270~ -84,-352/2 66,-338/2 52,-262~ 62,-196/2'), z, mat='cloth', form='wi' + side, shade='flat', lift=2, tags=CAMO)
        d.area(f'vehicle.wing.{side}.outer', m('-84,-352/1 -44,-424~ 26,-476/3 72,-458/2 64,-434/1 84,-414/2 70,-390/1 86,-366/2 66,-338/1'), z + 1, mat='cloth', form='wo' + side, shade='flat', lift=2, tags=CAMO)
        d.area(f'vehicle.wing.{side}.tip', m('-4,-456~ 26,-476/3 72,-458/2 64,-434/1 30,-438/2'), z + 2, mat='cloth', form='wt' + side, shade='none', lift=0)
        d.area(f'vehicle.wing.{side}.spar', tube(*[(x + dx, y + dy, w) for x, y, w in ((-74, -190, 11), (-94, -270, 10), (-72, -356, 9), (-34, -424, 8), (24, -472, 6))]), z + 6, mat='wood', form='sp' + side, shade='none', lift=1.6)
        d.area(f'vehicle.wing.{side}.ribs', ' | '.join(bar(a + dx, b + dy, x + dx, y + dy, 4.8) for a, b, x, y in ((-84, -228, 56, -226), (-92, -270, 52, -264), (-84, -312, 58, -304), (-70, -366, 66, -352), (-46, -404, 72, -390), (-20, -440, 64, -432))), z + 5, mat='wood', form='ri' + side, shade='none', lift=1)
        d.area(f'vehicle.wing.{side}.joint', f'o:{-74 + dx},{-354 + dy},11', z + 8, mat='metal', form='jo' + side, shade='ball', lift=1.2)
        if side == far:
            for name in ('inner', 'outer', 'tip', 'ribs', 'spar'):
                d.dark(f'vehicle.wing.{far}.{name}', box(-200, -600, 240, -100), .2)


@part('flier.hull', 'hull', note='slender planked hull, beaked prow, cockpit with a windscreen, clockwork engine, flying stand')
def flier_hull(d):
    if d.view == 'top':
        d.area('vehicle.hull.side.mid', '-210,0/2 -170,-26~ -60,-40~ 90,-32~ 190,-12/3 190,12/3 90,32~ -60,40~ -170,26~', 120, mat='wood', form='hull', shade='flat', lift=3, tags=CAMO, tex='wood')
        d.area('vehicle.prow', '-204,-6/2 -204,6/2 -236,9~ -268,0/1 -236,-9~', 121, mat='metal', form='prow', shade='flat', lift=1.6)
        d.area('vehicle.cockpit.rim', 'e:-70,0,44,26', 124, mat='leather', form='rim', shade='flat', lift=1.4)
        d.area('vehicle.cockpit', 'e:-70,0,36,19', 125, mat='paint', shade='none', lift=0)
        d.area('vehicle.cockpit.seat', box(-58, -13, -38, 13, 5), 126, mat='leather', form='seat', shade='flat', lift=1)
        d.area('vehicle.cockpit.screen', '-116,-16/2 -106,-18/2 -98,0~ -106,18/2 -116,16/2 -110,0~', 127, mat='glass', shade='none', lift=1)
        d.area('vehicle.spring.drum', box(2, -24, 74, 24, 8), 126, mat='metal', form='drum', shade='cyl', lift=2)
        d.area('vehicle.spring.band', box(14, -26, 22, 26, 2) + ' | ' + box(54, -26, 62, 26, 2), 127, mat='metal', form='dband', shade='none', lift=.8)
        d.area('vehicle.spring.key', box(26, -7, 50, 7, 5), 128, mat='metal', form='key', shade='flat', lift=1.8)
        return
    d.area('vehicle.undercarriage', bar(-20, -146, -20, 2, 7), 20, mat='glass', form='rod', shade='cyl', lift=0)
    d.area('base.rim', 'e:-20,10,100,15', 10, mat='paint', lift=0, shade='flat')
    d.area('base.ground', 'e:-20,5,92,11', 11, mat='ground', lift=1.4, shade='none', tex='turf')
    d.area('vehicle.hull.side.mid', '-226,-190/3 -150,-202~ -20,-206~ 120,-202~ 206,-196/3 196,-180/3 120,-152~ 0,-136~ -120,-146~ -200,-172~', 120, mat='wood', form='hull', shade='cyl', lift=2, tags=CAMO)
    d.area('vehicle.hull.bilge', '-150,-156/0 0,-146~ 150,-160/0 120,-152~ 0,-136~ -120,-146~', 121, mat='metal', form='bilge', shade='flat', lift=.8)
    d.area('vehicle.hull.rail', tube((-222, -193, 8), (-150, -203, 8), (-20, -207, 8), (120, -203, 8), (204, -195, 8)), 123, mat='wood', form='rail', shade='none', lift=1.4)
    d.area('vehicle.hull.rivets', dots([(x, -182) for x in range(-170, 170, 30)], 2.4), 122, mat='metal', shade='none', lift=.5)
    d.area('vehicle.prow', '-210,-202/2 -236,-206~ -284,-184/1 -250,-180~ -208,-174/2', 124, mat='metal', form='prow', shade='flat', lift=1.6)
    d.area('vehicle.prow.eye', 'o:-228,-192,5', 125, mat='paint', shade='none', lift=.4)
    d.area('vehicle.cockpit.seat', '-50,-204/1 -46,-236/4 -34,-238/3 -30,-204/1', 117, mat='leather', form='seat', shade='flat', lift=1)
    d.area('vehicle.cockpit.screen', '-112,-204/1 -100,-236/3 -94,-234/3 -98,-204/1', 118, mat='glass', shade='none', lift=.8)
    d.area('vehicle.cockpit.rim', bar(-114, -207, -24, -209, 8, r=3), 126, mat='leather', form='rim', shade='flat', lift=1.2)
    d.area('vehicle.spring.key', 'e:26,-252,9,11 e:50,-252,9,11 | ' + box(34, -260, 42, -224), 114, mat='metal', form='key', shade='flat', lift=1.2, merge=True, cut='e:26,-252,4,5 e:50,-252,4,5')
    d.area('vehicle.spring.drum', box(2, -232, 74, -200, 8), 116, mat='metal', form='drum', shade='cyl', lift=1.6)
    d.area('vehicle.spring.band', box(12, -234, 20, -200, 2) + ' | ' + box(56, -234, 64, -200, 2), 117, mat='metal', form='dband', shade='none', lift=.8)
    d.ink('vehicle.hull.side.mid', line((-190, -176), (0, -166), (170, -176), w=1.1), .3)
    d.site('hull.number', 'vehicle.hull.side.mid', 110, -178, 5, 2.4, 'rect', 'flat')


@part('flier.tail', 'tail', note='fan tail of five slats and a rudder')
def flier_tail(d):
    if d.view == 'top':
        for i, (y0, y1) in enumerate(((-70, -44), (-40, -15), (-12, 12), (15, 40), (44, 70))):
            name = 'vehicle.tail.slats.even' if i % 2 else 'vehicle.tail.slats'
            d.area(name, f'180,{(y0 + y1) * .12:.1f}/1 300,{y0}/4 314,{(y0 + y1) / 2:.1f}/3 300,{y1}/4 184,{(y0 + y1) * .12 + 4:.1f}/1', 110 + i * .1, mat='cloth', form=f'slat{i}', shade='flat', lift=1.4)
        d.area('vehicle.tail.rudder', bar(186, 0, 262, 0, 7, r=2), 130, mat='wood', form='rudder', shade='flat', lift=2)
        d.area('vehicle.tail.pivot', 'o:186,0,9', 131, mat='metal', form='pivot', shade='ball', lift=1.2)
        return
    d.area('vehicle.tail.slats', '188,-196/1 306,-214/3 316,-204/3 300,-194/2 190,-186/1', 110, mat='cloth', form='slats', shade='flat', lift=1.4)
    d.area('vehicle.tail.slats.even', '188,-188/1 298,-194/2 312,-186/3 292,-178/3 190,-180/1', 109, mat='cloth', form='slats2', shade='flat', lift=1.2)
    d.area('vehicle.tail.rudder', '186,-198/2 214,-250/4 258,-262/5 264,-210/3 204,-194/2', 112, mat='cloth', form='rudder', shade='flat', lift=1.6, tags=CAMO)
    d.area('vehicle.tail.frame', bar(188, -198, 216, -250, 6, r=2) + ' | ' + bar(206, -222, 262, -232, 4.4), 113, mat='wood', shade='none', lift=.9)
    d.area('vehicle.tail.pivot', 'o:190,-192,9', 126, mat='metal', form='pivot', shade='ball', lift=1.2)
    d.dark('vehicle.tail.rudder', lens((226, -248), (232, -226), (228, -206), w=5), .15)
    d.site('rudder', 'vehicle.tail.rudder', 238, -234, 2.6, 2.6, 'disc', 'flat')
