"""Arms are drawn as the left one (+x) and mirrored for the right."""
from ..part import Z, part
from ..stroke import bar, dots, lens, line, tube

A, H = Z['arm'], Z['hand']


def fist(d, x, y, deg=0, w=23, h=25, z=H, area='hand.{s}', mat='skin'):
    """A closed hand, knuckles to the viewer, gripping something upright at x, y."""
    a = (deg, x, y)
    d.area(area, f'{x - w / 2},{y - h / 2 + 2}/5 {x + w / 2 - 3},{y - h / 2}/5 {x + w / 2},{y - h / 2 + 7}/3 '
           f'{x + w / 2 - 1},{y + h / 2}/5 {x - w / 2 + 1},{y + h / 2}/5', z, mat=mat, shade='ball', lift=1.6, turn=a)


@part('arm.relaxed', 'arm', attach='shoulder.{s}', origin=(46, -226), note='hangs at the side, turned-up cuff')
def relaxed(d, cuff=True, hand='skin'):
    d.area('arm.{s}.sleeve', tube((44, -228, 27), (56, -208, 27), (62, -184, 24), (67, -152, 22), r0=11, r1=2), A,
           form='arm', lift=2.2)
    d.area('arm.{s}.frill', bar(65.6, -150, 67.2, -141, 23, 22), A + 1, form='frill', shade='flat', lift=.8)
    d.area('arm.{s}.cuff', bar(62.4, -175, 66.5, -147, 28, 30, r=2), A + 3, form='cuff', lift=1.4)
    d.area('arm.{s}.cuff.buttons', dots([(69.5, -170), (70.7, -161.5), (71.9, -153)], 2.1), A + 4, mat='metal', shade='none', lift=.6)
    d.area('hand.{s}', '57,-144/2 78,-145/2 80,-130~ 78,-119/5 68,-113/5 60,-117/4 55,-128/3 56,-138/2', A + .5,
           mat=hand, shade='ball', lift=1.2)
    d.ink('hand.{s}', line((65, -127), (64, -116), w=1.1) + ' | ' + line((70.5, -127), (70, -114.5), w=1.1) + ' | '
          + line((75, -128), (75, -117), w=1.1), .55)
    d.dark('arm.{s}.sleeve', lens((48, -196), (56, -190), (70, -193), w=4), .18)
    d.dark('arm.{s}.sleeve', lens((52, -186), (60, -182), (72, -184), w=3), .15)
    d.anchor('hand.{s}', 68, -128)


@part('arm.grip', 'arm', attach='shoulder.{s}', origin=(46, -226), note='bent a little outward, fist round something upright')
def grip(d, cuff=True, hand='skin'):
    d.area('arm.{s}.sleeve', tube((44, -228, 27), (57, -207, 27), (67, -186, 25), (83, -166, 22), r0=11, r1=2), A,
           form='arm', lift=2.2)
    d.area('arm.{s}.cuff', bar(66.5, -184, 82, -163, 29, 31, r=2), A + 3, form='cuff', lift=1.4)
    d.area('arm.{s}.cuff.buttons', dots([(74.6, -184.4), (80, -177.2), (85.4, -170)], 2.1), A + 4, mat='metal', shade='none', lift=.6)
    fist(d, 90, -155, -14, w=24, h=27)
    if d.front:
        d.ink('hand.{s}', line((80, -158), (100, -164), w=1.1) + ' | ' + line((80.5, -152), (101, -158), w=1.1) + ' | '
              + line((82, -146), (101, -151.5), w=1.1), .5)
    else:
        d.ink('hand.{s}', line((95, -166), (97, -146), w=1.1), .5)
    d.dark('arm.{s}.sleeve', lens((50, -192), (60, -188), (76, -196), w=4), .18)
    d.anchor('hand.{s}', 90, -154)


@part('arm.bracer', 'arm', attach='shoulder.{s}', origin=(46, -226), note='as arm.grip, with a buckled bracer and glove')
def bracer(d):
    d.area('arm.{s}.sleeve', tube((44, -228, 27), (57, -207, 27), (67, -186, 25), (83, -166, 20), r0=11, r1=2), A, form='arm', lift=2.2)
    d.area('arm.{s}.bracer', bar(66, -185, 83.5, -162, 27, 23, r=3), A + 3, mat='leather', form='bracer', lift=1.4)
    d.area('arm.{s}.bracer.strap', bar(61.5, -174.5, 80.5, -189, 4.6, r=1) + ' | ' + bar(69, -164, 87, -177.8, 4.6, r=1), A + 4, mat='leather', shade='none', lift=.7)
    d.area('arm.{s}.bracer.buckle', 'o:71.6,-182.2,3.1 o:78.4,-171.2,3.1', A + 5, mat='metal', shade='none', lift=.6)
    fist(d, 90, -155, -14, w=24, h=27, mat='leather')
    if d.front:
        d.ink('hand.{s}', line((80, -158), (100, -164), w=1.1) + ' | ' + line((80.5, -152), (101, -158), w=1.1) + ' | ' + line((82, -146), (101, -151.5), w=1.1), .5)
    else:
        d.ink('hand.{s}', line((95, -166), (97, -146), w=1.1), .5)
    d.dark('arm.{s}.sleeve', lens((50, -192), (60, -188), (76, -196), w=4), .18)
    d.anchor('hand.{s}', 90, -154)


def _spaulder(d):
    o = Z['over'] + 1
    d.area('arm.{s}.spaulder.lame', '38,-224/2 56,-230/3 66,-214/3 68,-200/3 57,-196~ 45,-202/3', o, mat='plate', form='sl', shade='ball', lift=1.4)
    d.area('arm.{s}.spaulder', '31,-238/3 46,-243/5 59,-236/5 66,-220/3 56,-213~ 42,-214/3 34,-224~', o + 1, mat='plate', form='sp', shade='ball', lift=1.8)
    d.area('arm.{s}.spaulder.rivet', 'o:50,-228,3', o + 2, mat='metal', shade='none', lift=.6)


def _gauntlet_lines(d, x, y):
    d.ink('hand.{s}', line((x - 10, y - 4), (x + 10, y - 9), w=1.1) + ' | ' + line((x - 10, y + 2), (x + 10, y - 3), w=1.1) + ' | '
          + line((x - 9, y + 8), (x + 10, y + 3.4), w=1.1), .5)


@part('arm.plate', 'arm', attach='shoulder.{s}', origin=(46, -226), note='mail sleeve, spaulder, vambrace, gauntlet; hangs, carries a shield')
def plate(d):
    d.area('arm.{s}.mail', tube((44, -228, 27), (56, -208, 27), (63, -184, 24), (67, -166, 22), r0=11, r1=2), A, mat='mail', form='arm', lift=2.2, tex='mail')
    d.area('arm.{s}.vambrace', bar(62.6, -182, 67.4, -150, 25, 21, r=3), A + 2, mat='plate', form='vam', lift=1.4)
    d.area('arm.{s}.couter', '50,-194/4 63,-201~ 75,-193/4 80,-184/1 75,-175/4 63,-170~ 51,-177/4', A + 3, mat='plate', form='cou', shade='ball', lift=1.4)
    d.area('arm.{s}.gauntlet', bar(66, -164, 68, -142, 30, 22, r=3), A + 4, mat='plate', form='gau', lift=1.4)
    d.area('hand.{s}', '57,-144/2 78,-145/2 80,-130~ 78,-119/5 68,-113/5 60,-117/4 55,-128/3 56,-138/2', A + 3.5, mat='plate', shade='ball', lift=1.2)
    _gauntlet_lines(d, 68, -126)
    _spaulder(d)
    d.anchor('hand.{s}', 68, -128)
    d.anchor('shield.{s}', 71, -164)


@part('arm.plate.raised', 'arm', attach='shoulder.{s}', origin=(46, -226), note='as arm.plate, forearm raised outward, fist round a hilt')
def plate_raised(d):
    d.area('arm.{s}.mail', tube((44, -228, 27), (56, -207, 27), (68, -184, 25), r0=11, r1=9), A, mat='mail', form='arm', lift=2.2, tex='mail')
    d.area('arm.{s}.vambrace', bar(69, -176, 88, -209, 25, 21, r=3), A + 2, mat='plate', form='vam', lift=1.6)
    d.area('arm.{s}.couter', '54,-184/4 62,-195~ 76,-192/4 83,-178/3 73,-165/4 58,-168/4', A + 3, mat='plate', form='cou', shade='ball', lift=1.4)
    d.area('arm.{s}.gauntlet', bar(77.5, -191, 91, -214, 31, 22, r=3), A + 4, mat='plate', form='gau', lift=1.4)
    fist(d, 96, -224, 6, mat='plate')
    _gauntlet_lines(d, 96, -223)
    _spaulder(d)
    d.anchor('hand.{s}', 96, -224)
